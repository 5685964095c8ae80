#pragma once

#include "plan/Plan.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"
#include "text/Text.h"

#include <algorithm>
#include <string>

namespace uttrin {

/// A pressure in kPa with the decimals that its uncertainty deserves.
[[nodiscard]] inline Text kilopascalText(double pa, double uPa) {
    return fixed(pa * 1e-3, std::min(decimalsForUncertainty(uPa * 1e-3), 3));
}

/// A pressure in the unit that a plan wants beside the gauge's own: "234.1 mmHg"; empty where it wants none.
[[nodiscard]] inline Text alsoText(const Rig& rig, double pa, double uPa) {
    if (rig.alsoUnit.empty()) return {};
    const Unit& also = unit(rig.alsoUnit);
    return Text::set("{} {}",
                     fixed(also.fromSi(pa), std::clamp(decimalsForUncertainty(uPa / also.factor), 0, 4)),
                     also.display);
}

} // namespace uttrin
