#include "period/Mend.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cstdlib>
#include <random>

namespace uttrin {
namespace {

constexpr double kMinute = 60.0;

TimedAct act(double startMin, double lastMin, std::vector<Occupation> takes = {}, double shownMin = 0.0) {
    for (Occupation& o : takes) {
        o.from *= kMinute;
        o.to *= kMinute;
    }
    return {startMin * kMinute, lastMin * kMinute, shownMin * kMinute, false, std::move(takes)};
}

std::vector<TimedAct> moved(std::vector<TimedAct> acts, const Mend& mend) {
    for (std::size_t i = 0; i < acts.size(); ++i)
        acts[i].starts += kMinute * mend.minutes[i];
    return acts;
}

TEST(Period, ThePumpIsWantedByTwoOnlyWhileBothWantIt) {
    const std::vector<TimedAct> acts{act(0, 20, {{Resource::Pump, 5, 15}}),
                                     act(10, 20, {{Resource::Pump, 2, 9}})};
    const auto conflicts = conflictsOf({}, acts);
    ASSERT_EQ(conflicts.size(), 1U);
    EXPECT_EQ(conflicts[0].kind, Conflict::Wanted);
    EXPECT_EQ(conflicts[0].what, Resource::Pump);
    EXPECT_EQ(conflicts[0].acts, (std::vector<std::size_t>{0, 1}));
    EXPECT_EQ(conflicts[0].from, 12 * kMinute);
    EXPECT_EQ(conflicts[0].to, 15 * kMinute);
}

TEST(Period, WhatEndsAsTheOtherBeginsIsNoConflict) {
    EXPECT_TRUE(conflictsOf({}, std::vector{act(0, 10, {{Resource::TeachersHands, 0, 10}}),
                                            act(10, 10, {{Resource::TeachersHands, 0, 10}})})
                    .empty());
}

TEST(Period, ASecondHeaterServesTwoAndNotThree) {
    const auto heats = act(0, 10, {{Resource::Heater, 0, 10}});
    EXPECT_TRUE(conflictsOf({}, std::vector{heats, heats}).empty());
    EXPECT_EQ(conflictsOf({}, std::vector{heats, heats, heats}).size(), 1U);
    Period one;
    one.heaters = 1;
    EXPECT_EQ(conflictsOf(one, std::vector{heats, heats}).size(), 1U);
}

TEST(Period, TheIceRunsOutAtThePortionForWhichThereIsTooLittle) {
    TimedAct flask = act(0, 30), dish = act(10, 10);
    flask.ice = {{5 * kMinute, 0.06}, {20 * kMinute, 0.06}};
    dish.ice = {{1 * kMinute, 0.10}};
    Period period;
    EXPECT_TRUE(conflictsOf(period, std::vector{flask, dish}).empty()) << "nobody has said how much there is";
    period.iceKg = 0.22;
    EXPECT_TRUE(conflictsOf(period, std::vector{flask, dish}).empty()) << "just enough";
    period.iceKg = 0.20;
    const auto short1 = conflictsOf(period, std::vector{flask, dish});
    ASSERT_EQ(short1.size(), 1U);
    EXPECT_EQ(short1[0].kind, Conflict::IceRunsOut);
    EXPECT_EQ(short1[0].from, 20 * kMinute);
    EXPECT_EQ(short1[0].acts, (std::vector<std::size_t>{0}));
    period.iceKg = 0.0;
    EXPECT_EQ(conflictsOf(period, std::vector{flask, dish}).front().acts, (std::vector<std::size_t>{0, 1}));
    // Moving mends no lack of ice, and is not kept from mending the rest.
    EXPECT_TRUE(mendOf(period, std::vector{flask, dish}));
}

TEST(Period, TheFumeHoodServesOne) {
    const auto stinks = act(0, 10, {{Resource::Hood, 0, 10}});
    ASSERT_EQ(conflictsOf({}, std::vector{stinks, stinks}).size(), 1U);
    const auto mend = mendOf({}, std::vector{stinks, stinks});
    ASSERT_TRUE(mend);
    EXPECT_EQ(mend->sum(), 10);
}

TEST(Period, ItEndsAfterTheBellAndWantsTheClassBeforeIt) {
    const auto late = conflictsOf({}, std::vector{act(50, 10)});
    ASSERT_EQ(late.size(), 1U);
    EXPECT_EQ(late[0].kind, Conflict::AfterBell);
    EXPECT_EQ(late[0].to, 60 * kMinute);
    const auto early = conflictsOf({}, std::vector{act(-30, 40, {}, 20)});
    ASSERT_EQ(early.size(), 1U);
    EXPECT_EQ(early[0].kind, Conflict::BeforeClass);
    EXPECT_TRUE(conflictsOf({}, std::vector{act(-30, 40, {}, 30)}).empty());
}

TEST(Mend, TheOneThatCostsLessWaits) {
    // The second is to wait eight minutes, or to be done nine minutes earlier.
    const std::vector<TimedAct> acts{act(10, 10, {{Resource::Pump, 0, 10}}),
                                     act(12, 8, {{Resource::Pump, 0, 8}})};
    const auto mend = mendOf({}, acts);
    ASSERT_TRUE(mend);
    EXPECT_EQ(mend->sum(), 8);
    EXPECT_TRUE(conflictsOf({}, moved(acts, *mend)).empty());
}

TEST(Mend, WhatIsGoingOnStays) {
    std::vector<TimedAct> acts{act(10, 10, {{Resource::Pump, 0, 10}}), act(12, 8, {{Resource::Pump, 0, 8}})};
    acts[1].fixed = true;
    const auto mend = mendOf({}, acts);
    ASSERT_TRUE(mend);
    EXPECT_EQ(mend->minutes, (std::vector<int>{-8, 0}))
        << "done when the other begins; ten minutes later costs more";
}

TEST(Mend, NothingHelpsWhereThereIsMoreToDoThanTime) {
    const auto half = act(0, 30, {{Resource::Pump, 0, 30}});
    EXPECT_FALSE(mendOf({}, std::vector{half, half}));
    EXPECT_FALSE(mendOf({}, std::vector{act(0, 60)}));
}

TEST(Mend, ALessonWithoutConflictsStaysAsItIs) {
    EXPECT_EQ(mendOf({}, std::vector{act(0, 10), act(0, 55)})->sum(), 0);
    EXPECT_EQ(mendOf({}, std::vector<TimedAct>{})->sum(), 0);
}

/// The smallest sum by trying all shifts; -1 if none within reach mends it.
int bySearch(const Period& period, const std::vector<TimedAct>& acts, int reach) {
    Mend mend{std::vector<int>(acts.size(), -reach)};
    int best = -1;
    while (true) {
        if ((best < 0 || mend.sum() < best) && conflictsOf(period, moved(acts, mend)).empty())
            best = mend.sum();
        std::size_t i = 0;
        while (i < acts.size() && ++mend.minutes[i] > reach)
            mend.minutes[i++] = -reach;
        if (i == acts.size()) return best;
    }
}

RC_GTEST_PROP(Mend, NoOtherWayIsCheaper, ()) {
    Period period;
    period.lasts = 20 * kMinute;
    period.earliest = -4 * kMinute;
    period.heaters = *rc::gen::inRange(1, 3);
    const int count = *rc::gen::inRange(2, 4);
    std::vector<TimedAct> acts;
    for (int i = 0; i < count; ++i) {
        const int lasts = *rc::gen::inRange(2, 8), from = *rc::gen::inRange(0, lasts);
        const auto what = *rc::gen::element(Resource::Pump, Resource::Heater, Resource::TeachersHands);
        acts.push_back(act(
            *rc::gen::inRange(0, 20 - lasts + 1), lasts,
            {{what, static_cast<double>(from), static_cast<double>(*rc::gen::inRange(from + 1, lasts + 1))},
             {Resource::TeachersHands, 0, 1}}));
    }
    constexpr int kReach = 24; // all that the period leaves
    const auto mend = mendOf(period, acts);
    const int best = bySearch(period, acts, count == 2 ? kReach : 10);
    if (!mend) RC_ASSERT(best < 0);
    if (!mend || best < 0) return;
    RC_ASSERT(conflictsOf(period, moved(acts, *mend)).empty());
    RC_ASSERT(mend->sum() <= best);
    if (mend->sum() <= 10 || count == 2) RC_ASSERT(mend->sum() == best);
}

/// A lesson that fits, and its acts then pushed about.
std::vector<TimedAct> pushedAbout(std::mt19937& dice, Period& period) {
    const auto between = [&](int low, int high) { return std::uniform_int_distribution(low, high)(dice); };
    std::vector<TimedAct> acts;
    double pumpFree = 0.0, handsFree = -20.0;
    const int count = between(3, 7);
    for (int i = 0; i < count; ++i) {
        const int lasts = between(4, 12), hands = between(1, 3);
        const bool pump = between(0, 1) == 1;
        const double starts = std::max(handsFree, pump ? pumpFree : handsFree);
        std::vector<Occupation> takes{{Resource::TeachersHands, 0, static_cast<double>(hands)}};
        if (pump) takes.push_back({Resource::Pump, 0, static_cast<double>(lasts)});
        acts.push_back(act(starts, lasts, takes, -starts > 0 ? -starts : 0));
        handsFree = starts + hands;
        if (pump) pumpFree = starts + lasts;
    }
    for (const TimedAct& a : acts)
        period.lasts = std::max(period.lasts, a.ends());
    for (TimedAct& a : acts)
        a.starts += kMinute * between(-10, 10);
    return acts;
}

TEST(Mend, TwoHundredLessonsThatCanBeMendedAre) {
    std::mt19937 dice(20260424);
    int conflicting = 0;
    for (int k = 0; k < 200; ++k) {
        Period period;
        const auto acts = pushedAbout(dice, period);
        conflicting += !conflictsOf(period, acts).empty();
        const auto mend = mendOf(period, acts);
        ASSERT_TRUE(mend) << "lesson " << k;
        EXPECT_TRUE(conflictsOf(period, moved(acts, *mend)).empty()) << "lesson " << k;
    }
    EXPECT_GT(conflicting, 150);
}

} // namespace
} // namespace uttrin
