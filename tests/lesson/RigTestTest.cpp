#include "lesson/live/RigTestView.h"
#include "rig/Random.h"
#include "support/DrivenLesson.h"
#include "trace/TraceCsv.h"

#include <gmock/gmock.h>

namespace uttrin::testing {
namespace {

using ::testing::HasSubstr;

class RigTests : public DrivenLesson {
protected:
    void SetUp() override {
        DrivenLesson::SetUp();
        enterRoom(1002.0);
        change([](Plan& p) { p.ladder = {Spacing::Pressure, 12e3, 80e3, 5, 0.1, std::nullopt, false, {}}; });
    }

    /// A vessel that was pumped down and shut: it rises by so much, Pa/s.
    static RigTest leaking(double rise, double start = 8'000.0, std::uint64_t seed = 1) {
        NormalNumbers noise(seed);
        Trace trace;
        for (double at = 0.0; at < 180.0; at += 1.0) {
            trace.pascal.seconds.push_back(at);
            trace.pascal.values.push_back(start + rise * at + 15.0 * noise.next());
        }
        RigTest test;
        test.litre = 1.3;
        test.readings = writeTraceCsv(trace);
        return test;
    }
    RigTestView viewOf(RowId id, const RigTestLimits& limits = {}) {
        for (const RigTest* test : testsInHand(*s))
            if (test->id == id) return rigTestView(*s, *test, limits);
        ADD_FAILURE();
        return {};
    }
    RowId keep(const RigTest& test) {
        const auto id = RigTestCommands(*s).keepTest(test);
        EXPECT_TRUE(id) << (id ? Text() : id.error().message);
        return id.value_or(0);
    }
};

TEST_F(RigTests, ALeakIsToldInKelvinOfEachTarget) {
    const RigTestView view = viewOf(keep(leaking(12.0)), {40.0, 0.1});
    EXPECT_FALSE(view.passes);
    const std::string rate = plain(view.rate), begins = "It rises by ";
    ASSERT_TRUE(rate.starts_with(begins)) << rate;
    EXPECT_NEAR(std::stod(rate.substr(begins.size())), 12.0, 0.1);
    ASSERT_EQ(view.targets.size(), 5U);
    // At 12 kPa, choked: 12 Pa/s for 40 s over the slope of the saturation curve.
    const auto& water = substanceOf(s->plan());
    const auto there = water.saturationAt(s->sheet()->targets.front().absolute);
    EXPECT_NEAR(std::stod(plain(view.targets.front().kelvin)), 12.0 * 40.0 / there->slope, 0.03);
    EXPECT_TRUE(view.targets.front().tooMuch);
    EXPECT_LT(std::stod(plain(view.targets.back().kelvin)), std::stod(plain(view.targets.front().kelvin)));
    EXPECT_THAT(plain(view.advice), HasSubstr("Grease and reseat"));
    EXPECT_THAT(plain(view.enthalpy), HasSubstr(" off."));
    EXPECT_EQ(view.explained.size(), view.trace.pascal.size());
    EXPECT_NEAR(view.explained.back(), view.trace.pascal.values.back(), 60.0);
}

TEST_F(RigTests, ATightRigPassesAndASlowCaptureDoesNot) {
    const RowId id = keep(leaking(0.0));
    EXPECT_TRUE(viewOf(id).passes);
    EXPECT_TRUE(viewOf(id).advice.empty());
    const RowId little = keep(leaking(1.0, 8'000.0, 5));
    EXPECT_TRUE(viewOf(little, {20.0, 0.1}).passes);
    EXPECT_FALSE(viewOf(little, {300.0, 0.1}).passes);
}

TEST_F(RigTests, TwoTestsSettleWhetherGreaseHelped) {
    RigTest after = leaking(2.0, 8'000.0, 9);
    after.note = "seat greased";
    keep(leaking(12.0));
    const RigTestView view = viewOf(keep(after));
    EXPECT_THAT(plain(view.comparison), HasSubstr("It helped"));
    EXPECT_THAT(plain(view.heading), HasSubstr("seat greased"));
    EXPECT_THAT(plain(viewOf(keep(leaking(2.0, 8'000.0, 10))).comparison), HasSubstr("cannot be told"));
}

TEST_F(RigTests, OverLiquidThatWarmsItIsVapour) {
    NormalNumbers noise(4);
    const auto& water = substanceOf(s->plan());
    Trace trace;
    for (double at = 0.0; at < 240.0; at += 1.0) {
        const double kelvin = 320.0 + 0.002 * at;
        trace.pascal.seconds.push_back(at);
        trace.kelvin.seconds.push_back(at);
        trace.kelvin.values.push_back(kelvin);
        trace.pascal.values.push_back(water.vapourPressure(Temperature::fromKelvin(kelvin))->pascal() +
                                      400.0 + 8.0 * noise.next());
    }
    RigTest test;
    test.litre = 0.7;
    test.wet = true;
    test.readings = writeTraceCsv(trace);
    const RigTestView wet = viewOf(keep(test));
    EXPECT_TRUE(wet.passes) << plain(wet.verdict);
    test.wet = false; // the same, taken for dry
    EXPECT_THAT(plain(viewOf(keep(test)).rate), HasSubstr("It rises by"));
}

TEST_F(RigTests, WhatIsNoTestIsRefusedAndNothingIsKept) {
    RigTestCommands commands(*s);
    RigTest falls = leaking(-20.0);
    const auto refused = commands.keepTest(falls);
    ASSERT_FALSE(refused);
    EXPECT_THAT(plain(refused.error().message), HasSubstr("falls while it is watched"));
    RigTest wet = leaking(2.0);
    wet.wet = true;
    EXPECT_THAT(plain(commands.keepTest(wet).error().message), HasSubstr("temperature"));
    RigTest empty;
    EXPECT_FALSE(commands.keepTest(empty));
    RigTest none = leaking(2.0);
    none.litre = 0.0;
    EXPECT_FALSE(commands.keepTest(none));
    EXPECT_TRUE(testsInHand(*s).empty());
}

// A hand pump: strokes down to each target, and how long that holds until it wants a top-up.
TEST_F(RigTests, AHandPumpIsToldInStrokesAndMinutesBetweenTopUps) {
    change([](Plan& p) { p.rig.pump = PumpKind::Hand; });
    constexpr double kLitre = 0.8, kStroke = 0.2, kFloor = 15'000.0, kLeak = 15.0; // L, L, Pa, Pa/s
    Trace trace;
    double pascal = 100'200.0;
    for (int tenth = 0; tenth < 700; ++tenth) {
        if (tenth % 50 == 25 && tenth > 0) pascal = kFloor + kLitre / (kLitre + kStroke) * (pascal - kFloor);
        trace.pascal.seconds.push_back(0.1 * tenth);
        trace.pascal.values.push_back(pascal);
        pascal += 0.1 * kLeak;
    }
    RigTest test;
    test.kind = RigTestKind::PumpDown;
    test.litre = kLitre;
    test.readings = writeTraceCsv(trace);
    const RowId id = keep(test);
    const RigTestView view = viewOf(id, {30.0, 0.2});
    EXPECT_THAT(plain(view.rate), HasSubstr("14 strokes of 200")); // mL
    EXPECT_THAT(plain(view.rate), HasSubstr("15"));
    EXPECT_NEAR(view.ultimatePascal, kFloor, 300.0);
    EXPECT_EQ(plain(view.targets.front().kelvin), "out of reach"); // 12 kPa
    EXPECT_FALSE(view.passes);
    // The second target: 29 kPa. From 100.2 kPa by four fifths of what is above 15 kPa: 9 strokes.
    const Target& second = s->sheet()->targets[1];
    const int strokes = static_cast<int>(
        std::ceil(std::log((second.absolute.pascal() - kFloor) / (100'200.0 - kFloor)) / std::log(0.8)));
    EXPECT_THAT(plain(view.targets[1].kelvin), HasSubstr(std::to_string(strokes) + " strokes"));
    const double slope = substanceOf(s->plan()).saturationAt(second.absolute)->slope;
    const std::string said = plain(view.targets[1].kelvin), begins = "each ";
    EXPECT_NEAR(std::stod(said.substr(said.find(begins) + begins.size())), 0.2 * slope / kLeak / 60.0, 0.02);
    ASSERT_TRUE(RigTestCommands(*s).usePump(id));
    EXPECT_NEAR(s->plan().rig.pumpUltimatePa, kFloor, 300.0);
}

TEST_F(RigTests, APumpIsTakenIntoThePlanAndWhatItCannotReachIsTold) {
    Trace trace;
    constexpr double kLitre = 1.3, kSpeed = 18.0, kFloor = 20'000.0; // L/min, Pa
    for (double at = 0.0; at < 120.0; at += 0.5) {
        trace.pascal.seconds.push_back(at);
        trace.pascal.values.push_back(kFloor + (100'200.0 - kFloor) * std::exp(-kSpeed / 60.0 * at / kLitre));
    }
    RigTest test;
    test.kind = RigTestKind::PumpDown;
    test.litre = kLitre;
    test.readings = writeTraceCsv(trace);
    const RowId id = keep(test);
    const RigTestView view = viewOf(id);
    EXPECT_NEAR(view.litrePerMinute, kSpeed, 0.5);
    EXPECT_NEAR(view.ultimatePascal, kFloor, 300.0);
    EXPECT_FALSE(view.passes);
    EXPECT_EQ(plain(view.targets.front().kelvin), "out of reach");
    ASSERT_TRUE(RigTestCommands(*s).usePump(id));
    EXPECT_NEAR(s->plan().rig.pumpUltimatePa, kFloor, 300.0);
    EXPECT_EQ(s->sheet()->targets.front().state, TargetState::BelowPumpFloor);
    ASSERT_TRUE(s->undo());
    EXPECT_NEAR(s->plan().rig.pumpUltimatePa, 1000.0, 1e-9);
    ASSERT_TRUE(RigTestCommands(*s).removeTest(id));
    EXPECT_TRUE(testsInHand(*s).empty());
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(testsInHand(*s).size(), 1U);
}

} // namespace
} // namespace uttrin::testing
