#include "ActTapeView.h"

#include "lesson/model/Clock.h"

#include <algorithm>

namespace uttrin {
namespace {

/// By how many minutes an act was begun later than it was planned.
double laterThanPlanned(const LessonModel& model, const Act& act) {
    for (const Stamp& s : model.data().stamps)
        if (s.actId == act.id && s.kind == StampKind::Begun)
            if (const auto begun = periodMinute(model, s.takenAt)) return *begun - act.startsS / 60.0;
    return 0.0;
}

/// Its parts by the clock, min of the period; empty where that is not known.
std::vector<PeriodView::Part> partsAsTheyGo(const LessonSession& s, const Act& act,
                                            const KnownCourse& known) {
    if (act.state != ActState::GoingOn || !known.frozen) return {};
    const ActCourse course(s.model(), act, *known.frozen);
    const Rehearsal& r = known.learned ? known.learned->likeliest : known.frozen->rehearsal;
    const RigTiming timing = timingOf(r);
    const std::vector<ActPart> planned = partsOf(timing);
    std::vector<PeriodView::Part> parts;
    Milliseconds from = course.begun().value_or(course.momentOf(-timing.clock));
    for (std::size_t i = 0; i < planned.size(); ++i) {
        const auto made = course.madeAt(timing.parts[i].move);
        const Milliseconds due = std::max(course.momentOf(planned[i].from - timing.clock), s.clock().now());
        if (i > 0) from = std::max(from, made.value_or(due));
        const auto minute = periodMinute(s.model(), from);
        if (!minute) return {};
        if (!parts.empty()) parts.back().to = *minute;
        parts.push_back({planned[i].kind, *minute, *minute + (planned[i].to - planned[i].from) / 60.0,
                         planned[i].what, 0.0});
    }
    return parts;
}

} // namespace

void follow(ActTapeView& v, const LessonSession& s) {
    const Milliseconds now = s.clock().now();
    v.nowText = Text::tr("now {}", Text::typed(clockText(now, s.model().lesson().utcOffsetMin)));
    v.now = periodMinute(s.model(), now);
    if (v.now && (*v.now < v.from || *v.now > v.to)) v.now.reset();
    v.bells.clear();
    if (!v.now) return;
    for (const BellView& bell : bellsOf(s))
        if (!bell.up) {
            v.bells.push_back({*v.now + bell.remaining / 60.0, bell.title, bell.time, bell.rings});
            v.to = std::max(v.to, v.bells.back().minute);
        }
    // What lies further off than a day's teaching is not drawn to scale.
    constexpr double kMost = 240.0;
    v.to = std::min(v.to, v.from + kMost);
}

ActTapeView actTapeView(const LessonSession& s, ActForecasts& forecasts, const CourseOf& courseOf) {
    const PeriodView period = periodView(s, forecasts);
    ActTapeView v;
    v.lasts = period.lasts;
    v.from = period.from;
    v.to = period.to;
    for (const PeriodView::Lane& lane : period.lanes) {
        const Act* act = s.model().act(lane.id);
        if (!act || !isToCome(*act)) continue;
        ActTapeView::Lane l{lane.id, lane.title, lane.parts, act->state == ActState::GoingOn};
        auto asItGoes = courseOf ? partsAsTheyGo(s, *act, courseOf(*act)) : std::vector<PeriodView::Part>();
        const double later = asItGoes.empty() ? laterThanPlanned(s.model(), *act) : 0.0;
        if (!asItGoes.empty()) l.parts = std::move(asItGoes);
        for (PeriodView::Part& part : l.parts) {
            part.from += later;
            part.to += later;
            v.from = std::min(v.from, part.from);
            v.to = std::max(v.to, part.to);
        }
        v.lanes.push_back(std::move(l));
    }
    // A tape may have no room for all of them: what goes on comes first.
    std::ranges::stable_sort(v.lanes, std::ranges::greater(), &ActTapeView::Lane::live);
    follow(v, s);
    return v;
}

} // namespace uttrin
