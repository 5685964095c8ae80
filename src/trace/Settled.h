#pragma once

#include <cstddef>
#include <span>

namespace uttrin {

/// Readings over a stretch of time, taken together.
struct Settled {
    double mean = 0.0;
    double u = 0.0; ///< of the mean: by how many of the readings tell anew, never below a step over root 12
    double spread = 0.0;              ///< standard deviation about the straight line through them
    double slope = 0.0, slopeU = 0.0; ///< each second
    double correlation = 1.0;         ///< so many readings tell as much as one by itself
    std::size_t count = 0;
};

/// @param seconds, values  as many, at least three, by time. @param step  see TraceChannel.
/// Readings that follow each other closely do not tell anew: the sum of their autocorrelations, taken while
/// pairs of them are positive (C. J. Geyer, Stat. Sci. 7 (1992) 473), says how many count as one.
[[nodiscard]] Settled settled(std::span<const double> seconds, std::span<const double> values, double step);

} // namespace uttrin
