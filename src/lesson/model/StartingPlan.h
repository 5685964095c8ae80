#pragma once

#include "plan/Plan.h"

namespace uttrin {

/// A sensible starting point for each method; everything in it is shown at the Rig and Plan stations and can
/// be changed there.
[[nodiscard]] Plan startingPlan(Method method);

} // namespace uttrin
