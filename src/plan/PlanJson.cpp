#include "PlanJson.h"

#include "RoomJson.h"

#include <nlohmann/json.hpp>

#include <cmath>
#include <functional>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;
using Reader = JsonReader;

Json gaugeToJson(const PressureInstrument& g) {
    Json j{{"name", g.name},         {"convention", id(g.convention)}, {"unit", g.unit},
           {"division", g.division}, {"accuracy", g.accuracy},         {"tap", id(g.tap)}};
    if (hasTwoArms(g.convention)) {
        j["arm_sum"] = g.armSum;
        j["liquid_temperature"] = formatMeasure(g.liquidCelsius, unit("degC"));
        j["liquid"] = id(g.liquid);
        if (g.liquid == ManometerLiquid::Oil) j["oil_density_kg_per_m3"] = g.oilDensity20;
    }
    if (g.convention == PressureConvention::ThermalConductivity) j["gas"] = g.gas;
    if (g.spanHigh != g.spanLow) {
        j["span_low"] = g.spanLow;
        j["span_high"] = g.spanHigh;
    }
    if (g.digital) j["digital"] = true;
    if (g.lagSeconds != 0.0) j["lag_s"] = g.lagSeconds;
    return j;
}

void readGaugeFrom(Reader r, PressureInstrument& g) {
    r.string("name", g.name);
    r.parsed("convention", g.convention, pressureConventionFromId);
    const Dimension dimension = hasTwoArms(g.convention) ? Dimension::Length : Dimension::Pressure;
    if (dimension == Dimension::Length && !r.has("unit")) g.unit = "cm";
    r.parsed("unit", g.unit, [dimension](std::string_view s) {
        return findUnit(s, dimension).map([](const Unit* u) { return std::string(u->symbol); });
    });
    r.number("division", g.division);
    r.number("accuracy", g.accuracy);
    r.parsed("tap", g.tap, pressureTapFromId);
    r.number("arm_sum", g.armSum);
    r.parsed("liquid", g.liquid, manometerLiquidFromId);
    r.number("oil_density_kg_per_m3", g.oilDensity20);
    r.string("gas", g.gas);
    r.number("span_low", g.spanLow);
    r.number("span_high", g.spanHigh);
    r.flag("digital", g.digital);
    r.number("lag_s", g.lagSeconds);
    r.parsed("liquid_temperature", g.liquidCelsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
}

Json soluteToJson(const Solute& s) {
    Json j{{"kind", id(s.kind)}, {byMassFraction(s.kind) ? "mass_fraction" : "molality", s.amount}};
    if (s.kind == SoluteKind::Ideal) j["factor"] = s.factor;
    return j;
}

void readSoluteFrom(Reader r, Solute& s) {
    r.parsed("kind", s.kind, soluteKindFromId);
    r.number(byMassFraction(s.kind) ? "mass_fraction" : "molality", s.amount);
    r.number("factor", s.factor);
}

Json thermometerToJson(const Thermometer& t) {
    Json j{{"name", t.name},
           {"unit", t.unit},
           {"division", t.division},
           {"accuracy", t.accuracy},
           {"place", id(t.place)}};
    if (t.kind != ThermometerKind::Plain) j["kind"] = id(t.kind);
    if (t.lagSeconds != 0.0) j["lag_s"] = t.lagSeconds;
    if (readsOhms(t)) j["nominal_ohm"] = t.nominalOhm;
    if (t.kind == ThermometerKind::Copper) {
        const Thermometer usual;
        if (t.coilPerKelvin != usual.coilPerKelvin) j["coil_per_k"] = t.coilPerKelvin;
        if (t.referenceCelsius != usual.referenceCelsius)
            j["coil_reference"] = formatMeasure(t.referenceCelsius, unit("degC"));
        if (t.referenceU != 0.0) j["coil_reference_u_k"] = t.referenceU;
    }
    if (t.emergentFromCelsius) {
        j["emergent_from"] = formatMeasure(*t.emergentFromCelsius, unit("degC"));
        j["stem"] = formatMeasure(t.stemCelsius, unit("degC"));
    }
    if (t.kind == ThermometerKind::Infrared) {
        j["emissivity_set"] = t.emissivitySet;
        j["emissivity"] = t.emissivity;
        j["reflected"] = formatMeasure(t.reflectedCelsius, unit("degC"));
        j["wall_mm"] = t.wallMillimetre;
    }
    for (const ThermometerCalibration& c : t.calibrations)
        j["calibrations"].push_back({{"at_ms", c.atMs},
                                     {"ice", c.iceReading},
                                     {"steam", c.steamReading},
                                     {"room", formatMeasure(c.roomPascal, unit("Pa"))},
                                     {"room_u", formatMeasure(c.roomU, unit("Pa"))}});
    return j;
}

double readCelsius(Reader& r, const char* key, double otherwise) {
    double celsius = otherwise;
    r.parsed(key, celsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
    return celsius;
}

void readCalibrations(const Reader& parent, const Json& list, std::optional<Failure>& failure,
                      Thermometer& t) {
    constexpr std::size_t kMost = 200;
    if (!list.is_array() || list.size() > kMost)
        return parent.refuse("calibrations", Text::tr("a list of calibrations"));
    for (std::size_t i = 0; i < list.size(); ++i) {
        Reader r(list[i], parent.pointer("calibrations") + "/" + std::to_string(i), failure);
        ThermometerCalibration c;
        r.moment("at_ms", c.atMs);
        r.number("ice", c.iceReading);
        r.number("steam", c.steamReading);
        r.parsed("room", c.roomPascal, inPascal(parsePressure));
        r.parsed("room_u", c.roomU, inPascal(parsePressureDifference));
        t.calibrations.push_back(c);
    }
}

void readThermometerFrom(Reader r, std::optional<Failure>& failure, Thermometer& t) {
    r.string("name", t.name);
    r.parsed("unit", t.unit, [](std::string_view s) {
        return findUnit(s, Dimension::Temperature).map([](const Unit* u) { return std::string(u->symbol); });
    });
    r.number("division", t.division);
    r.number("accuracy", t.accuracy);
    r.parsed("place", t.place, sensorPlaceFromId);
    r.parsed("kind", t.kind, thermometerKindFromId);
    r.number("lag_s", t.lagSeconds);
    r.number("nominal_ohm", t.nominalOhm);
    r.number("coil_per_k", t.coilPerKelvin);
    t.referenceCelsius = readCelsius(r, "coil_reference", t.referenceCelsius);
    r.number("coil_reference_u_k", t.referenceU);
    if (r.has("emergent_from")) t.emergentFromCelsius = readCelsius(r, "emergent_from", 0.0);
    t.stemCelsius = readCelsius(r, "stem", t.stemCelsius);
    r.number("emissivity_set", t.emissivitySet);
    r.number("emissivity", t.emissivity);
    t.reflectedCelsius = readCelsius(r, "reflected", t.reflectedCelsius);
    r.number("wall_mm", t.wallMillimetre);
    if (const Json* list = r.at("calibrations")) readCalibrations(r, *list, failure, t);
}

Json rigToJson(const Rig& r) {
    Json j{{"gauge", gaugeToJson(r.gauge)},
           {"thermometer", thermometerToJson(r.thermometer)},
           {"vessel_l", r.vesselLitre},
           {"liquid_l", r.liquidLitre},
           {"depth_cm", r.depthCm},
           {"nucleation", id(r.aid)},
           {"nucleation_fresh", r.aidFresh},
           {"heat", id(r.heat)},
           {"heater_w", r.heaterWatt},
           {"pump", id(r.pump)},
           {"pump_l_per_min", r.pumpLitrePerMinute},
           {"pump_ultimate", formatMeasure(r.pumpUltimatePa, unit("Pa"))}};
    if (r.warmUpMinutes > 0.0) j["pump_warm_up_min"] = r.warmUpMinutes;
    if (r.tubeBoreMm > 0.0) {
        j["tube_bore_mm"] = r.tubeBoreMm;
        j["tube_length_m"] = r.tubeLengthM;
    }
    if (!r.readOrder.empty()) j["read_order"] = wordsOf(r.readOrder);
    if (!r.alsoUnit.empty()) j["also_unit"] = r.alsoUnit;
    return j;
}

void readRigFrom(Reader r, std::optional<Failure>& failure, Rig& rig) {
    readGaugeFrom(r.child("gauge"), rig.gauge);
    readThermometerFrom(r.child("thermometer"), failure, rig.thermometer);
    r.number("vessel_l", rig.vesselLitre);
    r.number("liquid_l", rig.liquidLitre);
    r.number("depth_cm", rig.depthCm);
    r.parsed("nucleation", rig.aid, nucleationAidFromId);
    r.flag("nucleation_fresh", rig.aidFresh);
    r.parsed("heat", rig.heat, heatSourceFromId);
    r.parsed("pump", rig.pump, pumpKindFromId);
    r.number("heater_w", rig.heaterWatt);
    r.number("pump_l_per_min", rig.pumpLitrePerMinute);
    r.parsed("pump_ultimate", rig.pumpUltimatePa, inPascal(parsePressure));
    r.number("pump_warm_up_min", rig.warmUpMinutes);
    r.number("tube_bore_mm", rig.tubeBoreMm);
    r.number("tube_length_m", rig.tubeLengthM);
    r.parsed("read_order", rig.readOrder, readOrderOf);
    r.parsed("also_unit", rig.alsoUnit, [](std::string_view s) {
        return findUnit(s, Dimension::Pressure).map([](const Unit* u) { return std::string(u->symbol); });
    });
}

std::string ladderEnd(const Ladder& l, double value) {
    if (l.spacing == Spacing::Pressure) return formatMeasure(value, unit("Pa"));
    return formatMeasure(value, unit("K"));
}

Json ladderToJson(const Ladder& l) {
    Json j{{"spacing", id(l.spacing)}};
    if (l.spacing == Spacing::DialSteps) {
        j["from"] = l.from;
        j["to"] = l.to;
        j["step"] = l.dialStep;
    } else {
        j["from"] = ladderEnd(l, l.from);
        j["to"] = ladderEnd(l, l.to);
    }
    j["count"] = l.count;
    if (l.trialPa) j["taster"] = formatMeasure(*l.trialPa, unit("Pa"));
    j["taster_in_fit"] = l.trialInFit;
    if (!l.moved.empty()) {
        Json moved = Json::object();
        for (const auto& [place, pa] : l.moved)
            moved[std::to_string(place)] = formatMeasure(pa, unit("Pa"));
        j["moved"] = std::move(moved);
    }
    return j;
}

void readMoved(Reader& r, const Json& object, std::optional<Failure>& failure, Ladder& l) {
    if (!object.is_object()) return r.refuse("moved", Text::tr("an object of target places"));
    for (const auto& [key, value] : object.items()) {
        const auto place = parseNumber(key);
        const bool whole = place && std::trunc(*place) == *place && *place >= -1.0 && *place <= 100.0;
        if (!whole || !value.is_string())
            return r.refuse("moved", Text::tr("places from -1 to 100, each with a pressure \"VALUE UNIT\""));
        const auto p = parsePressure(value.get<std::string>());
        if (!p) {
            failure =
                Failure{Failure::BadInput, Text::set("{}/{}: {}", r.path("moved"), key, p.error().message)};
            return;
        }
        l.moved[static_cast<int>(*place)] = p->pascal();
    }
}

void readLadderFrom(Reader r, std::optional<Failure>& failure, Ladder& l) {
    r.parsed("spacing", l.spacing, spacingFromId);
    if (l.spacing == Spacing::DialSteps) {
        r.number("from", l.from);
        r.number("to", l.to);
        r.number("step", l.dialStep);
    } else {
        const auto end = [&](std::string_view s) -> Result<double> {
            if (l.spacing == Spacing::Pressure)
                return parsePressure(s).map([](Pressure p) { return p.pascal(); });
            return parseTemperature(s).map([](Temperature t) { return t.kelvin(); });
        };
        r.parsed("from", l.from, end);
        r.parsed("to", l.to, end);
    }
    r.count("count", l.count);
    if (r.has("taster")) {
        double pa = 0.0;
        r.parsed("taster", pa, inPascal(parsePressure));
        l.trialPa = pa;
    }
    r.flag("taster_in_fit", l.trialInFit);
    if (const Json* moved = r.at("moved")) readMoved(r, *moved, failure, l);
}

Json planToJson(const Plan& p) {
    Json j{{"title", p.title},
           {"substance", p.substance},
           {"method", id(p.method)},
           {"rig", rigToJson(p.rig)},
           {"ladder", ladderToJson(p.ladder)},
           {"period_min", p.periodMinutes},
           {"criterion", identifier(p.criterion)}};
    if (p.startCelsius) j["start_temperature"] = formatMeasure(*p.startCelsius, unit("degC"));
    if (p.solute.kind != SoluteKind::None) j["solute"] = soluteToJson(p.solute);
    return j;
}

void readPlanFrom(Reader r, std::optional<Failure>& failure, Plan& p) {
    r.string("title", p.title);
    r.string("substance", p.substance);
    if (r.has("solute")) readSoluteFrom(r.child("solute"), p.solute);
    r.parsed("method", p.method, methodFromId);
    readRigFrom(r.child("rig"), failure, p.rig);
    readLadderFrom(r.child("ladder"), failure, p.ladder);
    r.number("period_min", p.periodMinutes);
    r.parsed("start_temperature", p.startCelsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
    r.parsed("criterion", p.criterion, agreedCriterion);
}

} // namespace

std::string writeInstrument(const PressureInstrument& gauge) { return gaugeToJson(gauge).dump(); }
std::string writeInstrument(const Thermometer& thermometer) { return thermometerToJson(thermometer).dump(); }

Result<PressureInstrument> readGauge(std::string_view text) {
    PressureInstrument gauge;
    const auto ok =
        readObject(text, [&](Reader r, std::optional<Failure>&) { readGaugeFrom(std::move(r), gauge); });
    if (!ok) return tl::unexpected(ok.error());
    if (const auto sound = check(gauge); !sound) return tl::unexpected(sound.error());
    return gauge;
}

Result<Thermometer> readThermometer(std::string_view text) {
    Thermometer thermometer;
    const auto ok = readObject(text, [&](Reader r, std::optional<Failure>& failure) {
        readThermometerFrom(std::move(r), failure, thermometer);
    });
    if (!ok) return tl::unexpected(ok.error());
    if (const auto sound = check(thermometer); !sound) return tl::unexpected(sound.error());
    return thermometer;
}

Result<PlanFile> readPlanFile(std::string_view text) {
    PlanFile file;
    const auto ok = readObject(text, [&](Reader r, std::optional<Failure>& failure) {
        if (!r.has("room"))
            r.refuse("room", Text::tr("the room’s pressure, as an object with \"method\" and \"reading\""));
        readRoomFrom(r.child("room"), file.room);
        readPlanFrom(r, failure, file.plan);
    });
    if (!ok) return tl::unexpected(ok.error());
    if (const auto sound = check(file.plan); !sound) return tl::unexpected(sound.error());
    return file;
}

std::string writePlanFile(const PlanFile& file) {
    Json j = planToJson(file.plan);
    j["room"] = roomToJson(file.room);
    return j.dump(2) + "\n";
}

std::string writePlan(const Plan& plan) { return planToJson(plan).dump(); }

Result<Plan> readPlan(std::string_view text) {
    Plan plan;
    const auto ok =
        readObject(text, [&](Reader r, std::optional<Failure>& failure) { readPlanFrom(r, failure, plan); });
    if (!ok) return tl::unexpected(ok.error());
    if (const auto sound = check(plan); !sound) return tl::unexpected(sound.error());
    return plan;
}

} // namespace uttrin
