#include "RigRuns.h"
#include "solutions/BinaryMixture.h"
#include "solutions/SodiumChloride.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>
#include <utility>

namespace uttrin {
namespace {

using testing::ranWell;
using testing::waterInARig;

/// Freezing points of brine, CRC Handbook of Chemistry and Physics: share by mass, K below water's.
double depression(double share) {
    constexpr std::array<std::pair<double, double>, 7> kTable{{{0.10, 6.564},
                                                               {0.12, 8.179},
                                                               {0.14, 9.94},
                                                               {0.16, 11.89},
                                                               {0.18, 14.04},
                                                               {0.20, 16.46},
                                                               {0.22, 19.18}}};
    for (std::size_t i = 1; i < kTable.size(); ++i)
        if (share <= kTable[i].first)
            return std::lerp(kTable[i - 1].second, kTable[i].second,
                             (share - kTable[i - 1].first) / (kTable[i].first - kTable[i - 1].first));
    return kTable.back().second;
}

TEST(RigSolution, SaltOnIceCoolsAsTheBalanceOfHeatSays) {
    constexpr double kIce = 0.3, kSalt = 0.004, kRoom = 293.15, kStart = 273.05;
    RigModel m;
    m.roomKelvin = kRoom;
    m.solute = *RigSolute::make(SoluteKind::SodiumChloride, water());
    m.vessels = {{.volume = 1e-3, .condensed = kIce, .airPascal = 1e5, .kelvin = kStart}};
    const RigRun run = ranWell(m, 1200.0, 60.0,
                               {{{RigTrigger::AtTime, 0, 10.0}, {{RigAction::StirIn, 0, kSalt, 20.0}}, ""}});
    const VesselState& s = run.samples.back().vessels[0];
    // Heat for what melts and for the salt to dissolve comes from cooling all of it; kJ and kg.
    double low = 0.0, high = kIce;
    for (int i = 0; i < 60; ++i) {
        const double melts = 0.5 * (low + high), drop = depression(kSalt / (kSalt + melts));
        const double given =
                         ((kIce - melts) * 2.1 + melts * 4.2 + kSalt * 0.45) * drop + kSalt * 0.864 * 20.0,
                     taken = melts * 333.4 + kSalt * 66.4;
        (given > taken ? low : high) = melts;
    }
    EXPECT_NEAR(s.kelvin, 273.15 - depression(kSalt / (kSalt + low)), 0.4);
    EXPECT_NEAR(s.liquid, low, 0.01);
    // The brine and the ice in it have one vapour pressure, and it comes to it through still air within
    // minutes.
    EXPECT_NEAR(s.vapourPascal() / waterInARig().solidSaturation(s.kelvin), 1.0, 0.02);
}

TEST(RigSolution, MoreSaltThanTheIceCanMeltForStaysUndissolvedAtTheEutectic) {
    RigModel m;
    m.solute = *RigSolute::make(SoluteKind::SodiumChloride, water());
    m.vessels = {{.volume = 1e-3, .condensed = 0.3, .airPascal = 1e5, .kelvin = 273.05}};
    const VesselState s =
        ranWell(m, 300.0, 15.0, {{{RigTrigger::AtTime, 0, 10.0}, {{RigAction::StirIn, 0, 0.06, 20.0}}, ""}})
            .samples.back()
            .vessels[0];
    EXPECT_NEAR(s.kelvin, 273.15 - 21.1, 0.05);
    EXPECT_NEAR(s.solute / (s.solute + s.liquid), 0.233, 0.001);
    EXPECT_NEAR(s.solute + s.undissolved, 0.06, 1e-5);
    EXPECT_GT(s.undissolved, 0.04); // 300 g of ice that cool by 21 K melt some 40 g of it
}

TEST(RigSolution, ActivitiesAreThoseOfTheSolutionsThemselves) {
    const auto salt = *RigSolute::make(SoluteKind::SodiumChloride, water());
    for (const double celsius : {20.0, 60.0, 100.0})
        for (const double molality : {1.0, 3.0, 5.0}) {
            const auto t = Temperature::fromCelsius(celsius);
            EXPECT_NEAR(salt.activities(sodiumChloride::massFraction(molality), t.kelvin()).solvent,
                        *sodiumChloride::waterActivity(molality, t), 0.015)
                << molality << ' ' << celsius;
        }
    const auto ethanol = *RigSolute::make(SoluteKind::Ethanol, water());
    const BinaryMixture& mixture = **findWaterMixture("ethanol");
    const auto t = Temperature::fromCelsius(70.0);
    const auto a = ethanol.activities(0.4, t.kelvin());
    EXPECT_NEAR(a.solvent * waterInARig().liquidSaturation(t.kelvin()) +
                    a.solute * ethanol.fluid()->liquidSaturation(t.kelvin()),
                mixture.bubblePressure(mixture.amountFraction(0.4), t)->pascal(), 5.0);
    EXPECT_EQ(
        plain(RigSolute::make(SoluteKind::Sucrose, **findSubstance("ethanol")).error().message).substr(0, 26),
        "what dissolves in ethanol ");
}

TEST(RigSolution, ASyrupFreezesWhereItSays) {
    const auto sugar = *RigSolute::make(SoluteKind::Sucrose, water());
    // 1 mol in a kilogram of water lowers the freezing point by 1.86 K; the boiling points, from which it is
    // had, tell it within a quarter of a kelvin.
    EXPECT_NEAR(273.16 - sugar.freezingKelvin(0.3423 / 1.3423), 1.9, 0.25);
    EXPECT_NEAR(sugar.shareBesideIce(sugar.freezingKelvin(0.3)), 0.3, 1e-4);
    EXPECT_NEAR(sugar.freezingKelvin(0.0), 273.16, 1e-6);
}

TEST(RigSolution, AlcoholLeavesAMixtureFirst) {
    RigModel m;
    m.solute = *RigSolute::make(SoluteKind::Ethanol, water());
    m.vessels = {{.volume = 2e-3, .condensed = 0.3, .solute = 0.1, .airPascal = 1000.0, .kelvin = 313.15}};
    m.pumps = {{0, {1e-3, 100.0}}};
    const VesselState s = ranWell(m, 60.0, 3.0).samples.back().vessels[0];
    EXPECT_LT(s.share(), 0.24);
    EXPECT_GT((0.1 - s.solute) / 0.1, 5.0 * (0.3 - s.liquid) / 0.3);
}

TEST(RigSkin, ABalloonInAJarStandsWhereItsRubberAndItsAirAgree) {
    RigModel m;
    m.vessels = {{.name = "jar", .volume = 5e-3, .airPascal = 101'325.0},
                 {.name = "balloon", .volume = 0.2e-3, .airPascal = 101'325.0}};
    m.skins = {{.inside = 1, .around = 0, .shear = 3e5, .solidShare = 0.006}};
    m.pumps = {{0, {0.5e-3, 5e3}}};
    m.contacts = {{0, TouchedPart::Contents, 50.0, 293.15}, {1, TouchedPart::Contents, 50.0, 293.15}};
    const RigSample end = ranWell(m, 120.0, 6.0).samples.back();
    const VesselState &jar = end.vessels[0], &balloon = end.vessels[1];
    const double ratio = balloon.volume / 0.2e-3;
    EXPECT_GT(ratio, 5.0);
    // 2 t/r mu (1/l - 1/l^7)(1 + 0.1 l^2), with mu / 1.1 as its first constant.
    const double l = std::cbrt(ratio);
    EXPECT_NEAR(balloon.pascal - jar.pascal,
                2.0 * 0.006 * 3e5 / 1.1 * (1.0 / l - std::pow(l, -7.0)) * (1.0 + 0.1 * l * l), 20.0);
    EXPECT_NEAR(balloon.pascal * balloon.volume, 101'325.0 * 0.2e-3, 0.05); // Boyle
}

TEST(RigSkin, AFoamWhoseCellsBurstComesBackSmaller) {
    RigModel m;
    m.vessels = {{.name = "jar", .volume = 2e-3, .airPascal = 100e3},
                 {.name = "foam", .volume = 0.05e-3, .airPascal = 100e3}};
    m.roomPascal = 100e3;
    m.skins = {{.inside = 1,
                .around = 0,
                .law = SkinLaw::Cells,
                .shear = 500.0,
                .solidShare = 0.1,
                .holds = 2.0,
                .bursting = 0.2}};
    m.pumps = {{0, {0.3e-3, 2e3}}};
    m.links = {{0, kRoom, {2e-3, 0.02}, "inlet", 0.0}};
    m.contacts = {{0, TouchedPart::Contents, 20.0, 293.15}, {1, TouchedPart::Contents, 20.0, 293.15}};
    const RigRun run = ranWell(
        m, 120.0, 6.0,
        {{{RigTrigger::AtTime, 0, 60.0}, {{RigAction::RunPump, 0, 0.0}, {RigAction::Open, 0, 1.0}}, ""}});
    double most = 0.0, jet = 0.0;
    for (const RigSample& s : run.samples) {
        most = std::max(most, s.vessels[1].volume);
        jet = std::max(jet, s.links[0].jet);
    }
    EXPECT_GT(most, 2.0 * 0.05e-3);
    EXPECT_LT(run.samples.back().vessels[1].volume, 0.8 * 0.05e-3);
    EXPECT_GT(jet, 0.05); // choked: about 0.7 kg/s and m2 a kPa, at the speed of sound
}

TEST(RigLiquidTube, LiquidStandsWhereThePressuresHoldIt) {
    RigModel m;
    m.vessels = {{.volume = 1e-3, .surface = 2e-3, .condensed = 0.4, .airPascal = 100e3},
                 {.volume = 1e-3, .surface = 2e-3, .condensed = 0.05, .airPascal = 98.5e3}};
    m.liquidTubes = {{0, 1, {3e-3, 0.1}, 0.05}};
    const RigSample end = ranWell(m, 600.0, 30.0).samples.back();
    const VesselState &a = end.vessels[0], &b = end.vessels[1];
    EXPECT_GT(b.liquid, 0.055);
    const auto head = [](const VesselState& s) { return 9.81 * s.liquid / 2e-3; };
    EXPECT_NEAR(a.pascal + head(a), b.pascal + head(b) + 1000.0 * 9.81 * 0.05, 5.0);
}

TEST(RigLiquidTube, GasRisesThroughABareEndAsLiquidFallsPastIt) {
    RigModel m;
    m.vessels = {{.volume = 1e-3, .surface = 2e-3, .airPascal = 100e3, .vapourPascal = 0.0},
                 {.volume = 1e-3, .surface = 2e-3, .condensed = 0.1, .airPascal = 99e3, .vapourPascal = 0.0}};
    m.liquidTubes = {{0, 1, {3e-3, 0.1}, 0.2}};
    // 100 kPa lie over 99 and the half kilopascal of 5 cm, and under the two of the full tube as well.
    const auto streams = [&] { return RigSimulator::make(m, waterInARig(), {})->sample().liquidTubes.at(0); };
    EXPECT_GT(streams().gas, 0.0);
    EXPECT_LT(streams().liquid, 0.0);
    m.vessels[0].airPascal = 98e3;
    EXPECT_EQ(streams().gas, 0.0);
    m.vessels[0].airPascal = 103e3;
    EXPECT_GT(streams().gas, 0.0);
    EXPECT_EQ(streams().liquid, 0.0); // none is there to be pushed up
    m.vessels[0].condensed = 0.1;
    EXPECT_GT(streams().liquid, 0.0);
    EXPECT_LT(streams().gas, 1e-3 * streams().liquid); // its end is covered
}

RC_GTEST_PROP(RigSolution, SolutionsInAnyRigKeepTheirMassAndEnergy, ()) {
    const auto among = [](double low, double high) {
        return low + (high - low) * *rc::gen::inRange(0, 1001) / 1000.0;
    };
    const auto kind = *rc::gen::element(SoluteKind::SodiumChloride, SoluteKind::Sucrose, SoluteKind::Ethanol,
                                        SoluteKind::Acetone);
    RigModel m;
    m.solute = *RigSolute::make(kind, water());
    for (int i = 0; i < 2; ++i) {
        Vessel v;
        v.volume = among(0.5, 3.0) * 1e-3;
        v.condensed = v.volume * among(20.0, 400.0);
        v.solute = v.condensed * among(0.01, 0.25);
        v.airPascal = among(10.0, 90e3);
        v.kelvin = among(280.0, 330.0);
        for (int w = *rc::gen::inRange(0, 3); w > 0; --w)
            v.walls.push_back({"glass", among(20.0, 300.0), among(0.0, 20.0), among(0.0, 0.05)});
        m.vessels.push_back(v);
        m.contacts.push_back({i, TouchedPart::Contents, among(0.0, 5.0), among(255.0, 330.0)});
    }
    m.contacts.push_back({0, TouchedPart::Contents, among(0.0, 3.0), 293.15, "neighbour", true, 0.0, 1});
    if (*rc::gen::arbitrary<bool>())
        m.liquidTubes = {{0, 1, {among(1e-3, 5e-3), among(0.05, 0.3)}, among(0.0, 0.2)}};
    if (*rc::gen::arbitrary<bool>()) m.links = {{0, 1, {among(0.5e-3, 5e-3), among(0.0, 0.2)}}};
    if (*rc::gen::arbitrary<bool>()) m.pumps = {{0, {among(1e-5, 3e-4), among(50.0, 2000.0)}}};
    const auto run = simulate(m, waterInARig(), 60.0, 20.0);
    RC_ASSERT(run.has_value());
    RC_LOG() << id(kind) << ' ' << (run->stopped ? plain(run->stopped->message) : "");
    RC_ASSERT(run->massDrift < 1e-6);
    RC_ASSERT(run->energyDrift < 1e-6);
    for (const RigSample& s : run->samples)
        for (const VesselState& v : s.vessels)
            RC_ASSERT(std::isfinite(v.pascal) && v.solute >= 0.0 && v.undissolved >= 0.0 && v.share() <= 1.0);
}

} // namespace
} // namespace uttrin
