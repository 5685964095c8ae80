#pragma once

#include "Document.h"
#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// Settings of a lab report.
struct ReportOptions {
    bool answers = true; ///< false: the student's copy, with blanks where they work things out
    FitOptions fit;
};

/// The lab report of the selected run.
/// Fails where no run is selected.
[[nodiscard]] Result<Document> labReport(const LessonSession& session, const ReportOptions& options);

} // namespace uttrin
