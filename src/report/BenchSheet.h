#pragma once

#include "Document.h"
#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// Settings of a run sheet.
struct SheetOptions {
    bool boilingPoints = true; ///< false: for a class that is to find them
};

/// The run sheet for the bench: targets with dial readings, materials, cautions.
[[nodiscard]] Result<Document> benchSheet(const LessonSession& session, const SheetOptions& options = {});

} // namespace uttrin
