#include "rig/matter/GasFilm.h"

#include "RigRuns.h"
#include "physics/Constants.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kAtmosphere = 101325.0;

// 0.0257 W/(m K) at 20 degC, Lemmon and Jacobsen (2004).
TEST(GasFilm, AirConductsAsMeasured) { EXPECT_NEAR(conductivity(FlowingGas{}), 0.0257, 0.05 * 0.0257); }

// E. A. Mason, T. R. Marrero, J. Phys. Chem. Ref. Data 1 (1972) 3: water 0.242 cm2/s at 20 degC; ethanol
// 0.119 at 25 degC, acetone 0.105 at 20 degC, R. H. Perry.
TEST(GasFilm, VapoursSpreadInAirAsMeasured) {
    const auto of = [](double mass, double density, double celsius) {
        return 1e4 * VapourInAir({mass, 1e-5, 1.2}, density).diffusivity(273.15 + celsius, kAtmosphere);
    };
    EXPECT_NEAR(of(0.018015, 999.8, 20.0), 0.242, 0.08 * 0.242);
    EXPECT_NEAR(of(0.046069, 789.0, 25.0), 0.119, 0.08 * 0.119);
    EXPECT_NEAR(of(0.05808, 790.0, 20.0), 0.105, 0.08 * 0.105);
}

TEST(GasFilm, HeatTransferFallsWithPressureToThePlateauAndFurtherOnlyAmongMolecules) {
    const FlowingGas air;
    const auto at = [&](double pascal) { return heatTransfer(air, 293.15, pascal, gapOf(1e-3), 10.0); };
    EXPECT_GT(at(kAtmosphere), 3.0);
    EXPECT_LT(at(kAtmosphere), 6.0); // W/(m2 K), natural convection in a litre
    const double plateau = conductivity(air) / gapOf(1e-3);
    EXPECT_NEAR(plateau, 1.3, 0.2);
    EXPECT_NEAR(at(600.0), plateau, 0.02 * plateau);
    EXPECT_NEAR(at(10.0), plateau, 0.12 * plateau);
    EXPECT_NEAR(at(0.01) / at(0.005), 2.0, 0.1); // in proportion to the pressure
}

// Without convection half of a litre is as far off as its diffusion; the stream over a plate: Sh = 0.664
// Re^(1/2) Sc^(1/3) = 57 of a layer of 0.1 m with Re = 1e4, Sc = 0.6.
TEST(GasFilm, AStreamThinsTheFilm) {
    VapourFilm film{2.5e-5, 1.0, 1.8e-5, 1.2, 0.0, 1.5, 0.1, 0.0};
    EXPECT_NEAR(vapourTransfer(film) * 0.1 / 2.5e-5, 0.664 * 100.0 * std::cbrt(0.6), 1.0);
    const double calm = vapourTransfer({2.5e-5, 0.02, 1.8e-5, 1.2, -0.1, 0.0, 0.1, 0.0});
    EXPECT_NEAR(calm, 2.5e-5 / 0.02, 1e-5); // heavier at the surface: nothing moves
    film.bubbles = 0.1;
    EXPECT_GT(vapourTransfer(film), 0.1);
}

// J. Stefan: with the surface saturated, m = through * ln((p - far) / (p - saturation)).
TEST(GasFilm, AThickFilmFollowsStefan) {
    const double through = 1e-3, p = 1e5, saturation = 2e4, far = 1e3;
    EXPECT_NEAR(stefanFlux(10.0, through, saturation, far, p - far),
                through * std::log((p - far) / (p - saturation)), 1e-6 * through);
}

RC_GTEST_PROP(GasFilm, TheFluxMeetsItsOwnEquationAndVanishesAtEquilibrium, ()) {
    const auto exponent = [](double low, double high) {
        return std::pow(10.0, low + (high - low) * *rc::gen::inRange(0, 1001) / 1000.0);
    };
    const double kinetic = exponent(-7, -2), through = exponent(-6, 0), saturation = exponent(0, 5.5),
                 vapour = exponent(-1, 5.5), gas = exponent(-6, 5);
    const double m = stefanFlux(kinetic, through, saturation, vapour, gas);
    const double beside = vapour + gas - gas * std::exp(-m / through); // the vapour at the surface
    RC_ASSERT(std::abs(m - kinetic * (saturation - beside)) <=
              1e-8 * (std::abs(m) + kinetic * (saturation + vapour + gas)));
    RC_ASSERT((m > 0.0) == (saturation > vapour) || std::abs(saturation - vapour) < 1e-6 * saturation);
    RC_ASSERT(std::abs(m) <=
              kinetic * std::abs(saturation - vapour) * (1.0 + 1e-9) + 1e-12 * kinetic * vapour);
    RC_ASSERT(std::abs(stefanFlux(kinetic, through, vapour, vapour, gas)) <= 1e-9 * kinetic * (vapour + gas));
}

} // namespace
} // namespace uttrin
