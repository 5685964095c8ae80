#pragma once

#include <optional>
#include <vector>

namespace uttrin {

/// That one thing is to be shifted by at least so much more than another: d[later] - d[earlier] >= by. Index
/// -1 stands for what never moves.
struct ShiftBound {
    int earlier = -1, later = -1;
    int by = 0;
};

/// Whole shifts d of `count` things that keep all bounds with the smallest sum of |d|; nothing if there are
/// none. The dual of this linear programme is a circulation of greatest profit, worked out by cancelling
/// cycles: exact, as all numbers are whole.
[[nodiscard]] std::optional<std::vector<int>> leastShifts(int count, const std::vector<ShiftBound>& bounds);

} // namespace uttrin
