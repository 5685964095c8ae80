#include "RigFileParts.h"

#include "RigWords.h"
#include "quantities/JsonReader.h"

#include <fmt/format.h>

#include <array>
#include <cmath>
#include <map>
#include <numbers>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

double discOf(double diameter) { return 0.25 * std::numbers::pi * diameter * diameter; }

/// Reads the parts of a rig one after the other, and knows them by their names.
class PartsReader {
public:
    PartsReader(const Json& document, RigSetup& setup, std::optional<Failure>& failure)
        : m_root(document, "", failure), m_setup(setup), m_failure(failure) {}

    void read() {
        for (const char* around : {"$schema", "name", "story", "knobs", "variants", "uncertain"})
            (void)m_root.has(around);
        m_root.require("substance", "the id of a substance, e.g. \"water\"");
        m_root.string("substance", m_setup.substance);
        if (!m_failure) m_fluid = rigFluid(m_setup.substance);
        if (m_fluid && !*m_fluid && !m_failure)
            m_failure = Failure{Failure::BadInput, "/substance: " + m_fluid->error().message};
        if (m_failure) return;
        readSolute();
        readRoom(m_root.child("room"));
        m_root.require("vessels", "at least one vessel by its name");
        each("vessels", RigPart::Vessel, [this](JsonReader& r, const std::string& n) { readVessel(r, n); });
        each("links", RigPart::Link, [this](JsonReader& r, const std::string& n) { readLink(r, n); });
        each("liquid_tubes", RigPart::LiquidTube,
             [this](JsonReader& r, const std::string& n) { readLiquidTube(r, n); });
        each("skins", RigPart::Skin, [this](JsonReader& r, const std::string& n) { readSkin(r, n); });
        each("pumps", RigPart::Pump, [this](JsonReader& r, const std::string& n) { readPump(r, n); });
        each("contacts", RigPart::Contact,
             [this](JsonReader& r, const std::string& n) { readContact(r, n); });
        each("heaters", RigPart::Heater, [this](JsonReader& r, const std::string& n) { readHeater(r, n); });
        each("draughts", RigPart::Draught,
             [this](JsonReader& r, const std::string& n) { readDraught(r, n); });
        each("drying_dishes", RigPart::Dish, [this](JsonReader& r, const std::string& n) { readDish(r, n); });
        each("instruments", std::nullopt,
             [this](JsonReader& r, const std::string& n) { readInstrument(r, n); });
        readMoves();
        readTimes();
        readGoal();
        m_root.onlyKnown();
    }

private:
    static constexpr double kLongest = 48.0 * 3600.0; // s

    template <typename Read>
    void each(const char* key, std::optional<RigPart::Kind> kind, Read read) {
        const Json* parts = m_root.at(key);
        if (!parts) return;
        constexpr std::size_t kMost = 20;
        if (!parts->is_object() || parts->size() > kMost || (kind == RigPart::Vessel && parts->empty()))
            return m_root.refuse(key, fmt::format("at most {} objects, each under its name", kMost));
        int index = 0;
        for (const auto& item : parts->items()) {
            if (m_failure) return;
            JsonReader r(item.value(), m_root.path(key) + "/" + item.key(), m_failure);
            if (kind && !m_parts.emplace(item.key(), RigPart{*kind, index++}).second)
                return r.refuse("", "a name that no other part has");
            read(r, item.key());
            r.onlyKnown();
        }
    }

    /// The index of a part of one kind by its name; refuses others and names those that there are.
    int part(const JsonReader& r, const char* key, const std::string& name, RigPart::Kind kind) {
        const auto found = m_parts.find(name);
        if (found != m_parts.end() && found->second.kind == kind) return found->second.index;
        std::string known, what;
        for (const auto& [k, word] : kPartNames)
            if (k == kind) what = word;
        for (const auto& [other, p] : m_parts)
            if (p.kind == kind) known += (known.empty() ? "" : ", ") + other;
        if (known.empty()) known = "there is none in this file";
        if (!m_failure)
            m_failure = Failure{Failure::BadInput, fmt::format("{}: there is no {} '{}'; accepted: {}",
                                                               r.path(key), what, name, known)};
        return 0;
    }

    int vessel(JsonReader& r, const char* key = "vessel") {
        std::string name = m_setup.model.vessels.empty() ? "" : m_setup.model.vessels.front().name;
        r.string(key, name);
        return m_failure ? 0 : part(r, key, name, RigPart::Vessel);
    }

    /// A vessel, or the room.
    int end(JsonReader& r, const char* key) {
        std::string name = "room";
        r.string(key, name);
        return name == "room" || m_failure ? kRoom : part(r, key, name, RigPart::Vessel);
    }

    void kelvins(JsonReader& r, const char* key, double& into) {
        r.parsed(key, into, [](std::string_view word) -> Result<double> {
            const auto d = parseTemperatureDifference(word);
            if (!d) return tl::unexpected(d.error());
            constexpr double kMost = 100.0;
            if (!(d->kelvin() >= 0.0 && d->kelvin() <= kMost))
                return fail(Failure::BadInput,
                            fmt::format("'{}' lies outside what is accepted: 0 to 100 K", word));
            return d->kelvin();
        });
    }

    void share(JsonReader& r, const char* key, double& into) {
        r.measure(key, into, Dimension::Fraction, 0.0, 1.0);
    }

    void temperature(JsonReader& r, const char* key, double& into) {
        r.measure(key, into, Dimension::Temperature, (*m_fluid)->lowestKelvin(), (*m_fluid)->highestKelvin());
    }

    void readSolute() {
        SoluteKind kind = SoluteKind::None;
        m_root.parsed("solute", kind, soluteKindFromId);
        if (m_failure || kind == SoluteKind::None) return;
        const auto solute = rigSolute(kind, m_setup.substance);
        if (!solute) return m_root.refuse("solute", solute.error().message);
        m_setup.model.solute = *solute;
    }

    void readRoom(JsonReader r) {
        RigModel& m = m_setup.model;
        r.measure("pressure", m.roomPascal, Dimension::Pressure, 1e3, 2e5);
        r.measure("temperature", m.roomKelvin, Dimension::Temperature, 233.15, 333.15);
        r.onlyKnown();
    }

    void readVessel(JsonReader& r, const std::string& name) {
        Vessel v;
        VesselShape shape = VesselShape::Jar;
        v.name = name;
        r.require("volume", "a volume as \"VALUE UNIT\"");
        r.measure("volume", v.volume, Dimension::Volume, 1e-9, 10.0);
        v.kelvin = m_setup.model.roomKelvin;
        temperature(r, "temperature", v.kelvin);
        r.measure("liquid", v.condensed, Dimension::Mass, 0.0, 1e4);
        r.measure("ice", v.condensed, Dimension::Mass, 0.0, 1e4);
        if (r.has("liquid") && r.has("ice")) r.refuse("ice", "either 'liquid' or 'ice'");
        const double triple = (*m_fluid)->tripleKelvin();
        if (r.has("ice") && !(v.kelvin < triple && (*m_fluid)->hasSolid()))
            r.refuse("ice", fmt::format("a temperature below {:.2f} K, and a substance whose solid is known",
                                        triple));
        if (r.has("liquid") && v.condensed > 0.0 && v.kelvin < triple)
            r.refuse("liquid", fmt::format("a temperature of {:.2f} K or more; below it give 'ice'", triple));
        r.measure("solute", v.solute, Dimension::Mass, 0.0, 1e4);
        r.measure("surface", v.surface, Dimension::Area, 0.0, 10.0);
        r.measure("dry_wall", v.dryWall, Dimension::Area, 0.0, 10.0);
        r.measure("wall_heat_capacity", v.wallHeatCapacity, Dimension::HeatCapacity, 0.0, 1e6);
        r.measure("wall_to_contents", v.wallToContents, Dimension::ThermalConductance, 0.0, 1e5);
        kelvins(r, "nucleation", v.nucleation);
        kelvins(r, "supercooling", v.supercooling);
        share(r, "dissolved_air", v.airDissolved);
        double diameter = 0.0;
        r.measure("mouth", diameter, Dimension::Length, 0.0, 1.0);
        v.mouth = discOf(diameter);
        // What the vapour leaves of the room's pressure, unless it says otherwise.
        if (!m_failure) {
            const auto over = startingSaturation(m_setup.model, **m_fluid, v);
            v.airPascal = std::max(0.0, m_setup.model.roomPascal - over.solvent - over.solute);
        }
        if (r.has("vapour")) {
            double pascal = 0.0;
            r.measure("vapour", pascal, Dimension::Pressure, 0.0, 1e6);
            v.vapourPascal = pascal;
        }
        r.measure("air", v.airPascal, Dimension::Pressure, 0.0, 1e6);
        r.parsed("shape", shape, [](std::string_view w) { return fromWord(kShapes, w); });
        m_setup.model.vessels.push_back(std::move(v));
        m_setup.shapes.push_back(shape);
    }

    void readLink(JsonReader& r, const std::string& name) {
        Link l;
        l.name = name;
        r.require("from", "the name of a vessel");
        r.require("diameter", "the inner diameter as \"VALUE UNIT\"");
        l.from = end(r, "from");
        l.to = end(r, "to");
        if (l.from == l.to) r.refuse("to", "another vessel, or the room: nothing flows in a circle");
        r.measure("diameter", l.tube.diameter, Dimension::Length, 1e-7, 1.0);
        r.measure("length", l.tube.length, Dimension::Length, 0.0, 100.0);
        share(r, "open", l.opening);
        r.measure("relief", l.reliefPascal, Dimension::Pressure, 0.0, 1e7);
        m_setup.model.links.push_back(std::move(l));
    }

    void readLiquidTube(JsonReader& r, const std::string& name) {
        LiquidTube t;
        t.name = name;
        r.require("from", "the name of a vessel");
        r.require("to", "the name of a vessel");
        r.require("diameter", "the inner diameter as \"VALUE UNIT\"");
        r.require("length", "its length as \"VALUE UNIT\"");
        t.from = vessel(r, "from");
        t.to = vessel(r, "to");
        r.measure("diameter", t.tube.diameter, Dimension::Length, 1e-5, 1.0);
        r.measure("length", t.tube.length, Dimension::Length, 1e-4, 100.0);
        r.measure("rise", t.rise, Dimension::Length, -10.0, 10.0);
        double relative = 1.0; // to water at 20 degC
        r.number("viscosity_mpa_s", relative);
        if (!(relative > 0.0 && relative <= 1e5)) r.refuse("viscosity_mpa_s", "a number above 0");
        t.viscosity = 1e-3 * relative;
        m_setup.model.liquidTubes.push_back(std::move(t));
    }

    void readSkin(JsonReader& r, const std::string& name) {
        Skin s;
        s.name = name;
        r.require("inside", "the name of the vessel that it lies around");
        s.inside = vessel(r, "inside");
        s.around = end(r, "around");
        r.parsed("law", s.law, [](std::string_view w) { return fromWord(kSkinLaws, w); });
        r.measure("modulus", s.shear, Dimension::Pressure, 0.0, 1e9);
        share(r, "solid", s.solidShare);
        r.measure("rest", s.rest, Dimension::Volume, 1e-9, 10.0);
        r.number("holds", s.holds);
        r.number("bursting_per_s", s.bursting);
        m_setup.model.skins.push_back(std::move(s));
    }

    void readPump(JsonReader& r, const std::string& name) {
        PumpAt p;
        p.name = name;
        p.vessel = vessel(r);
        r.require("speed", "a pumping speed as \"VALUE UNIT\"");
        r.measure("speed", p.pump.speed, Dimension::PumpingSpeed, 0.0, 1.0);
        r.measure("ultimate", p.pump.ultimatePa, Dimension::Pressure, 0.0, 1e5);
        r.flag("on", p.on);
        m_setup.model.pumps.push_back(std::move(p));
    }

    void readContact(JsonReader& r, const std::string& name) {
        Contact c;
        c.name = name;
        c.kelvin = m_setup.model.roomKelvin;
        c.vessel = vessel(r);
        r.parsed("touches", c.part, [](std::string_view w) { return fromWord(kTouched, w); });
        r.require("conductance", "how well it conducts, in W/K");
        r.measure("conductance", c.conductance, Dimension::ThermalConductance, 0.0, 1e5);
        r.measure("temperature", c.kelvin, Dimension::Temperature, 50.0, 1000.0);
        r.measure("ice", c.iceKg, Dimension::Mass, 0.0, 100.0);
        r.flag("on", c.on);
        if (r.has("other")) c.other = vessel(r, "other");
        m_setup.model.contacts.push_back(std::move(c));
    }

    void readHeater(JsonReader& r, const std::string& name) {
        Heater h;
        h.name = name;
        h.vessel = vessel(r);
        r.parsed("touches", h.part, [](std::string_view w) { return fromWord(kTouched, w); });
        r.measure("power", h.watt, Dimension::Power, 0.0, 1e5);
        m_setup.model.heaters.push_back(std::move(h));
    }

    void readDraught(JsonReader& r, const std::string& name) {
        Draught d;
        d.name = name;
        d.vessel = vessel(r);
        r.measure("surface", d.surface, Dimension::Area, 0.0, 10.0);
        r.number("transfer_m_per_s", d.transfer);
        if (!(d.transfer >= 0.0 && d.transfer <= 1.0)) r.refuse("transfer_m_per_s", "a number from 0 to 1");
        share(r, "humidity", d.humidity);
        r.flag("on", d.on);
        m_setup.model.draughts.push_back(std::move(d));
    }

    void readDish(JsonReader& r, const std::string& name) {
        DryingDish d;
        d.name = name;
        d.vessel = vessel(r);
        r.require("agent", "a drying agent, e.g. \"sulfuric-acid\"");
        r.parsed("agent", d.agent.kind, dryingAgentFromId);
        r.require("mass", "a mass as \"VALUE UNIT\"");
        r.measure("mass", d.agent.dryKg, Dimension::Mass, 1e-6, 100.0);
        r.measure("surface", d.surface, Dimension::Area, 0.0, 10.0);
        r.measure("to_room", d.toRoom, Dimension::ThermalConductance, 0.0, 1e4);
        m_setup.model.dishes.push_back(std::move(d));
    }

    void readInstrument(JsonReader& r, const std::string& name) {
        RigInstrument i;
        i.name = name;
        r.require("kind", "what it measures: gauge, thermometer, infrared");
        r.parsed("kind", i.kind, [](std::string_view w) { return fromWord(kInstruments, w); });
        i.vessel = vessel(r);
        r.measure("lag", i.lag, Dimension::Time, 0.0, 3600.0);
        const auto of = [&](const char* key, double& into, double low) {
            if (i.kind == RigInstrument::Gauge)
                r.measure(key, into, Dimension::Pressure, low, 1e5);
            else
                r.parsed(key, into, [](std::string_view w) {
                    return parseTemperatureDifference(w).map(
                        [](TemperatureDifference d) { return d.kelvin(); });
                });
        };
        of("zero", i.zero, -1e5);
        of("resolution", i.resolution, 0.0);
        of("noise", i.noise, 0.0);
        if (i.resolution < 0.0) r.refuse("resolution", "zero or more");
        if (i.noise < 0.0) r.refuse("noise", "zero or more");
        m_setup.instruments.push_back(std::move(i));
    }

    void readMoves() {
        const Json* list = m_root.at("moves");
        if (!list) return;
        constexpr std::size_t kMost = 100;
        if (!list->is_array() || list->size() > kMost)
            return m_root.refuse("moves", "a list of at most 100 moves");
        for (std::size_t i = 0; i < list->size() && !m_failure; ++i) {
            JsonReader r((*list)[i], "/moves/" + std::to_string(i), m_failure);
            m_setup.moves.push_back(readMove(r));
            r.onlyKnown();
        }
    }

    RigMove readMove(JsonReader& r) {
        RigMove move;
        r.string("says", move.says);
        if (r.has("at")) {
            move.when.kind = RigTrigger::AtTime;
            r.measure("at", move.when.value, Dimension::Time, 0.0, kLongest);
        } else if (r.has("after")) {
            move.when.kind = RigTrigger::After;
            r.measure("after", move.when.value, Dimension::Time, 0.0, kLongest);
        } else if (r.has("when")) {
            JsonReader when = r.child("when");
            readCondition(when, move.when);
            when.onlyKnown();
        } else
            r.refuse("", "'at', 'after' or 'when', so that it is known when the move is due");
        double over = 0.0;
        r.measure("over", over, Dimension::Time, 0.0, kLongest);
        readActions(r, over, move.actions);
        if (move.actions.empty() && !m_failure)
            r.refuse(
                "",
                "what is moved: open, pump, touch, ice, bath, heat, fan, volume, stir_in or room_pressure");
        return move;
    }

    void readCondition(JsonReader& r, RigTrigger& t) {
        t.vessel = vessel(r);
        r.measure("delay", t.delay, Dimension::Time, 0.0, kLongest);
        int given = 0;
        const auto condition = [&](const char* key, RigTrigger::Kind kind, Dimension d) {
            if (!r.has(key)) return;
            ++given;
            t.kind = kind;
            r.measure(key, t.value, d, 0.0, 1e8);
        };
        condition("warmer_than", RigTrigger::WarmerThan, Dimension::Temperature);
        condition("cooler_than", RigTrigger::CoolerThan, Dimension::Temperature);
        condition("above", RigTrigger::PressureOver, Dimension::Pressure);
        condition("below", RigTrigger::PressureUnder, Dimension::Pressure);
        if (r.has("event")) {
            ++given;
            t.kind = RigTrigger::OnEvent;
            r.parsed("event", t.event, rigEventFromId);
        }
        if (given != 1) r.refuse("", "one of warmer_than, cooler_than, above, below, event");
    }

    /// An object of part names and values under a key.
    template <typename Value>
    void actions(JsonReader& r, const char* key, RigPart::Kind kind, RigAction::What what, double over,
                 std::vector<RigAction>& into, Value value) {
        const Json* object = r.at(key);
        if (!object) return;
        if (!object->is_object()) return r.refuse(key, "an object of part names and what becomes of them");
        JsonReader inner(*object, r.path(key), m_failure);
        for (const auto& item : object->items()) {
            if (m_failure) return;
            RigAction a{what, part(inner, item.key().c_str(), item.key(), kind), 0.0, over};
            value(inner, item.key().c_str(), a.value);
            into.push_back(a);
        }
    }

    void readActions(JsonReader& r, double over, std::vector<RigAction>& into) {
        const auto onOff = [](JsonReader& in, const char* key, double& value) {
            bool on = false;
            in.flag(key, on);
            value = on ? 1.0 : 0.0;
        };
        const auto quantity = [](Dimension d, double low, double high) {
            return
                [=](JsonReader& in, const char* key, double& value) { in.measure(key, value, d, low, high); };
        };
        actions(r, "open", RigPart::Link, RigAction::Open, over, into,
                quantity(Dimension::Fraction, 0.0, 1.0));
        actions(r, "pump", RigPart::Pump, RigAction::RunPump, over, into, onOff);
        actions(r, "touch", RigPart::Contact, RigAction::Touch, over, into, onOff);
        actions(r, "ice", RigPart::Contact, RigAction::Ice, over, into,
                quantity(Dimension::Mass, 0.0, 100.0));
        actions(r, "bath", RigPart::Contact, RigAction::BathKelvin, over, into,
                quantity(Dimension::Temperature, 50.0, 1000.0));
        actions(r, "heat", RigPart::Heater, RigAction::Heat, over, into,
                quantity(Dimension::Power, 0.0, 1e5));
        actions(r, "fan", RigPart::Draught, RigAction::Fan, over, into, onOff);
        actions(r, "volume", RigPart::Vessel, RigAction::Volume, over, into,
                quantity(Dimension::Volume, 1e-9, 10.0));
        if (r.has("stir_in") && !m_setup.model.solute) r.refuse("stir_in", "a file that names its 'solute'");
        actions(r, "stir_in", RigPart::Vessel, RigAction::StirIn, over, into,
                quantity(Dimension::Mass, 0.0, 100.0));
        if (r.has("room_pressure")) {
            RigAction a{RigAction::RoomPressure, 0, 0.0, over};
            r.measure("room_pressure", a.value, Dimension::Pressure, 1e3, 2e5);
            into.push_back(a);
        }
    }

    void readTimes() {
        m_root.require("duration", "how long it takes as \"VALUE UNIT\"");
        m_root.measure("duration", m_setup.seconds, Dimension::Time, 0.1, kLongest);
        m_setup.every = m_setup.seconds / 500.0;
        m_root.measure("sample", m_setup.every, Dimension::Time, 1e-3, kLongest);
        constexpr double kMostSamples = 100'000.0;
        if (!m_failure && m_setup.seconds / m_setup.every > kMostSamples)
            m_root.refuse("sample", "longer steps: at most 100000 in the whole");
        m_setup.watched = vessel(m_root, "watch");
        std::string clock;
        m_root.string("clock", clock);
        std::string known;
        for (std::size_t i = 0; i < m_setup.moves.size(); ++i) {
            if (m_setup.moves[i].says == clock && !clock.empty()) m_setup.clockMove = static_cast<int>(i);
            known += (known.empty() ? "" : ", ") + m_setup.moves[i].says;
        }
        if (m_root.has("clock") && m_setup.clockMove < 0)
            m_root.refuse("clock", fmt::format("what one of the moves says: {}", known));
    }

    void readGoal() {
        if (!m_root.has("goal")) return;
        JsonReader r = m_root.child("goal");
        RigGoal& g = m_setup.goal;
        r.string("says", g.says);
        if (r.has("boils_below")) {
            g.kind = RigGoal::BoilsBelow;
            temperature(r, "boils_below", g.kelvin);
        } else if (r.has("event")) {
            g.kind = RigGoal::Happens;
            r.parsed("event", g.event, rigEventFromId);
        } else
            r.refuse("", "'boils_below' or 'event'");
        r.onlyKnown();
    }

    JsonReader m_root;
    RigSetup& m_setup;
    std::optional<Failure>& m_failure;
    std::optional<Result<RigFluid>> m_fluid;
    std::map<std::string, RigPart> m_parts;
};

} // namespace

Result<RigSetup> readRigParts(const Json& document) {
    RigSetup setup;
    std::optional<Failure> failure;
    PartsReader(document, setup, failure).read();
    if (failure) return tl::unexpected(*failure);
    if (const auto fine = check(setup.model); !fine) return tl::unexpected(fine.error());
    return setup;
}

std::string_view id(RigEventKind kind) {
    for (const auto& [value, name] : kEvents)
        if (value == kind) return name;
    return "";
}

Result<RigEventKind> rigEventFromId(std::string_view word) { return fromWord(kEvents, word); }

} // namespace uttrin
