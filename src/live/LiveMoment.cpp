#include "LiveMoment.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kFresh = 2.0;      // s, that an instrument may be silent
constexpr double kMoving = 3.0;     // s, over which means are taken while something moves
constexpr double kLongest = 60.0;   // s, of a stretch that stands still
constexpr double kLooksBack = 90.0; // s, for a rise
constexpr std::size_t kFewest = 3;  // readings that a mean is taken of

std::optional<Settled> meanOf(const TraceChannel& channel, double from, double to) {
    const TraceChannel piece = channel.between(from, to);
    if (piece.size() < kFewest || to - piece.seconds.back() > kFresh) return std::nullopt;
    return settled(piece.seconds, piece.values, piece.step);
}

} // namespace

std::optional<double> risesSince(const TraceChannel& channel) {
    constexpr std::size_t kWindow = 5; // readings, taken together
    constexpr double kClear = 4.0;     // times the noise
    if (channel.size() < 4 * kWindow) return std::nullopt;
    std::vector<double> smooth;
    for (std::size_t i = 0; i + kWindow <= channel.size(); ++i) {
        double sum = 0.0;
        for (std::size_t k = 0; k < kWindow; ++k)
            sum += channel.values[i + k];
        smooth.push_back(sum / kWindow);
    }
    const auto lowest = std::ranges::min_element(smooth);
    const auto at = static_cast<std::size_t>(lowest - smooth.begin());
    if (at < kWindow || smooth.size() - at < kWindow) return std::nullopt;
    double noise = 0.0;
    for (std::size_t i = 1; i < channel.size(); ++i)
        noise += std::abs(channel.values[i] - channel.values[i - 1]);
    noise = std::max(noise / static_cast<double>(channel.size() - 1), channel.step);
    const double fell = smooth.front() - *lowest, rose = smooth.back() - *lowest;
    // A bleed lets in more than that: what boils or leaks into a shut vessel is little.
    constexpr double kLittle = 0.1;
    const bool shut =
        fell > kClear * noise && rose > kClear * noise && rose < fell && rose < kLittle * *lowest;
    return shut ? std::optional(channel.seconds[at + kWindow / 2]) : std::nullopt;
}

void addLags(LiveMoment& moment, const LiveTrail::Lags& lags) {
    const auto corrected = [](Settled& s, double lag) {
        constexpr double kLagKnownTo = 0.2;
        s.mean += lag * s.slope;
        return std::hypot(s.u, kLagKnownTo * lag * s.slope, lag * s.slopeU);
    };
    if (moment.pressure) moment.pressureU = corrected(*moment.pressure, lags.pressure);
    if (moment.temperature) moment.temperatureU = corrected(*moment.temperature, lags.temperature);
}

LiveMoment LiveWatch::look(const LiveTrail& trail, const Substance& substance, double roomPascal,
                           const LiveTrail::Lags& lags, double now) {
    const double to = now, from = std::max(m_begun, to - std::max(kLooksBack, kLongest));
    const Trace trace = trail.aligned(roomPascal, {}, from, to);
    LiveMoment moment;
    const auto verdict =
        to - from >= m_tolerance.seconds ? steadyBefore(trace, substance, m_tolerance, to) : std::nullopt;
    moment.steady = verdict && verdict->steady;
    if (verdict) moment.kelvinPerSecond = verdict->slope;
    if (!moment.steady)
        m_since.reset();
    else if (!m_since)
        m_since = to - m_tolerance.seconds;
    moment.steadyFor = m_since ? to - *m_since : 0.0;
    moment.from = std::max(from, m_since ? std::max(*m_since, to - kLongest) : to - kMoving);
    moment.to = to;
    moment.pressure = meanOf(trace.pascal, moment.from, to);
    moment.temperature = meanOf(trace.kelvin, moment.from, to);
    addLags(moment, lags);
    double square = 0.0;
    if (moment.pressure) {
        const auto there = substance.saturationAt(Pressure::fromPascal(moment.pressure->mean));
        if (there && there->slope > 0.0) square += std::pow(moment.pressureU / there->slope, 2);
    }
    if (moment.temperature) square += std::pow(moment.temperatureU, 2);
    moment.plusMinus = 2.0 * std::sqrt(square);
    moment.risesSince = risesSince(trace.pascal);
    return moment;
}

} // namespace uttrin
