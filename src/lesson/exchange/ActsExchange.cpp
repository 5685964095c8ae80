#include "ActsExchange.h"

#include "ExportedLine.h"
#include "json/JsonText.h"
#include "lesson/model/Clock.h"
#include "notebook/Csv.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr std::size_t kMostComplaints = 200;

const std::vector<std::string>& actColumns() {
    static const std::vector<std::string> kColumns{"act",     "title",       "kind",    "doer",
                                                   "state",   "starts_s",    "lasts_s", "ready_s",
                                                   "ready_k", "why_skipped", "rig",     "frozen"};
    return kColumns;
}
const std::vector<std::string>& stampColumns() {
    static const std::vector<std::string> kColumns{"stamp", "taken_at",   "taken_at_ms", "step",
                                                   "what",  "value",      "unit",        "bound",
                                                   "place", "instrument", "group"};
    return kColumns;
}

template <typename T>
Json orNull(const std::optional<T>& value) {
    return value ? Json(*value) : Json();
}

Json jsonOf(const Act& a) {
    return {{"act", a.id},
            {"title", a.title},
            {"kind", identifier(a.kind)},
            {"doer", identifier(a.doer)},
            {"state", identifier(a.state)},
            {"starts_s", a.startsS},
            {"lasts_s", orNull(a.lastsS)},
            {"ready_s", orNull(a.readyS)},
            {"ready_k", orNull(a.readyK)},
            {"why_skipped", orNull(a.whySkipped)},
            {"rig", a.rig},
            {"frozen", a.frozen}};
}

Json jsonOf(const LessonModel& model, const Stamp& s) {
    const int offset = model.lesson().utcOffsetMin;
    return {{"stamp", identifier(s.kind)},
            {"taken_at", isoText(s.takenAt, offset)},
            {"taken_at_ms", s.takenAt},
            {"step", orNull(s.step)},
            {"what", s.what},
            {"value", orNull(s.value)},
            {"unit", s.unit},
            {"bound", identifier(s.bound)},
            {"place", s.place},
            {"instrument", s.instrument},
            {"group", s.groupId ? model.group(*s.groupId).name : std::string()}};
}

std::string cellOf(const Json& value) {
    return value.is_null()     ? std::string()
           : value.is_string() ? csvText(value.get<std::string>())
                               : value.dump();
}

/// What a JSON object holds, as a line under the names of its keys; objects and lists in it are left out.
struct JsonLine {
    CsvRecord header, record;

    JsonLine(const Json& object, std::size_t number) {
        record.line = static_cast<int>(number);
        for (const auto& item : object.items()) {
            if (item.value().is_structured()) continue;
            header.fields.push_back(item.key());
            record.fields.push_back(cellOf(item.value()));
        }
    }
    [[nodiscard]] ExportedLine line() const { return {header, record}; }
};

template <typename T>
Result<T> readOr(const ExportedLine& line, T value) {
    if (line.failure()) return fail(Failure::BadInput, *line.failure());
    return value;
}

/// An identifier that must be there.
template <typename E>
void needed(ExportedLine& line, std::string_view name, E& into) {
    if (line.text(name).empty()) line.refuse(name, Text::tr("there is none"));
    line.identified(name, into);
}

Result<Act> actOf(ExportedLine line) {
    Act a;
    a.title = line.text("title");
    if (a.title.empty()) line.refuse("title", Text::tr("an act without a title"));
    needed(line, "kind", a.kind);
    needed(line, "doer", a.doer);
    needed(line, "state", a.state);
    a.startsS = line.whole("starts_s").value_or(0);
    a.lastsS = line.whole("lasts_s");
    a.readyS = line.whole("ready_s");
    a.readyK = line.value("ready_k");
    if (std::string why = line.text("why_skipped"); !why.empty()) a.whySkipped = std::move(why);
    a.rig = line.text("rig");
    a.frozen = line.text("frozen");
    if (a.kind == ActKind::Lab) a.kind = ActKind::PlainBlock; // its plan is not in this file
    return readOr(line, std::move(a));
}

Result<Stamp> stampOf(ExportedLine line) {
    Stamp s;
    needed(line, "stamp", s.kind);
    s.step = line.whole("step");
    s.value = line.value("value");
    line.identified("bound", s.bound);
    const auto ms = line.moment("taken_at_ms");
    const auto at = ms ? ms : timeOfIso(line.text("taken_at"));
    if (!at) line.refuse("taken_at", Text::tr("it is no time such as 2026-04-24T08:42:07+02:00"));
    s.takenAt = at.value_or(0);
    s.what = line.text("what");
    s.unit = line.text("unit");
    s.place = line.text("place");
    s.instrument = line.text("instrument");
    return readOr(line, std::move(s));
}

Result<ImportedActs> whole(ImportedActs acts) {
    if (!acts.acts.empty()) return acts;
    return fail(Failure::BadInput, acts.complaints.empty() ? Text::tr("there are no acts in this file")
                                                           : Text::tr("no act can be read; the first: {}",
                                                                      acts.complaints.front()));
}

void complain(ImportedActs& acts, Text text) {
    if (acts.complaints.size() < kMostComplaints) acts.complaints.push_back(std::move(text));
}

Json questionsOf(const LessonModel& model, RowId act) {
    Json list = Json::array();
    for (const Question& q : model.data().questions) {
        if (q.actId != act) continue;
        Json one = {{"step", orNull(q.step)},
                    {"asks", q.asks},
                    {"kind", identifier(q.kind)},
                    {"unit", q.unit},
                    {"choices", q.choices},
                    {"locked_at_ms", orNull(q.lockedAt)},
                    {"revealed_at_ms", orNull(q.revealedAt)},
                    {"result", q.result},
                    {"answers", Json::array()}};
        for (const Answer& a : model.data().answers)
            if (a.questionId == q.id)
                one["answers"].push_back({{"group", a.groupId ? Json(model.group(*a.groupId).name) : Json()},
                                          {"said", a.said},
                                          {"value", orNull(a.value)},
                                          {"votes", a.votes}});
        list.push_back(std::move(one));
    }
    return list;
}

Result<ImportedAct::Asked> askedOf(const Json& object, std::size_t number) {
    const JsonLine own(object, number);
    ExportedLine line = own.line();
    ImportedAct::Asked asked;
    Question& q = asked.question;
    q.asks = line.text("asks");
    if (q.asks.empty()) line.refuse("asks", Text::tr("a question without words"));
    q.unit = line.text("unit");
    q.choices = line.text("choices");
    q.result = line.text("result");
    needed(line, "kind", q.kind);
    q.step = line.whole("step");
    q.lockedAt = line.moment("locked_at_ms");
    q.revealedAt = line.moment("revealed_at_ms");
    const auto answers = object.find("answers");
    for (std::size_t i = 0; answers != object.end() && answers->is_array() && i < answers->size(); ++i) {
        if (!(*answers)[i].is_object()) continue;
        const JsonLine one((*answers)[i], i + 1);
        ExportedLine said = one.line();
        Answer a;
        a.value = said.value("value");
        a.votes = std::max(0, said.whole("votes").value_or(1));
        a.said = said.text("said");
        if (!said.failure()) asked.answers.push_back(std::move(a));
    }
    return readOr(line, std::move(asked));
}

} // namespace

std::string actsCsv(const LessonModel& model) {
    std::vector<std::string> header = actColumns();
    header.insert(header.end(), stampColumns().begin(), stampColumns().end());
    std::string csv = csvLine(header);
    for (const Act& act : model.data().acts) {
        const Json own = jsonOf(act);
        bool first = true;
        const auto line = [&](const Stamp* stamp) {
            std::vector<std::string> fields{cellOf(own["act"])};
            for (std::size_t i = 1; i < actColumns().size(); ++i)
                fields.push_back(first ? cellOf(own[actColumns()[i]]) : std::string());
            const Json moment = stamp ? jsonOf(model, *stamp) : Json();
            for (const std::string& column : stampColumns())
                fields.push_back(stamp ? cellOf(moment[column]) : std::string());
            csv += csvLine(fields);
            first = false;
        };
        for (const Stamp& stamp : model.data().stamps)
            if (stamp.actId == act.id) line(&stamp);
        if (first) line(nullptr);
    }
    return csv;
}

std::string actsJson(const LessonModel& model) {
    Json document = {{"lesson", model.lesson().title},
                     {"held_on", model.lesson().heldOn},
                     {"made_up", model.lesson().madeUp},
                     {"acts", Json::array()}};
    for (const Act& act : model.data().acts) {
        Json one = jsonOf(act);
        one["stamps"] = Json::array();
        for (const Stamp& stamp : model.data().stamps)
            if (stamp.actId == act.id) one["stamps"].push_back(jsonOf(model, stamp));
        one["questions"] = questionsOf(model, act.id);
        document["acts"].push_back(std::move(one));
    }
    return document.dump(2) + "\n";
}

bool holdsActs(std::string_view text) {
    const std::string_view head = text.substr(0, text.find('\n'));
    if (head.find(",stamp,") != std::string_view::npos) return true;
    const auto first = text.find_first_not_of(" \t\r\n");
    return first != std::string_view::npos && text[first] == '{' &&
           text.find("\"acts\"") != std::string_view::npos &&
           text.find("\"readings\"") == std::string_view::npos;
}

Result<ImportedActs> readActsCsv(std::string_view text) {
    const auto records = parseCsv(text);
    if (records.empty() || std::ranges::find(records.front().fields, "stamp") == records.front().fields.end())
        return fail(Failure::BadInput,
                    Text::tr("the first line does not name the columns of acts: act, title, "
                             "kind, …, stamp, taken_at, …"));
    ImportedActs acts;
    std::map<std::string, std::size_t> known; // by the act's number in the file
    for (std::size_t i = 1; i < records.size(); ++i) {
        const ExportedLine line(records.front(), records[i]);
        const std::string number = line.text("act");
        if (!known.contains(number)) {
            auto act = actOf(line);
            if (!act) {
                complain(acts, act.error().message);
                continue;
            }
            known[number] = acts.acts.size();
            acts.acts.push_back({std::move(*act), {}, {}, {}});
        }
        if (line.text("stamp").empty()) continue;
        auto stamp = stampOf(line);
        if (!stamp) {
            complain(acts, stamp.error().message);
            continue;
        }
        ImportedAct& act = acts.acts[known[number]];
        act.stamps.push_back(std::move(*stamp));
        act.groups.push_back(line.text("group"));
    }
    return whole(std::move(acts));
}

Result<ImportedActs> readActsJson(std::string_view text) {
    const auto document = parseJson(text);
    if (!document) return tl::unexpected(document.error().failure());
    const auto list = document->is_object() ? document->find("acts") : document->end();
    if (!document->is_object() || list == document->end() || !list->is_array())
        return fail(Failure::BadInput, Text::tr("there are no 'acts' in this file; accepted: a lesson’s acts "
                                                "exported as JSON"));
    ImportedActs acts;
    for (std::size_t i = 0; i < list->size(); ++i) {
        const Json& one = (*list)[i];
        auto act = one.is_object() ? actOf(JsonLine(one, i + 1).line())
                                   : Result<Act>(fail(Failure::BadInput, Text::tr("it is no object")));
        if (!act) {
            complain(acts, Text::tr("act {}: {}", i + 1, act.error().message));
            continue;
        }
        ImportedAct imported{std::move(*act), {}, {}, {}};
        const auto each = [&](const char* key, auto read) {
            const auto items = one.find(key);
            if (items == one.end() || !items->is_array()) return;
            for (std::size_t n = 0; n < items->size(); ++n)
                if (const Json& item = (*items)[n]; item.is_object())
                    if (const auto done = read(item, n + 1); !done)
                        complain(acts, Text::tr("act {}: {}", i + 1, done.error().message));
        };
        each("stamps", [&](const Json& item, std::size_t number) -> Result<void> {
            const JsonLine line(item, number);
            auto stamp = stampOf(line.line());
            if (!stamp) return tl::unexpected(stamp.error());
            imported.stamps.push_back(std::move(*stamp));
            imported.groups.push_back(line.line().text("group"));
            return {};
        });
        each("questions", [&](const Json& item, std::size_t number) -> Result<void> {
            auto asked = askedOf(item, number);
            if (!asked) return tl::unexpected(asked.error());
            imported.questions.push_back(std::move(*asked));
            return {};
        });
        acts.acts.push_back(std::move(imported));
    }
    return whole(std::move(acts));
}

} // namespace uttrin
