#pragma once

#include "instruments/Thermometer.h"
#include "notebook/Records.h"

#include <map>
#include <string>
#include <vector>

namespace uttrin {

/// What a calibration found and what it changed, in sentences.
/// @param before, after  K, the liquid's temperature in each reading, as reduced without and with it.
/// @param runs  to which it applies, by name.
[[nodiscard]] Text calibrationText(const CalibrationResiduals& residuals,
                                   const std::map<RowId, double>& before,
                                   const std::map<RowId, double>& after, const std::vector<Text>& runs);

} // namespace uttrin
