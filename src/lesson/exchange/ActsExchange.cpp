#include "ActsExchange.h"

#include "json/JsonText.h"
#include "lesson/model/Clock.h"
#include "notebook/CsvColumns.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr std::size_t kMostComplaints = 200;

const std::vector<std::string>& actColumns() {
    static const std::vector<std::string> kColumns{"act",     "title",   "kind",    "doer",        "state", "starts_s",
                                                   "lasts_s", "ready_s", "ready_k", "why_skipped", "rig",   "frozen"};
    return kColumns;
}
const std::vector<std::string>& stampColumns() {
    static const std::vector<std::string> kColumns{"stamp", "taken_at", "taken_at_ms", "step",  "what",
                                                   "value", "unit",     "bound",       "place", "instrument"};
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

Json jsonOf(const Stamp& s, int offset) {
    return {{"stamp", identifier(s.kind)},
            {"taken_at", isoText(s.takenAt, offset)},
            {"taken_at_ms", s.takenAt},
            {"step", orNull(s.step)},
            {"what", s.what},
            {"value", orNull(s.value)},
            {"unit", s.unit},
            {"bound", identifier(s.bound)},
            {"place", s.place},
            {"instrument", s.instrument}};
}

std::string cellOf(const Json& value) {
    return value.is_null() ? std::string() : value.is_string() ? csvText(value.get<std::string>()) : value.dump();
}

/// A record's values by the names of its columns, whatever they were written in.
class Row {
public:
    explicit Row(std::map<std::string, std::string> cells) : m_cells(std::move(cells)) {}
    [[nodiscard]] std::string text(const char* column) const {
        const auto found = m_cells.find(column);
        return found == m_cells.end() ? std::string() : found->second;
    }
    template <typename T>
    Result<void> word(const char* column, T& into) const {
        const auto value = valueOf<T>(text(column));
        if (!value) return tl::unexpected(value.error());
        into = *value;
        return {};
    }
    Result<void> number(const char* column, std::optional<double>& into) const {
        const std::string cell = text(column);
        if (cell.empty()) return {};
        const auto value = parseNumber(cell);
        if (!value)
            return fail(Failure::BadInput, Text::tr("{}: {}", std::string_view(column), value.error().message));
        into = *value;
        return {};
    }
    Result<void> whole(const char* column, std::optional<int>& into) const {
        std::optional<double> value;
        constexpr double kMost = 1e7;
        if (const auto read = number(column, value); !read) return read;
        if (value && !(std::abs(*value) < kMost))
            return fail(Failure::BadInput, Text::tr("{}: at most {}", std::string_view(column), 1e7));
        if (value) into = static_cast<int>(*value);
        return {};
    }

private:
    std::map<std::string, std::string> m_cells;
};

Result<Act> actOf(const Row& row) {
    Act a;
    a.title = row.text("title");
    if (a.title.empty()) return fail(Failure::BadInput, Text::tr("an act without a title"));
    std::optional<int> starts;
    const Result<void> all[] = {row.word("kind", a.kind),          row.word("doer", a.doer),
                                row.word("state", a.state),        row.whole("starts_s", starts),
                                row.whole("lasts_s", a.lastsS),    row.whole("ready_s", a.readyS),
                                row.number("ready_k", a.readyK)};
    for (const auto& read : all)
        if (!read) return tl::unexpected(read.error());
    a.startsS = starts.value_or(0);
    if (const std::string why = row.text("why_skipped"); !why.empty()) a.whySkipped = why;
    a.rig = row.text("rig");
    a.frozen = row.text("frozen");
    if (a.kind == ActKind::Lab) a.kind = ActKind::PlainBlock; // its plan is not in this file
    return a;
}

Result<Stamp> stampOf(const Row& row) {
    Stamp s;
    const Result<void> all[] = {row.word("stamp", s.kind), row.whole("step", s.step),
                                row.number("value", s.value)};
    for (const auto& read : all)
        if (!read) return tl::unexpected(read.error());
    if (!row.text("bound").empty())
        if (const auto read = row.word("bound", s.bound); !read) return tl::unexpected(read.error());
    std::optional<double> ms;
    if (const auto read = row.number("taken_at_ms", ms); !read) return tl::unexpected(read.error());
    const auto iso = timeOfIso(row.text("taken_at"));
    constexpr double kFarthest = 1e14; // ms
    if (!(ms && std::abs(*ms) < kFarthest) && !iso)
        return fail(Failure::BadInput, Text::tr("taken_at: accepted: 2026-04-24T08:42:07+02:00"));
    s.takenAt = ms ? static_cast<Milliseconds>(*ms) : *iso;
    s.what = row.text("what");
    s.unit = row.text("unit");
    s.place = row.text("place");
    s.instrument = row.text("instrument");
    return s;
}

Row rowOf(const Json& object) {
    std::map<std::string, std::string> cells;
    for (const auto& item : object.items())
        if (!item.value().is_structured() && !item.value().is_null())
            cells[item.key()] =
                item.value().is_string() ? item.value().get<std::string>() : item.value().dump();
    return Row(std::move(cells));
}

Result<ImportedActs> whole(ImportedActs acts) {
    if (!acts.acts.empty()) return acts;
    return fail(Failure::BadInput, acts.complaints.empty()
                                       ? Text::tr("there are no acts in this file")
                                       : Text::tr("no act can be read; the first: {}", acts.complaints.front()));
}

void complain(ImportedActs& acts, Text text) {
    if (acts.complaints.size() < kMostComplaints) acts.complaints.push_back(std::move(text));
}

Json questionsOf(const LessonModel& model, RowId act) {
    Json list = Json::array();
    for (const Question& q : model.data().questions) {
        if (q.actId != act) continue;
        Json one = {{"step", orNull(q.step)},        {"asks", q.asks},
                    {"kind", identifier(q.kind)},    {"unit", q.unit},
                    {"choices", q.choices},          {"locked_at_ms", orNull(q.lockedAt)},
                    {"revealed_at_ms", orNull(q.revealedAt)}, {"result", q.result},
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

Result<ImportedAct::Asked> askedOf(const Json& object) {
    const Row row = rowOf(object);
    ImportedAct::Asked asked;
    Question& q = asked.question;
    q.asks = row.text("asks");
    q.unit = row.text("unit");
    q.choices = row.text("choices");
    q.result = row.text("result");
    std::optional<double> locked, revealed;
    const Result<void> all[] = {row.word("kind", q.kind), row.whole("step", q.step),
                                row.number("locked_at_ms", locked), row.number("revealed_at_ms", revealed)};
    for (const auto& read : all)
        if (!read) return tl::unexpected(read.error());
    if (q.asks.empty()) return fail(Failure::BadInput, Text::tr("a question without words"));
    if (locked) q.lockedAt = static_cast<Milliseconds>(*locked);
    if (revealed) q.revealedAt = static_cast<Milliseconds>(*revealed);
    const auto answers = object.find("answers");
    if (answers == object.end() || !answers->is_array()) return asked;
    for (const Json& one : *answers) {
        if (!one.is_object()) continue;
        const Row said = rowOf(one);
        Answer a;
        std::optional<int> votes;
        if (!said.number("value", a.value) || !said.whole("votes", votes)) continue;
        a.said = said.text("said");
        a.votes = std::max(0, votes.value_or(1));
        asked.answers.push_back(std::move(a));
    }
    return asked;
}

} // namespace

std::string actsCsv(const LessonModel& model) {
    const int offset = model.lesson().utcOffsetMin;
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
            const Json moment = stamp ? jsonOf(*stamp, offset) : Json();
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
    const int offset = model.lesson().utcOffsetMin;
    Json document = {{"lesson", model.lesson().title},
                     {"held_on", model.lesson().heldOn},
                     {"made_up", model.lesson().madeUp},
                     {"acts", Json::array()}};
    for (const Act& act : model.data().acts) {
        Json one = jsonOf(act);
        one["stamps"] = Json::array();
        for (const Stamp& stamp : model.data().stamps)
            if (stamp.actId == act.id) one["stamps"].push_back(jsonOf(stamp, offset));
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
           text.find("\"acts\"") != std::string_view::npos && text.find("\"readings\"") == std::string_view::npos;
}

Result<ImportedActs> readActsCsv(std::string_view text) {
    const auto records = parseCsv(text);
    if (records.empty() || std::ranges::find(records.front().fields, "stamp") == records.front().fields.end())
        return fail(Failure::BadInput, Text::tr("the first line does not name the columns of acts: act, title, "
                                                "kind, …, stamp, taken_at, …"));
    const auto& header = records.front().fields;
    ImportedActs acts;
    std::map<std::string, std::size_t> known; // by the act's number in the file
    for (std::size_t i = 1; i < records.size(); ++i) {
        std::map<std::string, std::string> cells;
        for (std::size_t c = 0; c < std::min(header.size(), records[i].fields.size()); ++c)
            cells[header[c]] = textOfCsv(records[i].fields[c]);
        const Row row(std::move(cells));
        const std::string number = row.text("act");
        if (!known.contains(number)) {
            auto act = actOf(row);
            if (!act) {
                complain(acts, Text::tr("line {}: {}", records[i].line, act.error().message));
                continue;
            }
            known[number] = acts.acts.size();
            acts.acts.push_back({std::move(*act), {}, {}});
        }
        if (row.text("stamp").empty()) continue;
        auto stamp = stampOf(row);
        if (stamp)
            acts.acts[known[number]].stamps.push_back(std::move(*stamp));
        else
            complain(acts, Text::tr("line {}: {}", records[i].line, stamp.error().message));
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
        auto act = one.is_object() ? actOf(rowOf(one))
                                   : Result<Act>(fail(Failure::BadInput, Text::tr("it is no object")));
        if (!act) {
            complain(acts, Text::tr("act {}: {}", i + 1, act.error().message));
            continue;
        }
        ImportedAct imported{std::move(*act), {}, {}};
        const auto each = [&](const char* key, auto read) {
            const auto items = one.find(key);
            if (items == one.end() || !items->is_array()) return;
            for (const Json& item : *items)
                if (item.is_object())
                    if (const auto done = read(item); !done)
                        complain(acts, Text::tr("act {}: {}", i + 1, done.error().message));
        };
        each("stamps", [&](const Json& item) -> Result<void> {
            auto stamp = stampOf(rowOf(item));
            if (!stamp) return tl::unexpected(stamp.error());
            imported.stamps.push_back(std::move(*stamp));
            return {};
        });
        each("questions", [&](const Json& item) -> Result<void> {
            auto asked = askedOf(item);
            if (!asked) return tl::unexpected(asked.error());
            imported.questions.push_back(std::move(*asked));
            return {};
        });
        acts.acts.push_back(std::move(imported));
    }
    return whole(std::move(acts));
}

} // namespace uttrin
