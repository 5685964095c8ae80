#include "SodiumChloride.h"

#include "physics/Iapws.h"
#include "physics/MonotoneTable.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace uttrin::sodiumChloride {
namespace {

constexpr double kWaterMolarMass = 0.018015268; // kg/mol
constexpr double kReferenceK = 298.15;
constexpr double kLowestK = 273.15, kHighestK = 403.15;

// Bradley and Pitzer (1979), eq. 1 to 4: relative permittivity of water; pressures in bar.
double permittivity(double t) {
    constexpr std::array u{3.4279e2,  -5.0866e-3, 9.4690e-7, -2.0525, 3.1159e3,
                           -1.8289e2, -8.0325e3,  4.2142e6,  2.1417};
    constexpr double kBar = 1.0, kFarBar = 1000.0;
    const double far = u[0] * std::exp(u[1] * t + u[2] * t * t);
    const double c = u[3] + u[4] / (u[5] + t), b = u[6] + u[7] / t + u[8] * t;
    return far + c * std::log((b + kBar) / (b + kFarBar));
}

/// Debye-Hueckel slope for the osmotic coefficient, (kg/mol)^(1/2).
double debyeHueckelSlope(double t) {
    constexpr double kAvogadro = 6.02214076e23, kCharge = 1.602176634e-19, kBoltzmann = 1.380649e-23,
                     kVacuum = 8.8541878128e-12; // SI 2019
    const double density = iapws::saturatedProperties(std::max(t, 273.16)).liquidDensity;
    const double bjerrum =
        kCharge * kCharge / (4.0 * std::numbers::pi * kVacuum * permittivity(t) * kBoltzmann * t);
    return std::sqrt(2.0 * std::numbers::pi * kAvogadro * density) * std::pow(bjerrum, 1.5) / 3.0;
}

// CRC Handbook: per cent by mass, K.
const MonotoneTable& depressionTable() {
    static const MonotoneTable table({{0, 0},
                                      {0.5, 0.299},
                                      {1, 0.593},
                                      {2, 1.186},
                                      {3, 1.790},
                                      {4, 2.409},
                                      {5, 3.046},
                                      {6, 3.703},
                                      {7, 4.382},
                                      {8, 5.085},
                                      {9, 5.815},
                                      {10, 6.564},
                                      {12, 8.179},
                                      {14, 9.94},
                                      {16, 11.89},
                                      {18, 14.04},
                                      {20, 16.46},
                                      {22, 19.18},
                                      {100.0 * kEutecticMassFraction, -kEutecticCelsius}});
    return table;
}

} // namespace

double massFraction(double molality) { return molality * kMolarMass / (1.0 + molality * kMolarMass); }
double molalityOf(double fraction) { return fraction / (1.0 - fraction) / kMolarMass; }

Result<double> osmoticCoefficient(double m, Temperature temperature) {
    const double t = temperature.kelvin();
    if (!(m >= 0.0 && m <= kHighestMolality && t >= kLowestK && t <= kHighestK))
        return fail(
            Failure::OutOfRange,
            fmt::format(
                "the model of sodium chloride covers 0 to {} mol/kg and 0 to 130 degC; {:.4g} mol/kg at "
                "{:.2f} degC lies outside",
                kHighestMolality, m, temperature.celsius()));
    const double inverse = 1.0 / t - 1.0 / kReferenceK, logarithm = std::log(t / kReferenceK),
                 step = t - kReferenceK, squares = t * t - kReferenceK * kReferenceK;
    // Silvester and Pitzer (1977), table I.
    const double beta0 =
        0.0765 - 777.03 * inverse - 4.4706 * logarithm + 0.008946 * step - 3.3158e-6 * squares;
    const double beta1 = 0.2664 + 6.1608e-5 * step + 1.0715e-6 * squares;
    const double c = 0.00127 + 33.317 * inverse + 0.09421 * logarithm - 4.655e-5 * step;
    constexpr double kB = 1.2, kAlpha = 2.0; // (kg/mol)^(1/2), of the Pitzer equations
    const double root = std::sqrt(m);
    return 1.0 - debyeHueckelSlope(t) * root / (1.0 + kB * root) +
           m * (beta0 + beta1 * std::exp(-kAlpha * root)) + m * m * c;
}

Result<double> waterActivity(double molality, Temperature t) {
    return osmoticCoefficient(molality, t).map([molality](double phi) {
        return std::exp(-2.0 * molality * phi * kWaterMolarMass);
    });
}

double saturationMolality(Temperature t) {
    // g in 100 g of water.
    static const MonotoneTable table(
        {{0, 35.65}, {20, 35.89}, {40, 36.37}, {60, 37.04}, {80, 38.05}, {100, 39.12}, {110, 39.8}});
    const double celsius = std::clamp(t.celsius(), 0.0, 110.0);
    return table(celsius) * 1e-2 / kMolarMass;
}

Result<TemperatureDifference> freezingPointDepression(double molality) {
    if (!(molality >= 0.0 && molality <= molalityOf(kEutecticMassFraction) * (1.0 + 1e-12)))
        return fail(
            Failure::OutOfRange,
            fmt::format(
                "brine freezes to ice up to the eutectic, {:.3f} mol/kg ({} % by mass, {} degC); {:.4g} "
                "mol/kg lies outside",
                molalityOf(kEutecticMassFraction), 100.0 * kEutecticMassFraction, kEutecticCelsius,
                molality));
    const double percent = std::min(100.0 * massFraction(molality), 100.0 * kEutecticMassFraction);
    return TemperatureDifference::fromKelvin(depressionTable()(percent));
}

} // namespace uttrin::sodiumChloride
