#include "Formats.h"
#include "Verbs.h"
#include "lesson/acts/PeriodView.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/model/Clock.h"

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

} // namespace

Job addLesson(VerbOptions& verb) {
    struct In {
        std::string what, file;
    };
    auto in = std::make_shared<In>();
    verb.add("what", in->what, "info").required().oneOf({"info"});
    verb.add("file", in->file, "notebook (.uttrin)").required();
    return [in] {
        Opened of(in->file);
        return lessonInfo(of);
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
