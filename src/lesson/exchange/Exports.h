#pragma once

#include "lesson/model/LessonModel.h"
#include "notebook/Notebook.h"

#include <filesystem>
#include <string>

namespace uttrin {

/// All readings of a lesson as CSV: raw values with units in the column names, reduced values, marks. '.' as
/// decimal sign.
[[nodiscard]] std::string readingsCsv(const LessonModel& model);

/// A lesson as JSON: raw rows, instruments as declared, reduced values in SI units.
[[nodiscard]] std::string lessonJson(const LessonModel& model);

/// Writes every lesson of a notebook into `directory` as lesson-ID.FORMAT.
/// @param format "csv", "json" or "xlsx".
/// @return the files written.
[[nodiscard]] Result<std::vector<std::filesystem::path>>
exportNotebook(const Notebook& notebook, const std::string& format, const std::filesystem::path& directory);

} // namespace uttrin
