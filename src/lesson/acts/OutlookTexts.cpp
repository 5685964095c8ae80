#include "OutlookTexts.h"

#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "physics/Scald.h"
#include "quantities/Rounding.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/CoolingFit.h"

#include <fmt/format.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kTouchKelvin = kIcePointKelvin + 45.0; // glass that a hand can hold for a while

Text whole(double kelvin) { return fixed(kelvin - kIcePointKelvin, 0); }
Text tenth(double kelvin) { return fixed(kelvin - kIcePointKelvin, 1); }

/// A time that the glass needs, or nothing where it is cool already or never gets there.
std::optional<double> coolAt(const Rehearsal& r, std::size_t from) {
    if (r.watched().walls.empty() || r.watchedAt(from).wallKelvin() <= kTouchKelvin) return std::nullopt;
    for (std::size_t i = from; i < r.run.samples.size(); ++i)
        if (r.watchedAt(i).wallKelvin() <= kTouchKelvin) return r.run.samples[i].seconds;
    return std::nullopt;
}

/// The next move that is not made, by the likeliest course.
const RigEvent* nextMove(const Rehearsal& r, double seconds) {
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::Moved && e.seconds > seconds) return &e;
    return nullptr;
}

Text whereItIs(const LearnedForecast& learned, double seconds) {
    const auto now = learned.outlook.band.at(seconds);
    if (!now) return {};
    return Text::tr("By what was read: {} °C now ({} to {}).", tenth(now->value), tenth(now->low),
                    tenth(now->high));
}

Text nextText(const Rehearsal& r, double seconds, const ActCourse& course, int offset) {
    const double start = clockStart(r);
    const RigEvent* next = nextMove(r, start + seconds);
    if (!next || !course.clockRuns()) return {};
    const double in = next->seconds - start - seconds;
    constexpr double kThen = 30.0; // s, after which it is seen what comes of it
    const VesselState& then = r.watchedAt(r.sampleAt(next->seconds + kThen));
    return Text::tr("Next: {} in {} ({}), at about {} °C; then: {}.", eventText(r.setup, *next),
                    durationText(in), Text::typed(clockText(course.momentOf(seconds + in), offset)),
                    whole(r.watchedAt(r.sampleAt(next->seconds)).kelvin),
                    nameOf(appearanceOf(r.watched(), then)));
}

} // namespace

Text durationText(double seconds) {
    const auto all = static_cast<long long>(std::llround(std::max(seconds, 0.0)));
    constexpr long long kHour = 3600, kMinute = 60;
    return Text::typed(all >= kHour
                           ? fmt::format("{}:{:02}:{:02}", all / kHour, all % kHour / kMinute, all % kMinute)
                           : fmt::format("{}:{:02}", all / kMinute, all % kMinute));
}

std::optional<ConductView::Next> nextMoveOf(const FrozenForecast& frozen, const LearnedForecast* learned,
                                            const ActCourse& course, Milliseconds now) {
    const Rehearsal& r = learned ? learned->likeliest : frozen.rehearsal;
    const double at = clockStart(r) + course.fromClock(now);
    const RigEvent* next = course.clockRuns() ? nextMove(r, at) : nullptr;
    if (!next) return std::nullopt;
    // One that is held back until now is made as soon as it may be.
    constexpr double kAtOnce = 1.0; // s
    const bool overdue = learned && std::abs(next->seconds - clockStart(r) - learned->heldUntil) < kAtOnce;
    return ConductView::Next{eventText(r.setup, *next), next->seconds - at, overdue};
}

std::vector<Text> outlookTexts(const FrozenForecast& frozen, const LearnedForecast* learned,
                               const ActCourse& course, Milliseconds now, int offset) {
    std::vector<Text> texts;
    const auto add = [&](Text text) {
        if (!text.empty()) texts.push_back(std::move(text));
    };
    const double seconds = course.fromClock(now);
    const Rehearsal& r = learned ? learned->likeliest : frozen.rehearsal;
    const Outlook& outlook = learned ? learned->outlook : frozen.outlook;
    if (learned) add(whereItIs(*learned, seconds));
    const double at = clockStart(r) + seconds;
    if (at > r.run.samples.back().seconds) return texts;
    if (const auto next = nextMoveOf(frozen, learned, course, now); next && next->overdue)
        add(Text::tr("Due now: {}. Stamp it when it is done.", next->says));
    else
        add(nextText(r, seconds, course, offset));
    if (const auto& down = outlook.boilsDownTo)
        add(Text::tr("It boils down to {} °C ({} to {}).", whole(down->value), whole(down->low),
                     whole(down->high)));
    const std::size_t sample = r.sampleAt(at);
    constexpr double kFelt = 2.0; // N
    if (const double force = r.watchedAt(sample).force; force > kFelt)
        add(Text::tr("What closes it is held with {} N.", fixed(force, 0)));
    if (const auto cool = coolAt(r, sample))
        add(Text::tr("The glass can be touched in {}: it is below 45 °C then.", durationText(*cool - at)));
    const auto warm = Temperature::fromKelvin(r.watchedAt(sample).kelvin);
    add(scaldText(warm));
    if (boils(appearanceOf(r.watched(), r.watchedAt(sample)))) add(coolBoilingText(warm));
    return texts;
}

} // namespace uttrin
