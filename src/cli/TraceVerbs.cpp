#include "Formats.h"
#include "Verbs.h"
#include "notebook/Csv.h"
#include "substances/SubstanceLibrary.h"
#include "trace/HandPump.h"
#include "trace/LeakTest.h"
#include "trace/LoggerFile.h"
#include "trace/PumpDown.h"
#include "trace/Steady.h"
#include "trace/TraceCsv.h"

#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
namespace {

struct LeakInput {
    std::string path, volume, room, wet, temperature, capture = "30 s", fluid = "water";
    std::vector<std::string> targets;
    bool dry = false;
};

struct PumpInput {
    std::string path, volume, wet, temperature, room, fluid = "water";
    bool hand = false; ///< worked by hand, stroke by stroke
};

struct SteadyInput {
    std::string path, tolerance = "0.1 K", seconds = "10 s", room, fluid = "water";
};

/// A measure above zero; @throws Refusal for another.
double positive(const std::string& word, Dimension dimension, const char* option) {
    const double si = need(parseMeasure(word, dimension)).si();
    if (!(si > 0.0))
        throw Refusal{{Failure::BadInput, Text::tr("{} '{}': accepted: more than zero", option, word)}};
    return si;
}

/// A trace as this program writes it, or a logger's file of any usual layout.
Trace traceFrom(const std::string& path, std::optional<double> roomPascal) {
    const std::string text = fileText(path);
    const auto records = parseCsv(text);
    const bool ours =
        !records.empty() && std::ranges::any_of(records.front().fields, [](const std::string& field) {
            return field.starts_with("time_");
        });
    if (ours) return need(readTraceCsv(text));
    return need(readLogger(text, need(guessLayout(text)), roomPascal)).trace;
}

/// The saturation pressure of a liquid by what was logged of its temperature, else at one temperature.
std::function<double(double)> saturationOf(const std::string& wet, const std::string& temperature,
                                           const Trace& trace) {
    const Substance& liquid = *need(findSubstance(wet));
    if (!temperature.empty())
        return need(saturationAlong(liquid, {{0.0}, {need(parseTemperature(temperature)).kelvin()}}));
    if (trace.kelvin.empty())
        throw Refusal{{Failure::BadInput,
                       Text::tr("a wet test needs the liquid’s temperature: a column temperature_degC, "
                                "or --temperature, for instance --temperature \"22 degC\"")}};
    return need(saturationAlong(liquid, trace.kelvin));
}

const TraceChannel& pressureOf(const Trace& trace) {
    if (trace.pascal.empty())
        throw Refusal{
            {Failure::BadInput, Text::tr("no column of pressures; accepted: absolute_kPa, or another unit")}};
    return trace.pascal;
}

Answer leakAnswer(const LeakInput& in) {
    if (in.dry == !in.wet.empty())
        throw Refusal{{Failure::BadInput,
                       Text::tr("say whether there is liquid in it: accepted: --dry, or --wet with the "
                                "liquid, for instance --wet water")}};
    const Trace trace = traceFrom(in.path, roomPascalFrom(in.room));
    TestedVessel vessel;
    vessel.cubicMetres = positive(in.volume, Dimension::Volume, "--volume");
    vessel.roomPascal = roomPascalFrom(in.room);
    if (!in.wet.empty()) vessel.saturation = saturationOf(in.wet, in.temperature, trace);
    const LeakTest test = need(testForLeak(pressureOf(trace), vessel));
    const Substance& fluid = *need(findSubstance(in.wet.empty() ? in.fluid : in.wet));
    const double capture = positive(in.capture, Dimension::Time, "--capture");
    Answer a;
    a.json = {
        {"kind", id(test.kind)},
        {"odds_leak", std::min(test.oddsLeak, 1e12)},
        {"rise_pa_per_s", test.rise},
        {"rise_pa_per_s_u", test.riseU},
        {"leak_pa_m3_per_s", test.leak},
        {"leak_pa_m3_per_s_u", test.leakU},
        {"fades_pa", test.fades},
        {"fades_in_s", test.fadesIn},
        {"spread_pa", test.spread},
        {"readings", test.used},
        {"targets", Json::array()},
        {"source", "constant, straight line, exponential or both, by the Bayesian information criterion"}};
    a.text = fmt::format("{}: rises by {:.3g} +- {:.2g} Pa/s, {:.3g} Pa m3/s; odds of a leak {:.3g}\n",
                         plain(nameOf(test.kind)), test.rise, test.riseU, test.leak, test.oddsLeak);
    for (const std::string& word : in.targets) {
        const Pressure target = need(parsePressure(word));
        const double by = need(kelvinPerCapture(fluid, target, test.rise, capture, vessel.roomPascal));
        a.json["targets"].push_back({{"absolute_pa", target.pascal()}, {"kelvin_per_capture", by}});
        a.text += fmt::format("at {}: {:.2g} K in {:.0f} s\n", kPa(target.pascal()), by, capture);
    }
    return a;
}

Answer handPumpAnswer(const PumpInput& in) {
    const Trace trace = traceFrom(in.path, roomPascalFrom(in.room));
    const HandPump found =
        need(fitStrokes(pressureOf(trace), positive(in.volume, Dimension::Volume, "--volume")));
    const Substance& fluid = *need(findSubstance(in.fluid));
    const auto boils = fluid.boilingPoint(Pressure::fromPascal(found.floor));
    Answer a;
    a.json = {{"strokes", found.strokes},
              {"stroke_m3", found.stroke},
              {"stroke_m3_u", found.strokeU},
              {"ultimate_pa", found.floor},
              {"loss_pa_per_s", found.loss},
              {"loss_pa_per_s_u", found.lossU},
              {"boils_down_to_k", boils ? Json(boils->kelvin()) : Json()},
              {"source", "each stroke leaves V / (V + stroke) of what is above the floor, by least squares"}};
    constexpr double kMillilitre = 1e-6;
    a.text =
        fmt::format("{} strokes of {:.3g} +- {:.2g} mL down to {}; {:.3g} +- {:.2g} Pa/s come in between\n",
                    found.strokes, found.stroke / kMillilitre, found.strokeU / kMillilitre, kPa(found.floor),
                    found.loss, found.lossU);
    return a;
}

Answer pumpAnswer(const PumpInput& in) {
    if (in.hand) return handPumpAnswer(in);
    const Trace trace = traceFrom(in.path, roomPascalFrom(in.room));
    const PumpDown found =
        need(fitPumpDown(pressureOf(trace), positive(in.volume, Dimension::Volume, "--volume")));
    const Substance& fluid = *need(findSubstance(in.wet.empty() ? in.fluid : in.wet));
    const auto boils = fluid.boilingPoint(Pressure::fromPascal(found.ultimate));
    const bool freezes = found.ultimate < fluid.facts().triplePressure.pascal();
    bool wet = false;
    if (!in.wet.empty())
        wet = isWetFloor(found.ultimate, found.ultimateU,
                         saturationOf(in.wet, in.temperature, trace)(trace.pascal.seconds.back()));
    Answer a;
    a.json = {{"speed_m3_per_s", found.speed},
              {"speed_m3_per_s_u", found.speedU},
              {"ultimate_pa", found.ultimate},
              {"ultimate_pa_u", found.ultimateU},
              {"start_pa", found.start},
              {"from_s", found.from},
              {"boils_down_to_k", boils ? Json(boils->kelvin()) : Json()},
              {"freezing_in_reach", freezes},
              {"floor", wet ? "wet" : "dry"},
              {"source", "an exponential towards the ultimate pressure, by weighted least squares"}};
    constexpr double kLitresAMinute = 6e4; // in one m3/s
    a.text = fmt::format("{:.3g} +- {:.2g} L/min down to {} +- {:.2g} Pa{}\n", found.speed * kLitresAMinute,
                         found.speedU * kLitresAMinute, kPa(found.ultimate), found.ultimateU,
                         wet ? ", the floor of the liquid in it, not of the pump" : "");
    if (boils)
        a.text += fmt::format("{} boils down to {:.1f} degC{}\n", plain(fluid.facts().name), boils->celsius(),
                              freezes ? "; it can freeze" : "");
    return a;
}

Json settledJson(const std::optional<Settled>& s, double Settled::*part) {
    return s ? Json((*s).*part) : Json();
}

Answer steadyAnswer(const SteadyInput& in) {
    const Trace trace = traceFrom(in.path, roomPascalFrom(in.room));
    const Substance& fluid = *need(findSubstance(in.fluid));
    const double kelvin = std::abs(need(parseTemperatureDifference(in.tolerance)).kelvin());
    if (!(kelvin > 0.0)) throw Refusal{{Failure::BadInput, Text::tr("--tolerance: accepted: more than 0 K")}};
    const SteadyTolerance tolerance{kelvin, secondsFrom(in.seconds)};
    if (!(tolerance.seconds > 0.0))
        throw Refusal{{Failure::BadInput, Text::tr("--seconds '{}': accepted: more than zero", in.seconds)}};
    Answer a;
    a.json = {{"stretches", Json::array()},
              {"source",
               "least squares over the last seconds, two standard errors to spare; means by what readings "
               "tell anew (Geyer 1992)"}};
    for (const SteadyStretch& s : steadyStretches(trace, fluid, tolerance)) {
        a.json["stretches"].push_back({{"from_s", s.from},
                                       {"to_s", s.to},
                                       {"mean_pa", settledJson(s.pascal, &Settled::mean)},
                                       {"mean_pa_u", settledJson(s.pascal, &Settled::u)},
                                       {"mean_k", settledJson(s.kelvin, &Settled::mean)},
                                       {"mean_k_u", settledJson(s.kelvin, &Settled::u)},
                                       {"slope_k_per_s", s.slope},
                                       {"slope_k_per_s_u", s.slopeU}});
        a.text += fmt::format("{:.1f} to {:.1f} s, drifting by {:.2g} K/s\n", s.from, s.to, s.slope);
    }
    if (a.text.empty()) a.text = "nowhere steady\n";
    return a;
}

} // namespace

Job addLeakTest(VerbOptions& verb) {
    auto in = std::make_shared<LeakInput>();
    verb.add("trace", in->path,
             "a trace or a logger’s file: time_s, absolute_kPa, temperature_degC where it was logged")
        .required();
    verb.add("--volume", in->volume, "that air comes into").required();
    verb.add("--room", in->room, "the room’s absolute pressure: readings above half of it are left out");
    verb.add("--targets", in->targets, "absolute pressures of points to be taken");
    verb.add("--capture", in->capture, "how long a point takes").showDefault();
    verb.flag("--dry", in->dry, "there is no liquid in it");
    verb.add("--wet", in->wet, "the liquid in it");
    verb.add("--temperature", in->temperature, "of the liquid, where the trace has none");
    verb.add("--fluid", in->fluid, "the liquid of the points, of a dry test").showDefault();
    return [in] { return leakAnswer(*in); };
}

Job addPumpDown(VerbOptions& verb) {
    auto in = std::make_shared<PumpInput>();
    verb.add("trace", in->path, "a trace or a logger’s file: time_s, absolute_kPa").required();
    verb.add("--volume", in->volume, "that is pumped empty").required();
    verb.add("--room", in->room, "the room’s absolute pressure, for a file of gauge pressures");
    verb.add("--wet", in->wet, "the liquid in it, whose floor may be met");
    verb.add("--temperature", in->temperature, "of the liquid, where the trace has none");
    verb.add("--fluid", in->fluid, "the liquid that is to boil").showDefault();
    verb.flag("--hand", in->hand, "a pump that hands work: stroke by stroke");
    return [in] { return pumpAnswer(*in); };
}

Job addSteady(VerbOptions& verb) {
    auto in = std::make_shared<SteadyInput>();
    verb.add("trace", in->path, "a trace or a logger’s file: time_s, absolute_kPa, temperature_degC")
        .required();
    verb.add("--room", in->room, "the room’s absolute pressure, for a file of gauge pressures");
    verb.add("--tolerance", in->tolerance, "by how much the boiling point may move").showDefault();
    verb.add("--seconds", in->seconds, "in how many seconds").showDefault();
    verb.add("--fluid", in->fluid, "the liquid").showDefault();
    return [in] { return steadyAnswer(*in); };
}

} // namespace uttrin::cli
