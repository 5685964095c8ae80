#include "trace/BoilingTurns.h"

#include "rig/Random.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kBand = 0.3; // K

/// A liquid that boils at 300 K and 1 K higher for each 500 Pa more than 10 kPa.
std::optional<double> boilsAt(double pascal) {
    return pascal < 1'000.0 ? std::nullopt : std::optional(300.0 + (pascal - 10'000.0) / 500.0);
}

template <typename Pascal, typename Kelvin>
Trace traceOf(double seconds, double every, Pascal pascal, Kelvin kelvin) {
    Trace trace;
    for (double at = 0.0; at <= seconds; at += every) {
        trace.pascal.seconds.push_back(at + 0.1); // the two are not asked at one moment
        trace.pascal.values.push_back(pascal(at + 0.1));
        trace.kelvin.seconds.push_back(at);
        trace.kelvin.values.push_back(kelvin(at));
    }
    return trace;
}

// Heated at a held pressure by 0.1 K/s from 290 K: it boils at 300 K, and cools by 0.05 K/s from 200 s on.
TEST(BoilingTurns, HeatedItBeginsAndCooledItEnds) {
    NormalNumbers noise(7);
    const Trace trace = traceOf(
        400.0, 0.5, [](double) { return 10'000.0; },
        [&](double at) {
            const double heated = std::min(290.0 + 0.1 * at, 300.0);
            return heated - std::max(0.0, 0.05 * (at - 200.0)) + 0.05 * noise.next();
        });
    const auto turns = boilingTurns(trace, boilsAt, kBand);
    ASSERT_EQ(turns.size(), 2U);
    EXPECT_TRUE(turns[0].begins);
    EXPECT_NEAR(turns[0].seconds, 100.0 - kBand / 0.1, 2.0);
    EXPECT_FALSE(turns[1].begins);
    EXPECT_NEAR(turns[1].seconds, 200.0 + kBand / 0.05, 3.0);
}

// Pumped: the pressure falls by exp(-t/20 s) from 100 kPa on, over a liquid at 300 K.
TEST(BoilingTurns, PumpedItBeginsWhereThePressureReachesTheLiquids) {
    const Trace trace = traceOf(
        120.0, 0.25, [](double at) { return 100'000.0 * std::exp(-at / 20.0); },
        [](double) { return 300.0; });
    const auto turns = boilingTurns(trace, boilsAt, kBand);
    ASSERT_EQ(turns.size(), 1U);
    EXPECT_TRUE(turns[0].begins);
    EXPECT_NEAR(turns[0].seconds, 20.0 * std::log(100'000.0 / (10'000.0 + kBand * 500.0)), 0.5);
}

TEST(BoilingTurns, AreNoneInWhatHasOneInstrumentOrStandsStill) {
    EXPECT_TRUE(boilingTurns({}, boilsAt, kBand).empty());
    Trace still = traceOf(
        60.0, 0.5, [](double) { return 10'000.0; }, [](double) { return 300.0; });
    EXPECT_TRUE(boilingTurns(still, boilsAt, kBand).empty()); // it boils from the beginning
    EXPECT_TRUE(boilingTurns({still.pascal, {}}, boilsAt, kBand).empty());
    EXPECT_TRUE(boilingTurns({{}, still.kelvin}, boilsAt, kBand).empty());
    EXPECT_TRUE(boilingTurns(
                    still, [](double) { return std::optional<double>(); }, kBand)
                    .empty());
}

RC_GTEST_PROP(BoilingTurns, BeginAndEndTakeTurns, ()) {
    Trace trace;
    const auto steps = *rc::gen::container<std::vector<int>>(rc::gen::inRange(-20, 20));
    for (std::size_t i = 0; i < steps.size(); ++i) {
        trace.pascal.seconds.push_back(static_cast<double>(i));
        trace.pascal.values.push_back(10'000.0);
        trace.kelvin.seconds.push_back(static_cast<double>(i));
        trace.kelvin.values.push_back(300.0 + 0.2 * steps[i]);
    }
    const auto turns = boilingTurns(trace, boilsAt, kBand);
    for (std::size_t i = 1; i < turns.size(); ++i) {
        RC_ASSERT(turns[i].begins != turns[i - 1].begins);
        RC_ASSERT(turns[i].seconds > turns[i - 1].seconds);
    }
    for (const BoilingTurn& turn : turns)
        RC_ASSERT(turn.seconds >= 0.0 && turn.seconds <= static_cast<double>(steps.size()));
}

} // namespace
} // namespace uttrin
