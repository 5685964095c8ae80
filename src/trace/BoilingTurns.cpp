#include "BoilingTurns.h"

namespace uttrin {
namespace {

/// The liquid less its boiling point, K, by time: means over a few seconds of both instruments.
TraceChannel marginOf(const Trace& trace,
                      const std::function<std::optional<double>(double pascal)>& boilsAt) {
    constexpr double kHalf = 1.5; // s
    TraceChannel raw, margin;
    for (std::size_t i = 0; i < trace.kelvin.size(); ++i) {
        const auto pascal = trace.pascal.at(trace.kelvin.seconds[i]);
        const auto boils = pascal ? boilsAt(*pascal) : std::nullopt;
        if (!boils) continue;
        raw.seconds.push_back(trace.kelvin.seconds[i]);
        raw.values.push_back(trace.kelvin.values[i] - *boils);
    }
    double sum = 0.0;
    std::size_t first = 0, end = 0;
    for (const double now : raw.seconds) {
        for (; end < raw.size() && raw.seconds[end] <= now + kHalf; ++end)
            sum += raw.values[end];
        for (; raw.seconds[first] < now - kHalf; ++first)
            sum -= raw.values[first];
        margin.seconds.push_back(now);
        margin.values.push_back(sum / static_cast<double>(end - first));
    }
    return margin;
}

} // namespace

std::vector<BoilingTurn> boilingTurns(const Trace& trace,
                                      const std::function<std::optional<double>(double pascal)>& boilsAt,
                                      double band) {
    constexpr double kClear = 3.0; // bands, below which it does not boil
    const TraceChannel margin = marginOf(trace, boilsAt);
    std::vector<BoilingTurn> turns;
    std::optional<bool> boils;
    double crossed = 0.0; // s, when the margin went through the band's edge last
    for (std::size_t i = 0; i < margin.size(); ++i) {
        const double now = margin.values[i] + band;
        if (i > 0) {
            const double before = margin.values[i - 1] + band;
            if ((before < 0.0) != (now < 0.0))
                crossed = margin.seconds[i - 1] +
                          (margin.seconds[i] - margin.seconds[i - 1]) * before / (before - now);
        }
        const bool above = now >= 0.0, clearlyBelow = now <= (1.0 - kClear) * band;
        if (above && boils == false) turns.push_back({crossed, true});
        if (clearlyBelow && boils == true) turns.push_back({crossed, false});
        if (above) boils = true;
        if (clearlyBelow) boils = false;
    }
    return turns;
}

} // namespace uttrin
