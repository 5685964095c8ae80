#include "LessonModel.h"
#include "plan/RoomJson.h"

#include <cmath>
#include <limits>

namespace uttrin {

void LessonModel::readRooms() {
    for (const RoomRecord& r : m_data.rooms) {
        const auto entry = readRoom(r.entry);
        const auto room =
            entry ? stationPressure(*entry) : Result<RoomPressure>(tl::unexpected(entry.error()));
        if (entry) m_entries.emplace(r.id, *entry);
        if (room)
            m_rooms.emplace(r.id, *room);
        else
            m_troubles.push_back(
                Text::tr("A reading of the room’s pressure cannot be used: {}", room.error().message));
    }
    pairPulls();
}

/// A pull with a pump of which nobody knows what it leaves says less than a barometer that was read on the
/// same day: the nearest to it in time counts in its place, and what lies between them is the pump's.
void LessonModel::pairPulls() {
    constexpr Milliseconds kOneLesson = 6LL * 3600 * 1000;
    for (const RoomRecord& pull : m_data.rooms) {
        const RoomEntry* entry = roomEntry(pull.id);
        const auto own = m_rooms.find(pull.id);
        if (!entry || entry->method != RoomMethod::DeadHead || entry->ultimatePa || own == m_rooms.end())
            continue;
        Milliseconds nearest = kOneLesson;
        for (const RoomRecord& other : m_data.rooms) {
            const auto room = m_rooms.find(other.id);
            const Milliseconds apart = std::abs(other.takenAt - pull.takenAt);
            const RoomEntry* read = roomEntry(other.id);
            if (room == m_rooms.end() || !read || !measuresTheRoom(read->method) || apart > nearest) continue;
            nearest = apart;
            own->second = room->second;
        }
    }
}

std::optional<double> LessonModel::roomCelsius(std::optional<RowId> groupId,
                                               std::optional<Milliseconds> at) const {
    std::optional<double> before, after;
    Milliseconds latest = std::numeric_limits<Milliseconds>::min(),
                 earliest = std::numeric_limits<Milliseconds>::max();
    for (const RoomRecord& r : m_data.rooms) {
        const RoomEntry* entry = roomEntry(r.id);
        const auto celsius = entry ? roomCelsiusOf(*entry) : std::nullopt;
        if (!celsius || !r.current || (r.groupId && r.groupId != groupId)) continue;
        if ((!at || r.takenAt <= *at) && r.takenAt >= latest) {
            before = celsius;
            latest = r.takenAt;
        } else if (at && r.takenAt > *at && r.takenAt < earliest) {
            after = celsius;
            earliest = r.takenAt;
        }
    }
    return before ? before : after;
}

const RoomRecord* LessonModel::roomRecord(std::optional<RowId> groupId, RoomRole role) const {
    const RoomRecord* best = nullptr;
    for (const RoomRecord& r : m_data.rooms) {
        if (!r.current || r.role != role || !m_rooms.contains(r.id)) continue;
        if (r.groupId && r.groupId != groupId) continue;
        const bool own = r.groupId.has_value();
        if (!best || own || !best->groupId) best = &r; // later rows replace earlier ones of the same rank
    }
    return best;
}

const RoomEntry* LessonModel::roomEntry(RowId id) const {
    const auto found = m_entries.find(id);
    return found == m_entries.end() ? nullptr : &found->second;
}

std::optional<RoomPressure> LessonModel::room(std::optional<RowId> groupId,
                                              std::optional<Milliseconds> at) const {
    const RoomRecord* start = roomRecord(groupId, RoomRole::Start);
    if (!start) return std::nullopt;
    const RoomPressure& first = m_rooms.at(start->id);
    const RoomRecord* end = roomRecord(groupId, RoomRole::End);
    const bool sameSource = end && end->groupId == start->groupId && end->takenAt != start->takenAt;
    if (!at || !sameSource) return first;
    // In time, whichever was read first; before the one and after the other it stays as it was.
    const double fraction =
        static_cast<double>(*at - start->takenAt) / static_cast<double>(end->takenAt - start->takenAt);
    return interpolate(first, m_rooms.at(end->id), fraction);
}

} // namespace uttrin
