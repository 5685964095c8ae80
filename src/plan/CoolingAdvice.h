#pragma once

#include "text/Text.h"

namespace uttrin {

/// What a liquid that cools loses while one reads, and what helps. Empty where a reading does not notice it.
/// @param kelvinPerMinute  below zero where it cools.
[[nodiscard]] Text coolingAdvice(double kelvinPerMinute);

} // namespace uttrin
