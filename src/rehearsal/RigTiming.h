#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// When what of a demonstration goes on, for the clock of a lesson: s from its beginning.
struct RigTiming {
    /// What goes on from one move of a hand to the next.
    struct Part {
        double from = 0.0, to = 0.0;
        Text begins; ///< the move that begins it; empty for the first
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
    double iceKg = 0.0;              ///< that is laid on in all
    /// The same, portion by portion.
    struct Portion {
        double at = 0.0, kg = 0.0;
    };
    std::vector<Portion> ice;
};

/// Looks through a rehearsal that was played whole.
[[nodiscard]] RigTiming timingOf(const Rehearsal& rehearsal);

} // namespace uttrin
