#include "Formats.h"
#include "Verbs.h"
#include "physics/Constants.h"
#include "quantities/Units.h"
#include "solutions/Liquid.h"
#include "solutions/SodiumChloride.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <cmath>
#include <memory>

namespace uttrin::cli {
namespace {

void addSolute(VerbOptions& verb, std::string& solute, double& molality, double& massFraction,
               double& factor) {
    verb.add("--solute", solute, "nacl, sucrose, ideal, ethanol, methanol, acetone; none").showDefault();
    verb.add("--molality", molality, "mol of solute in 1 kg of solvent: nacl, ideal");
    verb.add("--mass-fraction", massFraction, "0 to 1: sucrose, ethanol, methanol, acetone; also nacl");
    verb.add("--factor", factor, "van 't Hoff factor of an ideal solute").showDefault();
}

/// The liquid that the options speak of.
Liquid soluteIn(const Substance& solvent, const std::string& solute, double molality, double massFraction,
                double factor) {
    Solute s{need(soluteKindFromId(solute)), 0.0, factor};
    if (s.kind == SoluteKind::None) {
        if (molality > 0.0 || massFraction > 0.0)
            throw Refusal{
                {Failure::BadInput,
                 Text::tr("--molality and --mass-fraction need --solute: nacl, sucrose, ideal, ethanol, "
                          "methanol or acetone")}};
        return Liquid(solvent);
    }
    if (byMassFraction(s.kind)) {
        if (molality > 0.0)
            throw Refusal{{Failure::BadInput,
                           Text::tr("--solute {} takes --mass-fraction (0 to 1), not --molality", solute)}};
        s.amount = massFraction;
    } else if (massFraction > 0.0) {
        if (s.kind != SoluteKind::SodiumChloride || massFraction >= 1.0)
            throw Refusal{{Failure::BadInput, Text::tr("--solute {} takes --molality", solute)}};
        s.amount = sodiumChloride::molalityOf(massFraction);
    } else {
        s.amount = molality;
    }
    return need(Liquid::make(solvent, s));
}

} // namespace

Job addFluids(VerbOptions& verb) {
    (void)verb;
    return [] {
        Answer a;
        a.json["fluids"] = Json::array();
        for (const Substance* s : substances()) {
            const auto& f = s->facts();
            a.json["fluids"].push_back({{"id", f.id},
                                        {"name", f.name},
                                        {"formula", f.formula},
                                        {"triple_k", f.triple.kelvin()},
                                        {"triple_pa", f.triplePressure.pascal()},
                                        {"normal_boiling_point_k", f.normalBoilingPoint.kelvin()},
                                        {"critical_k", f.critical.kelvin()},
                                        {"critical_pa", f.criticalPressure.pascal()},
                                        {"molar_mass_kg_per_mol", f.molarMass},
                                        {"sources", f.sources}});
            a.text += fmt::format("{:<10} {:<8} boils at {:.2f} degC at 101.325 kPa, triple point {:.2f} "
                                  "degC, critical point {:.1f} degC\n",
                                  f.id, f.formula, f.normalBoilingPoint.celsius(), f.triple.celsius(),
                                  f.critical.celsius());
        }
        return a;
    };
}

Job addSaturation(VerbOptions& verb) {
    struct In {
        std::string fluid = "water", temperature;
    };
    auto in = std::make_shared<In>();
    verb.add("--fluid", in->fluid, "fluid id, see `fluids`").showDefault();
    verb.add("--temperature", in->temperature, "for instance \"80 degC\"").required();
    return [in] {
        const Substance& s = *need(findSubstance(in->fluid));
        const auto state = need(s.saturationAt(need(parseTemperature(in->temperature))));
        Answer a;
        a.json = {{"fluid", s.facts().id},
                  {"temperature_k", state.temperature.kelvin()},
                  {"pressure_pa", state.pressure.pascal()},
                  {"pressure_pa_u", state.relativePressureU * state.pressure.pascal()},
                  {"phases", name(state.phases)},
                  {"slope_pa_per_k", state.slope}};
        // Near the critical point some equations for densities end before the vapour pressure's does.
        const auto add = [&a](const char* key, const Result<double>& value) {
            if (value) a.json[key] = *value;
        };
        const auto enthalpy = s.enthalpyOfVaporisation(state.temperature);
        add("enthalpy_of_vaporisation_j_per_kg", enthalpy);
        add(state.phases == Phases::LiquidVapour ? "density_liquid_kg_per_m3" : "density_solid_kg_per_m3",
            s.condensedDensity(state.temperature));
        add("density_vapour_kg_per_m3", s.vapourDensity(state.temperature));
        a.json["source"] = s.source(state.phases);
        const auto supercooled = state.phases == Phases::SolidVapour
                                     ? s.metastableLiquidPressure(state.temperature)
                                     : Result<Pressure>(tl::unexpected(Failure{}));
        if (supercooled) a.json["supercooled_liquid_pressure_pa"] = supercooled->pascal();
        a.text =
            fmt::format("{} at {:.2f} degC: {} ({}){}\n", s.facts().name, state.temperature.celsius(),
                        kPa(state.pressure.pascal()), name(state.phases),
                        enthalpy ? fmt::format(", enthalpy {:.1f} kJ/kg", *enthalpy * 1e-3) : std::string());
        if (supercooled) a.text += fmt::format("over supercooled liquid: {}\n", kPa(supercooled->pascal()));
        return a;
    };
}

Job addBoil(VerbOptions& verb) {
    struct In {
        std::string fluid = "water", pressure, kind = "absolute", room, roomU, solute = "none";
        double molality = 0.0, massFraction = 0.0, factor = 1.0;
    };
    auto in = std::make_shared<In>();
    verb.add("--fluid", in->fluid, "fluid id, see `fluids`").showDefault();
    verb.add("--pressure", in->pressure, "for instance \"-0.7 bar\"").required();
    verb.add("--kind", in->kind, "what the pressure counts from: absolute, gauge, vacuum")
        .oneOf({"absolute", "gauge", "vacuum"})
        .showDefault();
    verb.add("--room", in->room, "the room’s absolute pressure; needed by gauge and vacuum");
    verb.add("--room-u", in->roomU, "its standard uncertainty");
    addSolute(verb, in->solute, in->molality, in->massFraction, in->factor);
    return [in] {
        const Substance& s = *need(findSubstance(in->fluid));
        Pressure absolute = Pressure::fromPascal(0.0);
        double u = 0.0;
        if (in->kind == "absolute") {
            absolute = need(parsePressure(in->pressure));
        } else {
            if (in->room.empty())
                throw Refusal{
                    {Failure::Unreferenced, Text::tr("--kind {} counts from the room’s pressure: give "
                                                     "--room, for instance --room \"1008.2 hPa\"",
                                                     in->kind)}};
            const Pressure room = need(parsePressure(in->room));
            const GaugePressure gauge = need(parseGaugePressure(in->pressure));
            absolute = in->kind == "gauge" ? gauge.inRoom(room)
                                           : GaugePressure::fromPascal(-gauge.pascal()).inRoom(room);
            if (!in->roomU.empty()) u = std::abs(need(parsePressureDifference(in->roomU)).pascal());
            if (!(absolute.pascal() > 0.0))
                throw Refusal{{Failure::BadInput, Text::tr("'{}' in a room of {} is below a perfect "
                                                           "vacuum; check the sign, the unit and --kind",
                                                           in->pressure, kPa(room.pascal()))}};
        }
        const Liquid liquid = soluteIn(s, in->solute, in->molality, in->massFraction, in->factor);
        const auto state = need(liquid.saturationAt(absolute));
        Answer a;
        a.json = {{"fluid", s.facts().id},
                  {"absolute_pa", absolute.pascal()},
                  {"boiling_point_k", state.temperature.kelvin()},
                  {"boiling_point_k_u", std::hypot(state.temperatureU(), u / state.slope)},
                  {"phases", name(state.phases)},
                  {"elevation_k", need(liquid.elevation(absolute)).kelvin()},
                  {"source", liquid.pure() ? s.source(state.phases) : plain(liquid.source())}};
        a.text = fmt::format("{} {} at {:.2f} degC at {} absolute\n", liquid.name(),
                             state.phases == Phases::LiquidVapour ? "boils" : "sublimes",
                             state.temperature.celsius(), kPa(absolute.pascal()));
        return a;
    };
}

Job addFreeze(VerbOptions& verb) {
    struct In {
        std::string solute = "nacl";
        double molality = 0.0, massFraction = 0.0, factor = 1.0;
    };
    auto in = std::make_shared<In>();
    addSolute(verb, in->solute, in->molality, in->massFraction, in->factor);
    return [in] {
        const Liquid liquid = soluteIn(water(), in->solute, in->molality, in->massFraction, in->factor);
        const double depression = need(liquid.freezingPointDepression()).kelvin();
        const auto freezes = Temperature::fromKelvin(kIcePointKelvin - depression);
        Answer a;
        const bool salt = liquid.solute().kind == SoluteKind::SodiumChloride;
        a.json = {
            {"fluid", liquid.name()},
            {"freezing_point_k", freezes.kelvin()},
            {"depression_k", depression},
            {"depression_k_u", salt ? 0.03 : 0.03 * depression},
            {"source", salt ? plain(sodiumChloride::kFreezingSource) : std::string("ideal dilute solution")}};
        a.text = fmt::format("{} freezes at {:.2f} degC ({:.2f} K below pure water)\n", liquid.name(),
                             freezes.celsius(), depression);
        return a;
    };
}

} // namespace uttrin::cli
