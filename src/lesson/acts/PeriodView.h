#pragma once

#include "ActForecast.h"
#include "Bells.h"
#include "period/Mend.h"

#include <set>

namespace uttrin {

/// The period of a lesson as it is drawn: minutes from the bell, negative before it.
struct PeriodView {
    struct Part {
        ActPart::Kind kind = ActPart::Show;
        double from = 0.0, to = 0.0;
        Text what;
        double u = 0.0; ///< min, of its end
        friend bool operator==(const Part&, const Part&) = default;
    };
    struct Lane {
        RowId id = 0;
        Text title, under; ///< "teacher, 33 min"
        double starts = 0.0, ends = 0.0;
        std::vector<Part> parts;
        ActState state = ActState::Planned;
        bool conflict = false;
        friend bool operator==(const Lane&, const Lane&) = default;
    };
    struct Clash {
        Text says;
        double from = 0.0, to = 0.0;
        std::vector<RowId> acts;
        friend bool operator==(const Clash&, const Clash&) = default;
    };
    /// Something to do at a time.
    struct Todo {
        double minute = 0.0;
        Text when; ///< by the clock if the bell is known: "09:31", else "minute −29"
        Text what;
        RowId act = 0;
        friend bool operator==(const Todo&, const Todo&) = default;
    };
    double lasts = 55.0;
    double from = -5.0, to = 60.0; ///< of the picture
    std::optional<double> now;
    std::vector<Lane> lanes;
    std::vector<Clash> clashes;
    std::vector<Todo> todo;  ///< in the order of time
    std::vector<Text> fetch; ///< for the whole lesson, each thing once
    std::set<RigNeed> needs; ///< of the room
    std::vector<Text> cautions;
    Text summary; ///< how long, what is first, whether it fits
};

/// All acts of the lesson in hand that are not skipped.
[[nodiscard]] PeriodView periodView(const LessonSession& session, ActForecasts& forecasts);

/// The fewest minutes by which acts have to move; nothing if it cannot be mended.
[[nodiscard]] std::optional<std::vector<std::pair<RowId, int>>> mendOf(const LessonSession& session,
                                                                       ActForecasts& forecasts);

/// A bell for each thing that the plan has still to come, but for those that a bell runs for already; none
/// where nobody has said when the bell of the period rings.
[[nodiscard]] std::vector<BellDraft> plannedBells(const LessonSession& session, ActForecasts& forecasts);

/// The moment of a time of day, "10:00", on the day of the lesson; nothing for what is none.
[[nodiscard]] std::optional<Milliseconds> onTheDay(const Lesson& lesson, const std::string& clock);

/// The minute of the period at a moment; nothing where nobody has said when the bell rings.
[[nodiscard]] std::optional<double> periodMinute(const LessonModel& model, Milliseconds at);

/// A minute of the period as a person says it: "09:31", or "minute −29" where nobody has said when the bell
/// rings.
[[nodiscard]] Text periodTime(const LessonModel& model, double minute);

} // namespace uttrin
