#include "Flow.h"

#include "physics/Constants.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kPi = std::numbers::pi;

double meanSpeed(const FlowingGas& gas, double kelvin) {
    return std::sqrt(8.0 * kMolarGas * kelvin / (kPi * gas.molarMass));
}

/// kg/m3 in one pascal.
double densityPerPascal(const FlowingGas& gas, double kelvin) { return gas.molarMass / (kMolarGas * kelvin); }

/// Isentropic flow through a nozzle of this area, kg/s; choked below the critical ratio of pressures.
double nozzleMassFlow(double area, const FlowingGas& gas, double kelvin, double high, double low) {
    const double g = gas.heatRatio;
    const double critical = std::pow(2.0 / (g + 1.0), g / (g - 1.0));
    const double ratio = std::max(low / high, critical);
    // As a difference of nearby powers it would lose its figures where the pressures are nearly equal.
    const double logarithm = std::log(ratio);
    const double square =
        -2.0 * g / (g - 1.0) * std::exp(2.0 / g * logarithm) * std::expm1((g - 1.0) / g * logarithm);
    // Under a hundred-thousandth of the pressure it is as slow as its difference, not as its root: no gauge
    // could tell, and a root's steep beginning would make the flow through a wide hole turn to and fro.
    constexpr double kEven = 1e-5;
    const double falls = std::max(square, 0.0);
    return area * high * std::sqrt(densityPerPascal(gas, kelvin)) * falls / std::sqrt(falls + 2.0 * kEven);
}

/// The smaller of a laminar flow and a turbulent one by Blasius, kg/s, joined where they meet near a Reynolds
/// number of 1200. @param pushes  difference of pressure times density, Pa kg/m3.
double turbulentBeside(double laminar, const Tube& tube, const FlowingGas& gas, double pushes) {
    if (tube.length <= 0.0 || !(pushes > 0.0)) return laminar; // a trial step may go below nothing
    constexpr double kCreeping = 20.0; // Reynolds number, where turbulence would take a millionth
    if (4.0 * laminar < kCreeping * kPi * tube.diameter * gas.viscosity) return laminar;
    const double area = 0.25 * kPi * tube.diameter * tube.diameter;
    // m^2 = 2 A^2 pushes D / (f L), f = 0.3164 (pi D viscosity / (4 m))^(1/4)
    const double square = 2.0 * area * area * pushes * tube.diameter / (0.3164 * tube.length),
                 slender = std::sqrt(std::sqrt(0.25 * kPi * tube.diameter * gas.viscosity));
    const double turbulent = std::pow(square / slender, 1.0 / 1.75), ratio = laminar / turbulent;
    const double fourth = ratio * ratio * ratio * ratio;
    return laminar / std::sqrt(std::sqrt(1.0 + fourth));
}

} // namespace

double meanFreePath(const FlowingGas& gas, double kelvin, double pascal) {
    return 2.0 * gas.viscosity / (densityPerPascal(gas, kelvin) * pascal * meanSpeed(gas, kelvin));
}

double transmission(const Tube& tube) {
    const double radius = 0.5 * tube.diameter;
    const double equivalent = tube.length * (1.0 + 1.0 / (3.0 + 3.0 * tube.length / (7.0 * radius)));
    return 1.0 / (1.0 + 3.0 * equivalent / (8.0 * radius));
}

double tubeMassFlow(const Tube& tube, const FlowingGas& gas, double kelvin, double fromPascal,
                    double toPascal) {
    if (fromPascal < toPascal) return -tubeMassFlow(tube, gas, kelvin, toPascal, fromPascal);
    if (fromPascal == toPascal) return 0.0;
    const double area = 0.25 * kPi * tube.diameter * tube.diameter, mean = 0.5 * (fromPascal + toPascal),
                 difference = fromPascal - toPascal, density = densityPerPascal(gas, kelvin);
    const double molecular = transmission(tube) * area * 0.25 * meanSpeed(gas, kelvin) * density * difference;
    const double pathsAcross = 0.5 * tube.diameter / meanFreePath(gas, kelvin, mean);
    const double among = (1.0 + 2.507 * pathsAcross) / (1.0 + 3.095 * pathsAcross); // Knudsen (1909)
    const double nozzle = nozzleMassFlow(area, gas, kelvin, fromPascal, toPascal);
    const double continuum = pathsAcross / (1.0 + pathsAcross);
    // A slow stream meets the resistance of the mouths too, even in a hole: Dagan, Weinbaum, Pfeffer (1982).
    const double withMouths = tube.length + 3.0 * kPi / 16.0 * tube.diameter;
    const double square = tube.diameter * tube.diameter;
    const double viscous =
        kPi * square * square * mean * density * difference / (128.0 * gas.viscosity * withMouths);
    const double byFriction =
        turbulentBeside(viscous, tube, gas, density * mean * difference) + among * molecular;
    return 1.0 / std::hypot(1.0 / byFriction, continuum / nozzle);
}

double pumpMassFlow(const Pump& pump, const FlowingGas& gas, double kelvin, double inletPascal) {
    return pump.speed * std::max(0.0, inletPascal - pump.ultimatePa) * densityPerPascal(gas, kelvin);
}

} // namespace uttrin
