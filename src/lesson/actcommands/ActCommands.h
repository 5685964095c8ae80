#pragma once

#include "lesson/commands/LessonSession.h"
#include "lesson/model/ImportedAct.h"
#include "lesson/model/PlannedLesson.h"

#include <utility>
#include <vector>

namespace uttrin {

/// The acts of a lesson: added, moved, changed, taken away, how far they are. Each change is one transaction.
class ActCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Adds an act to the lesson in hand, whatever its `id` and `lessonId` say. BadInput without a title.
    [[nodiscard]] Result<RowId> add(const Act& act);
    /// Gives an act other values. BadInput without a title, or if it lasts no time.
    [[nodiscard]] Result<void> change(const Act& after, const Text& label);
    /// Moves an act to another start, s of the period.
    [[nodiscard]] Result<void> moveTo(RowId id, int startsS);
    /// Moves several by whole minutes at once, as one change.
    [[nodiscard]] Result<void> moveBy(const std::vector<std::pair<RowId, int>>& minutes);
    [[nodiscard]] Result<void> remove(RowId id);
    /// It will not be done; BadInput without a word of why.
    [[nodiscard]] Result<void> skip(RowId id, const std::string& why);
    [[nodiscard]] Result<void> setState(RowId id, ActState state);
    /// Adds acts from a file, with their stamps and what the class was asked and said, as one change; gives
    /// how many. BadInput without any.
    [[nodiscard]] Result<int> addImported(const std::vector<ImportedAct>& acts);
    /// Adds acts of another lesson as they were planned: nothing of how they went, labs with their rigs and
    /// instruments as set-ups of this lesson; gives how many acts. BadInput without any.
    [[nodiscard]] Result<int> takeOver(const PlannedLesson& earlier);
    /// A group of that name, made if it is not there yet. BadInput without a name.
    [[nodiscard]] Result<RowId> addGroup(const std::string& name);
    /// When the bell rings, how long the period lasts, what the room has. BadInput for a period that lasts no
    /// time or longer than a day.
    [[nodiscard]] Result<void> setPeriod(const PeriodRow& period);

private:
    [[nodiscard]] Result<Act> find(RowId id) const;
};

} // namespace uttrin
