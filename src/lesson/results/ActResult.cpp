#include "ActResult.h"

#include "lesson/acts/ActReadings.h"
#include "lesson/acts/OutlookTexts.h"
#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/CoolingFit.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

Text tenth(double kelvin) { return fixed(kelvin - kIcePointKelvin, 1); }

Text minuteText(double seconds) { return fixed(seconds / 60.0, 1); }

Text forecastAt(const FrozenForecast& f, double seconds) {
    const auto band = f.outlook.band.at(seconds);
    return band ? Text::tr("{}, {} to {} °C", tenth(band->value), tenth(band->low), tenth(band->high))
                : Text::set("–");
}

/// How it looks by a rehearsal so long after its clock.
Text lookAt(const Rehearsal& r, double seconds) {
    const double at = clockStart(r) + seconds;
    if (at < 0.0 || at > r.run.samples.back().seconds) return Text::set("–");
    return nameOf(appearanceOf(r.watched(), r.watchedAt(r.sampleAt(at))));
}

/// The pressure in a vessel that was shut, from what was read and the air that is left, with its uncertainty.
Text insideAt(const Rehearsal& r, double seconds, const StampedTemperature& read) {
    if (r.setup.clockMove < 0 || seconds < 0.0 || !read.ofTheLiquid) return {};
    const double at = clockStart(r) + seconds;
    if (at > r.run.samples.back().seconds) return {};
    const auto substance = findSubstance(r.setup.substance);
    if (!substance) return {};
    const auto pressureAt = [&](double kelvin) {
        const auto p = (*substance)->vapourPressure(Temperature::fromKelvin(kelvin));
        return p ? p->pascal() : std::nan("");
    };
    constexpr double kAirShareU = 0.5; // of the air that is left: nobody saw it
    const double air = r.watchedAt(r.sampleAt(at)).airPascal;
    const double vapour = pressureAt(read.kelvin);
    const double u = std::hypot(0.5 * (pressureAt(read.kelvin + read.u) - pressureAt(read.kelvin - read.u)),
                                kAirShareU * air) /
                     1000.0;
    if (!std::isfinite(vapour) || !std::isfinite(u)) return {};
    const int decimals = decimalsForUncertainty(u);
    return Text::set("{} ± {} kPa", fixed((vapour + air) / 1000.0, decimals), fixed(u, decimals));
}

/// A value of an uncertain quantity for people, in the unit in which its rig file has it.
Text valueText(const RigFile& rig, const RigUncertainty& u, const std::vector<RigSetting>& settings,
               const Interval90& i) {
    // The file writes a value with its unit: what it would write is what people read.
    const auto words = [&](double si) { return rig.setting(u.pointer, si, settings).value; };
    const auto measure = [&](double si) {
        const std::string text = words(si);
        const auto space = text.find(' ');
        const auto number = parseNumber(text.substr(0, space));
        return std::pair(number.value_or(0.0), space == std::string::npos ? "" : text.substr(space + 1));
    };
    const auto [value, unit] = measure(i.value);
    const double low = measure(i.low).first, high = measure(i.high).first;
    const int decimals = decimalsForUncertainty(std::max(1e-9, (high - low) / 3.3));
    return Text::tr("{}, {} to {} {}", fixed(value, decimals), fixed(low, decimals), fixed(high, decimals),
                    unit);
}

/// Why it boiled no lower, by the likeliest course at its end.
Text whyNoLower(const Rehearsal& r, double seconds) {
    const std::size_t i = r.sampleAt(clockStart(r) + seconds);
    const VesselState& s = r.watchedAt(i);
    constexpr double kMuchAir = 0.25; // of the pressure
    if (s.pascal > 0.0 && s.airPascal / s.pascal > kMuchAir)
        return Text::tr("air makes {} % of the pressure then", fixed(100.0 * s.airPascal / s.pascal, 0));
    const RigModel model = modelAt(r, r.run.samples[i].seconds);
    const bool cold = std::ranges::any_of(model.contacts, [&](const Contact& c) {
        const auto place = static_cast<std::size_t>(&c - model.contacts.data());
        return c.on && c.iceKg > 0.0 && r.run.samples[i].contacts[place].iceKg > 0.0;
    });
    if (!cold) return Text::tr("nothing cold lay on it any more");
    if (s.margin && s.marginAtBottom && *s.margin > *s.marginAtBottom + 0.5)
        return Text::tr("below the surface the water’s own weight holds it back");
    return Text::tr("what was cold no longer took enough heat");
}

void addLowest(ActResult& result, const ActCourse& course, const Rehearsal& r, const ForecastBand& band) {
    std::optional<double> until;
    for (const Stamp* stamp : course.stamps())
        if (stamp->kind == StampKind::Seen && stamp->what == plain(thingsSeen()[kStops]))
            until = course.fromClock(stamp->takenAt);
    if (!until || *until < 0.0) return;
    const auto k = band.at(*until);
    if (!k) return;
    result.lowest = Text::tr("It boiled down to {} °C ({} to {}): {}.", tenth(k->value), tenth(k->low),
                             tenth(k->high), whyNoLower(r, *until));
}

/// The lowest temperature that a group read while it saw it boil.
void addGroups(ActResult& v, const LessonModel& model, const Act& act, const FrozenForecast& frozen) {
    for (const Group& g : model.data().groups) {
        const ActCourse course(model, act, frozen, g.id);
        ActResult::ByGroup found{Text::typed(g.name), 0, Text::set("–"), Text::set("–")};
        bool boils = false, any = false;
        std::optional<double> lowest;
        for (const Stamp* stamp : course.stamps()) {
            any = any || stamp->groupId == g.id;
            if (stamp->kind == StampKind::Seen && stamp->what == plain(thingsSeen()[kBoils])) boils = true;
            if (stamp->kind == StampKind::Seen && stamp->what == plain(thingsSeen()[kStops])) boils = false;
            const auto t = temperatureOf(model, *stamp);
            if (!t || !t->ofTheLiquid || stamp->bound != StampBound::None) continue;
            ++found.read;
            if (!boils || (lowest && t->kelvin >= *lowest)) continue;
            lowest = t->kelvin;
            found.lowest = Text::tr("{} °C", tenth(t->kelvin));
            found.inside = insideAt(frozen.rehearsal, course.fromClock(stamp->takenAt), *t);
        }
        if (any) v.groups.push_back(std::move(found));
    }
}

void addVerdict(ActResult& v, const FaultFinding* fault) {
    const bool outside = std::ranges::any_of(v.reads, &ActResult::Read::outside);
    if (!fault) {
        v.verdict = v.reads.empty() ? Text::tr("Nothing was read or seen: there is nothing to compare.")
                                    : Text::tr("Working it out.");
        return;
    }
    v.asForeseen = fault->asForeseen;
    if (fault->asForeseen) {
        v.verdict = outside ? Text::tr("It went as it should: readings outside the band are few enough for chance.")
                            : Text::tr("It went as it should: what was read lies within the frozen forecast.");
        return;
    }
    if (fault->candidates.empty()) {
        v.verdict = Text::tr("It went otherwise than foreseen, and none of the usual faults explains it: look "
                             "at the room, the amounts and the thermometer.");
        return;
    }
    std::vector<Text> names;
    for (const auto& c : fault->candidates) {
        names.push_back(Text::data(c.name));
        if (!c.says.empty()) v.evidence.push_back(Text::data(c.says));
    }
    v.verdict = names.size() == 1
                    ? Text::tr("It went otherwise than foreseen, likeliest by: {}.", names.front())
                    : Text::tr("It went otherwise than foreseen, by one of these, which cannot be told apart: {}.",
                               Text::list(names));
    v.evidence.push_back(Text::tr("What was read and seen fits that better than the forecast by {} in chi square.",
                                  fixed(fault->candidates.front().gain, 0)));
}

void addStamps(ActResult& v, const LessonModel& model, const ActCourse& course, const FrozenForecast& frozen,
               const Rehearsal& likeliest) {
    const int offset = model.lesson().utcOffsetMin;
    for (const Stamp* stamp : course.stamps()) {
        const Text when = Text::typed(clockTextWithSeconds(stamp->takenAt, offset));
        const double seconds = course.fromClock(stamp->takenAt);
        switch (stamp->kind) {
        case StampKind::Read: {
            ActResult::Read read{when, minuteText(seconds), readingText(*stamp), {}, {}, false};
            if (const auto t = temperatureOf(model, *stamp)) {
                read.inside = insideAt(likeliest, seconds, *t);
                if (t->ofTheLiquid) {
                    read.forecast = forecastAt(frozen, seconds);
                    const auto band = frozen.outlook.band.at(seconds);
                    read.outside = band && ((stamp->bound != StampBound::Below && t->kelvin < band->low) ||
                                            (stamp->bound != StampBound::Above && t->kelvin > band->high));
                }
            }
            v.reads.push_back(std::move(read));
            break;
        }
        case StampKind::Seen:
            v.seen.push_back(
                {when, minuteText(seconds), Text::data(stamp->what), lookAt(frozen.rehearsal, seconds)});
            break;
        case StampKind::Confirmed:
            v.steps.push_back(Text::tr("{}  step {} done", when, stamp->step.value_or(0) + 1));
            break;
        case StampKind::Skipped:
            v.steps.push_back(Text::tr("{}  step {} skipped: {}", when, stamp->step.value_or(0) + 1,
                                       Text::data(stamp->what)));
            break;
        case StampKind::Begun:
            v.steps.push_back(Text::tr("{}  begun", when));
            break;
        case StampKind::Finished:
            v.steps.push_back(Text::tr("{}  finished", when));
            break;
        }
    }
}

/// A demonstration that claims to boil below the usual point wants a temperature before and after.
Text claimText(const ActCourse& course, const Rehearsal& frozen, const LessonModel& model) {
    if (frozen.setup.goal.kind != RigGoal::BoilsBelow) return {};
    int read = 0;
    for (const Stamp* stamp : course.stamps())
        if (const auto t = temperatureOf(model, *stamp); t && t->ofTheLiquid) ++read;
    if (read >= 2) return {};
    return read == 0 ? Text::tr("Not measured: it is said to boil below its usual point, and no temperature of "
                                "the liquid was read.")
                     : Text::tr("Not measured: it takes a temperature of the liquid before and after; one was "
                                "read.");
}

} // namespace

ActAnalysis analyse(const LearningTask& task, const std::function<bool()>& goOn) {
    ActAnalysis a;
    a.key = task.key;
    if (auto learned = learnFrom(task, goOn))
        a.learned = std::move(*learned);
    if (goOn && !goOn()) return a;
    if (auto fault = searchFault(*task.rig.rig(), task.rig.settings(), task.observed, goOn)) a.fault = std::move(*fault);
    return a;
}

std::optional<LearningTask> analysisTask(const LessonSession& s, const Act& act, const FrozenForecast& frozen) {
    const ActCourse course(s.model(), act, frozen);
    Milliseconds last = 0;
    for (const Stamp* stamp : course.stamps())
        last = std::max(last, stamp->takenAt);
    LearningTask task = taskOf(act, frozen, course, last);
    if (task.observed.readings.empty() && task.observed.boiling.empty()) return std::nullopt;
    return task;
}

ActResult actResult(const LessonSession& s, const Act& act, const FrozenForecast* frozen,
                    const ActAnalysis* analysis) {
    ActResult v;
    v.act = act.id;
    v.title = Text::typed(act.title);
    v.questions = questionsOf(s, act);
    std::erase_if(v.questions, [](const QuestionView& q) { return q.id == 0; });
    if (!frozen) {
        v.verdict = Text::tr("It has not begun yet.");
        return v;
    }
    const ActCourse course(s.model(), act, *frozen);
    v.room = Text::tr("{} kPa", fixed(frozen->rehearsal.setup.model.roomPascal / 1000.0, 2));
    const LearnedForecast* learned = analysis && analysis->learned ? &*analysis->learned : nullptr;
    const Rehearsal& likeliest = learned ? learned->likeliest : frozen->rehearsal;
    addStamps(v, s.model(), course, *frozen, likeliest);
    const RigFile& rig = *frozen->rig.rig();
    const auto settings = frozen->rig.settings();
    for (std::size_t i = 0; i < frozen->outlook.values.size(); ++i) {
        const RigUncertainty& u = rig.uncertainties()[i];
        v.values.push_back({Text::data(u.name), valueText(rig, u, settings, frozen->outlook.values[i]),
                            learned ? valueText(rig, u, settings, learned->outlook.values[i])
                                    : Text()});
    }
    addLowest(v, course, likeliest, learned ? learned->outlook.band : frozen->outlook.band);
    addGroups(v, s.model(), act, *frozen);
    v.notMeasured = claimText(course, frozen->rehearsal, s.model());
    addVerdict(v, analysis && analysis->fault ? &*analysis->fault : nullptr);
    return v;
}

} // namespace uttrin
