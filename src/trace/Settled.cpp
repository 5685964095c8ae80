#include "Settled.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace uttrin {
namespace {

/// How many readings in a row tell as much as one by itself; at least one.
double correlationOf(const std::vector<double>& off) {
    const std::size_t count = off.size();
    double variance = 0.0;
    for (const double o : off)
        variance += o * o;
    if (!(variance > 0.0)) return 1.0;
    const auto at = [&](std::size_t lag) {
        double sum = 0.0;
        for (std::size_t i = 0; i + lag < count; ++i)
            sum += off[i] * off[i + lag];
        return sum / variance;
    };
    double sum = -1.0;
    for (std::size_t lag = 0; lag + 1 < count / 2; lag += 2) {
        const double pair = at(lag) + at(lag + 1);
        if (pair <= 0.0) break;
        sum += 2.0 * pair;
    }
    return std::clamp(sum, 1.0, static_cast<double>(count));
}

} // namespace

Settled settled(std::span<const double> seconds, std::span<const double> values, double step) {
    Settled s;
    s.count = values.size();
    const auto n = static_cast<double>(s.count);
    double meanTime = 0.0;
    for (std::size_t i = 0; i < s.count; ++i) {
        meanTime += seconds[i] / n;
        s.mean += values[i] / n;
    }
    double times = 0.0, both = 0.0;
    for (std::size_t i = 0; i < s.count; ++i) {
        times += std::pow(seconds[i] - meanTime, 2);
        both += (seconds[i] - meanTime) * (values[i] - s.mean);
    }
    s.slope = times > 0.0 ? both / times : 0.0;
    std::vector<double> off;
    double squares = 0.0;
    for (std::size_t i = 0; i < s.count; ++i) {
        off.push_back(values[i] - s.mean - s.slope * (seconds[i] - meanTime));
        squares += off.back() * off.back();
    }
    const double rounding = step / std::sqrt(12.0);
    s.correlation = correlationOf(off);
    s.spread = std::sqrt(squares / std::max(1.0, n - 2.0));
    s.u = std::max(s.spread * std::sqrt(s.correlation / n), rounding);
    // Figures that do not move at all are known to their step only.
    s.slopeU = times > 0.0
                   ? std::max(s.spread * std::sqrt(s.correlation), rounding / std::sqrt(n)) / std::sqrt(times)
                   : 0.0;
    return s;
}

} // namespace uttrin
