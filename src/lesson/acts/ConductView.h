#pragma once

#include "ActForecast.h"
#include "rehearsal/Ensemble.h"
#include "rehearsal/Rehearsal.h"

#include <memory>

namespace uttrin {

/// The forecast of an act as it stood when it went live.
struct FrozenForecast {
    Rehearsal rehearsal;
    EnsembleBand band; ///< 90 %; empty where it could not be drawn
};

/// Frozen forecasts, worked out once for each. Not thread-safe.
class FrozenForecasts {
public:
    /// Null for an act that has none, or whose rig cannot be played.
    [[nodiscard]] std::shared_ptr<const FrozenForecast> of(const Act& act);

private:
    std::map<std::string, std::shared_ptr<const FrozenForecast>> m_known; ///< by what is frozen
};

/// The rig of an act with the room as it is known now, to be kept when it goes live. BadInput says what is
/// wrong with it.
[[nodiscard]] Result<std::string> toFreeze(const LessonSession& session, const Act& act);

/// An act as it is conducted.
struct ConductView {
    struct Confirmation {
        Text says;
        bool must = false; ///< whoever leaves it out is shown the hazard, and led no further
    };
    struct Step {
        enum State { Done, Skipped, Current, ToCome } state = ToCome;
        Text kind, says, see;
        std::vector<Confirmation> confirm;
        Text when; ///< of its stamp
    };
    struct Moment {
        Text when, what;
    };
    /// A temperature that was read.
    struct Point {
        double seconds = 0.0; ///< since it began
        double celsius = 0.0;
        std::optional<bool> inBand; ///< whether it lies within the frozen band; none beyond its time
    };
    RowId act = 0;
    Text title, state;
    bool live = false, canBegin = false;
    std::vector<Step> steps;
    std::optional<int> current; ///< the step to do
    Text hazard;                ///< what stopped the guidance; empty while it goes on
    std::optional<Milliseconds> begun;
    std::optional<double> seconds; ///< since it began, while it is going on
    Text now;                      ///< what the frozen forecast says of this moment
    std::vector<Point> points;
    std::vector<Moment> stamps; ///< the newest first
    std::vector<Text> cautions;
};
[[nodiscard]] ConductView conductView(const LessonSession& session, const Act& act,
                                      FrozenForecasts& forecasts);

/// Brings a view to another moment: only the time and what the forecast says of it move.
void follow(ConductView& view, Milliseconds now, const FrozenForecast* forecast);

/// What is to be said to whoever saw something, by the frozen forecast; empty if nothing: bubbles far below
/// the boiling point are dissolved air.
[[nodiscard]] Text remarkOn(const Text& seen, const ConductView& view, const FrozenForecast* forecast);

/// Where a temperature is read.
[[nodiscard]] const std::vector<Text>& placesRead();

/// What can be seen, on a key each, the same in every rig: the words that are stamped.
[[nodiscard]] const std::vector<Text>& thingsSeen();

} // namespace uttrin
