#pragma once

#include "ActCourse.h"
#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// What there is to learn from in an act.
struct LearningTask {
    ActRig rig;
    Observed observed;
    std::string key; ///< equal where the same would be learned
};
/// All that was observed of an act by a moment.
[[nodiscard]] LearningTask taskOf(const Act& act, const FrozenForecast& frozen, const ActCourse& course,
                                  Milliseconds by);

/// What there is to learn from in an act that goes on. Nothing while nothing was read, no move was stamped
/// after its clock started, and none is overdue.
/// @param learned  what was learned before; null if nothing was. @param group  see ActCourse.
[[nodiscard]] std::optional<LearningTask> learningTask(const LessonSession& session, const Act& act,
                                                       const FrozenForecast& frozen,
                                                       const LearnedForecast* learned = nullptr,
                                                       std::optional<RowId> group = std::nullopt);

/// Learns from it, as much as what is shown of it needs.
[[nodiscard]] Result<LearnedForecast> learnFrom(const LearningTask& task,
                                                const std::function<bool()>& goOn = {});

} // namespace uttrin
