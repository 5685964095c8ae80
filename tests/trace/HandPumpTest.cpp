#include "trace/HandPump.h"

#include "rig/Random.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

/// A vessel of V pumped by strokes of v down towards a floor, with a leak; a reading each so many seconds.
struct Pumped {
    double volume = 1e-3, stroke = 0.12e-3, floor = 6e3, start = 93.4e3, leak = 0.0; // m3, Pa, Pa/s
    double every = 3.0; // s, from stroke to stroke
    int strokes = 14;
};

TraceChannel live(const Pumped& rig, double period, double noise, double step, std::uint64_t seed) {
    NormalNumbers normal(seed);
    TraceChannel c;
    c.step = step;
    const double ratio = rig.volume / (rig.volume + rig.stroke);
    double pascal = rig.start, next = rig.every;
    int done = 0;
    for (double at = 0.0; at < rig.every * (rig.strokes + 1); at += period) {
        if (at >= next && done < rig.strokes) {
            pascal = rig.floor + ratio * (pascal - rig.floor);
            next += rig.every;
            ++done;
        }
        c.seconds.push_back(at);
        const double shown = pascal + noise * normal.next();
        c.values.push_back(step > 0.0 ? step * std::round(shown / step) : shown);
        pascal += rig.leak * period;
    }
    return c;
}

// Boyle: each stroke leaves V / (V + v) of what is above the floor.
RC_GTEST_PROP(HandPump, FindsStrokeFloorAndLossOfAnyPump, ()) {
    Pumped rig;
    rig.volume = *rc::gen::inRange(5, 40) * 1e-4;
    rig.stroke = rig.volume * *rc::gen::inRange(8, 40) * 1e-2;
    rig.floor = *rc::gen::inRange(0, 12) * 1e3;
    rig.start = *rc::gen::inRange(70, 105) * 1e3;
    rig.leak = *rc::gen::inRange(0, 40);
    const auto found = fitStrokes(live(rig, 0.1, 2.0, 0.0, 7), rig.volume);
    RC_ASSERT(found.has_value());
    RC_ASSERT(std::abs(found->stroke - rig.stroke) < 0.03 * rig.stroke + 4.0 * found->strokeU);
    RC_ASSERT(std::abs(found->floor - rig.floor) < 900.0);
    RC_ASSERT(std::abs(found->loss - rig.leak) < 5.0 * found->lossU + 0.5);
}

TEST(HandPump, CountsStrokesThatWereTypedOneByOne) {
    TraceChannel c;
    c.step = 100.0;
    double pascal = 94'300.0;
    for (int i = 0; i <= 9; ++i) {
        c.seconds.push_back(6.0 * i);
        c.values.push_back(100.0 * std::round(pascal / 100.0));
        pascal = 8'000.0 + 0.8 * (pascal - 8'000.0);
    }
    const auto found = fitStrokes(c, 2e-3);
    ASSERT_TRUE(found) << plain(found.error().message);
    EXPECT_EQ(found->strokes, 9U);
    EXPECT_NEAR(found->ratio, 0.8, 0.003);
    EXPECT_NEAR(found->stroke, 0.5e-3, 0.02e-3); // 2 L (1 / 0.8 - 1)
    EXPECT_NEAR(found->floor, 8'000.0, 400.0);
    EXPECT_EQ(found->loss, 0.0);
}

TEST(HandPump, AStrokeThatTakesItsTimeIsOneStroke) {
    TraceChannel c;
    double pascal = 90e3, at = 0.0;
    for (int stroke = 0; stroke < 6; ++stroke) {
        for (int i = 0; i < 4; ++i, at += 0.2) { // falls over 0.6 s
            c.seconds.push_back(at);
            c.values.push_back(pascal);
            if (i < 3) pascal *= 0.94;
        }
        for (int i = 0; i < 10; ++i, at += 0.2) {
            c.seconds.push_back(at);
            c.values.push_back(pascal);
        }
    }
    const auto found = fitStrokes(c, 1e-3);
    ASSERT_TRUE(found) << plain(found.error().message);
    EXPECT_EQ(found->strokes, 6U);
    EXPECT_NEAR(found->ratio, 0.94 * 0.94 * 0.94, 1e-9);
}

TEST(HandPump, TellsTheStrokesToATargetAndWhatIsOutOfReach) {
    HandPump pump;
    pump.ratio = 0.5;
    pump.floor = 10e3;
    EXPECT_EQ(pump.strokesTo(90e3, 50e3), 1);
    EXPECT_EQ(pump.strokesTo(90e3, 30e3), 2);
    EXPECT_EQ(pump.strokesTo(90e3, 29e3), 3);
    EXPECT_EQ(pump.strokesTo(90e3, 95e3), 0);
    EXPECT_FALSE(pump.strokesTo(90e3, 10e3));
    EXPECT_FALSE(pump.strokesTo(9e3, 20e3));
}

TEST(HandPump, RefusesWhatIsNoStrokes) {
    EXPECT_EQ(fitStrokes({}, 1e-3).error().kind, Failure::TooFewPoints);
    EXPECT_EQ(fitStrokes({{0.0, 1.0, 2.0}, {9e4, 9e4, 9e4}, 0.0}, 1e-3).error().kind, Failure::TooFewPoints);
    EXPECT_EQ(fitStrokes(live({}, 0.1, 0.0, 0.0, 1), 0.0).error().kind, Failure::BadInput);
    TraceChannel motor;
    for (double at = 0.0; at < 40.0; at += 1.0) {
        motor.seconds.push_back(at);
        motor.values.push_back(2e3 + 92e3 * std::exp(-at / 8.0));
    }
    EXPECT_EQ(fitStrokes(motor, 1e-3).error().kind, Failure::BadInput) << "a motor pumps";
    // Each stroke takes more than the one before: that is no pump.
    const TraceChannel c{{0.0, 5.0, 10.0, 15.0, 20.0}, {90e3, 88e3, 82e3, 64e3, 10e3}, 0.0};
    EXPECT_FALSE(fitStrokes(c, 1e-3));
}

} // namespace
} // namespace uttrin
