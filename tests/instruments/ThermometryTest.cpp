#include "instruments/Thermometry.h"

#include "instruments/Thermometer.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

TEST(Thermometry, PlatinumMeetsTheStandardsTable) {
    // IEC 60751:2008, table 1, 100 ohm: degC, ohm.
    for (const auto& [celsius, ohm] : {std::pair{-200.0, 18.52},
                                       {-100.0, 60.26},
                                       {-50.0, 80.31},
                                       {0.0, 100.0},
                                       {50.0, 119.40},
                                       {100.0, 138.51},
                                       {200.0, 175.86},
                                       {400.0, 247.09},
                                       {850.0, 390.48}}) {
        SCOPED_TRACE(celsius);
        EXPECT_NEAR(thermometry::platinumResistance(celsius, 100.0), ohm, 0.0051);
        EXPECT_NEAR(*thermometry::platinumCelsius(ohm, 100.0), celsius, 0.02);
    }
    EXPECT_NEAR(thermometry::platinumTolerance(100.0, false), 0.8, 1e-12);
    EXPECT_NEAR(thermometry::platinumTolerance(-100.0, true), 0.35, 1e-12);
    EXPECT_FALSE(thermometry::platinumCelsius(5.0, 100.0));
}

TEST(Thermometry, CopperRisesByItsTabulatedCoefficient) {
    // IEC 60028, annealed copper: 0.00393 per kelvin of the resistance at 20 degC; a third more at 104.8
    // degC.
    EXPECT_NEAR(thermometry::coilResistance(104.81, 50.0, 3.93e-3), 50.0 * 4.0 / 3.0, 0.01);
    EXPECT_NEAR(thermometry::coilCelsius(50.0, 50.0, 3.93e-3), 20.0, 1e-12);
}

TEST(Thermometry, TheEmergentStemIsWorthHalfAKelvinAtBoiling) {
    // A worked example: mercury thermometer at 100 degC, 50 degrees of the column in air of 25 degC: 0.00016
    // * 50 * 75.
    EXPECT_NEAR(thermometry::emergentStemCorrection(100.0, 50.0, 25.0, true), 0.60, 1e-9);
    EXPECT_GT(thermometry::emergentStemCorrection(100.0, 50.0, 25.0, false), 3.0);
}

TEST(Thermometry, InfraredSeesTheRoomInAShinyWall) {
    EXPECT_NEAR(thermometry::infraredKelvin(350.0, 0.95, 0.95, 295.0), 350.0, 1e-9);
    // Black body set, wall of 0.8: 350^4 = 0.8 T^4 + 0.2 295^4.
    EXPECT_NEAR(thermometry::infraredKelvin(350.0, 1.0, 0.8, 295.0),
                std::pow((std::pow(350.0, 4) - 0.2 * std::pow(295.0, 4)) / 0.8, 0.25), 1e-9);
    EXPECT_NEAR(thermometry::wallDrop(345.0, 295.0, 0.003, 1.1), 10.0 * 50.0 * 0.003 / 1.1, 1e-9);
}

Thermometer plain() {
    Thermometer t;
    t.division = 0.5;
    t.accuracy = 1.0;
    return t;
}

ThermometerCalibration calibration(double ice, double steam, double roomPascal = 94310.0,
                                   std::int64_t at = 1000) {
    return {ice, steam, roomPascal, 30.0, at};
}

TEST(Calibration, TheSteamPointIsThatOfTheRoomsPressure) {
    Thermometer t = plain();
    t.calibrations = {calibration(0.5, 98.5)};
    // 97.98 degC at 94.31 kPa: half a kelvin too high at both ends.
    EXPECT_NEAR(toTemperature(t, 98.5)->temperature.celsius(), 97.98, 0.005);
    EXPECT_NEAR(toTemperature(t, 0.5)->temperature.celsius(), 0.0, 1e-9);
    const auto residuals = residualsOf(t, t.calibrations[0]);
    EXPECT_NEAR(residuals->ice, 0.5, 1e-9);
    EXPECT_NEAR(residuals->steam, 0.52, 0.005);
    // A hundred degrees would have been two kelvin wrong.
    EXPECT_GT(100.0 - residuals->steamTrue.celsius(), 2.0);
}

TEST(Calibration, MakesTheThermometerBetterThanItsClass) {
    Thermometer t = plain();
    const double before = toTemperature(t, 60.0)->uShared;
    t.calibrations = {calibration(0.5, 98.5)};
    EXPECT_LT(toTemperature(t, 60.0)->uShared, 0.5 * before);
    EXPECT_GT(toTemperature(t, 60.0)->uShared, 0.0);
}

TEST(Calibration, EachReadingUsesTheOneOfItsTime) {
    Thermometer t = plain();
    t.calibrations = {calibration(0.0, 97.98, 94310.0, 1000), calibration(1.0, 98.98, 94310.0, 2000)};
    EXPECT_NEAR(toTemperature(t, 50.0, 500)->temperature.celsius(), 50.0, 1e-9); // before any
    EXPECT_NEAR(toTemperature(t, 50.0, 1500)->temperature.celsius(), 50.0, 0.01);
    EXPECT_NEAR(toTemperature(t, 50.0, 2500)->temperature.celsius(), 49.0, 0.01);
    EXPECT_EQ(calibrationAt(t, std::nullopt)->atMs, 2000);
}

TEST(Calibration, ACoilOfUnknownWireBecomesAThermometer) {
    Thermometer coil;
    coil.kind = ThermometerKind::Copper;
    coil.nominalOhm = 10.0; // a guess; the two points set it right
    coil.division = coil.accuracy = 0.01;
    coil.calibrations = {calibration(9.4, 13.1)};
    EXPECT_EQ(readingUnit(coil), "\u03A9");
    EXPECT_NEAR(toTemperature(coil, 9.4)->temperature.celsius(), 0.0, 1e-9);
    EXPECT_NEAR(toTemperature(coil, 13.1)->temperature.celsius(), 97.98, 0.005);
    EXPECT_NEAR(toTemperature(coil, 11.25)->temperature.celsius(), 48.99, 0.01);
}

TEST(Calibration, SwappedReadingsAreRefused) {
    Thermometer t = plain();
    t.calibrations = {calibration(98.0, 0.5)};
    const auto checked = check(t);
    ASSERT_FALSE(checked);
    EXPECT_NE(plain(checked.error().message).find("swapped"), std::string::npos);
}

RC_GTEST_PROP(Thermometry, EveryKindReadsBackWhatItShows, ()) {
    Thermometer t = plain();
    t.kind = *rc::gen::element(ThermometerKind::Plain, ThermometerKind::Dial, ThermometerKind::Mercury,
                               ThermometerKind::Spirit, ThermometerKind::Platinum, ThermometerKind::Copper,
                               ThermometerKind::Infrared);
    if (readsOhms(t)) t.division = t.accuracy = 0.1;
    if (*rc::gen::arbitrary<bool>()) t.emergentFromCelsius = *rc::gen::inRange(-5, 60);
    t.emissivitySet = 1.0;
    t.emissivity = 0.85;
    t.wallMillimetre = 2.0;
    if (*rc::gen::arbitrary<bool>()) {
        const double ice = toReading(t, Temperature::fromCelsius(0.4)),
                     steam = toReading(t, Temperature::fromCelsius(98.9));
        t.calibrations = {calibration(ice, steam)};
    }
    const auto kelvin = 273.15 + 0.1 * *rc::gen::inRange(0, 1000);
    const auto back = toTemperature(t, toReading(t, Temperature::fromKelvin(kelvin)));
    RC_ASSERT(back.has_value());
    RC_ASSERT(std::abs(back->temperature.kelvin() - kelvin) < 1e-6);
    RC_ASSERT(back->uIndependent > 0.0 && back->uShared > 0.0);
    RC_ASSERT(*thermometerKindFromId(id(t.kind)) == t.kind);
}

} // namespace
} // namespace uttrin
