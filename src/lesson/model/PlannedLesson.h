#pragma once

#include "notebook/Records.h"

#include <vector>

namespace uttrin {

/// A lesson of another notebook as far as it can be started from: what was planned, and with which rigs and
/// instruments.
struct PlannedLesson {
    std::vector<Act> acts;
    std::vector<Setup> setups; ///< by the ids that its acts name
};

} // namespace uttrin
