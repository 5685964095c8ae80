#pragma once

#include "Settled.h"
#include "Trace.h"
#include "physics/Substance.h"

namespace uttrin {

/// How still it has to be: no more than so many kelvin of boiling point in so many seconds.
struct SteadyTolerance {
    double kelvin = 0.1;
    double seconds = 10.0;
};

/// A stretch of a trace over which nothing moves but by chance.
struct SteadyStretch {
    double from = 0.0, to = 0.0;           ///< s
    std::optional<Settled> pascal, kelvin; ///< of the two instruments; nothing of one that was not read
    double slope = 0.0, slopeU = 0.0; ///< K/s: of the boiling point or of the temperature, which moves more
};

/// The stretches, by time, in which over the last `seconds` both the temperature and the boiling point at the
/// pressure move by less than the tolerance, with two standard errors to spare. A trace with one channel is
/// steady where that is. Nothing for one that is shorter than `seconds`, or a pressure outside the
/// substance's curve.
[[nodiscard]] std::vector<SteadyStretch> steadyStretches(const Trace& trace, const Substance& substance,
                                                         const SteadyTolerance& tolerance);

/// Whether the last `seconds` before a moment stand still by the tolerance, as `steadyStretches` tells it; how
/// they move then, or nothing where a channel has too little in them.
struct SteadyVerdict {
    bool steady = false;
    double slope = 0.0, slopeU = 0.0; ///< K/s
};
[[nodiscard]] std::optional<SteadyVerdict> steadyBefore(const Trace& trace, const Substance& substance,
                                                        const SteadyTolerance& tolerance, double now);

} // namespace uttrin
