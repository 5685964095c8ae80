#include "CoolingAdvice.h"

namespace uttrin {

Text coolingAdvice(double kelvinPerMinute) {
    constexpr double kReadingTakes = 0.25, kNoticed = 0.1; // min; K
    const double falls = -kelvinPerMinute * kReadingTakes;
    if (falls < kNoticed) return {};
    return Text::tr("{} K in the 15 s of a reading: wrap the vessel",
                    Text::number(falls, falls < 1.0 ? 2 : 1));
}

} // namespace uttrin
