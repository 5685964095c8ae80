#include "RoomViews.h"

#include "PressureText.h"
#include "instruments/RoomComparison.h"
#include "lesson/model/Clock.h"
#include "physics/Atmosphere.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace uttrin {

std::vector<Text> roomDisagreements(const LessonSession& s) {
    std::vector<RoomSource> sources;
    std::optional<double> altitude;
    if (s.model().lesson().altitudeKnown) altitude = s.model().lesson().altitudeM;
    constexpr Milliseconds kOneMoment = 3LL * 3600 * 1000; // sources further apart may both be right
    Milliseconds latest = 0;
    for (const RoomRecord& r : s.model().data().rooms)
        if (!r.groupId) latest = std::max(latest, r.takenAt);
    for (const RoomRecord& r : s.model().data().rooms) {
        const RoomEntry* entry = s.model().roomEntry(r.id);
        if (r.groupId || !entry || latest - r.takenAt > kOneMoment) continue;
        const auto pressure = stationPressure(*entry);
        if (!pressure) continue;
        if (entry->method == RoomMethod::MercuryBarometer)
            altitude = altitude.value_or(entry->mercury.altitudeM);
        if (entry->method == RoomMethod::SeaLevelReport || entry->method == RoomMethod::Altitude)
            altitude = altitude.value_or(entry->altitudeM);
        // A later reading of a kind takes the place of the earlier; a report is one source, however it was
        // taken at first.
        const auto kind = [](RoomMethod m) {
            return m == RoomMethod::SeaLevelReport ? RoomMethod::StationReport : m;
        };
        std::erase_if(sources, [&](const RoomSource& known) {
            return kind(known.entry.method) == kind(entry->method);
        });
        sources.push_back({*entry, *pressure});
    }
    return compareAll(sources, altitude);
}

namespace {

/// What the reading says of the pump that emptied the vessel, where a barometer was read as well; else
/// nothing.
std::optional<Text> ultimateText(const LessonSession& s, const RoomEntry& entry) {
    const RoomRecord* start = s.model().roomRecord(std::nullopt, RoomRole::Start);
    const RoomEntry* other = start ? s.model().roomEntry(start->id) : nullptr;
    if (!other || !measuresTheRoom(other->method)) return std::nullopt;
    const auto barometer = stationPressure(*other);
    if (!barometer) return std::nullopt;
    const auto pulled = GaugePressure::fromPascal(unit(entry.unit).toSi(entry.value));
    return Text::tr("With your barometer this pull gives the pump’s ultimate pressure: {} kPa, if the "
                    "gauge’s zero is right.",
                    fixed(ultimateFromPair(*barometer, pulled).pascal() * 1e-3, 2));
}

/// Of the room, where the lesson has it.
std::optional<double> knownHeight(const LessonSession& s) {
    return s.model().lesson().altitudeKnown ? std::optional(s.model().lesson().altitudeM) : std::nullopt;
}

/// What an assumed value costs, in kelvin of boiling point.
Text costOfAssuming(const RoomPressure& room, std::optional<double> altitudeM) {
    const auto standard = altitudeM ? standardAtmospherePressure(Length::fromMetre(*altitudeM))
                                    : Result<Pressure>(tl::unexpected(Failure{}));
    const auto here = water().saturationAt(room.station);
    if (!here) return {};
    if (!standard)
        return Text::tr("Weather alone makes ± {} K; height can make many kelvin more. Give the height to "
                        "see what it costs "
                        "here.",
                        fixed(kWeatherSpreadPascal / here->slope, 1));
    const auto usual = water().boilingPoint(*standard);
    if (!usual) return {};
    return Text::tr("At {} m the pressure is usually near {} kPa: boiling points come out about {} K "
                    "wrong near the room’s "
                    "pressure, and far more at low pressure.",
                    fixed(*altitudeM, 0), fixed(standard->kilopascal(), 1),
                    fixed(std::abs((here->temperature - *usual).kelvin()), 1));
}

} // namespace

RoomPreview roomPreview(const LessonSession& s, const std::optional<RoomEntry>& entry, bool chosen,
                        std::optional<double> altitudeM) {
    if (!entry)
        return {Text::set("– kPa"),
                chosen ? Text::tr("Fill in the fields; the station pressure appears here.")
                       : Text::tr("Nothing is assumed: readings stay unreferenced until a source is given."),
                {},
                false};
    const auto room = stationPressure(*entry);
    if (!room) return {Text::set("– kPa"), {}, {room.error().message}, false};
    RoomPreview view;
    const double pa = room->station.pascal();
    const int decimals = std::min(3, decimalsForUncertainty(room->uPa * 1e-3));
    view.result = room->uPa > 0.0 ? Text::set("{} ± {} kPa", fixed(pa * 1e-3, decimals),
                                              fixed(room->uPa * 1e-3, decimals))
                                  : Text::set("{} kPa", fixed(pa * 1e-3, 2));
    if (const auto boils = water().saturationAt(room->station)) {
        constexpr double kFinest = 0.01; // K, as shown: less is rounded up, never to nothing
        const double u = std::max(kFinest, std::hypot(room->uPa / boils->slope, boils->temperatureU()));
        view.under = Text::tr("station pressure, {} hPa. Water boils here at {} ± {} °C.",
                              fixed(pa * 1e-2, std::max(0, decimals - 1)),
                              fixed(boils->temperature.celsius(), 2), fixed(u, 2));
    }
    std::vector<Text> warning{biasOf(*entry)};
    if (const auto height = altitudeM ? altitudeM : knownHeight(s))
        warning.push_back(doubtAtHeight({*entry, *room}, *height));
    if (room->method == RoomMethod::Nominal) warning.push_back(costOfAssuming(*room, altitudeM));
    if (room->method == RoomMethod::DeadHead) {
        if (entry->value > 0.0)
            warning.push_back(
                Text::tr("Taken as {} {} below the room.", fixed(entry->value, 2), entry->unit));
        warning.push_back(ultimateText(s, *entry).value_or(Text()));
    }
    if (const Text all = Text::sentences(warning); !all.empty()) view.warnings.push_back(all);
    view.canBeEntered = !s.notebook().readOnly();
    return view;
}

std::string roomTimeText(const LessonSession& s, Milliseconds at) {
    const int offset = s.model().lesson().utcOffsetMin;
    const std::string day = dateText(at, offset), clock = clockText(at, offset);
    return day == dateText(s.clock().now(), offset) ? clock : day + " " + clock;
}

std::vector<Text> roomTimeRemarks(const LessonSession& s) {
    std::vector<Text> remarks;
    const auto& model = s.model();
    const RoomRecord *start = model.roomRecord(std::nullopt, RoomRole::Start),
                     *end = model.roomRecord(std::nullopt, RoomRole::End);
    if (!start || !end || model.data().readings.empty()) return remarks;
    const auto [first, last] = std::ranges::minmax(model.data().readings, {}, &Reading::takenAt);
    const int offset = model.lesson().utcOffsetMin;
    const auto day = [&](Milliseconds at) { return isoText(at, offset).substr(0, 10); };
    for (const RoomRecord* r : {start, end})
        if (day(r->takenAt) != day(first.takenAt))
            remarks.push_back(
                Text::tr("The room was read on {}, the points were taken on {}: correct the date if that is "
                         "not so.",
                         day(r->takenAt), day(first.takenAt)));
    if (start->takenAt == end->takenAt)
        remarks.push_back(
            Text::tr("Both readings of the room have one time: no drift can be worked out between them."));
    else if (std::max(start->takenAt, end->takenAt) < first.takenAt)
        remarks.push_back(Text::tr(
            "Both readings of the room were taken before the points: the later one counts for all."));
    else if (std::min(start->takenAt, end->takenAt) > last.takenAt)
        remarks.push_back(Text::tr(
            "Both readings of the room were taken after the points: the earlier one counts for all."));
    return remarks;
}

std::vector<Text> roomHistory(const LessonSession& s) {
    const auto& model = s.model();
    std::vector<Text> history;
    for (auto r = model.data().rooms.rbegin(); r != model.data().rooms.rend(); ++r) {
        const RoomEntry* e = model.roomEntry(r->id);
        const auto room = e ? stationPressure(*e) : Result<RoomPressure>(tl::unexpected(Failure{}));
        if (!room) continue;
        std::vector<Text> parts{Text::set("{}   {} kPa   {}", roomTimeText(s, r->takenAt),
                                          fixed(room->station.kilopascal(), 2), label(room->method))};
        if (r->role == RoomRole::End) parts.push_back(Text::tr("at the end"));
        if (r->groupId) parts.push_back(Text::tr("group {} only", model.group(*r->groupId).name));
        if (!r->current) parts.push_back(Text::tr("corrected since"));
        history.push_back(Text::list(parts));
    }
    return history;
}

} // namespace uttrin
