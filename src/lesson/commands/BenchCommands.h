#pragma once

#include "LessonSession.h"

namespace uttrin {

/// What became of a capture.
struct CaptureOutcome {
    std::optional<RowId> readingId; ///< set once the reading is on disk
    bool asksWhetherShut = false;   ///< nobody has said whether the pump was shut off: nothing is captured
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
    /// Puts what instruments say now into the draft, where nothing is typed. @param gauge, thermometer
    /// nothing for one that says nothing: what it said before is forgotten.
    /// @return whether a field holds something else now.
    [[nodiscard]] Result<bool> takeLive(const std::optional<LiveEvidence>& gauge,
                                        const std::optional<LiveEvidence>& thermometer);
    /// The next step of the rig's read order is done. Shutting the pump off says that it is.
    [[nodiscard]] Result<void> stepDone();
    /// Captures the draft. An odd pair is held back with its finding until it is kept on purpose. Whether the
    /// pump was shut off has to have been said.
    [[nodiscard]] Result<CaptureOutcome> capture(bool keepOddPair);
    /// Captures the draft as one half of a bracket about the point taken last: first where boiling stops when
    /// bleeding, then where it starts again when pulling.
    [[nodiscard]] Result<CaptureOutcome> captureBracket();
};

} // namespace uttrin
