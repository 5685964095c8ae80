#pragma once

#include "app/controller/LessonController.h"
#include "rehearsal/Demonstrations.h"

#include <optional>

namespace uttrin::app {

/// Asks for a rig file and reads it. @return nothing if the person thinks better of it, or if it cannot be
/// read, which the controller then says.
[[nodiscard]] std::optional<Demonstration> openRigFile(QWidget* parent, LessonController& controller);
/// Asks for a name and writes the rig with these values under it, whole or not at all.
void saveRigFile(QWidget* parent, LessonController& controller, const RigFile& rig,
                 const std::vector<RigSetting>& settings);

} // namespace uttrin::app
