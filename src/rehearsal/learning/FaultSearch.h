#pragma once

#include "rehearsal/Observed.h"

#include <string>

namespace uttrin {

/// Whether a demonstration went as its forecast had it and, if not, what explains best how it went.
struct FaultFinding {
    struct Candidate {
        std::string name, says; ///< of the rig's file
        double gain = 0.0;      ///< by how much it explains better than no fault, less its own price
    };
    bool asForeseen = true;
    double cost = 0.0;                 ///< of no fault: chi square, and what was seen at another time
    double allowed = 0.0;              ///< up to which it is as foreseen
    std::vector<Candidate> candidates; ///< that explain it, the best first: what cannot be told apart
};

/// Plays the rig with each of its faults, the uncertain values fitted each time (`likeliestValues`), and
/// compares what is left: chi square of the readings, of what was seen before the clock and of the values,
/// and minutes in which it boiled in one and not in the other. A fault costs six, as two parameters with
/// their choice among several; without a gain of that it is as foreseen where the readings lie within 99.5 %.
[[nodiscard]] Result<FaultFinding> searchFault(const RigFile& rig, const std::vector<RigSetting>& settings,
                                               const Observed& observed,
                                               const std::function<bool()>& goOn = {});

} // namespace uttrin
