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

ActTapeView actTapeView(const LessonSession& s, ActForecasts& forecasts) {
    const PeriodView period = periodView(s, forecasts);
    ActTapeView v;
    v.lasts = period.lasts;
    v.from = period.from;
    v.to = period.to;
    for (const PeriodView::Lane& lane : period.lanes) {
        const Act* act = s.model().act(lane.id);
        if (!act || !isToCome(*act)) continue;
        ActTapeView::Lane l{lane.id, lane.title, lane.parts, act->state == ActState::GoingOn};
        const double later = laterThanPlanned(s.model(), *act);
        for (PeriodView::Part& part : l.parts) {
            part.from += later;
            part.to += later;
            v.from = std::min(v.from, part.from);
            v.to = std::max(v.to, part.to);
        }
        v.lanes.push_back(std::move(l));
    }
    follow(v, s);
    return v;
}

} // namespace uttrin
