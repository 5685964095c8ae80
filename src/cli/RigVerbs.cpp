#include "Verbs.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Rehearsal.h"
#include "rehearsal/Sight.h"

#include <fmt/format.h>

#include <fstream>
#include <memory>

namespace uttrin::cli {
namespace {

/// A rig file by its path, or a demonstration that ships by its id.
RigFile rigFrom(const std::string& word) {
    if (const Demonstration* shipped = findDemonstration(word)) return shipped->rig;
    return need(RigFile::parse(fileText(word)));
}

std::string columnName(const Rehearsal& r, std::size_t vessel) {
    return vessel == static_cast<std::size_t>(r.setup.watched) ? std::string()
                                                               : r.setup.model.vessels[vessel].name + "_";
}

/// The path as CSV: the watched vessel's columns without a prefix, then each instrument as it reads.
std::string pathOf(const Rehearsal& r) {
    std::string csv = "time_s";
    constexpr const char* kColumns[] = {"liquid_temperature_k",
                                        "pressure_pa",
                                        "air_pressure_pa",
                                        "liquid_kg",
                                        "solid_kg",
                                        "vapour_kg",
                                        "air_kg",
                                        "dissolved_air_kg",
                                        "wall_temperature_k",
                                        "margin_k",
                                        "margin_at_bottom_k",
                                        "vigour"};
    for (std::size_t v = 0; v < r.setup.model.vessels.size(); ++v)
        for (const char* column : kColumns)
            csv += "," + columnName(r, v) + column;
    for (const RigInstrument& i : r.setup.instruments)
        csv += "," + i.name + (i.kind == RigInstrument::Gauge ? "_pa" : "_k");
    csv += ",seen\n";
    for (std::size_t k = 0; k < r.run.samples.size(); ++k) {
        csv += fmt::format("{}", r.run.samples[k].seconds);
        for (const VesselState& s : r.run.samples[k].vessels)
            csv += fmt::format(
                ",{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g},{:.9g}",
                s.kelvin, s.pascal, s.airPascal, s.liquid, s.solid, s.vapour, s.air, s.dissolved,
                s.wallKelvin, s.margin, s.marginAtBottom, s.vigour);
        for (const auto& shown : r.shown)
            csv += fmt::format(",{:.9g}", shown[k]);
        csv += fmt::format(",{}\n", nameOf(seen(r.watched(), r.watchedAt(k))));
    }
    return csv;
}

Json stateJson(const VesselState& s) {
    return {{"temperature_k", s.kelvin}, {"pressure_pa", s.pascal}, {"air_pressure_pa", s.airPascal},
            {"liquid_kg", s.liquid},     {"solid_kg", s.solid},     {"vapour_kg", s.vapour},
            {"air_kg", s.air},           {"margin_k", s.margin},    {"vigour", s.vigour}};
}

} // namespace

Job addSimulate(CLI::App& verb) {
    struct In {
        std::string rig, out;
        std::vector<std::string> settings;
    };
    auto in = std::make_shared<In>();
    verb.add_option("rig", in->rig, "rig file (docs/rig-format.md), or the id of a demonstration that ships")
        ->required();
    verb.add_option("--out", in->out, "CSV file for the path");
    verb.add_option("--set", in->settings, "a value set otherwise: \"/vessels/flask/liquid=300 g\"");
    return [in] {
        const RigFile rig = rigFrom(in->rig);
        std::vector<RigSetting> settings;
        for (const std::string& word : in->settings) {
            const auto equals = word.find('=');
            if (equals == std::string::npos)
                throw Refusal{
                    {Failure::BadInput,
                     fmt::format("'{}' sets nothing; accepted: \"/JSON/pointer=VALUE UNIT\"", word)}};
            settings.push_back({word.substr(0, equals), word.substr(equals + 1)});
        }
        const Rehearsal r = need(rehearse(rig, settings));
        if (!in->out.empty()) {
            std::ofstream out(in->out, std::ios::binary);
            out << pathOf(r);
            if (!out.flush())
                throw Refusal{{Failure::Storage, fmt::format("'{}' could not be written", in->out)}};
        }
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
        a.json["goal"] = r.setup.goal.says;
        a.json["goal_met"] = goalMet(r.setup.goal, r.setup.watched, r.run).has_value();
        a.json["warnings"] = factsOf(r).warnings;
        a.json["stopped"] = r.run.stopped ? Json(r.run.stopped->message) : Json(nullptr);
        a.json["source"] = "vessels, tubes and heat as described in docs/rig-format.md";
        const VesselState& s = r.watchedAt(r.run.samples.size() - 1);
        a.text += fmt::format("at the end: {:.2f} degC, {:.2f} kPa; {}\n", s.kelvin - 273.15,
                              s.pascal / 1000.0, sentenceFor(r.watched(), s));
        for (const std::string& warning : factsOf(r).warnings)
            a.text += "! " + warning + "\n";
        return a;
    };
}

} // namespace uttrin::cli
