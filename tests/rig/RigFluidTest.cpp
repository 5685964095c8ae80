#include "rig/matter/RigFluid.h"

#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

const RigFluid& waterInARig() {
    static const RigFluid fluid = *RigFluid::make(water());
    return fluid;
}

TEST(RigFluid, EverySubstanceFitsIntoARig) {
    for (const Substance* s : substances()) {
        SCOPED_TRACE(s->facts().id);
        const auto fluid = RigFluid::make(*s);
        ASSERT_TRUE(fluid) << fluid.error().message;
        EXPECT_LT(fluid->lowestKelvin(),
                  s->facts().normalBoilingPoint.kelvin() + 1e-9 + (fluid->hasSolid() ? 0.0 : 25.0));
        EXPECT_GT(fluid->vapour().heatRatio, 1.05);
        EXPECT_LT(fluid->vapour().heatRatio, 1.45);
    }
}

TEST(RigFluid, HeatOfWaterMeetsThePublishedValues) {
    const auto& w = waterInARig();
    EXPECT_NEAR(w.liquidHeatCapacity(), 4182.0, 5.0); // J/(kg K), 20 degC
    EXPECT_NEAR(w.vaporisation(373.15), 2256.4e3, 1e3);
    EXPECT_NEAR(w.fusion(), 333.4e3, 0.5e3);
    // Steam at low pressure: cp 1.86 to 1.89 kJ/(kg K) from 0 to 100 degC; here it follows from both phases.
    EXPECT_NEAR((w.vapourEnthalpy(323.0) - w.vapourEnthalpy(293.0)) / 30.0, 1875.0, 120.0);
    EXPECT_NEAR(w.liquidDensity(), 999.8, 0.2);
    // Boiled to ice without heat from outside: fusion / (fusion + sublimation) of the water goes as
    // vapour, 11.8 %.
    EXPECT_NEAR(w.fusion() / (w.fusion() + w.vaporisation(273.16)), 0.1176, 0.0005);
}

TEST(RigFluid, LiquidAndSolidMeetAtTheTriplePointAndTheLiquidGoesOnBelowIt) {
    const auto& w = waterInARig();
    ASSERT_TRUE(w.hasSolid());
    EXPECT_NEAR(w.liquidSaturation(273.16) / w.solidSaturation(273.16), 1.0, 2e-6);
    EXPECT_GT(w.liquidSaturation(263.15), 1.05 * w.solidSaturation(263.15)); // 286 Pa over 260 Pa
    EXPECT_NEAR(w.liquidEnergy(273.16) - w.solidEnergy(273.16), w.fusion(), 1e-9);
}

TEST(RigFluid, EvaporationIntoVacuumMeetsTheKineticLimit) {
    // p sqrt(M / (2 pi R T)): water at 0 degC, 611 Pa, gives 0.687 kg/(m2 s) by Hertz; Schrage doubles it for
    // a perfect surface.
    EXPECT_NEAR(evaporationFlux(1.0, 0.018015268, 273.15, 611.15, 273.15, 0.0), 2.0 * 0.687, 0.002);
    EXPECT_NEAR(evaporationFlux(0.02, 0.018015268, 273.15, 611.15, 273.15, 0.0) / 0.687, 0.02 * 2.0 / 1.98,
                2e-5);
    EXPECT_EQ(evaporationFlux(0.03, 0.018, 300.0, 3536.0, 300.0, 3536.0), 0.0);
    EXPECT_LT(evaporationFlux(0.03, 0.018, 290.0, 1920.0, 300.0, 3536.0), 0.0);
}

RC_GTEST_PROP(RigFluid, TheTablesAreTheSubstancesOwnCurves, ()) {
    const Substance& s = *substances()[*rc::gen::inRange<std::size_t>(0, substances().size())];
    const auto fluid = *RigFluid::make(s);
    const double low = std::max(s.facts().triple.kelvin(), fluid.lowestLiquidKelvin());
    const double t =
        low + 1e-3 + (fluid.highestKelvin() - low - 2e-3) * *rc::gen::inRange(0, 10001) / 10000.0;
    const auto at = Temperature::fromKelvin(t);
    RC_ASSERT(std::abs(fluid.liquidSaturation(t) / s.vapourPressure(at)->pascal() - 1.0) < 1e-6);
    // Below where it is known the heat is continued.
    if (const auto heat = s.enthalpyOfVaporisation(at))
        RC_ASSERT(std::abs(fluid.vaporisation(t) / *heat - 1.0) < 1e-5);
    else
        RC_ASSERT(fluid.vaporisation(t) > fluid.vaporisation(fluid.highestKelvin()));
    // The vapour lies above the liquid by that heat as long as it is nearly ideal, and takes up heat in any
    // case.
    const double above = fluid.vapourEnthalpy(t) - fluid.liquidEnergy(t);
    if (s.facts().id == "water" && t < 390.0) RC_ASSERT(std::abs(above / fluid.vaporisation(t) - 1.0) < 1e-6);
    RC_ASSERT(fluid.vapourHeatCapacity(t) >= 1.5 * 8.314 / s.facts().molarMass);
    if (!fluid.hasSolid()) return;
    const double cold = fluid.lowestKelvin() +
                        (fluid.tripleKelvin() - fluid.lowestKelvin()) * *rc::gen::inRange(0, 10000) / 10000.0;
    RC_ASSERT(
        std::abs(fluid.solidSaturation(cold) / s.vapourPressure(Temperature::fromKelvin(cold))->pascal() -
                 1.0) < 1e-6);
}

} // namespace
} // namespace uttrin
