#include "Formats.h"
#include "Verbs.h"
#include "substances/SubstanceLibrary.h"

#include <CLI/CLI.hpp>
#include <fmt/format.h>

#include <algorithm>
#include <cstdio>
#include <iterator>
#include <map>

namespace {

using namespace uttrin::cli;

struct VerbEntry {
    const char* name;
    const char* description;
    const char* example;
    Job (*add)(VerbOptions&);
};

constexpr VerbEntry kVerbs[] = {
    {"fluids", "list the substances", "uttrin-cli fluids --json", addFluids},
    {"saturation", "vapour pressure at a temperature",
     "uttrin-cli saturation --fluid water --temperature \"80 degC\"", addSaturation},
    {"boil", "boiling point at a pressure",
     "uttrin-cli boil --pressure \"-0.7 bar\" --kind gauge --room \"1008.2 hPa\"", addBoil},
    {"freeze", "freezing point of a solution in water", "uttrin-cli freeze --solute nacl --molality 2",
     addFreeze},
    {"convert", "one unit into another", "uttrin-cli convert \"66.0 cmHg\" --to kPa", addConvert},
    {"barometer", "station pressure from a mercury barometer",
     "uttrin-cli barometer --reading \"741.6 mmHg\" --temperature \"23.5 degC\" --latitude 61.2 --altitude "
     "\"612 m\" --scale brass",
     addBarometer},
    {"room", "the room’s pressure from what is known",
     "uttrin-cli room --sea-level \"1018.4 hPa\" --altitude \"612 m\" --temperature \"18 degC\"", addRoom},
    {"gauge", "absolute pressure from a gauge as read",
     "uttrin-cli gauge --type open-u-tube --legs \"66.0 cm\" \"21.0 cm\" --temperature \"22 degC\" --room "
     "\"1008.2 hPa\"",
     addGauge},
    {"plan", "run sheet of a plan file", "uttrin-cli plan plan.json --json", addPlan},
    {"fit", "enthalpy of vaporisation from readings",
     "uttrin-cli fit run.csv --room \"1008.2 hPa\" --method york --temperature-u \"0.1 K\" --pressure-u \"60 "
     "Pa\"",
     addFit},
    {"simulate", "let a rig go through its moves", "uttrin-cli simulate rig.json --out path.csv",
     addSimulate},
    {"forecast", "what comes of a demonstration that goes on, by what was read",
     "uttrin-cli forecast sealed-flask --room \"943.1 hPa\" --readings read.csv --at \"30 min\" \"45 min\"",
     addForecast},
    {"listen", "record what an instrument sends",
     "uttrin-cli listen --profile pressure-and-temperature-lines --from tcp:127.0.0.1:5025 --seconds 60 "
     "--out "
     "trace.csv",
     addListen},
    {"leak-test", "whether a vessel that was pumped down and shut leaks",
     "uttrin-cli leak-test trace.csv --volume \"1 L\" --targets \"12 kPa\" \"50 kPa\" --capture \"30 s\" "
     "--dry",
     addLeakTest},
    {"pump-down", "a pump’s speed and ultimate pressure", "uttrin-cli pump-down trace.csv --volume \"1 L\"",
     addPumpDown},
    {"steady", "where a trace stands still", "uttrin-cli steady trace.csv --tolerance \"0.1 K\" --seconds 10",
     addSteady},
    {"notebook", "look into a notebook, export, import, check",
     "uttrin-cli notebook export lesson.uttrin --format csv --out folder", addNotebook},
    {"lesson", "the acts of a notebook’s newest lesson",
     "uttrin-cli lesson export lesson.uttrin --format json --out folder", addLesson},
    {"schedule", "what to do when, and what conflicts", "uttrin-cli schedule lesson.uttrin --json",
     addSchedule},
    {"prep", "what a lesson needs beforehand, on paper", "uttrin-cli prep lesson.uttrin --out prep.pdf",
     addPrep},
    {"report", "lab report of a run", "uttrin-cli report lesson.uttrin --run 1 --out report.pdf", addReport},
};

int refuse(const uttrin::Failure& failure) {
    fmt::print(stderr, "uttrin-cli: {}\n", failure.message);
    return exitCode(failure);
}

int run(int argc, char** argv) {
    CLI::App app{"Boiling points, gauges, plans, fits and notebooks on the command line.\nQuantities are "
                 "written \"VALUE UNIT\". Example: uttrin-cli boil --pressure \"20 kPa\" --json"};
    app.require_subcommand(1);
    std::map<const CLI::App*, Job> jobs;
    bool json = false;
    for (const VerbEntry& v : kVerbs) {
        CLI::App* verb = app.add_subcommand(v.name, v.description);
        verb->footer(fmt::format("Example: {}", v.example));
        verb->add_flag("--json", json, "one JSON object in SI units");
        VerbOptions options(*verb);
        jobs[verb] = v.add(options);
    }
    auto words = withMinusValues(argc, argv);
    const bool isVerb = std::any_of(std::begin(kVerbs), std::end(kVerbs), [&](const VerbEntry& v) {
        return !words.empty() && words.front() == v.name;
    });
    if (!words.empty() && !isVerb && words.front().substr(0, 1) != "-")
        return refuse(
            {uttrin::Failure::BadInput, uttrin::Text::tr("'{}' is not a verb; accepted: {}", words.front(),
                                                         uttrin::Text::list(kVerbs, &VerbEntry::name))});
    std::reverse(words.begin(), words.end()); // CLI11 takes them last first
    for (const auto& problem : uttrin::substanceLibrary().addFolder(uttrin::ownSubstanceFolder()))
        fmt::print(stderr, "uttrin-cli: {}\n", problem.sentence());
    try {
        app.parse(words);
    } catch (const CLI::CallForHelp& e) {
        return app.exit(e);
    } catch (const CLI::CallForAllHelp& e) {
        return app.exit(e);
    } catch (const CLI::ParseError& e) {
        return refuse({uttrin::Failure::BadInput, uttrin::Text::tr("{} (see uttrin-cli --help)", e.what())});
    }
    const Answer answer = jobs.at(app.get_subcommands().front())();
    fmt::print("{}", json ? answer.json.dump() + "\n" : answer.text);
    return 0;
}

} // namespace

int main(int argc, char** argv) {
    try {
        return run(argc, argv);
    } catch (const uttrin::cli::Refusal& refusal) {
        return refuse(refusal.failure);
    } catch (const std::exception& e) {
        fmt::print(stderr, "uttrin-cli: failure of the program: {}\n", e.what());
        return 1;
    }
}
