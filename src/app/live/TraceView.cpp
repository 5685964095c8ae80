#include "TraceView.h"

namespace uttrin::app {
namespace {

constexpr double kMsPerSecond = 1000.0;

} // namespace

TraceChart::View traceViewOf(const LiveBench& bench, const LessonSession& session, double seconds) {
    TraceChart::View view;
    view.from = std::max(0.0, bench.now() - seconds);
    view.to = view.from + seconds;
    const Trace trace = bench.trail().aligned(session.roomOrStandard().pascal(), {}, view.from, view.to);
    view.pascal = trace.pascal;
    view.kelvin = trace.kelvin;
    if (bench.moment().steady) view.plateaus = {{bench.moment().from, bench.moment().to}};
    if (session.runId())
        for (const Reading& r : session.model().readingsOf(*session.runId()))
            if (r.live && !r.struckReason)
                view.captured.push_back(static_cast<double>(r.live->toMs - bench.begunMs()) / kMsPerSecond);
    return view;
}

std::function<QString(double)> traceClockOf(const LiveBench& bench, const LessonSession& session) {
    return [begun = bench.begunMs(), offset = session.model().lesson().utcOffsetMin](double seconds) {
        return QString::fromStdString(
            clockTextWithSeconds(begun + static_cast<Milliseconds>(seconds * kMsPerSecond), offset));
    };
}

} // namespace uttrin::app
