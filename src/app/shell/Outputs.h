#pragma once

class QString;
class QWidget;

namespace uttrin::app {

class LessonController;
class PhaseMap;

/// What leaves the window as paper or as a file. Each asks where to, and says how it went.
/// @param over  the window over which to ask.
/// @param boilingPoints  on the run sheet; without them it is one for a class that is to find them.
void printSheet(LessonController& controller, bool boilingPoints, QWidget* over);
void saveSheet(LessonController& controller, bool boilingPoints, QWidget* over);
/// @param map  may be none: that is said.
void saveMap(LessonController& controller, PhaseMap* map, QWidget* over);

} // namespace uttrin::app
