#pragma once

#include "Trace.h"

#include <functional>
#include <optional>
#include <vector>

namespace uttrin {

/// Where boiling begins or ends, by what gauge and thermometer say.
struct BoilingTurn {
    double seconds = 0.0;
    bool begins = false;
    friend bool operator==(const BoilingTurn&, const BoilingTurn&) = default;
};

/// The moments, by time, at which the liquid comes up to its boiling point at the pressure over it, and at
/// which it falls below that again; each only once it was three bands below between, so that noise is none.
/// What a trace begins with is no turn.
/// @param boilsAt  the boiling point, K, at a pressure, Pa; nothing where it is not known.
/// @param band  K, by which the liquid may lie below and still be said to boil: what the two instruments are
/// off.
[[nodiscard]] std::vector<BoilingTurn>
boilingTurns(const Trace& trace, const std::function<std::optional<double>(double pascal)>& boilsAt,
             double band);

} // namespace uttrin
