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

// A coil of one's own: 12 ohm at 25 degC, 0.0042 /K at 20 degC. At 60 degC it has 12 (1 + 0.168) / (1 +
// 0.021) ohm.
TEST(Thermometer, ACoilHasItsOwnCoefficientAndReference) {
    Thermometer t;
    t.kind = ThermometerKind::Copper;
    t.division = 0.001;
    t.accuracy = 0.0;
    t.nominalOhm = 12.0;
    t.coilPerKelvin = 0.0042;
    t.referenceCelsius = 25.0;
    ASSERT_TRUE(check(t));
    const double ohm = 12.0 * 1.168 / 1.021;
    EXPECT_NEAR(toTemperature(t, ohm)->temperature.celsius(), 60.0, 1e-9);
    EXPECT_NEAR(toTemperature(t, 12.0)->temperature.celsius(), 25.0, 1e-9);
    EXPECT_NEAR(toReading(t, Temperature::fromCelsius(60.0)), ohm, 1e-9);
    t.referenceU = 1.0; // a kelvin there is by so much more at 60 degC
    EXPECT_NEAR(toTemperature(t, ohm)->uShared, ohm / 12.0, 1e-9);
    Thermometer moved = t;
    moved.referenceCelsius = 26.0;
    EXPECT_NEAR((toTemperature(moved, ohm)->temperature - toTemperature(t, ohm)->temperature).kelvin(),
                ohm / 12.0, 0.01);
    t.coilPerKelvin = 0.0;
    EXPECT_FALSE(check(t));
}

TEST(Thermometer, APairedReadingCorrectsAnInfraredOne) {
    Thermometer t;
    t.kind = ThermometerKind::Infrared;
    t.wallMillimetre = 3.0;
    t.emissivity = 0.84;
    const double shown = toReading(t, Temperature::fromCelsius(71.0));
    Thermometer unknown = t;
    unknown.emissivity = 0.95;
    EXPECT_GT(std::abs(toTemperature(unknown, shown)->temperature.celsius() - 71.0), 1.0);
    const auto corrected = correctedByPair(unknown, shown, Temperature::fromCelsius(71.0));
    ASSERT_TRUE(corrected);
    EXPECT_NEAR(corrected->emissivity, 0.84, 0.001);
    EXPECT_NEAR(toTemperature(*corrected, shown)->temperature.celsius(), 71.0, 0.1);
    EXPECT_FALSE(correctedByPair(unknown, 40.0, Temperature::fromCelsius(-20.0)));
    EXPECT_FALSE(correctedByPair(Thermometer{}, 40.0, Temperature::fromCelsius(41.0)));
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
