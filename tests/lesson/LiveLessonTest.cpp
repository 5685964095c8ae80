#include "lesson/live/KeptTrace.h"
#include "lesson/live/LiveReadings.h"
#include "lesson/views/BenchAids.h"
#include "lesson/views/RunView.h"
#include "plan/Refill.h"
#include "rig/Random.h"
#include "support/DrivenLesson.h"
#include "trace/PackedSamples.h"

#include <gmock/gmock.h>

#include <algorithm>

namespace uttrin::testing {
namespace {

using ::testing::Contains;

std::vector<std::string> marksOf(const ReducedReading& r) {
    std::vector<std::string> marks;
    for (const Text& mark : r.marks)
        marks.push_back(plain(mark));
    return marks;
}

class LiveLesson : public DrivenLesson {
protected:
    void SetUp() override {
        DrivenLesson::SetUp();
        enterRoom(981.0); // not the demo's
        change([](Plan& p) {
            p.rig.gauge.convention = PressureConvention::Absolute;
            p.rig.gauge.unit = "kPa";
            p.rig.gauge.division = 0.1;
            p.rig.gauge.accuracy = 0.3;
            p.ladder = {Spacing::Pressure, 15e3, 90e3, 6, 0.1, std::nullopt, false, {}};
        });
        ASSERT_TRUE(s->startRun("Dune"));
    }

    static LiveEvidence evidence(double reading, double u, bool steady = true) {
        return {{reading, std::nullopt}, u, 1'000, 13'000, steady, false};
    }
    void takeLive(std::optional<LiveEvidence> gauge, std::optional<LiveEvidence> thermometer) {
        ASSERT_TRUE(BenchCommands(*s).takeLive(std::move(gauge), std::move(thermometer)));
    }
    const ReducedReading& last() { return s->model().reduce(*s->runId()).back(); }
};

TEST_F(LiveLesson, AWholePairIsCapturedWithWhatItsMeansAreGoodFor) {
    takeLive(evidence(47.37, 12.0), evidence(79.82, 0.031));
    const auto outcome = s->capture();
    ASSERT_TRUE(outcome && outcome->readingId) << outcome->finding.sentence;
    const ReducedReading& r = last();
    ASSERT_TRUE(r.raw.live);
    EXPECT_TRUE(r.raw.live->steady);
    EXPECT_EQ(r.raw.live->toMs - r.raw.live->fromMs, 12'000);
    EXPECT_DOUBLE_EQ(r.absolute->uIndependent, 12.0);
    EXPECT_DOUBLE_EQ(r.liquid.uIndependent, 0.031);
    EXPECT_NEAR(r.absolute->pressure.pascal(), 47'370.0, 1e-6);
    EXPECT_TRUE(s->draft().isEmpty());
    EXPECT_FALSE(s->draft().gaugeLive);
}

TEST_F(LiveLesson, WhatIsTypedOverIsNotLive) {
    takeLive(evidence(47.37, 12.0), evidence(79.82, 0.031));
    s->edit([](BenchDraft& d) { d.first = 47.9; });
    takeLive(evidence(46.0, 12.0), evidence(79.85, 0.03)); // the next moment
    EXPECT_DOUBLE_EQ(*s->draft().first, 47.9);
    EXPECT_DOUBLE_EQ(*s->draft().temperature, 79.85);
    ASSERT_TRUE(s->capture(true)->readingId);
    ASSERT_TRUE(last().raw.live);
    EXPECT_FALSE(last().raw.live->uPascal);
    EXPECT_DOUBLE_EQ(*last().raw.live->uKelvin, 0.03);
    EXPECT_GT(last().absolute->uIndependent, 20.0); // read between divisions
}

TEST_F(LiveLesson, AnInstrumentThatFallsSilentLeavesItsFieldEmpty) {
    takeLive(evidence(47.37, 12.0), evidence(79.82, 0.031));
    takeLive(std::nullopt, evidence(79.82, 0.031));
    EXPECT_FALSE(s->draft().first);
    const auto refused = s->capture();
    ASSERT_FALSE(refused);
    EXPECT_EQ(s->notebook().count("reading"), 0);
}

TEST_F(LiveLesson, MovingAndMadeUpPointsAreMarked) {
    LiveEvidence gauge = evidence(47.37, 12.0, false), thermometer = evidence(79.82, 0.031, false);
    gauge.madeUp = thermometer.madeUp = true;
    takeLive(gauge, thermometer);
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_THAT(marksOf(last()), Contains("captured while it moved"));
    EXPECT_THAT(marksOf(last()), Contains("simulated, made up"));
}

TEST_F(LiveLesson, NothingIsCapturedBeforeSomebodySaysWhetherThePumpWasShutOff) {
    type(30'000.0, 0.0, 98'100.0);
    BenchCommands bench(*s);
    const auto asked = bench.capture(false);
    ASSERT_TRUE(asked);
    EXPECT_TRUE(asked->asksWhetherShut);
    EXPECT_FALSE(asked->readingId);
    s->edit([](BenchDraft& d) { d.isolated = false; });
    const auto done = bench.capture(false);
    ASSERT_TRUE(done && done->readingId);
    EXPECT_FALSE(last().raw.isolated);
    EXPECT_FALSE(s->draft().isolated); // asked anew
}

TEST_F(LiveLesson, TheReadOrderIsWalkedAndKeptWithThePoint) {
    change([](Plan& p) { p.rig.readOrder = *readOrderOf("isolate plateau both vent zero"); });
    ASSERT_TRUE(s->correctRun(*s->runId()));
    BenchCommands bench(*s);
    ASSERT_TRUE(bench.stepDone());
    EXPECT_EQ(s->draft().isolated, true);
    ASSERT_TRUE(bench.stepDone());
    type(30'000.0, 0.0, 98'100.0);
    ASSERT_TRUE(s->capture()->readingId);
    EXPECT_EQ(last().raw.readOrder, "isolate plateau both vent zero");
    EXPECT_EQ(s->draft().stepsDone, 3U); // the air, then the zero
    ASSERT_TRUE(bench.stepDone());
    ASSERT_TRUE(bench.stepDone());
    EXPECT_EQ(s->draft().stepsDone, 0U);
    // The next two as agreed, the last one without its steps: that one is told apart.
    for (const bool walked : {true, false}) {
        clock.time += 60'000;
        s->edit([&](BenchDraft& d) { d.stepsDone = walked ? 2 : 0; });
        type(45'000.0, 0.0, 98'100.0);
        ASSERT_TRUE(s->capture(true)->readingId);
    }
    EXPECT_EQ(last().raw.readOrder, "both vent zero");
    EXPECT_THAT(marksOf(last()), Contains("another read order: both at once, air in, zero again"));
    EXPECT_TRUE(marksOf(s->model().reduce(*s->runId()).front()).empty());
}

TEST(ReadOrder, RefusesWhatReadsNotOnceEach) {
    for (const char* wrong :
         {"isolate", "both both", "pressure", "both pressure", "zero both", "pressure temperature tea"})
        EXPECT_FALSE(readOrderOf(wrong)) << wrong;
    for (const UsualReadOrder& usual : usualReadOrders()) {
        ASSERT_TRUE(check(usual.order)) << plain(Text(usual.name));
        EXPECT_EQ(*readOrderOf(wordsOf(usual.order)), usual.order);
    }
    EXPECT_TRUE(readOrderOf("")->empty());
    EXPECT_EQ(lastReadStep(*readOrderOf("pressure vent temperature zero")), 2);
}

TEST_F(LiveLesson, StagesTopUpsAndShakingTellOfThePointsThatFollow) {
    RunCommands run(*s);
    type(30'000.0, -4.0, 98'100.0);
    ASSERT_TRUE(run.stampStage(BoilingStage::FirstBubbles));
    EXPECT_THAT(s->model().data().notes.back().text, ::testing::HasSubstr("first bubbles at the chips, "));
    EXPECT_THAT(s->model().data().notes.back().text, ::testing::HasSubstr("K below boiling"));
    ASSERT_TRUE(run.stampStage(BoilingStage::Shaken));
    ASSERT_TRUE(run.topUp());
    clock.time += 4'000;
    type(30'000.0, 0.0, 98'100.0);
    ASSERT_TRUE(s->capture()->readingId);
    EXPECT_THAT(marksOf(last()), Contains("4 s after a top-up"));
    EXPECT_THAT(marksOf(last()), Contains("shaken"));
    clock.time += 60'000;
    type(45'000.0, 0.0, 98'100.0);
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_TRUE(marksOf(last()).empty());
}

TEST_F(LiveLesson, TheHeatersChangesAreStampedOnceAndInsulationHoldsUntilItIsTakenOff) {
    RunCommands run(*s);
    const auto stamps = [&] {
        std::vector<std::string> said;
        for (const Note& note : s->model().data().notes)
            said.push_back(note.text);
        return said;
    };
    ASSERT_TRUE(run.stampHeater()); // nothing is known of it
    EXPECT_TRUE(stamps().empty());
    for (const double setting : {120.0, 120.0, 2.5, 120.0}) {
        s->edit([&](BenchDraft& d) { d.heaterSetting = setting; });
        ASSERT_TRUE(run.stampHeater());
    }
    EXPECT_THAT(stamps(), ::testing::ElementsAre("heater at 120", "heater at 2.5", "heater at 120"));
    ASSERT_TRUE(run.insulate(true));
    for (int point = 0; point < 2; ++point) {
        clock.time += 60'000;
        type(30'000.0 + 10'000.0 * point, 0.0, 98'100.0);
        ASSERT_TRUE(s->capture(true)->readingId);
        EXPECT_THAT(marksOf(last()), Contains("insulated"));
        EXPECT_EQ(last().raw.heaterSetting, 120.0);
    }
    ASSERT_TRUE(run.insulate(false));
    clock.time += 60'000;
    type(60'000.0, 0.0, 98'100.0);
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_THAT(marksOf(last()), ::testing::Not(Contains("insulated")));
}

TEST_F(LiveLesson, ATargetBelowTheLiquidSaysThatItWillFlash) {
    EXPECT_TRUE(flashWarning(*s).empty());
    s->edit([](BenchDraft& d) { d.temperature = 75.0; }); // 15 kPa boils at 54 degC
    EXPECT_THAT(plain(flashWarning(*s)),
                ::testing::HasSubstr("21 K above its boiling point there: it will flash"));
    s->edit([](BenchDraft& d) { d.temperature = 50.0; });
    EXPECT_TRUE(flashWarning(*s).empty());
}

TEST(Refill, BringsWaterWhereABalanceOfHeatSays) {
    // 300 g from 60 to 50 degC: 0.3 * 4186 * 10 / (333550 + 4186 * 50) kg of ice.
    EXPECT_NEAR(refillFor(0.3, 60.0, 50.0, 95.0)->iceKg, 12558.0 / 542850.0, 1e-9);
    // 300 g from 50 to 60 with water of 90: a third of it.
    EXPECT_NEAR(refillFor(0.3, 50.0, 60.0, 90.0)->hotKg, 0.1, 1e-12);
    EXPECT_FALSE(refillFor(0.3, 50.0, 92.0, 90.0));
    EXPECT_FALSE(refillFor(0.3, 5.0, -2.0, 90.0));
    EXPECT_EQ(refillFor(0.3, 50.0, 50.0, 90.0)->iceKg, 0.0);
}

TEST_F(LiveLesson, WhereTheTemperatureIsHeldTheNextOneSaysWhatToAdd) {
    EXPECT_TRUE(refillText(*s).empty()); // the pressure is held
    ASSERT_TRUE(s->addSetup(Method::HoldTemperature));
    change([](Plan& p) {
        p.rig.vesselLitre = 2.0;
        p.rig.liquidLitre = 0.4;
    });
    ASSERT_TRUE(s->startRun("Basalt"));
    const double boils = s->currentTarget()->boils.celsius();
    s->edit([&](BenchDraft& d) { d.temperature = boils + 12.0; });
    EXPECT_THAT(plain(refillText(*s)), ::testing::HasSubstr("g of ice"));
    s->edit([&](BenchDraft& d) { d.temperature = boils - 12.0; });
    EXPECT_THAT(plain(refillText(*s)), ::testing::HasSubstr("off the boil"));
    s->edit([&](BenchDraft& d) { d.temperature = 10.0; });
    if (boils > 70.0) {
        EXPECT_THAT(plain(refillText(*s)), ::testing::HasSubstr("too full"));
    }
    s->edit([&](BenchDraft& d) { d.temperature = boils; });
    EXPECT_TRUE(refillText(*s).empty());
}

TEST_F(LiveLesson, OnePointAloneCorrectsTheThermometerEverywhere) {
    const auto said = s->calibrate(0.8, std::nullopt, false);
    ASSERT_TRUE(said);
    EXPECT_THAT(plain(*said), ::testing::HasSubstr("One point alone"));
    const Thermometer& t = s->plan().rig.thermometer;
    for (const double shown : {0.8, 40.8, 90.8})
        EXPECT_NEAR(toTemperature(t, shown)->temperature.celsius(), shown - 0.8, 1e-6);
    EXPECT_FALSE(s->calibrate(std::nullopt, std::nullopt, false));
    const double off = 3.0 * t.accuracy + 0.5;
    EXPECT_THAT(plain(*s->calibrate(off, std::nullopt, false)), ::testing::HasSubstr("crushed, stirred"));
    // In steam alone, in this room and not at 100 degC.
    const double boils = water().boilingPoint(s->room()->station)->celsius();
    ASSERT_TRUE(s->calibrate(std::nullopt, boils - 0.5, false));
    EXPECT_NEAR(toTemperature(s->plan().rig.thermometer, 50.0)->temperature.celsius(), 50.5, 1e-6);
}

TEST_F(LiveLesson, AJumpOfTheZeroIsToldAndCanBeTakenForEarlierPoints) {
    ASSERT_TRUE(s->checkZero(98.1, std::nullopt));
    EXPECT_TRUE(zeroJump(*s).empty());
    type(30'000.0, 0.0, 98'100.0);
    ASSERT_TRUE(s->capture()->readingId);
    const RowId point = last().raw.id, before = *last().raw.zeroId;
    clock.time += 60'000;
    ASSERT_TRUE(s->checkZero(98.9, std::nullopt));
    EXPECT_THAT(plain(zeroJump(*s)), ::testing::HasSubstr("jumped from 98.1 to 98.9 kPa"));
    const double was = last().absolute->pressure.pascal();
    ASSERT_TRUE(ReadingCommands(*s).useLatestZero(point));
    EXPECT_NE(*last().raw.zeroId, before);
    EXPECT_NEAR(last().absolute->pressure.pascal(), was - 800.0, 1.0);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(*last().raw.zeroId, before);
}

// Whatever the rig's gauge counts from and in which unit, what is listened to means the same through it.
TEST_F(LiveLesson, ThroughTheRigsGaugeAPressureMeansTheSame) {
    using enum PressureConvention;
    for (const auto& [convention, unit] : {std::pair{Absolute, "bar"},
                                           {Absolute, "mmHg"},
                                           {GaugeNegative, "kPa"},
                                           {GaugeNegative, "mmHg"},
                                           {VacuumDepth, "bar"},
                                           {VacuumDepth, "kPa"},
                                           {TwoArm, "cm"},
                                           {TwoArm, "mm"}}) {
        change([&](Plan& p) {
            p.rig.gauge.convention = convention;
            p.rig.gauge.unit = unit;
            p.rig.gauge.armSum = p.rig.gauge.unit == "mm" ? 821.0 : 82.1;
            p.rig.gauge.division = 0.01;
        });
        ASSERT_TRUE(s->correctRun(*s->runId()));
        const bool fromRoom = countsFromRoom(convention);
        for (const double pascal : {900.0, 8'417.0, 47'370.0, 95'000.0}) {
            LiveMoment moment;
            moment.pressure = Settled{};
            moment.pressure->mean = pascal;
            moment.pressureU = 5.0;
            const LiveReadings readings = liveReadings(
                *s, moment, fromRoom ? LiveQuantity::GaugePressure : LiveQuantity::AbsolutePressure, 0);
            ASSERT_TRUE(readings.gauge) << unit;
            EXPECT_TRUE(readings.trouble.empty());
            const auto back = toAbsolute(s->benchPlan().rig.gauge, readings.gauge->reading, s->room());
            ASSERT_TRUE(back);
            EXPECT_NEAR(back->pressure.pascal(), pascal, 3.0) << unit;
            // An instrument that counts from elsewhere is refused in words, not converted.
            const LiveReadings other = liveReadings(
                *s, moment, fromRoom ? LiveQuantity::AbsolutePressure : LiveQuantity::GaugePressure, 0);
            EXPECT_FALSE(other.gauge);
            EXPECT_FALSE(other.trouble.empty());
        }
        const auto as = gaugeAsHeard(s->benchPlan().rig.gauge, LiveQuantity::AbsolutePressure, 10.0, 200.0);
        EXPECT_TRUE(check(as)) << unit;
        EXPECT_TRUE(countsAlike(as, LiveQuantity::AbsolutePressure));
        EXPECT_NEAR(as.accuracy * pascalPerScaleUnit(as), 200.0, 1e-6);
    }
}

/// A logger that stands still from 40 to 80 s.
Trace loggedTrace() {
    NormalNumbers noise(3);
    Trace trace;
    trace.pascal.step = 10.0;
    trace.kelvin.step = 0.01;
    for (double at = 0.0; at < 120.0; at += 0.5) {
        const double kelvin = at < 40.0   ? 350.0 + 0.05 * (at - 40.0)
                              : at < 80.0 ? 350.0
                                          : 350.0 + 0.05 * (at - 80.0);
        trace.kelvin.seconds.push_back(at);
        trace.kelvin.values.push_back(kelvin + 0.01 * noise.next());
        trace.pascal.seconds.push_back(at);
        trace.pascal.values.push_back(41'900.0 + 10.0 * noise.next());
    }
    return trace;
}

TEST_F(LiveLesson, ALoggersFileBecomesATraceFromWhichPointsAreTaken) {
    TraceCommands commands(*s);
    ASSERT_TRUE(commands.importTrace("run7.csv", loggedTrace(), clock.time - 900'000));
    auto kept = keptTraces(*s);
    ASSERT_TRUE(kept && kept->size() == 1U);
    const KeptTrace& trace = kept->front();
    EXPECT_EQ(plain(trace.name), "run7.csv");
    EXPECT_NEAR(trace.to, 119.5, 1e-9);
    EXPECT_EQ(trace.trace.kelvin.size(), 240U);
    const auto places = suggestionsIn(*s, trace);
    ASSERT_FALSE(places.empty());
    const auto steady = std::ranges::find_if(places, [](const TraceSuggestion& p) { return p.to > p.from; });
    ASSERT_NE(steady, places.end());
    EXPECT_NEAR(steady->from, 40.0, 4.0);
    EXPECT_NEAR(steady->to, 80.0, 4.0);
    // At 350 K the pressure over water is 41.68 kPa and rises by 1.71 kPa/K: at 41.9 kPa it boils at 350.13
    // K, and is taken to boil from 0.3 K below that on.
    const auto boils = std::ranges::find_if(
        places, [](const auto& p) { return plain(p.what).starts_with("boiling starts"); });
    ASSERT_NE(boils, places.end());
    EXPECT_NEAR(boils->from, 40.0 - (0.3 - 0.13) / 0.05, 1.0);
    const LiveMoment moment = momentAt(*s, trace, 60.0);
    EXPECT_TRUE(moment.steady);
    EXPECT_NEAR(moment.temperature->mean, 350.0, 0.01);
    const auto trouble = commands.takeMoment(trace, 60.0);
    ASSERT_TRUE(trouble);
    EXPECT_TRUE(trouble->empty());
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_NEAR(static_cast<double>(last().raw.takenAt - (clock.time - 900'000)), 80'000.0, 4'000.0);
    EXPECT_NEAR(last().absolute->pressure.pascal(), 41'900.0, 15.0);
    ASSERT_TRUE(s->undo());
    ASSERT_TRUE(s->undo());
    EXPECT_TRUE(keptTraces(*s)->empty());
}

TEST_F(LiveLesson, WhatArrivedSurvivesUndoAndIsReadBackWhole) {
    TraceCommands commands(*s);
    const auto stream =
        commands.openStream({0, s->lessonId(), "gauge", "gauge-pressure", "tcp:127.0.0.1:1", 5'000, 1.0});
    ASSERT_TRUE(stream);
    for (int second = 0; second < 30; ++second) {
        TraceChannel c;
        c.step = 1.0;
        for (int i = 0; i < 10; ++i) {
            c.seconds.push_back(second + 0.1 * i);
            c.values.push_back(-40'000.0 + second);
        }
        ASSERT_TRUE(commands.append({{0, *stream, packSamples(c, 0.01)}}));
    }
    ASSERT_TRUE(s->undo()); // the run, not the stream
    const auto kept = keptTraces(*s);
    ASSERT_TRUE(kept && kept->size() == 1U);
    EXPECT_EQ(kept->front().pressureQuantity, LiveQuantity::GaugePressure);
    EXPECT_EQ(kept->front().trace.pascal.size(), 300U);
    EXPECT_NEAR(kept->front().trace.pascal.values.back(), -39'971.0, 0.07);
}

TEST_F(LiveLesson, OfTwoThatMeasureTheSameTheFirstOneIsReadAfterwards) {
    TraceCommands commands(*s);
    for (const double kelvin : {350.0, 360.0}) {
        const auto stream = commands.openStream(
            {0, s->lessonId(), "t" + std::to_string(kelvin), "temperature", "x", 5'000, 0.1});
        ASSERT_TRUE(stream);
        ASSERT_TRUE(commands.append(
            {chunkOf(*stream, LiveQuantity::Temperature, {{1.0, 2.0}, {kelvin, kelvin}, 0.1})}));
    }
    const auto kept = keptTraces(*s);
    ASSERT_TRUE(kept && kept->size() == 1U);
    EXPECT_NEAR(kept->front().trace.kelvin.values.back(), 350.0, 0.02);
    EXPECT_NEAR(kept->front().trace.kelvin.step, 0.1, 1e-12);
}

// Two instruments at 10 Hz and one at 1 Hz, as long as eight hours by a clock that is faked: a fortieth of it
// here, UTTRIN_SOAK=1 for all.
TEST_F(LiveLesson, HoursOfThreeInstrumentsStayInATenMegabyteFile) {
    const int seconds = std::getenv("UTTRIN_SOAK") ? 8 * 3600 : 8 * 90;
    TraceCommands commands(*s);
    std::vector<RowId> streams;
    for (const char* quantity : {"absolute-pressure", "temperature", "absolute-pressure"})
        streams.push_back(
            *commands.openStream({0, s->lessonId(), "x", quantity, "tcp:127.0.0.1:1", 5'000, 0.0}));
    const auto empty = static_cast<double>(std::filesystem::file_size(s->notebook().path()));
    NormalNumbers noise(11);
    LiveTrail trail;
    std::size_t sent = 0;
    for (int second = 0; second < seconds; ++second) {
        std::vector<LiveChunk> chunks;
        for (std::size_t i = 0; i < streams.size(); ++i) {
            TraceChannel c;
            c.step = i == 1 ? 0.01 : 1.0;
            for (int k = 0; k < (i == 2 ? 1 : 10); ++k) {
                c.seconds.push_back(second + 0.1 * k + 0.001 * (k % 3));
                c.values.push_back((i == 1 ? 350.0 : 5e4) + (i == 1 ? 0.03 : 20.0) * noise.next());
            }
            sent += c.size();
            trail.take(i == 1 ? LiveQuantity::Temperature : LiveQuantity::AbsolutePressure, c);
            chunks.push_back({0, streams[i], packSamples(c, 0.01)});
        }
        ASSERT_TRUE(commands.append(chunks));
    }
    EXPECT_LT(trail.pressure().size() + trail.temperature().size(), 25'000U); // memory does not grow with it
    std::size_t kept = 0;
    for (const RowId stream : streams) {
        const auto chunks = s->notebook().chunks(stream);
        ASSERT_TRUE(chunks);
        for (const LiveChunk& chunk : *chunks)
            kept += unpackSamples(chunk.samples)->size();
    }
    EXPECT_EQ(kept, sent);
    const auto bytes = static_cast<double>(std::filesystem::file_size(s->notebook().path()));
    EXPECT_LT(empty + (bytes - empty) * (8.0 * 3600.0) / seconds, 10e6);
}

} // namespace
} // namespace uttrin::testing
