#include "DryingAgent.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

namespace uttrin {
namespace {

constexpr double kWater = 0.018015, kAcid = 0.098079, kSalt = 0.110984; // kg/mol

/// Straight lines through points of rising x, level beyond them.
template <std::size_t N>
double lines(const std::array<std::pair<double, double>, N>& points, double x) {
    if (x <= points.front().first) return points.front().second;
    for (std::size_t i = 1; i < N; ++i)
        if (x <= points[i].first)
            return std::lerp(points[i - 1].second, points[i].second,
                             (x - points[i - 1].first) / (points[i].first - points[i - 1].first));
    return points.back().second;
}

// Share of acid by mass against the logarithm of the relative humidity over it.
constexpr std::array<std::pair<double, double>, 12> kHumidityOverAcid{{{0.0, 0.0},
                                                                       {0.10, -0.0450},
                                                                       {0.20, -0.1304},
                                                                       {0.30, -0.2850},
                                                                       {0.40, -0.5698},
                                                                       {0.50, -1.0425},
                                                                       {0.60, -1.8496},
                                                                       {0.70, -3.1535},
                                                                       {0.80, -5.1328},
                                                                       {0.90, -7.60},
                                                                       {0.98, -11.0},
                                                                       {1.0, -12.0}}};
// Moles of water to one of the salt against the logarithm of the activity: its hydrates one beside the other,
// then the hexahydrate beside its saturated solution, then the solution.
constexpr std::array<std::pair<double, double>, 9> kActivityOverSalt{{{0.0, -6.2},
                                                                      {1.9, -5.5},
                                                                      {2.1, -2.3},
                                                                      {3.9, -2.2},
                                                                      {4.1, -1.6},
                                                                      {5.9, -1.5},
                                                                      {6.05, -1.137},
                                                                      {8.0, -1.137},
                                                                      {14.0, -0.5}}};

double molesRatio(const DryingAgent& a, double waterKg) {
    const double own = a.kind == DryingAgentKind::SulfuricAcid ? kAcid : kSalt;
    return std::max(waterKg, 0.0) / kWater / (a.dryKg / own);
}

} // namespace

double DryingAgent::activity(double waterKg) const {
    if (dryKg <= 0.0) return 1.0;
    if (kind == DryingAgentKind::SulfuricAcid)
        return std::exp(lines(kHumidityOverAcid, dryKg / (dryKg + std::max(waterKg, 0.0))));
    return std::exp(lines(kActivityOverSalt, molesRatio(*this, waterKg)));
}

double DryingAgent::heat(double waterKg) const {
    if (dryKg <= 0.0) return 0.0;
    const double n = molesRatio(*this, waterKg);
    if (kind == DryingAgentKind::SulfuricAcid) return 74.7e3 * n / (n + 1.798) * dryKg / kAcid;
    constexpr double kFirst = 33e3, kLater = 13e3; // J/mol
    return (kFirst * std::min(n, 2.0) + kLater * std::clamp(n - 2.0, 0.0, 4.0)) * dryKg / kSalt;
}

double DryingAgent::dryHeatCapacity() const {
    constexpr double kAcidCp = 1420.0, kSaltCp = 660.0; // J/(kg K)
    return dryKg * (kind == DryingAgentKind::SulfuricAcid ? kAcidCp : kSaltCp);
}

double DryingAgent::uptake(double waterKg) const {
    constexpr double kStirs = 1e-3, kGrains = 6e-4;
    if (kind == DryingAgentKind::SulfuricAcid) return kStirs;
    return kGrains / (1.0 + molesRatio(*this, waterKg)); // through the crust of what it has become
}

std::string_view id(DryingAgentKind kind) {
    return kind == DryingAgentKind::SulfuricAcid ? "sulfuric-acid" : "calcium-chloride";
}

Result<DryingAgentKind> dryingAgentFromId(std::string_view word) {
    for (const auto kind : {DryingAgentKind::SulfuricAcid, DryingAgentKind::CalciumChloride})
        if (id(kind) == word) return kind;
    return fail(Failure::BadInput,
                Text::tr("'{}' is not a drying agent; accepted: sulfuric-acid, calcium-chloride", word));
}

} // namespace uttrin
