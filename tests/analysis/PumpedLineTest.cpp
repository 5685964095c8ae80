#include "analysis/PumpedLine.h"

#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

double above(const PumpedLine& line, double celsius, double pascal) {
    const auto found =
        mostAboveGauge(line, water(), Temperature::fromCelsius(celsius), Pressure::fromPascal(pascal));
    EXPECT_TRUE(found) << plain(found.error().message);
    return found.value_or(NAN);
}

// Slow flow through a long narrow tube is Hagen and Poiseuille's with a gas that widens:
// p1^2 - p2^2 = 2 p2 S 128 viscosity length / (pi bore^4).
TEST(PumpedLine, ALongNarrowTubeFollowsHagenAndPoiseuille) {
    const double viscosity = water().properties().vapourViscosity->value;
    const double bore = 4e-3, length = 2.0, speed = 2e-5; // 1.2 L/min
    for (const double pascal : {4e3, 12e3, 40e3}) {
        const double resists = 128.0 * viscosity * length / (std::numbers::pi * std::pow(bore, 4));
        const double exact = std::sqrt(pascal * pascal + 2.0 * pascal * speed * resists) - pascal;
        EXPECT_NEAR(above({bore, length, speed, 0.0}, 60.0, pascal), exact, 0.05 * exact) << pascal;
    }
}

RC_GTEST_PROP(PumpedLine, AWiderOrShorterTubeAndASlowerPumpBiasLess, ()) {
    PumpedLine line{*rc::gen::inRange(3, 20) * 1e-3, *rc::gen::inRange(1, 40) * 0.1,
                    *rc::gen::inRange(1, 60) / 6e4, *rc::gen::inRange(0, 900) * 1.0};
    const double pascal = *rc::gen::inRange(1, 90) * 1e3, celsius = *rc::gen::inRange(10, 95);
    const double bias = above(line, celsius, pascal);
    RC_ASSERT(bias > 0.0);
    PumpedLine wider = line, shorter = line, slower = line;
    wider.boreMetre *= 1.3;
    shorter.lengthMetre *= 0.5;
    slower.pumpCubicMetres *= 0.5;
    for (const PumpedLine& better : {wider, shorter, slower})
        RC_ASSERT(above(better, celsius, pascal) < bias);
}

TEST(PumpedLine, APumpAtItsFloorTakesNothing) {
    EXPECT_EQ(above({8e-3, 1.0, 3e-4, 2e3}, 20.0, 2e3), 0.0);
    EXPECT_EQ(above({8e-3, 1.0, 3e-4, 2e3}, 20.0, 1e3), 0.0);
}

TEST(PumpedLine, RefusesATubeOrPumpThatIsNone) {
    const auto t = Temperature::fromCelsius(50.0);
    const auto p = Pressure::fromPascal(12e3);
    EXPECT_FALSE(mostAboveGauge({0.0, 1.0, 3e-4, 0.0}, water(), t, p));
    EXPECT_FALSE(mostAboveGauge({8e-3, -1.0, 3e-4, 0.0}, water(), t, p));
    EXPECT_FALSE(mostAboveGauge({8e-3, 1.0, 0.0, 0.0}, water(), t, p));
}

} // namespace
} // namespace uttrin
