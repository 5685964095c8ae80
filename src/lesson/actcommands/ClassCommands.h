#pragma once

#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// What a class is asked, and what it says. Each change is on disk when the command returns, and undo takes
/// it back.
class ClassCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Asks a question of an act. BadInput without words, for a choice of fewer than two, for a number
    /// without a unit.
    [[nodiscard]] Result<RowId> ask(const Question& question);
    /// One more (or, with -1, one fewer) who says so. BadInput once it is locked, or for what is none of its
    /// choices.
    [[nodiscard]] Result<void> vote(RowId question, const std::string& said, int by = 1);
    /// What a group says; it may change its mind until it is locked. BadInput for what is no number of a
    /// question for one.
    [[nodiscard]] Result<void> groupSays(RowId question, RowId group, const std::string& said);
    /// From now on no answer changes. BadInput without any answer.
    [[nodiscard]] Result<void> lock(RowId question);
    /// The class sees answers and forecast from now on. BadInput before it is locked.
    [[nodiscard]] Result<void> reveal(RowId question);
    /// How it came out.
    [[nodiscard]] Result<void> settle(RowId question, const std::string& result);

private:
    [[nodiscard]] Result<Question> open(RowId id) const; ///< one that is not locked
    [[nodiscard]] Result<Question> find(RowId id) const;
};

/// The choices of a question: its own, or yes and no; empty for a number.
[[nodiscard]] std::vector<std::string> choicesOf(const Question& question);

/// A question as a person types it: "Does it boil?" is yes or no, "Which is faster? ice / a wet hand" a
/// choice, "How warm is it? [degC]" a number.
[[nodiscard]] Question questionInWords(const std::string& words);

} // namespace uttrin
