#include "Thermometry.h"

#include <cmath>

namespace uttrin::thermometry {
namespace {

// IEC 60751:2008.
constexpr double kA = 3.9083e-3, kB = -5.775e-7, kC = -4.183e-12;
constexpr double kLowest = -200.0, kHighest = 850.0; // degC
constexpr double kCoilReference = 20.0;              // degC

} // namespace

double platinumResistance(double t, double r0) {
    return r0 * (1.0 + kA * t + kB * t * t + (t < 0.0 ? kC * (t - 100.0) * t * t * t : 0.0));
}

Result<double> platinumCelsius(double ohm, double r0) {
    const double low = platinumResistance(kLowest, r0), high = platinumResistance(kHighest, r0);
    const double rounding = 1e-4 * r0; // tables print two decimals
    if (!(ohm >= low - rounding && ohm <= high + rounding))
        return fail(
            Failure::OutOfRange,
            Text::tr("a platinum sensor of {:g} ohm has {:.4g} to {:.4g} ohm (-200 to 850 degC), not {:g}",
                     r0, low, high, ohm));
    // Above 0 degC the quadratic is solved; below it Newton's method starts from there.
    double t = (-kA + std::sqrt(kA * kA - 4.0 * kB * (1.0 - ohm / r0))) / (2.0 * kB);
    constexpr int kSteps = 8;
    for (int i = 0; t < 0.0 && i < kSteps; ++i) {
        const double slope = r0 * (kA + 2.0 * kB * t + kC * (4.0 * t * t * t - 300.0 * t * t));
        t -= (platinumResistance(t, r0) - ohm) / slope;
    }
    return t;
}

double platinumTolerance(double t, bool classA) {
    return classA ? 0.15 + 0.002 * std::abs(t) : 0.3 + 0.005 * std::abs(t);
}

double coilCelsius(double ohm, double r20, double perKelvin) {
    return kCoilReference + (ohm / r20 - 1.0) / perKelvin;
}
double coilResistance(double t, double r20, double perKelvin) {
    return r20 * (1.0 + perKelvin * (t - kCoilReference));
}

double emergentStemCorrection(double reading, double emergent, double stem, bool mercury) {
    constexpr double kMercury = 1.6e-4,
                     kOrganic = 1.04e-3; // 1/K, expansion of the liquid less that of the glass
    return (mercury ? kMercury : kOrganic) * emergent * (reading - stem);
}

double infraredKelvin(double shown, double set, double emissivity, double reflected) {
    const double around = std::pow(reflected, 4);
    // What arrives: set * shown^4 + (1 - set) * around, as the instrument reckoned it.
    const double arrives = set * std::pow(shown, 4) + (1.0 - set) * around;
    return std::pow(std::max(arrives - (1.0 - emissivity) * around, 0.0) / emissivity, 0.25);
}

double wallDrop(double wall, double room, double thickness, double conductivity) {
    constexpr double kStillAir = 10.0; // W/(m2 K), convection and radiation from a warm wall
    return kStillAir * (wall - room) * thickness / conductivity;
}

} // namespace uttrin::thermometry
