#include "RigRuns.h"
#include "rig/RigInstrument.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using testing::ranWell;
using testing::waterInARig;

constexpr double kLitre = 1e-3, kIce = 273.15;

std::vector<double> timesOf(const RigRun& run, RigEventKind kind) {
    std::vector<double> times;
    for (const RigEvent& e : run.events)
        if (e.kind == kind) times.push_back(e.seconds);
    return times;
}

RigModel cupOfWater(double kilogram, double kelvin) {
    RigModel m;
    Vessel v;
    v.name = "cup";
    v.volume = 2.0 * kilogram * 1e-3;
    v.condensed = kilogram;
    v.kelvin = kelvin;
    v.airPascal = 90e3;
    m.vessels = {v};
    return m;
}

TEST(RigMoves, AreMadeInOrderByTimeByConditionAndByEvent) {
    RigModel m = cupOfWater(0.2, 343.15);
    m.heaters = {{0, 0.0, "hob"}};
    m.contacts = {{0, TouchedPart::Contents, 4.0, 283.15, "bath", false}};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 30.0, {}, 0.0}, {{RigAction::Heat, 0, 400.0, 0.0}}, "heat"},
        {{RigTrigger::WarmerThan, 0, 353.15, {}, 5.0}, {{RigAction::Heat, 0, 0.0, 0.0}}, "off"},
        {{RigTrigger::After, 0, 10.0, {}, 0.0}, {{RigAction::Touch, 0, 1.0, 0.0}}, "bath"},
        {{RigTrigger::CoolerThan, 0, 343.15, {}, 0.0}, {{RigAction::Touch, 0, 0.0, 0.0}}, "out"}};
    const RigRun run = ranWell(m, 600.0, 5.0, moves);
    const auto made = timesOf(run, RigEventKind::Moved);
    ASSERT_EQ(made.size(), 4U);
    EXPECT_DOUBLE_EQ(made[0], 30.0);
    // 10 K of 0.2 kg at 400 W: 4183 * 0.2 * 10 / 400 = 21 s, a little more for what evaporates; then 5 s
    // more.
    EXPECT_NEAR(made[1], 30.0 + 0.2 * waterInARig().liquidHeatCapacity() * 10.0 / 400.0 + 5.0, 1.5);
    EXPECT_NEAR(made[2], made[1] + 10.0, 1e-9);
    EXPECT_GT(made[3], made[2] + 10.0);
    EXPECT_NEAR(run.samples.back().vessels[0].kelvin, 343.15, 0.1);
}

TEST(RigMoves, OneThatWaitsForAnEventComesAfterIt) {
    RigModel m;
    m.vessels = {{.volume = 5.0 * kLitre, .surface = 4e-3, .condensed = 0.05, .airPascal = 94'310.0}};
    m.pumps = {{0, {50.0 / 60.0 * kLitre, 200.0}, "pump", true}};
    const std::vector<RigMove> moves{{{RigTrigger::OnEvent, 0, 0.0, RigEventKind::BoilingStarts, 0.5},
                                      {{RigAction::RunPump, 0, 0.0, 0.0}},
                                      "off"}};
    const RigRun run = ranWell(m, 120.0, 1.0, moves);
    const auto boils = timesOf(run, RigEventKind::BoilingStarts), off = timesOf(run, RigEventKind::Moved);
    ASSERT_FALSE(boils.empty());
    ASSERT_EQ(off.size(), 1U);
    EXPECT_NEAR(off[0], boils[0] + 0.5, 1e-9);
    EXPECT_EQ(timesOf(run, RigEventKind::BoilingStops).size(), 1U);
}

// m_ice * L = m_water * c * (T0 - T1), until the ice is gone.
TEST(RigMoves, IceTakesItsHeatOfFusionAndIsGoneThen) {
    RigModel m = cupOfWater(0.3, 333.15);
    m.contacts = {{0, TouchedPart::Contents, 20.0, kIce, "ice", false, 0.05}};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 10.0, {}, 0.0}, {{RigAction::Ice, 0, 0.05, 0.0}}, "ice"}};
    const RigRun run = ranWell(m, 600.0, 5.0, moves);
    ASSERT_EQ(timesOf(run, RigEventKind::IceGone).size(), 1U);
    const double fell = 333.15 - run.samples.back().vessels[0].kelvin;
    // The air over it and its vapour give a little too; 0.5 % of the ice counts as gone.
    EXPECT_NEAR(fell, 0.05 * 333.4e3 / (0.3 * waterInARig().liquidHeatCapacity()), 0.3);
    EXPECT_NEAR(run.samples.back().contacts[0].iceKg, 0.0, 0.001 * 0.3);
    EXPECT_EQ(run.samples.back().contacts[0].watt, 0.0);
}

TEST(RigMoves, WaterStaysLiquidBelowZeroUntilItsSupercoolingIsSpent) {
    RigModel m = cupOfWater(0.05, 278.15);
    m.vessels[0].supercooling = 4.0;
    m.contacts = {{0, TouchedPart::Contents, 1.0, 253.15, "bath"}};
    const RigRun run = ranWell(m, 900.0, 1.0);
    const auto ice = timesOf(run, RigEventKind::IceAppears);
    ASSERT_EQ(ice.size(), 1U);
    const auto before =
        std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds > ice[0] - 1.5; });
    EXPECT_NEAR(before->vessels[0].kelvin, waterInARig().tripleKelvin() - 4.0, 0.1);
    const auto after =
        std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds > ice[0] + 0.1; });
    EXPECT_NEAR(after->vessels[0].kelvin, waterInARig().tripleKelvin(), 1e-6);
    // The heat that it lacks freezes c * 4 K / L = 5 % of it at once.
    EXPECT_NEAR(after->vessels[0].solid / 0.05,
                waterInARig().liquidHeatCapacity() * 4.0 / waterInARig().fusion(), 0.01);
}

TEST(RigMoves, CleanGlassHoldsBoilingBackAndThenBumps) {
    RigModel m = cupOfWater(0.2, 360.15);
    m.links = {{0, kRoom, {8e-3, 0.05}, "neck"}};
    m.heaters = {{0, 400.0, "hob"}};
    m.vessels[0].nucleation = 5.0;
    const RigRun run = ranWell(m, 400.0, 0.25);
    const auto boils = timesOf(run, RigEventKind::BoilingStarts);
    ASSERT_FALSE(boils.empty());
    double most = 0.0, later = 0.0;
    for (const RigSample& s : run.samples) {
        if (s.seconds <= boils[0]) most = std::max(most, *s.vessels[0].margin);
        if (s.seconds > boils[0] + 20.0) later = std::max(later, *s.vessels[0].margin);
    }
    EXPECT_GT(most, 4.5);
    EXPECT_LT(later, 1.0); // once there are bubbles it goes on without superheat
}

// 5 cm of water cost about 3 K at 20 degC, next to nothing near 100 degC.
TEST(RigMoves, DepthCountsWhereThePressureIsLow) {
    const auto cost = [](double kelvin) {
        RigModel m;
        Vessel v;
        v.condensed = 0.5;
        v.surface = v.condensed / 1000.0 / 0.05;
        v.volume = 1.0 * kLitre;
        v.kelvin = kelvin;
        m.vessels = {v};
        const RigSample s = ranWell(m, 1.0, 1.0).samples.front();
        return *s.vessels[0].margin - *s.vessels[0].marginAtBottom;
    };
    EXPECT_NEAR(cost(293.15), 3.1, 0.2);
    EXPECT_LT(cost(373.15), 0.2);
}

TEST(RigMoves, DissolvedAirLeavesByHenrysLawLongBeforeItBoils) {
    RigModel m = cupOfWater(0.2, 293.15);
    m.vessels[0].volume = 2.0 * kLitre;
    m.vessels[0].airDissolved = 1.0;
    m.pumps = {{0, {0.5 * kLitre, 4000.0}, "pump", true}};
    const RigRun run = ranWell(m, 900.0, 5.0);
    EXPECT_TRUE(timesOf(run, RigEventKind::BoilingStarts).empty());
    // 20 degC, 101 kPa: water holds about 24 mg of air to the kilogram (0.0187 L/L of air at 0 degC).
    EXPECT_NEAR(run.samples.front().vessels[0].dissolved / 0.2, 24e-6, 2e-6);
    double most = 0.0;
    for (const RigSample& s : run.samples)
        most = std::max(most, s.vessels[0].supersaturation);
    EXPECT_GT(most, 2.0);
    const VesselState& last = run.samples.back().vessels[0];
    EXPECT_LT(last.dissolved, 0.15 * run.samples.front().vessels[0].dissolved);
    EXPECT_NEAR(last.dissolved / last.liquid, waterInARig().airSolubility(last.kelvin) * last.airPascal,
                1e-6);
}

// Boyle's law for the air, the saturation pressure for the vapour over the water.
TEST(RigMoves, APlungerExpandsAirAndKeepsVapourSaturated) {
    RigModel m;
    Vessel v;
    v.volume = 30e-6;
    v.condensed = 0.010;
    v.surface = 5e-4;
    v.airPascal = 60e3;
    v.kelvin = 313.15;
    m.vessels = {v};
    m.contacts = {{0, TouchedPart::Contents, 50.0, 313.15, "bath"}};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 5.0, {}, 0.0}, {{RigAction::Volume, 0, 50e-6, 20.0}}, "pulled"}};
    const RigRun run = ranWell(m, 300.0, 5.0, moves);
    const VesselState& last = run.samples.back().vessels[0];
    const double gasBefore = 30e-6 - 0.010 / waterInARig().liquidDensity(),
                 gasAfter = 50e-6 - 0.010 / waterInARig().liquidDensity();
    EXPECT_NEAR(last.volume, 50e-6, 1e-12);
    EXPECT_NEAR(last.airPascal, 60e3 * gasBefore / gasAfter, 60.0);
    EXPECT_NEAR(last.pascal - last.airPascal,
                water().vapourPressure(Temperature::fromKelvin(313.15))->pascal(), 40.0);
}

TEST(RigMoves, ARoomThatIsCarriedUpTakesAnOpenKettleAlong) {
    RigModel m = cupOfWater(0.3, 369.15);
    m.links = {{0, kRoom, {10e-3, 0.05}, "spout"}};
    m.heaters = {{0, 300.0, "burner"}};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 120.0, {}, 0.0}, {{RigAction::RoomPressure, 0, 60e3, 300.0}}, "up"}};
    const RigRun run = ranWell(m, 600.0, 10.0, moves);
    EXPECT_NEAR(run.samples.back().vessels[0].pascal, 60e3, 100.0);
    EXPECT_NEAR(run.samples.back().vessels[0].kelvin,
                water().boilingPoint(Pressure::fromPascal(60e3))->kelvin(), 0.5);
}

TEST(RigMoves, AReliefValveHoldsThePressureAndSoTheTemperature) {
    RigModel m = cupOfWater(0.5, 363.15);
    m.vessels[0].volume = 2.0 * kLitre;
    m.vessels[0].airPascal = 5e3;
    m.links = {{0, kRoom, {6e-3, 0.01}, "valve", 1.0, 80e3}};
    m.heaters = {{0, 600.0, "hob"}};
    const RigRun run = ranWell(m, 900.0, 5.0);
    const VesselState& last = run.samples.back().vessels[0];
    EXPECT_NEAR(last.pascal, 101325.0 + 80e3, 0.06 * 80e3);
    EXPECT_NEAR(last.kelvin, water().boilingPoint(Pressure::fromPascal(last.pascal))->kelvin(), 0.5);
    EXPECT_EQ(timesOf(run, RigEventKind::AboveRoom).size(), 1U);
}

TEST(RigMoves, ADraughtCoolsAFilmToWhereHeatAndVapourBalance) {
    RigModel m;
    Vessel v;
    v.volume = 10e-6;
    v.condensed = 1e-3;
    v.surface = 0.0;
    v.airPascal = 95e3;
    m.vessels = {v};
    m.contacts = {{0, TouchedPart::Contents, 0.10, 305.15, "skin"}};
    m.draughts = {{0, 25e-4, 0.005, 0.4, "air", true}};
    const RigRun run = ranWell(m, 300.0, 5.0);
    const double t = run.samples.back().vessels[0].kelvin;
    const double rate =
        25e-4 * 0.005 * 0.0180153 / 8.314462618 *
        (waterInARig().liquidSaturation(t) / t - 0.4 * waterInARig().liquidSaturation(293.15) / 293.15);
    EXPECT_NEAR(rate * waterInARig().vaporisation(t), 0.10 * (305.15 - t), 0.02);
    EXPECT_NEAR(run.samples[20].vessels[0].liquid - run.samples[40].vessels[0].liquid, 100.0 * rate,
                0.03 * 100.0 * rate);
}

TEST(RigMoves, ADryingAgentTakesVapourUpAndWarms) {
    RigModel m;
    Vessel v;
    v.volume = 2.0 * kLitre;
    v.condensed = 5e-3;
    v.surface = 2e-3;
    v.airPascal = 20.0;
    m.vessels = {v};
    m.dishes = {{0, {DryingAgentKind::SulfuricAcid, 0.1}, 6e-3, 0.0, "acid"}};
    const RigRun run = ranWell(m, 600.0, 10.0);
    const DishState& dish = run.samples.back().dishes[0];
    EXPECT_GT(dish.waterKg, 1e-4);
    // What it took up gave its heat of vaporisation and of mixing to the acid, as nothing is lost here.
    const double heat = dish.waterKg * 2.45e6 + m.dishes[0].agent.heat(dish.waterKg);
    EXPECT_NEAR(dish.kelvin - 293.15, heat / (m.dishes[0].agent.dryHeatCapacity() + dish.waterKg * 4200.0),
                3.0);
    EXPECT_LT(run.samples.back().vessels[0].kelvin, 280.0);
}

TEST(DryingAgent, MeetsPublishedValues) {
    // Over sulfuric acid at 25 degC, relative humidity in per cent (handbooks of chemistry): 50 % acid 35, 60
    // % 16.
    const DryingAgent acid{DryingAgentKind::SulfuricAcid, 0.5};
    EXPECT_NEAR(acid.activity(0.5), 0.353, 0.01);
    EXPECT_NEAR((DryingAgent{DryingAgentKind::SulfuricAcid, 0.6}.activity(0.4)), 0.157, 0.01);
    // One mole of water to one of acid: 28 kJ (J. Thomsen).
    EXPECT_NEAR((DryingAgent{DryingAgentKind::SulfuricAcid, 0.098079}.heat(0.018015)) / 1000.0, 26.7, 1.5);
    // A saturated solution of calcium chloride keeps air at 29 % of humidity at 25 degC: six moles of water.
    EXPECT_NEAR((DryingAgent{DryingAgentKind::CalciumChloride, 0.110984}.activity(6.0 * 0.018015)), 0.29,
                0.01);
    EXPECT_FALSE(dryingAgentFromId("sand"));
    EXPECT_EQ(*dryingAgentFromId("calcium-chloride"), DryingAgentKind::CalciumChloride);
}

RC_GTEST_PROP(DryingAgent, GetsWetterAndWarmerWithEveryGram, ()) {
    const DryingAgent agent{
        *rc::gen::element(DryingAgentKind::SulfuricAcid, DryingAgentKind::CalciumChloride),
        0.001 * *rc::gen::inRange(1, 500)};
    const double water = 0.0001 * *rc::gen::inRange(0, 5000), more = water + 1e-4;
    RC_ASSERT(agent.activity(more) >= agent.activity(water));
    RC_ASSERT(agent.activity(water) > 0.0 && agent.activity(water) <= 1.0);
    RC_ASSERT(agent.heat(more) >= agent.heat(water));
}

TEST(RigMoves, WhatWaitsForNothingThereIsRefused) {
    const RigModel m = cupOfWater(0.1, 300.0);
    const auto refused = [&](RigMove move) {
        return RigSimulator::make(m, waterInARig(), {std::move(move)}).error().message;
    };
    EXPECT_EQ(refused({{RigTrigger::CoolerThan, 3, 300.0, {}, 0.0}, {}, ""}),
              "move 1: it waits for what is not there");
    EXPECT_EQ(refused({{}, {{RigAction::Open, 0, 1.0, 0.0}}, ""}), "move 1: it moves what is not there");
}

TEST(RigInstrument, LagsByItsTimeConstantShowsItsZeroAndRounds) {
    std::vector<RigSample> samples;
    for (int i = 0; i <= 100; ++i) {
        VesselState s;
        s.kelvin = i == 0 ? 300.0 : 320.0;
        samples.push_back({static_cast<double>(i), {s}, {}, {}, {}});
    }
    RigInstrument slow{RigInstrument::Thermometer, 0, "thermometer", 10.0, 0.3, 0.0, 0.0};
    const auto shown = shownBy(slow, samples, 1);
    // A ramp of one second to 320 K, then held: exp(-t / 10 s) of what was missing at its end.
    const double missing = 20.0 * 10.0 * (1.0 - std::exp(-0.1));
    for (const int i : {1, 10, 40})
        EXPECT_NEAR(shown[static_cast<std::size_t>(i)], 320.3 - missing * std::exp(-(i - 1) / 10.0), 1e-9);
    slow.resolution = 0.5;
    EXPECT_DOUBLE_EQ(shownBy(slow, samples, 1)[100], 320.5);
    slow.noise = 0.2;
    EXPECT_EQ(shownBy(slow, samples, 7), shownBy(slow, samples, 7));
    EXPECT_NE(shownBy(slow, samples, 7), shownBy(slow, samples, 8));
}

TEST(RigSimulator, GoesOnFromWhereAHandReachedInAndGivesEqualBytes) {
    const auto byHand = [] {
        RigModel m = cupOfWater(0.2, 350.15);
        m.heaters = {{0, 0.0, "hob"}};
        auto rig = *RigSimulator::make(m, waterInARig());
        EXPECT_TRUE(rig.advance(10.0));
        rig.apply({RigAction::Heat, 0, 300.0, 0.0});
        EXPECT_TRUE(rig.advance(60.0));
        EXPECT_LT(rig.energyDrift(), 1e-9);
        EXPECT_EQ(rig.events().front().part, -1);
        return rig.sample().vessels[0];
    };
    const VesselState a = byHand(), b = byHand();
    EXPECT_EQ(a.kelvin, b.kelvin);
    EXPECT_EQ(a.pascal, b.pascal);
    EXPECT_GT(a.kelvin, 365.0);
}

} // namespace
} // namespace uttrin
