#include "lesson/actcommands/ActCommands.h"
#include "lesson/acts/PeriodView.h"
#include "physics/Constants.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/RigTiming.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

class Acts : public testing::DrivenLesson {
protected:
    ActForecasts forecasts;

    auto commands() { return ActCommands(*s); }

    static Act block(const std::string& title, int startMin, int lastMin) {
        Act a;
        a.title = title;
        a.startsS = 60 * startMin;
        a.lastsS = 60 * lastMin;
        return a;
    }

    static Act demonstration(const std::string& rig, int startMin, const std::string& variant = {},
                             std::vector<RigSetting> values = {}) {
        Act a;
        a.kind = ActKind::Demonstration;
        a.title = rig;
        a.startsS = 60 * startMin;
        a.rig = writeActRig({rig, variant, {}, std::move(values), std::nullopt});
        return a;
    }

    RowId add(const Act& act) {
        const auto id = commands().add(act);
        EXPECT_TRUE(id);
        return id.value_or(0);
    }
    [[nodiscard]] Act act(RowId id) const {
        const auto& acts = s->model().data().acts;
        return *std::ranges::find(acts, id, &Act::id);
    }
    PeriodView view() { return periodView(*s, forecasts); }
};

TEST_F(Acts, AnActIsOnDiskIsMovedAndComesBackByUndo) {
    const RowId id = add(block("Question", 0, 4));
    ASSERT_TRUE(commands().moveTo(id, 600));
    auto again = *Notebook::openToRead(dir / "a.uttrin");
    const auto stored = again.load(s->lessonId()).value().acts;
    ASSERT_EQ(stored.size(), 1U);
    EXPECT_EQ(stored[0].title, "Question");
    EXPECT_EQ(stored[0].startsS, 600);
    EXPECT_EQ(stored[0].lastsS, 240);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(act(id).startsS, 0);
    ASSERT_TRUE(s->undo());
    EXPECT_TRUE(s->model().data().acts.empty());
    ASSERT_TRUE(s->redo());
    EXPECT_EQ(act(id).title, "Question");
    ASSERT_TRUE(commands().remove(id));
    EXPECT_TRUE(s->model().data().acts.empty());
}

TEST_F(Acts, WhatMakesNoSenseIsRefusedAndChangesNothing) {
    EXPECT_FALSE(commands().add(block(" ", 0, 4)));
    EXPECT_FALSE(commands().add(block("Talk", 0, 0)));
    EXPECT_FALSE(commands().moveTo(99, 0));
    EXPECT_FALSE(commands().remove(99));
    const RowId id = add(block("Talk", 0, 4));
    EXPECT_FALSE(commands().skip(id, "  ")) << "a word of why";
    EXPECT_EQ(act(id).state, ActState::Planned);
    ASSERT_TRUE(commands().skip(id, "no time"));
    EXPECT_EQ(act(id).whySkipped, "no time");
    ASSERT_TRUE(commands().setState(id, ActState::Planned));
    EXPECT_FALSE(act(id).whySkipped);
    PeriodRow none;
    EXPECT_FALSE(commands().setPeriod(none));
}

TEST_F(Acts, TheRigOfAnActComesBackAsItWasWritten) {
    const ActRig rig{"sealed-flask", "shut at once", {}, {{"/vessels/flask/liquid", "300 g"}}, std::nullopt};
    const auto back = readActRig(writeActRig(rig));
    ASSERT_TRUE(back);
    EXPECT_EQ(back->id, rig.id);
    EXPECT_EQ(back->variant, rig.variant);
    EXPECT_EQ(back->values, rig.values);
    EXPECT_EQ(back->settings().back(), rig.values.back()) << "this teacher’s own values win";
    ActRig brought;
    brought.file = findDemonstration("syringe")->rig;
    const auto own = readActRig(writeActRig(brought));
    ASSERT_TRUE(own);
    EXPECT_EQ(own->rig()->name(), brought.file->name());
    for (const char* wrong :
         {"", "{}", "[1]", R"({"rig":"no-such"})", R"({"rig":"syringe","values":{"/nowhere":"1 g"}})",
          R"({"rig":"syringe","values":[]})", R"({"rig":"syringe","more":1})", R"({"file":{}})"})
        EXPECT_FALSE(readActRig(wrong)) << wrong;
}

// What is only to be rehearsed says why it is no act.
TEST_F(Acts, HouseholdGlassAndWhatIsShutAndHeatedAreNoActs) {
    for (const auto& [rig, variant] :
         {std::pair{"closed-and-heated", ""}, std::pair{"sealed-flask", "household jar"},
          std::pair{"sealed-flask", "bottle"}, std::pair{"bell-jar", "in the palm of a hand"}})
        EXPECT_FALSE((ActRig{rig, variant, {}, {}, std::nullopt}.refused().empty()))
            << rig << ", " << variant;
    EXPECT_TRUE((ActRig{"sealed-flask", "", {}, {}, std::nullopt}.refused().empty()));
    EXPECT_TRUE((ActRig{"sealed-flask", "shut at once", {}, {}, std::nullopt}.refused().empty()));
    EXPECT_FALSE((ActRig{"no-such", "", {}, {}, std::nullopt}.refused().empty()));
}

TEST_F(Acts, EveryDemonstrationThatMayBeAnActHasATimeWithItsPartsInARow) {
    enterRoom();
    for (const Demonstration& d : demonstrations()) {
        if (!ActRig{d.id, "", {}, {}, std::nullopt}.refused().empty()) continue;
        const ActForecast f = forecasts.of(*s, demonstration(d.id, 0));
        SCOPED_TRACE(d.id);
        EXPECT_TRUE(f.trouble.empty()) << f.trouble;
        EXPECT_GT(f.timed.lasts, 0.0);
        ASSERT_FALSE(f.parts.empty());
        EXPECT_EQ(f.parts.front().from, 0.0);
        EXPECT_NEAR(f.parts.back().to, f.timed.lasts, 1e-6);
        for (std::size_t i = 1; i < f.parts.size(); ++i)
            EXPECT_EQ(f.parts[i].from, f.parts[i - 1].to);
        for (const Occupation& o : f.timed.takes)
            EXPECT_TRUE(o.from >= 0.0 && o.from < o.to && o.to <= f.timed.lasts + 1e-6)
                << o.from << " to " << o.to;
        EXPECT_FALSE(f.materials.empty());
    }
}

// A flask boils, is shut, cools by itself and is shown: it takes the heater only until it is shut, and the
// ice is that of its three helpings.
TEST_F(Acts, ASealedFlaskTakesTheHeaterUntilItIsShut) {
    enterRoom();
    const ActForecast f = forecasts.of(*s, demonstration("sealed-flask", 0));
    const auto played = *rehearse(findDemonstration("sealed-flask")->rig, {{"/room/pressure", "94310 Pa"}});
    const double shut = clockStart(played);
    const auto heater = std::ranges::find(f.timed.takes, Resource::Heater, &Occupation::what);
    ASSERT_NE(heater, f.timed.takes.end());
    EXPECT_EQ(heater->from, 0.0);
    EXPECT_NEAR(heater->to, shut, 30.0);
    EXPECT_GT(f.timed.shown, shut);
    double ice = 0.0;
    for (const TimedAct::Ice& portion : f.timed.ice)
        ice += portion.kg;
    EXPECT_NEAR(ice, 3 * 0.060, 1e-9);
    EXPECT_TRUE(std::ranges::any_of(f.parts, [](const ActPart& p) { return p.kind == ActPart::Wait; }));
}

TEST_F(Acts, AWishIsWorkedBackToWhenToBegin) {
    enterRoom();
    Act flask = demonstration("sealed-flask", -30);
    flask.readyS = 5 * 60;
    flask.readyK = 60.0 + kIcePointKelvin;
    const ActForecast f = forecasts.of(*s, flask);
    const auto lead =
        leadTimeFor(findDemonstration("sealed-flask")->rig, {{"/room/pressure", "94310 Pa"}}, *flask.readyK);
    ASSERT_TRUE(lead);
    ASSERT_TRUE(f.wishStarts);
    EXPECT_NEAR(*f.wishStarts, *flask.readyS - lead->fromStart, 1.0);
    EXPECT_NEAR(f.timed.shown, lead->fromStart, 1.0);
    const auto waits = std::ranges::find(f.parts, ActPart::Wait, &ActPart::kind);
    ASSERT_NE(waits, f.parts.end());
    EXPECT_NEAR(waits->to, lead->fromStart, 1.0);
    EXPECT_GT(waits->u, 0.0);
    EXPECT_NE(plain(waits->what).find("60"), std::string::npos);
    flask.readyK = 5.0 + kIcePointKelvin; // colder than the room
    EXPECT_FALSE(forecasts.of(*s, flask).wishStarts);
    EXPECT_FALSE(forecasts.of(*s, flask).wish.empty());
}

TEST_F(Acts, TwoThatWantThePumpAreNamedAndMendedOnOneKey) {
    enterRoom();
    const RowId bell = add(demonstration("bell-jar", 5)), ice = add(demonstration("freeze-by-boiling", 8));
    PeriodView v = view();
    ASSERT_EQ(v.lanes.size(), 2U);
    const auto pump = std::ranges::find_if(v.clashes, [](const auto& c) {
        return plain(c.says).find("the pump is wanted by bell-jar, freeze-by-boiling") != std::string::npos;
    });
    ASSERT_NE(pump, v.clashes.end());
    EXPECT_EQ(pump->acts, (std::vector<RowId>{bell, ice}));
    EXPECT_TRUE(v.lanes[0].conflict && v.lanes[1].conflict);
    const auto mend = mendOf(*s, forecasts);
    ASSERT_TRUE(mend);
    ASSERT_TRUE(commands().moveBy(*mend));
    EXPECT_TRUE(view().clashes.empty());
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(act(bell).startsS, 300);
    EXPECT_EQ(act(ice).startsS, 480);
    // With a second pump only the hands are wanted twice.
    PeriodRow two = periodRow(s->model());
    two.pumps = 2;
    ASSERT_TRUE(commands().setPeriod(two));
    for (const auto& c : view().clashes)
        EXPECT_EQ(plain(c.says).find("pump"), std::string::npos) << c.says;
}

TEST_F(Acts, WhatIsDoneOrSkippedConflictsWithNothing) {
    enterRoom();
    const RowId bell = add(demonstration("bell-jar", 5));
    add(demonstration("bell-jar", 5));
    EXPECT_FALSE(view().clashes.empty());
    ASSERT_TRUE(commands().setState(bell, ActState::Done));
    EXPECT_TRUE(view().clashes.empty());
    EXPECT_EQ(view().lanes.size(), 2U) << "it stays in the picture";
    ASSERT_TRUE(commands().skip(bell, "shown last week"));
    EXPECT_EQ(view().lanes.size(), 1U);
}

TEST_F(Acts, ALessonThatIsTooLongSaysByHowMuch) {
    add(block("Talk", 50, 10));
    const auto v = view();
    ASSERT_EQ(v.clashes.size(), 1U);
    EXPECT_EQ(plain(v.clashes[0].says), "Talk ends 5 min after the bell.");
    EXPECT_NE(plain(v.summary).find("5 min too long"), std::string::npos) << v.summary;
    PeriodRow longer = periodRow(s->model());
    longer.lastsS = 60 * 60;
    ASSERT_TRUE(commands().setPeriod(longer));
    EXPECT_TRUE(view().clashes.empty());
}

TEST_F(Acts, WhatToDoStandsInTheOrderOfTimeByTheClock) {
    enterRoom();
    add(block("Question", 0, 4));
    add(demonstration("sealed-flask", -30));
    auto v = view();
    ASSERT_FALSE(v.todo.empty());
    EXPECT_TRUE(std::ranges::is_sorted(v.todo, {}, &PeriodView::Todo::minute));
    EXPECT_EQ(v.todo.front().minute, -30.0);
    EXPECT_EQ(plain(v.todo.front().when), "minute −30");
    PeriodRow ten = periodRow(s->model());
    ten.bellAt = clock.time;
    ASSERT_TRUE(commands().setPeriod(ten));
    v = view();
    EXPECT_EQ(plain(v.todo.front().when),
              clockText(clock.time - 30 * 60'000, s->model().lesson().utcOffsetMin));
    ASSERT_TRUE(v.now);
    EXPECT_NEAR(*v.now, 0.0, 1e-9);
    EXPECT_LE(v.from, -30.0);
    EXPECT_TRUE(
        std::ranges::any_of(v.fetch, [](const Text& t) { return plain(t) == "ice, in portions: 180 g"; }));
}

TEST_F(Acts, TheBellIsATimeOnTheDayOfTheLesson) {
    Lesson lesson;
    lesson.heldOn = "2026-04-24";
    for (const int offset : {0, 120, -330}) {
        lesson.utcOffsetMin = offset;
        for (const char* time : {"00:00", "10:00", "23:59"}) {
            const auto at = onTheDay(lesson, time);
            ASSERT_TRUE(at) << time;
            EXPECT_EQ(clockText(*at, offset), time);
            EXPECT_EQ(isoText(*at, offset).substr(0, 10), lesson.heldOn);
        }
        EXPECT_EQ(onTheDay(lesson, "9:05"), onTheDay(lesson, "09:05"));
    }
    for (const char* wrong : {"", "10", "24:00", "10:60", "-1:00", "10:0.5", "x:y"})
        EXPECT_FALSE(onTheDay(lesson, wrong)) << wrong;
    lesson.heldOn = "some day";
    EXPECT_FALSE(onTheDay(lesson, "10:00"));
}

TEST_F(Acts, ALabTakesAsLongAsItsSheet) {
    Act lab;
    lab.kind = ActKind::Lab;
    lab.title = "Lab";
    lab.setupId = s->setupId();
    lab.doer = ActDoer::Groups;
    EXPECT_FALSE(forecasts.of(*s, lab).trouble.empty()) << "no room yet";
    enterRoom();
    EXPECT_NEAR(forecasts.of(*s, lab).timed.lasts, s->sheet()->totalSeconds, 1e-6);
    lab.lastsS = 600;
    EXPECT_EQ(forecasts.of(*s, lab).timed.lasts, 600.0);
    EXPECT_EQ(forecasts.of(*s, lab).parts.back().to, 600.0);
    lab.setupId = 99;
    EXPECT_FALSE(forecasts.of(*s, lab).trouble.empty());
}

} // namespace
} // namespace uttrin
