#include "lesson/model/Clock.h"

#include <gtest/gtest.h>

#include <cstdlib>

namespace uttrin {
namespace {

constexpr Milliseconds kMorning = 1776932460000; // 2026-04-23 08:21:00 UTC

TEST(Clock, TimesAreWrittenInThePlacesOwnTime) {
    EXPECT_EQ(clockText(kMorning, 120), "10:21");
    EXPECT_EQ(clockText(kMorning, -300), "03:21");
    EXPECT_EQ(clockTextWithSeconds(kMorning + 7000, 0), "08:21:07");
    EXPECT_EQ(isoText(kMorning, 120), "2026-04-23T10:21:00+02:00");
    EXPECT_EQ(isoText(kMorning, -210), "2026-04-23T04:51:00-03:30");
}

TEST(Clock, TheSystemsClockMovesForward) {
    const SystemClock clock;
    const auto first = clock.now();
    EXPECT_GE(clock.now(), first);
    EXPECT_GT(first, kMorning - 10LL * 365 * 24 * 3600 * 1000);
    EXPECT_LT(std::abs(clock.setBy()), 1000); // nobody sets it meanwhile
}

} // namespace
} // namespace uttrin
