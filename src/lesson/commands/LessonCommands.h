#pragma once

#include "LessonSession.h"

#include <filesystem>
#include <vector>

namespace uttrin {

/// Lessons as a whole: begun, named, brought in, copied; and what was done taken back.
class LessonCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    [[nodiscard]] Result<RowId> addLesson(Lesson lesson);
    [[nodiscard]] Result<void> changeLesson(const Lesson& lesson);
    /// Readings made elsewhere, as a plan and a run of their own. @return the run.
    [[nodiscard]] Result<RowId> addImported(const std::string& name, const Plan& plan,
                                            std::vector<Reading> readings);
    [[nodiscard]] Result<void> undo();
    [[nodiscard]] Result<void> redo();
    [[nodiscard]] Result<void> saveCopy(const std::filesystem::path& to) { return notebook().saveCopy(to); }

private:
    Result<void> lookAfterStep();
};

} // namespace uttrin
