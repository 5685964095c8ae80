#pragma once

#include "RigNames.h"
#include "RigReference.h"

#include <functional>

namespace uttrin {

inline constexpr double kLongestRehearsal = 48.0 * 3600.0; ///< s

/// Reads the procedure of a rig, `moves`, into its setup. REQUIRES: its parts have been read.
/// @param pointsAt  what references count from at a vessel.
void readRigMoves(JsonReader& root, RigSetup& setup, const RigNames& names,
                  const std::function<ReferencePoints(int vessel)>& pointsAt,
                  std::optional<Failure>& failure);

} // namespace uttrin
