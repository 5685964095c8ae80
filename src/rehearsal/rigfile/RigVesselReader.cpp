#include "RigVesselReader.h"

#include "RigFileMoves.h"
#include "RigWords.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <numbers>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

double discOf(double diameter) { return 0.25 * std::numbers::pi * diameter * diameter; }

void readWall(JsonReader& r, const char* capacity, const char* toContents, const char* dry, Wall& w) {
    r.measure(capacity, w.heatCapacity, Dimension::HeatCapacity, 1e-6, 1e6);
    r.measure(toContents, w.toContents, Dimension::ThermalConductance, 0.0, 1e5);
    r.measure(dry, w.dry, Dimension::Area, 0.0, 10.0);
}

/// Glass of 2.5 mm all round, which touches what lies in it as far as its shape says.
Wall glassAround(const Vessel& v, VesselShape shape) {
    constexpr double kThick = 2.5e-3, kDensity = 2230.0, kHeat = 800.0; // m, kg/m3, J/(kg K): borosilicate
    constexpr double kToLiquid = 200.0;                                 // W/(m2 K), by free convection
    const bool apart = shape == VesselShape::BellJar || shape == VesselShape::Dish ||
                       shape == VesselShape::Cup || shape == VesselShape::Film;
    Wall glass;
    glass.heatCapacity = kThick * kDensity * kHeat * wallAround(v.volume);
    glass.toContents = apart ? 0.0 : kToLiquid * v.surface;
    return glass;
}

} // namespace

void VesselReader::kelvins(JsonReader& r, const char* key, double& into) {
    r.parsed(key, into, [](std::string_view word) -> Result<double> {
        const auto d = parseTemperatureDifference(word);
        if (!d) return tl::unexpected(d.error());
        constexpr double kMost = 100.0;
        if (!(d->kelvin() >= 0.0 && d->kelvin() <= kMost))
            return fail(Failure::BadInput, Text::tr("'{}' lies outside what is accepted: 0 to 100 K", word));
        return d->kelvin();
    });
}

/// What references count from at a vessel.
ReferencePoints VesselReader::pointsAt(const Vessel& v) const {
    const RigModel& m = m_setup.model;
    const auto over = startingSaturation(m, m_fluid, v);
    return {m.roomPascal, m.roomKelvin, startingBoilingKelvin(m, m_fluid, v, m.roomPascal),
            over.solvent + over.solute > 0.0
                ? over.solvent + over.solute
                : m_fluid.liquidSaturation(
                      std::clamp(v.kelvin, m_fluid.lowestLiquidKelvin(), m_fluid.highestKelvin()))};
}

void VesselReader::kelvinAt(JsonReader& r, const char* key, double& into, const Vessel& v, double low,
                            double high) {
    r.parsed(key, into, [&](std::string_view word) { return referredKelvin(word, pointsAt(v), low, high); });
}

void VesselReader::pascalAt(JsonReader& r, const char* key, double& into, const Vessel& v, double low,
                            double high) {
    r.parsed(key, into, [&](std::string_view word) { return referredPascal(word, pointsAt(v), low, high); });
}

void VesselReader::temperature(JsonReader& r, const char* key, double& into, const Vessel& v) {
    kelvinAt(r, key, into, v, m_fluid.lowestKelvin(), m_fluid.highestKelvin());
}

void VesselReader::read(JsonReader& r, const std::string& name) {
    Vessel v;
    VesselShape shape = VesselShape::Jar;
    v.name = name;
    if (!r.has("headspace")) r.require("volume", Text::tr("a volume as \"VALUE UNIT\""));
    r.measure("volume", v.volume, Dimension::Volume, 1e-9, 10.0);
    v.kelvin = m_setup.model.roomKelvin;
    r.measure("liquid", v.condensed, Dimension::Mass, 0.0, 1e4);
    r.measure("ice", v.condensed, Dimension::Mass, 0.0, 1e4);
    if (r.has("liquid") && r.has("ice")) r.refuse("ice", Text::tr("either 'liquid' or 'ice'"));
    r.measure("solute", v.solute, Dimension::Mass, 0.0, 1e4);
    if (m_failure) return;
    temperature(r, "temperature", v.kelvin, v);
    readHeadspace(r, v);
    const double triple = m_fluid.tripleKelvin();
    if (r.has("ice") && !(v.kelvin < triple && m_fluid.hasSolid()))
        r.refuse("ice",
                 Text::tr("a temperature below {:.2f} K, and a substance whose solid is known", triple));
    if (r.has("liquid") && v.condensed > 0.0 && v.kelvin < triple)
        r.refuse("liquid", Text::tr("a temperature of {:.2f} K or more; below it give 'ice'", triple));
    r.measure("surface", v.surface, Dimension::Area, 0.0, 10.0);
    kelvins(r, "nucleation", v.nucleation);
    kelvins(r, "supercooling", v.supercooling);
    r.measure("dissolved_air", v.airDissolved, Dimension::Fraction, 0.0, 1.0);
    r.measure("dissolves_in", v.dissolving, Dimension::Time, 0.0, kLongestRehearsal);
    readGivesWay(r, v);
    double diameter = 0.0;
    r.measure("mouth", diameter, Dimension::Length, 0.0, 1.0);
    v.mouth = discOf(diameter);
    // What the vapour leaves of the room's pressure, unless it says otherwise.
    if (!m_failure) {
        const auto over = startingSaturation(m_setup.model, m_fluid, v);
        v.airPascal = std::max(0.0, m_setup.model.roomPascal - over.solvent - over.solute);
    }
    if (r.has("vapour")) {
        double pascal = 0.0;
        pascalAt(r, "vapour", pascal, v, 0.0, 1e6);
        v.vapourPascal = pascal;
    }
    pascalAt(r, "air", v.airPascal, v, 0.0, 1e6);
    r.parsed("shape", shape, [](std::string_view w) { return fromWord(kShapes, w); });
    readWalls(r, shape, v);
    VesselMaking making = VesselMaking::Laboratory;
    r.parsed("made_for", making, [](std::string_view w) { return fromWord(kMakings, w); });
    m_setup.model.vessels.push_back(std::move(v));
    m_setup.shapes.push_back(shape);
    m_setup.making.push_back(making);
}

/// Room above the liquid, instead of the whole volume.
void VesselReader::readHeadspace(JsonReader& r, Vessel& v) {
    if (!r.has("headspace")) return;
    if (r.has("volume")) return r.refuse("headspace", Text::tr("either 'volume' or 'headspace'"));
    double space = 0.0;
    r.measure("headspace", space, Dimension::Volume, 1e-9, 10.0);
    v.volume = space + v.condensed / m_fluid.liquidDensity();
    if (v.solute > 0.0) v.volume += v.solute / m_setup.model.solute->density();
}

/// The glass, unless it says that there is none; and further walls by their names.
void VesselReader::readWalls(JsonReader& r, VesselShape shape, Vessel& v) {
    WallKind kind = WallKind::Glass;
    r.parsed("wall", kind, [](std::string_view w) { return fromWord(kWalls, w); });
    if (kind == WallKind::Glass) {
        Wall glass = glassAround(v, shape);
        readWall(r, "wall_heat_capacity", "wall_to_contents", "dry_wall", glass);
        m_ownWalls.push_back(r.has("wall_heat_capacity"));
        v.walls.push_back(glass);
    } else {
        m_ownWalls.push_back(true);
        for (const char* key : {"wall_heat_capacity", "wall_to_contents", "dry_wall", "walls"})
            if (r.has(key)) r.refuse(key, Text::tr("nothing where 'wall' is \"none\""));
    }
    const Json* more = r.at("walls");
    if (!more || m_failure) return;
    if (!more->is_object() || more->size() + v.walls.size() > kMostWalls)
        return r.refuse("walls", Text::tr("at most {} further walls, each under its name", kMostWalls - 1));
    for (const auto& item : more->items()) {
        if (m_failure) return;
        JsonReader one(item.value(), r.pointer("walls") + "/" + item.key(), m_failure);
        Wall w;
        w.name = item.key();
        one.require("heat_capacity", Text::tr("a heat capacity as \"VALUE J/K\""));
        readWall(one, "heat_capacity", "to_contents", "dry", w);
        one.flag("swept", w.swept);
        one.onlyKnown();
        v.walls.push_back(std::move(w));
    }
}

void VesselReader::readGivesWay(JsonReader& r, Vessel& v) {
    const Json* list = r.at("gives_way");
    if (!list) return;
    if (!list->is_array())
        return r.refuse("gives_way", Text::tr("a list of pressures and what happens there"));
    for (std::size_t i = 0; i < list->size() && !m_failure; ++i) {
        JsonReader one((*list)[i], r.pointer("gives_way") + "/" + std::to_string(i), m_failure);
        GivesWay limit;
        one.require("over_room", Text::tr("a pressure over the room’s as \"VALUE UNIT\""));
        one.measure("over_room", limit.overRoom, Dimension::Pressure, 1.0, 1e7);
        one.string("says", limit.says);
        one.onlyKnown();
        v.givesWay.push_back(std::move(limit));
    }
}

/// What a contact or a heater touches: the contents, the wall, or a wall by its name.
void VesselReader::readTouched(JsonReader& r, int vessel, TouchedPart& part, int& wall) {
    if (!r.has("touches") || m_failure) return;
    std::string word;
    r.string("touches", word);
    const auto& walls = m_setup.model.vessels[static_cast<std::size_t>(vessel)].walls;
    for (std::size_t w = 1; w < walls.size(); ++w)
        if (walls[w].name == word) {
            part = TouchedPart::Wall;
            wall = static_cast<int>(w);
            return;
        }
    r.parsed("touches", part, [](std::string_view w) { return fromWord(kTouched, w); });
}

/// What swells has no glass; other glass that nothing else reaches stands in the room's air.
void VesselReader::finish() {
    RigModel& m = m_setup.model;
    for (std::size_t i = 0; i < m.vessels.size() && !m_failure; ++i) {
        if (m_ownWalls[i]) continue;
        const int vessel = static_cast<int>(i);
        const bool swells = std::ranges::any_of(
            m.skins, [&](const Skin& s) { return s.inside == vessel && s.law != SkinLaw::Plunger; });
        if (swells) {
            m.vessels[i].walls.erase(m.vessels[i].walls.begin());
            continue;
        }
        const bool reached = std::ranges::any_of(m.contacts, [&](const Contact& c) {
            return c.vessel == vessel && c.part == TouchedPart::Wall && c.iceKg <= 0.0;
        });
        constexpr double kStillAir = 8.0; // W/(m2 K), with what it radiates
        if (!reached)
            m.contacts.push_back({vessel, TouchedPart::Wall, kStillAir * wallAround(m.vessels[i].volume),
                                  m.roomKelvin, "room at the glass"});
    }
}

} // namespace uttrin
