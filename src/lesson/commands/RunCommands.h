#pragma once

#include "LessonSession.h"

namespace uttrin {

/// Runs of a plan: begun, with their zero checks and notes.
class RunCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Begins a run of the plan in hand with the rig as it is now.
    [[nodiscard]] Result<RowId> startRun(const std::string& groupName);
    [[nodiscard]] Result<void> checkZero(double first, std::optional<double> second);
    /// Stamps how warm the liquid is before the first point, as the thermometer shows it.
    [[nodiscard]] Result<void> stampStart(double temperature);
    [[nodiscard]] Result<void> addNote(const std::string& text);
};

} // namespace uttrin
