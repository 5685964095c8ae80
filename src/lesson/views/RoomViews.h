#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// Sources of the room's pressure that disagree, each pair as a sentence; the latest of each kind, the
/// group's own apart.
[[nodiscard]] std::vector<Text> roomDisagreements(const LessonSession& session);

/// What follows from a source of the room's pressure while it is typed.
struct RoomPreview {
    Text result;                ///< "94.31 ± 0.03 kPa"
    Text under;                 ///< what that means here, or what is still to be typed
    std::vector<Text> warnings; ///< what is wrong with it, or what it costs
    bool canBeEntered = false;
};

/// @param entry  what is typed, once it is complete. @param chosen  whether a source is chosen.
/// @param altitudeM  as typed, to say what an assumed value costs there.
[[nodiscard]] RoomPreview roomPreview(const LessonSession& session, const std::optional<RoomEntry>& entry,
                                      bool chosen, std::optional<double> altitudeM);

/// When the room was read: the time of day, with the date where it was not today.
[[nodiscard]] std::string roomTimeText(const LessonSession& session, Milliseconds at);
/// What is odd about the times of the two readings of the room, beside those of the points.
[[nodiscard]] std::vector<Text> roomTimeRemarks(const LessonSession& session);

/// All readings of the room's pressure, a line each, newest first.
[[nodiscard]] std::vector<Text> roomHistory(const LessonSession& session);

} // namespace uttrin
