#include "solutions/SodiumChloride.h"

#include "physics/Constants.h"
#include "solutions/Liquid.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

const Pressure kStandard = Pressure::fromPascal(kStandardAtmospherePascal);

Liquid brine(double molality) { return *Liquid::make(water(), {SoluteKind::SodiumChloride, molality, 1.0}); }

TEST(SodiumChloride, OsmoticCoefficientsMeetThePublishedOnes) {
    // W. J. Hamer and Y.-C. Wu, J. Phys. Chem. Ref. Data 1 (1972) 1047, 25 degC.
    for (const auto& [molality, phi] : {std::pair{0.1, 0.9324},
                                        {1.0, 0.9355},
                                        {2.0, 0.9833},
                                        {3.0, 1.0453},
                                        {4.0, 1.1158},
                                        {5.0, 1.1916},
                                        {6.0, 1.2706}}) {
        SCOPED_TRACE(molality);
        EXPECT_NEAR(*sodiumChloride::osmoticCoefficient(molality, Temperature::fromCelsius(25.0)), phi,
                    0.0025);
    }
}

/// Osmotic coefficient near the boiling point by the earlier evaluation of L. F. Silvester and K. S. Pitzer,
/// J. Phys. Chem. 81 (1977) 1822, table I, with the Debye-Hueckel slope 0.4603 at 100 degC of Bradley and
/// Pitzer (1979), which rises by 0.0012 per kelvin.
double earlierOsmoticCoefficient(double m, double t) {
    const double inverse = 1.0 / t - 1.0 / 298.15, logarithm = std::log(t / 298.15), step = t - 298.15,
                 squares = t * t - 298.15 * 298.15;
    const double beta0 =
        0.0765 - 777.03 * inverse - 4.4706 * logarithm + 0.008946 * step - 3.3158e-6 * squares;
    const double beta1 = 0.2664 + 6.1608e-5 * step + 1.0715e-6 * squares;
    const double c = 0.00127 + 33.317 * inverse + 0.09421 * logarithm - 4.655e-5 * step;
    const double slope = 0.4603 + 0.0012 * (t - 373.15), root = std::sqrt(m);
    return 1.0 - slope * root / (1.0 + 1.2 * root) + m * (beta0 + beta1 * std::exp(-2.0 * root)) + m * m * c;
}

TEST(SodiumChloride, ElevationsAtOneAtmosphereMeetAnIndependentEvaluation) {
    for (const double m : {0.25, 0.5, 1.0, 2.0, 3.0, 4.0, 5.0}) {
        SCOPED_TRACE(m);
        // Steam tables at 100 degC: the saturated vapour, 0.59817 kg/m3 at 101.42 kPa, has Z = 0.9846, by
        // which the fugacity follows the pressure.
        const double z = 101420.0 * 0.018015268 / (8.314463 * 373.15) / 0.59817;
        double low = 373.124, high = 385.0;
        for (int i = 0; i < 50; ++i) {
            const double t = 0.5 * (low + high);
            const double activity = std::exp(-2.0 * m * 0.018015268 * earlierOsmoticCoefficient(m, t));
            const double over =
                water().vapourPressure(Temperature::fromKelvin(t))->pascal() * std::pow(activity, 1.0 / z);
            (over < kStandard.pascal() ? low : high) = t;
        }
        EXPECT_NEAR(brine(m).elevation(kStandard)->kelvin(), low - 373.124, 0.02);
    }
}

TEST(SodiumChloride, ElevationsAtOneAtmosphereMeetTheOldMeasuredTable) {
    // G. T. Gerlach's boiling points of solutions, as chemists' handbooks print them: g in 100 g of water, K;
    // tenths of a kelvin are what they are good to.
    for (const auto& [gram, kelvin] :
         {std::pair{12.4, 2.0}, {17.2, 3.0}, {21.4, 4.0}, {25.5, 5.0}, {29.5, 6.0}})
        EXPECT_NEAR(brine(gram / 100.0 / sodiumChloride::kMolarMass).elevation(kStandard)->kelvin(), kelvin,
                    0.2)
            << gram;
}

TEST(SodiumChloride, TheSaturatedSolutionBoilsWhereTheHandbooksSay) {
    // Saturated brine boils at 108.7 degC under 1 atm.
    const double molality = sodiumChloride::saturationMolality(Temperature::fromCelsius(108.7));
    EXPECT_NEAR(brine(molality).boilingPoint(kStandard)->celsius(), 108.7, 0.2);
    EXPECT_NEAR(sodiumChloride::saturationMolality(Temperature::fromCelsius(20.0)), 6.14, 0.01);
}

TEST(SodiumChloride, DiluteBrineFollowsTheEbullioscopicConstant) {
    // 0.513 K kg/mol at 1 atm; sodium chloride gives two particles, with an osmotic coefficient near 0.96 at
    // 0.01 mol/kg.
    EXPECT_NEAR(*ebullioscopicConstant(water(), kStandard), 0.513, 0.001);
    // Debye and Hueckel's limiting law with its first correction gives 0.961 at 100 degC.
    EXPECT_NEAR(brine(0.01).elevation(kStandard)->kelvin() / (0.01 * 2 * 0.513), 0.961, 0.005);
}

TEST(SodiumChloride, TheElevationDependsOnThePressure) {
    const double at1 = brine(2.0).elevation(kStandard)->kelvin(),
                 low = brine(2.0).elevation(Pressure::fromKilopascal(20.0))->kelvin();
    EXPECT_GT(at1, low + 0.3);
    // By K_b(p): R T^2 / L at 60 and 100 degC from the steam tables, 2357.7 and 2256.4 kJ/kg.
    const double ratio = (333.21 * 333.21 / 2357.7) / (373.12 * 373.12 / 2256.4);
    EXPECT_NEAR(low / at1, ratio, 0.03);
}

TEST(SodiumChloride, FreezingMeetsTheTableAndTheVapourPressuresOverIce) {
    for (const auto& [percent, kelvin] :
         {std::pair{1.0, 0.593}, {5.0, 3.046}, {10.0, 6.564}, {20.0, 16.46}, {23.3, 21.1}})
        EXPECT_NEAR(
            sodiumChloride::freezingPointDepression(sodiumChloride::molalityOf(percent / 100.0))->kelvin(),
            kelvin, 1e-6);
    // Where brine and ice have the same vapour pressure, by the Pitzer model at 0 degC: an independent way.
    for (const double molality : {0.2, 0.5, 1.0}) {
        const double activity = *sodiumChloride::waterActivity(molality, Temperature::fromCelsius(0.0));
        double low = 255.0, high = 273.15;
        for (int i = 0; i < 60; ++i) {
            const auto t = Temperature::fromKelvin(0.5 * (low + high));
            const bool iceForms = activity * water().metastableLiquidPressure(t)->pascal() >
                                  water().vapourPressure(t)->pascal();
            (iceForms ? low : high) = t.kelvin();
        }
        EXPECT_NEAR(sodiumChloride::freezingPointDepression(molality)->kelvin(), 273.15 - low, 0.03);
    }
    const auto beyond = sodiumChloride::freezingPointDepression(6.0);
    ASSERT_FALSE(beyond);
    EXPECT_NE(plain(beyond.error().message).find("eutectic"), std::string::npos);
}

TEST(SodiumChloride, RefusesWhatTheModelDoesNotCover) {
    EXPECT_FALSE(Liquid::make(water(), {SoluteKind::SodiumChloride, 8.0, 1.0}));
    EXPECT_FALSE(Liquid::make(**findSubstance("ethanol"), {SoluteKind::SodiumChloride, 1.0, 1.0}));
    EXPECT_FALSE(sodiumChloride::osmoticCoefficient(1.0, Temperature::fromCelsius(150.0)));
    const auto cold = brine(1.0).boilingPoint(Pressure::fromPascal(300.0));
    ASSERT_FALSE(cold);
    EXPECT_EQ(cold.error().kind, Failure::OutOfRange);
}

RC_GTEST_PROP(SodiumChloride, MolalityComesBackFromTheBoilingPoint, ()) {
    const double molality = 0.01 * *rc::gen::inRange(5, 600);
    const auto p = Pressure::fromPascal(*rc::gen::inRange(5000, 105000));
    const auto boils = brine(molality).boilingPoint(p);
    RC_ASSERT(boils.has_value());
    RC_ASSERT(std::abs(*molalityFromBoiling(water(), SoluteKind::SodiumChloride, *boils, p) - molality) <
              1e-6);
}

RC_GTEST_PROP(SodiumChloride, MoreSaltBoilsHigherAndFreezesLower, ()) {
    const double a = 0.01 * *rc::gen::inRange(0, 500), b = a + 0.01 * *rc::gen::inRange(1, 15);
    const auto p = Pressure::fromPascal(*rc::gen::inRange(5000, 105000));
    RC_ASSERT(*brine(a).boilingPoint(p) < *brine(b).boilingPoint(p));
    RC_ASSERT(*sodiumChloride::freezingPointDepression(a) < *sodiumChloride::freezingPointDepression(b));
}

} // namespace
} // namespace uttrin
