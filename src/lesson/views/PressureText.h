#pragma once

#include "quantities/Rounding.h"
#include "text/Text.h"

#include <algorithm>
#include <string>

namespace uttrin {

/// A pressure in kPa with the decimals that its uncertainty deserves.
[[nodiscard]] inline Text kilopascalText(double pa, double uPa) {
    return fixed(pa * 1e-3, std::min(decimalsForUncertainty(uPa * 1e-3), 3));
}

} // namespace uttrin
