#pragma once

#include "ClausiusClapeyron.h"
#include "solutions/Liquid.h"

namespace uttrin {

/// What measured boiling points of a solution say about how much is dissolved.
struct DissolvedEstimate {
    Estimate particles; ///< mol/kg: molality times van 't Hoff factor, of an ideal dilute solution
    std::optional<Estimate> molality; ///< mol/kg, where the solute's own model is known (sodium chloride)
    double meanElevationKelvin = 0.0; ///< over the pure solvent at the measured pressures
    int points = 0;
};

/// The weighted mean over the points, each taken at its own pressure. Independent errors weight the points,
/// and are scaled up where the points scatter by more; errors common to all are found by moving all points
/// together. Intervals are 95 % by Student's t. TooFewPoints under two.
[[nodiscard]] Result<DissolvedEstimate> estimateDissolved(std::span<const BoilingDatum> data,
                                                          const Substance& solvent, SoluteKind kind);

} // namespace uttrin
