// Each demonstration in the rooms of this world: from 60 to 105 kPa and from 10 to 35 degC.
#include "physics/Constants.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Remarks.h"
#include "rehearsal/StoryFigures.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <stdexcept>

namespace uttrin::rooms {
namespace {

struct Room {
    double kilopascals, celsius;
};
constexpr Room kRooms[] = {{60, 10}, {60, 21},  {60, 35},  {85, 10}, {85, 21},
                           {85, 35}, {105, 10}, {105, 21}, {105, 35}};

double boilingAt(double pascal, const std::string& substance = "water") {
    return (*findSubstance(substance))->boilingPoint(Pressure::fromPascal(pascal))->kelvin();
}

std::optional<double> timeOf(const Rehearsal& r, RigEventKind kind) {
    for (const RigEvent& e : r.run.events)
        if (e.kind == kind && e.vessel == r.setup.watched) return e.seconds;
    return std::nullopt;
}
double timeOr(const Rehearsal& r, RigEventKind kind, double never = 1e9) {
    return timeOf(r, kind).value_or(never);
}

const VesselState& at(const Rehearsal& r, double seconds) { return r.watchedAt(r.sampleAt(seconds)); }
const VesselState& endOf(const Rehearsal& r) { return r.watchedAt(r.run.samples.size() - 1); }

double most(const Rehearsal& r, const std::function<double(const VesselState&)>& of) {
    double value = of(r.watchedAt(0));
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        value = std::max(value, of(r.watchedAt(i)));
    return value;
}
double kelvinOf(const VesselState& s) { return s.kelvin; }

/// The variants of a demonstration, played in one room.
using Variants = std::map<std::string, Rehearsal>;
using Check = std::function<void(const Variants&, const Room&)>;

void checkSealedFlask(const Variants& v, const Room&) {
    const Rehearsal &full = v.at("boiled a full minute"), &quick = v.at("shut at once");
    const double boils = boilingAt(full.setup.model.roomPascal);
    EXPECT_NEAR(full.watchedAt(0).kelvin, boils - 2.0, 0.01);
    for (const Rehearsal* r : {&full, &quick})
        EXPECT_FALSE(timeOf(*r, RigEventKind::AboveRoom)); // nothing pushes the stopper out
    const auto lowest = [](const Rehearsal& r) { return factsOf(r).lowestBoilingKelvin.value_or(400.0); };
    EXPECT_LT(lowest(full), lowest(quick) - 3.0);
    EXPECT_LE(lowest(full), lowest(v.at("leaky cap")) + 0.5);
    EXPECT_LT(lowest(full), boils - 45.0);
    EXPECT_GT(factsOf(full).strongestForce, 0.0);
    const auto liveliest = [](const Rehearsal& r) {
        double first = 1e9, vigour = 0.0;
        for (const RigEvent& e : r.run.events)
            if (e.kind == RigEventKind::Moved && e.part == 2) first = e.seconds;
        for (std::size_t i = r.sampleAt(first + 20.0); i <= r.sampleAt(first + 120.0); ++i)
            vigour = std::max(vigour, r.watchedAt(i).vigour);
        return vigour;
    };
    EXPECT_GT(liveliest(full), 3.0 * liveliest(v.at("ice on the water")));
}

void checkBellJar(const Variants& v, const Room&) {
    const Rehearsal& beaker = v.at("beaker on the plate");
    ASSERT_TRUE(timeOf(beaker, RigEventKind::BoilingStarts));
    EXPECT_NEAR(at(beaker, timeOr(beaker, RigEventKind::BoilingStarts)).kelvin, beaker.setup.model.roomKelvin,
                3.5);
    EXPECT_LT(at(beaker, 470.0).kelvin, beaker.setup.model.roomKelvin - 3.0);
    EXPECT_FALSE(timeOf(v.at("weak pump"), RigEventKind::BoilingStarts));
    EXPECT_GT(at(v.at("in the palm of a hand"), 470.0).kelvin, at(beaker, 470.0).kelvin + 5.0);
}

void checkFreezing(const Variants& v, const Room& room) {
    const auto frozen = [&](const char* name) { return timeOr(v.at(name), RigEventKind::FrozenThrough); };
    EXPECT_LT(frozen("strong acid"), frozen("calcium chloride"));
    EXPECT_LT(frozen("calcium chloride"), frozen("pump alone"));
    if (room.celsius > 15.0) { // where 32 % of the saturation is more than ice's
        EXPECT_LE(frozen("pump alone"), frozen("damp calcium chloride"));
    }
    EXPECT_LT(frozen("trap in ice and salt"), frozen("pump alone"));
    EXPECT_GT(frozen("trap in ice and salt"), 60.0); // its wall, its film and the bath hold it back
    EXPECT_LT(frozen("pump’s ballast open"), frozen("pump alone"));
    EXPECT_GT(frozen("too much water"), 3.0 * frozen("strong acid"));
    EXPECT_LT(frozen("two liquids"), 1e9);
    const Rehearsal& acid = v.at("strong acid");
    const double warm = acid.setup.model.roomKelvin - kIcePointKelvin;
    // The adiabatic share, and a little for the heat that comes in.
    const double least = 1.0 - std::exp(-4.19 * warm / 2475.0) * (1.0 - 333.4 / (333.4 + 2500.9));
    const VesselState& s = acid.watchedAt(acid.sampleAt(frozen("strong acid")) + 1);
    EXPECT_GT(1.0 - s.solid / 5e-3, least - 0.001);
    EXPECT_LT(1.0 - s.solid / 5e-3, least + 0.04);
}

void checkTwoBulbs(const Variants& v, const Room&) {
    const auto frozen = [&](const char* name) { return timeOr(v.at(name), RigEventKind::FrozenThrough); };
    EXPECT_LT(frozen("wide tube"), 1500.0);
    EXPECT_LT(2.0 * frozen("wide tube"), frozen("narrow tube"));
    EXPECT_LT(2.0 * frozen("wide tube"), frozen("a little air"));
}

void checkDistilling(const Variants& v, const Room&) {
    const auto dry = [&](const char* name) { return timeOr(v.at(name), RigEventKind::Dry); };
    EXPECT_LT(dry("ice with salt"), dry("ice water"));
    EXPECT_LT(dry("ice water"), dry("a little air"));
    EXPECT_LT(dry("ice water"), 3600.0);
}

void checkSnow(const Variants& v, const Room&) {
    for (const auto& [name, r] : v)
        EXPECT_TRUE(timeOf(r, RigEventKind::Melted)) << name;
    const VesselState& cold = at(v.at("insulated cup"), 700.0);
    EXPECT_EQ(cold.liquid, 0.0);
    EXPECT_NEAR(cold.kelvin, boilingAt(cold.pascal), 2.0); // on the sublimation curve, a little above
    EXPECT_LT(cold.kelvin, at(v.at("weak pump"), 700.0).kelvin);
}

void checkSyringe(const Variants& v, const Room&) {
    const Rehearsal &none = v.at("no bubble"), &bubble = v.at("a bubble of air");
    for (const auto& [name, r] : v)
        for (const double seconds :
             {0.0, 4.0, 60.0}) // nobody holds it: the room's pressure, but for its friction
            EXPECT_NEAR(at(r, seconds).pascal, r.setup.model.roomPascal, 3.1e3) << name << seconds;
    EXPECT_TRUE(timeOf(none, RigEventKind::BoilingStarts));
    EXPECT_NEAR(at(none, 40.0).pascal,
                water().vapourPressure(Temperature::fromKelvin(at(none, 40.0).kelvin))->pascal(), 600.0);
    EXPECT_GT(at(bubble, 40.0).pascal, at(none, 40.0).pascal + 1e3);
    EXPECT_GT(none.watchedAt(0).kelvin - at(none, 44.0).kelvin,
              0.05); // filling 35 mL costs 0.2 to 0.3 K, the room the rest
    EXPECT_LT(none.watchedAt(0).kelvin - at(none, 44.0).kelvin, 2.5);
    for (std::size_t i = none.sampleAt(12.0); i < none.sampleAt(44.0);
         ++i) // full of vapour it no longer boils
        EXPECT_FALSE(boils(appearanceOf(none.watched(), none.watchedAt(i))));
}

void checkSwelling(const Variants& v, const Room&) {
    for (const auto& [name, r] : v)
        for (std::size_t i = 1; i <= 3; ++i) {
            const auto& first = r.run.samples.front().vessels[i];
            const auto& low = r.run.samples[r.sampleAt(110.0)].vessels[i];
            EXPECT_GT(low.volume, 1.3 * first.volume) << name;
        }
    EXPECT_NE(plain(remarksAt(v.at("air let in fast"), v.at("air let in fast").sampleAt(141.0)).empty()
                        ? Text::set("")
                        : remarksAt(v.at("air let in fast"), v.at("air let in fast").sampleAt(141.0)).front())
                  .find("blown over"),
              std::string::npos);
}

void checkAirOntoBoiling(const Variants& v, const Room&) {
    const Rehearsal& r = v.at("opened slowly");
    const double boils = boilingAt(r.setup.model.roomPascal);
    EXPECT_TRUE(timeOf(r, RigEventKind::BoilingStops));
    EXPECT_GT(most(r, kelvinOf), boils + 4.0);
    EXPECT_LT(most(r, [](const VesselState& s) { return s.pascal; }), r.setup.model.roomPascal + 70e3);
    EXPECT_NEAR(endOf(r).pascal, r.setup.model.roomPascal, 100.0);
    const auto flash = [](const Rehearsal& one) {
        return most(one, [](const VesselState& s) { return s.vigour; });
    };
    EXPECT_GT(flash(v.at("opened at once")), flash(r));
}

void checkPressureCooker(const Variants& v, const Room&) {
    const Rehearsal& r = v.at("steamed two minutes");
    EXPECT_NEAR(at(r, 900.0).kelvin, boilingAt(r.setup.model.roomPascal + 80e3), 1.0);
    for (const auto& [name, one] : v) {
        EXPECT_FALSE(timeOf(one, RigEventKind::Dry)) << name;
        EXPECT_NEAR(endOf(one).pascal, one.setup.model.roomPascal, 100.0)
            << name; // opened at zero: no vacuum
        EXPECT_TRUE(factsOf(one).warnings.empty()) << name;
    }
}

void checkClosed(const Variants& v, const Room&) {
    const Rehearsal& r = v.begin()->second;
    ASSERT_TRUE(r.run.stopped);
    EXPECT_NEAR(endOf(r).pascal, r.setup.model.roomPascal + 500e3, 3e3);
    EXPECT_FALSE(timeOf(r, RigEventKind::BoilingStarts)); // the pressure keeps up with the liquid
    ASSERT_EQ(factsOf(r).warnings.size(), 2U);
}

void checkKettle(const Variants& v, const Room&) {
    for (const auto& [name, r] : v)
        EXPECT_NEAR(endOf(r).kelvin, boilingAt(endOf(r).pascal), 0.5) << name;
    EXPECT_LT(endOf(v.at("8000 m up")).kelvin, endOf(v.at("2400 m up")).kelvin - 10.0);
}

void checkFilm(const Variants& v, const Room& room) {
    const Rehearsal &ethanol = v.at("ethanol"), &wet = v.at("water");
    EXPECT_LT(at(ethanol, 100.0).kelvin + 3.0, at(wet, 100.0).kelvin);
    ASSERT_TRUE(timeOf(ethanol, RigEventKind::Dry));
    // Dry skin: between 34.5 degC within and the room, 0.12 to 0.03 W/K.
    EXPECT_NEAR(endOf(ethanol).kelvin - kIcePointKelvin, (0.12 * 34.5 + 0.03 * room.celsius) / 0.15, 0.3);
    for (std::size_t i = 0; i < ethanol.run.samples.size(); ++i)
        EXPECT_NEAR(ethanol.watchedAt(i).pascal, ethanol.setup.model.roomPascal, 20.0);
}

void checkHandWarmed(const Variants& v, const Room& room) {
    const auto pushed = [&](const char* name) {
        double kg = 0.0;
        for (const RigSample& s : v.at(name).run.samples)
            kg = std::max(kg, s.vessels[1].liquid);
        return kg;
    };
    if (room.celsius > 30.0) { // a room as warm as the hand: its story says that nothing moves
        EXPECT_LT(pushed("warm hand"), 0.005);
        return;
    }
    EXPECT_GT(pushed("warm hand"), 0.02);
    EXPECT_LE(pushed("cool hand"), pushed("warm hand") + 1e-4);
}

void checkSalt(const Variants& v, const Room&) {
    for (const auto& [name, r] : v)
        EXPECT_TRUE(goalMet(r.setup.goal, r.setup.watched, r.run)) << name;
    const auto bath = [&](const char* name, double seconds) {
        const Rehearsal& r = v.at(name);
        return r.run.samples[r.sampleAt(seconds)].vessels[0].kelvin - kIcePointKelvin;
    };
    EXPECT_GT(bath("60 g of salt", 75.0), -19.0); // not within seconds
    EXPECT_LT(bath("60 g of salt", 400.0), -18.0);
    EXPECT_GT(bath("60 g of salt", 400.0), -21.3); // no colder than the eutectic
    EXPECT_LT(bath("60 g of salt", 850.0), bath("10 g of salt", 850.0) - 3.0);
}

void checkSyrup(const Variants& v, const Room&) {
    const Rehearsal &sugar = v.at("syrup"), &alcohol = v.at("with alcohol");
    const double pure = boilingAt(sugar.setup.model.roomPascal);
    EXPECT_GT(most(sugar, kelvinOf), pure + 15.0);
    EXPECT_LT(at(alcohol, timeOr(alcohol, RigEventKind::BoilingStarts)).kelvin, pure - 5.0);
}

void checkHeldPressure(const Variants& v, const Room&) {
    const Rehearsal& r = v.at("boiling chips");
    double before = 0.0;
    for (const double minute : {5.8, 10.8, 14.8, 18.8, 22.8}) {
        const VesselState &s = at(r, 60.0 * minute), &early = at(r, 60.0 * (minute - 0.5));
        EXPECT_NEAR(s.kelvin, boilingAt(s.pascal), 0.6) << minute;
        EXPECT_NEAR(s.kelvin, early.kelvin, 0.35) << minute; // it stands
        EXPECT_GT(s.pascal, before) << minute;               // each higher than the last
        before = s.pascal;
    }
}

void checkHeldTemperature(const Variants& v, const Room&) {
    const VesselState& plateau = at(v.at("good bath"), 110.0);
    EXPECT_NEAR(plateau.pascal, water().vapourPressure(Temperature::fromKelvin(plateau.kelvin))->pascal(),
                0.02 * plateau.pascal);
    EXPECT_TRUE(timeOf(v.at("poor bath"), RigEventKind::BoilingStarts));
}

/// Each ten strokes cool the water by the heat that the vapour takes along, and air in it spoils them.
void checkHandPump(const Variants& v, const Room&) {
    const Rehearsal &steam = v.at("boiled half a minute"), &air = v.at("air left in it");
    const auto lowest = [](const Rehearsal& r) { return lowestBoiling(r).value_or(400.0); };
    EXPECT_LT(lowest(steam), boilingAt(steam.setup.model.roomPascal) - 8.0);
    for (const int strokes : {2, 4, 6}) {
        const double from = movedAt(steam, strokes).value_or(0.0),
                     to = movedAt(steam, strokes + 1).value_or(0.0);
        ASSERT_GT(to, from);
        EXPECT_LT(at(steam, to).kelvin, at(steam, from).kelvin);
        EXPECT_LT(at(steam, to).liquid, at(steam, from).liquid) << "vapour has left";
    }
    const double shut = movedAt(steam, 1).value_or(0.0), shutWithAir = movedAt(air, 1).value_or(0.0);
    EXPECT_GT(at(air, shutWithAir + 1.0).airPascal, at(steam, shut + 1.0).airPascal);
}

/// It boils below the saturation pressure of its temperature and stops above it.
void checkStopAndStart(const Variants& v, const Room&) {
    const Rehearsal& r = v.at("warm water");
    int stops = 0;
    for (const RigEvent& e : r.run.events) {
        const VesselState& s = at(r, e.seconds);
        const double saturation = water().vapourPressure(Temperature::fromKelvin(s.kelvin))->pascal();
        if (e.kind == RigEventKind::BoilingStarts) {
            EXPECT_LT(s.pascal, 1.25 * saturation);
        }
        if (e.kind == RigEventKind::BoilingStops && ++stops < 3) {
            const VesselState& after = at(r, e.seconds + 3.0);
            EXPECT_GT(after.pascal, water().vapourPressure(Temperature::fromKelvin(after.kelvin))->pascal());
        }
    }
    EXPECT_GE(stops, 3) << "twice by a little air, and at the end";
}

const std::map<std::string, Check> kChecks{{"sealed-flask", checkSealedFlask},
                                           {"hand-pump", checkHandPump},
                                           {"stop-and-start", checkStopAndStart},
                                           {"bell-jar", checkBellJar},
                                           {"freeze-by-boiling", checkFreezing},
                                           {"two-bulbs", checkTwoBulbs},
                                           {"distil-by-hand", checkDistilling},
                                           {"snow-under-vacuum", checkSnow},
                                           {"syringe", checkSyringe},
                                           {"things-that-swell", checkSwelling},
                                           {"air-onto-boiling", checkAirOntoBoiling},
                                           {"pressure-cooker", checkPressureCooker},
                                           {"closed-and-heated", checkClosed},
                                           {"altitude-kettle", checkKettle},
                                           {"film-on-skin", checkFilm},
                                           {"hand-warmed-bulb", checkHandWarmed},
                                           {"salt-on-ice", checkSalt},
                                           {"syrup-on-the-stove", checkSyrup},
                                           {"lab-held-pressure", checkHeldPressure},
                                           {"lab-held-temperature", checkHeldTemperature}};

/// The number at the beginning of a figure.
double numberIn(const Text& figure) {
    std::string text = plain(figure);
    if (text.starts_with("\u2212")) text.replace(0, 3, "-");
    return std::stod(text);
}

/// What a figure should say, worked out from the path and the curves alone.
std::optional<double> expectedFigure(const std::string& name, const Rehearsal& r) {
    const double room = r.setup.model.roomPascal,
                 boils = boilingAt(room, r.setup.substance) - kIcePointKelvin;
    const VesselState& end = endOf(r);
    if (name == "boiling" && !r.setup.model.solute) return boils;
    if (name == "room") return room / 1000.0;
    if (name == "below_sea") return boilingAt(101'325.0) - kIcePointKelvin - boils;
    if (name == "valve_boiling") return boilingAt(room + 80e3) - kIcePointKelvin;
    if (name == "times_room") return most(r, [](const VesselState& s) { return s.pascal; }) / room;
    if (name == "highest") return most(r, kelvinOf) - kIcePointKelvin;
    if (name == "liquid") return 1000.0 * (r.watchedAt(0).liquid + r.watchedAt(0).solute);
    if (name == "start") return r.watchedAt(0).kelvin - kIcePointKelvin;
    if (name == "saturation") return r.watchedAt(0).vapourPascal() / 1000.0;
    if (name == "air_over") return 45.0;
    if (name == "lost" && !r.setup.model.solute) {
        const auto frozen = timeOf(r, RigEventKind::FrozenThrough);
        const VesselState& s = frozen ? r.watchedAt(r.sampleAt(*frozen) + 1) : end;
        return 100.0 * (1.0 - (s.liquid + s.solid) / r.watchedAt(0).liquid);
    }
    if (name == "dry_after" && timeOf(r, RigEventKind::Dry)) {
        for (const RigSample& s : r.run.samples)
            if (s.vessels[0].liquid < 1e-6) return s.seconds < 90.0 ? s.seconds : s.seconds / 60.0;
    }
    if (name == "ice_per_kelvin") // of water and of the glass that it touches, by the heat of fusion
        return (4182.0 * r.watchedAt(0).liquid + r.watched().walls.front().heatCapacity) / 333.4;
    if (name == "rise_per_kelvin") { // Clapeyron: L / (R T^2), ethanol's 42.3 kJ/mol
        const double t = r.watchedAt(0).kelvin;
        return 100.0 * 42.4e3 / (8.314 * t * t);
    }
    if (name == "push") { // over water of the room's temperature; its vapour by Magnus' formula
        const double t = r.setup.model.roomKelvin - 273.15;
        return (room - 611.2 * std::exp(17.62 * t / (243.12 + t))) * 5.515e-4;
    }
    if (name == "fall_per_km")
        return 100.0 * (1.0 - std::exp(-9.80665 * 0.0289652 * 1000.0 / (8.314 * r.setup.model.roomKelvin)));
    return std::nullopt;
}

/// Whatever a story says of a variant.
std::string storyOf(const RigStory& s) {
    std::string all = s.aim + s.physics;
    for (const RigStep& step : s.steps)
        all += step.says;
    for (const RigMaterial& m : s.materials)
        all += m.says;
    for (const auto* list : {&s.lookFor, &s.mistakes, &s.cautions})
        for (const std::string& text : *list)
            all += text;
    return all;
}

class InEachRoom : public ::testing::TestWithParam<std::string> {};

TEST_P(InEachRoom, TheOrderOfVariantsAndTheStoryHold) {
    const RigFile& rig = findDemonstration(GetParam())->rig;
    auto variants = rig.variants();
    if (variants.empty()) variants.push_back({"as it is", {}, {}, rig.story()});
    for (const Room& room : kRooms) {
        Variants played;
        for (const RigVariant& v : variants) {
            SCOPED_TRACE(v.name + " at " + std::to_string(room.kilopascals) + " kPa, " +
                         std::to_string(room.celsius));
            std::vector<RigSetting> settings{
                {"/room/pressure", formatMeasure(room.kilopascals, unit("kPa"))},
                {"/room/temperature", formatMeasure(room.celsius, unit("degC"))}};
            settings.insert(settings.end(), v.settings.begin(), v.settings.end());
            auto r = rehearse(rig, settings);
            ASSERT_TRUE(r) << r.error().message;
            EXPECT_EQ(r->run.stopped.has_value(), GetParam() == "closed-and-heated");
            EXPECT_LT(r->run.massDrift, 1e-6);
            EXPECT_LT(r->run.energyDrift, 1e-6);
            EXPECT_LE(std::ranges::count(r->run.events, RigEventKind::BoilingStarts, &RigEvent::kind), 12);
            for (const RigSample& sample : r->run.samples)
                for (const VesselState& s : sample.vessels) {
                    for (const double kg :
                         {s.liquid, s.solid, s.vapour, s.air, s.dissolved, s.solute, s.soluteVapour})
                        ASSERT_GE(kg, 0.0) << sample.seconds;
                    ASSERT_TRUE(s.airPascal >= 0.0 && s.solutePascal >= 0.0 && s.pascal > 0.0)
                        << sample.seconds;
                    if (s.liquid + s.solute > 1e-6) continue;
                    ASSERT_EQ(s.vigour, 0.0) << sample.seconds;
                    ASSERT_FALSE(s.margin) << sample.seconds;
                }
            const std::string story = storyOf(v.story);
            for (std::size_t open = story.find('{'); open != std::string::npos;
                 open = story.find('{', open + 1)) {
                const std::string name = story.substr(open + 1, story.find('}', open) - open - 1);
                const auto expected = expectedFigure(name, *r);
                if (!expected) continue;
                const Text said = storyFigure(name, *r);
                const bool whole = plain(said).find('.') == std::string::npos; // rounded to a whole number
                EXPECT_NEAR(numberIn(said), *expected, 0.02 * std::abs(*expected) + (whole ? 0.6 : 0.06))
                    << name << ": " << said;
            }
            played.emplace(v.name, std::move(*r));
        }
        SCOPED_TRACE(std::to_string(room.kilopascals) + " kPa, " + std::to_string(room.celsius) + " degC");
        kChecks.at(GetParam())(played, room);
    }
}

std::vector<std::string> allIds() {
    std::vector<std::string> ids;
    for (const Demonstration& d : demonstrations())
        ids.push_back(d.id);
    return ids;
}
INSTANTIATE_TEST_SUITE_P(Rooms, InEachRoom, ::testing::ValuesIn(allIds()), [](const auto& one) {
    std::string name = one.param;
    std::erase(name, '-');
    return name;
});

// 5 L of air at 250 kPa through 20 cm of 0.8 mm: some 0.11 g a second fill 0.8 L of headspace by 45 kPa.
TEST(AirOntoBoiling, FillsInTheTimeOfATurbulentTube) {
    const auto r = rehearse(findDemonstration("air-onto-boiling")->rig,
                            {{"/vessels/air bottle/air", "250 kPa"}, {"/moves/2/when/above", "140 kPa"}});
    ASSERT_TRUE(r) << r.error().message;
    std::vector<double> moves;
    for (const RigEvent& e : r->run.events)
        if (e.kind == RigEventKind::Moved) moves.push_back(e.seconds);
    ASSERT_GE(moves.size(), 3U); // vent shut, air on, air valve shut
    EXPECT_GT(moves[2] - moves[1], 2.4);
    EXPECT_LT(moves[2] - moves[1], 3.1);
}

} // namespace
} // namespace uttrin::rooms
