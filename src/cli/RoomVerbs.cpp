#include "Formats.h"
#include "Verbs.h"
#include "instruments/BarometerScales.h"
#include "instruments/RoomPressure.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <fmt/format.h>

#include <cmath>
#include <memory>

namespace uttrin::cli {
Job addBarometer(VerbOptions& verb) {
    struct In {
        std::string reading, temperature, altitude = "0 m", scale = "brass", index;
        double latitude = 45.0;
    };
    auto in = std::make_shared<In>();
    verb.add("--reading", in->reading, "as read, with its vernier: \"741.6 mmHg\"").required();
    verb.add("--temperature", in->temperature, "of the attached thermometer").required();
    verb.add("--latitude", in->latitude, "degrees, north positive").required();
    verb.add("--altitude", in->altitude, "height above sea level").required();
    verb.add("--scale", in->scale, "brass or glass").showDefault();
    verb.add("--index", in->index, "this instrument’s own correction, e.g. \"-0.1 mmHg\"");
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

Job addConvert(VerbOptions& verb) {
    struct In {
        std::string quantity, to;
    };
    auto in = std::make_shared<In>();
    verb.add("quantity", in->quantity, "for instance \"66.0 cmHg\"").required();
    verb.add("--to", in->to, "the unit wanted").required();
    return [in]() -> Answer {
        if (const Unit* target = anyUnit(in->to)) {
            const double value = target->fromSi(need(parseMeasure(in->quantity, target->dimension)).si());
            return {{{"value", value}, {"unit", target->symbol}},
                    fmt::format("{:.10g} {}\n", value, target->symbol)};
        }
        std::vector<Text> all;
        for (const auto dimension : allDimensions())
            all.push_back(Text::list(unitsOf(dimension), &Unit::symbol));
        throw Refusal{
            {Failure::BadInput, Text::tr("'{}' is not a unit; accepted: {}", in->to, Text::list(all))}};
    };
}

Job addRoom(VerbOptions& verb) {
    struct In {
        std::string altitude, seaLevel, temperature, reduction = "hypsometric", deadHead, ultimate, station,
                                                     u;
    };
    auto in = std::make_shared<In>();
    verb.add("--altitude", in->altitude, "height above sea level, for instance \"612 m\"");
    verb.add("--sea-level", in->seaLevel,
             "a pressure reduced to sea level; with --altitude and --temperature");
    verb.add("--temperature", in->temperature, "air temperature outdoors");
    verb.add("--reduction", in->reduction,
             "hypsometric, altimeter-setting (an airport’s) or standard-atmosphere")
        .oneOf({"hypsometric", "altimeter-setting", "standard-atmosphere"})
        .showDefault();
    verb.add("--dead-head", in->deadHead,
             "gauge reading of the empty vessel pumped down; with --ultimate, if it is known");
    verb.add("--ultimate", in->ultimate, "the pump’s ultimate pressure");
    verb.add("--barometer", in->station, "a barometer’s reading, its corrections applied");
    verb.add("--u", in->u, "standard uncertainty of the reading");
    return [in] {
        RoomEntry e;
        e.unit = "Pa";
        if (!in->u.empty()) e.valueU = need(parsePressureDifference(in->u)).pascal();
        if (!in->altitude.empty()) e.altitudeM = need(parseLength(in->altitude)).metre();
        if (!in->deadHead.empty()) {
            e.method = RoomMethod::DeadHead;
            e.value = need(parseGaugePressure(in->deadHead)).pascal();
            if (!in->ultimate.empty()) e.ultimatePa = need(parsePressure(in->ultimate)).pascal();
        } else if (!in->seaLevel.empty()) {
            if (in->altitude.empty())
                throw Refusal{{Failure::BadInput,
                               Text::tr("--sea-level needs --altitude, for instance --altitude \"612 m\"")}};
            const bool hypsometric = in->reduction == "hypsometric";
            if (hypsometric && in->temperature.empty())
                throw Refusal{{Failure::BadInput, Text::tr("--reduction hypsometric needs --temperature, for "
                                                           "instance --temperature \"18 degC\"")}};
            e.method = RoomMethod::SeaLevelReport;
            e.value = need(parsePressure(in->seaLevel)).pascal();
            if (!in->temperature.empty()) e.airCelsius = need(parseTemperature(in->temperature)).celsius();
            e.reduction = hypsometric                            ? Reduction::Hypsometric
                          : in->reduction == "altimeter-setting" ? Reduction::AltimeterSetting
                                                                 : Reduction::StandardAtmosphere;
        } else if (!in->station.empty()) {
            e.method = RoomMethod::Barometer;
            e.value = need(parsePressure(in->station)).pascal();
        } else if (!in->altitude.empty()) {
            e.method = RoomMethod::Altitude;
        } else {
            throw Refusal{{Failure::BadInput,
                           Text::tr("say how the room’s pressure is known: --barometer, --sea-level with "
                                    "--altitude, --altitude alone, or --dead-head")}};
        }
        const auto room = need(stationPressure(e));
        Answer a;
        a.json = {{"station_pressure_pa", room.station.pascal()},
                  {"station_pressure_pa_u", room.uPa},
                  {"method", id(room.method)},
                  {"bias", biasOf(e)}};
        if (e.method == RoomMethod::SeaLevelReport) a.json["reduction"] = in->reduction;
        const bool fromHeight = e.method == RoomMethod::Altitude || e.method == RoomMethod::SeaLevelReport;
        if (fromHeight) a.json["source"] = "ISO 2533:1975";
        a.text = fmt::format("station pressure {} +- {} ({}). {}\n", kPa(room.station.pascal()),
                             kPa(room.uPa), label(room.method), biasOf(e));
        return a;
    };
}

} // namespace uttrin::cli
