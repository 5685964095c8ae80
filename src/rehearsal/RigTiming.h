#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// Ice that is laid on at a time, s from the beginning.
struct IcePortion {
    double at = 0.0, kg = 0.0;
};
[[nodiscard]] std::vector<IcePortion> iceOf(const Rehearsal& rehearsal);

/// When what of a demonstration goes on, for the clock of a lesson: s from its beginning.
struct RigTiming {
    /// What goes on from one move of a hand to the next.
    struct Part {
        double from = 0.0, to = 0.0;
        Text begins;   ///< the move that begins it; empty for the first
        int move = -1; ///< its place in the procedure; -1 for the first part
    };
    struct Spell {
        double from = 0.0, to = 0.0;
    };
    double clock = 0.0; ///< when people start their clock, see `clockStart`
    double shown = 0.0; ///< from when the class has something to see: 0, or the first move after the clock
    double lasts = 0.0; ///< until the last thing has happened, and a minute more
    std::vector<Part> parts;
    std::vector<Spell> pump, heater; ///< while one runs
    std::vector<Spell> hands;        ///< about each move, and while it is set up
    std::vector<IcePortion> ice;     ///< that is laid on
};

/// Looks through a rehearsal that was played whole.
[[nodiscard]] RigTiming timingOf(const Rehearsal& rehearsal);

/// Standard uncertainty of when each part ends, s, by what is uncertain of the rig: each value by half of its
/// uncertainty up and down, as `leadTimeFor`. As many as there are parts; of the last, which the rig does not
/// end, nothing.
/// @param timing  of the rig with these settings.
[[nodiscard]] std::vector<double> spreadOfEnds(const RigFile& rig, const std::vector<RigSetting>& settings,
                                               const RigTiming& timing);

} // namespace uttrin
