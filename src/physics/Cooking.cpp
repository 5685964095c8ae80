#include "Cooking.h"

#include "Constants.h"

#include <array>
#include <cmath>

namespace uttrin {

std::span<const CookingProcess> cookingProcesses() {
    static constexpr std::array all{CookingProcess{"vegetables", Text::phrase("vegetables softening"), 110e3},
                                    CookingProcess{"beans", Text::phrase("dry pulses softening"), 140e3},
                                    CookingProcess{"egg-white", Text::phrase("egg white setting"), 400e3}};
    return all;
}

double relativeCookingTime(double activationEnergy, Temperature t) {
    constexpr double kBoilingK = 373.15;
    return std::exp(activationEnergy / kMolarGas * (1.0 / t.kelvin() - 1.0 / kBoilingK));
}

} // namespace uttrin
