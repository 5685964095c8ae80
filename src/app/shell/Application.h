#pragma once

#include <functional>

namespace uttrin {
class Clock;
}

namespace uttrin::app {

class LessonController;
class MainWindow;

/// The whole program: arguments, look, window, event loop. @return the exit code.
/// @param started  called once the window stands, before the event loop; for tests that put hands on the real
/// program. @param clock  by which it goes; null for the machine's.
int runApplication(int argc, char** argv,
                   const std::function<void(MainWindow&, LessonController&)>& started = {},
                   const Clock* clock = nullptr);

} // namespace uttrin::app
