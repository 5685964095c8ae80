#pragma once

#include "LiveReadings.h"
#include "text/Text.h"

namespace uttrin {

/// What live instruments say, for people.
struct LiveView {
    Text pressure, temperature; ///< "−0.702 bar", "69.4 °C"; empty where nothing comes
    Text verdict;               ///< "steady for 12 s, ± 0.04 K"
    Text trend;                 ///< "it cools by 0.8 K a minute", "the pressure rises since 14 s"
    Text trouble;               ///< see LiveReadings
    bool steady = false;
    std::optional<ApproachSide> side; ///< by the trend of the temperature; nothing where that is not clear
    bool looksShut = false;           ///< the pressure rises after it had fallen
};
/// @param readings  of that moment.
[[nodiscard]] LiveView liveView(const LessonSession& session, const LiveTrail& trail,
                                const LiveMoment& moment, const LiveReadings& readings);

} // namespace uttrin
