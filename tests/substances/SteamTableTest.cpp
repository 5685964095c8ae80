#include "physics/Constants.h"
#include "physics/Substance.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

struct Row {
    double celsius, kilopascal, enthalpyKilojoule, liquid, vapour;
};

// The common steam tables (IAPWS-95), saturated water: degC, kPa, kJ/kg, kg/m3, kg/m3, to the digits printed
// there.
constexpr Row kSteam[] = {
    {10, 1.2282, 2477.2, 999.65, 0.0094},  {20, 2.3393, 2453.5, 998.16, 0.01731},
    {40, 7.3849, 2406.0, 992.18, 0.05124}, {60, 19.946, 2357.7, 983.16, 0.13043},
    {80, 47.414, 2308.0, 971.77, 0.29367}, {100, 101.42, 2256.4, 958.35, 0.59817},
    {150, 476.16, 2113.7, 917.01, 2.5481}, {200, 1554.9, 1939.7, 864.66, 7.8610},
};

TEST(SteamTable, WaterMeetsThePrintedTables) {
    for (const Row& row : kSteam) {
        SCOPED_TRACE(row.celsius);
        const auto t = Temperature::fromCelsius(row.celsius);
        EXPECT_NEAR(water().vapourPressure(t)->kilopascal() / row.kilopascal, 1.0, 2e-4);
        EXPECT_NEAR(*water().enthalpyOfVaporisation(t) * 1e-3, row.enthalpyKilojoule, 0.4);
        EXPECT_NEAR(*water().condensedDensity(t), row.liquid, 0.06);
        EXPECT_NEAR(*water().vapourDensity(t) / row.vapour, 1.0, 2e-3);
        EXPECT_NEAR(*water().molarEnthalpyOfVaporisation(t), row.enthalpyKilojoule * 18.015268, 8.0);
    }
}

struct IceRow {
    double celsius, pascal;
};

TEST(SteamTable, IceMeetsThePrintedSublimationPressures) {
    // Published vapour pressures over ice (meteorological tables): degC, Pa.
    for (const IceRow& row : {IceRow{0.0, 611.15}, {-10.0, 259.90}, {-20.0, 103.26}, {-40.0, 12.84}}) {
        SCOPED_TRACE(row.celsius);
        EXPECT_NEAR(water().vapourPressure(Temperature::fromCelsius(row.celsius))->pascal() / row.pascal, 1.0,
                    1.2e-3);
    }
}

TEST(SteamTable, BoilingAtTheStandardPressureAndItsUncertainty) {
    const auto s = *water().saturationAt(Pressure::fromPascal(kStandardAtmospherePascal));
    EXPECT_NEAR(s.temperature.kelvin(), 373.1243, 2e-4); // IAPWS-95
    EXPECT_NEAR(s.slope, 3617.0, 3.0);                   // Pa/K, SR1-86 table
    EXPECT_LT(s.temperatureU(), 0.01);
    EXPECT_GT(s.temperatureU(), 1e-4);
    EXPECT_NEAR(water().facts().normalBoilingPoint.kelvin(), s.temperature.kelvin(), 1e-12);
}

TEST(SteamTable, TheCriticalPointIsTheEnd) {
    const auto critical = water().saturationAt(Temperature::fromKelvin(647.096));
    ASSERT_TRUE(critical);
    EXPECT_NEAR(critical->pressure.pascal(), 22.064e6, 50.0);
    EXPECT_FALSE(water().saturationAt(Temperature::fromKelvin(647.1)));
    EXPECT_NEAR(*water().enthalpyOfVaporisation(Temperature::fromKelvin(647.0)) * 1e-3, 0.0, 200.0);
}

TEST(SteamTable, SubstancesAreFoundByTheirIds) {
    ASSERT_TRUE(findSubstance("water"));
    EXPECT_EQ(*findSubstance("water"), &water());
    const auto none = findSubstance("treacle");
    ASSERT_FALSE(none);
    EXPECT_TRUE(
        plain(none.error().message)
            .starts_with("'treacle' is not a fluid that Uttrin knows; accepted: water, acetone, ethanol"));
    EXPECT_FALSE(water().source(Phases::LiquidVapour).empty());
    EXPECT_FALSE(water().source(Phases::SolidVapour).empty());
}

RC_GTEST_PROP(SteamTable, VapourIsLighterThanLiquidAndHeatOfVaporisationFalls, ()) {
    const double t = 274.0 + 360.0 * (*rc::gen::inRange(0, 1000000)) / 1e6;
    const auto here = Temperature::fromKelvin(t), warmer = Temperature::fromKelvin(t + 1.0);
    RC_ASSERT(*water().vapourDensity(here) < *water().condensedDensity(here));
    RC_ASSERT(*water().vapourDensity(here) < *water().vapourDensity(warmer));
    RC_ASSERT(*water().enthalpyOfVaporisation(here) > *water().enthalpyOfVaporisation(warmer));
}

RC_GTEST_PROP(SteamTable, DepthRaisesTheBoilingPointEverMore, ()) {
    const auto p = Pressure::fromPascal(*rc::gen::inRange(1000, 110000));
    const int depth = *rc::gen::inRange(1, 50);
    const auto shallow = water().boilingPointRiseAtDepth(p, Length::fromCentimetre(depth));
    const auto deep = water().boilingPointRiseAtDepth(p, Length::fromCentimetre(depth + 1));
    RC_ASSERT(shallow->kelvin() > 0.0);
    RC_ASSERT(deep->kelvin() > shallow->kelvin());
}

} // namespace
} // namespace uttrin
