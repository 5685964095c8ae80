#pragma once

#include "lesson/commands/LessonSession.h"
#include "plan/FillTally.h"
#include "text/Text.h"

#include <optional>
#include <vector>

/// What the bench is told beside its target. Texts are empty where there is nothing to tell.
namespace uttrin {

/// That the last zero check of the run lies off the one before by more than the gauge's limits of error.
[[nodiscard]] Text zeroJump(const LessonSession& session);

/// That the liquid is hotter than it boils at the target in hand: it will flash there.
[[nodiscard]] Text flashWarning(const LessonSession& session);

/// What was filled into the vessel of the run in hand, as it was noted, and what stands in it now.
[[nodiscard]] Charge chargeInHand(const LessonSession& session);
/// "0.42 kg in the vessel, 5.6 cm deep, after 2 fillings", and that it is too full. Of a held temperature.
[[nodiscard]] Text chargeText(const LessonSession& session);

/// What to add so that the liquid comes to the temperature of the target in hand: ice, or hot water. Of plain
/// water whose temperature is known, where the temperature is held.
[[nodiscard]] std::optional<Filling> advisedFilling(const LessonSession& session);
/// The same in words, and whether that is too much for the vessel.
[[nodiscard]] Text refillText(const LessonSession& session);

/// In how long the pump of the run is warm; that it is, once it has run for so long.
[[nodiscard]] Text warmUpText(const LessonSession& session);
/// How long ago the pump of the run was switched on, min; nothing where it was not, or needs no warming up.
[[nodiscard]] std::optional<double> pumpRunsFor(const LessonSession& session);
/// "120 g of ice".
[[nodiscard]] Text nameOf(const Filling& filling);

/// Ice or snow of the substance under the thermometer, and what it says of the vapour above it.
struct IceBound {
    double kelvin = 0.0;
    double pascal = 0.0; ///< saturation pressure over the solid: the vapour's own pressure is no higher
};
/// At the bench now; nothing for a liquid, or where no pressure over the solid is known.
[[nodiscard]] std::optional<IceBound> iceBound(const LessonSession& session);
[[nodiscard]] Text iceBoundText(const LessonSession& session);

/// How many of these readings were taken in which order, where they were taken in more than one.
[[nodiscard]] Text readOrderCounts(const std::vector<ReducedReading>& readings);

/// By how much what is listened to was carried to the moment at which the other instrument was typed.
[[nodiscard]] Text carriedText(const LessonSession& session);

} // namespace uttrin
