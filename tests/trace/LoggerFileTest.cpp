#include "trace/LoggerFile.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>

namespace uttrin {
namespace {

LoggerTrace readAny(const std::string& text, std::optional<double> room = {}) {
    const auto layout = guessLayout(text);
    EXPECT_TRUE(layout) << plain(layout.error().message);
    if (!layout) return {};
    auto read = readLogger(text, *layout, room);
    EXPECT_TRUE(read) << plain(read.error().message);
    return read ? *read : LoggerTrace();
}

TEST(LoggerFile, DecimalCommasBetweenSemicolons) {
    const auto t = readAny("Time (s);Temperature (°C)\r\n0,0;20,5\r\n0,5;20,75\r\n1,0;21,00\r\n");
    ASSERT_EQ(t.trace.kelvin.size(), 3U);
    EXPECT_DOUBLE_EQ(t.trace.kelvin.seconds[1], 0.5);
    EXPECT_NEAR(t.trace.kelvin.values[1], 293.9, 1e-9);
    EXPECT_NEAR(t.trace.kelvin.step, 0.01, 1e-9) << "as many decimals as any figure has";
    EXPECT_EQ(t.unread, 0U);
}

TEST(LoggerFile, AClockOverMidnightTabsAndBrackets) {
    const auto t = readAny(
        "run of the evening\n\nClock\tp [kPa]\tprobe [°F]\n23:59:58\t94.31\t68\n23:59:59.5\t94.30\t68\n"
        "00:00:01\t94.2\t212\nend of file\n");
    ASSERT_EQ(t.trace.pascal.size(), 3U);
    EXPECT_DOUBLE_EQ(t.trace.pascal.seconds[0], 0.0);
    EXPECT_NEAR(t.trace.pascal.seconds[1], 1.5, 1e-9);
    EXPECT_NEAR(t.trace.pascal.seconds[2], 3.0, 1e-9);
    EXPECT_NEAR(t.trace.pascal.values[2], 94200.0, 1e-9);
    EXPECT_NEAR(t.trace.kelvin.values[2], 373.15, 1e-9);
    EXPECT_EQ(t.unread, 1U);
}

TEST(LoggerFile, DatesOfBothKindsAndALineOfUnits) {
    for (const char* first : {"28.11.2026 23:59:59", "2026-11-28 23:59:59", "28/11/2026 23:59:59",
                              "11/28/2026 23:59:59", "2026-11-28T23:59:59"}) {
        const std::string day(first);
        std::string next = day;
        next.replace(next.find("28"), 2, "29").replace(next.size() - 8, 8, "00:00:00");
        const auto t = readAny("when;t1;p1\n;°C;mbar\n" + day + ";20,5;943,1\n" + next + ";20,6;943,0\n");
        ASSERT_EQ(t.trace.pascal.size(), 2U) << day;
        EXPECT_NEAR(t.trace.pascal.seconds[1], 1.0, 1e-6) << day;
        EXPECT_NEAR(t.trace.pascal.values[0], 94310.0, 1e-6);
        EXPECT_NEAR(t.trace.kelvin.values[1], 293.75, 1e-9);
    }
}

TEST(LoggerFile, AGaugePressureNeedsTheRoom) {
    const std::string text = "time_s,gauge_kPa\n0,-70.0\n1,-69.5\n";
    const auto layout = guessLayout(text);
    ASSERT_TRUE(layout);
    EXPECT_EQ(layout->columns[1].meaning, LoggerMeaning::GaugePressure);
    const auto without = readLogger(text, *layout, {});
    ASSERT_FALSE(without);
    EXPECT_EQ(without.error().kind, Failure::Unreferenced);
    EXPECT_NEAR(readLogger(text, *layout, 94310.0)->trace.pascal.values[1], 24810.0, 1e-6);
}

TEST(LoggerFile, WhatIsNoLogOfReadingsIsRefused) {
    for (const char* text : {"", "hello\nworld\n", "a;b\nc;d\n", "1\n2\n3\n"})
        EXPECT_FALSE(guessLayout(text)) << text;
    // Figures whose meaning nobody says.
    const std::string text = "1;2\n3;4\n";
    const auto layout = guessLayout(text);
    ASSERT_TRUE(layout);
    EXPECT_FALSE(readLogger(text, *layout, {}));
    LoggerLayout said = *layout; // a person says it
    said.columns[0].meaning = LoggerMeaning::Elapsed;
    said.columns[0].unit = &unit("min");
    said.columns[1].meaning = LoggerMeaning::Temperature;
    said.columns[1].unit = &unit("degC");
    const auto read = readLogger(text, said, {});
    ASSERT_TRUE(read);
    EXPECT_EQ(read->trace.kelvin.seconds[1], 120.0);
}

// However a logger lays it out, the same readings come back.
RC_GTEST_PROP(LoggerFile, TheLayoutDoesNotMatter, ()) {
    const char separator = *rc::gen::element(';', '\t', ',');
    const bool comma = separator != ',' && *rc::gen::arbitrary<bool>();
    const auto headers = *rc::gen::inRange(0, 4);
    std::string text;
    for (int i = 0; i < headers; ++i)
        text += "a line of words\n";
    text += std::string("Elapsed (s)") + separator + "Liquid (°C)" + separator + "p abs (hPa)\n";
    const auto count = *rc::gen::inRange(1, 60);
    std::vector<double> celsius, hPa;
    for (int i = 0; i < count; ++i) {
        celsius.push_back(*rc::gen::inRange(-2000, 15000) / 100.0);
        hPa.push_back(*rc::gen::inRange(1, 110'000) / 100.0);
        std::array<char, 80> line{};
        std::snprintf(line.data(), line.size(), "%.1f%c%.2f%c%.2f\n", 0.5 * i, separator, celsius.back(),
                      separator, hPa.back());
        std::string written = line.data();
        if (comma) std::ranges::replace(written, '.', ',');
        text += written;
    }
    const auto layout = guessLayout(text);
    RC_ASSERT(layout);
    const auto read = readLogger(text, *layout, {});
    RC_ASSERT(read);
    RC_ASSERT(read->trace.kelvin.size() == celsius.size());
    for (std::size_t i = 0; i < celsius.size(); ++i) {
        RC_ASSERT(std::abs(read->trace.kelvin.values[i] - 273.15 - celsius[i]) < 1e-6);
        RC_ASSERT(std::abs(read->trace.pascal.values[i] - 100.0 * hPa[i]) < 1e-6);
        RC_ASSERT(std::abs(read->trace.kelvin.seconds[i] - 0.5 * static_cast<double>(i)) < 1e-9);
    }
}

RC_GTEST_PROP(LoggerFile, NoTextBreaksIt, (const std::string& text)) {
    if (const auto layout = guessLayout(text)) (void)readLogger(text, *layout, 94310.0);
}

} // namespace
} // namespace uttrin
