#include "Formats.h"
#include "Verbs.h"
#include "WrittenDocument.h"
#include "files/WholeFile.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/acts/PeriodView.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/exchange/ActsExchange.h"
#include "lesson/model/Clock.h"
#include "report/LessonBook.h"
#include "report/PrepSheet.h"

#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
namespace {

constexpr double kMinute = 60.0; // s

/// A notebook to read, on its newest lesson.
struct Opened {
    SystemClock clock;
    LessonSession session;
    ActForecasts forecasts;
    explicit Opened(const std::string& file) : session(need(Notebook::openToRead(file)), clock, 0) {
        if (!session.hasLesson())
            throw Refusal{{Failure::BadInput, Text::tr("there is no lesson in {}", file)}};
    }
};

Answer lessonInfo(Opened& of) {
    Answer a;
    a.json["acts"] = Json::array();
    for (const Act& act : of.session.model().data().acts) {
        const ActForecast f = of.forecasts.of(of.session, act);
        Json one = {{"id", act.id},
                    {"title", act.title},
                    {"kind", identifier(act.kind)},
                    {"doer", identifier(act.doer)},
                    {"starts_s", act.startsS},
                    {"lasts_s", f.timed.lasts},
                    {"state", identifier(act.state)},
                    {"why_skipped", act.whySkipped ? Json(*act.whySkipped) : Json()},
                    {"ready_s", act.readyS ? Json(*act.readyS) : Json()},
                    {"ready_k", act.readyK ? Json(*act.readyK) : Json()},
                    {"parts", Json::array()},
                    {"stamps", Json::array()}};
        for (const ActPart& p : f.parts)
            one["parts"].push_back({{"from_s", act.startsS + p.from},
                                    {"to_s", act.startsS + p.to},
                                    {"what", p.what},
                                    {"to_s_u", p.u}});
        for (const Stamp& s : of.session.model().data().stamps)
            if (s.actId == act.id)
                one["stamps"].push_back(
                    {{"taken_at", isoText(s.takenAt, of.session.model().lesson().utcOffsetMin)},
                     {"kind", identifier(s.kind)},
                     {"step", s.step ? Json(*s.step) : Json()},
                     {"what", s.what},
                     {"value", s.value ? Json(*s.value) : Json()},
                     {"unit", s.unit},
                     {"place", s.place}});
        a.json["acts"].push_back(one);
        a.text += fmt::format("{:>5.0f} to {:>3.0f} min  {:<13} {:<9} {}\n", act.startsS / kMinute,
                              (act.startsS + f.timed.lasts) / kMinute, identifier(act.kind),
                              identifier(act.state), act.title);
        if (!f.wish.empty()) a.text += fmt::format("                   {}\n", f.wish);
    }
    if (a.text.empty()) a.text = "no acts are planned\n";
    return a;
}

Answer scheduleOf(Opened& of) {
    const PeriodView view = periodView(of.session, of.forecasts);
    Answer a;
    a.json = {{"period_s", view.lasts * kMinute},
              {"todo", Json::array()},
              {"conflicts", Json::array()},
              {"materials", view.fetch},
              {"cautions", view.cautions}};
    for (const PeriodView::Todo& t : view.todo) {
        a.json["todo"].push_back(
            {{"at_s", std::round(t.minute * kMinute)}, {"what", t.what}, {"act", t.act}});
        a.text += fmt::format("{:>12}  {}\n", plain(t.when), t.what);
    }
    for (const PeriodView::Clash& c : view.clashes) {
        a.json["conflicts"].push_back(
            {{"says", c.says}, {"from_s", c.from * kMinute}, {"to_s", c.to * kMinute}, {"acts", c.acts}});
        a.text += fmt::format("! {}\n", c.says);
    }
    if (!view.clashes.empty()) {
        const auto mend = mendOf(of.session, of.forecasts);
        a.json["mend"] = mend ? Json::array() : Json();
        if (mend)
            for (const auto& [act, minutes] : *mend)
                a.json["mend"].push_back({{"act", act}, {"by_s", minutes * kMinute}});
    }
    a.text += fmt::format("{}\n", view.summary);
    return a;
}

/// Prep sheet, the paper of each act with what is worked out of it, and the lab report.
Answer wholeLesson(Opened& of, bool student, const std::string& out) {
    FrozenForecasts frozen;
    const auto know = [&](const Act& act) {
        KnownOfAct known{frozen.of(act), nullptr};
        if (known.frozen)
            if (const auto task = analysisTask(of.session, act, *known.frozen))
                known.analysis = std::make_shared<const ActAnalysis>(analyse(*task));
        return known;
    };
    return written(lessonBook(of.session, of.forecasts, student ? PaperFor::Pupils : PaperFor::Teacher, know),
                   out);
}

Answer importActs(const std::string& file, const std::string& acts) {
    if (acts.empty())
        throw Refusal{{Failure::BadInput, Text::tr("import needs a file: lesson import FILE acts.json")}};
    const bool json = std::filesystem::path(acts).extension() == ".json";
    const auto read = need(json ? readActsJson(fileText(acts)) : readActsCsv(fileText(acts)));
    const SystemClock clock;
    LessonSession session(need(Notebook::open(file)), clock, 0);
    if (!session.hasLesson()) throw Refusal{{Failure::BadInput, Text::tr("there is no lesson in {}", file)}};
    Answer a;
    a.json["acts"] = need(ActCommands(session).addImported(read.acts));
    a.json["unread"] = read.complaints;
    a.text = fmt::format("{} act(s) brought in\n", read.acts.size());
    for (const Text& c : read.complaints)
        a.text += fmt::format("not read: {}\n", c);
    return a;
}

} // namespace

Job addLesson(VerbOptions& verb) {
    struct In {
        std::string what, file, acts, format = "csv", out = ".";
        bool student = false;
    };
    auto in = std::make_shared<In>();
    verb.add("what", in->what, "info, export, import, or report: the whole lesson as one file")
        .required()
        .oneOf({"info", "export", "import", "report"});
    verb.add("file", in->file, "notebook (.uttrin)").required();
    verb.add("acts", in->acts, "import: acts as they were exported, .csv or .json");
    verb.add("--format", in->format, "export: csv or json").oneOf({"csv", "json"}).showDefault();
    verb.add("--out", in->out, "export: folder; report: lesson.pdf or lesson.html").showDefault();
    verb.flag("--student", in->student, "report: the pupils’ sheets, without answers");
    return [in]() -> Answer {
        if (in->what == "import") return importActs(in->file, in->acts);
        Opened of(in->file);
        if (in->what == "info") return lessonInfo(of);
        if (in->what == "report") return wholeLesson(of, in->student, in->out);
        const LessonModel& model = of.session.model();
        const std::filesystem::path path =
            std::filesystem::path(in->out) /
            fmt::format("lesson-{}-acts.{}", of.session.lessonId(), in->format);
        std::error_code ignored; // what is wrong is said when it is written
        std::filesystem::create_directories(in->out, ignored);
        need(writeWholeFile(path, in->format == "json" ? actsJson(model) : actsCsv(model)));
        Answer a;
        a.json["written"] = {path.string()};
        a.text = path.string() + "\n";
        return a;
    };
}

Job addPrep(VerbOptions& verb) {
    struct In {
        std::string file, out;
        bool technician = false, handOver = false;
    };
    auto in = std::make_shared<In>();
    verb.add("file", in->file, "notebook (.uttrin)").required();
    verb.add("--out", in->out, "prep.pdf or prep.html").required();
    verb.flag("--technician", in->technician, "only what to fetch, to do and to mind beforehand");
    verb.flag("--hand-over", in->handOver, "what is done with each act before the next group has it");
    return [in] {
        Opened of(in->file);
        const auto kind = in->handOver     ? PrepSheetKind::HandOver
                          : in->technician ? PrepSheetKind::Technician
                                           : PrepSheetKind::Whole;
        Answer a = written(prepSheet(of.session, of.forecasts, kind), in->out);
        a.json.update(scheduleOf(of).json); // the same in figures
        return a;
    };
}

Job addSchedule(VerbOptions& verb) {
    auto file = std::make_shared<std::string>();
    verb.add("file", *file, "notebook (.uttrin)").required();
    return [file] {
        Opened of(*file);
        return scheduleOf(of);
    };
}

} // namespace uttrin::cli
