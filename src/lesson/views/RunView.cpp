#include "RunView.h"

#include "BenchAids.h"
#include "PressureText.h"
#include "physics/Constants.h"
#include "physics/Scald.h"
#include "plan/CoolingAdvice.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <array>
#include <cmath>

namespace uttrin {
namespace {

Text instructionFor(const LessonSession& s, const Target& t) {
    const double kPa = t.absolute.kilopascal();
    const Text where =
        Text::tr("{} kPa absolute, boils at {} °C", fixed(kPa, 1), fixed(t.boils.celsius(), 1));
    if (s.benchPlan().method == Method::HoldPressure) return Text::tr("stop bleeding there: {}", where);
    if (const Text refill = refillText(s); !refill.empty())
        return Text::tr("{}, to {} °C; pump until it boils, close the valve, wait for the plateau: {}",
                        refill, fixed(t.boils.celsius(), 0), where);
    return Text::tr("{} of about {} °C; pump until it boils, close the valve, wait for the plateau: {}",
                    liquidOf(s.benchPlan()).name(), fixed(t.boils.celsius(), 0), where);
}

Text repeatsText(const std::vector<ReducedReading>& readings, const std::optional<int>& place) {
    if (!place) return {}; // what was taken for no target repeats nothing
    std::vector<double> kelvin, pascal;
    std::vector<Milliseconds> ms;
    for (const ReducedReading& r : readings)
        if (!r.struck() && r.absolute && r.raw.place == place) {
            kelvin.push_back(r.liquid.temperature.kelvin());
            pascal.push_back(r.absolute->pressure.pascal());
            ms.push_back(r.raw.takenAt);
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
    const Text repeats = Text::tr("{} repeats: {} kPa ± {}, {} °C ± {}", kelvin.size(),
                                  fixed(meanOf(pascal) * 1e-3, 2), fixed(spreadOf(pascal) * 1e-3, 2),
                                  fixed(meanOf(kelvin) - kIcePointKelvin, 1), fixed(spreadOf(kelvin), 2));
    constexpr double kMsEach = 60'000.0, kQuick = 5.0; // of a minute; min
    const double minutes = static_cast<double>(ms.back() - ms.front()) / kMsEach;
    if (!(minutes > 0.0 && minutes < kQuick)) return repeats;
    const double aMinute = (kelvin.back() - kelvin.front()) / minutes;
    const Text advice = coolingAdvice(aMinute);
    return advice.empty()
               ? repeats
               : Text::tr("{}; it cools by {} K a minute: {}", repeats, Text::number(-aMinute, 1), advice);
}

/// What the class said before; nothing as long as it can still be changed.
std::vector<Prediction> lockedPredictions(const LessonSession& s) {
    return s.model().setup(s.setupId()).predictionsLockedAt ? s.model().predictionsOf(s.setupId())
                                                            : std::vector<Prediction>();
}

RunView::Taken takenLine(const ReducedReading& r, const Plan& plan, const RunSheet* sheet,
                         const std::vector<Prediction>& predictions) {
    RunView::Taken line;
    line.id = r.raw.id;
    line.position = r.raw.position;
    line.struck = r.struck();
    line.struckReason = Text::data(r.raw.struckReason.value_or(""));
    line.inFit = r.inFit;
    if (sheet && r.raw.place)
        for (const Target& t : sheet->targets)
            if (t.place == *r.raw.place) {
                line.target = tableText(plan.rig.gauge, t.dial);
                if (const auto kelvin = predictedFor(predictions, t))
                    line.predicted = fixed(*kelvin - kIcePointKelvin, 1);
            }
    line.actual = tableText(plan.rig.gauge, {r.raw.first, r.raw.second});
    line.temperature = fixed(r.raw.temperature, decimalsForDivision(plan.rig.thermometer.division));
    line.deviation = r.superheatKelvin ? fixedSigned(*r.superheatKelvin, 1) : Text::set("–");
    line.marks = Text::list(r.marks);
    return line;
}

} // namespace

RunView runView(const LessonSession& s) {
    RunView v;
    const Plan& plan = s.benchPlan();
    const auto& sheet = s.benchSheet();
    v.unit = Text::typed(unitText(plan.rig.gauge));
    v.picture = criterionText(plan.criterion);
    if (!s.runId()) {
        v.heading = Text::tr("No run yet");
        v.instruction = Text::tr("Name the group and start its run.");
        return v;
    }
    if (const BenchPicture* reference = s.model().referenceOf(*s.runId())) v.reference = reference->pictureId;
    const auto& readings = s.model().reduce(*s.runId());
    const auto predictions = lockedPredictions(s);
    for (auto r = readings.rbegin(); r != readings.rend(); ++r) {
        v.taken.push_back(takenLine(*r, plan, sheet ? &*sheet : nullptr, predictions));
        v.predicted = v.predicted || !v.taken.back().predicted.empty();
        for (const PhotoSubject shows : {PhotoSubject::Pressure, PhotoSubject::Temperature})
            v.taken.back().hasPicture |= s.model().photoOf(r->raw.id, shows) != nullptr;
        v.taken.back().hasPicture |= s.model().attachedTo(r->raw.id) != nullptr;
    }
    if (!readings.empty()) v.repeats = repeatsText(readings, readings.back().raw.place);
    v.orders = readOrderCounts(readings);
    v.charge = chargeText(s);
    v.fills = plan.method == Method::HoldTemperature;
    if (const auto filling = advisedFilling(s)) v.advised = nameOf(*filling);
    v.warmUp = warmUpText(s);
    v.pumpWaits = !v.warmUp.empty() && !pumpRunsFor(s);
    v.ice = iceBoundText(s);
    if (!sheet) {
        v.heading = Text::tr("Readings stay unreferenced");
        v.instruction = sheet.error().message;
        return v;
    }
    const auto target = s.currentTarget();
    if (!target) {
        v.heading = Text::tr("All targets taken");
        v.instruction = Text::tr("Take repeats, or go on to the work-up (Ctrl+6).");
        v.finished = true;
        return v;
    }
    v.heading = target->trial ? Text::tr("Trial point, target {} of {}", target->order, sheet->targets.size())
                              : Text::tr("Target {} of {}", target->order, sheet->targets.size());
    v.dial = tableText(plan.rig.gauge, target->dial);
    v.also = alsoText(s.plan().rig, target->absolute.pascal(),
                      readableStep(plan.rig.gauge) * pascalPerScaleUnit(plan.rig.gauge));
    v.targetGauge = target->dial;
    v.targetTemperature = toReading(plan.rig.thermometer, target->boils);
    v.instruction = instructionFor(s, *target);
    v.scald = Text::sentences({scaldText(target->boils), coolBoilingText(target->boils)});
    double left = kClearUpSeconds;
    for (const Target& t : sheet->targets) {
        if (t.order < target->order || t.state != TargetState::Ok) continue;
        left += t.seconds;
        if (t.order == target->order + 1)
            v.next = Text::tr("next {} {}", tableText(plan.rig.gauge, t.dial), v.unit);
    }
    v.timeLeft = Text::tr("about {:.0f} min still needed", left / 60.0);
    return v;
}

Text clockWarning(const LessonSession& s) {
    if (!s.runId()) return {};
    constexpr Milliseconds kMuch = 60'000;
    if (const Milliseconds set = s.clock().setBy(); std::abs(set) > kMuch)
        return Text::tr(
            "This machine’s clock was set by {} min since the notebook was opened. Times here go on from "
            "before; what passes between them is right.",
            fixedSigned(static_cast<double>(set) / 60'000.0, 0));
    const auto readings = s.model().readingsOf(*s.runId());
    if (readings.size() < 2) return {};
    constexpr Milliseconds kDay = 24LL * 3600 * 1000; // no run of a lesson lasts longer
    constexpr double kHourMs = 3'600'000.0;
    const Milliseconds passed = readings.back().takenAt - readings[readings.size() - 2].takenAt;
    if (passed >= 0 && passed < kDay) return {};
    const Text hours = fixed(static_cast<double>(std::abs(passed)) / kHourMs, 1);
    return passed < 0
               ? Text::tr("This machine’s clock went back by {} h since the point before: set it right. The "
                          "readings are kept; their times are not to be trusted.",
                          hours)
               : Text::tr("This machine’s clock went ahead by {} h since the point before: set it right. "
                          "The readings are kept; their times are not to be trusted.",
                          hours);
}

const std::vector<Text>& readyPhrases() {
    static const std::vector<Text> phrases{Text::tr("leak test done"),
                                           Text::tr("first bubbles: dissolved air"),
                                           Text::tr("chips renewed"),
                                           Text::tr("bumped"),
                                           Text::tr("heat turned down"),
                                           Text::tr("condenser running"),
                                           Text::tr("dial tapped with a finger"),
                                           Text::tr("room pressure read again")};
    return phrases;
}

Text vigourName(int vigour) {
    static constexpr std::array<Phrase, 5> names{Text::phrase("few"), Text::phrase("steady"),
                                                 Text::phrase("lively"), Text::phrase("hard"),
                                                 Text::phrase("violent")};
    return names.at(static_cast<std::size_t>(std::clamp(vigour, 1, 5) - 1));
}

} // namespace uttrin
