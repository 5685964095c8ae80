#pragma once

#include "analysis/ClausiusClapeyron.h"
#include "substances/SubstanceLibrary.h"

#include <random>
#include <vector>

namespace uttrin::testing {

/// Boiling points of water at `count` pressures from `low` to `high` with Gaussian reading errors, from a
/// fixed seed.
inline std::vector<BoilingDatum> syntheticLab(unsigned seed, int count, double low, double high,
                                              double uKelvin, double uPascal) {
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    std::vector<BoilingDatum> data;
    for (int i = 0; i < count; ++i) {
        const double p = low + (high - low) * i / (count - 1);
        const double t = water().boilingPoint(Pressure::fromPascal(p))->kelvin();
        data.push_back({Temperature::fromKelvin(t + uKelvin * normal(random)),
                        Pressure::fromPascal(p + uPascal * normal(random)), uKelvin, uPascal});
    }
    return data;
}

} // namespace uttrin::testing
