#include "analysis/LineFit.h"
#include "lesson/exchange/Exports.h"
#include "lesson/model/LessonModel.h"
#include "lesson/model/StartingPlan.h"
#include "notebook/Notebook.h"
#include "plan/PlanJson.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Ensemble.h"
#include "rehearsal/ManualRun.h"
#include "rig/RigSimulation.h"
#include "substances/SubstanceLibrary.h"
#include "support/SyntheticLab.h"
#include "support/TempDir.h"

#include <benchmark/benchmark.h>

#include <cmath>

namespace {

using namespace uttrin;

void boilingPointFromPressure(benchmark::State& state) {
    const Substance& substance = water();
    std::vector<Pressure> pressures;
    pressures.reserve(1024);
    for (int i = 0; i < 1024; ++i)
        pressures.push_back(Pressure::fromPascal(700.0 + 98.0 * i));
    for (auto _ : state)
        for (const Pressure p : pressures)
            benchmark::DoNotOptimize(substance.boilingPoint(p));
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(pressures.size()));
}
BENCHMARK(boilingPointFromPressure);

void boilingPointOfEverySubstance(benchmark::State& state) {
    const Substance& substance = *substances()[static_cast<std::size_t>(state.range(0))];
    state.SetLabel(substance.facts().id);
    const auto low = substance.vapourPressure(substance.facts().triple < substance.facts().lowest
                                                  ? substance.facts().lowest
                                                  : substance.facts().triple),
               high = substance.vapourPressure(substance.facts().highest);
    std::vector<Pressure> pressures;
    pressures.reserve(1024);
    for (int i = 1; i < 1024; ++i)
        pressures.push_back(
            Pressure::fromPascal(low->pascal() * std::pow(high->pascal() / low->pascal(), i / 1024.0)));
    for (auto _ : state)
        for (const Pressure p : pressures)
            benchmark::DoNotOptimize(substance.boilingPoint(p));
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(pressures.size()));
}
BENCHMARK(boilingPointOfEverySubstance)->DenseRange(0, 11);

void loadAllSubstances(benchmark::State& state) {
    for (auto _ : state)
        benchmark::DoNotOptimize(SubstanceLibrary());
}
BENCHMARK(loadAllSubstances)->Unit(benchmark::kMillisecond);

void sublimationPointFromPressure(benchmark::State& state) {
    std::vector<Pressure> pressures;
    pressures.reserve(1024);
    for (int i = 0; i < 1024; ++i)
        pressures.push_back(Pressure::fromPascal(0.1 + 0.59 * i));
    for (auto _ : state)
        for (const Pressure p : pressures)
            benchmark::DoNotOptimize(water().boilingPoint(p));
    state.SetItemsProcessed(state.iterations() * static_cast<std::int64_t>(pressures.size()));
}
BENCHMARK(sublimationPointFromPressure);

void yorkFit(benchmark::State& state) {
    std::vector<FitPoint> points;
    for (const BoilingDatum& d :
         uttrin::testing::syntheticLab(1, static_cast<int>(state.range(0)), 10e3, 94e3, 0.2, 150.0))
        points.push_back({1.0 / d.temperature.kelvin(), std::log(d.pressure.pascal()),
                          d.temperatureU / std::pow(d.temperature.kelvin(), 2),
                          d.pressureU / d.pressure.pascal()});
    for (auto _ : state)
        benchmark::DoNotOptimize(fitYork(points, true));
}
BENCHMARK(yorkFit)->Arg(11)->Arg(100'000)->Unit(benchmark::kMillisecond);

void captureToDurable(benchmark::State& state) {
    const uttrin::testing::TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    (void)notebook.perform(Text::typed("start"), [](Notebook::Editor& edit) {
        const RowId lesson = edit.insert(Lesson{0, "x", "", "", "", 0, false, 0, false});
        edit.insert(Run{
            0, edit.insert(Setup{0, lesson, "x", "{}", {}}), edit.insert(Group{0, lesson, "x"}), 1, 0, {}});
    });
    Reading reading;
    reading.runId = 1;
    for (auto _ : state) {
        ++reading.position;
        if (!notebook.perform(Text::typed("capture"), [&](Notebook::Editor& edit) { edit.insert(reading); }))
            state.SkipWithError("not written");
    }
}
BENCHMARK(captureToDurable)->Unit(benchmark::kMillisecond);

} // namespace

void ninetyMinutesOfASealedFlask(benchmark::State& state) {
    const RigFluid fluid = *RigFluid::make(water());
    RigModel m;
    m.vessels = {{.name = "flask",
                  .volume = 1e-3,
                  .walls = {{"glass", 150.0, 5.0, 0.03}},
                  .condensed = 0.45,
                  .airPascal = 200.0,
                  .kelvin = 368.15}};
    m.contacts = {{0, TouchedPart::Wall, 0.8, 293.15}};
    for (auto _ : state)
        benchmark::DoNotOptimize(simulate(m, fluid, 5400.0, 10.0));
}
BENCHMARK(ninetyMinutesOfASealedFlask)->Unit(benchmark::kMillisecond);

void waterPumpedUntilItIsFrozenThrough(benchmark::State& state) {
    const RigFluid fluid = *RigFluid::make(water());
    RigModel m;
    m.vessels = {{.name = "bell jar", .volume = 5e-3, .condensed = 0.010, .airPascal = 94'310.0}};
    m.pumps = {{0, {300.0 / 60e3, 5.0}}};
    for (auto _ : state)
        benchmark::DoNotOptimize(simulate(m, fluid, 300.0, 1.0));
}
BENCHMARK(waterPumpedUntilItIsFrozenThrough)->Unit(benchmark::kMillisecond);

void aDemonstrationPlayedThrough(benchmark::State& state, std::string_view id) {
    const RigFile& rig = findDemonstration(id)->rig;
    for (auto _ : state)
        benchmark::DoNotOptimize(rehearse(rig, {}));
}
BENCHMARK_CAPTURE(aDemonstrationPlayedThrough, sealedFlask, "sealed-flask")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(aDemonstrationPlayedThrough, bellJar, "bell-jar")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(aDemonstrationPlayedThrough, freezeByBoiling, "freeze-by-boiling")
    ->Unit(benchmark::kMillisecond);

void bandOfAThousandSealedFlasks(benchmark::State& state) {
    const RigFile& rig = findDemonstration("sealed-flask")->rig;
    for (auto _ : state)
        benchmark::DoNotOptimize(playEnsemble(rig, {}, 1000, 20));
}
BENCHMARK(bandOfAThousandSealedFlasks)->Unit(benchmark::kSecond)->Iterations(3)->UseRealTime();

/// Ten minutes of a bell jar run by hand, in the steps of the live mode at 20 times real time.
void tenMinutesRunByHand(benchmark::State& state) {
    const RigFile& rig = findDemonstration("bell-jar")->rig;
    for (auto _ : state) {
        auto manualRun = *ManualRun::make(rig, {});
        for (const RigControl& c : manualRun.controls())
            if (c.name == "pump") manualRun.press(c);
        while (manualRun.goOn(0.8)) {
        }
    }
}
BENCHMARK(tenMinutesRunByHand)->Unit(benchmark::kMillisecond);

/// A notebook with so many readings in one run.
std::unique_ptr<LessonModel> lessonWith(int readings, const std::filesystem::path& path) {
    auto notebook = *Notebook::create(path);
    RowId lesson = 0;
    (void)notebook.perform(Text::typed("fill"), [&](Notebook::Editor& edit) {
        lesson = edit.insert(Lesson{0, "large", "", "", "2026-04-23", 0, false, 0, true});
        edit.insert(RoomRecord{0,
                               lesson,
                               {},
                               RoomRole::Start,
                               0,
                               0,
                               R"({"method":"barometer","reading":"943.1 hPa","uncertainty":"0.3 hPa"})",
                               true});
        const RowId setup =
            edit.insert(Setup{0, lesson, "plan", writePlan(startingPlan(Method::HoldPressure)), {}});
        const RowId run = edit.insert(Run{0, setup, edit.insert(Group{0, lesson, "group"}), 1, 0, {}});
        for (int i = 0; i < readings; ++i) {
            Reading r;
            r.runId = run;
            r.position = i + 1;
            r.first = -0.74 + 0.7 * i / readings;
            r.temperature = 60.0 + 35.0 * i / readings;
            edit.insert(r);
        }
    });
    return std::make_unique<LessonModel>(*notebook.load(lesson));
}

void readingsAsCsv(benchmark::State& state) {
    const uttrin::testing::TempDir dir;
    const auto model = lessonWith(static_cast<int>(state.range(0)), dir / "l.uttrin");
    (void)readingsCsv(*model); // reduced once
    for (auto _ : state)
        benchmark::DoNotOptimize(readingsCsv(*model));
}
BENCHMARK(readingsAsCsv)->Arg(2'000)->Arg(20'000)->Unit(benchmark::kMillisecond);

BENCHMARK_MAIN();
