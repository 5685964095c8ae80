#include "ReportParts.h"

#include "quantities/Rounding.h"

#include <algorithm>

namespace uttrin {

void opening(Document& d, const Lesson& lesson, const Text& subtitle) {
    d.blocks.emplace_back(Heading{1, d.title});
    if (lesson.madeUp)
        d.blocks.emplace_back(Banner{
            Text::tr("Sample data, made up: true boiling points seen through simulated instruments.")});
    const Text room = lesson.roomName.empty() ? Text() : Text::tr("room {}", lesson.roomName);
    d.blocks.emplace_back(
        Paragraph{Text::join({Text::typed(lesson.school), room, Text::typed(lesson.heldOn), subtitle},
                             Text::set(" · ")),
                  true});
}

Text roomSentence(const LessonSession& s) {
    const auto& model = s.model();
    const auto room = model.room(s.groupId());
    if (!room) return Text::tr("The room’s pressure was not recorded: all gauge readings stay unreferenced.");
    const RoomRecord* start = model.roomRecord(s.groupId(), RoomRole::Start);
    const int decimals = decimalsForUncertainty(room->uPa * 1e-3), offset = model.lesson().utcOffsetMin;
    const Text atStart =
        Text::tr("Room pressure {} ± {} kPa ({}, read {})", fixed(room->station.kilopascal(), decimals),
                 fixed(room->uPa * 1e-3, decimals), label(room->method), clockText(start->takenAt, offset));
    std::vector<Text> sentences{Text::set("{}.", atStart)};
    if (const RoomRecord* end = model.roomRecord(s.groupId(), RoomRole::End))
        if (const auto* entry = model.roomEntry(end->id))
            if (const auto last = stationPressure(*entry))
                sentences.front() =
                    Text::tr("{}; {} kPa at {}, the drift between them interpolated in time.", atStart,
                             fixed(last->station.kilopascal(), decimals), clockText(end->takenAt, offset));
    if (room->method == RoomMethod::Nominal) sentences.push_back(Text::tr("It was assumed, not measured."));
    if (const RoomEntry* entry = model.roomEntry(start->id); entry && entry->method == room->method)
        sentences.push_back(biasOf(*entry));
    if (const auto celsius = model.roomCelsius(s.groupId(), start->takenAt))
        sentences.push_back(Text::tr("The room’s air had {} °C.", fixed(*celsius, 1)));
    const auto corrections = std::count_if(model.data().rooms.begin(), model.data().rooms.end(),
                                           [](const RoomRecord& r) { return !r.current; });
    if (corrections > 0)
        sentences.push_back(Text::tr(
            "It was corrected {0} {0|time|times}; the earlier values are in the record.", corrections));
    return Text::sentences(sentences);
}

} // namespace uttrin
