#pragma once

#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// How far a bell is now.
struct BellTime {
    enum Trust {
        Known,     ///< by the machine's own clock, which nobody sets
        ByTheWall, ///< the machine was started anew since: by the clock on the wall, if nobody set it
        Unknown    ///< it was started anew, and the clock on the wall lies before the bell's beginning
    } trust = Known;
    double elapsed = 0.0;            ///< s since it was started
    std::optional<double> remaining; ///< s until it rings, below zero after; none counts up
    [[nodiscard]] bool rings() const { return remaining && *remaining <= 0.0; }
};
[[nodiscard]] BellTime timeOf(const BellRow& bell, const Clock& clock);

/// A bell as it is shown.
struct BellView {
    RowId id = 0;
    std::optional<RowId> act;
    Text title;
    Text time;              ///< "1:50", "−0:12" once it rings, "+3:05" of what counts up
    Text doubt;             ///< why its time may be wrong, and what to do; empty if it is known
    double remaining = 0.0; ///< s; of what counts up, how long it has gone on
    double lasts = 0.0;     ///< s, for which it was set; 0 of what counts up
    bool up = false, rings = false;
};
/// Those that are running, the one that rings next first; those that count up last.
[[nodiscard]] std::vector<BellView> bellsOf(const LessonSession& session);

/// What is spoken and shown when a bell rings: "Ice, second time: now".
[[nodiscard]] Text ringText(const BellView& bell);

/// A bell to be set.
struct BellDraft {
    std::string title;
    std::optional<double> seconds; ///< until it rings; without them it counts up
    std::optional<RowId> act;
    BellSource source = BellSource::Plan;
};

/// Bells of a lesson; each change is on disk when the command returns.
class BellCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Rings in so many seconds; without them it counts up. BadInput without a title, or for more than a day.
    [[nodiscard]] Result<RowId> start(const std::string& title, std::optional<double> seconds,
                                      std::optional<RowId> act = std::nullopt,
                                      BellSource source = BellSource::Hand);
    /// Several at once, as one change. BadInput without any.
    [[nodiscard]] Result<void> startAll(const std::vector<BellDraft>& bells);
    /// Rings again so much later, s from now.
    [[nodiscard]] Result<void> snooze(RowId bell, double seconds);
    /// It is done with.
    [[nodiscard]] Result<void> done(RowId bell);
    /// So much is left of it now, s: a person knows, where the clocks do not.
    [[nodiscard]] Result<void> correct(RowId bell, double remaining);

private:
    [[nodiscard]] Result<BellRow> find(RowId id) const;
    [[nodiscard]] BellRow rowOf(const BellDraft& draft) const; ///< as if it is started now
    [[nodiscard]] Result<void> restart(RowId id, double seconds, const Text& label);
};

} // namespace uttrin
