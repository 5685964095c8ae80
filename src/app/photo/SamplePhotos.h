#pragma once

#include "instruments/MercuryBarometer.h"
#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"
#include "photo/PhotoMarks.h"

#include <QImage>

#include <vector>

namespace uttrin::app {

/// A picture of an instrument that the program draws itself, as a camera might see it: to try the photo
/// reader with, and to be told how close one came.
struct SamplePhoto {
    QImage picture;
    std::vector<double> truth; ///< what the instrument shows, in its unit; both arms of a U-tube
    PhotoMarks marks;          ///< where a careful person puts them
};

/// @param tilted  seen from the side and from below, not squarely.
[[nodiscard]] SamplePhoto sampleDial(const PressureInstrument& instrument, double value, double roomPascal,
                                     bool tilted);
[[nodiscard]] SamplePhoto sampleTube(const PressureInstrument& instrument, double difference, bool tilted);
[[nodiscard]] SamplePhoto sampleThermometer(const Thermometer& thermometer, double value, bool tilted);
[[nodiscard]] SamplePhoto sampleBarometer(const MercuryReading& reading, bool tilted);

} // namespace uttrin::app
