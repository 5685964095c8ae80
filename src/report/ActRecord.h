#pragma once

#include "Document.h"
#include "lesson/results/ActResult.h"

namespace uttrin {

/// The record of a demonstration: amounts, room, who, confirmations, stamps, plot, prediction and result,
/// explanation, cautions.
/// @param analysis  null: what is worked out from it is left out.
[[nodiscard]] Document actRecord(const LessonSession& session, const Act& act, const FrozenForecast* frozen,
                                 const ActAnalysis* analysis);

/// The sheet of the pupils: the questions, a blank table and paper to draw on.
[[nodiscard]] Document pupilsSheet(const LessonSession& session, const Act& act);

/// The guide of an act: its steps with what must be so before them and what is seen then.
[[nodiscard]] Document actGuide(const LessonSession& session, const Act& act);

/// Several papers as one.
[[nodiscard]] Document joined(const Text& title, const std::vector<Document>& papers);

} // namespace uttrin
