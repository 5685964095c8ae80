#pragma once

#include "rehearsal/UncertainValues.h"
#include "rig/Random.h"

#include <vector>

namespace uttrin::testing {

/// A rig as it may really be: its uncertain values drawn, so many times wider than its file says.
inline std::vector<RigSetting> drawnRig(const RigFile& rig, const std::vector<RigSetting>& settings,
                                        NormalNumbers& normal, double wider = 1.0) {
    const UncertainValues uncertain(rig, settings);
    std::vector<double> drawn;
    for (std::size_t i = 0; i < uncertain.size(); ++i)
        drawn.push_back(wider * normal.next());
    return uncertain.at(drawn);
}

} // namespace uttrin::testing
