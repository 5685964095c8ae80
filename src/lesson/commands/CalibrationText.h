#pragma once

#include "instruments/Thermometer.h"
#include "notebook/Records.h"

#include <map>
#include <string>

namespace uttrin {

/// What a calibration found and what it changed, in sentences.
/// @param before, after  K, the liquid's temperature in each reading, as reduced without and with it.
[[nodiscard]] std::string calibrationText(const CalibrationResiduals& residuals,
                                          const std::map<RowId, double>& before,
                                          const std::map<RowId, double>& after);

} // namespace uttrin
