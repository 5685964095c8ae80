#include "Formats.h"
#include "Verbs.h"
#include "instruments/PressureInstrument.h"
#include "quantities/Units.h"

#include <fmt/format.h>

#include <cmath>
#include <memory>

namespace uttrin::cli {
namespace {

struct GaugeInput {
    std::string type, reading, temperature, room, roomU, division, accuracy, liquid = "mercury", gas = "air";
    std::vector<std::string> legs;
    double oilDensity = 860.0;
    [[nodiscard]] bool hasArms() const { return type == "closed-u-tube" || type == "open-u-tube"; }
    [[nodiscard]] Dimension dimension() const { return hasArms() ? Dimension::Length : Dimension::Pressure; }
};

/// A gauge with what it shows.
struct ReadGauge {
    PressureInstrument gauge;
    GaugeReading reading;
};

ReadGauge readTube(const GaugeInput& in) {
    if (in.legs.size() != 2)
        throw Refusal{{Failure::BadInput,
                       Text::tr("--type {} needs both arms: --legs \"66.0 cm\" \"21.0 cm\"", in.type)}};
    ReadGauge read;
    auto& [g, reading] = read;
    const auto left = need(parseMeasure(in.legs[0], in.dimension())),
               right = need(parseMeasure(in.legs[1], in.dimension()));
    g.convention = in.type == "closed-u-tube" ? PressureConvention::ClosedTwoArm : PressureConvention::TwoArm;
    g.liquid = need(manometerLiquidFromId(in.liquid));
    g.oilDensity20 = in.oilDensity;
    g.unit = std::string(left.unit->symbol);
    reading = {left.number, right.unit->toSi(right.number) / left.unit->factor};
    g.armSum = std::max(1e-9, reading.first + *reading.second);
    g.division = 1e-3 / left.unit->factor; // a ruler in millimetres
    g.accuracy = g.division;
    if (!in.temperature.empty()) g.liquidCelsius = need(parseTemperature(in.temperature)).celsius();
    return read;
}

ReadGauge readDial(const GaugeInput& in) {
    if (in.reading.empty())
        throw Refusal{{Failure::BadInput,
                       Text::tr("--type {} needs --reading, for instance --reading \"-0.7 bar\"", in.type)}};
    ReadGauge read;
    auto& [g, reading] = read;
    const auto shown = need(parseMeasure(in.reading, in.dimension()));
    g.convention = in.type == "absolute"               ? PressureConvention::Absolute
                   : in.type == "thermal-conductivity" ? PressureConvention::ThermalConductivity
                                                       : PressureConvention::GaugeNegative;
    g.gas = in.gas;
    g.unit = std::string(shown.unit->symbol);
    const bool countsUp = in.type == "vacuum-dial" && shown.number > 0.0;
    reading = {countsUp ? -shown.number : shown.number, std::nullopt};
    // 1 kPa, as school dials have; a thermal-conductivity gauge is read to a tenth of what it shows.
    constexpr double kReadable = 0.1;
    g.division = g.accuracy =
        in.type == "thermal-conductivity" ? kReadable * std::abs(shown.number) : 1e3 / shown.unit->factor;
    return read;
}

/// A length or a pressure in the gauge's own unit, where it is given.
void inOwnUnit(const GaugeInput& in, const std::string& text, const PressureInstrument& g, double& into) {
    if (text.empty()) return;
    const auto given = need(parseMeasure(text, in.dimension()));
    into = std::abs(given.number) * given.unit->factor / unit(g.unit).factor;
}

Answer gaugeAnswer(const GaugeInput& in) {
    auto [g, reading] = in.hasArms() ? readTube(in) : readDial(in);
    inOwnUnit(in, in.division, g, g.division);
    inOwnUnit(in, in.accuracy, g, g.accuracy);
    need(check(g));
    std::optional<RoomPressure> room;
    if (!in.room.empty())
        room =
            RoomPressure{need(parsePressure(in.room)),
                         in.roomU.empty() ? 0.0 : std::abs(need(parsePressureDifference(in.roomU)).pascal()),
                         RoomMethod::Barometer};
    const auto p = need(toAbsolute(g, reading, room));
    if (!(p.pressure.pascal() > 0.0))
        throw Refusal{
            {Failure::BadInput, Text::tr("that reading is below a perfect vacuum in this room; check "
                                         "its sign, its unit and the room’s pressure")}};
    Answer a;
    a.json = {{"type", in.type}, {"absolute_pa", p.pressure.pascal()}, {"absolute_pa_u", p.u()}};
    if (in.hasArms()) a.json["liquid_density_kg_per_m3"] = manometerDensity(g);
    if (g.convention == PressureConvention::ThermalConductivity)
        a.json["gas_factor"] = need(gasFactor(g.gas));
    if (room) a.json["gauge_pa"] = GaugePressure::of(p.pressure, room->station).pascal();
    a.text = fmt::format("{} +- {} absolute\n", kPa(p.pressure.pascal()), kPa(p.u()));
    return a;
}

} // namespace

Job addGauge(VerbOptions& verb) {
    auto in = std::make_shared<GaugeInput>();
    verb.add("--type", in->type, "vacuum-dial, absolute, open-u-tube, closed-u-tube or thermal-conductivity")
        .required()
        .oneOf({"vacuum-dial", "absolute", "open-u-tube", "closed-u-tube", "thermal-conductivity"});
    verb.add("--reading", in->reading,
             "what the dial shows: \"-0.7 bar\" (a vacuum dial that counts up is read as negative)");
    verb.add("--legs", in->legs,
             "the two arms on the ruler: of an open tube the one towards the vessel first, of a "
             "closed tube the closed one")
        .values(2);
    verb.add("--temperature", in->temperature, "of the liquid in the tube; 20 degC if not given");
    verb.add("--liquid", in->liquid, "in the tube: mercury, water or oil").showDefault();
    verb.add("--oil-density", in->oilDensity, "of the oil at 20 degC, kg/m3").showDefault();
    verb.add("--gas", in->gas,
             "that a thermal-conductivity gauge really sees: air, nitrogen, water-vapour, "
             "carbon-dioxide, argon, helium, hydrogen")
        .showDefault();
    verb.add("--room", in->room, "the room’s absolute pressure");
    verb.add("--room-u", in->roomU, "its standard uncertainty");
    verb.add("--division", in->division, "smallest division, for the uncertainty");
    verb.add("--accuracy", in->accuracy, "limits of error, for the uncertainty");
    return [in] { return gaugeAnswer(*in); };
}

} // namespace uttrin::cli
