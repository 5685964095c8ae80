#include "RunView.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <fmt/format.h>

#include <array>
#include <cmath>

namespace uttrin {
namespace {

std::string instructionFor(const LessonSession& s, const Target& t) {
    const double kPa = t.absolute.kilopascal();
    const std::string where =
        fmt::format("{} kPa absolute, boils at {} °C", fixed(kPa, 1), fixed(t.boils.celsius(), 1));
    if (s.benchPlan().method == Method::HoldPressure) return fmt::format("stop bleeding there: {}", where);
    return fmt::format("{} of about {} °C; pump until it boils, close the valve, wait for the plateau: {}",
                       liquidOf(s.benchPlan()).name(), fixed(t.boils.celsius(), 0), where);
}

std::string repeatsText(const std::vector<ReducedReading>& readings, const std::optional<int>& place) {
    std::vector<double> kelvin, pascal;
    for (const ReducedReading& r : readings)
        if (!r.struck() && r.absolute && r.raw.place == place) {
            kelvin.push_back(r.liquid.temperature.kelvin());
            pascal.push_back(r.absolute->pressure.pascal());
        }
    if (kelvin.size() < 2) return {};
    const auto meanOf = [](const std::vector<double>& v) {
        double sum = 0.0;
        for (const double x : v)
            sum += x;
        return sum / static_cast<double>(v.size());
    };
    const auto spreadOf = [&](const std::vector<double>& v) {
        const double mean = meanOf(v);
        double sum = 0.0;
        for (const double x : v)
            sum += (x - mean) * (x - mean);
        return std::sqrt(sum / static_cast<double>(v.size() - 1));
    };
    return fmt::format("{} repeats: {} kPa ± {}, {} °C ± {}", kelvin.size(), fixed(meanOf(pascal) * 1e-3, 2),
                       fixed(spreadOf(pascal) * 1e-3, 2), fixed(meanOf(kelvin) - kIcePointKelvin, 1),
                       fixed(spreadOf(kelvin), 2));
}

RunView::Taken takenLine(const ReducedReading& r, const Plan& plan, const RunSheet* sheet) {
    RunView::Taken line;
    line.id = r.raw.id;
    line.position = r.raw.position;
    line.struck = r.struck();
    line.struckReason = r.raw.struckReason.value_or("");
    line.inFit = r.inFit;
    if (sheet && r.raw.place)
        for (const Target& t : sheet->targets)
            if (t.place == *r.raw.place) line.target = tableText(plan.rig.gauge, t.dial);
    line.actual = tableText(plan.rig.gauge, {r.raw.first, r.raw.second});
    line.temperature = fixed(r.raw.temperature, decimalsForDivision(plan.rig.thermometer.division));
    line.deviation = r.superheatKelvin ? fixedSigned(*r.superheatKelvin, 1) : std::string("–");
    for (const std::string& m : r.marks)
        line.marks += (line.marks.empty() ? "" : ", ") + m;
    return line;
}

} // namespace

RunView runView(const LessonSession& s) {
    RunView v;
    const Plan& plan = s.benchPlan();
    const auto& sheet = s.benchSheet();
    v.unit = std::string(unitText(plan.rig.gauge));
    v.picture = std::string(criterionText(plan.criterion));
    if (!s.runId()) {
        v.heading = "No run yet";
        v.instruction = "Name the group and start its run.";
        return v;
    }
    const auto& readings = s.model().reduce(*s.runId());
    for (auto r = readings.rbegin(); r != readings.rend(); ++r) {
        v.taken.push_back(takenLine(*r, plan, sheet ? &*sheet : nullptr));
        for (const PhotoSubject shows : {PhotoSubject::Pressure, PhotoSubject::Temperature})
            v.taken.back().hasPicture |= s.model().photoOf(r->raw.id, shows) != nullptr;
    }
    if (!readings.empty()) v.repeats = repeatsText(readings, readings.back().raw.place);
    if (!sheet) {
        v.heading = "Readings stay unreferenced";
        v.instruction = sheet.error().message;
        return v;
    }
    const auto target = s.currentTarget();
    if (!target) {
        v.heading = "All targets taken";
        v.instruction = "Take repeats, or go on to the work-up (Ctrl+6).";
        v.finished = true;
        return v;
    }
    v.heading = fmt::format("{} {} of {}", target->trial ? "Trial point, target" : "Target", target->order,
                            sheet->targets.size());
    v.dial = text(plan.rig.gauge, target->dial);
    v.targetGauge = target->dial;
    v.targetTemperature = toReading(plan.rig.thermometer, target->boils);
    v.instruction = instructionFor(s, *target);
    double left = kClearUpSeconds;
    for (const Target& t : sheet->targets) {
        if (t.order < target->order || t.state != TargetState::Ok) continue;
        left += t.seconds;
        if (t.order == target->order + 1)
            v.next = fmt::format("next {} {}", text(plan.rig.gauge, t.dial), v.unit);
    }
    v.timeLeft = fmt::format("about {:.0f} min still needed", left / 60.0);
    return v;
}

std::string clockWarning(const LessonSession& s) {
    if (!s.runId()) return {};
    const auto readings = s.model().readingsOf(*s.runId());
    if (readings.size() < 2) return {};
    constexpr Milliseconds kDay = 24LL * 3600 * 1000; // no run of a lesson lasts longer
    constexpr double kHourMs = 3'600'000.0;
    const Milliseconds passed = readings.back().takenAt - readings[readings.size() - 2].takenAt;
    if (passed >= 0 && passed < kDay) return {};
    return fmt::format(
        "This machine's clock went {} by {} h since the point before: set it right. The readings are kept; "
        "their times are not to be trusted.",
        passed < 0 ? "back" : "ahead", fixed(static_cast<double>(std::abs(passed)) / kHourMs, 1));
}

const std::vector<std::string>& readyPhrases() {
    static const std::vector<std::string> phrases{"leak test done",
                                                  "first bubbles: dissolved air",
                                                  "chips renewed",
                                                  "bumped",
                                                  "heat turned down",
                                                  "condenser running",
                                                  "dial tapped with a finger",
                                                  "room pressure read again"};
    return phrases;
}

std::string_view vigourName(int vigour) {
    static constexpr std::array<std::string_view, 5> names{"few", "steady", "lively", "hard", "violent"};
    return names.at(static_cast<std::size_t>(std::clamp(vigour, 1, 5) - 1));
}

} // namespace uttrin
