#include "lesson/acts/ActReadings.h"
#include "lesson/acts/ActTapeView.h"
#include "lesson/acts/PeriodView.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/results/ActResult.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/RigTiming.h"
#include "report/ActRecord.h"
#include "support/ConductedLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

/// The third way of a lab, and pressures that are read in an act.
class SealedCooling : public testing::ConductedLesson {
protected:
    void SetUp() override {
        testing::ConductedLesson::SetUp();
        enterRoom(866.0);
    }
    void read(double value, std::optional<RowId> group, const std::string& unit = "degC",
              const std::string& place = plain(placesRead().front())) {
        clock.time += 60'000;
        ASSERT_TRUE(ConductCommands(*s).read(id, {value, "", place, unit, {}, group}));
    }
    void see(std::size_t what, std::optional<RowId> group = std::nullopt) {
        clock.time += 1'000;
        ASSERT_TRUE(ConductCommands(*s).see(id, plain(thingsSeen()[what]), group));
    }
    [[nodiscard]] ActResult result() {
        const auto frozen = forecasts.of(act());
        return actResult(*s, act(), frozen.get(), nullptr);
    }
    [[nodiscard]] double temperatureBy(const Rehearsal& r, double seconds) {
        return kelvinFromClock(r, seconds) - 273.15;
    }
};

TEST_F(SealedCooling, IsAVariantThatPupilsMayDoWithStepsThatTheTeacherShuts) {
    const ActRig rig = sealedCoolingLab();
    ASSERT_GE(rig.variantPlace(), 0);
    EXPECT_TRUE(rig.refused().empty());
    EXPECT_EQ(rig.story().card.who, RigDoer::Pupils);
    const auto& steps = rig.story().steps;
    const auto shut = std::ranges::find_if(steps, [](const RigStep& step) { return !step.makes.empty(); });
    ASSERT_NE(shut, steps.end());
    EXPECT_EQ(shut->says.find("The teacher"), 0U);
    EXPECT_TRUE(
        std::ranges::any_of(shut->confirm, [](const RigConfirmation& c) { return !c.hazard.empty(); }));
    std::size_t made = 0;
    for (const RigStep& step : steps)
        made += step.makes.size();
    EXPECT_EQ(made, rig.rig()->setup(rig.settings())->moves.size()) << "each move has its step";
}

TEST_F(SealedCooling, ThePressureInsideIsWorkedOutForEachGroupAndAllAreComparedWithTheForecast) {
    const RowId ember = *ActCommands(*s).addGroup("Ember"), dune = *ActCommands(*s).addGroup("Dune");
    EXPECT_EQ(*ActCommands(*s).addGroup("Ember"), ember) << "there is one of that name already";
    EXPECT_FALSE(ActCommands(*s).addGroup("  "));
    Act lab;
    lab.kind = ActKind::Demonstration;
    lab.title = "Cooling";
    lab.doer = ActDoer::Groups;
    lab.rig = writeActRig(sealedCoolingLab());
    id = *ActCommands(*s).add(lab);
    beginAndShut();
    const auto frozen = forecasts.of(act());
    for (const RowId group : {ember, dune}) {
        see(kBoils, group);
        for (int i = 0; i < 3; ++i) {
            const ActCourse course(s->model(), act(), *frozen, group);
            // As the forecast has it, but Dune's last is far too cold.
            const double as = temperatureBy(frozen->rehearsal, course.fromClock(clock.time + 60'000));
            read(group == dune && i == 2 ? as - 25.0 : as, group);
        }
    }
    const ActResult r = result();
    ASSERT_EQ(r.reads.size(), 6U);
    EXPECT_EQ(plain(r.reads.front().read).find("Ember: "), 0U);
    EXPECT_EQ(r.groups[0].outside + r.groups[1].outside, 1);
    EXPECT_NE(plain(r.verdict).find("5 of 6 temperatures"), std::string::npos) << plain(r.verdict);
    EXPECT_TRUE(r.asForeseen);
    EXPECT_TRUE(r.notMeasured.empty()) << "a group read it before and after";
    EXPECT_EQ(plain(r.pooled).find("2 groups: it boiled down to "), 0U) << plain(r.pooled);
    for (const auto& one : r.reads)
        EXPECT_NE(plain(one.inside).find(" ± "), std::string::npos) << "with its uncertainty";
    // Its clock is the group's own, and all are on the plot.
    EXPECT_EQ(conductView(*s, act(), frozen.get()).points.size(), 6U);
}

TEST_F(SealedCooling, GroupsThatReadNothingAreToldSoAndFarReadingsAreNotAsForeseen) {
    const RowId fjord = *ActCommands(*s).addGroup("Fjord");
    add("sealed-flask", "a flask for each group");
    beginAndShut();
    see(kBoils, fjord);
    EXPECT_NE(plain(result().verdict).find("read no temperature"), std::string::npos);
    EXPECT_FALSE(result().notMeasured.empty());
    for (const double celsius : {20.0, 19.0, 18.0})
        read(celsius, fjord);
    const ActResult r = result();
    EXPECT_FALSE(r.asForeseen);
    EXPECT_NE(plain(r.verdict).find("3 of 3"), std::string::npos);
    EXPECT_TRUE(r.pooled.empty()) << "one group is no class";
}

TEST_F(SealedCooling, TheIceOfAllGroupsIsWhatRunsOut) {
    add("sealed-flask", "a flask for each group");
    Act groups = act();
    groups.doer = ActDoer::Groups;
    ASSERT_TRUE(ActCommands(*s).change(groups, Text::typed("groups")));
    PeriodRow period = periodRow(s->model());
    period.lastsS = 3 * 3600;
    period.iceG = 400; // for two flasks, not for three
    ASSERT_TRUE(ActCommands(*s).setPeriod(period));
    ActForecasts times;
    const auto lacksIce = [&] {
        const auto v = periodView(*s, times);
        return std::ranges::any_of(v.clashes, [](const PeriodView::Clash& c) {
            return plain(c.says).find("the ice runs out") != std::string::npos;
        });
    };
    for (const char* name : {"Basalt", "Cedar"})
        ASSERT_TRUE(ActCommands(*s).addGroup(name));
    EXPECT_FALSE(lacksIce());
    ASSERT_TRUE(ActCommands(*s).addGroup("Dune"));
    EXPECT_TRUE(lacksIce());
}

TEST_F(SealedCooling, ABlockIsAsUncertainAsItsRig) {
    const RigFile& rig = *ActRig{"sealed-flask", {}, {}, {}, std::nullopt}.rig();
    const auto spreadOf = [&](const std::vector<RigSetting>& settings) {
        return spreadOfEnds(rig, settings, timingOf(*rehearse(rig, settings)));
    };
    const auto usual = spreadOf({});
    ASSERT_GE(usual.size(), 3U);
    // The delay before the heat is away is uncertain by 10 s, the clamp by 1 s; cooling by its heat loss.
    EXPECT_NEAR(usual[0], 10.0, 1.5);
    EXPECT_GT(usual[1], usual[0]);
    add("sealed-flask");
    ActForecasts times;
    const auto f = times.of(*s, act());
    EXPECT_TRUE(std::ranges::all_of(f.parts, [](const ActPart& p) { return p.u >= 0.0; }));
    EXPECT_GT(f.parts[1].u, 10.0);
    EXPECT_EQ(f.parts.back().u, 0.0) << "it ends when people have seen it";
}

TEST_F(SealedCooling, TheTapeHasWhatWasDoneWhereItWasDoneAndWhatIsDueNotBeforeNow) {
    PeriodRow period = periodRow(s->model());
    period.bellAt = clock.time;
    ASSERT_TRUE(ActCommands(*s).setPeriod(period));
    add("sealed-flask");
    begin();
    const auto minutes = [&] { return *periodMinute(s->model(), clock.time); };
    std::vector<double> made;
    for (const int step : {0, 1, 2, 3, 4}) { // it is shut with the third, the first ice comes with the fifth
        clock.time += (step == 2 ? 17 : 2) * 60'000;
        ASSERT_TRUE(ConductCommands(*s).confirm(id, step));
        made.push_back(minutes());
    }
    ActForecasts times;
    const CourseOf courseOf = [&](const Act& a) { return KnownCourse{forecasts.of(a), nullptr}; };
    const auto lane = [&] { return actTapeView(*s, times, courseOf).lanes.front(); };
    const auto parts = lane().parts;
    ASSERT_EQ(parts.size(), 5U); // set up, shut, three times ice
    EXPECT_NEAR(parts[0].from, 0.0, 3.0);
    EXPECT_NEAR(parts[1].from, made[2], 0.01);
    EXPECT_NEAR(parts[2].from, made[4], 0.01);
    EXPECT_EQ(parts[0].to, parts[1].from);
    EXPECT_GE(parts[3].from, made[4]);
    clock.time += 60 * 60'000; // long after it was due
    EXPECT_NEAR(lane().parts[3].from, minutes(), 0.01);
    EXPECT_NEAR(lane().parts[2].from, made[4], 0.01);
}

TEST_F(SealedCooling, AWishForWhatIsSoAtOnceTakesNoTime) {
    const RigFile& cold = findDemonstration("freeze-by-boiling")->rig; // it begins at the room's temperature
    const auto lead = leadTimeFor(cold, {}, 273.15 + 60.0);
    ASSERT_TRUE(lead);
    EXPECT_EQ(lead->fromStart, 0.0);
    const RigFile& flask = findDemonstration("sealed-flask")->rig;
    EXPECT_FALSE(leadTimeFor(flask, {}, 273.15 + 5.0)) << "no classroom cools it so far";
    EXPECT_LT(leadTimeFor(flask, {}, 273.15 + 80.0)->fromClock,
              leadTimeFor(flask, {}, 273.15 + 60.0)->fromClock);
}

TEST_F(SealedCooling, UntilItsClockRunsAnActWaitsForTheMoveThatStartsIt) {
    add("sealed-flask");
    begin();
    const auto view = [&] { return conductView(*s, act(), forecasts.of(act()).get()); };
    EXPECT_EQ(plain(view().waitsFor), "clamp shut");
    for (int step = 0; step < 3; ++step)
        ASSERT_TRUE(ConductCommands(*s).confirm(id, step));
    EXPECT_TRUE(view().waitsFor.empty());
    EXPECT_TRUE(view().next);
    add("bell-jar"); // which has no clock of its own
    begin();
    EXPECT_EQ(plain(view().waitsFor), "pump on");
}

TEST_F(SealedCooling, ABoundIsOutsideOfTheBandOnlyWhereItSaysOtherwise) {
    const ForecastBand band{
        {0.0, 100.0}, {323.15, 323.15}, {313.15, 313.15}, {333.15, 333.15}}; // 40 to 60 °C
    const auto in = [&](StampBound bound, double celsius) {
        Stamp stamp;
        stamp.bound = bound;
        return isInBand(band, 50.0, stamp, {celsius + 273.15, 0.5, true});
    };
    EXPECT_EQ(in(StampBound::None, 50.0), true);
    EXPECT_EQ(in(StampBound::None, 30.0), false);
    EXPECT_EQ(in(StampBound::None, 70.0), false);
    EXPECT_EQ(in(StampBound::Below, 70.0), true);
    EXPECT_EQ(in(StampBound::Below, 30.0), false);
    EXPECT_EQ(in(StampBound::Above, 30.0), true);
    EXPECT_EQ(in(StampBound::Above, 70.0), false);
    EXPECT_FALSE(isInBand(band, 50.0, {}, {323.15, 0.5, false})) << "not of the liquid";
    EXPECT_FALSE(isInBand(band, 101.0, {}, {323.15, 0.5, true}));
}

TEST_F(SealedCooling, TheGuideSaysHowFull) {
    add("sealed-flask");
    std::string all;
    for (const Block& block : actGuide(*s, act()).blocks)
        if (const auto* list = std::get_if<BulletList>(&block))
            for (const Text& item : list->items)
                all += plain(item) + "\n";
    EXPECT_NE(all.find("Filled with 450 g; at most 5"), std::string::npos) << all;
}

TEST_F(SealedCooling, AGaugeOfTheLessonOrAPlainOneIsReadInAnAct) {
    Plan plan = s->plan();
    plan.rig.gauge.name = "dial";
    plan.rig.gauge.convention = PressureConvention::VacuumDepth;
    plan.rig.gauge.unit = "mbar";
    ASSERT_TRUE(s->changePlan(plan, Text::typed("gauge")));
    const auto ways = waysToRead(s->model(), "kPa");
    ASSERT_GE(ways.size(), 3U);
    EXPECT_EQ(ways[0].instrument, "dial");
    EXPECT_EQ(ways[0].unit, "mbar");
    const auto pascal = [&](const WayToRead& way, double value) {
        Stamp stamp;
        stamp.kind = StampKind::Read;
        stamp.value = value;
        stamp.unit = way.unit;
        stamp.instrument = way.instrument;
        stamp.place = way.place;
        const auto p = pressureOf(s->model(), stamp, s->room());
        return p ? p->pascal : -1.0;
    };
    const auto from = [&](const std::string& place) {
        return *std::ranges::find(ways, place, &WayToRead::place);
    };
    EXPECT_NEAR(pascal(ways[0], 700.0), 16600.0, 1.0); // 866 hPa less 700
    EXPECT_NEAR(pascal(from("absolute"), 12.5), 12500.0, 1.0);
    EXPECT_NEAR(pascal(from("against the room"), -70.0), 16600.0, 1.0);
    Stamp words;
    words.kind = StampKind::Read;
    words.what = "deep";
    EXPECT_FALSE(pressureOf(s->model(), words, s->room()));
    Stamp warm;
    warm.kind = StampKind::Read;
    warm.value = 50.0;
    warm.unit = "degC";
    EXPECT_FALSE(pressureOf(s->model(), warm, s->room()));
}

TEST_F(SealedCooling, TheBoilingPressureLiesBetweenTheOneAtWhichItStopsAndTheOneAtWhichItBeginsAgain) {
    add("stop-and-start");
    begin();
    read(50.0, std::nullopt);
    see(kBoils);
    EXPECT_TRUE(result().bracket.empty()) << "no pressure was read yet";
    see(kStops);
    read(13.0, std::nullopt, "kPa", "absolute");
    EXPECT_TRUE(result().bracket.empty());
    see(kBoils);
    read(12.0, std::nullopt, "kPa", "absolute");
    const std::string says = plain(result().bracket);
    EXPECT_NE(says.find("stopped at 13.00 kPa and began again at 12.00 kPa"), std::string::npos) << says;
    // Steam tables: 12.35 kPa at 50 °C; half a kelvin is 0.3 kPa.
    EXPECT_NE(says.find("At 50.0 °C, as it was read last, the curve says 12.4 ± 0.3 kPa"), std::string::npos)
        << says;
}

} // namespace
} // namespace uttrin
