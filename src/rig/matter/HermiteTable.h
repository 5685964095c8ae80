#pragma once

#include "quantities/Failure.h"

#include <boost/math/interpolators/cubic_hermite.hpp>

#include <algorithm>
#include <cmath>
#include <vector>

namespace uttrin {

/// A smooth function as values and slopes at even steps.
using HermiteTable = boost::math::interpolators::cardinal_cubic_hermite<std::vector<double>>;

/// The slope of evenly spaced values at one of them, by the step: from five of them, to the fourth order;
/// beside the ends too. Of fewer than five values to the second order. REQUIRES: three values at least.
inline double slopeOf(const std::vector<double>& y, std::size_t i) {
    const std::size_t last = y.size() - 1;
    if (y.size() < 5) {
        if (i == 0) return (-3.0 * y[0] + 4.0 * y[1] - y[2]) / 2.0;
        if (i == last) return (3.0 * y[last] - 4.0 * y[last - 1] + y[last - 2]) / 2.0;
        return (y[i + 1] - y[i - 1]) / 2.0;
    }
    const bool high = i + 2 > last; // beside the upper end: the same turned round
    const double sign = high ? -1.0 : 1.0;
    const auto at = [&](std::size_t k) { return high ? y[last - k] : y[k]; };
    if (i == 0 || i == last)
        return sign * (-25.0 * at(0) + 48.0 * at(1) - 36.0 * at(2) + 16.0 * at(3) - 3.0 * at(4)) / 12.0;
    if (i == 1 || i + 1 == last)
        return sign * (-3.0 * at(0) - 10.0 * at(1) + 18.0 * at(2) - 6.0 * at(3) + at(4)) / 12.0;
    return (y[i - 2] - 8.0 * y[i - 1] + 8.0 * y[i + 1] - y[i + 2]) / 12.0;
}

/// A table of a function from one end of its range to the other, from its values alone, at steps of `about`
/// so much.
template <typename Function>
Result<HermiteTable> tabulated(double low, double high, double about, Function function) {
    const auto points = static_cast<std::size_t>(std::ceil((high - low) / about)) + 1;
    const double step = (high - low) / static_cast<double>(points - 1);
    std::vector<double> y(points), slope(points);
    for (std::size_t i = 0; i < points; ++i) {
        const auto value = function(i + 1 == points ? high : low + step * static_cast<double>(i));
        if (!value) return tl::unexpected(value.error());
        y[i] = *value;
    }
    for (std::size_t i = 0; i < points; ++i)
        slope[i] = slopeOf(y, i) / step;
    return HermiteTable(std::move(y), std::move(slope), low, step);
}

/// A rising table turned round: even steps of its values, as many as it has with steps of `about`.
inline HermiteTable inverse(const HermiteTable& table, double about) {
    const auto [low, high] = table.domain();
    const double first = table(low), last = table(high);
    const auto points = static_cast<std::size_t>((high - low) / about) + 2;
    const double step = (last - first) / static_cast<double>(points - 1);
    std::vector<double> x(points), slope(points);
    double at = low;
    for (std::size_t i = 0; i < points; ++i) {
        const double wanted = first + step * static_cast<double>(i);
        constexpr int kSteps = 20;
        for (int k = 0; k < kSteps; ++k) {
            const double change = (wanted - table(at)) / table.prime(at);
            at = std::clamp(at + change, low, high);
            if (std::abs(change) < 1e-11 * at) break;
        }
        x[i] = at;
        slope[i] = 1.0 / table.prime(at);
    }
    return HermiteTable(std::move(x), std::move(slope), first, step);
}

} // namespace uttrin
