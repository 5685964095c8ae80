#include "RunView.h"

#include "BenchAids.h"
#include "PressureText.h"
#include "analysis/LineFit.h"
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

double meanOf(const std::vector<double>& v) {
    double sum = 0.0;
    for (const double x : v)
        sum += x;
    return sum / static_cast<double>(v.size());
}

double spreadOf(const std::vector<double>& v) {
    const double mean = meanOf(v);
    double sum = 0.0;
    for (const double x : v)
        sum += (x - mean) * (x - mean);
    return std::sqrt(sum / static_cast<double>(v.size() - 1));
}

/// Quick repeats at one target, by time.
struct Repeats {
    std::vector<double> pascal, kelvin, seconds;
    std::vector<FitPoint> liquid, boils; ///< K against s, as they were read between divisions
};

Repeats repeatsAt(const std::vector<ReducedReading>& readings, int place, const Liquid& liquid) {
    Repeats all;
    Milliseconds first = 0;
    constexpr double kMs = 1000.0;
    for (const ReducedReading& r : readings) {
        if (r.struck() || !r.absolute || r.raw.place != place) continue;
        if (all.seconds.empty()) first = r.raw.takenAt;
        const double at = static_cast<double>(r.raw.takenAt - first) / kMs,
                     kelvin = r.liquid.temperature.kelvin();
        all.seconds.push_back(at);
        all.pascal.push_back(r.absolute->pressure.pascal());
        all.kelvin.push_back(kelvin);
        all.liquid.push_back({at, kelvin, 0.0, r.liquid.uIndependent});
        if (const auto boils = liquid.saturationAt(r.absolute->pressure))
            all.boils.push_back(
                {at, boils->temperature.kelvin(), 0.0, r.absolute->uIndependent / boils->slope});
    }
    return all;
}

/// Whether they stand still: by how much boiling point and temperature move in ten seconds, with two standard
/// errors, against a tenth of a kelvin. Empty under three, or where they were not quick.
Text steadyText(const Repeats& repeats) {
    constexpr std::size_t kFewest = 3;
    constexpr double kTolerance = 0.1, kIn = 10.0; // K in so many s
    if (repeats.boils.size() < kFewest) return {};
    double surely = 0.0, moves = 0.0;
    for (const auto* points : {&repeats.liquid, &repeats.boils}) {
        const LineFit line = fitOls(*points);
        // By their scatter, and never better than they could be read.
        const double u = std::max(line.slopeU, fitWeighted(*points, false).slopeU);
        moves = std::max(moves, kIn * std::abs(line.slope));
        surely = std::max(surely, kIn * (std::abs(line.slope) + 2.0 * u));
    }
    return surely <= kTolerance
               ? Text::tr("steady, within {} K in {} s", Text::number(surely, 2), std::lround(kIn))
               : Text::tr("not steady yet: {} K in {} s", Text::number(moves, 2), std::lround(kIn));
}

Text repeatsText(const std::vector<ReducedReading>& readings, const std::optional<int>& place,
                 const Liquid& liquid) {
    if (!place) return {}; // what was taken for no target repeats nothing
    const Repeats repeats = repeatsAt(readings, *place, liquid);
    if (repeats.kelvin.size() < 2) return {};
    std::vector<Text> said{
        Text::tr("{} repeats: {} kPa ± {}, {} °C ± {}", repeats.kelvin.size(),
                 fixed(meanOf(repeats.pascal) * 1e-3, 2), fixed(spreadOf(repeats.pascal) * 1e-3, 2),
                 fixed(meanOf(repeats.kelvin) - kIcePointKelvin, 1), fixed(spreadOf(repeats.kelvin), 2))};
    constexpr double kMinute = 60.0, kQuick = 300.0; // s
    const double lasts = repeats.seconds.back();
    if (lasts > 0.0 && lasts < kQuick) {
        if (const Text steady = steadyText(repeats); !steady.empty()) said.push_back(steady);
        const double aMinute = kMinute * (repeats.kelvin.back() - repeats.kelvin.front()) / lasts;
        if (const Text advice = coolingAdvice(aMinute); !advice.empty())
            said.push_back(Text::tr("it cools by {} K a minute, {}", Text::number(-aMinute, 1), advice));
    }
    return Text::join(said, Text::set("; "));
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
    if (!readings.empty()) v.repeats = repeatsText(readings, readings.back().raw.place, liquidOf(plan));
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
