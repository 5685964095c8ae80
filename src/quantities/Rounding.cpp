#include "Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {
constexpr int kMostDecimals = 9;
} // namespace

int decimalsForUncertainty(double u) {
    if (!(u > 0.0) || !std::isfinite(u)) return kMostDecimals;
    const double power = std::floor(std::log10(u));
    const double leading = u / std::pow(10.0, power);
    const int digits = leading < 2.95 ? 2 : 1;
    return std::clamp(digits - 1 - static_cast<int>(power), 0, kMostDecimals);
}

int decimalsForDivision(double division) {
    for (int decimals = 0; decimals < kMostDecimals; ++decimals) {
        const double scaled = division * std::pow(10.0, decimals);
        if (std::abs(scaled - std::round(scaled)) < 1e-9 * std::max(1.0, scaled) && std::round(scaled) >= 1.0)
            return decimals;
    }
    return kMostDecimals;
}

double roundStep(double least) {
    constexpr double kLittle = 1e-9;
    const double power = std::pow(10.0, std::floor(std::log10(least)));
    for (const double lead : {1.0, 2.0, 5.0})
        if (least <= lead * power * (1.0 + kLittle)) return lead * power;
    return 10.0 * power;
}

std::vector<double> evenSteps(double from, double to, double step) {
    constexpr double kLittle = 1e-9; // of a step
    const double count = std::floor((to - from) / step + kLittle);
    std::vector<double> values;
    if (!(count >= 0.0)) return values;
    const auto last = static_cast<int>(count);
    values.reserve(static_cast<std::size_t>(last) + 1);
    for (int i = 0; i <= last; ++i)
        values.push_back(from + i * step);
    return values;
}

int decimalsTyped(double value) {
    constexpr int kMost = 2;
    constexpr double kHair = 1e-6;
    for (int d = 0; d < kMost; ++d)
        if (const double scaled = value * std::pow(10.0, d); std::abs(scaled - std::round(scaled)) < kHair)
            return d;
    return kMost;
}

Text fixed(double value, int decimals) { return Text::number(value, decimals); }

Text fixedWithU(double value, double u) {
    const int decimals = decimalsForUncertainty(u);
    return Text::set("{} ± {}", fixed(value, decimals), fixed(u, decimals));
}

Text fixedSigned(double value, int decimals) { return Text::number(value, decimals, true); }

} // namespace uttrin
