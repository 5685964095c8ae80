#include "lesson/lookups/SolutionViews.h"

#include "physics/Constants.h"
#include "substances/SubstanceLibrary.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using ::testing::HasSubstr;

const Pressure kSeaLevel = Pressure::fromPascal(kStandardAtmospherePascal);
const Pressure kHere = Pressure::fromPascal(94310.0);

SolutionChart chart(SolutionTopic topic, Pressure room, double percent) {
    auto c = solutionChart(topic, room, percent);
    EXPECT_TRUE(c) << (c ? "" : plain(c.error().message));
    return c ? *c : SolutionChart{};
}

const SolutionChart::Mark& chosen(const SolutionChart& c) {
    return *std::find_if(c.marks.begin(), c.marks.end(), [](const auto& m) { return m.chosen; });
}

TEST(SolutionViews, TheSaltBathEndsAtTheEutectic) {
    const auto c = chart(SolutionTopic::SaltBath, kSeaLevel, 10.0);
    EXPECT_NEAR(c.curves[0].points.back().second, -21.1, 0.05);
    EXPECT_NEAR(c.curves[0].points.front().second, 0.0, 1e-9);
    EXPECT_TRUE(std::is_sorted(c.curves[0].points.rbegin(), c.curves[0].points.rend(),
                               [](auto a, auto b) { return a.second < b.second; }));
    EXPECT_NEAR(chosen(c).y, -6.56, 0.1); // CRC Handbook, 10 % by mass
    EXPECT_THAT(c.answer, HasSubstr("11.1 g for 100 g"));
    EXPECT_THAT(c.advice, HasSubstr("gloves"));
}

TEST(SolutionViews, WhatLiesOutsideSaysHowFarItGoes) {
    const auto tooMuch = solutionChart(SolutionTopic::SaltBath, kSeaLevel, 30.0);
    ASSERT_FALSE(tooMuch);
    EXPECT_EQ(tooMuch.error().kind, Failure::OutOfRange);
    EXPECT_THAT(tooMuch.error().message, HasSubstr("23.3"));
    EXPECT_FALSE(solutionChart(SolutionTopic::Syrup, kSeaLevel, 99.9));
    EXPECT_FALSE(solutionChart(SolutionTopic::EthanolWater, kSeaLevel, 101.0));
    EXPECT_FALSE(solutionChart(SolutionTopic::Syrup, kSeaLevel, -1.0));
}

TEST(SolutionViews, AtSeaLevelEachStageOfSyrupIsWhereTheBooksPutIt) {
    for (const auto& row : chart(SolutionTopic::Syrup, kSeaLevel, 80.0).rows)
        EXPECT_EQ(plain(row[1]).substr(0, 3), plain(row[2]).substr(0, 3)) << row[0];
}

TEST(SolutionViews, InAHighRoomEachStageComesAtALowerTemperature) {
    const auto c = chart(SolutionTopic::Syrup, kHere, 80.0);
    const double water94 = water().boilingPoint(kHere)->celsius(), fall = 100.0 - water94;
    for (const auto& row : c.rows)
        EXPECT_NEAR(std::stod(plain(row[1])) - std::stod(plain(row[2])), fall, 1.6) << row[0];
    EXPECT_LT(c.curves[0].points[40].second, c.curves[1].points[40].second);
    EXPECT_THAT(c.advice, HasSubstr("lower than at sea level"));
}

TEST(SolutionViews, MixturesShowBubbleBelowDewAndEthanolsAzeotrope) {
    const auto c = chart(SolutionTopic::EthanolWater, kSeaLevel, 40.0);
    const auto& bubble = c.curves[0].points;
    const auto& dew = c.curves[1].points;
    ASSERT_EQ(bubble.size(), dew.size());
    for (std::size_t i = 0; i < bubble.size(); ++i)
        EXPECT_LE(bubble[i].second, dew[i].second + 1e-6) << bubble[i].first;
    const auto& azeotrope = c.marks.front();
    EXPECT_NEAR(azeotrope.x, 95.6, 0.6); // % by mass, CRC Handbook
    EXPECT_NEAR(azeotrope.y, 78.2, 0.2);
    EXPECT_NEAR(chosen(c).y, 83.1, 0.5); // printed distillation tables, 40 % by mass
    for (const auto topic : {SolutionTopic::MethanolWater, SolutionTopic::AcetoneWater})
        EXPECT_EQ(chart(topic, kHere, 40.0).rows.size(), 11U);
}

} // namespace
} // namespace uttrin
