#pragma once

#include "RigNames.h"

namespace uttrin {

inline constexpr double kLongestRehearsal = 48.0 * 3600.0; ///< s

/// Reads the procedure of a rig, `moves`, into its setup. REQUIRES: its parts have been read.
void readRigMoves(JsonReader& root, RigSetup& setup, const RigNames& names, std::optional<Failure>& failure);

} // namespace uttrin
