#include "plan/RunSheet.h"

#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

RoomPressure room() { return {Pressure::fromPascal(94310), 30, RoomMethod::Barometer}; }

Plan dialPlan() {
    Plan plan;
    plan.rig.gauge.convention = PressureConvention::GaugeNegative;
    plan.rig.gauge.unit = "bar";
    plan.rig.gauge.division = 0.02;
    plan.rig.gauge.accuracy = 0.02;
    return plan;
}

TEST(RunSheet, TargetsGoUpFromTheLowestAndShowTheDial) {
    const auto sheet = makeRunSheet(dialPlan(), room());
    ASSERT_TRUE(sheet) << sheet.error().message;
    ASSERT_EQ(sheet->targets.size(), 10U);
    for (std::size_t i = 1; i < 10; ++i)
        EXPECT_GT(sheet->targets[i].absolute, sheet->targets[i - 1].absolute);
    const Target& first = sheet->targets.front();
    EXPECT_NEAR(first.absolute.pascal(), 20e3, 1e-9);
    EXPECT_NEAR(first.dial.first, -0.74, 1e-9);      // -0.7431 bar to half a division of 0.02
    EXPECT_NEAR(first.boils.celsius(), 60.06, 0.02); // steam tables: 60.06 degC at 20 kPa
    EXPECT_FALSE(sheet->whyLowestFirst.empty());
}

// What starts hotter than it boils at the first targets flashes there, and a colder start is offered.
TEST(RunSheet, AStartAboveTheFirstTargetsOffersAColderOne) {
    Plan plan = dialPlan();
    plan.ladder.from = 12e3; // boils at 49.4 degC
    plan.startCelsius = 65.0;
    const auto sheet = *makeRunSheet(plan, room());
    EXPECT_TRUE(sheet.targets.front().flashes);
    EXPECT_FALSE(sheet.targets.back().flashes);
    EXPECT_EQ(sheet.colderCelsius, 46.0); // 3 K below, in whole degrees
    EXPECT_NE(plain(flashText(sheet)).find("Start at 46 °C or below."), std::string::npos);
    plan.startCelsius = sheet.colderCelsius;
    const auto colder = *makeRunSheet(plan, room());
    EXPECT_FALSE(colder.colderCelsius);
    EXPECT_TRUE(flashText(colder).empty());
    // What is poured in has each target's own temperature.
    plan.startCelsius = 65.0;
    plan.method = Method::HoldTemperature;
    EXPECT_TRUE(flashText(*makeRunSheet(plan, room())).empty());
    // Below the ice point no liquid is cold enough.
    plan.method = Method::HoldPressure;
    plan.ladder.from = 640.0;
    plan.rig.pumpUltimatePa = 100.0;
    const auto ice = *makeRunSheet(plan, room());
    EXPECT_FALSE(ice.colderCelsius);
    EXPECT_NE(plain(flashText(ice)).find("No liquid is cold enough"), std::string::npos);
}

// The minutes of the first point count from where the liquid is: at 62 kPa in a cold hut they are more.
TEST(RunSheet, TheLiquidStartsAsWarmAsTheRoomUnlessThePlanSaysIt) {
    Plan plan = dialPlan();
    plan.ladder.from = 15e3;
    plan.ladder.to = 55e3;
    const RoomPressure hut{Pressure::fromPascal(62'000), 30, RoomMethod::Barometer};
    const auto cold = *makeRunSheet(plan, hut, 4.0), warm = *makeRunSheet(plan, hut, 34.0),
               unknown = *makeRunSheet(plan, hut);
    EXPECT_DOUBLE_EQ(cold.startCelsius, 4.0);
    EXPECT_FALSE(cold.startAssumed);
    EXPECT_EQ(startText(plan, cold), "The liquid starts at 4 °C.");
    EXPECT_TRUE(unknown.startAssumed);
    EXPECT_EQ(startText(plan, unknown),
              "The liquid is assumed to start at 20 °C: Room has no temperature yet.");
    EXPECT_GT(cold.targets.front().seconds, unknown.targets.front().seconds);
    EXPECT_GT(unknown.targets.front().seconds, warm.targets.front().seconds);
    plan.startCelsius = 40.0; // from the tap, and it says so
    const auto told = *makeRunSheet(plan, hut, 4.0);
    EXPECT_DOUBLE_EQ(told.startCelsius, 40.0);
    EXPECT_FALSE(told.startAssumed);
    // Water in a room below its ice point is no liquid: it starts at the ice point.
    plan.startCelsius.reset();
    EXPECT_NEAR(makeRunSheet(plan, hut, -12.0)->startCelsius, 0.01, 1e-9);
}

// A third of what hands take: at each point by itself; a heater is off by the same share at all of them.
TEST(RunSheet, SaysHowUncertainItsMinutesAre) {
    Plan plan = dialPlan();
    plan.method = Method::HoldTemperature;
    const auto of = [&](int points, double watt) {
        plan.ladder.count = points;
        plan.rig.heaterWatt = watt;
        return makeRunSheet(plan, room())->secondsU;
    };
    // 540 s of setting up and clearing away (300 and 240), 185 s at each point.
    const auto hands = [](int points) {
        return std::sqrt(300.0 * 300.0 + 240.0 * 240.0 + points * 185.0 * 185.0) / 3.0;
    };
    EXPECT_NEAR(of(4, 300.0), hands(4), 1e-9);
    EXPECT_NEAR(of(16, 300.0), hands(16), 1e-9);
    plan.method = Method::HoldPressure;
    EXPECT_GT(of(10, 100.0), of(10, 1000.0)) << "a weak heater heats for longer";
}

TEST(RunSheet, SpacingsAreEvenInWhatTheySay) {
    Plan plan = dialPlan();
    for (const auto spacing : {Spacing::Pressure, Spacing::Temperature, Spacing::InverseTemperature}) {
        const auto ladder = withSpacing(plan, spacing, room().station);
        ASSERT_TRUE(ladder);
        Plan other = plan;
        other.ladder = *ladder;
        const auto sheet = *makeRunSheet(other, room());
        const auto axis = [&](const Target& t) {
            return spacing == Spacing::Pressure      ? t.absolute.pascal()
                   : spacing == Spacing::Temperature ? t.boils.kelvin()
                                                     : 1e6 / t.boils.kelvin();
        };
        const double step = axis(sheet.targets[1]) - axis(sheet.targets[0]);
        for (std::size_t i = 1; i < sheet.targets.size(); ++i)
            EXPECT_NEAR(axis(sheet.targets[i]) - axis(sheet.targets[i - 1]), step, std::abs(step) * 1e-6);
        EXPECT_NEAR(sheet.targets.front().absolute.pascal(), 20e3, 1e-3);
        EXPECT_NEAR(sheet.targets.back().absolute.pascal(), 90e3, 1e-3);
    }
}

TEST(RunSheet, DialStepsFollowTheDialAndTheRoomCapsThem) {
    Plan plan = dialPlan();
    plan.ladder.spacing = Spacing::DialSteps;
    plan.ladder.from = -0.7;
    plan.ladder.to = 0.1;
    plan.ladder.dialStep = 0.1;
    const auto sheet = *makeRunSheet(plan, room());
    ASSERT_EQ(sheet.targets.size(), 9U);
    EXPECT_NEAR(sheet.targets[0].dial.first, -0.7, 1e-12);
    EXPECT_EQ(sheet.targets[7].state, TargetState::Ok); // dial 0: open to the room
    EXPECT_EQ(sheet.targets[8].state, TargetState::AboveRoom);
}

TEST(RunSheet, TargetsBelowThePumpsFloorAreMarked) {
    Plan plan = dialPlan();
    plan.rig.pumpUltimatePa = 25e3;
    EXPECT_EQ(makeRunSheet(plan, room())->targets.front().state, TargetState::BelowPumpFloor);
}

TEST(RunSheet, ADivisionIsWorthManyTimesMoreKelvinWhenCold) {
    Plan plan = dialPlan();
    plan.rig.pumpUltimatePa = 100;
    plan.ladder.from = 700; // boils near 2 degC
    plan.ladder.to = 94000;
    const auto sheet = *makeRunSheet(plan, room());
    const double ratio = sheet.targets.front().kelvinPerDivision / sheet.targets.back().kelvinPerDivision;
    EXPECT_GT(ratio, 60.0);
    EXPECT_LT(ratio, 80.0);
    EXPECT_GT(sheet.targets.front().depthKelvin, sheet.targets.back().depthKelvin * 20);
}

TEST(RunSheet, TheTrialPointIsOutOfTheFitUnlessPutIn) {
    Plan plan = dialPlan();
    plan.ladder.trialPa = 12e3;
    auto sheet = *makeRunSheet(plan, room());
    ASSERT_EQ(sheet.targets.size(), 11U);
    EXPECT_TRUE(sheet.targets.front().trial);
    EXPECT_FALSE(sheet.targets.front().inFit);
    plan.ladder.trialInFit = true;
    EXPECT_TRUE(makeRunSheet(plan, room())->targets.front().inFit);
}

TEST(RunSheet, AMovedTargetStandsWhereItWasPutAndTheOthersStay) {
    Plan plan = dialPlan();
    plan.ladder.moved[2] = 33e3;
    const auto sheet = *makeRunSheet(plan, room());
    const auto moved =
        std::find_if(sheet.targets.begin(), sheet.targets.end(), [](const Target& t) { return t.moved; });
    ASSERT_NE(moved, sheet.targets.end());
    EXPECT_DOUBLE_EQ(moved->absolute.pascal(), 33e3);
    EXPECT_EQ(moved->place, 2);
}

TEST(RunSheet, MoreHeatTakesLessTimeAndTheSumIsTheTotal) {
    Plan plan = dialPlan();
    const auto slow = *makeRunSheet(plan, room());
    plan.rig.heaterWatt *= 2.0;
    const auto fast = *makeRunSheet(plan, room());
    EXPECT_LT(fast.totalSeconds, slow.totalSeconds);
    double sum = kSetUpSeconds + kClearUpSeconds;
    for (const Target& t : fast.targets)
        sum += t.seconds;
    EXPECT_NEAR(sum, fast.totalSeconds, 1e-9);
    plan.periodMinutes = fast.totalSeconds / 60.0 + 0.1;
    EXPECT_TRUE(makeRunSheet(plan, room())->fits);
    plan.periodMinutes = fast.totalSeconds / 60.0 - 0.1;
    EXPECT_FALSE(makeRunSheet(plan, room())->fits);
}

TEST(RunSheet, CautionsFollowTheRig) {
    Plan plan = dialPlan();
    const auto has = [](const Plan& p, const char* wanted) {
        const auto all = cautionsFor(p);
        return std::any_of(all.begin(), all.end(), [&](const Caution& c) { return c.id == wanted; });
    };
    EXPECT_TRUE(has(plan, "implosion"));
    EXPECT_TRUE(has(plan, "closed-heating"));
    EXPECT_FALSE(has(plan, "mercury"));
    plan.rig.gauge.convention = PressureConvention::TwoArm;
    plan.method = Method::HoldTemperature;
    EXPECT_TRUE(has(plan, "mercury"));
    EXPECT_FALSE(has(plan, "closed-heating"));
}

TEST(RunSheet, AnotherSubstanceKeepsThePressuresThatItsCurveCovers) {
    Plan p;
    p.ladder.spacing = Spacing::Pressure;
    p.ladder.from = 20e3;
    p.ladder.to = 90e3;
    const auto room = Pressure::fromPascal(94310.0);
    const auto acetone = withSubstance(p, "acetone", room);
    ASSERT_TRUE(acetone) << acetone.error().message;
    EXPECT_EQ(acetone->substance, "acetone");
    EXPECT_EQ(acetone->ladder.from, 20e3);
    EXPECT_TRUE(check(*acetone));
    // Spaced by temperature, the ends are acetone's boiling points at the same pressures.
    p.ladder = *withSpacing(p, Spacing::Temperature, room);
    const auto warm = withSubstance(p, "acetone", room);
    ASSERT_TRUE(warm);
    EXPECT_NEAR(warm->ladder.to,
                (*findSubstance("acetone"))->boilingPoint(Pressure::fromPascal(90e3))->kelvin(), 1e-6);
    const auto back = withSubstance(*warm, "water", room);
    EXPECT_NEAR(back->ladder.to, p.ladder.to, 1e-6);
    // Ammonia starts as a cold liquid, and its curve begins at 6 kPa; carbon dioxide has solid at all these
    // pressures.
    EXPECT_LT(withSubstance(p, "ammonia", room)->startCelsius, -33.0);
    EXPECT_TRUE(check(*withSubstance(p, "carbon-dioxide", room)));
    EXPECT_FALSE(withSubstance(p, "treacle", room));
    // A solute that the new solvent does not take is left out.
    p.solute = {SoluteKind::SodiumChloride, 1.0, 1.0};
    EXPECT_EQ(withSubstance(p, "ethanol", room)->solute.kind, SoluteKind::None);
}

TEST(RunSheet, EverySubstanceBringsItsOwnCautions) {
    const auto has = [](const Plan& p, const char* id) {
        const auto all = cautionsFor(p);
        return std::any_of(all.begin(), all.end(), [id](const Caution& c) { return c.id == id; });
    };
    Plan p;
    EXPECT_FALSE(has(p, "flammable"));
    const std::pair<const char*, const char*> expected[] = {
        {"acetone", "flammable"},   {"methanol", "toxic"},   {"diethyl-ether", "narcotic"},
        {"nitrogen", "asphyxiant"}, {"ammonia", "pressure"}, {"carbon-dioxide", "cold"}};
    for (const auto& [substance, hazard] : expected) {
        SCOPED_TRACE(substance);
        p.substance = substance;
        EXPECT_TRUE(has(p, hazard));
        EXPECT_TRUE(has(p, "implosion"));
    }
    // A flammable liquid is never heated by a mantle.
    p.substance = "acetone";
    const auto all = cautionsFor(p);
    EXPECT_TRUE(std::any_of(all.begin(), all.end(), [](const Caution& c) {
        return plain(c.text).find("never by a mantle") != std::string::npos;
    }));
    const auto materials = materialsFor(p);
    EXPECT_TRUE(std::any_of(materials.begin(), materials.end(), [](const Text& m) {
        return plain(m).find("fume cupboard") != std::string::npos;
    }));
}

TEST(RunSheet, MercuryIsCautionedOnlyWhereThereIsMercury) {
    Plan p;
    p.rig.gauge.convention = PressureConvention::TwoArm;
    p.rig.gauge.unit = "cm";
    p.rig.gauge.armSum = 80.0;
    const auto mercury = [&p] {
        const auto all = cautionsFor(p);
        return std::any_of(all.begin(), all.end(), [](const Caution& c) { return c.id == "mercury"; });
    };
    EXPECT_TRUE(mercury());
    p.rig.gauge.liquid = ManometerLiquid::Water;
    EXPECT_FALSE(mercury());
}

// The time constant is worked out here from the sphere and the water alone; the glass adds a few per cent.
TEST(RunSheet, ASecondRunWaitsUntilTheFlaskHasCooledAndLeavesTheTrialPointOut) {
    Plan plan;
    plan.ladder.trialPa = 12e3;
    const RoomPressure here = room();
    const auto sheet = makeRunSheet(plan, here, 18.0);
    ASSERT_TRUE(sheet) << plain(sheet.error().message);
    const RunSheet::SecondRun& second = sheet->second;
    EXPECT_EQ(second.points, sheet->targets.size() - 1);
    EXPECT_NEAR(second.fromCelsius, sheet->targets.back().boils.celsius(), 1e-9);
    EXPECT_NEAR(second.toCelsius, sheet->targets[1].boils.celsius() - 3.0, 1e-9);
    const double radius = std::cbrt(plan.rig.vesselLitre * 1e-3 * 3.0 / (4.0 * 3.141592653589793));
    const double area = 4.0 * 3.141592653589793 * radius * radius;
    const double tau = plan.rig.liquidLitre * 4190.0 / (10.0 * area);
    const double water = tau * std::log((second.fromCelsius - 18.0) / (second.toCelsius - 18.0));
    EXPECT_GT(second.coolSeconds, water);
    EXPECT_LT(second.coolSeconds, 1.25 * water);
    EXPECT_GT(second.seconds, second.coolSeconds);
    EXPECT_EQ(second.fits, sheet->totalSeconds + second.seconds <= plan.periodMinutes * 60.0);
    EXPECT_NE(plain(secondRunText(*sheet)).find("cools from"), std::string::npos);
    // In a hot room it takes longer, and where fresh water is poured in it takes no time.
    EXPECT_GT(makeRunSheet(plan, here, 35.0)->second.coolSeconds, second.coolSeconds);
    const auto hot = makeRunSheet(plan, here, 70.0);
    if (hot && !std::isfinite(hot->second.coolSeconds)) {
        EXPECT_FALSE(hot->second.fits);
        EXPECT_NE(plain(secondRunText(*hot)).find("does not fit"), std::string::npos);
    }
    plan.method = Method::HoldTemperature;
    EXPECT_EQ(makeRunSheet(plan, here, 18.0)->second.coolSeconds, 0.0);
}

} // namespace
} // namespace uttrin
