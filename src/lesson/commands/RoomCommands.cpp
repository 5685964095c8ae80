#include "RoomCommands.h"

#include "plan/PlanJson.h"

namespace uttrin {

Result<void> RoomCommands::enterRoom(const RoomEntry& entry, RoomRole role, Milliseconds takenAt,
                                     std::optional<RowId> group, const PhotoEvidence* photo) {
    const auto room = stationPressure(entry);
    if (!room) return tl::unexpected(room.error());
    const RoomRecord* before = model().roomRecord(group, role);
    const bool corrects = before && before->groupId == group;
    return perform(corrects ? Text::tr("Correct the room’s pressure") : Text::tr("Enter the room’s pressure"),
                   [&](Notebook::Editor& edit) {
                       if (corrects) {
                           RoomRecord old = *before;
                           old.current = false;
                           edit.update(*before, old);
                       }
                       const RowId id = edit.insert(RoomRecord{0, session().lessonId(), group, role, takenAt,
                                                               now(), writeRoom(entry), true});
                       if (photo) keepPhoto(edit, *photo, std::nullopt, id);
                   });
}

} // namespace uttrin
