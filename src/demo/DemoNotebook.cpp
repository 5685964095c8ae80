#include "DemoNotebook.h"

#include "DemoActs.h"
#include "physics/Constants.h"
#include "plan/PlanJson.h"
#include "plan/RunSheet.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <random>

namespace uttrin {
namespace {

constexpr Milliseconds kMinute = 60'000;
constexpr Milliseconds kFirstPeriod = kDemoNow - 81 * kMinute;  // 09:00
constexpr Milliseconds kSecondPeriod = kDemoNow - 21 * kMinute; // 10:00
constexpr unsigned kSeed = 612;

/// Errors from a fixed seed; written out because the standard distributions differ between libraries.
class Chance {
public:
    double uniform() { return static_cast<double>(m_random()) / static_cast<double>(std::mt19937::max()); }
    double between(double low, double high) { return low + (high - low) * uniform(); }
    double normal() {
        return std::sqrt(-2.0 * std::log(1.0 - uniform() * (1.0 - 1e-12))) *
               std::cos(2.0 * std::numbers::pi * uniform());
    }

private:
    std::mt19937 m_random{kSeed};
};

/// To the nearest multiple of a step, without the noise of binary fractions: what a person would write down.
double rounded(double value, double step) { return std::round(std::round(value / step) * step * 1e6) / 1e6; }

/// What goes wrong in a group's run.
struct Story {
    std::vector<int> superheated; ///< points read while boiling too hard, from 1
    int misreadLeg = 0;           ///< point at which the right arm is read 5 cm too low, from 1
    int points = 99;              ///< stops after so many
    std::string judge;
};

Plan uTubePlan() {
    Plan p;
    p.title = "Hold the pressure, heat";
    p.method = Method::HoldPressure;
    p.rig.gauge = {"U-tube", PressureConvention::TwoArm, "cm", 0.1, 0.05, PressureTap::Vessel, 82.1, 21.5};
    p.rig.thermometer = {"bulb thermometer", "degC", 0.2, 0.2, SensorPlace::Liquid, ThermometerKind::Mercury};
    p.rig.heaterWatt = 450.0;
    p.rig.liquidLitre = 0.25;
    p.ladder.spacing = Spacing::Pressure;
    p.ladder.from = 20e3;
    p.ladder.to = 88e3;
    p.ladder.count = 10;
    p.ladder.trialPa = 12e3;
    p.ladder.trialInFit = true;
    return p;
}

Plan bellJarPlan() {
    Plan p;
    p.title = "Hold the temperature, pump";
    p.method = Method::HoldTemperature;
    p.rig.gauge = {
        "vacuum dial", PressureConvention::GaugeNegative, "bar", 0.02, 0.01, PressureTap::Vessel, 0.0, 20.0};
    p.rig.thermometer = {"digital thermometer", "degC", 0.1, 0.3, SensorPlace::Liquid};
    p.rig.vesselLitre = 3.0;
    p.rig.liquidLitre = 0.4;
    p.rig.aid = NucleationAid::None;
    p.rig.pumpLitrePerMinute = 40.0;
    p.rig.pumpUltimatePa = 800.0;
    p.rig.readOrder = {ReadStep::Isolate, ReadStep::AwaitPlateau, ReadStep::ReadBoth};
    p.ladder.spacing = Spacing::Temperature;
    p.ladder.from = kIcePointKelvin + 44.0;
    p.ladder.to = kIcePointKelvin + 93.5;
    p.ladder.count = 10;
    return p;
}

RoomEntry roomEntry(RoomMethod method, double hPa, double u) {
    RoomEntry e;
    e.method = method;
    e.value = hPa;
    e.unit = "hPa";
    e.valueU = u;
    e.altitudeM = 612.0;
    return e;
}

class Writer {
public:
    Writer(Notebook::Editor& edit, RowId lesson) : m_edit(edit), m_lesson(lesson) {}

    RowId setup(const Plan& plan) {
        return m_edit.insert(Setup{0, m_lesson, plan.title, writePlan(plan), kFirstPeriod});
    }
    RowId group(const std::string& name) { return m_edit.insert(Group{0, m_lesson, name}); }

    void run(RowId setupId, RowId groupId, int number, const Plan& plan, Milliseconds start,
             const Story& story) {
        const RowId runId =
            m_edit.insert(Run{0, setupId, groupId, number,
                              start + static_cast<Milliseconds>(kSetUpSeconds * 1000.0), std::nullopt});
        m_edit.insert(RunRig{0, runId, writePlan(plan), start, {}});
        const auto& gauge = plan.rig.gauge;
        const RoomPressure truth{Pressure::fromPascal(kTrueRoomPa), 0.0, RoomMethod::Barometer};
        // One fixed error for each instrument of a group, within its accuracy.
        const double gaugeOff = m_chance.between(-0.6, 0.6) * gauge.accuracy * pascalPerScaleUnit(gauge);
        const double bulbOff = m_chance.between(-0.5, 0.5) * plan.rig.thermometer.accuracy;
        const auto zeroReading =
            toReading(gauge, truth.station + PressureDifference::fromPascal(gaugeOff), truth.station);
        const RowId zero = m_edit.insert(
            ZeroCheck{0, runId, start + 4 * kMinute, rounded(zeroReading.first, readableStep(gauge)),
                      zeroReading.second ? std::optional(rounded(*zeroReading.second, readableStep(gauge)))
                                         : std::nullopt});
        const auto sheet = *makeRunSheet(plan, truth);
        double seconds = kSetUpSeconds;
        for (const Target& t : sheet.targets) {
            if (t.order > story.points) break;
            seconds += t.seconds * m_chance.between(0.9, 1.1);
            Reading r = reading(plan, truth, t, gaugeOff, bulbOff, story);
            r.runId = runId;
            r.zeroId = zero;
            r.takenAt = start + static_cast<Milliseconds>(seconds * 1000.0);
            m_edit.insert(r);
        }
    }

    static constexpr double kTrueRoomPa = 94310.0;

private:
    Reading reading(const Plan& plan, const RoomPressure& room, const Target& t, double gaugeOff,
                    double bulbOff, const Story& story) {
        const auto& gauge = plan.rig.gauge;
        const bool superheated =
            std::find(story.superheated.begin(), story.superheated.end(), t.order) != story.superheated.end();
        // The valve is never quite on the target: what counts is what the gauge shows.
        const double pa = t.absolute.pascal() * (1.0 + 0.012 * m_chance.normal());
        const double kelvin = water().boilingPoint(Pressure::fromPascal(pa))->kelvin() + 0.08 +
                              0.09 * m_chance.normal() + (superheated ? m_chance.between(1.8, 2.6) : 0.0);
        const auto shown = toReading(gauge, Pressure::fromPascal(pa + gaugeOff), room.station);
        Reading r;
        r.position = t.order;
        r.place = t.place;
        r.first = rounded(shown.first, readableStep(gauge));
        if (shown.second)
            r.second =
                rounded(*shown.second - (t.order == story.misreadLeg ? 5.0 : 0.0), readableStep(gauge));
        r.temperature = rounded(kelvin - kIcePointKelvin + bulbOff, 0.5 * plan.rig.thermometer.division);
        if (plan.method == Method::HoldTemperature) {
            r.beforePull = rounded(r.temperature + m_chance.between(0.4, 1.2), plan.rig.thermometer.division);
            r.side = ApproachSide::Cooling;
        }
        r.judge = story.judge;
        r.readOrder = wordsOf(plan.rig.readOrder);
        r.vigour = superheated ? 4 : 2;
        return r;
    }

    Notebook::Editor& m_edit;
    RowId m_lesson;
    Chance m_chance;
};

/// A test of a rig before the period, as a gauge with a little noise would tell it.
/// @param at  the pressure at a time of the test, Pa.
template <typename At>
void rigTest(Notebook::Editor& edit, RigTest test, double lasts, At at) {
    constexpr double kEvery = 2.0, kNoise = 18.0; // s, Pa
    Chance chance;
    test.readings = "time_s,absolute_Pa,temperature_K\n";
    for (double seconds = 0.0; seconds <= lasts; seconds += kEvery)
        test.readings += fmt::format("{:.0f},{:.0f},\n", seconds, at(seconds) + kNoise * chance.normal());
    edit.insert(test);
}

/// The flask leaked until its seat was greased; the bell jar's pump.
void rigTests(Notebook::Editor& edit, RowId flask, RowId bellJar) {
    constexpr double kGasLitre = 0.75, kJarLitre = 2.6;
    RigTest leak{0, flask, kFirstPeriod - 16 * kMinute, RigTestKind::Leak, kGasLitre, false, "as it was", {}};
    rigTest(edit, leak, 150.0, [](double s) { return 9'200.0 + 14.0 * s; });
    leak.takenAt = kFirstPeriod - 9 * kMinute;
    leak.note = "seat greased";
    rigTest(edit, leak, 150.0, [](double s) { return 9'050.0 + 1.1 * s; });
    const RigTest pump{0,  bellJar, kFirstPeriod - 5 * kMinute, RigTestKind::PumpDown, kJarLitre, false,
                       {}, {}};
    rigTest(edit, pump, 60.0, [](double s) {
        constexpr double kSpeed = 38.0 / 60.0, kFloor = 900.0; // L/s, Pa
        return kFloor + (Writer::kTrueRoomPa - kFloor) * std::exp(-kSpeed * s / kJarLitre);
    });
}

void write(Notebook::Editor& edit) {
    const RowId lesson =
        edit.insert(Lesson{0, "Boiling water without a hundred degrees", "Skarnfell Upper School", "K12",
                           "2026-04-23", 612.0, true, 120, true});
    RoomEntry read = roomEntry(RoomMethod::Barometer, 943.1, 0.3);
    read.roomCelsius = 21.0;
    edit.insert(RoomRecord{0, lesson, std::nullopt, RoomRole::Start, kFirstPeriod - 18 * kMinute,
                           kFirstPeriod - 17 * kMinute, writeRoom(read), true});
    Writer w(edit, lesson);
    const Plan uTube = uTubePlan(), bellJar = bellJarPlan();
    const RowId a = w.setup(uTube), b = w.setup(bellJar);
    const RowId basalt = w.group("Basalt"), cedar = w.group("Cedar"), dune = w.group("Dune"),
                ember = w.group("Ember"), fjord = w.group("Fjord");
    // Dune took the weather service's figure for the room's pressure: it is reduced to sea level.
    edit.insert(RoomRecord{0, lesson, dune, RoomRole::Start, kFirstPeriod + kMinute, kFirstPeriod + kMinute,
                           writeRoom(roomEntry(RoomMethod::StationReport, 1013.9, 0.5)), true});
    w.run(a, cedar, 1, uTube, kFirstPeriod, {{}, 0, 99, "Cedar"});
    w.run(a, basalt, 1, uTube, kFirstPeriod, {{}, 0, 99, "Basalt"});
    w.run(a, ember, 1, uTube, kFirstPeriod, {{4, 8}, 0, 99, "Ember"});
    w.run(a, fjord, 1, uTube, kFirstPeriod, {{}, 5, 99, "Fjord"});
    w.run(b, dune, 1, bellJar, kFirstPeriod, {{}, 0, 99, "Dune"});
    w.run(b, basalt, 1, bellJar, kSecondPeriod, {{}, 0, 99, "Basalt"});
    w.run(a, cedar, 2, uTube, kSecondPeriod, {{}, 0, 5, "Cedar"});
    const auto sheet =
        *makeRunSheet(uTube, {Pressure::fromPascal(Writer::kTrueRoomPa), 0.0, RoomMethod::Barometer});
    for (const auto& [place, kelvin] : {std::pair{-1, 320.0}, {0, 332.0}, {4, 348.0}, {9, 369.0}}) {
        const auto target = std::ranges::find(sheet.targets, place, &Target::place);
        edit.insert(Prediction{0, a, place, kelvin,
                               target == sheet.targets.end() ? std::nullopt
                                                             : std::optional(target->absolute.pascal())});
    }
    rigTests(edit, a, b);
    writeDemoActs(edit, lesson, a, kSecondPeriod);
}

} // namespace

Result<void> writeDemoNotebook(const std::filesystem::path& path) {
    auto notebook = Notebook::create(path);
    if (!notebook) return tl::unexpected(notebook.error());
    return notebook->perform(Text::tr("Write the sample lesson"), write);
}

} // namespace uttrin
