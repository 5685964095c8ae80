#pragma once

#include "Plan.h"

#include <map>
#include <optional>

namespace uttrin {

/// The instruments of a rig while one looks through the choices: each keeps its own values, and who comes
/// back to one finds it as it was.
class InstrumentMemory {
public:
    /// The plan after its pressure instrument was declared otherwise: another that counts something else is
    /// found as it was left, one that was never there is made as `withGauge` makes it.
    [[nodiscard]] Plan withGauge(const Plan& plan, const PressureInstrument& declared,
                                 std::optional<Pressure> room);
    /// The thermometer after it was declared otherwise: likewise, by its kind.
    [[nodiscard]] Thermometer withKind(const Thermometer& before, const Thermometer& declared);
    /// What was kept belongs to another rig.
    void forget();

private:
    std::map<PressureConvention, PressureInstrument> m_gauges;
    std::map<ThermometerKind, Thermometer> m_thermometers;
};

} // namespace uttrin
