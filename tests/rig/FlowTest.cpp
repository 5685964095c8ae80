#include "rig/matter/Flow.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kRoom = 293.15;  // K
constexpr double kLitre = 1e-3;   // m3
constexpr double kMillibar = 100; // Pa

/// Volume flow at the pressure of the gas, m3/s.
double volume(double massFlow, const FlowingGas& gas, double pascal) {
    return massFlow * 8.314462618 * kRoom / (gas.molarMass * pascal);
}

/// Conductance as vacuum engineers count it, L/s: throughput by the difference of pressures.
double conductance(const Tube& tube, double high, double low) {
    const FlowingGas air;
    return volume(tubeMassFlow(tube, air, kRoom, high, low), air, 1.0) / (high - low) / kLitre;
}

TEST(Flow, TheMeanFreePathOfAirIsThePublishedOne) {
    // 67 nm at 101.325 kPa, and 6.6 mm at 1 Pa: handbooks of vacuum technology.
    EXPECT_NEAR(meanFreePath({}, kRoom, 101325.0) * 1e9, 67.0, 2.0);
    EXPECT_NEAR(meanFreePath({}, kRoom, 1.0) * 1e3, 6.7, 0.2);
}

TEST(Flow, TransmissionMeetsClausingsTable) {
    // P. Clausing, Ann. Phys. 404 (1932) 961: length by radius, share that comes through.
    for (const auto& [ratio, share] : {std::pair{0.0, 1.0},
                                       {0.5, 0.8013},
                                       {1.0, 0.6720},
                                       {2.0, 0.5142},
                                       {4.0, 0.3566},
                                       {10.0, 0.1910},
                                       {20.0, 0.1093}})
        EXPECT_NEAR(transmission({0.02, 0.01 * ratio}) / share, 1.0, 0.007) << ratio;
}

TEST(Flow, ALongTubeAmongWallsMeetsTheEngineersRule) {
    // 12.1 d^3 / L litres a second for air of 20 degC, in centimetres.
    const double centimetre = 0.5, length = 100.0;
    EXPECT_NEAR(conductance({0.01 * centimetre, 0.01 * length}, 1e-3, 0.0) /
                    (12.1 * std::pow(centimetre, 3) / length),
                1.0, 0.02);
}

TEST(Flow, ALongTubeOfDenseAirMeetsTheEngineersRule) {
    // 135 d^4 p / L litres a second for air of 20 degC, in centimetres and millibars; laminar.
    const double centimetre = 0.2, length = 200.0, mean = 100.0;
    EXPECT_NEAR(
        conductance({0.01 * centimetre, 0.01 * length}, (mean + 1.0) * kMillibar, (mean - 1.0) * kMillibar) /
            (135.0 * std::pow(centimetre, 4) * mean / length),
        1.0, 0.02);
}

// Isothermal flow through a rough tube's friction, its inlet and its expansion: p1² - p2² = R T G² (f L/d + 2
// ln (p1/p2) + 1.5), f = 0.316 Re^(-1/4) (Blasius).
TEST(Flow, ATurbulentTubeMeetsTheLawOfItsFriction) {
    const FlowingGas air;
    const double d = 0.8e-3, length = 0.2, high = 250e3, kelvin = 294.0, specific = 287.05;
    for (const double low : {96e3, 140e3, 200e3}) {
        double g = 100.0; // kg/(m² s)
        for (int i = 0; i < 50; ++i) {
            const double friction = 0.316 * std::pow(g * d / 1.82e-5, -0.25);
            g = std::sqrt((high * high - low * low) /
                          (specific * kelvin * (friction * length / d + 2.0 * std::log(high / low) + 1.5)));
        }
        const double area = 0.25 * 3.14159265 * d * d;
        EXPECT_NEAR(tubeMassFlow({d, length}, air, kelvin, high, low) / (g * area), 1.0, 0.15) << low;
    }
}

TEST(Flow, ASlowStreamThroughAHoleMeetsSampsonsSolution) {
    // R. A. Sampson (1891): volume flow = radius^3 difference / (3 viscosity), without inertia.
    const FlowingGas air;
    const double radius = 20e-6, high = 100'001.0, low = 100'000.0;
    const double flow =
        volume(tubeMassFlow({2 * radius, 0.0}, air, kRoom, high, low), air, 0.5 * (high + low));
    EXPECT_NEAR(flow / (std::pow(radius, 3) * (high - low) / (3.0 * air.viscosity)), 1.0, 0.02);
}

TEST(Flow, AHoleIntoVacuumPassesAirAtTheSpeedOfSound) {
    // 20 L/s of air of 20 degC through each square centimetre, as it is before the hole; and no more,
    // whatever lies behind.
    const FlowingGas air;
    const double diameter = 1e-3, area = 0.25 * std::numbers::pi * diameter * diameter;
    const double intoVacuum = tubeMassFlow({diameter, 0.0}, air, kRoom, 101325.0, 0.0);
    EXPECT_NEAR(volume(intoVacuum, air, 101325.0) / kLitre / (area * 1e4), 20.0, 0.3);
    EXPECT_NEAR(tubeMassFlow({diameter, 0.0}, air, kRoom, 101325.0, 50'000.0) / intoVacuum, 1.0, 0.005);
    // Thin gas streams out as it hits the hole: 11.6 L/s through each square centimetre.
    EXPECT_NEAR(volume(tubeMassFlow({diameter, 0.0}, air, kRoom, 0.01, 0.0), air, 0.01) / kLitre /
                    (area * 1e4),
                11.6, 0.2);
}

TEST(Flow, APumpEmptiesADryVesselByTheExponential) {
    // p - ultimate falls by exp(-speed t / volume): stepped with the classical fourth-order rule.
    const Pump pump{20.0 / 60.0 * kLitre, 300.0};
    const FlowingGas air;
    const double volumeOf = 3.0 * kLitre, step = 0.05,
                 perPascal = volumeOf * air.molarMass / (8.314462618 * kRoom);
    double p = 94'310.0;
    const auto rate = [&](double pascal) { return -pumpMassFlow(pump, air, kRoom, pascal) / perPascal; };
    for (int i = 0; i < 1200; ++i) {
        const double a = rate(p), b = rate(p + 0.5 * step * a), c = rate(p + 0.5 * step * b),
                     d = rate(p + step * c);
        p += step / 6.0 * (a + 2 * b + 2 * c + d);
    }
    EXPECT_NEAR(p, 300.0 + (94'310.0 - 300.0) * std::exp(-pump.speed * 60.0 / volumeOf), 1e-3);
    EXPECT_EQ(pumpMassFlow(pump, air, kRoom, 200.0), 0.0);
}

RC_GTEST_PROP(Flow, GasGoesFromHighToLowTheSameEitherWayAndMoreByAWiderTube, ()) {
    const auto pressure = [] { return std::pow(10.0, *rc::gen::inRange(-200, 520) / 100.0); };
    const double a = pressure(), b = pressure();
    const Tube tube{std::pow(10.0, *rc::gen::inRange(-500, -150) / 100.0),
                    *rc::gen::inRange(0, 2000) / 1000.0};
    const FlowingGas gas{*rc::gen::inRange(2, 80) * 1e-3, *rc::gen::inRange(5, 30) * 1e-6,
                         1.1 + 0.01 * *rc::gen::inRange(0, 56)};
    const double flow = tubeMassFlow(tube, gas, kRoom, a, b);
    RC_ASSERT(std::isfinite(flow));
    RC_ASSERT(flow == -tubeMassFlow(tube, gas, kRoom, b, a));
    RC_ASSERT((a > b) == (flow > 0.0));
    const Tube wider{1.1 * tube.diameter, tube.length};
    RC_ASSERT(std::abs(tubeMassFlow(wider, gas, kRoom, a, b)) >= std::abs(flow));
    if (a > b) RC_ASSERT(tubeMassFlow(tube, gas, kRoom, 1.05 * a, b) > flow);
}

} // namespace
} // namespace uttrin
