#pragma once

#include "LiveBench.h"
#include "TraceChart.h"

namespace uttrin::app {

/// The last seconds of what is listened to, with where it stands still and what was captured in the run in
/// hand.
[[nodiscard]] TraceChart::View traceViewOf(const LiveBench& bench, const LessonSession& session,
                                           double seconds);
/// The time of day at the seconds of the bench's clock.
[[nodiscard]] std::function<QString(double)> traceClockOf(const LiveBench& bench,
                                                          const LessonSession& session);

} // namespace uttrin::app
