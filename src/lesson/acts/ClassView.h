#pragma once

#include "Bells.h"
#include "ConductView.h"
#include "lesson/actcommands/ClassCommands.h"

namespace uttrin {

/// A question to the class, with what it said.
struct QuestionView {
    struct Count {
        std::string said; ///< as it is kept
        Text says;
        int votes = 0;
    };
    struct GroupAnswer {
        RowId group = 0;
        Text name;
        std::string said; ///< empty while it has said nothing
    };
    RowId id = 0; ///< 0 while it has not been asked
    std::optional<int> step;
    Text asks;
    QuestionKind kind = QuestionKind::YesOrNo;
    Text unit;
    std::vector<Count> counts; ///< of a choice or of yes and no, in their order; groups' answers counted in
    std::vector<GroupAnswer> groups;
    int answers = 0;
    bool locked = false, revealed = false;
    Text tally;     ///< "17 of 24 say no", "5 answers: 30 to 52 °C, half of them below 41 °C"
    Text result;    ///< how it came out; empty while nobody has said so
    Text verdict;   ///< "6 of 24 were right", "nearest: Cedar, 38 °C"
    Question asked; ///< as it is kept, or as it would be asked
};

/// The questions of an act, those of its rig that were not asked yet among them, in the order of its steps.
[[nodiscard]] std::vector<QuestionView> questionsOf(const LessonSession& session, const Act& act);

/// What the class may see of an act now: no margin notes of the teacher, no answers before they are locked,
/// no forecast before it is revealed.
struct ClassView {
    Text title;
    std::optional<QuestionView> question; ///< the one in hand: without counts until it is locked
    bool showsForecast = false;
    Text temperature, temperatureUnit, read; ///< the last that was read, and when
    std::optional<double> kelvin;            ///< the same, where it is no bound and no word
    Text pressure;                           ///< inside, by the forecast; empty until it is revealed
    std::vector<Text> cautions;
    Text scald; ///< of what was read last
    std::vector<BellView> bells;
};
/// @param showsAnyway  the teacher wants the forecast seen whatever is not revealed.
[[nodiscard]] ClassView classView(const LessonSession& session, const Act& act, const ConductView& view,
                                  const FrozenForecast* frozen, bool showsAnyway);

} // namespace uttrin
