#include "MeasuredView.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <algorithm>
#include <cmath>
#include <sstream>

namespace uttrin {
namespace {

constexpr double kDay = 24.0 * 60.0;

/// s from the start of the rehearsal at which its watched vessel has cooled to a temperature, once the clock
/// runs.
std::optional<double> cooledTo(const Rehearsal& r, double celsius) {
    for (std::size_t i = r.sampleAt(clockStart(r)); i < r.run.samples.size(); ++i)
        if (r.watchedAt(i).kelvin - kIcePointKelvin <= celsius) return r.run.samples[i].seconds;
    return std::nullopt;
}

} // namespace

Result<double> parseClock(std::string_view text) {
    const auto colon = text.find(':');
    if (colon != std::string_view::npos) {
        const auto hour = parseNumber(text.substr(0, colon)), minute = parseNumber(text.substr(colon + 1));
        if (hour && minute && *hour >= 0.0 && *hour < 24.0 && *minute >= 0.0 && *minute < 60.0 &&
            std::trunc(*hour) == *hour)
            return 60.0 * *hour + *minute;
    }
    return fail(Failure::BadInput, Text::tr("'{}' is not a time of day; accepted: hh:mm, e.g. 10:41", text));
}

Text clockOf(double minute) {
    const long whole = std::lround(std::fmod(std::fmod(minute, kDay) + kDay, kDay));
    return Text::set("{:02}:{:02}", whole / 60 % 24, whole % 60);
}

Result<std::vector<ClockMoment>> parseMoments(const std::string& text) {
    std::vector<ClockMoment> moments;
    std::istringstream lines(text);
    std::string line;
    for (int number = 1; std::getline(lines, line); ++number) {
        std::istringstream words(line);
        std::string time, degrees, more;
        if (!(words >> time)) continue;
        words >> degrees;
        std::ranges::replace(degrees, ',', '.');
        const auto clock = parseClock(time);
        const auto celsius = parseNumber(degrees);
        constexpr double kColdest = -100.0, kHottest = 300.0;
        if (!clock || !celsius || *celsius < kColdest || *celsius > kHottest || words >> more)
            return fail(
                Failure::BadInput,
                Text::tr("line {}: '{}' is not a time and a temperature; accepted: hh:mm and °C, e.g. "
                         "10:41 65.2",
                         number, line));
        moments.push_back({*clock, *celsius});
    }
    return moments;
}

Result<std::vector<MeasuredMoment>> sinceClock(const std::vector<ClockMoment>& moments, double clockMinute) {
    std::vector<MeasuredMoment> readings;
    for (const ClockMoment& m : moments) {
        if (m.minute < clockMinute)
            return fail(Failure::BadInput, Text::tr("the reading at {} lies before {}", clockOf(m.minute),
                                                    clockOf(clockMinute)));
        readings.push_back({60.0 * (m.minute - clockMinute), m.celsius + kIcePointKelvin});
    }
    return readings;
}

std::vector<Text> fitSentences(const CoolingFit& fit, double clockMinute, double wanted) {
    std::vector<Text> lines;
    const Rehearsal& r = fit.rehearsal;
    const double start = clockStart(r);
    const auto clock = [&](double seconds) { return clockOf(clockMinute + (seconds - start) / 60.0); };
    if (const auto at = cooledTo(r, wanted))
        lines.push_back(Text::tr("At {} °C at {}.", fixed(wanted, 0), clock(*at)));
    const auto spells = boilingSpells(r);
    if (!spells.empty() && spells.back().second > start)
        lines.push_back(
            Text::tr("It can still be made to boil until about {}.", clock(spells.back().second)));
    // What moved most, by what is known of it now.
    const auto moved = [](const CoolingFit::Value& v) {
        return v.u > 0.0 ? std::abs(v.after - v.before) / v.u : 0.0;
    };
    const auto most = std::ranges::max_element(fit.values, {}, moved);
    if (most != fit.values.end() && moved(*most) > 1.0 && most->before > 0.0)
        lines.push_back(Text::tr("Against what was expected, {}: {} %.", Text::data(most->name),
                                 fixedSigned(100.0 * (most->after / most->before - 1.0), 0)));
    lines.push_back(Text::tr("The curve lies within {} K of the readings.", fixed(fit.rmsKelvin, 1)));
    return lines;
}

std::vector<Text> readySentences(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const std::vector<ClockMoment>& wanted) {
    std::vector<Text> lines;
    for (const ClockMoment& w : wanted) {
        const auto lead = leadTimeFor(rig, settings, w.celsius + kIcePointKelvin);
        if (!lead) {
            lines.push_back(
                Text::tr("{} °C at {}: {}.", fixed(w.celsius, 0), clockOf(w.minute), lead.error().message));
            continue;
        }
        lines.push_back(Text::tr("{} °C at {}: shut at {} ± {:.0f} min, begin at {}.", fixed(w.celsius, 0),
                                 clockOf(w.minute), clockOf(w.minute - lead->fromClock / 60.0),
                                 std::max(1.0, lead->u / 60.0), clockOf(w.minute - lead->fromStart / 60.0)));
    }
    return lines;
}

} // namespace uttrin
