#pragma once

#include "LessonController.h"
#include "rehearsal/rigfile/RigFile.h"

class QComboBox;

namespace uttrin::app {

/// Asks for a name and keeps the rig with these values among the person's own. @return whether it did; why
/// not, the controller says.
bool keepOwnRig(QWidget* parent, LessonController& controller, const RigFile& rig,
                const std::vector<RigSetting>& settings, const QString& suggested);

/// At the end of a list, rigs of the person that cannot be read: not to be chosen, with the reason.
void listTroubles(QComboBox& list, const std::vector<Text>& troubles);

} // namespace uttrin::app
