#include "PhotoEvidence.h"

#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

void takeReadings(PhotoEvidence& evidence, std::span<const PhotoReading> readings) {
    double largestU = 0.0;
    for (const PhotoReading& r : readings)
        largestU = std::max(largestU, r.u);
    const double power = std::pow(10.0, decimalsForUncertainty(largestU));
    const auto rounded = [power](double value) { return std::round(value * power) / power; };
    evidence.reading.first = rounded(readings[0].value);
    evidence.uFirst = readings[0].u;
    if (readings.size() > 1) {
        evidence.reading.second = rounded(readings[1].value);
        evidence.uSecond = readings[1].u;
    }
}

} // namespace uttrin
