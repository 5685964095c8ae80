#pragma once

#include "rehearsal/Rehearsal.h"

namespace uttrin {

/// The lowest pressure that what takes vapour up lets a rig reach.
struct RigFloor {
    enum Kind { DryingAgent, ColdBath, Pump } kind = Pump;
    std::string name; ///< of the part
    double pascal = 0.0;
    std::optional<double> boilingKelvin; ///< of its liquid there; nothing below the triple point
};

/// What sets the floor of a rig at its start: a drying agent; else its pump; without one the coldest bath.
/// Nothing for a rig with none of them.
[[nodiscard]] std::optional<RigFloor> floorOf(const RigSetup& setup);

/// "drying agent: no lower than 0.02 kPa, far below 611.7 Pa: water freezes there".
[[nodiscard]] Text floorText(const RigFloor& floor, const RigSetup& setup);

} // namespace uttrin
