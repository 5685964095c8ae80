#include "GasFilm.h"

#include "physics/Constants.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kTurbulent = 0.14; // of the cube root of the Rayleigh number

/// The solution z of z exp(z) = exp(logarithm): Lambert's function without its overflow.
double lambertOfExp(double logarithm) {
    constexpr double kSmall = -30.0;
    if (logarithm < kSmall) return std::exp(logarithm);
    double z = std::log1p(std::exp(std::min(logarithm, 1.0)));
    if (logarithm > 1.0) {
        const double second = std::log(logarithm);
        z = logarithm - second + second / logarithm;
    }
    constexpr int kSteps = 20;
    for (int i = 0; i < kSteps; ++i) { // Newton on z + ln z: concave, from either side it stays above zero
        const double step = (logarithm - z - std::log(z)) * z / (z + 1.0), next = z + step;
        z = next > 0.0 ? next : 0.5 * z;
        if (std::abs(step) < 1e-13 * z) break;
    }
    return z;
}

double joined(double a, double b, double c = 0.0) { return std::sqrt(a * a + b * b + c * c); }

} // namespace

double conductivity(const FlowingGas& gas) {
    const double heat = kMolarGas / gas.molarMass / (gas.heatRatio - 1.0); // J/(kg K), at constant volume
    return gas.viscosity * heat * (9.0 * gas.heatRatio - 5.0) / 4.0;
}

VapourInAir::VapourInAir(const FlowingGas& vapour, double liquidDensity) {
    constexpr double kOfMolarVolume = 0.85, kAir = 19.7; // cm3/mol
    const FlowingGas air;
    const double own = kOfMolarVolume * 1e6 * vapour.molarMass / liquidDensity,
                 across = std::cbrt(own) + std::cbrt(kAir),
                 masses = 1e-3 / vapour.molarMass + 1e-3 / air.molarMass; // mol/g
    m_factor = 1.013e-2 * std::sqrt(masses) / (across * across);
}

double VapourInAir::diffusivity(double kelvin, double pascal) const {
    const double root = std::sqrt(kelvin);
    return m_factor * kelvin * root * std::sqrt(root) / pascal;
}

double gapOf(double volume) {
    const double radius = std::cbrt(0.75 * volume / std::numbers::pi);
    return 3.0 / (std::numbers::pi * std::numbers::pi) * radius;
}

double heatTransfer(const FlowingGas& gas, double kelvin, double pascal, double gap, double difference) {
    constexpr double kJump = 2.4, kCalm = 1e-3; // free paths; K
    const double conducts = conductivity(gas), density = pascal * gas.molarMass / (kMolarGas * kelvin);
    const double still = conducts / (gap + kJump * meanFreePath(gas, kelvin, pascal));
    const double heat = kMolarGas / gas.molarMass * gas.heatRatio / (gas.heatRatio - 1.0);
    const double drives = kStandardGravity * std::hypot(difference, kCalm) / kelvin * density * density *
                          heat / (gas.viscosity * conducts); // Ra by the cube of a length
    return joined(still, kTurbulent * conducts * std::cbrt(drives));
}

CounterFlow counterFlow(double flow, double spreads) {
    if (spreads <= 0.0) return {std::max(flow, 0.0), std::max(-flow, 0.0)};
    constexpr double kAll = 200.0; // beyond it nothing comes against the flow
    const double peclet = flow / spreads;
    if (std::abs(peclet) > kAll) return {std::max(flow, 0.0), std::max(-flow, 0.0)};
    const double back = std::abs(peclet) > 1e-9 ? flow / std::expm1(peclet) : spreads - 0.5 * flow;
    return {back + flow, back};
}

double spreading(const Tube& tube, const FlowingGas& gas, double diffusivity, double kelvin, double pascal) {
    if (pascal <= 0.0) return 0.0;
    const double area = 0.25 * std::numbers::pi * tube.diameter * tube.diameter,
                 length = tube.length + 0.25 * std::numbers::pi * tube.diameter;
    const double speed = std::sqrt(8.0 * kMolarGas * kelvin / (std::numbers::pi * gas.molarMass));
    const double among = tube.diameter * speed / 3.0;
    return pascal / (kMolarGas * kelvin) * area / length / (1.0 / diffusivity + 1.0 / among);
}

double vapourTransfer(const VapourFilm& f) {
    constexpr double kCalm = 1e-6; // a share of the density that drives nothing to speak of
    const double spreads = f.viscosity / f.density, still = f.diffusivity / f.gap;
    const double lifts = 0.5 * (f.lighter + std::hypot(f.lighter, kCalm));
    const double rises =
        kTurbulent * f.diffusivity * std::cbrt(kStandardGravity * lifts / (spreads * f.diffusivity));
    const double streams =
        0.664 * std::cbrt(spreads / f.diffusivity) * f.diffusivity * std::sqrt(f.sweep / (spreads * f.reach));
    return joined(still, rises, streams) + f.bubbles;
}

double stefanFlux(double kinetic, double through, double saturation, double vapour, double gas) {
    if (gas <= 0.0) return kinetic * (saturation - vapour);
    // m = kinetic * (saturation - p + gas * exp(-m / through)), p = vapour + gas.
    const double steep = kinetic / through, below = vapour + gas - saturation;
    return through * (lambertOfExp(std::log(steep * gas) + steep * below) - steep * below);
}

} // namespace uttrin
