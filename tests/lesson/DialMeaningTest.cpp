#include "lesson/lookups/DialMeaning.h"

#include "lesson/lookups/AltitudeView.h"
#include "lesson/views/RoomViews.h"
#include "physics/Cooking.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

class DialMeaningTest : public testing::DrivenLesson {
protected:
    std::string value(const DialMeaning& m, const char* caption) {
        for (const auto& line : m.lines)
            if (line.caption == caption) return plain(line.value);
        return "(missing)";
    }
};

TEST_F(DialMeaningTest, AnExponentIsNoSecondArm) {
    enterRoom();
    const auto text = readDialText("-1e-3 bar", s->plan().rig.gauge);
    ASSERT_TRUE(text) << text.error().message;
    EXPECT_FALSE(text->reading.second);
    EXPECT_DOUBLE_EQ(text->reading.first, -1e-3);
    EXPECT_TRUE(readDialText("46 cm-21 cm", s->plan().rig.gauge)->reading.second);
}

TEST_F(DialMeaningTest, APastedGaugePressureIsExplained) {
    enterRoom();
    s->layOver("acetone", true);
    const auto text = readDialText("\u22120.62 bar", s->plan().rig.gauge);
    ASSERT_TRUE(text);
    EXPECT_FALSE(text->ambiguous);
    const auto m = dialMeaning(*s, text->instrument, text->reading);
    ASSERT_TRUE(m);
    EXPECT_NEAR(m->absolute->pascal(), 94310.0 - 62000.0, 1e-6);
    EXPECT_NE(value(*m, "water").find("boils at 70.8 ± 0.5"), std::string::npos)
        << value(*m, "water"); // 70.8 degC at 32.31 kPa; 0.6 kPa of the digit written
    EXPECT_NE(value(*m, "acetone").find("boils at 26"), std::string::npos) << value(*m, "acetone");
    EXPECT_NE(value(*m, "gauge").find("below the room"), std::string::npos);
    EXPECT_NE(value(*m, "a room at").find("m, on a standard day"), std::string::npos);
}

TEST_F(DialMeaningTest, TwoArmsAreSubtractedAndNobodyElseDoes) {
    enterRoom();
    const auto text = readDialText("46 cm \u2212 21 cm", s->plan().rig.gauge);
    ASSERT_TRUE(text);
    EXPECT_EQ(text->instrument.convention, PressureConvention::TwoArm);
    EXPECT_EQ(text->reading, (GaugeReading{46.0, 21.0}));
    // 25 cm of mercury at 20 degC: 33.22 kPa below the room.
    EXPECT_NEAR(dialMeaning(*s, text->instrument, text->reading)->absolute->pascal(),
                94310.0 - 0.25 * 13545.86 * 9.80665, 2.0);
    EXPECT_EQ(readDialText("46 - 21 cm", s->plan().rig.gauge)->reading, text->reading);
    EXPECT_EQ(readDialText("460 mm | 210 mm", s->plan().rig.gauge)->instrument.unit, "mm");
}

TEST_F(DialMeaningTest, APositivePressureIsNeverGuessed) {
    enterRoom();
    const auto& gauge = s->plan().rig.gauge;
    EXPECT_TRUE(readDialText("0.62 bar", gauge)->ambiguous);
    const auto depth = readDialText("0.62 bar", gauge, CountsFrom::Depth),
               absolute = readDialText("0.62 bar", gauge, CountsFrom::Absolute);
    EXPECT_FALSE(depth->ambiguous);
    EXPECT_NEAR(dialMeaning(*s, depth->instrument, depth->reading)->absolute->pascal(), 32310.0, 1e-6);
    EXPECT_NEAR(dialMeaning(*s, absolute->instrument, absolute->reading)->absolute->pascal(), 62000.0, 1e-6);
    // A bare number counts as the rig's own gauge does.
    EXPECT_FALSE(readDialText("-0.62", gauge)->ambiguous);
    EXPECT_EQ(readDialText("-0.62", gauge)->instrument.unit, gauge.unit);
}

// 200 Pa: over ice -13 °C has 198.5 Pa and -12 °C 217.3; over water that has not frozen -15 °C has 191.4 Pa
// and -14 °C 207.8 (Smithsonian Meteorological Tables).
TEST_F(DialMeaningTest, BelowFreezingIceAndSupercooledWaterAreToldApart) {
    enterRoom(702.0);
    const auto text = readDialText("200 Pa", s->plan().rig.gauge, CountsFrom::Absolute);
    ASSERT_TRUE(text) << text.error().message;
    const auto m = dialMeaning(*s, text->instrument, text->reading);
    ASSERT_TRUE(m);
    const auto ice = std::ranges::find_if(m->lines, [](const auto& l) { return l.caption == "water"; });
    ASSERT_NE(ice, m->lines.end());
    EXPECT_NE(plain(ice->value).find("solid, sublimes at \u221212.9"), std::string::npos) << ice->value;
    ASSERT_NE(ice + 1, m->lines.end());
    EXPECT_NE(plain((ice + 1)->value).find("supercooled liquid, boils at \u221214."), std::string::npos)
        << (ice + 1)->value;
}

TEST_F(DialMeaningTest, WithoutARoomAGaugeReadingStaysUnreferenced) {
    const auto text = readDialText("-0.62 bar", s->plan().rig.gauge);
    const auto m = dialMeaning(*s, text->instrument, text->reading);
    ASSERT_FALSE(m);
    EXPECT_EQ(m.error().kind, Failure::Unreferenced);
    const auto absolute = readDialText("20 kPa", s->plan().rig.gauge, CountsFrom::Absolute);
    EXPECT_NE(value(*dialMeaning(*s, absolute->instrument, absolute->reading), "gauge").find("unreferenced"),
              std::string::npos);
    EXPECT_FALSE(dialForBoiling(*s, Temperature::fromCelsius(60.0)));
}

TEST_F(DialMeaningTest, BackwardsItSaysWhatTheDialWillShow) {
    enterRoom();
    // Water boils at 60 degC at 19.95 kPa; -74.4 kPa in this room, a bar dial with divisions of 0.02 shows
    // -0.74.
    EXPECT_EQ(*dialForBoilingText(*s, Temperature::fromCelsius(60.0)),
              "water boils at 60.0 °C at 19.9 kPa absolute: the vacuum gauge shows \u22120.74 bar.");
    EXPECT_FALSE(dialForBoiling(*s, Temperature::fromCelsius(500.0)));
}

TEST_F(DialMeaningTest, NonsenseIsNamed) {
    enterRoom();
    for (const char* text : {"", "hello", "0.62 furlong", "46 cm - hello", "-2 bar"}) {
        SCOPED_TRACE(text);
        const auto read = readDialText(text, s->plan().rig.gauge);
        if (!read) {
            EXPECT_FALSE(read.error().message.empty());
            continue;
        }
        const auto m = dialMeaning(*s, read->instrument, read->reading);
        ASSERT_FALSE(m);
        EXPECT_NE(plain(m.error().message).find("below a perfect vacuum"), std::string::npos);
    }
}

TEST_F(DialMeaningTest, SourcesThatDisagreeAreSaid) {
    enterRoom();
    EXPECT_TRUE(roomDisagreements(*s).empty());
    RoomEntry report;
    report.method = RoomMethod::StationReport;
    report.value = 1014.0;
    report.valueU = 0.3;
    ASSERT_TRUE(s->enterRoom(report, RoomRole::Start, clock.time));
    ASSERT_EQ(roomDisagreements(*s).size(), 1U);
    EXPECT_NE(plain(roomDisagreements(*s)[0]).find("is it reduced to sea level?"), std::string::npos);
    report.method = RoomMethod::SeaLevelReport;
    report.altitudeM = 612.0;
    report.airCelsius = 12.0;
    ASSERT_TRUE(s->enterRoom(report, RoomRole::Start, clock.time));
    EXPECT_TRUE(roomDisagreements(*s).empty()); // brought to this height it agrees
}

TEST_F(DialMeaningTest, WhereWaterBoilsInTheRoomCarriesTheCurvesOwnDoubtToo) {
    // A reading without error of its own: what is left is the curve's (IAPWS: 0.025 % of pressure, k = 2; at
    // 101.325 kPa over 3.62 kPa/K a standard 0.0035 K), rounded up to what is shown, not down to nothing.
    RoomEntry exact = barometer(1013.25);
    exact.valueU = 0.0;
    const RoomPreview preview = roomPreview(*s, exact, true, std::nullopt);
    EXPECT_NE(plain(preview.under).find("99.97 ± 0.01 °C"), std::string::npos) << plain(preview.under);
}

TEST(AltitudeView, BoilingFallsAndCookingSlowsWithHeight) {
    const auto rows = altitudeRows(0.0, 5500.0, 500.0, 110e3, Pressure::fromPascal(94310.0));
    ASSERT_EQ(rows.size(), 13U);
    for (std::size_t i = 1; i < rows.size(); ++i) {
        EXPECT_LT(rows[i].celsius, rows[i - 1].celsius);
        EXPECT_GT(rows[i].relativeTime, rows[i - 1].relativeTime);
    }
    EXPECT_NEAR(rows.front().celsius, 99.97, 0.01);
    // exp(110000/8.314 (1/T - 1/373.15)) at 94.99 degC (1500 m): 1.62.
    EXPECT_NEAR(relativeCookingTime(110e3, Temperature::fromCelsius(94.99)), 1.62, 0.01);
    const auto here = std::find_if(rows.begin(), rows.end(), [](const AltitudeRow& r) { return r.here; });
    ASSERT_NE(here, rows.end());
    EXPECT_NEAR(here->celsius, 97.98, 0.01);
    EXPECT_NE(plain(altitudeAdvice(*here, Text::typed("beans"))).find("it still scalds"), std::string::npos);
}

} // namespace
} // namespace uttrin
