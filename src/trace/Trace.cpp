#include "Trace.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

std::optional<double> TraceChannel::at(double when) const {
    if (empty() || when < seconds.front() || when > seconds.back()) return std::nullopt;
    const auto after = static_cast<std::size_t>(std::ranges::lower_bound(seconds, when) - seconds.begin());
    if (seconds[after] == when) return values[after];
    const double share = (when - seconds[after - 1]) / (seconds[after] - seconds[after - 1]);
    return std::lerp(values[after - 1], values[after], share);
}

void TraceChannel::append(const TraceChannel& later) {
    step = later.step;
    seconds.insert(seconds.end(), later.seconds.begin(), later.seconds.end());
    values.insert(values.end(), later.values.begin(), later.values.end());
}

TraceChannel TraceChannel::between(double from, double to) const {
    const auto first = std::ranges::lower_bound(seconds, from) - seconds.begin();
    const auto last = std::max(first, std::ranges::upper_bound(seconds, to) - seconds.begin());
    return {{seconds.begin() + first, seconds.begin() + last},
            {values.begin() + first, values.begin() + last},
            step};
}

} // namespace uttrin
