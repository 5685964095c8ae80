#pragma once

#include "lesson/model/ImportedAct.h"
#include "lesson/model/LessonModel.h"

#include <string>
#include <string_view>

namespace uttrin {

struct ImportedActs {
    std::vector<ImportedAct> acts;
    std::vector<Text> complaints; ///< one for each line or act that could not be read
};

/// The acts of a lesson with their stamps as CSV: a line for each stamp, what belongs to the act on its first
/// one. '.' as decimal sign, times with the place's offset.
[[nodiscard]] std::string actsCsv(const LessonModel& model);
/// The same as JSON, with questions and answers.
[[nodiscard]] std::string actsJson(const LessonModel& model);

/// Whether a text is a lesson's acts, as CSV or as JSON, not readings of a lab.
[[nodiscard]] bool holdsActs(std::string_view text);

/// Reads what `actsCsv` wrote; lines that cannot be read become complaints. BadInput where none can.
[[nodiscard]] Result<ImportedActs> readActsCsv(std::string_view text);
/// Reads what `actsJson` wrote.
[[nodiscard]] Result<ImportedActs> readActsJson(std::string_view text);

} // namespace uttrin
