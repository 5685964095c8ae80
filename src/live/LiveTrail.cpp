#include "LiveTrail.h"

#include <algorithm>

namespace uttrin {
namespace {

void append(TraceChannel& channel, const TraceChannel& came) {
    channel.step = came.step;
    for (std::size_t i = 0; i < came.size(); ++i) {
        if (!channel.empty() && came.seconds[i] <= channel.seconds.back()) continue; // a clock that went back
        channel.seconds.push_back(came.seconds[i]);
        channel.values.push_back(came.values[i]);
    }
    // Taken away in large pieces: each time costs what stays.
    constexpr double kSpare = 60.0; // s
    if (channel.empty() || channel.seconds.back() - channel.seconds.front() < LiveTrail::kKeeps + kSpare)
        return;
    const auto gone =
        std::ranges::lower_bound(channel.seconds, channel.seconds.back() - LiveTrail::kKeeps) -
        channel.seconds.begin();
    channel.seconds.erase(channel.seconds.begin(), channel.seconds.begin() + gone);
    channel.values.erase(channel.values.begin(), channel.values.begin() + gone);
}

TraceChannel moved(const TraceChannel& channel, double lag, double from, double to) {
    TraceChannel piece = channel.between(from + lag, to + lag);
    for (double& seconds : piece.seconds)
        seconds -= lag;
    return piece;
}

} // namespace

void LiveTrail::take(LiveQuantity quantity, const TraceChannel& came) {
    if (quantity == LiveQuantity::Temperature) {
        append(m_temperature, came);
        return;
    }
    if (quantity != m_pressureQuantity && !came.empty()) {
        m_pressure = {};
        m_pressureQuantity = quantity;
    }
    append(m_pressure, came);
}

double LiveTrail::last() const {
    double last = 0.0;
    for (const TraceChannel* channel : {&m_pressure, &m_temperature})
        if (!channel->empty()) last = std::max(last, channel->seconds.back());
    return last;
}

Trace LiveTrail::aligned(double roomPascal, const Lags& lags, double from, double to) const {
    Trace trace{moved(m_pressure, lags.pressure, from, to), moved(m_temperature, lags.temperature, from, to)};
    if (m_pressureQuantity == LiveQuantity::GaugePressure)
        for (double& pascal : trace.pascal.values)
            pascal += roomPascal;
    return trace;
}

} // namespace uttrin
