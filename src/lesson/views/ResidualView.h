#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <vector>

namespace uttrin {

/// What residuals are laid out against.
enum class ResidualAxis { Order, Temperature, HeaterSetting };

/// How far each point lies off the line of its run, against something that may have moved it.
struct ResidualView {
    struct Point {
        double x = 0.0;      ///< number of taking, °C, or the setting
        double kelvin = 0.0; ///< measured less the line, at its pressure
        int position = 0;
        bool outlier = false;
    };
    Text axis;                 ///< "heater's setting"
    std::vector<Point> points; ///< of the fit, that have a value for the axis
    Text told;                 ///< whether they go with it, or why nothing is shown
};

/// @param fit  of these readings: `workUpView` has it.
[[nodiscard]] ResidualView residualView(const RunFit& fit, const std::vector<ReducedReading>& readings,
                                        ResidualAxis axis);

} // namespace uttrin
