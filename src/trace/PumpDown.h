#pragma once

#include "Trace.h"
#include "quantities/Failure.h"

namespace uttrin {

/// What a pump does to a vessel.
struct PumpDown {
    double speed = 0.0, speedU = 0.0;       ///< m3/s, at the vessel
    double ultimate = 0.0, ultimateU = 0.0; ///< Pa, that it ends at
    double start = 0.0;                     ///< Pa, when it began to fall
    double from = 0.0;                      ///< s, when it began
    double spread = 0.0; ///< of readings about the curve, relative to what each is good for

    /// What the curve says at a time of the test, Pa. @param cubicMetres  of the vessel that it was fitted
    /// for.
    [[nodiscard]] double at(double seconds, double cubicMetres) const;
};

/// Fits p = ultimate + (start - ultimate) exp(-speed t / volume), a pump whose speed fades towards its
/// ultimate pressure, by least squares; each reading good for its step and a hundredth of itself, for no pump
/// is quite so. Readings before the pressure falls are left out. TooFewPoints under ten readings; BadInput
/// for a pressure that does not fall to half.
[[nodiscard]] Result<PumpDown> fitPumpDown(const TraceChannel& pascal, double cubicMetres);

/// Whether a floor is that of a liquid in the vessel, not of the pump: it lies within a tenth of the
/// saturation pressure.
[[nodiscard]] bool isWetFloor(double floorPascal, double floorU, double saturationPascal);

} // namespace uttrin
