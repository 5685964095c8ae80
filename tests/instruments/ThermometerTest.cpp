#include "instruments/Thermometer.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

TEST(Thermometer, ReadsInItsOwnUnit) {
    Thermometer t;
    t.unit = "degF";
    t.division = 1.8;
    t.accuracy = 1.8;
    const auto r = toTemperature(t, 212.0);
    ASSERT_TRUE(r);
    EXPECT_NEAR(r->temperature.celsius(), 100.0, 1e-9);
    EXPECT_NEAR(r->uIndependent, 0.5 / std::sqrt(3.0), 1e-12);
    EXPECT_NEAR(r->uShared, 1.0 / std::sqrt(3.0), 1e-12);
    EXPECT_NEAR(toReading(t, r->temperature), 212.0, 1e-9);
}

TEST(Thermometer, OnlySensorsInTheLiquidReadTheLiquid) {
    EXPECT_TRUE(readsTheLiquid(SensorPlace::Liquid));
    EXPECT_TRUE(readsTheLiquid(SensorPlace::NearChips));
    EXPECT_FALSE(readsTheLiquid(SensorPlace::Vapour));
    EXPECT_FALSE(readsTheLiquid(SensorPlace::OutsideWall));
}

TEST(Thermometer, RefusesWhatIsBelowAbsoluteZero) {
    EXPECT_FALSE(toTemperature(Thermometer{}, -274.0));
    Thermometer bad;
    bad.division = 0.0;
    EXPECT_FALSE(check(bad));
    bad = {};
    bad.unit = "kPa";
    EXPECT_FALSE(check(bad));
}

} // namespace
} // namespace uttrin
