#pragma once

#include "rehearsal/Rehearsal.h"

namespace uttrin {

/// How much liquid a rig wants, and what happens with more and with less of it.
struct FillRange {
    double now = 0.0;           ///< kg, of liquid in the watched vessel
    std::optional<double> most; ///< kg: half of a vessel that it fills; above that it splashes over
    double laterSeconds = 0.0;  ///< by which a quarter more boils later
    double depthKelvin =
        0.0; ///< by which it boils hotter at its bottom than at its top, at the lowest pressure
    std::optional<double>
        least;             ///< kg, below which it runs dry before the end; nothing where a twentieth lasts
    double dryAfter = 0.0; ///< s, when half of the least has run dry
};

/// Plays the rig with more and with less in it, some eight times. Nothing for a rig without liquid that can
/// be set.
/// @param goOn  asked now and then; false ends it, with nothing.
[[nodiscard]] std::optional<FillRange> fillRange(const RigFile& rig, const std::vector<RigSetting>& settings,
                                                 const std::function<bool()>& goOn = {});

[[nodiscard]] std::vector<Text> fillTexts(const FillRange& range);

} // namespace uttrin
