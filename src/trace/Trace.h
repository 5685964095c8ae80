#pragma once

#include <optional>
#include <vector>

namespace uttrin {

/// What one instrument gave, by time.
struct TraceChannel {
    std::vector<double> seconds; ///< ascending
    std::vector<double> values;  ///< SI, as many
    double step = 0.0;           ///< the smallest difference that its figures can show, SI

    [[nodiscard]] std::size_t size() const { return seconds.size(); }
    [[nodiscard]] bool empty() const { return seconds.empty(); }
    /// Straight between two; nothing outside its time.
    [[nodiscard]] std::optional<double> at(double when) const;
    /// Adds what came after it, with its step.
    void append(const TraceChannel& later);
    /// From the first to the last that lie between two times, both counted.
    [[nodiscard]] TraceChannel between(double from, double to) const;
};

/// What a rig's instruments gave while they were read at a rate.
struct Trace {
    TraceChannel pascal; ///< absolute pressure
    TraceChannel kelvin; ///< temperature of the liquid
};

} // namespace uttrin
