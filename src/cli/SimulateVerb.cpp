#include "Formats.h"
#include "RigArguments.h"
#include "Verbs.h"
#include "files/WholeFile.h"
#include "notebook/Csv.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/Rehearsal.h"

#include <fmt/format.h>

#include <fstream>
#include <functional>
#include <memory>

namespace uttrin::cli {
namespace {

/// A column of the path: its name, and its value in a sample.
struct Column {
    std::string name;
    std::function<std::optional<double>(const RigSample&)> value; ///< nothing where it has no meaning
};

void addVessel(std::vector<Column>& columns, const Rehearsal& r, std::size_t vessel) {
    const std::string prefix = vessel == static_cast<std::size_t>(r.setup.watched)
                                   ? std::string()
                                   : r.setup.model.vessels[vessel].name + "_";
    const auto add = [&](const std::string& name, auto part) { // a member or a function of the state
        columns.push_back({prefix + name, [=](const RigSample& s) -> std::optional<double> {
                               return std::invoke(part, s.vessels[vessel]);
                           }});
    };
    add("liquid_temperature_k", &VesselState::kelvin);
    add("pressure_pa", &VesselState::pascal);
    add("air_pressure_pa", &VesselState::airPascal);
    add("liquid_kg", &VesselState::liquid);
    add("solid_kg", &VesselState::solid);
    add("vapour_kg", &VesselState::vapour);
    add("air_kg", &VesselState::air);
    add("dissolved_air_kg", &VesselState::dissolved);
    if (r.setup.model.solute) {
        add("solute_kg", &VesselState::solute);
        add("solute_vapour_kg", &VesselState::soluteVapour);
    }
    add("gas_temperature_k", &VesselState::gasKelvin);
    add("wall_temperature_k", &VesselState::wallKelvin);
    const auto& walls = r.setup.model.vessels[vessel].walls;
    for (std::size_t w = 1; w < walls.size(); ++w)
        add(walls[w].name + "_temperature_k", [w](const VesselState& s) { return s.wallKelvins[w]; });
    add("volume_m3", &VesselState::volume);
    if (r.setup.model.vessels[vessel].mouth > 0.0) add("force_n", &VesselState::force);
    add("margin_k", &VesselState::margin);
    add("margin_at_bottom_k", &VesselState::marginAtBottom);
    add("vigour", &VesselState::vigour);
}

/// What the other parts of a rig hold: ice, oil, drying agents.
void addParts(std::vector<Column>& columns, const RigModel& m) {
    for (std::size_t i = 0; i < m.contacts.size(); ++i)
        if (m.contacts[i].iceKg > 0.0)
            columns.push_back(
                {m.contacts[i].name + "_ice_kg", [i](const RigSample& s) { return s.contacts[i].iceKg; }});
    for (std::size_t i = 0; i < m.pumps.size(); ++i)
        columns.push_back(
            {m.pumps[i].name + "_pumped_kg", [i](const RigSample& s) { return s.pumps[i].pumpedKg; }});
    for (std::size_t i = 0; i < m.pumps.size(); ++i)
        if (m.pumps[i].oilKelvin > 0.0)
            columns.push_back(
                {m.pumps[i].name + "_oil_kg", [i](const RigSample& s) { return s.pumps[i].oilKg; }});
    for (std::size_t i = 0; i < m.dishes.size(); ++i) {
        columns.push_back(
            {m.dishes[i].name + "_water_kg", [i](const RigSample& s) { return s.dishes[i].waterKg; }});
        columns.push_back(
            {m.dishes[i].name + "_temperature_k", [i](const RigSample& s) { return s.dishes[i].kelvin; }});
    }
}

/// The path as CSV: vessels, the watched one without a prefix, what other parts hold, then each instrument as
/// it reads.
std::string pathOf(const Rehearsal& r) {
    std::vector<Column> columns;
    for (std::size_t v = 0; v < r.setup.model.vessels.size(); ++v)
        addVessel(columns, r, v);
    addParts(columns, r.setup.model);
    std::vector<std::string> fields{"time_s"};
    for (const Column& column : columns)
        fields.push_back(column.name);
    for (const RigInstrument& i : r.setup.instruments)
        fields.push_back(i.name + (i.kind == RigInstrument::Gauge ? "_pa" : "_k"));
    fields.emplace_back("seen");
    std::string csv = csvLine(fields);
    for (std::size_t k = 0; k < r.run.samples.size(); ++k) {
        const RigSample& sample = r.run.samples[k];
        fields = {fmt::format("{}", sample.seconds)};
        for (const Column& column : columns) {
            const auto value = column.value(sample);
            fields.push_back(value ? fmt::format("{:.9g}", *value) : std::string());
        }
        for (const auto& shown : r.shown)
            fields.push_back(fmt::format("{:.9g}", shown[k]));
        fields.emplace_back(nameOf(appearanceOf(r.watched(), r.watchedAt(k))));
        csv += csvLine(fields);
    }
    return csv;
}

Json stateJson(const VesselState& s) {
    return {{"temperature_k", s.kelvin},
            {"pressure_pa", s.pascal},
            {"air_pressure_pa", s.airPascal},
            {"liquid_kg", s.liquid},
            {"solid_kg", s.solid},
            {"vapour_kg", s.vapour},
            {"air_kg", s.air},
            {"margin_k", s.margin ? Json(*s.margin) : Json(nullptr)},
            {"vigour", s.vigour}};
}

} // namespace

Job addSimulate(VerbOptions& verb) {
    struct In {
        std::string rig, out;
        std::vector<std::string> settings;
    };
    auto in = std::make_shared<In>();
    verb.add("rig", in->rig, "rig file (docs/rig-format.md), or the id of a demonstration that ships")
        .required();
    verb.add("--out", in->out, "CSV file for the path");
    verb.add("--set", in->settings,
             "a knob or a value set otherwise: \"water=300 g\", \"/vessels/flask/liquid=300 g\"");
    return [in] {
        const RigFile rig = rigFrom(in->rig);
        const auto settings = settingsFrom(rig, in->settings);
        const Rehearsal r = need(rehearse(rig, settings));
        if (!in->out.empty()) need(writeWholeFile(in->out, pathOf(r)));
        Answer a;
        a.json["name"] = rig.name();
        a.json["events"] = Json::array();
        for (const RigEvent& e : r.run.events) {
            const std::string& vessel = r.setup.model.vessels[static_cast<std::size_t>(e.vessel)].name;
            a.json["events"].push_back({{"at_s", e.seconds},
                                        {"what", eventText(r.setup, e)},
                                        {"kind", id(e.kind)},
                                        {"vessel", vessel}});
            a.text += fmt::format("{:>9.1f} s  {}  {}\n", e.seconds, vessel, eventText(r.setup, e));
        }
        Json last = stateJson(r.watchedAt(r.run.samples.size() - 1));
        last["time_s"] = r.run.samples.back().seconds;
        for (std::size_t v = 0; v < r.setup.model.vessels.size(); ++v)
            last["vessels"][r.setup.model.vessels[v].name] = stateJson(r.run.samples.back().vessels[v]);
        a.json["final"] = std::move(last);
        a.json["mass_drift_relative"] = r.run.massDrift;
        a.json["energy_drift_relative"] = r.run.energyDrift;
        a.json["goal"] = goalText(r.setup.goal);
        a.json["goal_met"] = goalMet(r.setup.goal, r.setup.watched, r.run).has_value();
        a.json["warnings"] = factsOf(r).warnings;
        a.json["stopped"] = r.run.stopped ? Json(r.run.stopped->message) : Json(nullptr);
        a.json["source"] = "vessels, tubes and heat as described in docs/rig-format.md";
        const VesselState& s = r.watchedAt(r.run.samples.size() - 1);
        a.text += fmt::format("at the end: {:.2f} degC, {:.2f} kPa; {}\n", s.kelvin - 273.15,
                              s.pascal / 1000.0, appearanceText(r.watched(), s));
        for (const Text& warning : factsOf(r).warnings)
            a.text += fmt::format("! {}\n", warning);
        return a;
    };
}

} // namespace uttrin::cli
