#pragma once

#include "Document.h"
#include "lesson/acts/PeriodView.h"

namespace uttrin {

/// Settings of a prep sheet.
struct PrepOptions {
    bool technician = false; ///< only what to fetch, to do and to mind; no acts, no lesson
};

/// What a lesson needs beforehand: what to do at which time, what to fetch for all of it, what the room must
/// have, cautions by act, who does what.
[[nodiscard]] Document prepSheet(const LessonSession& session, ActForecasts& forecasts,
                                 const PrepOptions& options = {});

} // namespace uttrin
