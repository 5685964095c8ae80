// What is to be said of each point beside its numbers, and which of them count.
#include "Clock.h"
#include "LessonModel.h"
#include "analysis/PumpedLine.h"
#include "plan/BoilingStage.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// The value that most readings have; the first one's on a tie.
template <typename Get>
auto usual(const std::vector<ReducedReading>& run, Get get) {
    using Value = std::decay_t<decltype(get(run.front().raw))>;
    std::map<Value, std::size_t> counts;
    for (const auto& r : run)
        ++counts[get(r.raw)];
    Value best = get(run.front().raw);
    for (const auto& [value, count] : counts)
        if (count > counts[best]) best = value;
    return best;
}

/// That a gauge between tube and pump read low while it pulled, and by how much at most, where that is known.
Text pumpedLineMark(const ReducedReading& r, const Plan& plan) {
    const Rig& rig = plan.rig;
    constexpr double kMillimetre = 1e-3, kLitresAMinute = 6e4;
    const PumpedLine line{kMillimetre * rig.tubeBoreMm, rig.tubeLengthM,
                          rig.pumpLitrePerMinute / kLitresAMinute, rig.pumpUltimatePa};
    const Substance& vapour = substanceOf(plan);
    const bool known = rig.tubeBoreMm > 0.0 && rig.pump == PumpKind::Motor && r.absolute && r.hasTemperature;
    const auto above = known ? mostAboveGauge(line, vapour, r.liquid.temperature, r.absolute->pressure)
                             : Result<double>(fail(Failure::BadInput, {}));
    const auto slope =
        above ? vapour.saturationAt(r.absolute->pressure) : Result<Saturation>(fail(Failure::BadInput, {}));
    if (!slope) return Text::tr("gauge on the pumped line reads low");
    return Text::tr("gauge on the pumped line reads low, by {} kPa ({} K) at most",
                    fixed(*above * 1e-3, std::clamp(decimalsForUncertainty(*above * 1e-3), 1, 3)),
                    fixed(*above / slope->slope, 1));
}

Text placeMark(SensorPlace place) {
    return place == SensorPlace::Vapour ? Text::tr("thermometer in the vapour")
                                        : Text::tr("thermometer on the outside wall");
}

} // namespace

/// What was noted since the reading before that tells of this one.
void LessonModel::markNotes(ReducedReading& r, std::optional<Milliseconds> before) const {
    constexpr Milliseconds kSettles = 10'000; // after a top-up
    bool wrapped = false;
    for (const Note& note : m_data.notes) {
        if (note.runId != r.raw.runId || note.takenAt > r.raw.takenAt) continue;
        const Milliseconds ago = r.raw.takenAt - note.takenAt;
        if (note.text == kToppedUp && ago < kSettles)
            r.marks.push_back(Text::tr("{} s after a top-up", ago / 1000));
        if (note.text.starts_with(kShaken) && (!before || note.takenAt > *before))
            r.marks.push_back(Text::tr("shaken"));
        if (note.text == kWrapped || note.text == kUnwrapped) wrapped = note.text == kWrapped;
    }
    if (wrapped) r.marks.push_back(Text::tr("insulated"));
    for (const PhotoSubject shows : {PhotoSubject::Pressure, PhotoSubject::Temperature})
        if (const Photo* photo = photoOf(r.raw.id, shows))
            for (const BenchPicture& p : m_data.benchPictures)
                if (p.readingId == r.raw.id && p.pictureId == photo->pictureId)
                    r.marks.push_back(Text::tr("read from the picture at {}",
                                               clockText(p.takenAt, m_data.lesson.utcOffsetMin)));
    if (r.raw.beforePull && r.hasTemperature)
        r.marks.push_back(Text::tr("fell by {} since before the pull",
                                   Text::number(*r.raw.beforePull - r.raw.temperature, 1)));
}

void LessonModel::mark(std::vector<ReducedReading>& readings, const Plan& p) const {
    if (readings.empty()) return;
    const bool isolated = usual(readings, [](const Reading& r) { return r.isolated; });
    const ApproachSide side = usual(readings, [](const Reading& r) { return r.side; });
    const std::string order = usual(readings, [](const Reading& r) { return r.readOrder; });
    std::optional<Milliseconds> before; ///< of the reading before
    for (ReducedReading& r : readings) {
        markNotes(r, before);
        before = r.raw.takenAt;
        const bool liquid = readsTheLiquid(p.rig.thermometer.place);
        if (!r.absolute)
            r.marks.push_back(Text::tr("unreferenced"));
        else if (!(r.absolute->pressure.pascal() > 0.0))
            r.marks.push_back(Text::tr("not a possible pressure"));
        if (!r.hasTemperature) r.marks.push_back(Text::tr("the thermometer cannot show that"));
        if (!liquid) r.marks.push_back(placeMark(p.rig.thermometer.place));
        if (r.raw.criterion != p.criterion && !isBracket(r.raw.criterion))
            r.marks.push_back(Text::tr("another criterion"));
        if (r.raw.isolated != isolated)
            r.marks.push_back(r.raw.isolated ? Text::tr("pump closed off") : Text::tr("pump still pulling"));
        if (p.rig.gauge.tap == PressureTap::PumpLine && !r.raw.isolated)
            r.marks.push_back(pumpedLineMark(r, p));
        if (r.raw.readOrder != order) {
            const auto own = readOrderOf(r.raw.readOrder);
            r.marks.push_back(own && !own->empty() ? Text::tr("another read order: {}", nameOf(*own))
                                                   : Text::tr("no read order"));
        }
        if (r.raw.live && r.raw.live->madeUp) r.marks.push_back(Text::tr("simulated, made up"));
        if (r.raw.live && !r.raw.live->steady) r.marks.push_back(Text::tr("captured while it moved"));
        if (r.raw.side != side)
            r.marks.push_back(r.raw.side == ApproachSide::Heating ? Text::tr("heating side")
                                                                  : Text::tr("cooling side"));
        if (r.trial && !p.ladder.trialInFit) r.marks.push_back(Text::tr("trial point"));
        const bool possible = r.superheatKelvin.has_value();
        const bool byRule = liquid && (!r.trial || p.ladder.trialInFit);
        r.inFit = possible && !r.struck() && r.raw.useInFit.value_or(byRule);
    }
    joinBrackets(readings);
}

/// A stop and the restart after it for the same target are one point between them.
void LessonModel::joinBrackets(std::vector<ReducedReading>& readings) {
    for (std::size_t i = 0; i < readings.size(); ++i) {
        ReducedReading& stop = readings[i];
        if (stop.struck() || stop.raw.criterion != BoilingCriterion::BracketStops) continue;
        std::size_t next = i + 1;
        while (next < readings.size() && readings[next].struck())
            ++next;
        const bool restarts = next < readings.size() &&
                              readings[next].raw.criterion == BoilingCriterion::BracketStarts &&
                              readings[next].raw.place == stop.raw.place;
        if (!restarts) {
            stop.marks.push_back(Text::tr("half of a bracket: its restart is missing"));
            continue;
        }
        ReducedReading& start = readings[next];
        start.marks.push_back(
            Text::tr("one point with the stop before it; it lies deeper by what bubbles need to form anew"));
        if (stop.inFit && start.inFit) stop.otherHalf = next;
        start.inFit = false;
    }
}

} // namespace uttrin
