#pragma once

#include "LessonSession.h"

namespace uttrin {

/// What became of a capture.
struct CaptureOutcome {
    std::optional<RowId> readingId; ///< set once the reading is on disk
    SlipFinding finding;            ///< what looked odd; where readingId is empty it waits for a decision
};

/// What is typed at the bench, and its capture.
class BenchCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// What the fields hold now. Pictures that were taken over stay with it.
    [[nodiscard]] Result<void> setDraft(const BenchDraft& typed);
    /// Puts what a picture shows into the draft, and the picture with it.
    [[nodiscard]] Result<void> takeFromPhoto(PhotoEvidence evidence);
    /// Captures the draft. An odd pair is held back with its finding until it is kept on purpose.
    [[nodiscard]] Result<CaptureOutcome> capture(bool keepOddPair);
    /// Captures the draft as one half of a bracket about the point taken last: first where boiling stops when
    /// bleeding, then where it starts again when pulling.
    [[nodiscard]] Result<CaptureOutcome> captureBracket();
};

} // namespace uttrin
