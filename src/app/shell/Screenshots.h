#pragma once

#include "app/controller/LessonController.h"

#include <QString>

namespace uttrin::app {

class MainWindow;

/// Goes through the stations with the sample lesson and writes a PNG of each into a folder. @return whether
/// all were written.
bool takeScreenshots(MainWindow& window, LessonController& controller, const QString& folder);

} // namespace uttrin::app
