#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// A band of temperatures that may come.
struct EnsembleBand {
    std::vector<double> seconds;
    std::vector<double> lowKelvin, highKelvin; ///< 5 % and 95 % of the members
};

/// What may become of a demonstration when what is uncertain of it varies.
struct EnsembleOutcome {
    int members = 0, met = 0; ///< that could be played through; that met the goal
    EnsembleBand band;
    /// The uncertainty in which members that failed differ most from those that did not, and which way.
    std::optional<Text> mainReason;

    [[nodiscard]] double chance() const { return members > 0 ? static_cast<double>(met) / members : 0.0; }
};

/// "84 %"; "> 98 %" where none of so few failed: as far as they can tell, at 95 %.
[[nodiscard]] Text chanceText(const EnsembleOutcome& outcome);

/// Plays a rig file through many times with its uncertain values drawn from normal distributions, on all
/// cores. Equal seeds give equal results.
/// @param goOn  asked between members, from any thread; false ends it with what there is.
/// @param firstFifth  gets to see the chance of the first fifth of them; false ends it with that.
[[nodiscard]] Result<EnsembleOutcome>
playEnsemble(const RigFile& rig, const std::vector<RigSetting>& settings, int members, std::uint64_t seed,
             const std::function<bool()>& goOn = {},
             const std::function<bool(const EnsembleOutcome&)>& firstFifth = {});

} // namespace uttrin
