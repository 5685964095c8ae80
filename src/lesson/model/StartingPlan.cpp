#include "StartingPlan.h"

namespace uttrin {

Plan startingPlan(Method method) {
    Plan p;
    p.method = method;
    p.rig.gauge = {
        "vacuum gauge", PressureConvention::GaugeNegative, "bar", 0.02, 0.02, PressureTap::Vessel, 0.0, 20.0};
    p.rig.thermometer = {"thermometer", "degC", 0.5, 0.5, SensorPlace::Liquid};
    if (method == Method::HoldPressure) {
        p.title = "Hold the pressure, heat";
        p.ladder.from = 20e3;
        p.ladder.to = 90e3;
    } else {
        p.title = "Hold the temperature, pump";
        p.rig.vesselLitre = 3.0;
        p.rig.aid = NucleationAid::None;
        p.ladder.spacing = Spacing::Temperature;
        p.ladder.from = kIcePointKelvin + 30.0;
        p.ladder.to = kIcePointKelvin + 90.0;
    }
    return p;
}

} // namespace uttrin
