#pragma once

#include "rehearsal/CoolingFit.h"
#include "text/Text.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// A time of day with a temperature, as typed: "10:41 65".
struct ClockMoment {
    double minute = 0.0; ///< of the day
    double celsius = 0.0;
};

/// Lines "hh:mm TEMPERATURE" in degrees Celsius; empty lines are passed over. BadInput names the line.
[[nodiscard]] Result<std::vector<ClockMoment>> parseMoments(const std::string& text);

/// "hh:mm" as minutes of the day.
[[nodiscard]] Result<double> parseClock(std::string_view text);
[[nodiscard]] Text clockOf(double minute);

/// The readings that were taken after the clock started. BadInput if one lies before.
[[nodiscard]] Result<std::vector<MeasuredMoment>> sinceClock(const std::vector<ClockMoment>& moments,
                                                             double clockMinute);

/// What a fit says: what it found, and what is still to come by the clock on the wall.
/// @param wanted  degrees Celsius to tell the time of; e.g. 65.
[[nodiscard]] std::vector<Text> fitSentences(const CoolingFit& fit, double clockMinute, double wanted);

/// When each vessel must be shut, and put on the heat, to be at its temperature by its time.
[[nodiscard]] std::vector<Text> readySentences(const RigFile& rig, const std::vector<RigSetting>& settings,
                                               const std::vector<ClockMoment>& wanted);

} // namespace uttrin
