#include "plan/InstrumentMemory.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

Plan planWith(PressureConvention convention, const char* unit) {
    Plan p;
    p.rig.gauge.convention = convention;
    p.rig.gauge.unit = unit;
    return p;
}

// Arms that add up to 82.1 cm came back as 82 after a look at the dial.
TEST(InstrumentMemory, WhoComesBackToAnInstrumentFindsItAsItWas) {
    InstrumentMemory memory;
    Plan tube = planWith(PressureConvention::TwoArm, "cm");
    tube.rig.gauge.name = "the long tube";
    tube.rig.gauge.armSum = 82.1;
    tube.rig.gauge.division = 0.5;
    tube.rig.gauge.liquidCelsius = 23.5;
    PressureInstrument dial = tube.rig.gauge;
    dial.convention = PressureConvention::GaugeNegative;
    dial.unit = "kPa";
    Plan changed = memory.withGauge(tube, dial, std::nullopt);
    EXPECT_EQ(changed.rig.gauge.unit, "kPa");
    EXPECT_NE(changed.rig.gauge.name, "the long tube");
    changed.rig.gauge.division = 2.5;
    PressureInstrument back = changed.rig.gauge;
    back.convention = PressureConvention::TwoArm;
    back.unit = "cm";
    Plan again = memory.withGauge(changed, back, std::nullopt);
    EXPECT_EQ(again.rig.gauge, tube.rig.gauge);
    PressureInstrument toDial = again.rig.gauge;
    toDial.convention = PressureConvention::GaugeNegative;
    EXPECT_EQ(memory.withGauge(again, toDial, std::nullopt).rig.gauge.division, 2.5);
    memory.forget();
    EXPECT_NE(memory.withGauge(changed, back, std::nullopt).rig.gauge.armSum, 0.0); // as usual ones are
    EXPECT_NE(memory.withGauge(changed, back, std::nullopt).rig.gauge.name, "the long tube");
}

TEST(InstrumentMemory, AValueThatIsChangedInTheSameInstrumentIsTaken) {
    InstrumentMemory memory;
    const Plan tube = planWith(PressureConvention::TwoArm, "cm");
    PressureInstrument other = tube.rig.gauge;
    other.armSum = 76.4;
    EXPECT_EQ(memory.withGauge(tube, other, std::nullopt).rig.gauge.armSum, 76.4);
}

TEST(InstrumentMemory, AThermometerKeepsItsCalibrationsThroughALookAtAnother) {
    InstrumentMemory memory;
    Thermometer coil;
    coil.kind = ThermometerKind::Copper;
    coil.division = 0.01;
    coil.nominalOhm = 12.3;
    coil.calibrations = {ThermometerCalibration{}};
    Thermometer infrared = coil;
    infrared.kind = ThermometerKind::Infrared;
    infrared.calibrations.clear();
    const Thermometer looked = memory.withKind(coil, infrared);
    EXPECT_TRUE(looked.calibrations.empty());
    Thermometer back = looked;
    back.kind = ThermometerKind::Copper;
    const Thermometer again = memory.withKind(looked, back);
    EXPECT_EQ(again.calibrations.size(), 1U);
    EXPECT_EQ(again.nominalOhm, 12.3);
    EXPECT_EQ(again.division, 0.01);
}

} // namespace
} // namespace uttrin
