#pragma once

#include "lesson/model/PlannedLesson.h"
#include "quantities/Failure.h"

#include <filesystem>

namespace uttrin {

/// The last lesson of another notebook. A notebook is opened for reading only and stays as it is;
/// a failure says why it cannot be read.
[[nodiscard]] Result<PlannedLesson> plannedLessonOf(const std::filesystem::path& notebook);

} // namespace uttrin
