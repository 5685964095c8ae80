#include "analysis/SlipCheck.h"

#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

const RoomPressure kRoom{Pressure::fromPascal(94310), 30, RoomMethod::Barometer};

/// A pair as a careful person reads it off a dial in bar at 38.31 kPa, where water boils at 74.9 degC.
CapturePair dialPair() {
    CapturePair pair;
    pair.gauge.convention = PressureConvention::GaugeNegative;
    pair.gauge.unit = "bar";
    pair.gauge.division = 0.01;
    pair.gauge.accuracy = 0.005;
    pair.reading = {-0.56, {}};
    pair.room = kRoom;
    pair.thermometer.division = 0.5;
    pair.thermometer.accuracy = 0.3;
    pair.temperatureReading =
        std::round(10.0 * water().boilingPoint(Pressure::fromPascal(38310))->celsius()) / 10.0;
    return pair;
}

CapturePair uTubePair() {
    CapturePair pair = dialPair();
    pair.gauge.convention = PressureConvention::TwoArm;
    pair.gauge.unit = "cm";
    pair.gauge.division = 0.1;
    pair.gauge.accuracy = 0.05;
    pair.gauge.armSum = 82.1;
    pair.reading = toReadableReading(pair.gauge, Pressure::fromPascal(38310), kRoom.station);
    return pair;
}

TEST(SlipCheck, ACarefulPairPasses) {
    EXPECT_EQ(checkForSlip(dialPair(), Liquid(water())).kind, SlipKind::None);
    EXPECT_EQ(checkForSlip(uTubePair(), Liquid(water())).kind, SlipKind::None);
}

struct SlipRow {
    SlipKind kind;
    double reading;
    const char* says;
};

TEST(SlipCheck, SlipsOfThePenAreNamedAndMended) {
    const SlipRow rows[] = {
        {SlipKind::Sign, 0.56, "minus sign"},
        {SlipKind::TenFold, -5.6, "Ten times too large"},
        {SlipKind::TenFold, -0.056, "Ten times too small"},
        {SlipKind::PressureUnit, -56, "in kPa"},
        {SlipKind::PressureUnit, -560, "in mbar"},
    };
    for (const SlipRow& row : rows) {
        SCOPED_TRACE(row.reading);
        CapturePair pair = dialPair();
        pair.reading.first = row.reading;
        const auto finding = checkForSlip(pair, Liquid(water()));
        EXPECT_EQ(finding.kind, row.kind) << finding.sentence;
        EXPECT_NE(plain(finding.sentence).find(row.says), std::string::npos) << finding.sentence;
        ASSERT_TRUE(finding.mendedGauge);
        EXPECT_NEAR(finding.mendedGauge->first, -0.56, 1e-9);
    }
}

TEST(SlipCheck, SwappedArmsAreNamed) {
    CapturePair pair = uTubePair();
    std::swap(pair.reading.first, *pair.reading.second);
    const auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::ArmsSwapped);
    EXPECT_EQ(*finding.mendedGauge, uTubePair().reading);
}

TEST(SlipCheck, ATemperatureInTheOtherScaleIsNamed) {
    CapturePair pair = dialPair();
    pair.temperatureReading = pair.temperatureReading * 1.8 + 32.0;
    const auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::TemperatureUnit);
    EXPECT_NEAR(*finding.mendedTemperature, dialPair().temperatureReading, 1e-9);
}

TEST(SlipCheck, TellsSuperheatFromDissolvedAir) {
    CapturePair pair = dialPair();
    pair.temperatureReading += 1.9;
    auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::Superheated);
    EXPECT_EQ(finding.sentence, "Superheated by 1.9 K: calm it down and read again.");
    pair.temperatureReading -= 5.9;
    finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::BelowBoiling);
    EXPECT_EQ(finding.sentence, "4.0 K below boiling: bubbles here may be dissolved air, or rise at the heater only; a thermometer that "
                                "lags looks the same.");
}

TEST(SlipCheck, TheTargetTypedForTheActualIsNamed) {
    CapturePair pair = dialPair();
    pair.temperatureReading -= 4.0;
    pair.targetReading = pair.reading;
    EXPECT_EQ(checkForSlip(pair, Liquid(water())).kind, SlipKind::TargetForActual);
}

TEST(SlipCheck, WithoutARoomADialCannotBeJudged) {
    CapturePair pair = dialPair();
    pair.room.reset();
    pair.reading.first = 0.56;
    EXPECT_EQ(checkForSlip(pair, Liquid(water())).kind, SlipKind::None);
}

} // namespace
} // namespace uttrin
