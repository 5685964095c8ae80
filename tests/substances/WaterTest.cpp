#include "physics/Constants.h"
#include "physics/Iapws.h"
#include "substances/SubstanceLibrary.h"
#include "support/Iapws95.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

struct Row {
    double t, p;
};

TEST(Water, MeetsThePublishedSaturationPressures) {
    // IAPWS R7-97(2012), table 35: T/K, p/Pa; all nine digits.
    for (const Row& r : {Row{300, 3536.58941}, {500, 2.63889776e6}, {600, 12.3443146e6}}) {
        SCOPED_TRACE(r.t);
        EXPECT_NEAR(water().vapourPressure(Temperature::fromKelvin(r.t))->pascal() / r.p, 1.0, 2e-9);
    }
}

TEST(Water, MeetsThePublishedSaturationTemperatures) {
    // IAPWS R7-97(2012), table 36.
    for (const Row& r : {Row{372.755919, 0.1e6}, {453.035632, 1e6}, {584.149488, 10e6}}) {
        SCOPED_TRACE(r.p);
        EXPECT_NEAR(water().boilingPoint(Pressure::fromPascal(r.p))->kelvin(), r.t, 6e-7);
    }
}

TEST(Water, MeetsThePublishedSublimationAndMeltingPressures) {
    // IAPWS R14-08(2011), section 5.
    EXPECT_NEAR(water().vapourPressure(Temperature::fromKelvin(230))->pascal(), 8.94735, 6e-6);
    EXPECT_NEAR(water().meltingPressure(Temperature::fromKelvin(260))->pascal() * 1e-6, 138.268, 6e-4);
}

TEST(Water, TheReferenceOfTheseTestsMeetsItsOwnCheckValues) {
    // IAPWS R6-95(2018), tables 6 and 8: the residual Helmholtz energy, then T/K, p/Pa, densities.
    const auto dense = testing::iapws95::residual(500.0, 838.025);
    EXPECT_NEAR(dense.phi, -3.42693206, 5e-9);
    EXPECT_NEAR(dense.byDelta, -0.364366650, 5e-10);
    EXPECT_NEAR(testing::iapws95::residual(647.0, 358.0).byDelta, -0.714012024, 5e-10);
    const struct {
        double t, p, liquid, vapour;
    } rows[] = {{275, 698.451167, 999.887406, 0.00550664919},
                {450, 932203.564, 890.341250, 4.81200360},
                {625, 16.9082693e6, 567.090385, 118.290280}};
    for (const auto& r : rows) {
        SCOPED_TRACE(r.t);
        const auto s = testing::iapws95::saturation(r.t, 1.01 * r.liquid, 0.99 * r.vapour);
        EXPECT_NEAR(s.pressure / r.p, 1.0, 2e-9);
        EXPECT_NEAR(s.liquid / r.liquid, 1.0, 2e-9);
        EXPECT_NEAR(s.vapour / r.vapour, 1.0, 1e-8); // the thin vapour at 275 K: eight figures
    }
}

TEST(Water, LiesWithinTwoPartsInTenThousandOfTheReferenceEquation) {
    for (double t = 273.16; t <= 640.0; t += 2.0) {
        const auto start = iapws::saturatedProperties(t);
        const auto reference = testing::iapws95::saturation(t, start.liquidDensity, start.vapourDensity);
        const auto at = Temperature::fromKelvin(t);
        EXPECT_NEAR(water().vapourPressure(at)->pascal() / reference.pressure, 1.0, 2e-4) << t;
        EXPECT_NEAR(*water().condensedDensity(at) / reference.liquid, 1.0, t < 615.0 ? 3e-4 : 1.5e-3) << t;
        EXPECT_NEAR(*water().vapourDensity(at) / reference.vapour, 1.0, 1e-3) << t;
    }
}

TEST(Water, IceLiesWithinOnePartInTenThousandOfItsRelease) {
    // IAPWS R14-08(2011), eq. 6: written out here by itself, with its triple point 273.16 K, 611.657 Pa.
    for (double t = 60.0; t <= 273.16; t += 3.0) {
        const double theta = t / 273.16;
        const double exponent = (-0.212144006e2 * std::pow(theta, 0.333333333e-2) +
                                 0.273203819e2 * std::pow(theta, 0.120666667e1) -
                                 0.610598130e1 * std::pow(theta, 0.170333333e1)) /
                                theta;
        EXPECT_NEAR(water().vapourPressure(Temperature::fromKelvin(t))->pascal() /
                        (611.657 * std::exp(exponent)),
                    1.0, 1e-4)
            << t;
    }
}

TEST(Water, MeetsThePublishedSaturatedDensitiesAndEnthalpies) {
    // IAPWS SR1-86(1992), table 1: T/K, p/Pa, dp/dT, liquid and vapour density, liquid and vapour enthalpy.
    const struct {
        double t, p, slope, liquid, vapour, hLiquid, hVapour;
    } rows[] = {
        {273.16, 611.657, 44.436693, 999.789, 0.00485426, 0.611786, 2500.5e3},
        {373.1243, 101325, 3.616e3, 958.365, 0.597586, 419.05e3, 2675.7e3},
    };
    for (const auto& r : rows) {
        SCOPED_TRACE(r.t);
        const auto s = iapws::saturatedProperties(r.t);
        EXPECT_NEAR(s.pressure / r.p, 1.0, 2e-6);
        EXPECT_NEAR(s.slope / r.slope, 1.0, 2e-4);
        EXPECT_NEAR(s.liquidDensity, r.liquid, 6e-4);
        EXPECT_NEAR(s.vapourDensity / r.vapour, 1.0, 2e-6);
        EXPECT_NEAR(s.liquidEnthalpy / r.hLiquid, 1.0, 2e-5);
        EXPECT_NEAR(s.vapourEnthalpy / r.hVapour, 1.0, 3e-5);
    }
}

TEST(Water, EnthalpyOfVaporisationFollowsFromTheSlopeByClapeyronsEquation) {
    for (double t = 274.0; t < 640.0; t += 20.0) {
        const auto at = Temperature::fromKelvin(t);
        const auto s = *water().saturationAt(at);
        const double volume = 1.0 / *water().vapourDensity(at) - 1.0 / *water().condensedDensity(at);
        EXPECT_NEAR(s.slope * t * volume / *water().enthalpyOfVaporisation(at), 1.0, 3e-3) << t;
    }
}

TEST(Water, SublimationTakesTheHeatOfMeltingMoreThanVaporisation) {
    // 333.4 kJ/kg, melting enthalpy of ice at the triple point, IAPWS R10-06.
    const double ice = *water().enthalpyOfVaporisation(Temperature::fromKelvin(273.15));
    const double liquid = *water().enthalpyOfVaporisation(Temperature::fromKelvin(273.17));
    EXPECT_NEAR(ice - liquid, 333.4e3, 3e3);
}

TEST(Water, LiquidAndIceMeetAtTheTriplePoint) {
    const double liquid = iapws::region4Pressure(273.16), ice = iapws::sublimationPressure(273.16);
    EXPECT_NEAR(liquid / ice, 1.0, 1e-6);
    EXPECT_EQ(water().saturationAt(Pressure::fromPascal(500))->phases, Phases::SolidVapour);
    EXPECT_EQ(water().saturationAt(Pressure::fromPascal(700))->phases, Phases::LiquidVapour);
}

TEST(Water, RefusesWhatLiesOutsideItsRangeAndSaysTheRange) {
    for (const auto& r : {water().vapourPressure(Temperature::fromKelvin(700)),
                          water().vapourPressure(Temperature::fromKelvin(40))}) {
        ASSERT_FALSE(r);
        EXPECT_EQ(r.error().kind, Failure::OutOfRange);
        EXPECT_NE(plain(r.error().message).find("50 K to 647.096 K"), std::string::npos);
    }
    const auto t = water().boilingPoint(Pressure::fromPascal(30e6));
    ASSERT_FALSE(t);
    EXPECT_EQ(t.error().kind, Failure::OutOfRange);
}

TEST(Water, BoilsHigherAtDepthMostOfAllWhenCold) {
    const auto depth = Length::fromCentimetre(5.0);
    const double cold =
        water().boilingPointRiseAtDepth(Pressure::fromPascal(2339), depth)->kelvin(); // boils at 20 degC
    const double hot = water().boilingPointRiseAtDepth(Pressure::fromPascal(101325), depth)->kelvin();
    EXPECT_NEAR(cold, 489.0 / 145.0, 0.4); // rho g h over dp/dT there, from steam tables
    EXPECT_LT(hot, 0.15);
}

RC_GTEST_PROP(Water, TemperatureToPressureAndBackIsGoodToABillionth, ()) {
    const double t = 190.0 + 457.0 * (*rc::gen::inRange(0, 1000000)) / 1e6;
    const auto p = water().vapourPressure(Temperature::fromKelvin(t));
    RC_ASSERT(p.has_value());
    RC_ASSERT(std::abs(water().boilingPoint(*p)->kelvin() / t - 1.0) < 1e-9);
}

RC_GTEST_PROP(Water, VapourPressureRisesWithTemperature, ()) {
    const double t = 60.0 + 580.0 * (*rc::gen::inRange(0, 1000000)) / 1e6;
    const auto low = water().vapourPressure(Temperature::fromKelvin(t)),
               high = water().vapourPressure(Temperature::fromKelvin(t + 0.01));
    RC_ASSERT(*low < *high);
    const auto s = water().saturationAt(Temperature::fromKelvin(t));
    RC_ASSERT(s->slope > 0.0);
    RC_ASSERT(s->relativePressureU > 0.0);
}

} // namespace
} // namespace uttrin
