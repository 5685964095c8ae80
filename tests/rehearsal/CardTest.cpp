#include "rehearsal/Demonstrations.h"
#include "rehearsal/card/FetchList.h"
#include "rehearsal/card/FillRange.h"
#include "rehearsal/card/RigFloor.h"
#include "rehearsal/card/ToldCard.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

const RigFile& rig(const char* id) { return findDemonstration(id)->rig; }

bool runsDry(const Rehearsal& r) {
    return std::ranges::any_of(r.run.events, [](const RigEvent& e) { return e.kind == RigEventKind::Dry; });
}

/// A small rig file with a card of one's own.
Result<RigFile> withCard(const std::string& card, const std::string& step = "{\"says\": \"look\"}") {
    return readRigFile(R"({"name": "x", "substance": "water", "duration": "1 min",
        "vessels": {"flask": {"volume": "1 L", "liquid": "100 g"}},
        "links": {"clamp": {"from": "flask", "to": "room", "diameter": "6 mm", "length": "1 cm"}},
        "story": {"steps": [)" +
                       step + R"(], "card": )" + card + "}}");
}

TEST(Card, EveryDemonstrationThatCanBeDoneHasOneWithTheSafeDefaults) {
    for (const Demonstration& d : demonstrations())
        for (int v = -1; v < static_cast<int>(d.rig.variants().size()); ++v) {
            SCOPED_TRACE(d.id + " " + std::to_string(v));
            const RigStory& s = d.rig.story(v);
            const auto setup = d.rig.setup(v < 0 ? std::vector<RigSetting>()
                                                 : d.rig.variants()[static_cast<std::size_t>(v)].settings);
            ASSERT_TRUE(setup);
            const ToldCard told = toldCard(s, *setup);
            if (s.steps.empty()) {
                EXPECT_TRUE(told.sections.empty()) << "nothing here is to be done";
                continue;
            }
            EXPECT_FALSE(s.card.control.empty());
            EXPECT_FALSE(s.card.handOver.empty());
            EXPECT_TRUE(std::ranges::any_of(s.materials, [](const RigMaterial& m) { return m.each; }))
                << "eye protection for everybody";
            // Whoever pumps glass out does it behind a screen, or has it bought sealed.
            const bool pumped = !setup->model.pumps.empty();
            if (pumped) {
                EXPECT_FALSE(s.card.evacuated.empty());
                EXPECT_FALSE(s.card.pump.stop.empty() || s.card.pump.drain.empty());
                EXPECT_TRUE(std::ranges::any_of(
                    s.materials, [](const RigMaterial& m) { return m.says == "safety screen"; }));
            }
            const auto last = s.steps.back().kind;
            EXPECT_TRUE(last == RigStep::CloseDown || last == RigStep::ClearAway);
        }
}

// Nothing of a heated vessel is shut as long as its heater is on, but where a pump or a valve keeps it open.
TEST(Card, NoStepShutsAFlaskOnTheHeat) {
    for (const char* id : {"sealed-flask", "hand-pump"}) {
        const auto setup = rig(id).setup();
        const ValveTable table = valveTable(rig(id).story(), *setup);
        const auto at = [&](const char* name) {
            return static_cast<std::size_t>(std::ranges::find(table.names, name) - table.names.begin());
        };
        ASSERT_LT(at("clamp"), table.names.size());
        ASSERT_LT(at("hob"), table.names.size());
        bool shut = false;
        for (const auto& row : table.after) {
            EXPECT_TRUE(row[at("clamp")] || !row[at("hob")]) << id;
            shut = shut || !row[at("clamp")];
        }
        EXPECT_TRUE(shut) << "it is shut at some step";
        EXPECT_TRUE(table.after.back()[at("clamp")]) << "and open at the end";
    }
}

TEST(Card, ValvesFollowTheMovesOfTheSteps) {
    const auto setup = rig("bell-jar").setup();
    const ValveTable table = valveTable(rig("bell-jar").story(), *setup);
    EXPECT_EQ(plain(valvesAfter(table, 0)), "bleed shut, pump off");
    EXPECT_EQ(plain(valvesAfter(table, 1)), "bleed shut, pump on");
    EXPECT_EQ(plain(valvesAfter(table, 3)), "bleed open, pump off");
}

TEST(Card, AmountsFollowTheValues) {
    const std::vector<RigSetting> own{{"/vessels/flask/liquid", "300 g"},
                                      {"/moves/2/ice/ice on the vapour", "100 g"},
                                      {"/moves/3/ice/ice on the vapour", "50 g"},
                                      {"/moves/4/ice/ice on the vapour", "0 g"}};
    const auto played = rehearse(rig("sealed-flask"), own);
    ASSERT_TRUE(played);
    std::vector<std::string> texts;
    for (const Needed& n : neededFor(rig("sealed-flask").story(), &*played))
        texts.push_back(plain(neededText(n)));
    EXPECT_NE(std::ranges::find(texts, "water: 300 g"), texts.end());
    EXPECT_NE(std::ranges::find(texts, "ice, in portions: 150 g"), texts.end());
    EXPECT_NE(std::ranges::find(texts, "eye protection, for everybody"), texts.end());
    std::vector<std::string> unknown;
    for (const Needed& n : neededFor(rig("sealed-flask").story(), nullptr))
        unknown.push_back(plain(neededText(n)));
    EXPECT_NE(std::ranges::find(unknown, "water: …"), unknown.end());
}

TEST(Card, HouseholdGlassUnderVacuumIsRefusedAndLaboratoryGlassIsNotForPupils) {
    const RigStory& s = rig("lab-held-temperature").story();
    const auto with = [&](const char* making) {
        return *rig("lab-held-temperature").setup({{"/vessels/flask/made_for", making}});
    };
    EXPECT_TRUE(vesselRefused(s.card, with("vacuum")).empty());
    EXPECT_TRUE(vesselRefused(s.card, with("laboratory")).empty());
    EXPECT_NE(plain(vesselRefused(s.card, with("household"))).find("household glass"), std::string::npos);
    EXPECT_EQ(plain(toldCard(s, with("vacuum")).sections.front().lines.front()),
              plain(doerText(RigDoer::Pupils)));
    EXPECT_NE(plain(toldCard(s, with("laboratory")).sections.front().lines.front()).find("teacher"),
              std::string::npos);
    // A kettle of the kitchen does not stand under vacuum.
    EXPECT_TRUE(vesselRefused(rig("altitude-kettle").story().card, *rig("altitude-kettle").setup()).empty());
}

TEST(Card, TheFloorOfABathIsTheVapourPressureOfItsIce) {
    // 259.90 Pa over ice at −10 °C, 103.26 Pa at −20 °C: IAPWS R14-08, as the steam tables print it.
    for (const auto& [bath, pascal] : {std::pair{"-10 degC", 259.9}, {"-20 degC", 103.3}}) {
        const auto setup = rig("two-bulbs").setup({{"/contacts/bath/temperature", bath}});
        const auto floor = floorOf(*setup);
        ASSERT_TRUE(floor);
        EXPECT_EQ(floor->kind, RigFloor::ColdBath);
        EXPECT_NEAR(floor->pascal, pascal, 0.2);
        EXPECT_FALSE(floor->boilingKelvin) << "it freezes there";
        EXPECT_NE(plain(floorText(*floor, *setup)).find("it can freeze"), std::string::npos);
    }
    const auto warm = floorOf(*rig("two-bulbs").setup({{"/contacts/bath/temperature", "5 degC"}}));
    ASSERT_TRUE(warm && warm->boilingKelvin);
    EXPECT_NEAR(*warm->boilingKelvin, 278.15, 0.01);
    const auto lab = floorOf(*rig("lab-held-pressure").setup()); // its condenser is colder than the room
    ASSERT_TRUE(lab);
    EXPECT_EQ(lab->kind, RigFloor::Pump);
    const auto acid = floorOf(*rig("freeze-by-boiling").setup());
    ASSERT_TRUE(acid);
    EXPECT_EQ(acid->kind, RigFloor::DryingAgent);
    EXPECT_LT(acid->pascal, 20.0) << "fresh acid of more than 90 %";
    for (const Demonstration& d : demonstrations()) { // of every substance
        if (const auto floor = floorOf(*d.rig.setup())) {
            EXPECT_GT(floor->pascal, 0.0) << d.id;
        }
    }
}

TEST(Card, BelowTheLeastFillingItRunsDryAndHalfTheVesselIsTheMost) {
    const auto flask = fillRange(rig("sealed-flask"), {});
    ASSERT_TRUE(flask && flask->most);
    EXPECT_NEAR(*flask->most, 0.55, 0.002) << "half of 1.1 L of water";
    EXPECT_GT(flask->laterSeconds, 0.0);
    const std::vector<RigSetting> weak{{"/drying_dishes/drying agent/surface", "0 cm2"}};
    const auto dish = fillRange(rig("freeze-by-boiling"), weak);
    ASSERT_TRUE(dish);
    EXPECT_FALSE(dish->most) << "of a dish under a jar the jar’s volume says nothing";
    if (dish->least) {
        auto settings = weak;
        settings.push_back(
            rig("freeze-by-boiling").setting("/vessels/dish/liquid", *dish->least / 2.0, weak));
        EXPECT_TRUE(runsDry(*rehearse(rig("freeze-by-boiling"), settings)));
    }
    EXPECT_FALSE(fillRange(rig("snow-under-vacuum"), {})) << "no liquid to be set";
    EXPECT_FALSE(fillRange(rig("sealed-flask"), {}, [] { return false; })) << "cancelled";
}

TEST(FetchList, AddsWhatIsUsedUpAndCountsWhatIsWantedAtOnce) {
    const Needed pump{Needed::Things, Text::typed("pump"), 1.0, false};
    const Needed ice{Needed::Kilograms, Text::typed("ice"), 0.06, false};
    const Needed goggles{Needed::Things, Text::typed("goggles"), 1.0, true};
    const auto list = [&](double second, int groups, std::optional<int> people) {
        const std::vector<FetchShare> shares{{{pump, ice, goggles}, 0.0, 100.0, 1},
                                             {{pump, ice, goggles}, second, second + 100.0, groups}};
        std::vector<std::string> texts;
        for (const Text& t : fetchList(shares, people))
            texts.push_back(plain(t));
        return texts;
    };
    EXPECT_EQ(list(200.0, 1, {}), (std::vector<std::string>{"pump", "ice: 120 g", "goggles, for everybody"}));
    EXPECT_EQ(list(50.0, 1, 25), (std::vector<std::string>{"pump: 2", "ice: 120 g", "goggles: 25"}));
    EXPECT_EQ(list(200.0, 5, {}).front(), "pump: 5")
        << "five groups at once, the first has given its own back";
    EXPECT_EQ(list(200.0, 5, {})[1], "ice: 360 g");
}

RC_GTEST_PROP(FetchList, WantsAsManyAsOverlapAndNeverMore, ()) {
    std::vector<FetchShare> shares;
    const int count = *rc::gen::inRange(1, 8);
    for (int i = 0; i < count; ++i) {
        const double from = *rc::gen::inRange(0, 100);
        shares.push_back({{{Needed::Things, Text::typed("jar"), 1.0, false}},
                          from,
                          from + *rc::gen::inRange(1, 60),
                          *rc::gen::inRange(1, 4)});
    }
    double most = 0.0;
    for (double t = 0.0; t < 160.0; t += 0.5) {
        double now = 0.0;
        for (const FetchShare& s : shares)
            if (s.from <= t && t < s.to) now += s.times;
        most = std::max(most, now);
    }
    const std::string text = plain(fetchList(shares, {}).front());
    RC_ASSERT(text == (most > 1.0 ? "jar: " + std::to_string(static_cast<int>(most)) : "jar"));
}

TEST(Card, WhatItCannotReadIsNamedWithItsPath) {
    EXPECT_TRUE(withCard(R"({"who": "pupils", "evacuated": ["flask"]})"));
    for (const auto& [card, says] :
         {std::pair{R"({"who": "anybody"})", "/story/card/who"},
          {R"({"needs": ["sink", "moon"]})", "/story/card/needs"},
          {R"({"evacuated": ["jar"]})", "/story/card/evacuated"},
          {R"({"conditions": [{"name": "chips", "choices": []}]})", "/story/card/conditions/0"},
          {R"({"cold_hands": "3 kg"})", "/story/card/cold_hands"},
          {R"({"nonsense": 1})", "/story/card"}}) {
        const auto wrong = withCard(card);
        ASSERT_FALSE(wrong) << card;
        EXPECT_NE(plain(wrong.error().message).find(says), std::string::npos) << plain(wrong.error().message);
    }
    for (const auto& [step, says] :
         {std::pair{R"({"says": "x", "valves": {"tap": "open"}})", "/story/steps/0/valves"},
          {R"({"says": "x", "valves": {"clamp": "ajar"}})", "/story/steps/0/valves"},
          {R"({"says": "x", "measures": "furlongs"})", "/story/steps/0/measures"}}) {
        const auto wrong = withCard("{}", step);
        ASSERT_FALSE(wrong) << step;
        EXPECT_NE(plain(wrong.error().message).find(says), std::string::npos) << plain(wrong.error().message);
    }
}

} // namespace
} // namespace uttrin
