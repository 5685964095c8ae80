#include "ActResult.h"

#include "BoilingBracket.h"
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
#include <memory>
#include <numeric>

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
                    std::string(shownUnit(unit)));
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
        if (seenBoiling(*stamp) == false) until = course.fromClock(stamp->takenAt);
    if (!until || *until < 0.0) return;
    const auto k = band.at(*until);
    if (!k) return;
    result.lowest = Text::tr("It boiled down to {} °C ({} to {}): {}.", tenth(k->value), tenth(k->low),
                             tenth(k->high), whyNoLower(r, *until));
}

/// The lowest temperature that a group read while it saw it boil.
void addGroups(ActResult& v, const LessonModel& model, const Act& act, const FrozenForecast& frozen) {
    std::vector<double> lowests;
    for (const Group& g : model.data().groups) {
        const ActCourse course(model, act, frozen, g.id);
        ActResult::ByGroup found{Text::typed(g.name), 0, 0, Text::set("–"), Text::set("–")};
        bool boils = false, any = false;
        std::optional<double> lowest;
        for (const Stamp* stamp : course.stamps()) {
            any = any || stamp->groupId == g.id;
            boils = seenBoiling(*stamp).value_or(boils);
            const auto t = temperatureOf(model, *stamp);
            if (!t || !t->ofTheLiquid || stamp->bound != StampBound::None) continue;
            ++found.read;
            const double seconds = course.fromClock(stamp->takenAt);
            found.outside += isInBand(frozen.outlook.band, seconds, *stamp, *t) == false ? 1 : 0;
            if (!boils || (lowest && t->kelvin >= *lowest)) continue;
            lowest = t->kelvin;
            found.lowest = Text::tr("{} °C", tenth(t->kelvin));
            found.inside = insideAt(frozen.rehearsal, seconds, *t);
        }
        if (!any) continue;
        v.groups.push_back(std::move(found));
        if (lowest) lowests.push_back(*lowest);
    }
    if (lowests.size() < 2) return;
    const auto [low, high] = std::ranges::minmax(lowests);
    const double mean =
        std::accumulate(lowests.begin(), lowests.end(), 0.0) / static_cast<double>(lowests.size());
    v.pooled = Text::tr("{} groups: it boiled down to {} °C in the mean, from {} to {} °C.", lowests.size(),
                        tenth(mean), tenth(low), tenth(high));
}

/// Where each group had a rig of its own there is no one course: how many readings the forecast had.
Text verdictOfGroups(ActResult& v) {
    int read = 0, outside = 0;
    for (const auto& group : v.groups) {
        read += group.read;
        outside += group.outside;
    }
    constexpr double kMost = 0.3; // of readings outside a band of 90 %, of rigs that go as they should
    v.asForeseen = outside <= kMost * read;
    if (read == 0)
        return Text::tr(
            "The groups stamped what they saw and read no temperature: there is nothing to compare.");
    return v.asForeseen
               ? Text::tr("It went as it should: {} of {} temperatures that the groups read lie within the "
                          "frozen forecast.",
                          read - outside, read)
               : Text::tr("It went otherwise than foreseen: {} of {} temperatures that the groups read lie "
                          "outside the frozen forecast.",
                          outside, read);
}

/// @param analysed  whether there is anything of one rig to analyse.
void addVerdict(ActResult& v, const FaultFinding* fault, bool analysed) {
    const bool outside = std::ranges::any_of(v.reads, &ActResult::Read::outside);
    if (!fault && !analysed && !v.groups.empty()) {
        v.verdict = verdictOfGroups(v);
        return;
    }
    if (!fault) {
        v.verdict = v.reads.empty() ? Text::tr("Nothing was read or seen: there is nothing to compare.")
                                    : Text::tr("Working it out.");
        return;
    }
    v.asForeseen = fault->asForeseen;
    if (fault->asForeseen) {
        v.verdict =
            outside ? Text::tr("It went as it should: readings outside the band are few enough for chance.")
                    : Text::tr("It went as it should: what was read lies within the frozen forecast.");
        return;
    }
    if (fault->candidates.empty()) {
        v.verdict =
            Text::tr("It went otherwise than foreseen, and none of the usual faults explains it: look "
                     "at the room, the amounts and the thermometer.");
        return;
    }
    std::vector<Text> names;
    for (const auto& c : fault->candidates) {
        names.push_back(Text::data(c.name));
        if (!c.says.empty()) v.evidence.push_back(Text::data(c.says));
    }
    v.verdict =
        names.size() == 1
            ? Text::tr("It went otherwise than foreseen, likeliest by: {}.", names.front())
            : Text::tr("It went otherwise than foreseen, by one of these, which cannot be told apart: {}.",
                       Text::list(names));
    v.evidence.push_back(
        Text::tr("What was read and seen fits that better than the forecast by {} in chi square.",
                 fixed(fault->candidates.front().gain, 0)));
}

bool hasAnything(const Observed& o) { return !o.readings.empty() || !o.boiling.empty(); }

/// A stamp with the course and the rehearsal on whose clock it is.
struct Placed {
    const Stamp* stamp;
    const ActCourse* course;
    const Rehearsal* likeliest;
};

ActResult::Read readOf(const LessonModel& model, const Placed& placed, const FrozenForecast& frozen) {
    const Stamp& stamp = *placed.stamp;
    const double seconds = placed.course->fromClock(stamp.takenAt);
    ActResult::Read read;
    read.minute = minuteText(seconds);
    read.read = byGroup(model, stamp, readingText(stamp));
    const auto t = temperatureOf(model, stamp);
    if (!t) return read;
    read.inside = insideAt(*placed.likeliest, seconds, *t);
    if (!t->ofTheLiquid) return read;
    read.forecast = forecastAt(frozen, seconds);
    read.outside = isInBand(frozen.outlook.band, seconds, stamp, *t) == false;
    return read;
}

void addStamp(ActResult& v, const LessonModel& model, const Placed& placed, const FrozenForecast& frozen) {
    const Stamp& stamp = *placed.stamp;
    const Text when = Text::typed(clockTextWithSeconds(stamp.takenAt, model.lesson().utcOffsetMin));
    const auto step = [&](const Text& what) {
        v.steps.push_back(byGroup(model, stamp, Text::set("{}  {}", when, what)));
    };
    const int number = stamp.step.value_or(0) + 1;
    switch (stamp.kind) {
    case StampKind::Read:
        v.reads.push_back(readOf(model, placed, frozen));
        v.reads.back().when = when;
        break;
    case StampKind::Seen: {
        const double seconds = placed.course->fromClock(stamp.takenAt);
        v.seen.push_back({when, minuteText(seconds), byGroup(model, stamp, Text::data(stamp.what)),
                          lookAt(frozen.rehearsal, seconds)});
        break;
    }
    case StampKind::Confirmed:
        step(Text::tr("step {} done", number));
        break;
    case StampKind::Skipped:
        step(Text::tr("step {} skipped: {}", number, Text::data(stamp.what)));
        break;
    case StampKind::Begun:
        step(Text::tr("begun"));
        break;
    case StampKind::Finished:
        step(Text::tr("finished"));
        break;
    }
}

/// Everybody's and each group's own, by time.
void addStamps(ActResult& v, const LessonModel& model, const Act& act, const ActCourse& course,
               const FrozenForecast& frozen, const Rehearsal& likeliest) {
    std::vector<Placed> all;
    for (const Stamp* stamp : course.stamps())
        all.push_back({stamp, &course, &likeliest});
    std::vector<std::unique_ptr<ActCourse>> ofGroups;
    for (const Group& g : model.data().groups) {
        ofGroups.push_back(std::make_unique<ActCourse>(model, act, frozen, g.id));
        for (const Stamp* stamp : ofGroups.back()->stamps())
            if (stamp->groupId) all.push_back({stamp, ofGroups.back().get(), &frozen.rehearsal});
    }
    std::ranges::stable_sort(all, {}, [](const Placed& p) { return p.stamp->takenAt; });
    for (const Placed& placed : all)
        addStamp(v, model, placed, frozen);
}

/// A demonstration that claims to boil below the usual point wants a temperature before and after; of groups,
/// at one of their rigs.
Text claimText(const ActCourse& course, const Rehearsal& frozen, const LessonModel& model,
               const std::vector<ActResult::ByGroup>& groups) {
    if (frozen.setup.goal.kind != RigGoal::BoilsBelow) return {};
    int read = 0;
    for (const Stamp* stamp : course.stamps())
        if (const auto t = temperatureOf(model, *stamp); t && t->ofTheLiquid) ++read;
    for (const auto& group : groups)
        read = std::max(read, group.read);
    if (read >= 2) return {};
    return read == 0
               ? Text::tr("Not measured: it is said to boil below its usual point, and no temperature of "
                          "the liquid was read.")
               : Text::tr("Not measured: it takes a temperature of the liquid before and after; one was "
                          "read.");
}

} // namespace

ActAnalysis analyse(const LearningTask& task, const std::function<bool()>& goOn) {
    ActAnalysis a;
    a.key = task.key;
    if (auto learned = learnFrom(task, goOn)) a.learned = std::move(*learned);
    if (goOn && !goOn()) return a;
    if (auto fault = searchFault(*task.rig.rig(), task.rig.settings(), task.observed, goOn))
        a.fault = std::move(*fault);
    return a;
}

std::optional<LearningTask> analysisTask(const LessonSession& s, const Act& act,
                                         const FrozenForecast& frozen) {
    const ActCourse course(s.model(), act, frozen);
    Milliseconds last = 0;
    for (const Stamp* stamp : course.stamps())
        last = std::max(last, stamp->takenAt);
    LearningTask task = taskOf(act, frozen, course, last);
    if (!hasAnything(task.observed)) return std::nullopt;
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
    addStamps(v, s.model(), act, course, *frozen, likeliest);
    const RigFile& rig = *frozen->rig.rig();
    const auto settings = frozen->rig.settings();
    for (std::size_t i = 0; i < frozen->outlook.values.size(); ++i) {
        const RigUncertainty& u = rig.uncertainties()[i];
        v.values.push_back({Text::data(u.name), valueText(rig, u, settings, frozen->outlook.values[i]),
                            learned ? valueText(rig, u, settings, learned->outlook.values[i]) : Text()});
    }
    addLowest(v, course, likeliest, learned ? learned->outlook.band : frozen->outlook.band);
    addGroups(v, s.model(), act, *frozen);
    v.notMeasured = claimText(course, frozen->rehearsal, s.model(), v.groups);
    v.bracket = bracketText(s.model(), course, *frozen);
    addVerdict(v, analysis && analysis->fault ? &*analysis->fault : nullptr,
               hasAnything(course.observed(s.clock().now())));
    return v;
}

} // namespace uttrin
