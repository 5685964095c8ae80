#pragma once

#include "standin/ShownInstruments.h"

namespace uttrin::testing {

/// A gauge and a thermometer that always show the same: 47.37 kPa, 79.82 degC; with faults on demand.
class StillInstruments : public ShownInstruments {
public:
    explicit StillInstruments(std::vector<StandInFault> faults = {})
        : ShownInstruments(StandInSettings{.faults = std::move(faults)}) {}
    [[nodiscard]] double lasts() const override { return 1e6; }

protected:
    [[nodiscard]] Shown followed(double) override { return {47'370.0, 352.97}; }
};

} // namespace uttrin::testing
