#include "lesson/acts/ActReadings.h"
#include "lesson/acts/PeriodView.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/exchange/ActsExchange.h"
#include "lesson/exchange/EarlierLesson.h"
#include "lesson/results/ActResult.h"
#include "plan/PlanJson.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/card/ToldCard.h"
#include "support/ConductedLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

/// Acts led by their cards, in a room of their own.
class CardActs : public testing::ConductedLesson {
protected:
    ActForecasts times;

    void SetUp() override {
        testing::ConductedLesson::SetUp();
        enterRoom(803.4);
    }
    void addLab() {
        Act a;
        a.kind = ActKind::Lab;
        a.title = "Points";
        a.doer = ActDoer::Groups;
        a.setupId = s->setupId();
        id = *ActCommands(*s).add(a);
    }
    [[nodiscard]] ConductView view() {
        const auto frozen = forecasts.of(act());
        return conductView(*s, act(), frozen.get());
    }
    ConductCommands commands() { return ConductCommands(*s); }
    void confirm(int step, bool again = false) {
        clock.time += 30'000;
        ASSERT_TRUE(commands().confirm(id, step, again));
    }
    [[nodiscard]] static std::string says(const std::vector<Text>& texts) {
        std::string all;
        for (const Text& t : texts)
            all += plain(t) + "\n";
        return all;
    }
};

TEST_F(CardActs, ALabIsLedByTheCardOfItsMethodRoundAndRoundUntilTheLastPoint) {
    addLab();
    EXPECT_TRUE(view().canBegin);
    EXPECT_EQ(plain(view().steps[0].says), findDemonstration("lab-held-pressure")->rig.story().steps[0].says);
    begin();
    EXPECT_TRUE(act().frozen.empty()) << "its forecast is its plan";
    ASSERT_EQ(view().current, 0);
    confirm(0);
    for (int point = 0; point < 3; ++point) {
        ASSERT_EQ(view().current, 1);
        EXPECT_TRUE(view().steps[1].repeats);
        EXPECT_EQ(view().steps[1].times, point);
        confirm(1, true);
        ASSERT_EQ(view().current, 2);
        confirm(2, true);
    }
    ASSERT_EQ(view().current, 1);
    confirm(1); // the last
    ConductView v = view();
    ASSERT_EQ(v.current, 3) << "the heat is off before anything is shut";
    EXPECT_EQ(v.steps[1].state, ConductView::Step::Done);
    EXPECT_EQ(v.steps[2].state, ConductView::Step::Done);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(view().current, 1);
    ASSERT_TRUE(s->redo());
    EXPECT_NE(plain(view().steps[3].valves).find("heater off"), std::string::npos);
    ASSERT_TRUE(commands().skip(id, 3, "in a hurry"));
    v = view();
    EXPECT_FALSE(v.current);
    EXPECT_NE(plain(v.hazard).find("heater off"), std::string::npos);
}

TEST_F(CardActs, ALabKeepsTheCardThatItBeganWith) {
    addLab();
    EXPECT_EQ(cardOf(s->model(), act())->id, "lab-held-pressure");
    Plan plan = s->plan();
    plan.method = Method::HoldTemperature;
    plan.rig.pump = PumpKind::Hand;
    ASSERT_TRUE(s->changePlan(plan, Text::typed("other method")));
    EXPECT_EQ(cardOf(s->model(), act())->id, "lab-held-temperature");
    EXPECT_EQ(cardOf(s->model(), act())->variant, "hand pump");
    begin();
    plan.method = Method::HoldPressure;
    ASSERT_TRUE(s->changePlan(plan, Text::typed("back")));
    EXPECT_EQ(cardOf(s->model(), act())->id, "lab-held-temperature");
    Act lost = act();
    lost.rig.clear();
    lost.setupId.reset();
    EXPECT_FALSE(cardOf(s->model(), lost));
}

TEST_F(CardActs, LiquidInTheLineComesBeforeAllElseUntilItIsDrained) {
    add("bell-jar");
    begin();
    EXPECT_TRUE(view().drainable);
    EXPECT_TRUE(view().drain.empty());
    clock.time += 1000;
    ASSERT_TRUE(commands().see(id, plain(liquidInLine())));
    EXPECT_NE(plain(view().drain).find("empty it and the trap"), std::string::npos);
    clock.time += 1000;
    ASSERT_TRUE(commands().see(id, plain(lineDrained())));
    EXPECT_TRUE(view().drain.empty());
    add("syringe");
    EXPECT_FALSE(view().drainable) << "it has no pump";
}

TEST_F(CardActs, AMassIsMeasuredAndKeptAndTeachesNoTemperature) {
    add("freeze-by-boiling");
    begin();
    ASSERT_EQ(view().steps[0].measures, "g");
    const auto ways = waysToRead(s->model(), "g");
    EXPECT_EQ(ways.front().unit, "g");
    EXPECT_FALSE(ways.front().isTemperature());
    EXPECT_TRUE(ways[1].isTemperature());
    EXPECT_EQ(waysToRead(s->model(), "degC").front().unit, "degC");
    clock.time += 1000;
    ASSERT_TRUE(commands().read(id, {23.47, "", "", "g", {}}));
    EXPECT_FALSE(commands().read(id, {-1.0, "", "", "g", {}}));
    EXPECT_EQ(plain(view().stamps.front().what), "23.47 g");
    EXPECT_TRUE(view().points.empty());
    EXPECT_FALSE(temperatureOf(s->model(), s->model().data().stamps.back()));
}

TEST_F(CardActs, WhatBoilsBelowTheUsualPointWantsATemperatureBeforeAndAfter) {
    add("bell-jar");
    begin();
    EXPECT_NE(plain(view().wanted).find("before it boils"), std::string::npos);
    const auto read = [&](double celsius) {
        clock.time += 5000;
        ASSERT_TRUE(commands().read(id, {celsius, "", plain(placesRead().front()), "degC", {}}));
    };
    read(19.5);
    EXPECT_TRUE(view().wanted.empty());
    clock.time += 5000;
    ASSERT_TRUE(commands().see(id, plain(thingsSeen()[kBoils])));
    EXPECT_NE(plain(view().wanted).find("again"), std::string::npos);
    read(12.0);
    EXPECT_TRUE(view().wanted.empty());
    add("pressure-cooker"); // it boils above the usual point
    begin();
    EXPECT_TRUE(view().wanted.empty());
}

TEST_F(CardActs, ConditionsAndVesselsAreKeptWithTheRigAndHouseholdGlassIsRefused) {
    ActRig rig;
    rig.id = "sealed-flask";
    rig.choose("boiling chips", "none");
    rig.choose("water", "melted snow");
    rig.choose("drying agent", "");
    auto back = readActRig(writeActRig(rig));
    ASSERT_TRUE(back);
    EXPECT_EQ(back->conditions, rig.conditions);
    EXPECT_EQ(says(conditionTexts(back->story().card, back->conditions)),
              "boiling chips: none\nwater: melted snow\n");
    back->choose("boiling chips", "fresh"); // the usual
    EXPECT_EQ(back->conditions.size(), 1U);
    EXPECT_TRUE(back->refused().empty());
    back->set({"/vessels/flask/made_for", "household"});
    EXPECT_NE(plain(back->refused()).find("household glass"), std::string::npos);
    back->set({"/vessels/flask/made_for", "laboratory"});
    EXPECT_TRUE(back->refused().empty());
    EXPECT_EQ(back->values.size(), 1U);
    EXPECT_FALSE(readActRig(R"({"rig":"syringe","conditions":[]})"));
}

TEST_F(CardActs, OfAnUnknownLiquidNothingIsForecastAndAllIsKept) {
    ActRig rig;
    rig.id = "sealed-flask";
    rig.liquidKnown = false;
    Act a;
    a.kind = ActKind::Demonstration;
    a.title = "What is it?";
    a.rig = writeActRig(rig);
    EXPECT_FALSE(readActRig(a.rig)->liquidKnown);
    EXPECT_FALSE(readActRig(R"({"rig":"syringe","liquid":"milk"})"));
    a.lastsS = 1200;
    id = *ActCommands(*s).add(a);
    const ActForecast f = times.of(*s, act());
    EXPECT_TRUE(f.trouble.empty());
    EXPECT_EQ(f.timed.lasts, 1200.0);
    ASSERT_EQ(f.parts.size(), 1U);
    EXPECT_TRUE(f.wish.empty());
    EXPECT_FALSE(f.cautions.empty()) << "glass implodes whatever is in it";
    begin();
    EXPECT_FALSE(forecasts.of(act()));
    clock.time += 1000;
    ASSERT_TRUE(commands().read(id, {61.5, "", plain(placesRead().front()), "degC", {}}));
    ASSERT_TRUE(commands().see(id, plain(thingsSeen()[kBoils])));
    const ConductView v = view();
    EXPECT_FALSE(v.liquidKnown);
    EXPECT_TRUE(v.now.empty() && v.outlook.empty() && !v.next);
    EXPECT_NE(plain(v.stamps[1].what).find("61.5 °C"), std::string::npos);
    ASSERT_EQ(v.current, 0) << "it is led by its card all the same";
}

TEST_F(CardActs, EachGroupCoolsItsOwnFlaskAndItsReadingsAreItsOwn) {
    ASSERT_TRUE(RunCommands(*s).startRun("Basalt"));
    ASSERT_TRUE(RunCommands(*s).startRun("Cedar"));
    const RowId basalt = s->model().data().groups[0].id, cedar = s->model().data().groups[1].id;
    add("sealed-flask");
    Act groups = act();
    groups.doer = ActDoer::Groups;
    ASSERT_TRUE(ActCommands(*s).change(groups, Text::typed("groups")));
    beginAndShut();
    const auto read = [&](RowId group, double celsius) {
        clock.time += 60'000;
        ASSERT_TRUE(commands().read(id, {celsius, "", plain(placesRead().front()), "degC", {}, group}));
    };
    const auto see = [&](RowId group, std::size_t what) {
        clock.time += 1'000;
        ASSERT_TRUE(commands().see(id, plain(thingsSeen()[what]), group));
    };
    read(basalt, 81.0);
    see(basalt, kBoils);
    read(basalt, 70.5);
    read(cedar, 88.0);
    see(cedar, kBoils);
    read(cedar, 79.0);
    see(cedar, kStops);
    read(cedar, 60.0); // it boils no more
    EXPECT_FALSE(commands().see(id, "boils", 999));
    EXPECT_NE(plain(view().stamps.front().what).find("Cedar: 60 °C"), std::string::npos);
    const auto frozen = forecasts.of(act());
    const auto task = [&](std::optional<RowId> group) {
        const ActCourse course(s->model(), act(), *frozen, group);
        return course.observed(clock.time).readings.size();
    };
    EXPECT_EQ(task(basalt), 2U);
    EXPECT_EQ(task(cedar), 3U);
    EXPECT_EQ(task(std::nullopt), 0U) << "no flask is taken for another’s";
    const ActResult r = actResult(*s, act(), frozen.get(), nullptr);
    ASSERT_EQ(r.groups.size(), 2U);
    EXPECT_EQ(plain(r.groups[0].lowest), "70.5 °C");
    EXPECT_EQ(plain(r.groups[1].lowest), "79.0 °C");
    EXPECT_EQ(r.groups[1].read, 3);
    // Steam tables: 31.8 kPa at 70.5 °C; the air that is left comes on top.
    const double inside = std::stod(plain(r.groups[0].inside));
    EXPECT_GT(inside, 31.0);
    EXPECT_LT(inside, 45.0);
    // Out and in again, each stamp is still its group's; a group that is not there yet is made.
    for (const auto& text : {actsCsv(s->model()), actsJson(s->model())}) {
        const auto back = text.front() == '{' ? readActsJson(text) : readActsCsv(text);
        ASSERT_TRUE(back);
        ASSERT_TRUE(ActCommands(*s).addImported(back->acts));
        const auto& stamps = s->model().data().stamps;
        const RowId copy = s->model().data().acts.back().id;
        EXPECT_EQ(std::ranges::count_if(
                      stamps, [&](const Stamp& st) { return st.actId == copy && st.groupId == cedar; }),
                  5);
    }
    EXPECT_EQ(s->model().data().groups.size(), 2U);
    ASSERT_TRUE(ActCommands(*s).remove(id));
    EXPECT_TRUE(s->notebook().check()->empty());
}

TEST_F(CardActs, WhatTheTeacherAloneDoesIsSaidWhereGroupsAreToDoIt) {
    add("sealed-flask");
    Act groups = act();
    groups.doer = ActDoer::Groups;
    ASSERT_TRUE(ActCommands(*s).change(groups, Text::typed("groups")));
    const PeriodView v = periodView(*s, times);
    EXPECT_TRUE(std::ranges::any_of(v.clashes, [](const PeriodView::Clash& c) {
        return plain(c.says).find("teacher, behind a screen") != std::string::npos;
    }));
    EXPECT_TRUE(v.needs.contains(RigNeed::Sink));
}

TEST_F(CardActs, ALessonStartsFromAnEarlierOneWithoutHowThatWent) {
    add("sealed-flask", "shut at once", {{"/vessels/flask/liquid", "310 g"}});
    beginAndShut();
    ASSERT_TRUE(commands().finish(id));
    addLab();
    const auto earlier = plannedLessonOf(dir / "a.uttrin");
    ASSERT_TRUE(earlier) << plain(earlier.error().message);
    ASSERT_EQ(earlier->acts.size(), 2U);
    const auto count = ActCommands(*s).takeOver(*earlier);
    ASSERT_TRUE(count);
    EXPECT_EQ(*count, 2);
    const auto& acts = s->model().data().acts;
    ASSERT_EQ(acts.size(), 4U);
    EXPECT_EQ(acts[2].state, ActState::Planned);
    EXPECT_TRUE(acts[2].frozen.empty());
    EXPECT_EQ(acts[2].rig, acts[0].rig);
    EXPECT_EQ(acts[3].setupId, s->setupId());
    EXPECT_TRUE(std::ranges::none_of(s->model().data().stamps,
                                     [&](const Stamp& stamp) { return stamp.actId == acts[2].id; }));
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(s->model().data().acts.size(), 2U) << "taken over as one change";
    EXPECT_FALSE(ActCommands(*s).takeOver({}));
    EXPECT_FALSE(plannedLessonOf(dir / "no-such.uttrin"));
}

TEST_F(CardActs, TheInstrumentsOfAnEarlierLessonComeWithItsLabOnce) {
    addLab();
    PlannedLesson earlier = *plannedLessonOf(dir / "a.uttrin");
    Plan other = s->plan();
    other.rig.gauge.name = "the blue gauge";
    other.rig.gauge.unit = "inHg";
    earlier.setups.front().plan = writePlan(other);
    earlier.setups.front().name = "last week";
    const std::size_t before = s->model().data().setups.size();
    for (int i = 0; i < 2; ++i)
        ASSERT_TRUE(ActCommands(*s).takeOver(earlier));
    const LessonModel& model = s->model();
    ASSERT_EQ(model.data().setups.size(), before + 1) << "the same rig is not taken over twice";
    const auto& taken = model.data().setups.back();
    EXPECT_EQ(taken.name, "last week");
    EXPECT_EQ(model.data().acts.back().setupId, taken.id);
    EXPECT_EQ(model.plan(taken.id).rig.gauge.name, "the blue gauge");
    EXPECT_TRUE(model.data().acts.back().rig.empty());
}

TEST_F(CardActs, ThePlanRingsOnceForEachThingToCome) {
    EXPECT_TRUE(plannedBells(*s, times).empty()) << "nobody has said when the bell rings";
    PeriodRow period;
    period.lastsS = 3600;
    period.bellAt = clock.time - 10 * 60'000;
    ASSERT_TRUE(ActCommands(*s).setPeriod(period));
    Act past, coming;
    past.title = "Talk";
    past.lastsS = 120;
    coming = past;
    coming.title = "Question";
    coming.startsS = 15 * 60;
    ASSERT_TRUE(ActCommands(*s).add(past));
    ASSERT_TRUE(ActCommands(*s).add(coming));
    const auto bells = plannedBells(*s, times);
    ASSERT_EQ(bells.size(), 1U);
    EXPECT_EQ(bells[0].title, "Question");
    EXPECT_NEAR(bells[0].seconds.value(), 300.0, 1e-6);
    ASSERT_TRUE(BellCommands(*s).startAll(bells));
    EXPECT_EQ(bellsOf(*s).size(), 1U);
    EXPECT_EQ(bellsOf(*s)[0].lasts, 300.0);
    EXPECT_TRUE(plannedBells(*s, times).empty()) << "it is set already";
    EXPECT_FALSE(BellCommands(*s).startAll({}));
}

TEST_F(CardActs, PeopleAndIceAreToldAndTheIceThatRunsOutIsAConflict) {
    add("sealed-flask");
    PeriodRow period;
    period.lastsS = 9000;
    period.people = 31;
    period.iceG = 150;
    ASSERT_TRUE(ActCommands(*s).setPeriod(period));
    const PeriodView v = periodView(*s, times);
    EXPECT_NE(says(v.fetch).find("eye protection: 31"), std::string::npos) << says(v.fetch);
    EXPECT_TRUE(std::ranges::any_of(v.clashes, [](const PeriodView::Clash& c) {
        return plain(c.says).find("the ice runs out") != std::string::npos;
    }));
    period.iceG = 180;
    ASSERT_TRUE(ActCommands(*s).setPeriod(period));
    EXPECT_TRUE(std::ranges::none_of(periodView(*s, times).clashes, [](const PeriodView::Clash& c) {
        return plain(c.says).find("ice") != std::string::npos;
    }));
    period.people = 0;
    EXPECT_FALSE(ActCommands(*s).setPeriod(period));
    period.people = 1;
    period.iceG = -1;
    EXPECT_FALSE(ActCommands(*s).setPeriod(period));
}

} // namespace
} // namespace uttrin
