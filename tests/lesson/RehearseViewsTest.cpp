#include "lesson/views/RehearseViews.h"

#include "lesson/views/MeasuredView.h"
#include "rehearsal/Demonstrations.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

const Rehearsal& played(std::string_view id) {
    static std::map<std::string, Rehearsal, std::less<>> all;
    auto found = all.find(id);
    if (found == all.end()) {
        found = all.emplace(id, *rehearse(findDemonstration(id)->rig, {})).first;
    }
    return found->second;
}

const ScenePart* partOf(const RigScene& scene, ScenePart::Kind kind) {
    const auto at = std::ranges::find(scene.parts, kind, &ScenePart::kind);
    return at == scene.parts.end() ? nullptr : &*at;
}

TEST(RehearseViews, TheSceneObeysTheNumbers) {
    const Rehearsal& r = played("sealed-flask");
    const RigScene boiling = sceneOf(r, r.sampleAt(60.0)), iced = sceneOf(r, r.sampleAt(700.0)),
                   last = sceneOf(r, r.run.samples.size() - 1);
    EXPECT_TRUE(boiling.vessels[0].boiling);
    EXPECT_EQ(partOf(boiling, ScenePart::Valve)->state, "open");
    EXPECT_EQ(partOf(boiling, ScenePart::Heater)->state, "350 W");
    EXPECT_EQ(partOf(boiling, ScenePart::Ice), nullptr);
    EXPECT_EQ(partOf(iced, ScenePart::Valve)->state, "shut");
    EXPECT_FALSE(partOf(iced, ScenePart::Heater)->active);
    const ScenePart* ice = partOf(iced, ScenePart::Ice);
    ASSERT_TRUE(ice);
    EXPECT_TRUE(ice->onDryGlass);
    EXPECT_TRUE(ice->left > 0.0 && ice->left < 1.0);
    EXPECT_NE(plain(ice->state).find("g left, takes"), std::string::npos);
    EXPECT_TRUE(iced.vessels[0].drops);
    EXPECT_NEAR(iced.vessels[0].fill, 0.44 / 1.1, 0.02);
    EXPECT_TRUE(std::ranges::any_of(
        iced.lines, [](const Text& l) { return plain(l).starts_with("stopper pushed in with"); }));
    // A litre and a tenth with 440 g in it lacks nearly all of its air: (94.3 - 3.8) / 94.3 of 0.66 L.
    EXPECT_TRUE(std::ranges::find(last.lines, Text::typed("opened now: 0.62 L of air hisses in")) !=
                last.lines.end())
        << last.lines.back();
    EXPECT_FALSE(last.vessels[0].boiling);
    EXPECT_EQ(partOf(last, ScenePart::Ice), nullptr);
    EXPECT_TRUE(plain(iced.thermometer).ends_with(" °C"));
    EXPECT_TRUE(plain(iced.gauge).ends_with(" kPa abs."));
}

TEST(RehearseViews, FrostDishesPumpsAndTubesAreDrawn) {
    const Rehearsal& bulbs = played("two-bulbs");
    const RigScene cold = sceneOf(bulbs, bulbs.sampleAt(120.0));
    ASSERT_EQ(cold.vessels.size(), 2U);
    EXPECT_TRUE(cold.vessels[1].frost);
    EXPECT_EQ(partOf(cold, ScenePart::Tube)->other, 1);
    EXPECT_TRUE(plain(partOf(cold, ScenePart::Cold)->state).starts_with("−15 °C, takes "));
    const Rehearsal& dish = played("freeze-by-boiling");
    const RigScene frozen = sceneOf(dish, dish.sampleAt(600.0));
    EXPECT_DOUBLE_EQ(frozen.vessels[0].frozen, 1.0);
    EXPECT_TRUE(partOf(frozen, ScenePart::Pump)->active);
    EXPECT_NE(plain(partOf(frozen, ScenePart::Dish)->state).find("g taken up"), std::string::npos);
    const Rehearsal& syringe = played("syringe");
    EXPECT_GT(sceneOf(syringe, syringe.sampleAt(20.0)).vessels[0].plunger,
              2.0 * sceneOf(syringe, 0).vessels[0].plunger);
}

TEST(RehearseViews, AStemForLiquidIsDrawnAndAVesselThatTouchesAnotherTellsThatOnesTemperature) {
    const Rehearsal& bulb = played("hand-warmed-bulb");
    const RigScene warm = sceneOf(bulb, bulb.sampleAt(150.0));
    const auto stem = std::ranges::find(warm.parts, Text::typed("stem"), &ScenePart::name);
    ASSERT_NE(stem, warm.parts.end());
    EXPECT_EQ(stem->kind, ScenePart::Tube);
    EXPECT_EQ(stem->other, 1);
    EXPECT_TRUE(stem->fromBelow);
    EXPECT_EQ(warm.vessels[1].stream, 0.0); // liquid comes up yet
    EXPECT_GT(sceneOf(bulb, bulb.sampleAt(250.0)).vessels[1].stream, 0.0);
    const Rehearsal& salt = played("salt-on-ice");
    const auto lies = [&](double seconds) {
        const RigScene scene = sceneOf(salt, salt.sampleAt(seconds));
        return *std::ranges::find(scene.parts, Text::typed("lies on"), &ScenePart::name);
    };
    EXPECT_EQ(lies(80.0).kind, ScenePart::Cold);
    // It takes minutes to come to its lowest, as salt dissolves with a time constant of one.
    EXPECT_FALSE(plain(lies(80.0).state).starts_with("−2")) << lies(80.0).state;
    EXPECT_TRUE(plain(lies(360.0).state).starts_with("−20 °C, takes ") ||
                plain(lies(360.0).state).starts_with("−21 °C"))
        << lies(360.0).state;
    EXPECT_TRUE(plain(lies(30.0).state).starts_with("−1 °C") || plain(lies(30.0).state).starts_with("−0 °C"))
        << lies(30.0).state;
}

TEST(RehearseViews, WhatSwellsStandsInItsJarAsLargeAsItIs) {
    const Rehearsal& r = played("things-that-swell");
    const RigScene before = sceneOf(r, 0), low = sceneOf(r, r.sampleAt(110.0));
    for (const std::size_t v : {1U, 2U, 3U}) {
        EXPECT_EQ(before.vessels[v].within, 0);
        EXPECT_EQ(before.vessels[v].note, "1.0×");
        EXPECT_GT(low.vessels[v].size, 1.3 * before.vessels[v].size);
    }
    // As edges of cubes: 150 mL in 8 L.
    EXPECT_NEAR(before.vessels[1].size, std::cbrt(0.15 / 8.0), 1e-6);
    EXPECT_EQ(before.vessels[0].within, kRoom);
    const StripView strip = rehearsalStrip(r, 0);
    EXPECT_EQ(strip.liquid.label, "Gas");
    EXPECT_EQ(strip.marginText, "no liquid");
    EXPECT_FALSE(strip.boiling);
    EXPECT_NE(plain(rehearsalCard(r, r.sampleAt(110.0)).see).find("balloon"), std::string::npos);
}

TEST(RehearseViews, IceOnTheWaterLiesBesideItAndAHandOnTheDryGlass) {
    const RigFile& rig = findDemonstration("sealed-flask")->rig;
    enum { OnWater = 3, WetHand = 4 };
    const Rehearsal water = *rehearse(rig, rig.variants()[OnWater].settings),
                    hand = *rehearse(rig, rig.variants()[WetHand].settings);
    const auto afterTheLastMove = [](const Rehearsal& r) {
        double last = 0.0;
        for (const RigEvent& e : r.run.events)
            if (e.kind == RigEventKind::Moved) last = e.seconds;
        return sceneOf(r, r.sampleAt(last + 60.0));
    };
    const RigScene wet = afterTheLastMove(water), held = afterTheLastMove(hand);
    ASSERT_TRUE(partOf(wet, ScenePart::Ice));
    EXPECT_FALSE(partOf(wet, ScenePart::Ice)->onDryGlass);
    ASSERT_TRUE(partOf(held, ScenePart::Cold));
    EXPECT_TRUE(partOf(held, ScenePart::Cold)->onDryGlass);
}

TEST(RehearseViews, AnOpenPanHasNoValveAndAnUnusedDishIsNotDrawn) {
    EXPECT_EQ(partOf(sceneOf(played("syrup-on-the-stove"), 0), ScenePart::Valve), nullptr);
    const RigFile& rig = findDemonstration("freeze-by-boiling")->rig;
    const Rehearsal alone = *rehearse(rig, rig.variants()[3].settings);
    const RigScene end = sceneOf(alone, alone.run.samples.size() - 1);
    EXPECT_EQ(partOf(end, ScenePart::Dish), nullptr);
    const ScenePart* pump = partOf(end, ScenePart::Pump);
    ASSERT_TRUE(pump);
    EXPECT_NE(plain(pump->state).find("g in oil"), std::string::npos);
}

TEST(RehearseViews, ADryingAgentLooksAsWhatItIs) {
    const RigFile& rig = findDemonstration("freeze-by-boiling")->rig;
    for (const auto& [agent, grains] : {std::pair{"sulfuric-acid", false}, {"calcium-chloride", true}}) {
        const auto r = rehearse(rig, {{"/drying_dishes/drying agent/agent", agent}});
        ASSERT_TRUE(r) << r.error().message;
        const RigScene scene = sceneOf(*r, 1);
        ASSERT_TRUE(partOf(scene, ScenePart::Dish));
        EXPECT_EQ(partOf(scene, ScenePart::Dish)->grains, grains) << agent;
    }
}

TEST(RehearseViews, TheStripTellsBoilingFromQuietAndFromIce) {
    const Rehearsal& r = played("freeze-by-boiling");
    const StripView air = rehearsalStrip(r, r.sampleAt(12.0)), boils = rehearsalStrip(r, r.sampleAt(35.0)),
                    frozen = rehearsalStrip(r, r.run.samples.size() - 1);
    EXPECT_FALSE(air.boiling);
    EXPECT_TRUE(plain(air.marginText).ends_with(" K to go"));
    EXPECT_EQ(air.marginUnder, "bubbles of dissolved air");
    EXPECT_TRUE(boils.boiling);
    EXPECT_TRUE(plain(boils.marginText).starts_with("boiling, "));
    EXPECT_EQ(boils.gauge.label, "In the dish, abs.");
    EXPECT_FALSE(frozen.marginKelvin);
    EXPECT_EQ(frozen.marginText, "frozen");
    EXPECT_EQ(frozen.liquid.label, "Contents");
    EXPECT_TRUE(plain(frozen.liquid.number).starts_with("−"));
}

TEST(RehearseViews, TheMapFramesBothPathsAndTheCardSaysWhatComes) {
    const Rehearsal& r = played("sealed-flask");
    const std::size_t at = r.sampleAt(300.0);
    const MapView map =
        rehearsalMap({}, r, Text::typed("mine"), &played("bell-jar"), Text::typed("other"), at);
    ASSERT_EQ(map.paths.size(), 2U);
    for (const MapPath& path : map.paths)
        for (const auto& [kelvin, pascal] : path.points) {
            EXPECT_GT(kelvin, map.lowKelvin);
            EXPECT_LT(kelvin, map.highKelvin);
            EXPECT_GT(pascal, map.lowPascal);
            EXPECT_LT(pascal, map.highPascal);
        }
    EXPECT_EQ(*map.liveKelvin, r.watchedAt(at).kelvin);
    const RehearsalCard card = rehearsalCard(r, at);
    EXPECT_FALSE(card.see.empty());
    EXPECT_TRUE(plain(card.next).starts_with("Next, in ") &&
                plain(card.next).ends_with(": ice on the vapour."))
        << card.next;
    EXPECT_TRUE(plain(card.note).starts_with("It still boils down to about "));
    EXPECT_NE(plain(rehearsalCard(played("closed-and-heated"), 0).note).find("never do this"),
              std::string::npos);
}

TEST(RehearseViews, TheTapeHoldsTheMovesTheBurstsAndWhatLiesOn) {
    const RehearsalTapeView tape = rehearsalTape(played("sealed-flask"));
    EXPECT_EQ(tape.seconds, 5400.0);
    EXPECT_EQ(std::ranges::count_if(tape.marks, [](const auto& m) { return m.move; }), 5);
    ASSERT_FALSE(tape.cooling.empty());
    EXPECT_GT(tape.cooling.front().from, 300.0);
    EXPECT_EQ(tape.times.size(), tape.vigour.size());
    EXPECT_GT(*std::ranges::max_element(tape.vigour), 0.3);
    EXPECT_EQ(momentText(65.0), "1:05");
    EXPECT_EQ(momentText(3725.0), "1:02:05");
}

TEST(MeasuredView, LinesOfTimesAndTemperaturesAreReadOrNamed) {
    const auto moments = parseMoments("10:12 84.0\n\n  10:20\t77,5 \n");
    ASSERT_TRUE(moments);
    ASSERT_EQ(moments->size(), 2U);
    EXPECT_EQ((*moments)[1].minute, 620.0);
    EXPECT_EQ((*moments)[1].celsius, 77.5);
    for (const char* wrong : {"10:12", "25:00 80", "10:72 80", "ten 80", "10:12 hot", "10:12 900"})
        EXPECT_TRUE(plain(parseMoments(wrong).error().message).starts_with("line 1: '")) << wrong;
    EXPECT_EQ(clockOf(620.0), "10:20");
    EXPECT_EQ(clockOf(-15.0), "23:45"); // the day before
    EXPECT_EQ(sinceClock(*moments, 610.0)->front().seconds, 120.0);
    EXPECT_NE(plain(sinceClock(*moments, 615.0).error().message).find("lies before 10:15"),
              std::string::npos);
}

TEST(MeasuredView, SaysWhenByTheClockOnTheWall) {
    const RigFile& rig = demonstrations().front().rig;
    const Rehearsal& r = played("sealed-flask");
    std::vector<MeasuredMoment> readings;
    for (const double minute : {3.0, 6.0, 9.0})
        readings.push_back({60.0 * minute, r.watchedAt(r.sampleAt(clockStart(r) + 60.0 * minute)).kelvin});
    const auto lines = fitSentences(*fitToReadings(rig, {}, readings, 0.3), 605.0, 65.0);
    ASSERT_GE(lines.size(), 3U);
    EXPECT_TRUE(plain(lines[0]).starts_with("At 65 °C at 10:")) << lines[0];
    EXPECT_TRUE(plain(lines[1]).starts_with("It can still be made to boil until about 10:")) << lines[1];
    EXPECT_TRUE(plain(lines.back()).starts_with("The curve lies within 0."));
    const auto ready = readySentences(rig, {}, {{660.0, 70.0}, {670.0, 5.0}});
    ASSERT_EQ(ready.size(), 2U);
    EXPECT_TRUE(plain(ready[0]).starts_with("70 °C at 11:00: shut at 10:")) << ready[0];
    EXPECT_NE(plain(ready[1]).find("does not cool"), std::string::npos);
}

} // namespace
} // namespace uttrin
