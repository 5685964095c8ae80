#include "RigRuns.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using testing::ranWell;
using testing::waterInARig;

constexpr double kLitre = 1e-3, kIce = 273.15;

// W. Wagner et al., IAPWS R14-08: 50 Pa at -27.33 degC, 10 Pa at -42.19 degC.
TEST(RigIce, SettlesWhereItsVapourPressureIsThePressureAboveIt) {
    for (const auto& [pascal, celsius] : {std::pair{50.0, -27.33}, {10.0, -42.19}}) {
        RigModel m;
        m.vessels = {{.volume = 1.0 * kLitre, .surface = 0.02, .condensed = 0.02, .kelvin = kIce - 20.0}};
        m.pumps = {{0, {100.0 / 60.0 * kLitre, pascal}}};
        const RigRun run = ranWell(m, 4.0 * 3600.0, 600.0);
        EXPECT_NEAR(run.samples.back().vessels[0].kelvin - kIce, celsius, 0.02) << pascal;
    }
}

TEST(RigIce, PassesFromWarmerToColderUntilBothAreOne) {
    RigModel m;
    for (const double celsius : {-18.0, -19.0})
        m.vessels.push_back(
            {.volume = 0.5 * kLitre, .surface = 0.01, .condensed = 0.02, .kelvin = kIce + celsius});
    m.links = {{0, 1, {0.02, 0.05}}};
    const RigRun run = ranWell(m, 6.0 * 3600.0, 600.0);
    const auto& end = run.samples.back().vessels;
    EXPECT_NEAR(end[0].kelvin, end[1].kelvin, 0.01);
    EXPECT_LT(end[0].solid, 0.02);
    // Frost takes c dT / (heat of sublimation) of it: half a kelvin of 20 g is 7 mg.
    EXPECT_NEAR(end[1].solid - 0.02, 0.5 * 20e-3 * waterInARig().solidHeatCapacity() / 2.835e6, 1e-6);
}

// By diffusion and natural convection from 50 cm2 into a litre of still air: about a minute.
TEST(RigVapour, StillAirTakesAMinuteToBeHalfSaturated) {
    RigModel m;
    m.roomPascal = 101'325.0;
    m.vessels = {{.volume = 1.1 * kLitre,
                  .surface = 5e-3,
                  .condensed = 0.1,
                  .airPascal = 101'325.0,
                  .vapourPascal = 0.0}};
    m.contacts = {{0, TouchedPart::Contents, 100.0, 293.15}};
    const RigRun run = ranWell(m, 300.0, 1.0);
    const double saturated = waterInARig().liquidSaturation(293.15);
    const auto half = std::ranges::find_if(
        run.samples, [&](const RigSample& s) { return s.vessels[0].vapourPascal() > 0.5 * saturated; });
    ASSERT_NE(half, run.samples.end());
    EXPECT_GT(half->seconds, 40.0);
    EXPECT_LT(half->seconds, 90.0);
}

TEST(RigVapour, ABleedOverWarmWaterChillsItSlowly) {
    RigModel m;
    m.roomPascal = 94'310.0;
    m.vessels = {{.volume = 4.0 * kLitre,
                  .surface = 38e-4,
                  .walls = {{"glass", 540.0}},
                  .condensed = 0.1,
                  .airPascal = 46e3 - 7.4e3,
                  .kelvin = kIce + 40.0}};
    m.contacts = {{0, TouchedPart::Wall, 1.0, 293.15}};
    m.links = {{kRoom, 0, {1.48e-3, 0.0}}};
    m.pumps = {{0, {40.0 / 60.0 * kLitre, 300.0}}};
    const RigRun run = ranWell(m, 3600.0, 10.0);
    EXPECT_NEAR(run.samples.back().vessels[0].pascal, 46e3, 6e3);
    const auto colder = std::ranges::find_if(
        run.samples, [](const RigSample& s) { return s.vessels[0].kelvin < kIce + 30.0; });
    ASSERT_NE(colder, run.samples.end());
    EXPECT_GT(colder->seconds, 18.0 * 60.0);
    EXPECT_LT(colder->seconds, 45.0 * 60.0);
}

// Boiling and vacuum evaporation are held back by no air: from 21 degC at least 14.85 % of the water must go
// until the rest is ice, and it begins to boil before it has cooled by itself.
TEST(RigVapour, FreezingByBoilingTakesNoLessThanTheAdiabaticShare) {
    RigModel m;
    m.roomPascal = 94'310.0;
    m.vessels = {{.volume = 2.0 * kLitre,
                  .surface = 2e-3,
                  .walls = {{"glass", 340.0}},
                  .nucleation = 0.3,
                  .condensed = 5e-3,
                  .airPascal = 92e3,
                  .kelvin = kIce + 21.0}};
    m.contacts = {{0, TouchedPart::Wall, 0.6, kIce + 21.0}};
    m.pumps = {{0, {60.0 / 60.0 * kLitre, 60.0}}};
    const RigRun run = ranWell(m, 900.0, 0.5);
    const auto when = [&](RigEventKind kind) {
        const auto e = std::ranges::find(run.events, kind, &RigEvent::kind);
        EXPECT_NE(e, run.events.end());
        return std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds >= e->seconds; });
    };
    EXPECT_GT(when(RigEventKind::BoilingStarts)->vessels[0].kelvin, kIce + 16.0);
    const double gone = 1.0 - when(RigEventKind::FrozenThrough)->vessels[0].solid / 5e-3;
    EXPECT_GT(gone, 0.1485);
    EXPECT_LT(gone, 0.17); // the warm glass gives a little
}

TEST(RigWalls, ALidAndItsGlassHaveTemperaturesOfTheirOwn) {
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre,
                  .walls = {{"glass", 120.0, 0.5, 0.02}, {"lid", 30.0, 0.0, 0.006}},
                  .condensed = 0.3,
                  .kelvin = kIce + 80.0}};
    m.contacts = {{0, TouchedPart::Wall, 1.5, kIce, "ice", true, 0.5, kRoom, 1}};
    const RigRun run = ranWell(m, 60.0, 5.0);
    const VesselState& s = run.samples.back().vessels[0];
    EXPECT_LT(s.wallKelvins[1], s.wallKelvins[0] - 1.0); // the iced lid is the colder
    EXPECT_LT(s.pascal, waterInARig().liquidSaturation(s.kelvin));
    EXPECT_GT(s.pascal, waterInARig().liquidSaturation(s.wallKelvins[1]));
    EXPECT_GT(s.vigour, 0.0); // and boils the water
}

// 60 g of ice at 1.5 W/K on glass that stays near 80 degC: 60e-3 * 333.4e3 / (1.5 * 78) = 171 s, and what is
// left last a little longer.
TEST(RigWalls, IceOnGlassMeltsEvenlyUntilLittleIsLeft) {
    RigModel m;
    m.vessels = {
        {.volume = 1.0 * kLitre, .walls = {{"glass", 5000.0}}, .airPascal = 1e3, .kelvin = kIce + 80.0}};
    m.contacts = {{0, TouchedPart::Wall, 1.5, kIce, "ice", true, 0.06}};
    const RigRun run = ranWell(m, 600.0, 5.0);
    const auto gone = std::ranges::find(run.events, RigEventKind::IceGone, &RigEvent::kind);
    ASSERT_NE(gone, run.events.end());
    EXPECT_GT(gone->seconds, 165.0);
    EXPECT_LT(gone->seconds, 195.0);
    const auto at = [&](double share) {
        return std::ranges::find_if(run.samples,
                                    [&](const RigSample& s) { return s.contacts[0].iceKg < share * 0.06; })
            ->seconds;
    };
    EXPECT_NEAR(at(0.2), 1.6 * at(0.5), 5.0); // evenly, but for the samples
}

TEST(RigPlunger, StandsAtTheRoomsPressureWhenNobodyHoldsIt) {
    RigModel m;
    m.roomPascal = 85e3;
    Vessel v;
    v.name = "syringe";
    v.volume = 15.1e-6;
    v.surface = 5e-4;
    v.mouth = 5.5e-4;
    v.condensed = 14.9e-3;
    v.kelvin = kIce + 45.0;
    v.airPascal = 85e3 - waterInARig().liquidSaturation(v.kelvin);
    m.vessels = {v};
    Skin plunger;
    plunger.law = SkinLaw::Plunger;
    plunger.viscosity = 5e4;
    plunger.friction = 2e3;
    m.skins = {plunger};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 5.0, {}, 0.0}, {{RigAction::Volume, 0, 50e-6, 4.0}}, "pulled"},
        {{RigTrigger::AtTime, 0, 40.0, {}, 0.0}, {{RigAction::LetGo, 0, 1.0, 0.0}}, "let go"}};
    const RigRun run = ranWell(m, 60.0, 0.5, moves);
    const auto at = [&](double seconds) {
        return std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds >= seconds; })
            ->vessels[0];
    };
    EXPECT_NEAR(at(4.0).pascal, 85e3, 2.1e3);
    EXPECT_NEAR(at(30.0).volume, 50e-6, 1e-9);
    EXPECT_NEAR(at(30.0).pascal, waterInARig().liquidSaturation(at(30.0).kelvin),
                1e3); // vapour, and a little air
    EXPECT_NEAR(run.samples.back().vessels[0].pascal, 85e3, 2.1e3);
    EXPECT_NEAR(run.samples.back().vessels[0].volume, 15.1e-6, 0.2e-6);
    EXPECT_NEAR(std::abs(run.samples.back().vessels[0].force), 0.0,
                2e3 * 5.5e-4 + 0.05); // but for its friction
}

TEST(RigEvents, AHeadspaceOfNextToNothingDoesNotFlicker) {
    RigModel m;
    m.roomPascal = 85e3;
    m.vessels = {{.volume = 15.02e-6,
                  .surface = 5e-4,
                  .nucleation = 1.0,
                  .condensed = 14.98e-3,
                  .airPascal = 60e3,
                  .kelvin = kIce + 60.0}};
    const std::vector<RigMove> moves{
        {{RigTrigger::AtTime, 0, 5.0, {}, 0.0}, {{RigAction::Volume, 0, 50e-6, 4.0}}, "pulled"},
        {{RigTrigger::AtTime, 0, 30.0, {}, 0.0}, {{RigAction::Volume, 0, 15.02e-6, 4.0}}, "pushed"}};
    const RigRun run = ranWell(m, 60.0, 0.5, moves);
    EXPECT_LE(std::ranges::count(run.events, RigEventKind::BoilingStarts, &RigEvent::kind), 2);
}

TEST(RigEvents, WhatHasNoLiquidHasNeitherVigourNorMargin) {
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre, .surface = 4e-3, .condensed = 0.5e-3, .kelvin = kIce + 60.0}};
    m.pumps = {{0, {60.0 / 60.0 * kLitre, 100.0}}};
    m.contacts = {{0, TouchedPart::Contents, 20.0, kIce + 60.0}};
    const RigRun run = ranWell(m, 300.0, 0.5);
    bool dry = false;
    for (const RigSample& s : run.samples) {
        const VesselState& v = s.vessels[0];
        if (v.liquid > 1e-6) continue;
        dry = true;
        EXPECT_EQ(v.vigour, 0.0) << s.seconds;
        EXPECT_FALSE(v.margin) << s.seconds;
    }
    EXPECT_TRUE(dry);
}

TEST(RigEvents, AClosedVesselGivesWayAndTheRunEndsThere) {
    RigModel m;
    m.vessels = {{.name = "tube",
                  .volume = 0.1 * kLitre,
                  .condensed = 0.04,
                  .airPascal = 90e3,
                  .kelvin = kIce + 30.0,
                  .givesWay = {{50e3, "the stopper is out"}, {300e3, "the glass has burst"}}}};
    m.heaters = {{0, 100.0}};
    const auto run = *simulate(m, waterInARig(), 3600.0, 5.0);
    ASSERT_TRUE(run.stopped);
    EXPECT_EQ(run.stopped->message, "at 300 kPa over the room the glass has burst");
    EXPECT_EQ(std::ranges::count(run.events, RigEventKind::GaveWay, &RigEvent::kind), 2);
    EXPECT_NEAR(run.samples.back().vessels[0].pascal, m.roomPascal + 300e3, 1e3);
    for (const RigSample& s : run.samples)
        EXPECT_LT(s.vessels[0].pascal, m.roomPascal + 301e3);
}

// Salt dissolves with its time constant: after one of them 63 % of what was thrown in at once.
TEST(RigSalt, DissolvesInItsTime) {
    const Ramp thrown{0.0, 0.1, 10.0, 10.05};
    double dissolved = 0.0;
    for (double t = 0.0; t < 70.0; t += 0.01)
        dissolved += 0.01 * thrown.slope(t + 0.005, 60.0);
    EXPECT_NEAR(dissolved, 0.1 * (1.0 - std::exp(-1.0)), 1e-4);
}

TEST(RigTube, AirThatFillsAVesselIsSlowedByTurbulence) {
    // 6 mm wide and 15 cm long: Blasius' friction against a nozzle alone; Re some 30,000.
    const Tube tube{6e-3, 0.15}, hole{6e-3, 0.0};
    const double long_ = tubeMassFlow(tube, {}, 293.15, 101'325.0, 20e3),
                 short_ = tubeMassFlow(hole, {}, 293.15, 101'325.0, 20e3);
    // f = 0.3164 Re^(-1/4) = 0.024: a head of 0.6 of friction beside that of the stream itself.
    EXPECT_GT(long_ / short_, 0.65);
    EXPECT_LT(long_ / short_, 0.92);
}

// R. H. Stokes, R. A. Robinson (1949); saturated calcium chloride, 32 % at 20 degC.
TEST(DryingAgents, StandInTheOrderOfTheirVapourPressures) {
    const double saturation = waterInARig().liquidSaturation(293.15);
    const auto over = [&](DryingAgentKind kind, double water) {
        return DryingAgent{kind, 0.1}.activity(water) * saturation;
    };
    EXPECT_LT(over(DryingAgentKind::SulfuricAcid, 0.1 / 0.95 - 0.1), 2.0);
    EXPECT_LT(over(DryingAgentKind::CalciumChloride, 0.02), 50.0); // to the dihydrate
    const double hexahydrate = 6.0 * 0.018015 / 0.110984 * 0.1;
    EXPECT_NEAR(over(DryingAgentKind::CalciumChloride, 1.01 * hexahydrate), 750.0, 40.0);
    EXPECT_GT(over(DryingAgentKind::CalciumChloride, 1.01 * hexahydrate), 611.7); // cannot freeze water
}

} // namespace
} // namespace uttrin
