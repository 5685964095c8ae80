#pragma once

#include "RoomPressure.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A source of the room's pressure with what it gives.
struct RoomSource {
    RoomEntry entry;
    RoomPressure pressure;
};

/// What two sources for one moment say about each other, as a sentence; empty where they agree within twice
/// their combined standard uncertainty. Names the usual cause where the difference fits it: a report reduced
/// to sea level taken as station pressure, or the other way round; a pump that leaves more than was said; hPa
/// and mmHg mixed up.
/// @param altitudeM  of the room, if known.
[[nodiscard]] Text compare(const RoomSource& a, const RoomSource& b, std::optional<double> altitudeM);

/// What is odd about one source where the room's height is known: a pressure 'as read at the station' that no
/// weather makes at this height, but that fits one reduced to sea level, or one in millimetres of mercury.
/// Empty if nothing is.
[[nodiscard]] Text doubtAtHeight(const RoomSource& source, double altitudeM);

/// All pairs that disagree.
[[nodiscard]] std::vector<Text> compareAll(const std::vector<RoomSource>& sources,
                                           std::optional<double> altitudeM);

} // namespace uttrin
