#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>

namespace uttrin {

/// What the plan's dial means, in a sentence, and how both instruments stand when the liquid boils.
struct RigMeaning {
    Text sentence;
    std::optional<GaugeReading> gauge; ///< empty where it cannot be told
    std::optional<double> thermometer; ///< as it would show it
};

/// @param boils  at which temperature; a usual one for the liquid without it.
[[nodiscard]] RigMeaning rigMeaning(const LessonSession& session, std::optional<Temperature> boils);

/// The temperature at which it boils where an instrument stands so.
[[nodiscard]] Result<Temperature> boilsAtGauge(const LessonSession& session, const GaugeReading& reading);
[[nodiscard]] Result<Temperature> boilsAtThermometer(const LessonSession& session, double reading);

/// That the run in hand keeps another rig than the plan has now; empty where it does not.
[[nodiscard]] Text runRigNote(const LessonSession& session);

} // namespace uttrin
