#include "lesson/acts/ConductView.h"
#include "lesson/commands/ActCommands.h"
#include "lesson/commands/ConductCommands.h"
#include "physics/Constants.h"
#include "rehearsal/Demonstrations.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

class Conduct : public testing::DrivenLesson {
protected:
    FrozenForecasts forecasts;
    RowId id = 0;

    void add(const std::string& rig, const std::string& variant = {}) {
        Act a;
        a.kind = ActKind::Demonstration;
        a.title = rig;
        a.rig = writeActRig({rig, variant, {}, {}, std::nullopt});
        const auto added = ActCommands(*s).add(a);
        ASSERT_TRUE(added);
        id = *added;
    }
    [[nodiscard]] Act act() const {
        const auto& acts = s->model().data().acts;
        return *std::ranges::find(acts, id, &Act::id);
    }
    void begin() {
        const auto frozen = toFreeze(*s, act());
        ASSERT_TRUE(frozen) << frozen.error().message;
        ASSERT_TRUE(ConductCommands(*s).begin(id, *frozen));
    }
    ConductCommands commands() { return ConductCommands(*s); }
    ConductView view() { return conductView(*s, act(), forecasts); }
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
    ASSERT_FALSE(before->band.seconds.empty());
    enterRoom(1013.0); // read wrongly before
    EXPECT_EQ(forecasts.of(act()), before);
    FrozenForecasts anew; // as after a restart
    const auto again = anew.of(act());
    ASSERT_EQ(again->rehearsal.run.samples.size(), before->rehearsal.run.samples.size());
    EXPECT_EQ(again->rehearsal.watchedAt(50).kelvin, before->rehearsal.watchedAt(50).kelvin);
    EXPECT_EQ(again->band.lowKelvin, before->band.lowKelvin);
}

TEST_F(Conduct, WhatIsReadLiesInTheBandOrNotAndWordsAreKept) {
    enterRoom();
    add("sealed-flask");
    begin();
    const auto forecast = forecasts.of(act());
    wait(600);
    const double expected =
        forecast->rehearsal.watchedAt(forecast->rehearsal.sampleAt(600)).kelvin - kIcePointKelvin;
    ASSERT_TRUE(commands().read(id, expected, "", "in the liquid"));
    ASSERT_TRUE(commands().read(id, expected + 25.0, "", "on the glass"));
    ASSERT_TRUE(commands().read(id, std::nullopt, "hand-warm", "by hand"));
    EXPECT_FALSE(commands().read(id, std::nullopt, " ", "by hand"));
    EXPECT_FALSE(commands().read(id, 5000.0, "", "by hand"));
    const auto v = view();
    ASSERT_EQ(v.points.size(), 2U) << "a word is kept, and is no point";
    EXPECT_EQ(v.points[0].seconds, 600.0);
    EXPECT_EQ(v.points[0].inBand, true);
    EXPECT_EQ(v.points[1].inBand, false);
    ASSERT_EQ(v.stamps.size(), 4U);
    EXPECT_EQ(plain(v.stamps[0].what), "hand-warm, by hand");
    EXPECT_NE(plain(v.now).find("Forecast now"), std::string::npos);
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
    wait(static_cast<int>(starts->seconds) + 5);
    EXPECT_TRUE(remarkOn(boils, view(), forecast.get()).empty());
    wait(-static_cast<int>(starts->seconds) - 5);
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
