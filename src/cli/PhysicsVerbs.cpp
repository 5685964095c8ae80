#include "Verbs.h"
#include "instruments/BarometerScales.h"
#include "instruments/PressureInstrument.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"
#include "solutions/Liquid.h"
#include "solutions/SodiumChloride.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <cmath>
#include <memory>

namespace uttrin::cli {
namespace {

std::string kPa(double pa) { return fmt::format("{:.6g} kPa", pa * 1e-3); }

void addSolute(CLI::App& verb, std::string& solute, double& molality, double& massFraction, double& factor) {
    verb.add_option("--solute", solute, "nacl, sucrose, ideal, ethanol, methanol, acetone; none")
        ->capture_default_str();
    verb.add_option("--molality", molality, "mol of solute in 1 kg of solvent: nacl, ideal");
    verb.add_option("--mass-fraction", massFraction,
                    "0 to 1: sucrose, ethanol, methanol, acetone; also nacl");
    verb.add_option("--factor", factor, "van 't Hoff factor of an ideal solute")->capture_default_str();
}

/// The liquid that the options speak of.
Liquid soluteIn(const Substance& solvent, const std::string& solute, double molality, double massFraction,
                double factor) {
    Solute s{need(soluteKindFromId(solute)), 0.0, factor};
    if (s.kind == SoluteKind::None) {
        if (molality > 0.0 || massFraction > 0.0)
            throw Refusal{{Failure::BadInput,
                           "--molality and --mass-fraction need --solute: nacl, sucrose, ideal, ethanol, "
                           "methanol or acetone"}};
        return Liquid(solvent);
    }
    if (byMassFraction(s.kind)) {
        if (molality > 0.0)
            throw Refusal{
                {Failure::BadInput,
                 fmt::format("--solute {} takes --mass-fraction (0 to 1), not --molality", solute)}};
        s.amount = massFraction;
    } else if (massFraction > 0.0) {
        if (s.kind != SoluteKind::SodiumChloride || massFraction >= 1.0)
            throw Refusal{{Failure::BadInput, fmt::format("--solute {} takes --molality", solute)}};
        s.amount = sodiumChloride::molalityOf(massFraction);
    } else {
        s.amount = molality;
    }
    return need(Liquid::make(solvent, s));
}

} // namespace

Job addFluids(CLI::App& verb) {
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

Job addSaturation(CLI::App& verb) {
    struct In {
        std::string fluid = "water", temperature;
    };
    auto in = std::make_shared<In>();
    verb.add_option("--fluid", in->fluid, "fluid id, see `fluids`")->capture_default_str();
    verb.add_option("--temperature", in->temperature, "for instance \"80 degC\"")->required();
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
        a.text =
            fmt::format("{} at {:.2f} degC: {} ({}){}\n", s.facts().name, state.temperature.celsius(),
                        kPa(state.pressure.pascal()), name(state.phases),
                        enthalpy ? fmt::format(", enthalpy {:.1f} kJ/kg", *enthalpy * 1e-3) : std::string());
        return a;
    };
}

Job addBoil(CLI::App& verb) {
    struct In {
        std::string fluid = "water", pressure, kind = "absolute", room, roomU, solute = "none";
        double molality = 0.0, massFraction = 0.0, factor = 1.0;
    };
    auto in = std::make_shared<In>();
    verb.add_option("--fluid", in->fluid, "fluid id, see `fluids`")->capture_default_str();
    verb.add_option("--pressure", in->pressure, "for instance \"-0.7 bar\"")->required();
    verb.add_option("--kind", in->kind, "what the pressure counts from: absolute, gauge, vacuum")
        ->check(CLI::IsMember({"absolute", "gauge", "vacuum"}))
        ->capture_default_str();
    verb.add_option("--room", in->room, "the room's absolute pressure; needed by gauge and vacuum");
    verb.add_option("--room-u", in->roomU, "its standard uncertainty");
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
                    {Failure::Unreferenced, fmt::format("--kind {} counts from the room's pressure: give "
                                                        "--room, for instance --room \"1008.2 hPa\"",
                                                        in->kind)}};
            const Pressure room = need(parsePressure(in->room));
            const GaugePressure gauge = need(parseGaugePressure(in->pressure));
            absolute = in->kind == "gauge" ? gauge.inRoom(room)
                                           : GaugePressure::fromPascal(-gauge.pascal()).inRoom(room);
            if (!in->roomU.empty()) u = std::abs(need(parsePressureDifference(in->roomU)).pascal());
            if (!(absolute.pascal() > 0.0))
                throw Refusal{{Failure::BadInput, fmt::format("'{}' in a room of {} is below a perfect "
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
                  {"source", liquid.pure() ? s.source(state.phases) : liquid.source()}};
        a.text = fmt::format("{} {} at {:.2f} degC at {} absolute\n", liquid.name(),
                             state.phases == Phases::LiquidVapour ? "boils" : "sublimes",
                             state.temperature.celsius(), kPa(absolute.pascal()));
        return a;
    };
}

Job addFreeze(CLI::App& verb) {
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
        a.json = {{"fluid", liquid.name()},
                  {"freezing_point_k", freezes.kelvin()},
                  {"depression_k", depression},
                  {"depression_k_u", salt ? 0.03 : 0.03 * depression},
                  {"source", salt ? std::string(sodiumChloride::kFreezingSource)
                                  : std::string("ideal dilute solution")}};
        a.text = fmt::format("{} freezes at {:.2f} degC ({:.2f} K below pure water)\n", liquid.name(),
                             freezes.celsius(), depression);
        return a;
    };
}

Job addBarometer(CLI::App& verb) {
    struct In {
        std::string reading, temperature, altitude = "0 m", scale = "brass", index;
        double latitude = 45.0;
    };
    auto in = std::make_shared<In>();
    verb.add_option("--reading", in->reading, "as read, with its vernier: \"741.6 mmHg\"")->required();
    verb.add_option("--temperature", in->temperature, "of the attached thermometer")->required();
    verb.add_option("--latitude", in->latitude, "degrees, north positive")->required();
    verb.add_option("--altitude", in->altitude, "height above sea level")->required();
    verb.add_option("--scale", in->scale, "brass or glass")->capture_default_str();
    verb.add_option("--index", in->index, "this instrument's own correction, e.g. \"-0.1 mmHg\"");
    return [in] {
        const Measure reading = need(parseMeasure(in->reading, Dimension::Pressure));
        MercuryReading m = barometerGraduatedIn(reading.unit->symbol);
        m.mainScale = reading.number;
        m.attachedCelsius = need(parseTemperature(in->temperature)).celsius();
        m.latitudeDegrees = in->latitude;
        m.altitudeM = need(parseLength(in->altitude)).metre();
        m.scale = need(scaleMaterialFromId(in->scale));
        if (!in->index.empty())
            m.indexCorrection = need(parsePressureDifference(in->index)).pascal() / reading.unit->factor;
        const auto p = need(stationPressure(m));
        Answer a;
        a.json = {
            {"station_pressure_pa", p.station.pascal()},
            {"station_pressure_pa_u", p.uPa},
            {"index_correction_pa", p.index.pascal()},
            {"temperature_correction_pa", p.temperature.pascal()},
            {"gravity_correction_pa", p.gravity.pascal()},
            {"source", "WMO-No. 8, Guide to Instruments and Methods of Observation, part I, chapter 3"}};
        a.text = fmt::format("{} as read\n", kPa(reading.si()));
        for (const BarometerStep& s : p.steps)
            a.text += fmt::format("{}: {} Pa, {}\n", s.label, fixedSigned(s.pascal, 1), kPa(s.after));
        a.text += fmt::format("station pressure {} (standard uncertainty {:.2g} kPa)\n",
                              kPa(p.station.pascal()), p.uPa * 1e-3);
        return a;
    };
}

Job addConvert(CLI::App& verb) {
    struct In {
        std::string quantity, to;
    };
    auto in = std::make_shared<In>();
    verb.add_option("quantity", in->quantity, "for instance \"66.0 cmHg\"")->required();
    verb.add_option("--to", in->to, "the unit wanted")->required();
    return [in]() -> Answer {
        std::optional<Failure> why;
        for (const auto dimension : allDimensions()) {
            const auto target = findUnit(in->to, dimension);
            if (!target) continue;
            const auto from = parseMeasure(in->quantity, dimension);
            if (!from) throw Refusal{from.error()};
            const double value = (*target)->fromSi(from->si());
            return {{{"value", value}, {"unit", (*target)->symbol}},
                    fmt::format("{:.10g} {}\n", value, (*target)->symbol)};
        }
        std::string all;
        for (const auto dimension : allDimensions())
            for (const Unit& u : unitsOf(dimension))
                all += (all.empty() ? "" : ", ") + std::string(u.symbol);
        throw Refusal{{Failure::BadInput, fmt::format("'{}' is not a unit; accepted: {}", in->to, all)}};
    };
}

Job addRoom(CLI::App& verb) {
    struct In {
        std::string altitude, seaLevel, temperature, reduction = "hypsometric", deadHead, ultimate, station,
                                                     u;
    };
    auto in = std::make_shared<In>();
    verb.add_option("--altitude", in->altitude, "height above sea level, for instance \"612 m\"");
    verb.add_option("--sea-level", in->seaLevel,
                    "a pressure reduced to sea level; with --altitude and --temperature");
    verb.add_option("--temperature", in->temperature, "air temperature outdoors");
    verb.add_option("--reduction", in->reduction, "hypsometric or standard-atmosphere")
        ->check(CLI::IsMember({"hypsometric", "standard-atmosphere"}))
        ->capture_default_str();
    verb.add_option("--dead-head", in->deadHead,
                    "gauge reading of the empty vessel pumped down; with --ultimate");
    verb.add_option("--ultimate", in->ultimate, "the pump's ultimate pressure");
    verb.add_option("--barometer", in->station, "a barometer's reading, its corrections applied");
    verb.add_option("--u", in->u, "standard uncertainty of the reading");
    return [in] {
        RoomEntry e;
        e.unit = "Pa";
        if (!in->u.empty()) e.valueU = need(parsePressureDifference(in->u)).pascal();
        if (!in->altitude.empty()) e.altitudeM = need(parseLength(in->altitude)).metre();
        if (!in->deadHead.empty()) {
            if (in->ultimate.empty())
                throw Refusal{{Failure::BadInput,
                               "--dead-head needs the pump's ultimate pressure: --ultimate \"0.6 kPa\""}};
            e.method = RoomMethod::DeadHead;
            e.value = need(parseGaugePressure(in->deadHead)).pascal();
            e.ultimatePa = need(parsePressure(in->ultimate)).pascal();
        } else if (!in->seaLevel.empty()) {
            if (in->altitude.empty())
                throw Refusal{
                    {Failure::BadInput, "--sea-level needs --altitude, for instance --altitude \"612 m\""}};
            const bool hypsometric = in->reduction == "hypsometric";
            if (hypsometric && in->temperature.empty())
                throw Refusal{
                    {Failure::BadInput,
                     "--reduction hypsometric needs --temperature, for instance --temperature \"18 degC\""}};
            e.method = RoomMethod::SeaLevelReport;
            e.value = need(parsePressure(in->seaLevel)).pascal();
            if (!in->temperature.empty()) e.airCelsius = need(parseTemperature(in->temperature)).celsius();
            e.reduction = hypsometric ? Reduction::Hypsometric : Reduction::StandardAtmosphere;
        } else if (!in->station.empty()) {
            e.method = RoomMethod::Barometer;
            e.value = need(parsePressure(in->station)).pascal();
        } else if (!in->altitude.empty()) {
            e.method = RoomMethod::Altitude;
        } else {
            throw Refusal{{Failure::BadInput,
                           "say how the room's pressure is known: --barometer, --sea-level with "
                           "--altitude, --altitude alone, or --dead-head with --ultimate"}};
        }
        const auto room = need(stationPressure(e));
        Answer a;
        a.json = {{"station_pressure_pa", room.station.pascal()},
                  {"station_pressure_pa_u", room.uPa},
                  {"method", id(room.method)},
                  {"bias", biasOf(room.method)}};
        if (e.method == RoomMethod::SeaLevelReport) a.json["reduction"] = in->reduction;
        const bool fromHeight = e.method == RoomMethod::Altitude || e.method == RoomMethod::SeaLevelReport;
        if (fromHeight) a.json["source"] = "ISO 2533:1975";
        a.text = fmt::format("station pressure {} +- {} ({}). {}\n", kPa(room.station.pascal()),
                             kPa(room.uPa), label(room.method), biasOf(room.method));
        return a;
    };
}

Job addGauge(CLI::App& verb) {
    struct In {
        std::string type, reading, temperature, room, roomU, division, accuracy, liquid = "mercury",
                                                                                 gas = "air";
        std::vector<std::string> legs;
        double oilDensity = 860.0;
    };
    auto in = std::make_shared<In>();
    verb.add_option("--type", in->type,
                    "vacuum-dial, absolute, open-u-tube, closed-u-tube or thermal-conductivity")
        ->required()
        ->check(CLI::IsMember(
            {"vacuum-dial", "absolute", "open-u-tube", "closed-u-tube", "thermal-conductivity"}));
    verb.add_option("--reading", in->reading,
                    "what the dial shows: \"-0.7 bar\" (a vacuum dial that counts up is read as negative)");
    verb.add_option("--legs", in->legs,
                    "the two arms on the ruler: of an open tube the one towards the vessel first, of a "
                    "closed tube the closed one")
        ->expected(2);
    verb.add_option("--temperature", in->temperature, "of the liquid in the tube; 20 degC if not given");
    verb.add_option("--liquid", in->liquid, "in the tube: mercury, water or oil")->capture_default_str();
    verb.add_option("--oil-density", in->oilDensity, "of the oil at 20 degC, kg/m3")->capture_default_str();
    verb.add_option("--gas", in->gas,
                    "that a thermal-conductivity gauge really sees: air, nitrogen, water-vapour, "
                    "carbon-dioxide, argon, helium, hydrogen")
        ->capture_default_str();
    verb.add_option("--room", in->room, "the room's absolute pressure");
    verb.add_option("--room-u", in->roomU, "its standard uncertainty");
    verb.add_option("--division", in->division, "smallest division, for the uncertainty");
    verb.add_option("--accuracy", in->accuracy, "limits of error, for the uncertainty");
    return [in] {
        PressureInstrument g;
        GaugeReading reading;
        const bool closed = in->type == "closed-u-tube", arms = closed || in->type == "open-u-tube";
        const Dimension dimension = arms ? Dimension::Length : Dimension::Pressure;
        if (arms) {
            if (in->legs.size() != 2)
                throw Refusal{
                    {Failure::BadInput,
                     fmt::format("--type {} needs both arms: --legs \"66.0 cm\" \"21.0 cm\"", in->type)}};
            const auto left = need(parseMeasure(in->legs[0], dimension)),
                       right = need(parseMeasure(in->legs[1], dimension));
            g.convention = closed ? PressureConvention::ClosedTwoArm : PressureConvention::TwoArm;
            g.liquid = need(manometerLiquidFromId(in->liquid));
            g.oilDensity20 = in->oilDensity;
            g.unit = std::string(left.unit->symbol);
            reading = {left.number, right.unit->toSi(right.number) / left.unit->factor};
            g.armSum = std::max(1e-9, reading.first + *reading.second);
            g.division = 1e-3 / left.unit->factor; // a ruler in millimetres
            g.accuracy = g.division;
            if (!in->temperature.empty()) g.liquidCelsius = need(parseTemperature(in->temperature)).celsius();
        } else {
            if (in->reading.empty())
                throw Refusal{{Failure::BadInput,
                               fmt::format("--type {} needs --reading, for instance --reading \"-0.7 bar\"",
                                           in->type)}};
            const auto shown = need(parseMeasure(in->reading, dimension));
            g.convention = in->type == "absolute"               ? PressureConvention::Absolute
                           : in->type == "thermal-conductivity" ? PressureConvention::ThermalConductivity
                                                                : PressureConvention::GaugeNegative;
            g.gas = in->gas;
            g.unit = std::string(shown.unit->symbol);
            const bool countsUp = in->type == "vacuum-dial" && shown.number > 0.0;
            reading = {countsUp ? -shown.number : shown.number, std::nullopt};
            // 1 kPa, as school dials have; a thermal-conductivity gauge is read to a tenth of what it shows.
            constexpr double kReadable = 0.1;
            g.division = g.accuracy = in->type == "thermal-conductivity" ? kReadable * std::abs(shown.number)
                                                                         : 1e3 / shown.unit->factor;
        }
        const auto own = [&](const std::string& text, double& into) {
            if (!text.empty())
                into = std::abs(need(parseMeasure(text, dimension)).number) *
                       need(parseMeasure(text, dimension)).unit->factor / unit(g.unit).factor;
        };
        own(in->division, g.division);
        own(in->accuracy, g.accuracy);
        need(check(g));
        std::optional<RoomPressure> room;
        if (!in->room.empty())
            room = RoomPressure{
                need(parsePressure(in->room)),
                in->roomU.empty() ? 0.0 : std::abs(need(parsePressureDifference(in->roomU)).pascal()),
                RoomMethod::Barometer};
        const auto p = need(toAbsolute(g, reading, room));
        if (!(p.pressure.pascal() > 0.0))
            throw Refusal{{Failure::BadInput, "that reading is below a perfect vacuum in this room; check "
                                              "its sign, its unit and the room's pressure"}};
        Answer a;
        a.json = {{"type", in->type}, {"absolute_pa", p.pressure.pascal()}, {"absolute_pa_u", p.u()}};
        if (arms) a.json["liquid_density_kg_per_m3"] = manometerDensity(g);
        if (g.convention == PressureConvention::ThermalConductivity)
            a.json["gas_factor"] = need(gasFactor(g.gas));
        if (room) a.json["gauge_pa"] = GaugePressure::of(p.pressure, room->station).pascal();
        a.text = fmt::format("{} +- {} absolute\n", kPa(p.pressure.pascal()), kPa(p.u()));
        return a;
    };
}

} // namespace uttrin::cli
