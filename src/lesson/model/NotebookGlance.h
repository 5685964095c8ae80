#pragma once

#include "LessonModel.h"

#include <filesystem>
#include <utility>

namespace uttrin {

/// What can be told of a notebook before it is opened, from its last lesson.
struct NotebookGlance {
    std::string title, heldOn; ///< of the lesson
    bool madeUp = false;
    int runs = 0, points = 0; ///< of the lesson; of the whole notebook where there are very many
    const Substance* substance = nullptr;
    std::vector<std::pair<double, double>> map; ///< K and Pa of its points; empty where there are very many
    std::optional<RoomPressure> room;           ///< empty too where there are very many points
    Milliseconds roomReadAt = 0;                ///< means nothing without `room`
};

/// Looks into a notebook without changing anything in it, whoever else has it open.
/// Fails where it cannot be read or has no lesson.
[[nodiscard]] Result<NotebookGlance> glanceAt(const std::filesystem::path& notebook);

/// "today", "yesterday", "12 days ago", "5 months ago": how long ago something was, for a person.
[[nodiscard]] Text ageText(Milliseconds then, Milliseconds now);

} // namespace uttrin
