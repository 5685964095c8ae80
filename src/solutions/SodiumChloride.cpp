#include "SodiumChloride.h"

#include "physics/Iapws.h"
#include "physics/MonotoneTable.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace uttrin::sodiumChloride {
namespace {

constexpr double kWaterMolarMass = 0.018015268; // kg/mol
constexpr double kLowestK = 273.15, kHighestK = 403.15;

/// A parameter of the Pitzer equations as a function of temperature and pressure: Pitzer, Peiper and Busey
/// (1984), eq. 36 with table 5; at atmospheric pressure, where the equilibria of this product lie.
struct Parameter {
    double perT = 0, constant = 0, p = 0, p2 = 0, p3 = 0,
           logT = 0;                                    ///< of 1/T, 1, p, p^2, p^3, ln T; T in K, p in bar
    double t = 0, tp = 0, tp2 = 0, tp3 = 0;             ///< of T and T p to T p^3
    double t2 = 0, t2p = 0, t2p2 = 0;                   ///< of T^2 to T^2 p^2
    double low = 0, lowP = 0, lowP2 = 0, lowP3 = 0;     ///< of 1/(T - 227 K) and that times p to p^3
    double high = 0, highP = 0, highP2 = 0, highP3 = 0; ///< of 1/(680 K - T) and that times p to p^3

    [[nodiscard]] double at(double kelvin) const {
        constexpr double kBar = 1.01325, kLowPole = 227.0, kHighPole = 680.0;
        const auto cubic = [](double a, double b, double c, double d) {
            return a + kBar * (b + kBar * (c + kBar * d));
        };
        return perT / kelvin + cubic(constant, p, p2, p3) + logT * std::log(kelvin) +
               cubic(t, tp, tp2, tp3) * kelvin + cubic(t2, t2p, t2p2, 0.0) * kelvin * kelvin +
               cubic(low, lowP, lowP2, lowP3) / (kelvin - kLowPole) +
               cubic(high, highP, highP2, highP3) / (kHighPole - kelvin);
    }
};

constexpr Parameter kBeta0{.perT = -656.81518,
                           .constant = 24.86912950,
                           .p = 5.381275267e-5,
                           .p2 = -5.588746990e-8,
                           .p3 = 6.589326333e-12,
                           .logT = -4.4640952,
                           .t = 0.01110991383,
                           .tp = -2.657339906e-7,
                           .tp2 = 1.746006963e-10,
                           .tp3 = 1.046261900e-14,
                           .t2 = -5.307012889e-6,
                           .t2p = 8.634023325e-10,
                           .t2p2 = -4.178596200e-13,
                           .low = -1.579365943,
                           .lowP = 2.202282079e-3,
                           .lowP2 = -1.310550324e-7,
                           .lowP3 = -6.381368333e-11,
                           .high = 9.706578079,
                           .highP = -2.686039622e-2,
                           .highP2 = 1.534474401e-5,
                           .highP3 = -3.215398267e-9};
constexpr Parameter kBeta1{.perT = 119.31966, .constant = -0.48309327, .t = 1.4068095e-3, .low = -4.2345814};
constexpr Parameter kC{.perT = -6.1084589,
                       .constant = 0.40217793,
                       .p = 2.2902837e-5,
                       .logT = -0.075354649,
                       .t = 1.531767295e-4,
                       .tp = -9.0550901e-8,
                       .t2 = -1.538600820e-8,
                       .t2p = 8.6926600e-11,
                       .low = 0.35310413,
                       .lowP = -4.3314252e-4,
                       .high = -0.09187145529,
                       .highP = 5.1904777e-4};

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
            Text::tr("the model of sodium chloride covers 0 to {} mol/kg and 0 to 130 degC; {:.4g} mol/kg at "
                     "{:.2f} degC lies outside",
                     kHighestMolality, m, temperature.celsius()));
    const double beta0 = kBeta0.at(t), beta1 = kBeta1.at(t), c = kC.at(t);
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
            Text::tr("brine freezes to ice up to the eutectic, {:.3f} mol/kg ({} % by mass, {} degC); {:.4g} "
                     "mol/kg lies outside",
                     molalityOf(kEutecticMassFraction), 100.0 * kEutecticMassFraction, kEutecticCelsius,
                     molality));
    const double percent = std::min(100.0 * massFraction(molality), 100.0 * kEutecticMassFraction);
    return TemperatureDifference::fromKelvin(depressionTable()(percent));
}

} // namespace uttrin::sodiumChloride
