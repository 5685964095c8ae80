#include "rehearsal/Remarks.h"

#include "rehearsal/Appearance.h"
#include "rehearsal/Demonstrations.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

using ::testing::HasSubstr;

Rehearsal played(std::string_view id, std::size_t variant = 0) {
    const RigFile& rig = findDemonstration(id)->rig;
    return *rehearse(rig, rig.variants()[variant].settings);
}

std::string toldAt(const Rehearsal& r, double seconds) {
    std::string all;
    for (const Text& line : remarksAt(r, r.sampleAt(seconds)))
        all += plain(line) + "\n";
    return all;
}

double timesAsBig(const Rehearsal& r, std::size_t vessel, std::size_t at) {
    return r.run.samples[at].vessels[vessel].volume / r.run.samples.front().vessels[vessel].volume;
}

TEST(Tellings, WhatSwellsFollowsThePressureAndFoamComesBackSmaller) {
    const Rehearsal r = played("things-that-swell");
    const std::size_t low = r.sampleAt(119.0), end = r.run.samples.size() - 1;
    EXPECT_EQ(appearanceAt(r, 0), "Nothing swells yet.");
    // The balloon by Boyle's law, less the push of its rubber.
    const VesselState& jar = r.run.samples[low].vessels[0];
    EXPECT_GT(timesAsBig(r, 1, low), 0.6 * 94'310.0 / jar.pascal);
    EXPECT_LT(timesAsBig(r, 1, low), 94'310.0 / jar.pascal);
    EXPECT_GT(timesAsBig(r, 2, low), 1.8);
    EXPECT_GT(timesAsBig(r, 3, low), 3.0);
    EXPECT_NEAR(timesAsBig(r, 1, end), 1.0, 0.03);
    EXPECT_LT(timesAsBig(r, 2, end), 0.9);
    EXPECT_LT(timesAsBig(r, 3, end), 0.9);
    EXPECT_THAT(appearanceAt(r, end), HasSubstr("Smaller than before: sweet, foam"));
}

TEST(Tellings, AirLetInFastBlowsLightThingsOver) {
    const Rehearsal slow = played("things-that-swell"), fast = played("things-that-swell", 2);
    const auto blows = [](const Rehearsal& r) {
        for (std::size_t i = 0; i < r.run.samples.size(); ++i)
            for (const Text& line : remarksAt(r, i))
                if (plain(line).find("blown over") != std::string::npos) return true;
        return false;
    };
    EXPECT_FALSE(blows(slow));
    EXPECT_TRUE(blows(fast));
}

TEST(Tellings, VapourThatBubblesThroughIsNotCalledBoiling) {
    const Rehearsal r = played("hand-warmed-bulb");
    EXPECT_THAT(appearanceAt(r, r.sampleAt(250.0)),
                HasSubstr("Gas from the lower bulb bubbles up through the upper bulb, which does not boil."));
    EXPECT_THAT(appearanceAt(r, r.sampleAt(30.0)), ::testing::Not(HasSubstr("bubbles up")));
    // The lower bulb runs empty but for a film; once the hand is away all of it comes back.
    const RigSample &held = r.run.samples[r.sampleAt(299.0)], &after = r.run.samples[r.sampleAt(380.0)];
    EXPECT_LT(held.vessels[0].liquid, 0.002);
    EXPECT_LT(after.vessels[1].liquid, 0.001);
}

TEST(Tellings, SnowTellsItsPressureByItsTemperature) {
    const Rehearsal r = played("snow-under-vacuum");
    const std::size_t at = r.sampleAt(700.0);
    double told = 0.0;
    ASSERT_EQ(std::sscanf(plain(remarksAt(r, at).at(0)).c_str(), "ice at %*s °C alone says %lf Pa", &told),
              1);
    // Within what a tenth of a kelvin makes of it, and the heat that leaks in.
    EXPECT_NEAR(told, r.watchedAt(at).pascal, 0.1 * r.watchedAt(at).pascal);
    EXPECT_TRUE(toldAt(r, 1700.0).empty()); // melting, it tells nothing
}

TEST(Tellings, OnASummitVegetablesTakeLongerAndTheWaterStillScalds) {
    const Rehearsal r = played("altitude-kettle");
    EXPECT_THAT(toldAt(r, 170.0), HasSubstr("softening: 1 times"));
    EXPECT_THAT(toldAt(r, 2000.0), HasSubstr("still scalds"));
    EXPECT_THAT(toldAt(r, 2000.0), HasSubstr("times as long as at 100 °C; it still scalds"));
}

TEST(Tellings, SyrupGoesThroughItsStagesAndAlcoholHasNone) {
    const Rehearsal r = played("syrup-on-the-stove");
    EXPECT_THAT(toldAt(r, 0.0), HasSubstr("60 % sugar"));
    std::string all;
    for (double t = 0.0; t < r.setup.seconds; t += 10.0)
        all += toldAt(r, t);
    EXPECT_THAT(all, HasSubstr("a drop in cold water forms: "));
    EXPECT_TRUE(toldAt(played("syrup-on-the-stove", 1), 300.0).empty());
}

/// Freezing a little water by different means, and how fast it goes.
TEST(Demonstrations, ATrapOrTheBallastLetsThePumpFreezeTheWater) {
    const auto frozen = [](std::size_t variant) {
        const Rehearsal r = played("freeze-by-boiling", variant);
        for (const RigEvent& e : r.run.events)
            if (e.kind == RigEventKind::FrozenThrough && e.vessel == r.setup.watched) return e.seconds;
        return 1e9;
    };
    enum { Alone = 3, Trap, Ballast };
    EXPECT_LT(frozen(Trap), frozen(Alone));
    EXPECT_LT(frozen(Ballast), frozen(Alone));
    EXPECT_LT(played("freeze-by-boiling", Trap).run.samples.back().pumps[0].oilKg,
              0.9 * played("freeze-by-boiling", Alone).run.samples.back().pumps[0].oilKg);
}

TEST(Demonstrations, AVolatileLiquidFreezesTheWaterThatItIsMixedWith) {
    const Rehearsal r = played("freeze-by-boiling", 6);
    ASSERT_TRUE(r.setup.model.solute);
    double ice = 0.0, solute = 1.0;
    for (const RigSample& s : r.run.samples)
        if (s.vessels[0].solid > ice) {
            ice = s.vessels[0].solid;
            solute = s.vessels[0].solute;
        }
    EXPECT_GT(ice, 2.5e-3);    // more than half of the 5 g of water
    EXPECT_LT(solute, 1.5e-3); // most of the acetone went first
}

TEST(Demonstrations, AHouseholdJarAndABottleBoilUnderIceAndAreSpokenOf) {
    for (const std::size_t variant : {5U, 6U}) {
        const RigVariant& glass = findDemonstration("sealed-flask")->rig.variants()[variant];
        SCOPED_TRACE(glass.name);
        EXPECT_THAT(glass.says, HasSubstr("not for vacuum"));
        const Rehearsal r = played("sealed-flask", variant);
        EXPECT_LT(*factsOf(r).lowestBoilingKelvin, 323.15);
        EXPECT_NE(r.setup.shapes[0], VesselShape::RoundFlask);
    }
}

} // namespace
} // namespace uttrin
