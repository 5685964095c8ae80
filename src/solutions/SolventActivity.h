#pragma once

#include "physics/Substance.h"

namespace uttrin {

/// Activity of a solvent whose vapour stands over a solution at pressure p: the ratio of the vapour's
/// fugacities at p and at the pure solvent's own vapour pressure, ln a = ln(p/p0) + (Z - 1)(p/p0 - 1), with
/// the second virial coefficient in the compressibility Z of the saturated vapour (1 where its density is not
/// known). For water at 100 degC the second term is 1.5 % of the first: without it the ebullioscopic constant
/// would come out as 0.505 instead of 0.513 K kg/mol.
[[nodiscard]] Result<double> solventActivity(const Substance& solvent, Temperature t, Pressure p);

/// The inverse: the pressure over a solution in which the solvent has this activity.
[[nodiscard]] Result<Pressure> pressureAtActivity(const Substance& solvent, Temperature t, double activity);

} // namespace uttrin
