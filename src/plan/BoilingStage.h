#pragma once

#include "text/Text.h"

#include <span>

namespace uttrin {

/// How far boiling has come, as somebody sees it.
enum class BoilingStage {
    Fog,          ///< in the neck
    Gas,          ///< bubbles of dissolved air
    FirstBubbles, ///< at the chips
    Boiling,
    Hard,
    Dying,
    Shaken ///< the vessel was: that sets off what was superheated
};

/// A stage by its name for people: "first bubbles at the chips".
struct NamedStage {
    BoilingStage stage;
    Phrase name;
};
[[nodiscard]] std::span<const NamedStage> boilingStages();

/// What is noted of a top-up of a hand pump, and of a vessel that was shaken: points that follow are marked
/// by it. That the pump was switched on: it counts as warm some minutes later.
inline constexpr const char* kToppedUp = "topped up";
inline constexpr const char* kPumpOn = "pump switched on";
inline constexpr const char* kShaken = "shaken";
/// What is noted of insulation: points from then on are marked, until it is taken off. How the heater was
/// set, before the number.
inline constexpr const char* kWrapped = "vessel wrapped";
inline constexpr const char* kUnwrapped = "wrap taken off";
inline constexpr const char* kHeaterAt = "heater at ";

} // namespace uttrin
