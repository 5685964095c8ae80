#include "rehearsal/rigfile/RigFile.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <rapidcheck/gtest.h>

#include <fstream>
#include <functional>
#include <iterator>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

Json jar() {
    return Json::parse(R"({
      "name": "jar", "substance": "water",
      "room": { "pressure": "100 kPa", "temperature": "20 degC" },
      "vessels": { "jar": { "volume": "1 L", "liquid": "200 g", "temperature": "60 degC", "mouth": "20 mm" } },
      "links": { "tap": { "from": "jar", "to": "room", "diameter": "4 mm", "length": "5 cm", "open": "50 %" } },
      "pumps": { "pump": { "speed": "20 L/min", "ultimate": "300 Pa", "on": false } },
      "contacts": { "ice": { "touches": "contents", "conductance": "2 W/K", "ice": "50 g", "on": false } },
      "heaters": { "hob": { "power": "100 W" } },
      "instruments": { "gauge": { "kind": "gauge", "lag": "2 s", "zero": "-3 hPa", "resolution": "1 hPa" } },
      "moves": [ { "at": "1 min", "open": { "tap": "0 %" }, "says": "shut" },
                 { "when": { "vessel": "jar", "cooler_than": "50 degC", "delay": "2 s" }, "ice": { "ice": "50 g" } },
                 { "after": "5 s", "pump": { "pump": true } } ],
      "duration": "10 min", "sample": "10 s",
      "goal": { "boils_below": "40 degC", "says": "boils below 40 °C" },
      "knobs": [ { "name": "water", "sets": "/vessels/jar/liquid", "from": "50 g", "to": "500 g" } ],
      "variants": [ { "name": "as it is", "sets": {} }, { "name": "less", "sets": { "/vessels/jar/liquid": "100 g" } } ],
      "uncertain": [ { "name": "tap", "sets": "/links/tap/open", "u": "5 %" },
                     { "name": "water", "sets": "/vessels/jar/temperature", "u": "1 K" } ]
    })");
}

TEST(RigFile, IsReadWithItsUnits) {
    const auto file = RigFile::parse(jar().dump());
    ASSERT_TRUE(file) << file.error().message;
    const auto setup = file->setup();
    ASSERT_TRUE(setup);
    const Vessel& v = setup->model.vessels[0];
    EXPECT_DOUBLE_EQ(v.volume, 1e-3);
    EXPECT_DOUBLE_EQ(v.condensed, 0.2);
    EXPECT_DOUBLE_EQ(v.kelvin, 333.15);
    EXPECT_NEAR(v.mouth, 3.1416e-4, 1e-8);
    EXPECT_NEAR(v.airPascal, 100e3 - 19'946.0, 20.0); // the room's pressure less the vapour's at 60 degC
    EXPECT_DOUBLE_EQ(setup->model.links[0].opening, 0.5);
    EXPECT_EQ(setup->model.links[0].to, kRoom);
    EXPECT_DOUBLE_EQ(setup->model.pumps[0].pump.speed, 20e-3 / 60.0);
    EXPECT_DOUBLE_EQ(setup->instruments[0].zero, -300.0);
    ASSERT_EQ(setup->moves.size(), 3U);
    EXPECT_EQ(setup->moves[0].when.kind, RigTrigger::AtTime);
    EXPECT_DOUBLE_EQ(setup->moves[0].when.value, 60.0);
    EXPECT_EQ(setup->moves[1].when.kind, RigTrigger::CoolerThan);
    EXPECT_DOUBLE_EQ(setup->moves[1].when.delay, 2.0);
    EXPECT_EQ(setup->moves[1].actions[0].what, RigAction::Ice);
    EXPECT_EQ(setup->moves[2].when.kind, RigTrigger::After);
    EXPECT_DOUBLE_EQ(setup->seconds, 600.0);
    EXPECT_EQ(file->knobs()[0].unit->symbol, "g");
    EXPECT_FALSE(file->uncertainties()[0].relative); // a share of a share
    EXPECT_DOUBLE_EQ(file->uncertainties()[0].standard, 0.05);
    EXPECT_DOUBLE_EQ(file->uncertainties()[1].standard, 1.0);
}

TEST(RigFile, IsSetOtherwiseAndWrittenAgain) {
    const auto file = *RigFile::parse(jar().dump());
    EXPECT_DOUBLE_EQ(file.setup(file.variants()[1].settings)->model.vessels[0].condensed, 0.1);
    const std::vector<RigSetting> mine{{"/vessels/jar/liquid", "0.3 kg"}, {"/moves/0/at", "30 s"}};
    EXPECT_DOUBLE_EQ(file.value("/vessels/jar/liquid", mine), 0.3);
    const auto again = RigFile::parse(file.text(mine, "mine"));
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_EQ(again->name(), "mine");
    EXPECT_DOUBLE_EQ(again->setup()->model.vessels[0].condensed, 0.3);
    EXPECT_DOUBLE_EQ(again->setup()->moves[0].when.value, 30.0);
    EXPECT_EQ(file.setup({{"/nowhere", "1 g"}}).error().message,
              "'/nowhere' leads to no text of this rig file");
    EXPECT_FALSE(file.setup()->model.pumps[0].on);
    EXPECT_TRUE(file.setup({{"/pumps/pump/on", "true"}})->model.pumps[0].on);
    EXPECT_EQ(file.setup({{"/pumps/pump/on", "perhaps"}}).error().message,
              "/pumps/pump/on: accepted: true, false");
}

struct Wrong {
    const char* what;
    std::function<void(Json&)> spoil;
    const char* path;     ///< that the message begins with
    const char* accepted; ///< that it names
};

const Wrong kWrong[] = {
    {"a wrong unit", [](Json& j) { j["vessels"]["jar"]["volume"] = "1 bar"; }, "/vessels/jar/volume",
     "m3, L, mL, cm3"},
    {"a bare number", [](Json& j) { j["vessels"]["jar"]["liquid"] = "200"; }, "/vessels/jar/liquid",
     "kg, g, mg"},
    {"a number without quotes", [](Json& j) { j["vessels"]["jar"]["liquid"] = 200; }, "/vessels/jar/liquid",
     "a text in quotes"},
    {"a negative mass", [](Json& j) { j["vessels"]["jar"]["liquid"] = "-5 g"; }, "/vessels/jar/liquid",
     "0 g to"},
    {"a missing volume", [](Json& j) { j["vessels"]["jar"].erase("volume"); }, "/vessels/jar/volume",
     "VALUE UNIT"},
    {"no vessel", [](Json& j) { j.erase("vessels"); }, "/vessels", "at least one vessel"},
    {"a missing node", [](Json& j) { j["links"]["tap"]["from"] = "flask"; }, "/links/tap/from",
     "accepted: jar"},
    {"a circle", [](Json& j) { j["links"]["tap"]["to"] = "jar"; }, "/links/tap/to",
     "nothing flows in a circle"},
    {"a link of the room to itself", [](Json& j) { j["links"]["tap"]["from"] = "room"; }, "/links/tap/to",
     "another vessel"},
    {"an unknown word", [](Json& j) { j["vessels"]["jar"]["volum"] = "1 L"; }, "/vessels/jar",
     "'volum' is not known here"},
    {"an unknown part in a move",
     [](Json& j) {
         j["moves"][0]["open"] = {{"clamp", "0 %"}};
     },
     "/moves/0/open/clamp", "accepted: tap"},
    {"a move that is never due", [](Json& j) { j["moves"][0].erase("at"); }, "/moves/0",
     "'at', 'after' or 'when'"},
    {"a move that moves nothing", [](Json& j) { j["moves"][0].erase("open"); }, "/moves/0", "what is moved"},
    {"two conditions", [](Json& j) { j["moves"][1]["when"]["above"] = "2 kPa"; }, "/moves/1/when", "one of"},
    {"an unknown event",
     [](Json& j) {
         j["moves"][1]["when"] = {{"event", "explodes"}};
     },
     "/moves/1/when/event", "boiling-starts"},
    {"an unknown substance", [](Json& j) { j["substance"] = "sand"; }, "/substance", "water"},
    {"a temperature outside the model", [](Json& j) { j["vessels"]["jar"]["temperature"] = "900 degC"; },
     "/vessels/jar/temperature", "outside what is accepted"},
    {"water that is ice", [](Json& j) { j["vessels"]["jar"]["temperature"] = "-5 degC"; },
     "/vessels/jar/liquid", "below it give 'ice'"},
    {"more than open", [](Json& j) { j["links"]["tap"]["open"] = "150 %"; }, "/links/tap/open",
     "0 % to 100 %"},
    {"a telling that there is none of", [](Json& j) { j["tells"] = {"fortunes"}; }, "/tells",
     "accepted: cooking-time"},
    {"tellings in no list", [](Json& j) { j["tells"] = "sizes"; }, "/tells", "a list of words"},
    {"ballast that is more than open",
     [](Json& j) {
         j["pumps"]["p"] = {{"vessel", "jar"}, {"speed", "1 L/s"}, {"ballast_open", "120 %"}};
     },
     "/pumps/p/ballast_open", "0 % to 100 %"},
    {"a ballast that no pump has",
     [](Json& j) {
         j["moves"][0]["ballast"] = {{"p", "50 %"}};
     },
     "/moves/0/ballast/p", "accepted: pump"},
    {"oil too hot",
     [](Json& j) {
         j["pumps"]["p"] = {{"speed", "1 L/s"}, {"oil_temperature", "900 degC"}};
     },
     "/pumps/p/oil_temperature", "outside what is accepted"},
    {"no duration", [](Json& j) { j.erase("duration"); }, "/duration", "VALUE UNIT"},
    {"too many samples", [](Json& j) { j["sample"] = "1 ms"; }, "/sample", "s, min, h"},
    {"a knob that sets nothing", [](Json& j) { j["knobs"][0]["sets"] = "/vessels/jar/colour"; },
     "/knobs/0/sets", "JSON pointer"},
    {"a knob with its ends turned", [](Json& j) { j["knobs"][0]["to"] = "10 g"; }, "/knobs/0/to",
     "more than 'from'"},
    {"a variant of nothing",
     [](Json& j) {
         j["variants"][1]["sets"] = {{"/x", "1 g"}};
     },
     "/variants/1/sets", "leads to no text"},
    {"a variant that cannot be",
     [](Json& j) {
         j["variants"][1]["sets"] = {{"/vessels/jar/liquid", "9 bar"}};
     },
     "/variants/1: /vessels/jar/liquid", "kg"},
    {"an uncertainty of another kind", [](Json& j) { j["uncertain"][0]["u"] = "2 g"; }, "/uncertain/0/u",
     "same kind"},
    {"a goal without an aim", [](Json& j) { j["goal"].erase("boils_below"); }, "/goal",
     "'boils_below' or 'event'"},
    {"a vessel that is full", [](Json& j) { j["vessels"]["jar"]["liquid"] = "5 kg"; }, "", "it is full"},
    {"an unknown solute", [](Json& j) { j["solute"] = "sand"; }, "/solute", "nacl"},
    {"a solute in what is not water",
     [](Json& j) {
         j["substance"] = "ethanol";
         j["solute"] = "sucrose";
     },
     "/solute", "accepted: water"},
    {"a solute that is not named", [](Json& j) { j["vessels"]["jar"]["solute"] = "10 g"; }, "",
     "what is dissolved in it is not said"},
    {"more salt than dissolves",
     [](Json& j) {
         j["solute"] = "nacl";
         j["vessels"]["jar"]["solute"] = "2 kg";
     },
     "", "more salt in it than the model knows"},
    {"salt stirred into pure water",
     [](Json& j) {
         j["moves"][0].erase("open");
         j["moves"][0]["stir_in"] = {{"jar", "5 g"}};
     },
     "/moves/0/stir_in", "names its 'solute'"},
    {"a liquid tube in a circle",
     [](Json& j) {
         j["liquid_tubes"]["stem"] = {
             {"from", "jar"}, {"to", "jar"}, {"diameter", "3 mm"}, {"length", "1 cm"}};
     },
     "", "joins two vessels"},
    {"a liquid tube without a length",
     [](Json& j) {
         j["liquid_tubes"]["stem"] = {{"from", "jar"}, {"to", "jar"}, {"diameter", "3 mm"}};
     },
     "/liquid_tubes/stem/length", "VALUE UNIT"},
    {"a skin of an unknown law",
     [](Json& j) {
         j["skins"]["foam"] = {{"inside", "jar"}, {"law", "soap"}};
     },
     "/skins/foam/law", "sheet, cells"},
    {"a skin that bursts backwards",
     [](Json& j) {
         j["skins"]["foam"] = {{"inside", "jar"}, {"bursting_per_s", -1.0}};
     },
     "", "a skin has a modulus"},
    {"a vessel that touches itself",
     [](Json& j) {
         j["contacts"]["other"] = {{"vessel", "jar"}, {"other", "jar"}, {"conductance", "1 W/K"}};
     },
     "", "a contact touches a vessel"},
    {"a name twice",
     [](Json& j) {
         j["heaters"]["tap"] = {{"power", "1 W"}};
     },
     "/heaters/tap", "a name that no other part has"},
};

TEST(RigFile, SaysWhereItIsWrongAndWhatIsAccepted) {
    for (const Wrong& w : kWrong) {
        SCOPED_TRACE(w.what);
        Json j = jar();
        w.spoil(j);
        const auto file = RigFile::parse(j.dump());
        if (file) { // what only the physics can tell comes when it is set up to run
            const auto run = simulate(file->setup()->model, *rigFluid("water"), 1.0, 1.0);
            ASSERT_FALSE(run);
            EXPECT_NE(plain(run.error().message).find(w.accepted), std::string::npos) << run.error().message;
            continue;
        }
        EXPECT_TRUE(plain(file.error().message).starts_with(w.path)) << file.error().message;
        EXPECT_NE(plain(file.error().message).find(w.accepted), std::string::npos) << file.error().message;
    }
    EXPECT_TRUE(plain(RigFile::parse("{").error().message).starts_with("the file is not JSON"));
    EXPECT_FALSE(RigFile::parse("[]"));
}

// Whatever stands in a value: it is read, or refused with a sentence.
RC_GTEST_PROP(RigFile, RefusesWithASentenceOrReads, (const std::string& junk)) {
    Json j = jar();
    const auto where =
        *rc::gen::element<std::string>("/vessels/jar/volume", "/moves/1/when/cooler_than", "/links/tap/from",
                                       "/knobs/0/sets", "/substance", "/goal/boils_below");
    j.at(Json::json_pointer(where)) = junk;
    const auto file = RigFile::parse(j.dump(-1, ' ', false, Json::error_handler_t::replace));
    RC_ASSERT(file.has_value() || !file.error().message.empty());
}

TEST(RigFile, TheShippedSchemaKnowsEveryWordOfTheShippedRigs) {
    std::ifstream in(RIG_DATA "/rig.schema.json");
    const Json schema = Json::parse(in);
    const Json& properties = schema.at("properties");
    const Json known = jar();
    for (const auto& item : known.items())
        EXPECT_TRUE(properties.contains(item.key())) << item.key();
    for (const char* part :
         {"vessels", "links", "pumps", "contacts", "heaters", "draughts", "drying_dishes", "instruments"})
        EXPECT_TRUE(properties.at(part).contains("additionalProperties")) << part;
}

} // namespace
} // namespace uttrin
