#pragma once

#include "LessonSession.h"

namespace uttrin {

/// What is looked at. Not recorded, not undone.
class SelectionCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    [[nodiscard]] Result<void> selectLesson(RowId id);
    [[nodiscard]] Result<void> selectSetup(RowId id);
    [[nodiscard]] Result<void> selectRun(RowId id);
    /// Makes a target the current one; empty goes back to the first that is not taken.
    [[nodiscard]] Result<void> selectTarget(std::optional<int> place);
    /// Goes on or back by so many targets in the order of the sheet.
    [[nodiscard]] Result<void> stepTarget(int by);
    /// Lays the curve of another substance over the map, or takes it off.
    [[nodiscard]] Result<void> layOver(const std::string& substance, bool shown);
    /// The demonstration that is being rehearsed, by its name.
    [[nodiscard]] Result<void> setRehearsing(const std::string& name);
    /// No result is shown anywhere on screen while students work it out.
    [[nodiscard]] Result<void> hideResults(bool hide);
    /// Reads the lesson again as it is on disk now.
    [[nodiscard]] Result<void> lookAgain() { return session().hasLesson() ? reload() : Result<void>(); }
};

} // namespace uttrin
