#pragma once

#include "quantities/Quantities.h"
#include "text/Text.h"

#include <span>
#include <string_view>

namespace uttrin {

/// A change in food that takes its time by Arrhenius's law. Activation energies are typical of published
/// ones, which spread by a third: they say how strongly the time depends on the temperature, not how long a
/// dish takes.
struct CookingProcess {
    std::string_view id;
    Phrase name;
    double activationEnergy; ///< J/mol
};

/// "vegetables" (softening), "beans" (dry pulses softening), "egg-white" (setting).
[[nodiscard]] std::span<const CookingProcess> cookingProcesses();

/// Time at a temperature over the time at 100 degC: exp(E/R (1/T - 1/373.15 K)).
[[nodiscard]] double relativeCookingTime(double activationEnergy, Temperature t);

} // namespace uttrin
