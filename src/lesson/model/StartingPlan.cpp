#include "StartingPlan.h"

namespace uttrin {

Plan startingPlan(Method method) {
    Plan p;
    p.method = method;
    p.rig.gauge = {Text::phrase("vacuum gauge").source,
                   PressureConvention::GaugeNegative,
                   "bar",
                   0.02,
                   0.02,
                   PressureTap::Vessel,
                   0.0,
                   20.0};
    p.rig.thermometer = {Text::phrase("thermometer").source, "degC", 0.5, 0.5, SensorPlace::Liquid};
    if (method == Method::HoldPressure) {
        p.title = Text::phrase("Hold the pressure, heat").source;
        p.ladder.from = 20e3;
        p.ladder.to = 90e3;
    } else {
        p.title = Text::phrase("Hold the temperature, pump").source;
        p.rig.vesselLitre = 3.0;
        p.rig.aid = NucleationAid::None;
        p.ladder.spacing = Spacing::Temperature;
        p.ladder.from = kIcePointKelvin + 30.0;
        p.ladder.to = kIcePointKelvin + 90.0;
    }
    return p;
}

} // namespace uttrin
