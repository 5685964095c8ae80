#pragma once

#include "LessonSession.h"

namespace uttrin {

/// The room's pressure.
class RoomCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Records a reading of it; the earlier one of the same role stays in the record.
    [[nodiscard]] Result<void> enterRoom(const RoomEntry& entry, RoomRole role, Milliseconds takenAt,
                                         std::optional<RowId> groupId = std::nullopt,
                                         const PhotoEvidence* photo = nullptr);
};

} // namespace uttrin
