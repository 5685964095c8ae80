#pragma once

#include "quantities/Failure.h"

#include <boost/math/interpolators/cubic_hermite.hpp>

#include <algorithm>
#include <cmath>
#include <vector>

namespace uttrin {

/// A smooth function as values and slopes at even steps.
using HermiteTable = boost::math::interpolators::cardinal_cubic_hermite<std::vector<double>>;

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
    // Slopes by differences of fourth order; of second order beside the ends.
    for (std::size_t i = 0; i < points; ++i) {
        if (i >= 2 && i + 2 < points)
            slope[i] = (y[i - 2] - 8.0 * y[i - 1] + 8.0 * y[i + 1] - y[i + 2]) / (12.0 * step);
        else if (i < 2)
            slope[i] =
                i == 0 ? (-3.0 * y[0] + 4.0 * y[1] - y[2]) / (2.0 * step) : (y[2] - y[0]) / (2.0 * step);
        else
            slope[i] = i + 1 == points ? (3.0 * y[i] - 4.0 * y[i - 1] + y[i - 2]) / (2.0 * step)
                                       : (y[i + 1] - y[i - 1]) / (2.0 * step);
    }
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
