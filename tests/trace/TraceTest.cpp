#include "rig/Random.h"
#include "substances/SubstanceLibrary.h"
#include "trace/LeakTest.h"
#include "trace/PumpDown.h"
#include "trace/Steady.h"
#include "trace/TraceCsv.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <functional>

namespace uttrin {
namespace {

/// A channel read at a rate, with noise, in steps.
TraceChannel read(double lasts, double every, const std::function<double(double)>& truth, double noise,
                  std::uint64_t seed, double step = 0.0) {
    NormalNumbers normal(seed);
    TraceChannel c;
    c.step = step;
    for (double at = 0.0; at <= lasts; at += every) {
        c.seconds.push_back(at);
        const double value = truth(at) + noise * normal.next();
        c.values.push_back(step > 0.0 ? step * std::round(value / step) : value);
    }
    return c;
}

TEST(TraceChannel, IsStraightBetweenReadingsAndNothingOutside) {
    const TraceChannel c{{0.0, 2.0, 5.0}, {10.0, 20.0, 50.0}, 1.0};
    EXPECT_DOUBLE_EQ(*c.at(0.0), 10.0);
    EXPECT_DOUBLE_EQ(*c.at(1.0), 15.0);
    EXPECT_DOUBLE_EQ(*c.at(5.0), 50.0);
    EXPECT_FALSE(c.at(-0.1));
    EXPECT_FALSE(c.at(5.1));
    EXPECT_EQ(c.between(2.0, 5.0).size(), 2U);
    EXPECT_TRUE(c.between(2.1, 4.9).empty());
    EXPECT_TRUE(c.between(4.0, 1.0).empty());
    EXPECT_FALSE(TraceChannel().at(0.0));
}

TEST(TraceCsv, ReadsUnitsFromNamesCommasAndEmptyCells) {
    const auto t = readTraceCsv(
        "# a logger\ntime_min;absolute_hPa;temperature_degC\n0;200,5;\n0,5;201,25;60,1\n1;;60,2\n");
    ASSERT_TRUE(t) << plain(t.error().message);
    ASSERT_EQ(t->pascal.size(), 2U);
    EXPECT_DOUBLE_EQ(t->pascal.values[1], 20125.0);
    EXPECT_NEAR(t->pascal.step, 1.0, 1e-9);
    ASSERT_EQ(t->kelvin.size(), 2U);
    EXPECT_DOUBLE_EQ(t->kelvin.seconds[1], 60.0);
    EXPECT_NEAR(t->kelvin.values[0], 333.25, 1e-9);
    EXPECT_NEAR(t->kelvin.step, 0.1, 1e-9);
}

TEST(TraceCsv, SaysWhichLineCannotBeRead) {
    const auto why = [](const char* text) {
        const auto t = readTraceCsv(text);
        return t ? std::string() : plain(t.error().message);
    };
    EXPECT_NE(why("time_s,absolute_kPa\n0,1\n0,2\n").find("line 3"), std::string::npos);
    EXPECT_NE(why("time_s,absolute_kPa\n0,1\n1,deep\n").find("line 3"), std::string::npos);
    EXPECT_NE(why("time_s,absolute_kPa\n,1\n").find("line 2"), std::string::npos);
    EXPECT_NE(why("absolute_kPa\n1\n").find("time_s"), std::string::npos);
    EXPECT_NE(why("time_s,depth_m\n0,1\n").find("absolute_kPa"), std::string::npos);
    EXPECT_NE(why("time_s,absolute_furlong\n0,1\n").find("furlong"), std::string::npos);
    EXPECT_FALSE(why("").empty());
}

TEST(Settled, CountsReadingsByWhatTheyTellAnewAndNotBelowTheStep) {
    NormalNumbers normal(3);
    std::vector<double> seconds, alone, following;
    double last = 0.0;
    constexpr double kKeeps = 0.8; // of an autoregressive series: (1 + 0.8) / (1 - 0.8) = 9 count as one
    for (int i = 0; i < 20000; ++i) {
        seconds.push_back(0.1 * i);
        alone.push_back(normal.next());
        last = kKeeps * last + std::sqrt(1.0 - kKeeps * kKeeps) * normal.next();
        following.push_back(last);
    }
    EXPECT_NEAR(settled(seconds, alone, 0.0).correlation, 1.0, 0.15);
    EXPECT_NEAR(settled(seconds, following, 0.0).correlation, 9.0, 1.5);
    EXPECT_NEAR(settled(seconds, alone, 0.0).u, 1.0 / std::sqrt(20000.0), 0.001);
    const std::vector<double> still(50, 42.0), ticks(seconds.begin(), seconds.begin() + 50);
    EXPECT_DOUBLE_EQ(settled(ticks, still, 0.1).u, 0.1 / std::sqrt(12.0));
    EXPECT_NEAR(settled(ticks, still, 0.1).mean, 42.0, 1e-12);
    EXPECT_NEAR(settled(ticks, still, 0.0).slope, 0.0, 1e-12);
}

RC_GTEST_PROP(Settled, MovesWithItsReadings, ()) {
    const auto count = *rc::gen::inRange<std::size_t>(3, 60);
    const auto by = *rc::gen::inRange(-1000, 1000);
    std::vector<double> seconds, values, moved;
    for (std::size_t i = 0; i < count; ++i) {
        seconds.push_back(static_cast<double>(i));
        values.push_back(*rc::gen::inRange(-50, 50));
        moved.push_back(values.back() + by + 2.0 * static_cast<double>(i));
    }
    const Settled a = settled(seconds, values, 0.5), b = settled(seconds, moved, 0.5);
    RC_ASSERT(std::abs(b.mean - a.mean - by - static_cast<double>(count - 1)) < 1e-6);
    RC_ASSERT(std::abs(b.slope - a.slope - 2.0) < 1e-6);
    RC_ASSERT(std::abs(b.spread - a.spread) < 1e-6);
    RC_ASSERT(a.u >= 0.5 / std::sqrt(12.0));
}

/// Water at 60 °C that warms until it settles, and its pressure with it.
Trace settling(std::uint64_t seed, double noiseKelvin) {
    const auto kelvin = [](double at) { return 333.15 - 4.0 * std::exp(-at / 15.0); };
    Trace t;
    t.kelvin = read(120.0, 0.5, kelvin, noiseKelvin, seed, 0.01);
    t.pascal = read(
        120.0, 0.5,
        [&](double at) { return water().vapourPressure(Temperature::fromKelvin(kelvin(at)))->pascal(); },
        10.0, seed + 1000, 1.0);
    return t;
}

TEST(Steady, BeginsWhenTheDriftIsBelowTheToleranceAndGivesTheMean) {
    const auto stretches = steadyStretches(settling(1, 0.01), water(), {0.1, 10.0});
    ASSERT_EQ(stretches.size(), 1U);
    const SteadyStretch& s = stretches.front();
    // 4 K e^(-t/15)/15 K/s falls below 0.01 K/s at 49 s.
    EXPECT_GT(s.from, 35.0);
    EXPECT_LT(s.from, 65.0);
    EXPECT_DOUBLE_EQ(s.to, 120.0);
    ASSERT_TRUE(s.kelvin && s.pascal);
    EXPECT_NEAR(s.kelvin->mean, 333.14, 0.1);
    EXPECT_NEAR(s.pascal->mean, 19946.0, 60.0); // steam tables: 19.95 kPa at 60 °C
    EXPECT_TRUE(steadyStretches(settling(1, 0.01), water(), {1e-5, 10.0}).empty());
    EXPECT_TRUE(steadyStretches({}, water(), {}).empty());
    Trace one; // a thermometer by itself
    one.kelvin = settling(1, 0.01).kelvin;
    EXPECT_EQ(steadyStretches(one, water(), {0.1, 10.0}).size(), 1U);
}

// The verdict over a thousand windows each: one that drifts more than the tolerance is hardly ever called
// steady, one that does not drift nearly always.
TEST(Steady, HardlyEverPraisesWhatDriftsAndHardlyEverDoubtsWhatStands) {
    constexpr int kMany = 1000;
    int praised = 0, doubted = 0;
    for (int i = 0; i < kMany; ++i) {
        for (const double drift : {0.0105, 0.0}) {
            Trace t;
            t.kelvin = read(
                10.0, 0.1, [&](double at) { return 340.0 + drift * at; }, 0.02, static_cast<std::uint64_t>(i),
                0.01);
            const bool steady = !steadyStretches(t, water(), {0.1, 10.0}).empty();
            praised += drift > 0.0 && steady;
            doubted += drift == 0.0 && !steady;
        }
    }
    EXPECT_LT(praised, 0.02 * kMany);
    EXPECT_LT(doubted, 0.05 * kMany);
}

TestedVessel litre() { return {1e-3, 94000.0, {}}; }

TEST(LeakTest, ALeakIsAsGreatAsItIsWithinATenth) {
    int far = 0, tests = 0;
    for (std::uint64_t seed = 0; seed < 60; ++seed) {
        const double leak = 0.5 + 0.2 * static_cast<double>(seed % 20);
        const auto p = read(
            120.0, 0.5, [&](double at) { return 2000.0 + leak * at; }, 5.0, seed, 1.0);
        const LeakTest t = *testForLeak(p, litre());
        if (t.rise < 20.0 * t.riseU) continue;
        ++tests;
        far += std::abs(t.rise / leak - 1.0) > 0.1;
        EXPECT_NEAR(t.leak, t.rise * 1e-3, 1e-12);
    }
    EXPECT_GT(tests, 40);
    EXPECT_EQ(far, 0);
}

// Dry, with liquid, leaking or not: what is told is what it is in 97 of a hundred.
TEST(LeakTest, TellsTheKindInNearlyAllOfThreeHundred) {
    int right = 0, odds = 0, tests = 0;
    for (std::uint64_t seed = 0; seed < 75; ++seed) {
        NormalNumbers normal(7000 + seed);
        const auto between = [&](double low, double high) {
            return low + (high - low) * (0.5 + 0.5 * std::tanh(normal.next()));
        };
        const double leak = between(1.0, 12.0), fades = between(150.0, 900.0), tau = between(8.0, 35.0);
        for (const RiseKind kind : {RiseKind::Tight, RiseKind::Leak, RiseKind::Vapour, RiseKind::Both}) {
            const bool leaks = kind == RiseKind::Leak || kind == RiseKind::Both;
            const bool fading = kind == RiseKind::Vapour || kind == RiseKind::Both;
            const auto p = read(
                180.0, 0.5,
                [&](double at) {
                    return 1500.0 + (leaks ? leak * at : 0.0) - (fading ? fades * std::exp(-at / tau) : 0.0);
                },
                6.0, 100 * seed + static_cast<std::uint64_t>(kind), 1.0);
            const LeakTest t = *testForLeak(p, litre());
            ++tests;
            right += t.kind == kind;
            odds += leaks == (t.oddsLeak > 1.0);
        }
    }
    EXPECT_EQ(tests, 300);
    EXPECT_GE(right, 291);
    EXPECT_GE(odds, 291);
}

TEST(LeakTest, WhatEndsAtTheSaturationPressureOfWaterThatWarmsIsVapour) {
    const auto kelvin = [](double at) { return 293.15 + 0.01 * at; }; // it takes back its heat
    const auto saturated = [&](double at) {
        return water().vapourPressure(Temperature::fromKelvin(kelvin(at)))->pascal();
    };
    TestedVessel wet = litre();
    wet.saturation = saturated;
    const auto p = read(
        180.0, 0.5, [&](double at) { return 120.0 + saturated(at) - 900.0 * std::exp(-at / 12.0); }, 5.0, 4,
        1.0);
    const LeakTest vapour = *testForLeak(p, wet);
    EXPECT_EQ(vapour.kind, RiseKind::Vapour);
    EXPECT_NEAR(vapour.start, 120.0, 5.0) << "the air that is left";
    EXPECT_NEAR(vapour.fadesIn, 12.0, 1.0);
    // Taken for dry, the water that warms would pass for a leak.
    EXPECT_TRUE(testForLeak(p, litre())->kind == RiseKind::Both);
    auto leaking = p;
    for (std::size_t i = 0; i < leaking.size(); ++i)
        leaking.values[i] += 3.0 * leaking.seconds[i];
    const LeakTest both = *testForLeak(leaking, wet);
    EXPECT_EQ(both.kind, RiseKind::Both);
    EXPECT_NEAR(both.rise, 3.0, 0.1);
}

TEST(LeakTest, LeavesOutWhatIsNoLongerStraightAndRefusesWhatSaysNothing) {
    // Above half of the room's pressure the leak slows down.
    const auto p = read(
        600.0, 1.0,
        [](double at) { return at < 425.0 ? 5000.0 + 100.0 * at : 47500.0 + 40.0 * (at - 425.0); }, 5.0, 8,
        1.0);
    const LeakTest t = *testForLeak(p, litre());
    EXPECT_NEAR(t.rise, 100.0, 0.5);
    EXPECT_LE(t.used, 421U);
    EXPECT_FALSE(testForLeak(p.between(0.0, 5.0), litre()));
    EXPECT_FALSE(testForLeak(p.between(590.0, 600.0), litre()));
    EXPECT_FALSE(testForLeak(p, {0.0, {}, {}}));
    EXPECT_FALSE(testForLeak({}, litre()));
}

TEST(LeakTest, IsToldInKelvinForEachPoint) {
    // Steam tables: dp/dT is 0.65 kPa/K at 12 kPa and 2.0 kPa/K at 50 kPa.
    EXPECT_NEAR(*kelvinPerCapture(water(), Pressure::fromPascal(12000.0), 10.0, 30.0, {}), 0.5, 0.05);
    EXPECT_NEAR(*kelvinPerCapture(water(), Pressure::fromPascal(50000.0), 10.0, 30.0, {}), 0.15, 0.01);
    // Near the room's pressure nothing flows in any more.
    const auto at = [](double share) {
        return *kelvinPerCapture(water(), Pressure::fromPascal(94000.0 * share), 10.0, 30.0, 94000.0);
    };
    EXPECT_DOUBLE_EQ(at(0.4), *kelvinPerCapture(water(), Pressure::fromPascal(37600.0), 10.0, 30.0, {}));
    EXPECT_GT(at(0.7), at(0.95));
    EXPECT_EQ(at(1.0), 0.0);
    EXPECT_FALSE(kelvinPerCapture(water(), Pressure::fromPascal(-1.0), 10.0, 30.0, {}));
}

TEST(LeakTest, TwoTestsSettleWhetherWrappingHelped) {
    const auto of = [](double rise, double u) {
        LeakTest t;
        t.rise = rise;
        t.riseU = u;
        return t;
    };
    EXPECT_EQ(plain(comparedText(of(10.0, 0.5), of(4.0, 0.5))).find("It helped"), 0U);
    EXPECT_EQ(plain(comparedText(of(4.0, 0.5), of(10.0, 0.5))).find("It is worse"), 0U);
    EXPECT_EQ(plain(comparedText(of(4.0, 0.5), of(4.5, 0.5))).find("It cannot be told"), 0U);
}

TEST(PumpDown, FindsSpeedAndUltimatePressureAndWhenItBegan) {
    for (const double litresAMinute : {5.0, 20.0, 60.0}) {
        const double rate = litresAMinute / 60.0; // 1/s, of one litre
        const auto p = read(
            5.0 + 20.0 / rate, 0.1 / rate,
            [&](double at) { return 1200.0 + 93000.0 * std::exp(-rate * std::max(0.0, at - 5.0)); }, 20.0, 5,
            10.0);
        const PumpDown f = *fitPumpDown(p, 1e-3);
        EXPECT_NEAR(f.speed, rate * 1e-3, 0.02 * rate * 1e-3) << litresAMinute;
        EXPECT_NEAR(f.ultimate, 1200.0, 25.0);
        EXPECT_NEAR(f.from, 5.0, 0.2 / rate + 0.2);
        EXPECT_GT(f.speedU, 0.0);
        EXPECT_FALSE(isWetFloor(f.ultimate, f.ultimateU, 2339.0));
        EXPECT_TRUE(isWetFloor(f.ultimate, f.ultimateU, 1228.0)) << "water of 10 °C";
    }
}

TEST(PumpDown, RefusesWhatDoesNotFall) {
    const auto flat = read(
        60.0, 1.0, [](double) { return 90000.0; }, 10.0, 1);
    EXPECT_FALSE(fitPumpDown(flat, 1e-3));
    EXPECT_FALSE(fitPumpDown({}, 1e-3));
    const auto falls = read(
        60.0, 1.0, [](double at) { return 90000.0 * std::exp(-at / 10.0) + 500.0; }, 10.0, 1);
    EXPECT_FALSE(fitPumpDown(falls, 0.0));
    EXPECT_TRUE(fitPumpDown(falls, 1e-3));
}

} // namespace
} // namespace uttrin
