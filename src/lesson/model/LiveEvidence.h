#pragma once

#include "instruments/PressureInstrument.h"
#include "notebook/Records.h"

#include <optional>

namespace uttrin {

/// What an instrument that is listened to says now, as the rig's own instrument would show it, waiting for
/// the reading that it belongs to.
struct LiveEvidence {
    GaugeReading reading; ///< in the instrument's unit; the thermometer's is `first`
    double u = 0.0;       ///< SI, standard uncertainty of the mean
    Milliseconds fromMs = 0, toMs = 0;
    bool steady = false;
    bool madeUp = false;              ///< by simulated instruments
    double slope = 0.0, slopeU = 0.0; ///< SI a second, of what it measures (a pressure: absolute)
};

} // namespace uttrin
