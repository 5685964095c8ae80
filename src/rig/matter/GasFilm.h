#pragma once

#include "Flow.h"

namespace uttrin {

/// Heat and vapour through still or moving gas beside a surface.

/// W/(m K), of a gas by its viscosity and its heats: A. Eucken, Phys. Z. 14 (1913) 324; within 5 % of the
/// measured value for air, a quarter above it for water vapour.
[[nodiscard]] double conductivity(const FlowingGas& gas);

/// A vapour that spreads in air: E. N. Fuller, P. D. Schettler, J. C. Giddings, Ind. Eng. Chem. 58 (1966) 19,
/// with the diffusion volume of the vapour taken as 0.85 of the liquid's molar volume: within 8 % of the
/// measured values for water, ethanol and acetone.
class VapourInAir {
public:
    VapourInAir(const FlowingGas& vapour, double liquidDensity);
    [[nodiscard]] double diffusivity(double kelvin, double pascal) const; ///< m2/s

private:
    double m_factor; ///< by K^1.75/Pa
};

/// m: what heat or vapour crosses between a space of gas and its surroundings where nothing moves: that of
/// the slowest mode of a ball of this volume, its radius * 3 / pi^2. H. S. Carslaw, J. C. Jaeger, Conduction
/// of Heat in Solids (1959), section 9.3.
[[nodiscard]] double gapOf(double volume);

/// W/(m2 K) between a gas and what it touches: conduction over the gap and natural convection of a turbulent
/// layer, Nu = 0.14 Ra^(1/3) (M. Jakob, Heat Transfer I (1949) 25-9), joined in squares. It falls with
/// pressure to the plateau of conduction, and further only where the free path comes near to the gap:
/// temperature jumps at the surface by 2.4 free paths, E. H. Kennard, Kinetic Theory of Gases (1938) 311.
/// @param difference  K, between the two.
[[nodiscard]] double heatTransfer(const FlowingGas& gas, double kelvin, double pascal, double gap,
                                  double difference);

/// What goes through a tube in which gas both flows and spreads, in mol/s: from its first end and from its
/// second. Both together are the flow; each carries its own end's mixture. The exact solution of steady flow
/// with diffusion along the tube, D. L. Scharfetter, H. K. Gummel, IEEE Trans. Electron Devices 16 (1969) 64.
struct CounterFlow {
    double forth = 0.0, back = 0.0; ///< neither below zero
};
/// @param flow  mol/s, from the first end to the second. @param spreads  mol/s, that go each way where
/// nothing flows.
[[nodiscard]] CounterFlow counterFlow(double flow, double spreads);

/// mol/s that change places through a tube between gases of one pressure: diffusion along it and through its
/// mouths, and among its walls by M. Knudsen, both in a row (C. H. Bosanquet, 1944).
[[nodiscard]] double spreading(const Tube& tube, const FlowingGas& gas, double diffusivity, double kelvin,
                               double pascal);

/// A gas through which a vapour passes.
struct VapourFilm {
    double diffusivity = 0.0;  ///< m2/s
    double gap = 0.0;          ///< m
    double viscosity = 1.8e-5; ///< Pa s, of the gas
    double density = 1.2;      ///< kg/m3, of the gas far from the surface
    double lighter = 0.0;      ///< share of that density by which the gas at the surface is lighter
    double sweep = 0.0;        ///< m/s, of gas that streams along the surface
    double reach = 0.1;        ///< m, along which it streams
    double bubbles = 0.0;      ///< m/s: m3 of bubbles that break each second, by m2 of surface
};

/// m/s, of vapour through the film: diffusion over the gap; natural convection, Sh = 0.14 Ra^(1/3), as long
/// as the gas at the surface is the lighter; the laminar layer under a stream, Sh = 0.664 Re^(1/2) Sc^(1/3)
/// (E. Pohlhausen, Z. angew. Math. Mech. 1 (1921) 115); joined in squares; and bubbles, which carry the film
/// away.
[[nodiscard]] double vapourTransfer(const VapourFilm& film);

/// kg/(m2 s) of vapour from a surface: what leaves it by the kinetics of its molecules goes through a film of
/// gas that stays behind (J. Stefan, Sitzungsber. Akad. Wiss. Wien 68 (1873) 385). Where there is no such
/// gas, and where the liquid boils, the film does not hold it back. Negative where vapour joins the surface.
/// @param kinetic  kg/(m2 s Pa), what leaves by each pascal between saturation and the vapour at the surface.
/// @param through  kg/(m2 s): transfer * pressure of vapour and gas * molar mass / (R T).
/// @param saturation, vapour, gas  Pa: at the surface; far from it, of the vapour and of what stays behind.
[[nodiscard]] double stefanFlux(double kinetic, double through, double saturation, double vapour, double gas);

} // namespace uttrin
