#include "SolventActivity.h"

#include "physics/DensityCurve.h"

#include <cmath>

namespace uttrin {
namespace {

/// Z - 1 of the saturated vapour.
double departure(const Substance& solvent, Temperature t, Pressure saturation) {
    const auto density = solvent.vapourDensity(t);
    if (!density) return 0.0;
    return idealGasDensity(t.kelvin(), saturation.pascal(), solvent.facts().molarMass) / *density - 1.0;
}

} // namespace

Result<double> solventActivity(const Substance& solvent, Temperature t, Pressure p) {
    return solvent.vapourPressure(t).map([&](Pressure pure) {
        const double ratio = p.pascal() / pure.pascal();
        return ratio * std::exp(departure(solvent, t, pure) * (ratio - 1.0));
    });
}

Result<Pressure> pressureAtActivity(const Substance& solvent, Temperature t, double activity) {
    return solvent.vapourPressure(t).map([&](Pressure pure) {
        // Newton's method for ln r + d (r - 1) = ln a; d is small, so r = a is a good start.
        const double d = departure(solvent, t, pure), wanted = std::log(activity);
        double ratio = activity;
        constexpr int kSteps = 6;
        for (int i = 0; i < kSteps; ++i)
            ratio -= (std::log(ratio) + d * (ratio - 1.0) - wanted) / (1.0 / ratio + d);
        return Pressure::fromPascal(pure.pascal() * ratio);
    });
}

} // namespace uttrin
