#include "RigFileParts.h"

#include "RigFileMoves.h"
#include "RigReference.h"
#include "RigVesselReader.h"
#include "RigWords.h"
#include "json/JsonReader.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

/// Reads the parts of a rig one after the other, and knows them by their names.
class PartsReader {
public:
    PartsReader(const Json& document, RigSetup& setup, std::optional<Failure>& failure)
        : m_root(document, "", failure), m_setup(setup), m_failure(failure) {}

    void read() {
        for (const char* around :
             {"$schema", "name", "only_looked_at", "story", "knobs", "variants", "uncertain", "faults"})
            (void)m_root.has(around);
        m_root.require("substance", Text::tr("the id of a substance, e.g. \"water\""));
        m_root.string("substance", m_setup.substance);
        if (m_failure) return;
        const auto fluid = rigFluid(m_setup.substance);
        if (!fluid) {
            m_failure = Failure{Failure::BadInput,
                                Text::set("{}: {}", m_root.path("substance"), fluid.error().message)};
            return;
        }
        m_vessels.emplace(m_setup, *fluid, m_failure);
        readSolute();
        readRoom(m_root.child("room"));
        m_root.require("vessels", Text::tr("at least one vessel by its name"));
        each("vessels", RigPart::Vessel,
             [this](JsonReader& r, const std::string& n) { m_vessels->read(r, n); });
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
        if (m_failure) return;
        readRigMoves(
            m_root, m_setup, m_names, [this](int vessel) { return m_vessels->pointsAt(vesselOf(vessel)); },
            m_failure);
        m_vessels->finish();
        leaveOutUnusedSolute();
        readTimes();
        readGoal();
        readRemarks();
        m_root.onlyKnown();
    }

private:
    template <typename Read>
    void each(const char* key, std::optional<RigPart::Kind> kind, Read read) {
        const Json* parts = m_root.at(key);
        if (!parts) return;
        constexpr std::size_t kMost = 20;
        if (!parts->is_object() || parts->size() > kMost || (kind == RigPart::Vessel && parts->empty()))
            return m_root.refuse(key, Text::tr("at most {} objects, each under its name", kMost));
        int index = 0;
        for (const auto& item : parts->items()) {
            if (m_failure) return;
            JsonReader r(item.value(), m_root.pointer(key) + "/" + item.key(), m_failure);
            if (kind && !m_names.add(item.key(), {*kind, index++}))
                return r.refuse("", Text::tr("a name that no other part has"));
            read(r, item.key());
            r.onlyKnown();
        }
    }

    void share(JsonReader& r, const char* key, double& into) {
        r.measure(key, into, Dimension::Fraction, 0.0, 1.0);
    }

    [[nodiscard]] const Vessel& vesselOf(int index) const {
        return m_setup.model.vessels[static_cast<std::size_t>(index)];
    }

    void readSolute() {
        SoluteKind kind = SoluteKind::None;
        m_root.parsed("solute", kind, soluteKindFromId);
        if (m_failure || kind == SoluteKind::None) return;
        const auto solute = rigSolute(kind, m_setup.substance);
        if (!solute) return m_root.refuse("solute", solute.error().message);
        m_setup.model.solute = *solute;
    }

    /// A solute that only some variants have costs the others nothing.
    void leaveOutUnusedSolute() {
        const auto stirs = [](const RigMove& move) {
            return std::ranges::any_of(move.actions, [](const RigAction& a) {
                return a.what == RigAction::StirIn && a.value > 0.0;
            });
        };
        if (std::ranges::none_of(m_setup.model.vessels, [](const Vessel& v) { return v.solute > 0.0; }) &&
            std::ranges::none_of(m_setup.moves, stirs)) {
            m_setup.model.solute.reset();
            for (RigMove& move : m_setup.moves)
                std::erase_if(move.actions, [](const RigAction& a) { return a.what == RigAction::StirIn; });
        }
    }

    void readRoom(JsonReader r) {
        RigModel& m = m_setup.model;
        r.measure("pressure", m.roomPascal, Dimension::Pressure, 1e3, 2e5);
        r.measure("temperature", m.roomKelvin, Dimension::Temperature, 233.15, 333.15);
        r.onlyKnown();
    }

    void readLink(JsonReader& r, const std::string& name) {
        Link l;
        l.name = name;
        r.require("from", Text::tr("the name of a vessel"));
        r.require("diameter", Text::tr("the inner diameter as \"VALUE UNIT\""));
        l.from = m_names.end(r, "from");
        l.to = m_names.end(r, "to");
        if (l.from == l.to)
            r.refuse("to", Text::tr("another vessel, or the room: nothing flows in a circle"));
        r.measure("diameter", l.tube.diameter, Dimension::Length, 1e-7, 1.0);
        r.measure("length", l.tube.length, Dimension::Length, 0.0, 100.0);
        share(r, "open", l.opening);
        r.measure("relief", l.reliefPascal, Dimension::Pressure, 0.0, 1e7);
        m_setup.model.links.push_back(std::move(l));
    }

    void readLiquidTube(JsonReader& r, const std::string& name) {
        LiquidTube t;
        t.name = name;
        r.require("from", Text::tr("the name of a vessel"));
        r.require("to", Text::tr("the name of a vessel"));
        r.require("diameter", Text::tr("the inner diameter as \"VALUE UNIT\""));
        r.require("length", Text::tr("its length as \"VALUE UNIT\""));
        t.from = m_names.vessel(r, "from");
        t.to = m_names.vessel(r, "to");
        r.measure("diameter", t.tube.diameter, Dimension::Length, 1e-5, 1.0);
        r.measure("length", t.tube.length, Dimension::Length, 1e-4, 100.0);
        r.measure("rise", t.rise, Dimension::Length, -10.0, 10.0);
        double relative = 1.0; // to water at 20 degC
        r.number("viscosity_mpa_s", relative);
        if (!(relative > 0.0 && relative <= 1e5)) r.refuse("viscosity_mpa_s", Text::tr("a number above 0"));
        t.viscosity = 1e-3 * relative;
        m_setup.model.liquidTubes.push_back(std::move(t));
    }

    void readSkin(JsonReader& r, const std::string& name) {
        Skin s;
        s.name = name;
        r.require("inside", Text::tr("the name of the vessel that it lies around"));
        s.inside = m_names.vessel(r, "inside");
        s.around = m_names.end(r, "around");
        r.parsed("law", s.law, [](std::string_view w) { return fromWord(kSkinLaws, w); });
        r.measure("modulus", s.shear, Dimension::Pressure, 0.0, 1e9);
        share(r, "solid", s.solidShare);
        r.measure("rest", s.rest, Dimension::Volume, 1e-9, 10.0);
        r.number("holds", s.holds);
        r.number("bursting_per_s", s.bursting);
        r.measure("friction", s.friction, Dimension::Pressure, 0.0, 1e6);
        constexpr double kHandLetsGo = 5e4; // Pa s: a plunger comes back in some tenths of a second
        if (s.law == SkinLaw::Plunger) s.viscosity = kHandLetsGo;
        m_setup.model.skins.push_back(std::move(s));
    }

    void readPump(JsonReader& r, const std::string& name) {
        PumpAt p;
        p.name = name;
        p.vessel = m_names.vessel(r);
        r.require("speed", Text::tr("a pumping speed as \"VALUE UNIT\""));
        r.measure("speed", p.pump.speed, Dimension::PumpingSpeed, 0.0, 1.0);
        r.measure("ultimate", p.pump.ultimatePa, Dimension::Pressure, 0.0, 1e5);
        if (r.has("oil_temperature"))
            m_vessels->temperature(r, "oil_temperature", p.oilKelvin, vesselOf(p.vessel));
        r.measure("ballast", p.ballast, Dimension::PumpingSpeed, 0.0, 0.1);
        share(r, "ballast_open", p.ballastOpen);
        r.flag("on", p.on);
        m_setup.model.pumps.push_back(std::move(p));
    }

    void readContact(JsonReader& r, const std::string& name) {
        Contact c;
        c.name = name;
        c.kelvin = m_setup.model.roomKelvin;
        c.vessel = m_names.vessel(r);
        m_vessels->readTouched(r, c.vessel, c.part, c.wall);
        r.require("conductance", Text::tr("how well it conducts, in W/K"));
        r.measure("conductance", c.conductance, Dimension::ThermalConductance, 0.0, 1e5);
        m_vessels->kelvinAt(r, "temperature", c.kelvin, vesselOf(c.vessel), 50.0, 1000.0);
        r.measure("ice", c.iceKg, Dimension::Mass, 0.0, 100.0);
        r.flag("on", c.on);
        if (r.has("other")) c.other = m_names.vessel(r, "other");
        m_setup.model.contacts.push_back(std::move(c));
    }

    void readHeater(JsonReader& r, const std::string& name) {
        Heater h;
        h.name = name;
        h.vessel = m_names.vessel(r);
        m_vessels->readTouched(r, h.vessel, h.part, h.wall);
        r.measure("power", h.watt, Dimension::Power, 0.0, 1e5);
        m_setup.model.heaters.push_back(std::move(h));
    }

    void readDraught(JsonReader& r, const std::string& name) {
        Draught d;
        d.name = name;
        d.vessel = m_names.vessel(r);
        r.measure("surface", d.surface, Dimension::Area, 0.0, 10.0);
        r.number("transfer_m_per_s", d.transfer);
        if (!(d.transfer >= 0.0 && d.transfer <= 1.0))
            r.refuse("transfer_m_per_s", Text::tr("a number from 0 to 1"));
        share(r, "humidity", d.humidity);
        r.flag("on", d.on);
        m_setup.model.draughts.push_back(std::move(d));
    }

    void readDish(JsonReader& r, const std::string& name) {
        DryingDish d;
        d.name = name;
        d.vessel = m_names.vessel(r);
        r.require("agent", Text::tr("a drying agent, e.g. \"sulfuric-acid\""));
        r.parsed("agent", d.agent.kind, dryingAgentFromId);
        r.require("mass", Text::tr("a mass as \"VALUE UNIT\""));
        r.measure("mass", d.agent.dryKg, Dimension::Mass, 1e-6, 100.0);
        r.measure("taken_up", d.waterKg, Dimension::Mass, 0.0, 100.0);
        r.measure("surface", d.surface, Dimension::Area, 0.0, 10.0);
        r.measure("to_room", d.toRoom, Dimension::ThermalConductance, 0.0, 1e4);
        m_setup.model.dishes.push_back(std::move(d));
    }

    void readInstrument(JsonReader& r, const std::string& name) {
        RigInstrument i;
        i.name = name;
        r.require("kind", Text::tr("what it measures: gauge, thermometer, infrared"));
        r.parsed("kind", i.kind, [](std::string_view w) { return fromWord(kInstruments, w); });
        i.vessel = m_names.vessel(r);
        if (TouchedPart part = TouchedPart::Wall; i.kind == RigInstrument::Infrared)
            m_vessels->readTouched(r, i.vessel, part, i.wall);
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
        if (i.resolution < 0.0) r.refuse("resolution", Text::tr("zero or more"));
        if (i.noise < 0.0) r.refuse("noise", Text::tr("zero or more"));
        m_setup.instruments.push_back(std::move(i));
    }

    void readTimes() {
        m_root.require("duration", Text::tr("how long it takes as \"VALUE UNIT\""));
        m_root.measure("duration", m_setup.seconds, Dimension::Time, 0.1, kLongestRehearsal);
        m_setup.every = m_setup.seconds / 500.0;
        m_root.measure("sample", m_setup.every, Dimension::Time, 1e-3, kLongestRehearsal);
        constexpr double kMostSamples = 100'000.0;
        if (!m_failure && m_setup.seconds / m_setup.every > kMostSamples)
            m_root.refuse("sample", Text::tr("longer steps: at most 100000 in the whole"));
        m_setup.watched = m_names.vessel(m_root, "watch");
        std::string clock;
        m_root.string("clock", clock);
        for (std::size_t i = 0; i < m_setup.moves.size(); ++i)
            if (m_setup.moves[i].says == clock && !clock.empty()) m_setup.clockMove = static_cast<int>(i);
        if (m_root.has("clock") && m_setup.clockMove < 0)
            m_root.refuse("clock", Text::tr("what one of the moves says: {}",
                                            Text::list(m_setup.moves, &RigMove::says)));
    }

    void readGoal() {
        if (!m_root.has("goal")) return;
        JsonReader r = m_root.child("goal");
        RigGoal& g = m_setup.goal;
        r.string("says", g.says);
        if (r.has("boils_below")) {
            g.kind = RigGoal::BoilsBelow;
            m_vessels->temperature(r, "boils_below", g.kelvin, vesselOf(m_setup.watched));
        } else if (r.has("event")) {
            g.kind = RigGoal::Happens;
            r.parsed("event", g.event, rigEventFromId);
        } else
            r.refuse("", Text::tr("'boils_below' or 'event'"));
        r.onlyKnown();
    }

    void readRemarks() {
        const Json* list = m_root.at("tells");
        if (!list) return;
        if (!list->is_array()) return m_root.refuse("tells", Text::tr("a list of words, e.g. [\"sizes\"]"));
        for (const Json& word : *list) {
            const auto telling = fromWord(kRemarks, word.is_string() ? word.get<std::string>() : word.dump());
            if (!telling) return m_root.refuse("tells", telling.error().message);
            m_setup.tells.push_back(*telling);
        }
    }

    JsonReader m_root;
    RigSetup& m_setup;
    std::optional<Failure>& m_failure;
    std::optional<VesselReader> m_vessels; ///< once the substance is known
    RigNames m_names{m_setup, m_failure};
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
