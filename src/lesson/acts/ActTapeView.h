#pragma once

#include "ActCourse.h"
#include "Bells.h"
#include "PeriodView.h"

#include <functional>

namespace uttrin {

/// The minutes of the period as they go: a lane for each act that goes on or is to come, and the bells.
struct ActTapeView {
    struct Lane {
        RowId act = 0;
        Text title;
        std::vector<PeriodView::Part> parts; ///< minutes of the period
        bool live = false;
    };
    struct Bell {
        double minute = 0.0;
        Text title, time;
        bool rings = false;
    };
    double from = -5.0, to = 60.0, lasts = 55.0; ///< min; lasts: until the second bell of the period
    std::optional<double> now;
    Text nowText;
    std::vector<Lane> lanes;
    std::vector<Bell> bells; ///< those that will ring; where it is not known when the period began, none
};
/// How a demonstration that goes on is known to go: its frozen forecast, and its likeliest course since; null
/// for what is not known.
struct KnownCourse {
    std::shared_ptr<const FrozenForecast> frozen;
    std::shared_ptr<const LearnedForecast> learned;
};
using CourseOf = std::function<KnownCourse(const Act&)>;

/// An act that goes on stands where it was begun, once it is known when the period began; one whose course is
/// known has its moves where they were made, and those to come where they are due, not before now.
[[nodiscard]] ActTapeView actTapeView(const LessonSession& session, ActForecasts& forecasts,
                                      const CourseOf& courseOf = {});

/// Brings a tape to another moment: only the hand and the bells move.
void follow(ActTapeView& view, const LessonSession& session);

} // namespace uttrin
