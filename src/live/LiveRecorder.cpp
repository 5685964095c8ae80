#include "LiveRecorder.h"

#include <algorithm>
#include <utility>

namespace uttrin {
namespace {

constexpr double kPatience = 3.0; // periods without a reading are a gap
constexpr double kShortest = 0.5; // s, that are one
constexpr double kNext = 0.001;   // s, between two lines that came at once

void add(TraceChannel& channel, double seconds, double value, double step) {
    // The finest figures that it showed: "20.0" may come as "20".
    if (step > 0.0) channel.step = channel.step > 0.0 ? std::min(channel.step, step) : step;
    // Two values of one line, or a clock that stood still: times rise.
    if (!channel.empty() && seconds <= channel.seconds.back()) seconds = channel.seconds.back() + kNext;
    channel.seconds.push_back(seconds);
    channel.values.push_back(value);
}

} // namespace

LiveRecorder::LiveRecorder(LiveProfile profile, std::optional<double> roomPascal)
    : m_profile(std::move(profile)), m_roomPascal(roomPascal), m_headerLeft(m_profile.headerLines) {}

Result<void> LiveRecorder::take(std::string_view line, double seconds) {
    if (m_headerLeft > 0) {
        --m_headerLeft;
        return {};
    }
    if (line.find_first_not_of(" \t") == std::string_view::npos) return {};
    const auto read = decodeLine(m_profile, line);
    if (!read) {
        ++m_rejected;
        return tl::unexpected(read.error());
    }
    return take(read->readings, read->seconds.value_or(seconds));
}

Result<void> LiveRecorder::take(std::span<const HeardReading> readings, double seconds) {
    for (const HeardReading& r : readings)
        if (r.quantity == LiveQuantity::GaugePressure && !m_roomPascal) {
            ++m_rejected;
            return fail(Failure::Unreferenced,
                        Text::tr("it counts from the room’s pressure, which is not known"));
        }
    if (readings.empty()) return {};
    cameAt(seconds);
    for (const HeardReading& r : readings)
        switch (r.quantity) {
        case LiveQuantity::AbsolutePressure:
            add(m_trace.pascal, seconds, r.si, r.step);
            break;
        case LiveQuantity::GaugePressure:
            add(m_trace.pascal, seconds, *m_roomPascal + r.si, r.step);
            break;
        case LiveQuantity::Temperature:
            add(m_trace.kelvin, seconds, r.si, r.step);
            break;
        }
    return {};
}

Trace LiveRecorder::takeAway() {
    Trace came = std::exchange(m_trace, {});
    m_trace.pascal.step = came.pascal.step;
    m_trace.kelvin.step = came.kelvin.step;
    return came;
}

void LiveRecorder::cameAt(double seconds) {
    const double longest = std::max(kShortest, kPatience * m_profile.period);
    if (m_last && seconds - *m_last > longest) m_gaps.push_back({*m_last, seconds});
    m_last = std::max(m_last.value_or(seconds), seconds);
}

void LiveRecorder::finish(double seconds) {
    const double longest = std::max(kShortest, kPatience * m_profile.period);
    const double last = m_last.value_or(0.0);
    if (seconds - last > longest) m_gaps.push_back({last, seconds});
}

} // namespace uttrin
