#pragma once

#include "LessonSession.h"
#include "lesson/model/ImportedRun.h"

#include <filesystem>
#include <vector>

namespace uttrin {

/// Lessons as a whole: begun, named, brought in, copied; and what was done taken back.
class LessonCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    [[nodiscard]] Result<RowId> addLesson(Lesson lesson);
    [[nodiscard]] Result<void> changeLesson(const Lesson& lesson);
    /// Runs made elsewhere, those of one plan under it. @return the last of them.
    /// @param name  of the group where the file names none. REQUIRES: there is a run.
    [[nodiscard]] Result<RowId> addImported(const std::string& name, const std::vector<ImportedRun>& runs);
    [[nodiscard]] Result<void> undo();
    [[nodiscard]] Result<void> redo();
    [[nodiscard]] Result<void> saveCopy(const std::filesystem::path& to) { return notebook().saveCopy(to); }

private:
    Result<void> lookAfterStep();
};

} // namespace uttrin
