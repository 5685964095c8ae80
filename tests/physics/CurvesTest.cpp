#include "physics/Constants.h"
#include "physics/DensityCurve.h"
#include "physics/VapourPressureCurve.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <stdexcept>

namespace uttrin {
namespace {

const RelativeUncertainty kOnePercent{{{0.0, 0.01}}};

// With one term of power 1, ln p is a straight line in 1/T: p = pr exp(a (Tr/T - 1)), slope a Tr / T^2.
TEST(VapourPressureCurve, AOneTermEquationIsAStraightLine) {
    const VapourPressureCurve curve(ReducedTerms{400.0, 1e6, {{-7.0, 1.0}}}, 250.0, 400.0, kOnePercent,
                                    "made up");
    for (const double t : {250.0, 300.0, 399.0}) {
        const double expected = 1e6 * std::exp(-7.0 * (400.0 / t - 1.0));
        EXPECT_NEAR(curve.pressure(t) / expected, 1.0, 1e-12);
        EXPECT_NEAR(curve.slope(t) / (expected * 7.0 * 400.0 / (t * t)), 1.0, 1e-12);
        EXPECT_NEAR(curve.temperature(expected), t, 1e-9);
    }
    EXPECT_NEAR(curve.highestPressure(), 1e6, 1e-3);
}

TEST(VapourPressureCurve, HalfAndWholePowersAreTheSameAsAnyOther) {
    // The shortcuts for 1.5, 2.5, 3, 5, 6 against powers a hair beside them, which go the general way.
    for (const double power : {1.5, 2.5, 3.0, 5.0, 6.0}) {
        SCOPED_TRACE(power);
        const ReducedTerms exact{500.0, 4e6, {{-7.0, 1.0}, {-1.5, power}}},
            beside{500.0, 4e6, {{-7.0, 1.0}, {-1.5, power + 1e-13}}};
        const VapourPressureCurve a(exact, 300.0, 500.0, kOnePercent, ""),
            b(beside, 300.0, 500.0, kOnePercent, "");
        EXPECT_NEAR(a.pressure(350.0) / b.pressure(350.0), 1.0, 1e-11);
        EXPECT_NEAR(a.slope(350.0) / b.slope(350.0), 1.0, 1e-11);
    }
}

TEST(VapourPressureCurve, ACurveThatFallsIsRefused) {
    EXPECT_THROW(VapourPressureCurve(ReducedTerms{400.0, 1e6, {{7.0, 1.0}}}, 250.0, 400.0, kOnePercent, ""),
                 std::logic_error);
}

TEST(VapourPressureCurve, UncertaintyIsLinearBetweenItsTemperaturesAndConstantBeyond) {
    const RelativeUncertainty u{{{200.0, 0.02}, {300.0, 0.01}}};
    EXPECT_NEAR(u(150.0), 0.02, 1e-15);
    EXPECT_NEAR(u(250.0), 0.015, 1e-15);
    EXPECT_NEAR(u(400.0), 0.01, 1e-15);
}

RC_GTEST_PROP(VapourPressureCurve, AnyAntoineEquationInvertsToItself, ()) {
    const double b = -1.0 * *rc::gen::inRange(1500, 6000), c = *rc::gen::inRange(-60, 5);
    const VapourPressureCurve curve(ExtendedAntoine{22.0, b, c, 0.0, 0.0, 0.0}, 220.0, 420.0, kOnePercent,
                                    "");
    const double t = 220.0 + 0.2 * *rc::gen::inRange(0, 1001);
    RC_ASSERT(std::abs(curve.temperature(curve.pressure(t)) / t - 1.0) < 1e-11);
    RC_ASSERT(std::abs(curve.pressure(t) / std::exp(22.0 + b / (t + c)) - 1.0) < 1e-12);
}

TEST(DensityCurve, EveryFormIsItsEquation) {
    const double t = 300.0, p = 5e4, m = 0.05;
    const auto density = [&](DensityCurve::Form form) {
        return DensityCurve(std::move(form), 200.0, 400.0, 0.01, "")(t, p, m);
    };
    const double tau = 1.0 - t / 500.0;
    EXPECT_NEAR(density(LinearDensity{500.0, 250.0, {{2.0, 0.5}}}), 250.0 * (1.0 + 2.0 * std::sqrt(tau)),
                1e-9);
    EXPECT_NEAR(density(ExponentialDensity{500.0, 250.0, {{-3.0, 1.0}}, false}), 250.0 * std::exp(-3.0 * tau),
                1e-9);
    EXPECT_NEAR(density(ExponentialDensity{500.0, 250.0, {{-3.0, 1.0}}, true}),
                250.0 * std::exp(-3.0 * tau * 500.0 / t), 1e-9);
    EXPECT_NEAR(density(ConstantDensity{917.0}), 917.0, 1e-12);
    // A second virial coefficient of -1000 cm3/mol at 298.15 K, taken as constant.
    const double n = p / (kMolarGas * t);
    EXPECT_NEAR(density(VirialVapour{{-1000.0}}), n * m / (1.0 - 1e-3 * n), 1e-9);
    EXPECT_NEAR(idealGasDensity(t, p, m), n * m, 1e-12);
}

TEST(DensityCurve, TheRackettEquationGoesThroughItsPoint) {
    const DensityCurve curve(RackettDensity{508.1, 293.15, 789.9, 0.2477}, 200.0, 480.0, 0.005, "");
    EXPECT_NEAR(curve(293.15, 1e5, 0.058), 789.9, 1e-9);
    EXPECT_GT(curve(250.0, 1e5, 0.058), 789.9);
    EXPECT_LT(curve(350.0, 1e5, 0.058), 789.9);
}

TEST(DensityCurve, CorrespondingStatesMeetMeasuredVirialCoefficients) {
    // CRC Handbook: second virial coefficient of n-pentane at 300 K -1195 cm3/mol, of nitrogen at 300 K -4.
    const auto virial = [](double tc, double pc, double omega, double t) {
        const double p = 1e4, n = p / (kMolarGas * t);
        const double density =
            DensityCurve(CorrespondingVapour{tc, pc, omega}, 50.0, 400.0, 0.01, "")(t, p, 1.0);
        return (n / density - 1.0) / n * 1e6;
    };
    EXPECT_NEAR(virial(469.8, 3.375e6, 0.251, 300.0), -1195.0, 40.0);
    EXPECT_NEAR(virial(126.192, 3.3958e6, 0.0372, 300.0), -4.0, 3.0);
}

} // namespace
} // namespace uttrin
