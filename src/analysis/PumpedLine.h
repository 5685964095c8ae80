#pragma once

#include "physics/Substance.h"

namespace uttrin {

/// What lies between a vessel and the pump that pulls on it.
struct PumpedLine {
    double boreMetre = 0.0, lengthMetre = 0.0; ///< of the tube
    double pumpCubicMetres = 0.0;              ///< a second, at the pump's mouth
    double ultimatePascal = 0.0;               ///< that the pump reaches
};

/// By how much the pressure in the vessel can lie above what a gauge at the pump's end of the tube shows
/// while the pump pulls, Pa: as if all that the pump takes at that pressure were vapour of this temperature,
/// and came through the tube (rig/matter/Flow.h). What comes less, falls off less, so this is a bound.
/// BadInput for a tube or a pump that is not above zero, or a vapour whose viscosity is not known.
[[nodiscard]] Result<double> mostAboveGauge(const PumpedLine& line, const Substance& vapour,
                                            Temperature temperature, Pressure atGauge);

} // namespace uttrin
