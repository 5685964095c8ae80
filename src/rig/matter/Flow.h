#pragma once

namespace uttrin {

/// A gas as far as its flow through tubes and holes goes.
struct FlowingGas {
    double molarMass = 0.0289652; ///< kg/mol
    double viscosity = 1.82e-5;   ///< Pa s
    double heatRatio = 1.4;       ///< cp / cv
};

/// A round tube; a hole in a thin wall if its length is zero.
struct Tube {
    double diameter = 0.0, length = 0.0; ///< m
};

/// Mean free path, m: 2 viscosity / (density * mean speed of the molecules).
[[nodiscard]] double meanFreePath(const FlowingGas& gas, double kelvin, double pascal);

/// Share of the molecules that enter a tube and come out at its other end without meeting one another: D. J.
/// Santeler, J. Vac. Sci. Technol. A 4 (1986) 338, within 0.7 % of P. Clausing's values; 1 for a hole.
[[nodiscard]] double transmission(const Tube& tube);

/// Mass flow of a gas through a tube, kg/s, from `fromPascal` to `toPascal`; negative if the second is
/// higher.
///
/// Three regimes in one expression, as a rig passes through all of them while it is pumped down:
/// - among walls (free path longer than the tube is wide): by the transmission above;
/// - viscous: Hagen-Poiseuille with the gas's expansion and the mouths of the tube, Z. Dagan, S. Weinbaum,
///   R. Pfeffer, J. Fluid Mech. 115 (1982) 505; both joined by M. Knudsen, Ann. Phys. 333 (1909) 75;
///   turbulent in a long tube from a Reynolds number of some 1200 on, H. Blasius, Forschungsarb. Ing.-Wes.
///   131 (1913);
/// - limited by the gas's own inertia, and so by the speed of sound once the outlet lies below the critical
/// ratio:
///   the isentropic nozzle, joined in squares, and only as far as the gas is a continuum.
///
/// Within about 15 % where two regimes meet, better elsewhere. REQUIRES: diameter above zero,
/// length not below, pressures not below zero, temperature above zero.
[[nodiscard]] double tubeMassFlow(const Tube& tube, const FlowingGas& gas, double kelvin, double fromPascal,
                                  double toPascal);

/// A mechanical pump: its speed falls to nothing at the pressure that it ultimately reaches.
struct Pump {
    double speed = 0.0;      ///< m3/s of gas at its inlet, far above the ultimate pressure
    double ultimatePa = 0.0; ///< Pa
};

/// Mass flow into a pump, kg/s: speed * (p - ultimate) as a volume at the inlet; nothing below the ultimate
/// pressure (a valve keeps the gas from coming back).
[[nodiscard]] double pumpMassFlow(const Pump& pump, const FlowingGas& gas, double kelvin, double inletPascal);

} // namespace uttrin
