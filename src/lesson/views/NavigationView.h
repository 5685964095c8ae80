#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <string>
#include <vector>

namespace uttrin {

/// A station on the navigation column with its state in one or two short lines.
struct StationState {
    Text line1, line2;
    bool done = false;
    bool missing = false; ///< something here must be given before the data mean anything

    bool operator==(const StationState&) const = default;
};

/// Order of the stations along the navigation column.
enum class Station { Room, Rig, Plan, Rehearse, Run, WorkUp, Report, Practise };
inline constexpr int kStations = 8;

[[nodiscard]] std::vector<StationState> navigationView(const LessonSession& session);

} // namespace uttrin
