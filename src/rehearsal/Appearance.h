#pragma once

#include "rig/RigModel.h"
#include "rig/RigState.h"

#include <string>
#include <string_view>

namespace uttrin {

/// What a person sees of a vessel.
enum class Appearance {
    Quiet,
    WallBubbles,  ///< of dissolved air; not boiling
    FirstBubbles, ///< steady ones of vapour, few
    Boiling,
    Violent,
    Bumping, ///< superheated liquid that goes off at once
    Frost,
    SkinOfIce,
    Frozen, ///< through
    Dry
};

/// @param vessel  as it was built. Thresholds by vigour: 1 mm/s of vapour for the first steady bubbles, 8
/// mm/s for boiling, 0.2 m/s for violent.
[[nodiscard]] Appearance appearanceOf(const Vessel& vessel, const VesselState& state);

/// Whether bubbles of vapour are seen.
[[nodiscard]] bool boils(Appearance seen);

/// Vigour from which on steady bubbles are seen, m/s.
inline constexpr double kFirstBubbles = 1e-3;

/// "boiling", "skin of ice" …
[[nodiscard]] Text nameOf(Appearance seen);

/// A sentence for the class: what is seen and how far from boiling it is.
[[nodiscard]] Text appearanceText(const Vessel& vessel, const VesselState& state);

} // namespace uttrin
