#pragma once

#include "LessonSession.h"

#include <functional>

namespace uttrin {

/// What becomes of readings that were captured. None is ever deleted.
class ReadingCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    [[nodiscard]] Result<void> strike(RowId readingId, const std::string& reason);
    [[nodiscard]] Result<void> restore(RowId readingId);
    /// Strikes a reading as retaken and makes its target the current one.
    [[nodiscard]] Result<void> retake(RowId readingId);
    /// Takes the last zero check of its run for a reading, though it was made later.
    [[nodiscard]] Result<void> useLatestZero(RowId readingId);
    [[nodiscard]] Result<void> useInFit(RowId readingId, bool use);

private:
    [[nodiscard]] const Reading* find(RowId id) const;
    /// Its number in its run, for people.
    [[nodiscard]] int number(RowId id) const;
    [[nodiscard]] Result<void> change(RowId id, const Text& label,
                                      const std::function<void(Reading&)>& change);
};

} // namespace uttrin
