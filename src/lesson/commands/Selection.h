#pragma once

#include "lesson/model/LessonModel.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// What of the open notebook is looked at. Not recorded, not undone.
struct Selection {
    RowId lessonId = 0; ///< 0: there is none
    RowId setupId = 0;
    std::optional<RowId> runId;
    std::optional<int> targetPlace;    ///< chosen by a person; empty: the first that is not taken
    std::string rehearsing;            ///< name of the demonstration in hand; empty before one was chosen
    bool resultsHidden = false;        ///< while students work them out themselves
    std::vector<std::string> laidOver; ///< ids of substances whose curves lie over the map

    [[nodiscard]] bool isLaidOver(const std::string& substance) const;
    /// Leaves what is no longer in the lesson, and takes its first plan and run where none is chosen.
    void settle(const LessonModel& model);
};

} // namespace uttrin
