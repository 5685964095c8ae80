#include "InstrumentMemory.h"

#include "RigChanges.h"

namespace uttrin {

Plan InstrumentMemory::withGauge(const Plan& plan, const PressureInstrument& declared,
                                 std::optional<Pressure> room) {
    Plan changed = uttrin::withGauge(plan, declared, room);
    const PressureInstrument& before = plan.rig.gauge;
    if (declared.convention == before.convention) return changed;
    m_gauges.insert_or_assign(before.convention, before);
    if (const auto known = m_gauges.find(declared.convention); known != m_gauges.end())
        changed.rig.gauge = known->second;
    return changed;
}

Thermometer InstrumentMemory::withKind(const Thermometer& before, const Thermometer& declared) {
    if (declared.kind == before.kind) return declared;
    m_thermometers.insert_or_assign(before.kind, before);
    const auto known = m_thermometers.find(declared.kind);
    return known != m_thermometers.end() ? known->second : declared;
}

void InstrumentMemory::forget() {
    m_gauges.clear();
    m_thermometers.clear();
}

} // namespace uttrin
