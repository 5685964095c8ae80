#pragma once

#include "quantities/Units.h"
#include "rehearsal/Observed.h"

namespace uttrin {

/// A value and between what it lies with 90 %.
struct Interval90 {
    double value = 0.0, low = 0.0, high = 0.0;
};

/// A temperature as it is expected, with its 90 % band.
struct ForecastBand {
    std::vector<double> seconds; ///< from when the clock starts
    std::vector<double> kelvin, lowKelvin, highKelvin;

    /// Straight between; nothing outside its time.
    [[nodiscard]] std::optional<Interval90> at(double seconds) const;
};

/// What may become of a demonstration, by how well its values are known.
struct Outlook {
    ForecastBand band;
    std::vector<Interval90> values; ///< SI, in the order of the file's uncertain values
    /// K, the lowest temperature at which it boils; nothing where none of what is likely boils.
    std::optional<Interval90> boilsDownTo;
};

/// What may become of it by the file alone, with the moves as they were made.
/// @param members  at least 2, drawn in pairs on either side. Equal seeds give equal results.
[[nodiscard]] Result<Outlook> outlookOf(const RigFile& rig, const std::vector<RigSetting>& settings,
                                        const Observed& observed = {}, int members = 40,
                                        std::uint64_t seed = 1, const std::function<bool()>& goOn = {});

/// A forecast that learned from what was observed.
struct LearnedForecast {
    Outlook outlook;
    double rmsKelvin = 0.0; ///< of what the readings leave
    Rehearsal likeliest;    ///< with the values that are likeliest now
    double heldUntil = 0.0; ///< s from the clock: what was not made by now is made then at the soonest
};

/// Learns: the likeliest values (`likeliestValues`), and the spread of what is likely as its second
/// derivative has it there; then plays so many as are drawn from it. Without readings it has learned only
/// when moves were made. Failures as of `likeliestValues`.
[[nodiscard]] Result<LearnedForecast> learn(const RigFile& rig, const std::vector<RigSetting>& settings,
                                            const Observed& observed, int members = 40,
                                            std::uint64_t seed = 1, const std::function<bool()>& goOn = {});

} // namespace uttrin
