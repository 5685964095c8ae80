#pragma once

class QString;
class QWidget;

namespace uttrin::app {

class LessonController;
class PhaseMap;

/// What leaves the window as paper or as a file. Each asks where to, and says how it went.
/// @param over  the window over which to ask.
void printSheet(LessonController& controller, QWidget* over);
void saveSheet(LessonController& controller, QWidget* over);
/// @param map  may be none: that is said.
void saveMap(LessonController& controller, PhaseMap* map, QWidget* over);

} // namespace uttrin::app
