#include "PeriodView.h"

#include "lesson/model/Clock.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"
#include "rehearsal/card/FetchList.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace uttrin {
namespace {

constexpr double kSecondsAMinute = 60.0;

bool counts(const Act& act) { return act.state != ActState::Skipped; }
Text wantedText(Resource what, const Text& from, const Text& to, const Text& names) {
    switch (what) {
    case Resource::Pump:
        return Text::tr("Minute {} to {}: the pump is wanted by {}.", from, to, names);
    case Resource::Heater:
        return Text::tr("Minute {} to {}: there are too few heaters for {}.", from, to, names);
    case Resource::Hood:
        return Text::tr("Minute {} to {}: the fume hood is wanted by {}.", from, to, names);
    case Resource::TeachersHands:
        break;
    }
    return Text::tr("Minute {} to {}: both hands of the teacher are wanted by {}.", from, to, names);
}

Text namesOf(const std::vector<const Act*>& acts) {
    std::vector<std::string> names;
    for (const Act* act : acts)
        names.push_back(act->title);
    return Text::list(names);
}

Text clashText(const Conflict& c, const std::vector<const Act*>& acts) {
    const auto minute = [](double s) { return fixed(s / kSecondsAMinute, 0); };
    std::vector<const Act*> of;
    for (const std::size_t i : c.acts)
        of.push_back(acts[i]);
    switch (c.kind) {
    case Conflict::Wanted:
        return wantedText(c.what, minute(c.from), minute(std::ceil(c.to / kSecondsAMinute) * kSecondsAMinute),
                          namesOf(of));
    case Conflict::AfterBell:
        return Text::tr("{} ends {} min after the bell.", Text::typed(of[0]->title),
                        fixed(std::ceil((c.to - c.from) / kSecondsAMinute), 0));
    case Conflict::BeforeClass:
        return Text::tr("{} wants the class {} min before the bell.", Text::typed(of[0]->title),
                        fixed(std::ceil(-c.from / kSecondsAMinute), 0));
    case Conflict::IceRunsOut:
        return Text::tr("Minute {}: the ice runs out, with {} still to come.", minute(c.from), namesOf(of));
    case Conflict::TooEarly:
        break;
    }
    return Text::tr("{} starts more than three hours before the bell.", Text::typed(of[0]->title));
}

Text doerText(ActDoer doer) { return doer == ActDoer::Teacher ? Text::tr("teacher") : Text::tr("groups"); }

Text stateText(ActState state) {
    switch (state) {
    case ActState::Planned:
        return {};
    case ActState::Prepared:
        return Text::tr("prepared");
    case ActState::GoingOn:
        return Text::tr("going on");
    case ActState::Done:
        return Text::tr("done");
    case ActState::Skipped:
        break;
    }
    return Text::tr("skipped");
}

PeriodView::Lane laneOf(const Act& act, const ActForecast& f) {
    PeriodView::Lane lane;
    lane.id = act.id;
    lane.title = Text::typed(act.title);
    lane.starts = act.startsS / kSecondsAMinute;
    lane.ends = lane.starts + f.timed.lasts / kSecondsAMinute;
    lane.state = act.state;
    const Text state = stateText(act.state);
    lane.under = Text::tr("{}, {} min", doerText(act.doer), fixed(f.timed.lasts / kSecondsAMinute, 0));
    if (!state.empty()) lane.under = Text::tr("{}, {}", lane.under, state);
    for (const ActPart& p : f.parts)
        lane.parts.push_back({p.kind, lane.starts + p.from / kSecondsAMinute,
                              lane.starts + p.to / kSecondsAMinute, p.what, p.u / kSecondsAMinute});
    return lane;
}

void addTodo(PeriodView& v, const LessonModel& model, const Act& act, const PeriodView::Lane& lane) {
    for (const PeriodView::Part& p : lane.parts) {
        if (p.kind == ActPart::Wait) continue;
        const Text what = p.what.empty() ? lane.title : Text::tr("{}: {}", lane.title, p.what);
        v.todo.push_back({p.from, periodTime(model, p.from), what, act.id});
    }
}

void frame(PeriodView& v) {
    constexpr double kStep = 5.0; // min
    double from = -kStep, to = v.lasts + kStep;
    for (const PeriodView::Lane& lane : v.lanes) {
        from = std::min(from, lane.starts);
        to = std::max(to, lane.ends);
    }
    v.from = std::floor(from / kStep) * kStep;
    v.to = std::ceil(to / kStep) * kStep;
}

Text summaryOf(const PeriodView& v, const LessonModel& model) {
    if (v.lanes.empty()) return Text::tr("Nothing is planned yet.");
    const auto first = std::ranges::min_element(v.lanes, {}, &PeriodView::Lane::starts);
    const auto last = std::ranges::max_element(v.lanes, {}, &PeriodView::Lane::ends);
    const double spare = v.lasts - last->ends;
    const Text end = spare >= 0.0 ? Text::tr("{} min to spare", fixed(spare, 0))
                                  : Text::tr("{} min too long", fixed(std::ceil(-spare), 0));
    return Text::tr("{} {0|act|acts} in a period of {} min: {}. First to do, {}: {}.", v.lanes.size(),
                    fixed(v.lasts, 0), end, periodTime(model, first->starts), first->title);
}

/// How many do an act at once: each group for itself.
int timesOf(const LessonModel& model, const Act& act) {
    return act.doer == ActDoer::Groups ? std::max(1, static_cast<int>(model.data().groups.size())) : 1;
}

/// With the ice of all who do it.
TimedAct timedOf(const LessonModel& model, const Act& act, TimedAct timed) {
    for (TimedAct::Ice& ice : timed.ice)
        ice.kg *= timesOf(model, act);
    return timed;
}

/// The acts that conflicts are looked for among, and how they are timed.
struct Timed {
    std::vector<const Act*> acts;
    std::vector<TimedAct> times;
};
Timed timedActs(const LessonSession& s, ActForecasts& forecasts) {
    Timed t;
    for (const Act& act : s.model().data().acts)
        if (isToCome(act)) {
            t.acts.push_back(&act);
            t.times.push_back(timedOf(s.model(), act, forecasts.of(s, act).timed));
        }
    return t;
}

} // namespace

std::optional<Milliseconds> onTheDay(const Lesson& lesson, const std::string& clock) {
    const auto colon = clock.find(':');
    if (colon == std::string::npos) return std::nullopt;
    const auto hour = parseNumber(clock.substr(0, colon)), minute = parseNumber(clock.substr(colon + 1));
    constexpr int kHours = 24, kMinutes = 60;
    if (!hour || !minute || *hour < 0 || *hour >= kHours || *minute < 0 || *minute >= kMinutes ||
        std::trunc(*hour) != *hour || std::trunc(*minute) != *minute)
        return std::nullopt;
    const auto midnight = timeOfIso(lesson.heldOn + "T00:00:00+00:00");
    if (!midnight) return std::nullopt;
    const double minutes = kMinutes * *hour + *minute - lesson.utcOffsetMin;
    return *midnight + static_cast<Milliseconds>(minutes * kSecondsAMinute * 1000.0);
}

std::optional<double> periodMinute(const LessonModel& model, Milliseconds at) {
    const auto& period = model.data().period;
    if (!period || !period->bellAt) return std::nullopt;
    return static_cast<double>(at - *period->bellAt) / 1000.0 / kSecondsAMinute;
}

Text periodTime(const LessonModel& model, double minute) {
    const PeriodRow row = periodRow(model);
    if (!row.bellAt) return Text::tr("minute {}", fixed(minute, 0));
    return Text::typed(
        clockText(*row.bellAt + static_cast<Milliseconds>(std::lround(minute * kSecondsAMinute * 1000.0)),
                  model.lesson().utcOffsetMin));
}

PeriodView periodView(const LessonSession& s, ActForecasts& forecasts) {
    PeriodView v;
    const LessonModel& model = s.model();
    const Period period = periodOf(model);
    v.lasts = period.lasts / kSecondsAMinute;
    std::set<std::string> warned;
    Timed t;
    std::vector<FetchShare> shares;
    for (const Act& act : model.data().acts) {
        if (!counts(act)) continue;
        const ActForecast f = forecasts.of(s, act);
        v.lanes.push_back(laneOf(act, f));
        if (!f.trouble.empty())
            v.clashes.push_back({Text::tr("{}: {}", v.lanes.back().title, f.trouble),
                                 v.lanes.back().starts,
                                 v.lanes.back().ends,
                                 {act.id}});
        if (!isToCome(act)) continue;
        t.acts.push_back(&act);
        t.times.push_back(timedOf(model, act, f.timed));
        addTodo(v, model, act, v.lanes.back());
        shares.push_back({f.materials, f.timed.starts, f.timed.ends(), timesOf(model, act)});
        v.needs.insert(f.needs.begin(), f.needs.end());
        if (!f.whoMay.empty())
            v.clashes.push_back({Text::tr("{}: {}", v.lanes.back().title, f.whoMay),
                                 v.lanes.back().starts,
                                 v.lanes.back().ends,
                                 {act.id}});
        for (const Text& c : f.cautions)
            if (warned.insert(plain(c)).second) v.cautions.push_back(c);
    }
    v.fetch = fetchList(shares, periodRow(model).people);
    for (const Conflict& c : conflictsOf(period, t.times)) {
        PeriodView::Clash clash{clashText(c, t.acts), c.from / kSecondsAMinute, c.to / kSecondsAMinute, {}};
        for (const std::size_t i : c.acts)
            clash.acts.push_back(t.acts[i]->id);
        for (PeriodView::Lane& lane : v.lanes)
            lane.conflict = lane.conflict || std::ranges::find(clash.acts, lane.id) != clash.acts.end();
        v.clashes.push_back(std::move(clash));
    }
    std::ranges::stable_sort(v.todo, {}, &PeriodView::Todo::minute);
    frame(v);
    if (const auto now = periodMinute(model, s.clock().now()); now && *now >= v.from && *now <= v.to)
        v.now = now;
    v.summary = summaryOf(v, model);
    return v;
}

std::vector<BellDraft> plannedBells(const LessonSession& s, ActForecasts& forecasts) {
    std::vector<BellDraft> bells;
    const auto now = periodMinute(s.model(), s.clock().now());
    if (!now) return bells;
    const auto running = bellsOf(s);
    for (const auto& todo : periodView(s, forecasts).todo) {
        const std::string title = plain(todo.what);
        const bool set =
            std::ranges::any_of(running, [&](const BellView& b) { return plain(b.title) == title; });
        const Act* act = s.model().act(todo.act);
        if (todo.minute <= *now || set || !act || act->state == ActState::GoingOn) continue;
        bells.push_back({title, (todo.minute - *now) * kSecondsAMinute, todo.act, BellSource::Plan});
    }
    return bells;
}

std::optional<std::vector<std::pair<RowId, int>>> mendOf(const LessonSession& s, ActForecasts& forecasts) {
    const Timed t = timedActs(s, forecasts);
    const auto mend = mendOf(periodOf(s.model()), t.times);
    if (!mend) return std::nullopt;
    std::vector<std::pair<RowId, int>> moves;
    for (std::size_t i = 0; i < t.acts.size(); ++i)
        if (mend->minutes[i] != 0) moves.emplace_back(t.acts[i]->id, mend->minutes[i]);
    return moves;
}

} // namespace uttrin
