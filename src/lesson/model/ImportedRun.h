#pragma once

#include "notebook/Records.h"
#include "plan/Plan.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A run from a file: a plan with its rig, and what was read.
struct ImportedRun {
    std::string group; ///< empty where the file names none
    int number = 1;
    Plan plan;
    std::vector<Reading> readings; ///< good ones only; run and ids are not set; `zeroId` is a place in
                                   ///< `zeros`, from 1 on
    std::vector<ZeroCheck> zeros;
    std::optional<LiquidStart> start = std::nullopt;
};

} // namespace uttrin
