#pragma once

#include "FrozenForecast.h"
#include "lesson/model/LessonModel.h"
#include "rehearsal/Observed.h"

namespace uttrin {

/// How an act went by its stamps, on the clock of its forecast.
class ActCourse {
public:
    /// @param model, frozen  outlive this. @param group  whose rig it is: what others read and saw at theirs
    /// is left out, what was stamped for all counts.
    ActCourse(const LessonModel& model, const Act& act, const FrozenForecast& frozen,
              std::optional<RowId> group = std::nullopt);

    [[nodiscard]] const std::vector<const Stamp*>& stamps() const { return m_stamps; } ///< by time
    [[nodiscard]] std::optional<Milliseconds> begun() const { return m_begun; }
    /// Whether the move was stamped from which people count; until then the forecast waits before it.
    [[nodiscard]] bool clockRuns() const { return m_at.has_value(); }
    /// s from when the clock of the forecast starts, see `clockStart`; below zero before. The forecast is
    /// set right by the first move that is stamped: a flask that is shut later than planned is shut when it
    /// is. REQUIRES: it has begun.
    [[nodiscard]] double fromClock(Milliseconds at) const;
    /// The moment of such a time.
    [[nodiscard]] Milliseconds momentOf(double fromClock) const;
    /// When a move was made, by what was stamped; nothing if it was not yet.
    [[nodiscard]] std::optional<Milliseconds> madeAt(int move) const;
    /// What is known of it at a moment: temperatures of the liquid, moves.
    [[nodiscard]] Observed observed(Milliseconds now) const;

private:
    [[nodiscard]] double plannedFor(int move) const;
    void collectMoves(const RigStory& story);
    const LessonModel& m_model;
    const Rehearsal& m_frozen;
    std::vector<const Stamp*> m_stamps;
    std::optional<Milliseconds> m_begun;
    double m_clockStart = 0.0;        ///< s, of the frozen rehearsal
    std::optional<Milliseconds> m_at; ///< of the move by which it is set right
    double m_planned = 0.0;           ///< s from the clock, when the forecast has that move
    struct Made {
        int move = 0;
        Milliseconds at = 0;
    };
    std::vector<Made> m_made; ///< by move
};

} // namespace uttrin
