#include "WaterCurve.h"

#include "physics/Substance.h"

#include <algorithm>

namespace uttrin::app {

double vapourPressure(double kelvin) {
    const Substance& water = **findSubstance("water");
    const auto& facts = water.facts();
    const double k = std::clamp(kelvin, 150.0, facts.critical.kelvin());
    return water.vapourPressure(Temperature::fromKelvin(k))->pascal();
}

} // namespace uttrin::app
