#pragma once

#include "ConductView.h"

namespace uttrin {

/// What comes of an act that goes on, for the one who conducts it: where it is by what was read, when the
/// next move is due, down to what temperature it still boils and how hard, how hard what closes it is held,
/// and when the glass can be touched.
/// @param learned  null: by the frozen forecast.
[[nodiscard]] std::vector<Text> outlookTexts(const FrozenForecast& frozen, const LearnedForecast* learned,
                                             const ActCourse& course, Milliseconds now, int utcOffsetMin);

/// The move that is due next, by the likeliest course; nothing before its clock starts.
[[nodiscard]] std::optional<ConductView::Next> nextMoveOf(const FrozenForecast& frozen,
                                                          const LearnedForecast* learned,
                                                          const ActCourse& course, Milliseconds now);

/// "1:50", minutes and seconds; "1:02:05" from an hour on.
[[nodiscard]] Text durationText(double seconds);

} // namespace uttrin
