#pragma once

#include "lesson/acts/ActCourse.h"

namespace uttrin {

/// Between which pressures a liquid boils that is pumped and let air in by turns: the one read last while it
/// did not boil any more, and the one read last while it did. In a sentence, with what the curve says at the
/// temperature that was read last; empty without one of the two.
[[nodiscard]] Text bracketText(const LessonModel& model, const ActCourse& course,
                               const FrozenForecast& frozen);

} // namespace uttrin
