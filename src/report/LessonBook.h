#pragma once

#include "Document.h"
#include "lesson/acts/PeriodView.h"
#include "lesson/results/ActResult.h"

#include <functional>

namespace uttrin {

/// Whether the pupils' copies are wanted, or the teacher's.
enum class PaperFor { Teacher, Pupils };

/// What is known of an act when its paper is made; either may be null.
struct KnownOfAct {
    std::shared_ptr<const FrozenForecast> frozen;
    std::shared_ptr<const ActAnalysis> analysis;
};

/// The paper of an act: its record once it has begun, its steps before; the pupils' sheet for them. BadInput
/// for an act that is not in the lesson.
[[nodiscard]] Result<Document> paperOfAct(const LessonSession& session, RowId act, PaperFor whom,
                                          const KnownOfAct& known);

/// The whole lesson as one document: prep sheet, the paper of each act, the lab report where there is one.
/// @param know  is asked for each act.
[[nodiscard]] Document lessonBook(const LessonSession& session, ActForecasts& forecasts, PaperFor whom,
                                  const std::function<KnownOfAct(const Act&)>& know);

} // namespace uttrin
