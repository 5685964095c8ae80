#include "RigArguments.h"
#include "Verbs.h"
#include "lesson/exchange/ObservedCsv.h"
#include "physics/Constants.h"
#include "rehearsal/learning/LearnedForecast.h"
#include "text/PlainFormat.h"

#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
namespace {

struct ForecastInput {
    std::string rig, room, roomTemperature, readings, readingU = "0.5 K";
    std::vector<std::string> at, settings;
};

/// s after the clock's start; @throws Refusal for what is no such time.
std::vector<double> timesOf(const std::vector<std::string>& words, double usual) {
    constexpr double kDay = 86400.0;
    std::vector<double> seconds;
    for (const std::string& word : words) {
        seconds.push_back(need(parseMeasure(word, Dimension::Time)).si());
        if (!(seconds.back() >= 0.0 && seconds.back() <= kDay))
            throw Refusal{{Failure::BadInput,
                           Text::tr("--at '{}': accepted: 0 s to 24 h after the clock’s move", word)}};
    }
    constexpr int kParts = 6;
    for (int i = 0; words.empty() && i <= kParts; ++i)
        seconds.push_back(usual * i / kParts);
    return seconds;
}

Json outlookJson(const RigFile& rig, const Outlook& o, const std::vector<double>& at) {
    Json json = {{"at", Json::array()}};
    for (const double seconds : at)
        if (const auto k = o.band.at(seconds))
            json["at"].push_back({{"time_s", seconds},
                                  {"temperature_k", k->value},
                                  {"temperature_low_k", k->low},
                                  {"temperature_high_k", k->high}});
    const auto lowest = [&](double Interval90::*part) {
        return o.boilsDownTo ? Json((*o.boilsDownTo).*part) : Json();
    };
    json["boils_down_to_k"] = lowest(&Interval90::value);
    json["boils_down_to_low_k"] = lowest(&Interval90::low);
    json["boils_down_to_high_k"] = lowest(&Interval90::high);
    json["parameters"] = Json::array();
    for (std::size_t i = 0; i < o.values.size(); ++i) {
        const RigUncertainty& u = rig.uncertainties()[i];
        json["parameters"].push_back({{"name", u.name},
                                      {"sets", u.pointer},
                                      {"value", o.values[i].value},
                                      {"low", o.values[i].low},
                                      {"high", o.values[i].high},
                                      {"source", u.source}});
    }
    return json;
}

std::string celsius(const Interval90& k) {
    return fmt::format("{:.1f} degC ({:.1f} to {:.1f})", k.value - kIcePointKelvin, k.low - kIcePointKelvin,
                       k.high - kIcePointKelvin);
}

std::string textOf(const RigFile& rig, const Outlook& o, const std::vector<double>& at) {
    std::string text;
    for (const double seconds : at)
        if (const auto k = o.band.at(seconds))
            text += fmt::format("{:>7.1f} min  {}\n", seconds / 60.0, celsius(*k));
    if (o.boilsDownTo) text += fmt::format("boils down to {}\n", celsius(*o.boilsDownTo));
    for (std::size_t i = 0; i < o.values.size(); ++i)
        text += fmt::format("{}: {:.4g} ({:.4g} to {:.4g}), SI\n", rig.uncertainties()[i].name,
                            o.values[i].value, o.values[i].low, o.values[i].high);
    return text;
}

Answer forecastAnswer(const ForecastInput& in) {
    const RigFile rig = rigFrom(in.rig);
    if (!rig.onlyLookedAt().empty())
        throw Refusal{{Failure::BadInput, Text::tr("'{}' is only rehearsed, to see why it is not done: {}",
                                                   Text::data(rig.name()), Text::data(rig.onlyLookedAt()))}};
    if (in.room.empty())
        throw Refusal{{Failure::Unreferenced, Text::tr("a forecast depends on the room’s pressure: give "
                                                       "--room, for instance --room \"943.1 hPa\"")}};
    const auto room = need(parsePressure(in.room));
    std::optional<double> warm;
    if (!in.roomTemperature.empty()) warm = need(parseTemperature(in.roomTemperature)).celsius();
    auto settings = rig.roomSettings(room.pascal(), warm);
    for (RigSetting& s : settingsFrom(rig, in.settings))
        settings.push_back(std::move(s));
    const RigSetup setup = need(rig.setup(settings));
    const double u = std::abs(need(parseTemperatureDifference(in.readingU)).kelvin());
    if (!(u > 0.0)) throw Refusal{{Failure::BadInput, Text::tr("--temperature-u: accepted: more than 0 K")}};
    ObservedFile file;
    if (!in.readings.empty()) file = need(readObservedCsv(fileText(in.readings), u, setup.moves));
    const auto at = timesOf(in.at, setup.seconds);
    if (!in.at.empty()) file.observed.until = *std::ranges::max_element(at);
    const Outlook before = need(outlookOf(rig, settings, file.observed));
    const bool learns = !file.observed.readings.empty();
    const auto learned = learns ? std::optional(need(learn(rig, settings, file.observed))) : std::nullopt;
    Answer a;
    a.json = outlookJson(rig, learned ? learned->outlook : before, at);
    a.json["prior"] = outlookJson(rig, before, at);
    a.json["readings"] = file.observed.readings.size();
    a.json["rms_k"] = learned ? Json(learned->rmsKelvin) : Json();
    a.json["unread_lines"] = file.complaints;
    a.json["source"] =
        "the rig played through with its uncertain values (docs/rig-format.md), 90 % intervals";
    if (learned) a.text = fmt::format("with {} readings\n", file.observed.readings.size());
    if (learned) a.text += textOf(rig, learned->outlook, at);
    a.text += fmt::format("without readings\n{}", textOf(rig, before, at));
    for (const Text& c : file.complaints)
        a.text += fmt::format("not read: {}\n", c);
    return a;
}

} // namespace

Job addForecast(VerbOptions& verb) {
    auto in = std::make_shared<ForecastInput>();
    verb.add("rig", in->rig, "rig file (docs/rig-format.md), or the id of a demonstration that ships")
        .required();
    verb.add("--room", in->room, "the room’s absolute pressure");
    verb.add("--room-temperature", in->roomTemperature, "of the air in the room");
    verb.add("--readings", in->readings,
             "CSV: time_s since the clock’s move, temperature_UNIT; bound (<, >) and made if wanted");
    verb.add("--temperature-u", in->readingU, "standard uncertainty of a reading").showDefault();
    verb.add("--at", in->at, "times after the clock’s move: \"30 min\" \"45 min\"");
    verb.add("--set", in->settings, "a knob or a value set otherwise: \"water=300 g\"");
    return [in] { return forecastAnswer(*in); };
}

} // namespace uttrin::cli
