#pragma once

#include "MercuryBarometer.h"

#include <string_view>

namespace uttrin {

/// A barometer as they are usually graduated in a unit: millimetres and hectopascal with a vernier in tenths,
/// inches in twentieths with a vernier in 25ths, centimetres in tenths. What is read on it is still to be
/// set.
[[nodiscard]] MercuryReading barometerGraduatedIn(std::string_view unit);

} // namespace uttrin
