#pragma once

#include "instruments/PressureInstrument.h"
#include "notebook/Records.h"
#include "photo/PhotoMarks.h"

#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace uttrin {

/// A picture that was measured, waiting for the reading that it belongs to.
struct PhotoEvidence {
    PhotoSubject shows = PhotoSubject::Pressure;
    std::vector<std::byte> bytes; ///< PNG or JPEG, as brought in
    PhotoMarks marks;
    GaugeReading reading; ///< what was taken from it, as it stands in the fields
    double uFirst = 0.0;
    std::optional<double> uSecond;
};

/// Takes over what was read from the marks: one reading or the two arms of a tube, rounded to the decimals
/// that the larger uncertainty deserves, with their own uncertainties. @param readings  at least one.
void takeReadings(PhotoEvidence& evidence, std::span<const PhotoReading> readings);

} // namespace uttrin
