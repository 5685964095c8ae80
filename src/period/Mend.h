#pragma once

#include "Period.h"

#include <optional>

namespace uttrin {

/// How acts are moved so that nothing conflicts any more.
struct Mend {
    std::vector<int> minutes; ///< by act; 0: it stays
    [[nodiscard]] int sum() const;
};

/// The whole minutes by which acts have to be moved, with the smallest sum, so that no conflict is left.
/// Nothing if no moving helps: what there is to do is longer than the time for it. An act that is fixed
/// stays.
[[nodiscard]] std::optional<Mend> mendOf(const Period& period, std::span<const TimedAct> acts);

} // namespace uttrin
