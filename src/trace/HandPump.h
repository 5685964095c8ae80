#pragma once

#include "Trace.h"
#include "quantities/Failure.h"

namespace uttrin {

/// What a hand pump does to a vessel, stroke by stroke, and what comes in between.
struct HandPump {
    std::size_t strokes = 0;
    double start = 0.0;                 ///< Pa, before the first stroke
    double ratio = 1.0, ratioU = 0.0;   ///< of what is above the floor, that a stroke leaves
    double floor = 0.0;                 ///< Pa, at which strokes do nothing any more
    double stroke = 0.0, strokeU = 0.0; ///< m3, that one stroke takes at the vessel's pressure
    double loss = 0.0, lossU = 0.0;     ///< Pa/s, that come in between strokes; u 0 where none were watched

    /// Strokes from one pressure down to another, with nothing coming in; nothing for one at the floor or
    /// below.
    [[nodiscard]] std::optional<int> strokesTo(double fromPascal, double toPascal) const;
};

/// Finds strokes, falls by more than a fiftieth and by more than the steps of the figures, and fits that each
/// leaves the same share of what is above the floor: p' - floor = ratio (p - floor), ratio = V / (V + stroke)
/// for a pump that takes in a volume at each stroke. Falls that follow each other within a second are one
/// stroke, unless no reading lies between strokes (typed, one a stroke). TooFewPoints under four strokes;
/// BadInput for a pressure that was read often and falls without a pause.
/// @param cubicMetres  of the vessel and its line.
[[nodiscard]] Result<HandPump> fitStrokes(const TraceChannel& pascal, double cubicMetres);

} // namespace uttrin
