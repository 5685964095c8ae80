#include "lesson/actcommands/SpokenBound.h"
#include "lesson/acts/ActReadings.h"
#include "lesson/acts/LearningTask.h"
#include "physics/Constants.h"
#include "rehearsal/Demonstrations.h"
#include "support/ConductedLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

class Conduct : public testing::ConductedLesson {
protected:
    ConductCommands commands() { return ConductCommands(*s); }
    ConductView view() { return conductView(*s, act(), forecasts.of(act()).get()); }
    void wait(int seconds) { clock.time += 1000 * seconds; }
};

TEST_F(Conduct, WithoutARoomNothingIsFrozen) {
    add("sealed-flask");
    const auto frozen = toFreeze(*s, act());
    ASSERT_FALSE(frozen);
    EXPECT_EQ(frozen.error().kind, Failure::Unreferenced);
    enterRoom();
    EXPECT_TRUE(toFreeze(*s, act()));
}

TEST_F(Conduct, StepsAreDoneOneAfterTheOtherAndAreOnDisk) {
    enterRoom();
    add("bell-jar");
    EXPECT_FALSE(commands().confirm(id, 0)) << "not before it has begun";
    EXPECT_FALSE(view().current);
    begin();
    EXPECT_EQ(view().current, 0);
    ASSERT_TRUE(commands().confirm(id, 0));
    EXPECT_EQ(view().current, 1);
    EXPECT_EQ(view().steps[0].state, ConductView::Step::Done);
    const auto again = Notebook::openToRead(dir / "a.uttrin")->load(s->lessonId()).value();
    ASSERT_EQ(again.stamps.size(), 2U);
    EXPECT_EQ(again.stamps[1].kind, StampKind::Confirmed);
    EXPECT_EQ(again.stamps[1].step, 0);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(view().current, 0);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(act().state, ActState::Planned);
    EXPECT_TRUE(act().frozen.empty());
    begin();
    EXPECT_FALSE(commands().begin(id, "{}")) << "it has begun";
    ASSERT_TRUE(commands().finish(id));
    EXPECT_EQ(act().state, ActState::Done);
    EXPECT_FALSE(commands().see(id, "boils")) << "it is over";
}

// Each rig's story: what may not be left out stops the guidance, in words.
TEST_F(Conduct, WhoSkipsEyeProtectionOrHeaterOffIsLedNoFurther) {
    enterRoom();
    for (const auto& [rig, step] :
         {std::pair{"sealed-flask", 2}, std::pair{"bell-jar", 0}, std::pair{"air-onto-boiling", 3}}) {
        add(rig);
        begin();
        for (int i = 0; i < step; ++i)
            ASSERT_TRUE(commands().confirm(id, i));
        EXPECT_TRUE(view().hazard.empty());
        EXPECT_FALSE(commands().skip(id, step, " ")) << "a word of why";
        ASSERT_TRUE(commands().skip(id, step, "no time"));
        EXPECT_FALSE(view().hazard.empty()) << rig;
        EXPECT_FALSE(view().current) << rig;
        ASSERT_TRUE(s->undo());
        EXPECT_TRUE(view().hazard.empty());
        EXPECT_EQ(view().current, step);
    }
    add("sealed-flask");
    begin();
    for (int i = 0; i < 3; ++i)
        ASSERT_TRUE(commands().confirm(id, i));
    ASSERT_TRUE(commands().skip(id, 3, "asked before")) << "the question may be left out";
    EXPECT_EQ(view().current, 4);
    EXPECT_TRUE(view().hazard.empty());
}

TEST_F(Conduct, TheForecastStaysAsItWasWhenItWentLive) {
    enterRoom();
    add("sealed-flask");
    begin();
    const auto before = forecasts.of(act());
    ASSERT_TRUE(before);
    ASSERT_FALSE(before->outlook.band.seconds.empty());
    enterRoom(1013.0); // read wrongly before
    EXPECT_EQ(forecasts.of(act()), before);
    FrozenForecasts anew; // as after a restart
    const auto again = anew.of(act());
    ASSERT_EQ(again->rehearsal.run.samples.size(), before->rehearsal.run.samples.size());
    EXPECT_EQ(again->rehearsal.watchedAt(50).kelvin, before->rehearsal.watchedAt(50).kelvin);
    EXPECT_EQ(again->outlook.band.lowKelvin, before->outlook.band.lowKelvin);
}

TEST_F(Conduct, WhatIsReadLiesInTheBandOrNotAndWordsAreKept) {
    enterRoom();
    add("sealed-flask");
    beginAndShut();
    const auto forecast = forecasts.of(act());
    wait(600);
    const double expected = kelvinFromClock(forecast->rehearsal, 600.0) - kIcePointKelvin;
    ASSERT_TRUE(commands().read(id, {expected, "", "in the liquid"}));
    ASSERT_TRUE(commands().read(id, {expected + 25.0, "", "in the liquid"}));
    ASSERT_TRUE(commands().read(id, {expected + 5.0, "", "on the glass"}));
    ASSERT_TRUE(commands().read(id, {std::nullopt, "hand-warm", "by hand"}));
    EXPECT_FALSE(commands().read(id, {std::nullopt, " ", "by hand"}));
    EXPECT_FALSE(commands().read(id, {5000.0, "", "by hand"}));
    const auto v = view();
    ASSERT_EQ(v.points.size(), 3U) << "a word is kept, and is no point";
    EXPECT_EQ(v.points[0].seconds, 600.0);
    EXPECT_EQ(v.points[0].inBand, true);
    EXPECT_EQ(v.points[1].inBand, false);
    EXPECT_FALSE(v.points[2].inBand) << "the glass is not the liquid";
    EXPECT_EQ(plain(v.stamps[0].what), "hand-warm, by hand");
    EXPECT_NE(plain(v.now).find("Forecast now"), std::string::npos);
}

TEST_F(Conduct, FiguresOfAnyScaleAndBoundsMeanWhatTheySay) {
    enterRoom();
    add("sealed-flask");
    begin();
    ASSERT_TRUE(commands().read(id, {158.0, "", "in the liquid", "degF"}));
    ASSERT_TRUE(commands().read(id, {343.15, "", "in the liquid", "K"}));
    ASSERT_TRUE(commands().read(id, {std::nullopt, "under 60", "in the liquid", "degC"}));
    ASSERT_TRUE(commands().read(id, {std::nullopt, "> 40,5 °C", "by hand", "degC"}));
    EXPECT_FALSE(commands().read(id, {-1.0, "", "in the liquid", "K"}));
    const auto data = Notebook::openToRead(dir / "a.uttrin")->load(s->lessonId()).value();
    std::vector<StampedTemperature> read;
    for (const Stamp& stamp : data.stamps)
        if (const auto t = temperatureOf(s->model(), stamp)) read.push_back(*t);
    ASSERT_EQ(read.size(), 4U);
    EXPECT_NEAR(read[0].kelvin, 343.15, 1e-9); // 158 °F are 70 °C
    EXPECT_NEAR(read[1].kelvin, 343.15, 1e-9);
    EXPECT_EQ(data.stamps[3].bound, StampBound::Below);
    EXPECT_EQ(data.stamps[4].bound, StampBound::Above);
    EXPECT_NEAR(read[3].kelvin, 313.65, 1e-9);
    EXPECT_FALSE(read[3].ofTheLiquid);
    EXPECT_EQ(plain(readingText(data.stamps[3])), "under 60 °C, in the liquid");
    EXPECT_FALSE(boundIn("under the table"));
    EXPECT_FALSE(boundIn("60"));
    for (const WayToRead& way : waysToRead(s->model())) // each can be stamped, and read back
        EXPECT_TRUE(
            commands().read(id, {way.unit == "ohm" ? 110.0 : 300.0, "", "", way.unit, way.instrument}))
            << plain(way.says);
}

// A flask that is shut a quarter of an hour later than its model has it is shut when it is.
TEST_F(Conduct, TheForecastIsSetRightByTheStampFromWhichOneCounts) {
    enterRoom();
    add("sealed-flask");
    begin();
    wait(3600);
    EXPECT_LE(*view().seconds, 0.0) << "it waits to be shut";
    for (int step = 0; step < 3; ++step)
        ASSERT_TRUE(commands().confirm(id, step));
    EXPECT_NEAR(*view().seconds, 0.0, 1e-9);
    wait(300);
    EXPECT_NEAR(*view().seconds, 300.0, 1e-9);
    EXPECT_EQ(plain(view().since), "clamp shut");
    ASSERT_TRUE(view().next);
    EXPECT_EQ(plain(view().next->says), "ice on the vapour");
    const auto task = [&] { return learningTask(*s, act(), *forecasts.of(act())); };
    EXPECT_FALSE(task()) << "nothing to learn from yet";
    ASSERT_TRUE(commands().confirm(id, 3));
    ASSERT_TRUE(commands().confirm(id, 4)); // ice
    ASSERT_TRUE(commands().see(id, plain(thingsSeen()[kIceOn])));
    ASSERT_TRUE(task());
    EXPECT_EQ(task()->observed.moves.size(), 1U) << "the step and what is seen of it are one";
    EXPECT_NEAR(task()->observed.moves[0].seconds, 300.0, 1e-9);
    wait(600);
    ASSERT_TRUE(commands().see(id, plain(thingsSeen()[kIceOn])));
    EXPECT_EQ(task()->observed.moves.size(), 2U);
    const std::string before = task()->key;
    ASSERT_TRUE(commands().read(id, {64.0, "", "in the liquid"}));
    EXPECT_NE(task()->key, before);
    ASSERT_EQ(task()->observed.readings.size(), 1U);
    EXPECT_NEAR(task()->observed.readings[0].seconds, 900.0, 1e-9);
}

// Nobody has laid the ice on: the forecast does not do it for them, and says that it is due.
TEST_F(Conduct, WhatIsOverdueIsHeldBackUntilItIsStamped) {
    enterRoom();
    add("sealed-flask");
    beginAndShut();
    wait(1800);
    const auto frozen = forecasts.of(act());
    std::optional<LearnedForecast> learned;
    for (int round = 0; round < 3; ++round) { // it stays so, however often it is looked at
        const auto task = learningTask(*s, act(), *frozen, learned ? &*learned : nullptr);
        ASSERT_TRUE(task) << round;
        learned = *learn(*task->rig.rig(), task->rig.settings(), task->observed, 2);
        const auto v = conductView(*s, act(), frozen.get(), &*learned);
        ASSERT_TRUE(v.next);
        EXPECT_TRUE(v.next->overdue);
        EXPECT_EQ(plain(v.next->says), "ice on the vapour");
        wait(7);
    }
    ASSERT_TRUE(commands().see(id, plain(thingsSeen()[kIceOn])));
    const auto task = learningTask(*s, act(), *frozen, &*learned);
    ASSERT_TRUE(task);
    learned = *learn(*task->rig.rig(), task->rig.settings(), task->observed, 2);
    EXPECT_EQ(plain(conductView(*s, act(), frozen.get(), &*learned).next->says), "ice, second time");
}

TEST_F(Conduct, WhatIsLearnedIsToldInWords) {
    enterRoom();
    add("sealed-flask");
    beginAndShut();
    wait(300);
    ASSERT_TRUE(commands().read(id, {84.0, "", "in the liquid"}));
    const auto task = learningTask(*s, act(), *forecasts.of(act()));
    ASSERT_TRUE(task);
    const auto learned = learn(*task->rig.rig(), task->rig.settings(), task->observed, 10);
    ASSERT_TRUE(learned) << learned.error().message;
    const auto v = conductView(*s, act(), forecasts.of(act()).get(), &*learned);
    std::string all;
    for (const Text& text : v.outlook)
        all += plain(text) + "\n";
    for (const char* part : {"By what was read: ", "Next: ice", "boils down to", "is held with", "scalds"})
        EXPECT_NE(all.find(part), std::string::npos) << part << "\n" << all;
}

TEST_F(Conduct, BubblesFarBelowTheBoilingPointAreDissolvedAir) {
    enterRoom();
    add("bell-jar");
    begin();
    const auto forecast = forecasts.of(act());
    const Text& boils = thingsSeen().front();
    EXPECT_NE(plain(remarkOn(boils, view(), forecast.get())).find("dissolved air"), std::string::npos);
    const auto starts =
        std::ranges::find(forecast->rehearsal.run.events, RigEventKind::BoilingStarts, &RigEvent::kind);
    ASSERT_NE(starts, forecast->rehearsal.run.events.end());
    wait(200); // it is set up
    ASSERT_TRUE(commands().confirm(id, 0));
    ASSERT_TRUE(commands().confirm(id, 1)); // pump on
    wait(static_cast<int>(starts->seconds) + 5);
    EXPECT_TRUE(remarkOn(boils, view(), forecast.get()).empty());
    EXPECT_TRUE(remarkOn(thingsSeen()[1], view(), forecast.get()).empty()) << "only 'boils' is doubted";
}

// Whoever conducts any of them is asked for eye protection where there is vacuum or hot glass, and each has
// steps.
TEST_F(Conduct, EveryActHasStepsAndThoseWithAPumpAskForEyeProtection) {
    for (const Demonstration& d : demonstrations()) {
        if (!ActRig{d.id, "", {}, {}, std::nullopt}.refused().empty()) {
            EXPECT_TRUE(d.rig.story().steps.empty() || d.id != "closed-and-heated");
            continue;
        }
        const auto& steps = d.rig.story().steps;
        EXPECT_GE(steps.size(), 3U) << d.id;
        const bool pump = !d.rig.setup()->model.pumps.empty();
        const bool asked = std::ranges::any_of(steps, [](const RigStep& step) {
            return std::ranges::any_of(step.confirm, [](const RigConfirmation& c) {
                return c.says.find("Eye protection") != std::string::npos && !c.hazard.empty();
            });
        });
        EXPECT_TRUE(!pump || asked) << d.id;
    }
}

} // namespace
} // namespace uttrin
