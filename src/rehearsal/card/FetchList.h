#pragma once

#include "rehearsal/Materials.h"

#include <optional>
#include <span>

namespace uttrin {

/// What an act needs and from when to when, s of the period.
struct FetchShare {
    std::vector<Needed> needed;
    double from = 0.0, to = 0.0;
    int times = 1; ///< groups that do it at once
};

/// What a lesson needs, each thing once: what is used up is added up, of things as many as are wanted at the
/// same time, and of what everybody has one for each.
/// @param people  in the room; nothing if nobody has said so.
[[nodiscard]] std::vector<Text> fetchList(std::span<const FetchShare> shares, std::optional<int> people);

} // namespace uttrin
