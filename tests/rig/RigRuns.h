#pragma once

#include "rig/RigSimulation.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>

#include <vector>

namespace uttrin::testing {

inline const RigFluid& waterInARig() {
    static const RigFluid fluid = *RigFluid::make(water());
    return fluid;
}

/// A run to its end whose balances close.
inline RigRun ranWell(const RigModel& model, double seconds, double every,
                      const std::vector<RigMove>& moves = {}) {
    const auto run = simulate(model, waterInARig(), seconds, every, moves);
    EXPECT_TRUE(run) << run.error().message;
    if (!run) return {};
    EXPECT_FALSE(run->stopped) << run->stopped->message;
    EXPECT_LT(run->massDrift, 1e-6);
    EXPECT_LT(run->energyDrift, 1e-6);
    return *run;
}

} // namespace uttrin::testing
