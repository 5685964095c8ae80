#pragma once

#include "Document.h"
#include "lesson/acts/PeriodView.h"

namespace uttrin {

/// Which prep sheet.
enum class PrepSheetKind {
    Whole,
    Technician, ///< only what to fetch, to do and to mind; no acts, no lesson
    HandOver    ///< what is done with each act before the next group has it
};

/// What a lesson needs beforehand: what to do at which time, what to fetch for all of it, what the room must
/// have, cautions by act, who does what.
[[nodiscard]] Document prepSheet(const LessonSession& session, ActForecasts& forecasts,
                                 PrepSheetKind kind = PrepSheetKind::Whole);

} // namespace uttrin
