#pragma once

#include "SlipCheck.h"

#include <vector>

namespace uttrin {

/// A pair as it was meant, if one slip of writing made of it what was typed.
struct SlipOfThePen {
    SlipKind kind = SlipKind::None;
    bool ofThermometer = false; ///< whether the temperature was written wrongly, not the pressure
    GaugeReading gauge;
    double temperature = 0.0;
    double weight = 0.0; ///< how usual it is that what was meant is written like this
    Text sentence;       ///< what happened, and what was meant
    Text meant;          ///< with its unit
};

/// Every pair that one slip could have turned into this one and that the instruments can show. Which of
/// them fits the curve is not looked at.
[[nodiscard]] std::vector<SlipOfThePen> slipsOfThePen(const CapturePair& pair);

} // namespace uttrin
