#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// A thing to fetch, with how much of it.
struct Needed {
    enum Kind { Things, Kilograms, CubicMetres } kind = Things;
    Text what;
    std::optional<double> amount = 1.0; ///< nothing where it is not known yet
    bool each = false;                  ///< for every person in the room
};

/// What a story needs. Ice and liquid are as the rehearsal has them; what comes to nothing is left out.
/// @param played  null as long as it is not known.
[[nodiscard]] std::vector<Needed> neededFor(const RigStory& story, const Rehearsal* played);

/// "ice, in portions: 180 g".
[[nodiscard]] Text neededText(const Needed& needed);

/// "180 g", "2.5 g": to a gram from ten on, to a tenth below, as a kitchen balance shows it.
[[nodiscard]] Text gramsText(double kg);

} // namespace uttrin
