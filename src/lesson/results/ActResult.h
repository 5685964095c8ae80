#pragma once

#include "lesson/acts/ClassView.h"
#include "lesson/acts/LearningTask.h"
#include "rehearsal/learning/FaultSearch.h"

namespace uttrin {

/// What is worked out of an act afterwards; takes as long as some hundred rehearsals.
struct ActAnalysis {
    std::string key; ///< equal where the same would come out
    std::optional<LearnedForecast> learned;
    std::optional<FaultFinding> fault;
};
/// @param task  from `learningTask` or `analysisTask`.
[[nodiscard]] ActAnalysis analyse(const LearningTask& task, const std::function<bool()>& goOn = {});

/// All that was observed of an act, what was seen among it; nothing while there is no reading and nothing was
/// seen.
[[nodiscard]] std::optional<LearningTask> analysisTask(const LessonSession& session, const Act& act,
                                                       const FrozenForecast& frozen);

/// An act after it: what was read and seen against what was expected, and whether it went as it should.
struct ActResult {
    struct Read {
        Text when, minute, read, forecast, inside; ///< forecast: "71.0, 69.8 to 72.3 °C"; inside: kPa
        bool outside = false;                      ///< of the frozen band
    };
    struct Seen {
        Text when, minute, what, forecast; ///< "boiling", as the frozen forecast had it then
    };
    struct Value {
        Text name, expected, found; ///< with 90 % intervals; found is empty where nothing was learned
    };
    RowId act = 0;
    Text title, room;
    Text verdict;               ///< in one sentence: whether it went as it should
    std::vector<Text> evidence; ///< of what it went otherwise
    bool asForeseen = true;
    std::vector<Read> reads;
    std::vector<Seen> seen;
    std::vector<Text> steps; ///< "10:04:10 step 3 done", "step 4 skipped: no time"
    std::vector<Value> values;
    Text bracket; ///< between which pressures it boils; empty where they were not read
    Text lowest;  ///< the lowest temperature at which it boiled, and why no lower; empty if it did not
    /// What a group found at its own rig.
    struct ByGroup {
        Text name;
        int read = 0;    ///< temperatures
        int outside = 0; ///< of them, of the frozen band
        Text lowest;     ///< at which it was read while it boiled; a dash if never
        Text inside;     ///< the pressure then, worked out from it and the air left
    };
    std::vector<ByGroup> groups; ///< those that stamped something of their own
    Text pooled;                 ///< what the groups found together; empty of fewer than two
    Text notMeasured;            ///< that what it claims was not measured; empty if it was
    std::vector<QuestionView> questions;
};
/// @param analysis  null while it is being worked out.
[[nodiscard]] ActResult actResult(const LessonSession& session, const Act& act, const FrozenForecast* frozen,
                                  const ActAnalysis* analysis);

} // namespace uttrin
