#pragma once

#include "rehearsal/rigfile/RigFile.h"

namespace uttrin {

/// What valves, pumps and heaters stand at, step by step.
struct ValveTable {
    std::vector<std::string> names; ///< those that a step touches, links first
    std::vector<bool> links;        ///< the same: whether it is open or shut; others are on or off
    /// After each step, by name.
    std::vector<std::vector<bool>> after;
    [[nodiscard]] bool empty() const { return names.empty(); }
};

/// Follows the steps of a story: the moves that they make, and what they say of valves beside.
[[nodiscard]] ValveTable valveTable(const RigStory& story, const RigSetup& setup);

/// "clamp shut, hob off": after a step; empty where there is nothing to say.
[[nodiscard]] Text valvesAfter(const ValveTable& table, std::size_t step);
/// "shut": of one valve after a step.
[[nodiscard]] Text valveAfter(const ValveTable& table, std::size_t step, std::size_t name);

} // namespace uttrin
