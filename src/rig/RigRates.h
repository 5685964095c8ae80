#pragma once

#include "RigBalance.h"
#include "physics/Constants.h"

#include <algorithm>

namespace uttrin {

inline constexpr double kAirGas = kMolarGas / 0.0289652; ///< J/(kg K), of air

/// What the liquid in a vessel adds to the pressure at its bottom, Pa.
[[nodiscard]] inline double headOf(const Vessel& v, const VesselState& s) {
    return v.surface > 0.0 ? kStandardGravity * (s.liquid + s.solute) / v.surface : 0.0;
}

/// The share of what would condense that air beside the vapour lets through: half at half a per cent of air
/// by volume, D. F. Othmer, Ind. Eng. Chem. 21 (1929) 576.
[[nodiscard]] inline double chokedByAir(const VesselState& s) {
    constexpr double kHalf = 0.005;
    return 1.0 / (1.0 + s.airPascal / (kHalf * std::max(s.pascal, 1.0)));
}

/// The same where the stream carries the air along, an estimate: as much as the vapour's share.
[[nodiscard]] inline double sweptByVapour(const VesselState& s) {
    return std::clamp(1.0 - s.airPascal / std::max(s.pascal, 1.0), 0.0, 1.0);
}

/// kg of frost on the walls of a vessel: all that is solid in one that was empty at first.
[[nodiscard]] inline double frostOf(const Vessel& v, const VesselState& s) {
    return v.condensed > 0.0 ? 0.0 : s.solid;
}

/// The share of its saturation pressure that the last of a liquid still has, as a film that clings to its
/// place: it goes evenly to nothing, and nothing evaporates where nothing is.
[[nodiscard]] inline double lastFilm(double kg) {
    constexpr double kClings = 1e-7; // kg
    return kg > 0.0 ? kg / (kg + kClings) : 0.0;
}

/// 1 where there is something condensed, 0 where there is next to nothing: there heat reaches the gas.
[[nodiscard]] inline double wetness(const VesselState& s) {
    constexpr double kHardlyAny = 1e-7; // kg
    const double all = (s.liquid + s.solid + s.solute) / kHardlyAny;
    return all * all / (all * all + 1.0);
}

/// Where the rates of one moment are gathered.
struct RigBalance::Rates {
    std::span<double> all;
    std::span<const VesselState> states;
    VesselState outside;
    std::span<const double> flows; ///< kg/s, link by link
    std::size_t perVessel = 0;
    double seconds = 0.0;

    [[nodiscard]] std::span<double> own(int vessel) const {
        return all.subspan(perVessel * static_cast<std::size_t>(vessel), perVessel);
    }
    [[nodiscard]] const VesselState& at(int vessel) const {
        return vessel == kRoom ? outside : states[static_cast<std::size_t>(vessel)];
    }
    void boundary(double mass, double energy) const {
        all[all.size() - 2] += mass;
        all[all.size() - 1] += energy;
    }
    void add(int vessel, const Stream& stream, double sign) const {
        if (vessel == kRoom)
            return boundary(-sign * (stream.vapour + stream.air + stream.solute), -sign * stream.energy);
        const auto rate = own(vessel);
        rate[Vapour] += sign * stream.vapour;
        rate[Air] += sign * stream.air;
        if (stream.solute != 0.0) rate[SoluteInGas] += sign * stream.solute;
        rate[Gas] += sign * stream.energy;
    }
};

} // namespace uttrin
