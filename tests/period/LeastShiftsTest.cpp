#include "period/LeastShifts.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cstdlib>

namespace uttrin {
namespace {

bool keeps(const std::vector<int>& d, const std::vector<ShiftBound>& bounds) {
    const auto at = [&](int i) { return i < 0 ? 0 : d[static_cast<std::size_t>(i)]; };
    for (const ShiftBound& b : bounds)
        if (at(b.later) - at(b.earlier) < b.by) return false;
    return true;
}

int sumOf(const std::vector<int>& d) {
    int sum = 0;
    for (const int by : d)
        sum += std::abs(by);
    return sum;
}

/// The smallest sum by trying all; -1 if nothing within reach keeps the bounds.
int bySearch(int count, const std::vector<ShiftBound>& bounds, int reach) {
    std::vector<int> d(static_cast<std::size_t>(count), -reach);
    int best = -1;
    while (true) {
        if (keeps(d, bounds) && (best < 0 || sumOf(d) < best)) best = sumOf(d);
        std::size_t i = 0;
        while (i < d.size() && ++d[i] > reach)
            d[i++] = -reach;
        if (i == d.size()) return best;
    }
}

TEST(LeastShifts, NothingMovesWithoutNeed) {
    EXPECT_EQ(leastShifts(3, {}), std::vector<int>(3, 0));
    EXPECT_EQ(leastShifts(2, {{0, 1, -5}}), std::vector<int>(2, 0));
    EXPECT_EQ(leastShifts(0, {}), std::vector<int>());
}

TEST(LeastShifts, OneThatMustBeLaterIs) { EXPECT_EQ(leastShifts(1, {{-1, 0, 4}}), std::vector<int>{4}); }

// Two that are four apart too little share it in any way; the third follows the second.
TEST(LeastShifts, TheSumIsTheSmallest) {
    const std::vector<ShiftBound> bounds{{0, 1, 4}, {1, 2, 0}, {-1, 0, 0}};
    const auto d = leastShifts(3, bounds);
    ASSERT_TRUE(d);
    EXPECT_TRUE(keeps(*d, bounds));
    EXPECT_EQ(sumOf(*d), 8); // the first may not go back
}

TEST(LeastShifts, WhatCannotBeIsSaidToBeSo) {
    EXPECT_FALSE(leastShifts(2, {{0, 1, 1}, {1, 0, 1}}));
    EXPECT_FALSE(leastShifts(1, {{-1, 0, 3}, {0, -1, -2}}));
}

RC_GTEST_PROP(LeastShifts, AsGoodAsTryingAll, ()) {
    constexpr int kReach = 7;
    const int count = *rc::gen::inRange(1, 5);
    std::vector<ShiftBound> bounds;
    for (int i = 0; i < count; ++i) { // so that trying all within reach tries all
        bounds.push_back({-1, i, -kReach});
        bounds.push_back({i, -1, -kReach});
    }
    const int more = *rc::gen::inRange(0, 7);
    for (int k = 0; k < more; ++k) {
        const int a = *rc::gen::inRange(-1, count), b = *rc::gen::inRange(-1, count);
        if (a != b) bounds.push_back({a, b, *rc::gen::inRange(-6, 7)});
    }
    const auto d = leastShifts(count, bounds);
    const int best = bySearch(count, bounds, kReach);
    RC_ASSERT(d.has_value() == (best >= 0));
    if (!d) return;
    RC_ASSERT(keeps(*d, bounds));
    RC_ASSERT(sumOf(*d) == best);
}

} // namespace
} // namespace uttrin
