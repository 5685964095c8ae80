#include "Steady.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr std::size_t kFewestInAWindow = 5; // readings in a window
constexpr double kSpare = 2.0;              // standard errors
constexpr double kMostlyThere = 0.8;        // of a window that readings have to span

/// A drift of a channel, K/s of the boiling point.
struct Drift {
    double slope = 0.0, u = 0.0;
};

std::optional<Settled> lastOf(const TraceChannel& channel, double from, double to) {
    const TraceChannel window = channel.between(from, to);
    if (window.size() < kFewestInAWindow ||
        window.seconds.back() - window.seconds.front() < kMostlyThere * (to - from))
        return std::nullopt;
    return settled(window.seconds, window.values, window.step);
}

std::optional<Drift> driftOfPressure(const Settled& s, const Substance& substance) {
    const auto there = substance.saturationAt(Pressure::fromPascal(s.mean));
    if (!there || !(there->slope > 0.0)) return std::nullopt;
    return Drift{s.slope / there->slope, s.slopeU / there->slope};
}

/// The greater of the drifts before a moment; nothing where a channel has too little of it.
std::optional<Drift> driftBefore(const Trace& trace, const Substance& substance, double from, double to) {
    std::optional<Drift> most;
    const auto take = [&](const Drift& d) {
        if (!most || std::abs(d.slope) + kSpare * d.u > std::abs(most->slope) + kSpare * most->u) most = d;
    };
    if (!trace.pascal.empty()) {
        const auto s = lastOf(trace.pascal, from, to);
        const auto drift = s ? driftOfPressure(*s, substance) : std::nullopt;
        if (!drift) return std::nullopt;
        take(*drift);
    }
    if (!trace.kelvin.empty()) {
        const auto s = lastOf(trace.kelvin, from, to);
        if (!s) return std::nullopt;
        take({s->slope, s->slopeU});
    }
    return most;
}

SteadyStretch stretchOf(const Trace& trace, const Substance& substance, double from, double to) {
    SteadyStretch stretch{from, to, lastOf(trace.pascal, from, to), lastOf(trace.kelvin, from, to), 0.0, 0.0};
    if (const auto drift = driftBefore(trace, substance, from, to)) {
        stretch.slope = drift->slope;
        stretch.slopeU = drift->u;
    }
    return stretch;
}

} // namespace

std::optional<SteadyVerdict> steadyBefore(const Trace& trace, const Substance& substance,
                                          const SteadyTolerance& tolerance, double now) {
    const auto drift = driftBefore(trace, substance, now - tolerance.seconds, now);
    if (!drift) return std::nullopt;
    return SteadyVerdict{(std::abs(drift->slope) + kSpare * drift->u) * tolerance.seconds <= tolerance.kelvin,
                         drift->slope, drift->u};
}

std::vector<SteadyStretch> steadyStretches(const Trace& trace, const Substance& substance,
                                           const SteadyTolerance& tolerance) {
    const TraceChannel& ticks = trace.pascal.size() >= trace.kelvin.size() ? trace.pascal : trace.kelvin;
    std::vector<SteadyStretch> stretches;
    std::optional<std::pair<double, double>> open;
    const auto close = [&] {
        if (open) stretches.push_back(stretchOf(trace, substance, open->first, open->second));
        open.reset();
    };
    for (const double now : ticks.seconds) {
        const double from = now - tolerance.seconds;
        constexpr double kRounded = 1e-6; // of a window: times are read from figures
        if (from < ticks.seconds.front() - kRounded * tolerance.seconds) continue;
        const auto verdict = steadyBefore(trace, substance, tolerance, now);
        if (!verdict || !verdict->steady) {
            close();
            continue;
        }
        if (!open) open = {stretches.empty() ? from : std::max(from, stretches.back().to), now};
        open->second = now;
    }
    close();
    return stretches;
}

} // namespace uttrin
