#pragma once

#include "ActCourse.h"
#include "ActForecast.h"

namespace uttrin {

/// The rig of an act with the room as it is known now, to be kept when it goes live. BadInput says what is
/// wrong with it.
[[nodiscard]] Result<std::string> toFreeze(const LessonSession& session, const Act& act);

/// An act as it is conducted.
struct ConductView {
    struct Step {
        enum State { Done, Skipped, Current, ToCome } state = ToCome;
        Text kind, says, see;
        std::vector<Text> confirm; ///< what must be so before it
        Text valves;               ///< what they stand at after it; may be empty
        Text when;                 ///< of its stamp
        std::string measures;      ///< unit of what is measured with it; may be empty
        bool repeats = false;      ///< it is done for each point anew
        int times = 0;             ///< that it was done
    };
    struct Moment {
        Text when, what;
    };
    /// A temperature that was read.
    struct Point {
        double seconds = 0.0; ///< from the forecast's clock, as below
        double celsius = 0.0;
        StampBound bound = StampBound::None;
        bool ofTheLiquid = true;    ///< others are shown, and taught to no forecast
        std::optional<bool> inBand; ///< whether it lies within the frozen band; none beyond its time
    };
    RowId act = 0;
    Text title;
    bool live = false, canBegin = false;
    std::vector<Step> steps;
    std::optional<int> current; ///< the step to do
    Text hazard;                ///< what stopped the guidance; empty while it goes on
    bool liquidKnown = true;    ///< else nothing is forecast
    bool drainable = false;     ///< it has a line into which liquid may get
    Text drain;                 ///< what is to be done with liquid in the line, until it is said to be dry
    Text wanted;                ///< which reading the record wants now; empty if none
    std::optional<double> coldHands; ///< s for which bare hands may hold what is cold
    std::optional<Milliseconds> begun;
    /// From when the clock of its forecast starts, below zero before, while it is going on: see ActCourse.
    std::optional<double> seconds;
    Text since;                ///< what that is counted from: "clamp shut"
    Text now;                  ///< what the frozen forecast says of this moment
    std::vector<Text> outlook; ///< what was learned since, see outlookTexts
    struct Next {
        Text says;
        double in = 0.0;      ///< s
        bool overdue = false; ///< it was due, and is not stamped yet
    };
    std::optional<Next> next; ///< the move that is due next, by the likeliest course
    Text waitsFor;            ///< the move from which its clock counts, until that is stamped
    std::vector<Point> points;
    std::vector<Moment> stamps; ///< the newest first
    std::vector<Text> cautions;
};
[[nodiscard]] ConductView conductView(const LessonSession& session, const Act& act,
                                      const FrozenForecast* frozen, const LearnedForecast* learned = nullptr);

/// Brings a view to another moment: only the time and what the forecasts say of it move.
/// @param learned  from what was read until now; null if nothing was.
void follow(ConductView& view, const LessonSession& session, const Act& act, const FrozenForecast* frozen,
            const LearnedForecast* learned);

/// What is to be said to whoever saw something, by the frozen forecast; empty if nothing: bubbles far below
/// the boiling point are dissolved air.
[[nodiscard]] Text remarkOn(const Text& seen, const ConductView& view, const FrozenForecast* forecast);

/// What can be seen, on a key each, the same in every rig: the words that are stamped.
[[nodiscard]] const std::vector<Text>& thingsSeen();
/// Places in it that mean something to a forecast.
inline constexpr std::size_t kBoils = 0, kStops = 1, kIceOn = 2;

/// Whether a stamp says that it begins to boil, or that it stops; nothing for what says neither.
[[nodiscard]] std::optional<bool> seenBoiling(const Stamp& stamp);

/// Liquid is seen in the line of a pump, and it is dry again.
[[nodiscard]] const Text& liquidInLine();
[[nodiscard]] const Text& lineDrained();

/// How hard it boils, 1 to 5, as it is stamped.
[[nodiscard]] std::string vigourStamp(int vigour);

} // namespace uttrin
