#include "RoomPressure.h"

#include "quantities/Rounding.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <vector>

namespace uttrin {
namespace {

struct MethodText {
    RoomMethod method;
    std::string_view id;
    Phrase label, bias;
};

constexpr MethodText kMethods[] = {
    MethodText{RoomMethod::Barometer, "barometer", Text::phrase("barometer"), {}},
    MethodText{RoomMethod::MercuryBarometer, "mercury", Text::phrase("mercury barometer"), {}},
    MethodText{RoomMethod::StationReport, "station", Text::phrase("station report"),
               Text::phrase("A station 10 m higher or lower than this room reads about 0.1 kPa off.")},
    MethodText{
        RoomMethod::SeaLevelReport, "sea-level", Text::phrase("sea-level report"),
        Text::phrase("Right only if the report really is reduced to sea level and the height is right.")},
    MethodText{RoomMethod::Altitude, "altitude", Text::phrase("height alone"),
               Text::phrase("Weather moves the pressure about 1 kPa (standard deviation) about this value.")},
    MethodText{
        RoomMethod::DeadHead, "dead-head", Text::phrase("empty vessel"),
        Text::phrase(
            "Cancels the zero of this gauge. Too low by whatever the pump cannot remove, and by the vapour "
            "of any water left in the vessel.")},
    MethodText{RoomMethod::Nominal, "nominal", Text::phrase("nominal, not measured"),
               Text::phrase("Assumed, not measured.")},
};

const MethodText& textOf(RoomMethod method) {
    return *std::find_if(std::begin(kMethods), std::end(kMethods),
                         [&](const MethodText& m) { return m.method == method; });
}

constexpr double kAirTemperatureU = 3.0; // K, indoor or city thermometer for the outdoor air
constexpr double kHeightU = 10.0;        // m, a height read off a map
constexpr double kPaPerMetre = 12.0;     // Pa/m, fall of pressure with height near the ground
constexpr double kUltimateRelativeU = 0.5;

Result<RoomPressure> fromSeaLevel(const RoomEntry& e, Pressure value, double readingU) {
    const auto altitude = Length::fromMetre(e.altitudeM);
    const auto station =
        stationFromSeaLevel(value, altitude, Temperature::fromCelsius(e.airCelsius), e.reduction);
    if (!station) return tl::unexpected(station.error());
    const auto warmer = stationFromSeaLevel(
        value, altitude, Temperature::fromCelsius(e.airCelsius + kAirTemperatureU), e.reduction);
    const double fromAir = warmer->pascal() - station->pascal();
    return RoomPressure{*station, std::hypot(readingU, fromAir, kHeightU * kPaPerMetre), e.method};
}

Result<RoomPressure> plausible(const RoomPressure& room, const RoomEntry& e) {
    const double pa = room.station.pascal();
    if (pa >= kLowestRoomPascal && pa <= kHighestRoomPascal) return room;
    return fail(Failure::BadInput, Text::tr("{} {} as {} would make the room {:.2f} kPa, which no room "
                                            "has; check the number and its unit (30 to 120 kPa)",
                                            e.value, e.unit, label(e.method), room.station.kilopascal()));
}

/// @param floorU, readingU  Pa
Result<RoomPressure> emptyPull(const RoomEntry& e, double floorPa, double floorU, double readingU) {
    if (floorPa < 0.0)
        return fail(Failure::BadInput, Text::tr("a pump’s ultimate pressure cannot be below zero"));
    const double depth =
        std::abs(unit(e.unit).toSi(e.value)); // under the room, with its minus sign or without
    return plausible({Pressure::fromPascal(depth + floorPa), std::hypot(readingU, floorU),
                      RoomMethod::DeadHead, EmptyPull{e.unit, depth, floorPa, std::hypot(readingU, floorU)}},
                     e);
}

} // namespace

std::string_view id(RoomMethod method) { return textOf(method).id; }
Text label(RoomMethod method) { return textOf(method).label; }
Text biasOf(RoomMethod method) { return textOf(method).bias; }

Text biasOf(const RoomEntry& entry) {
    std::vector<Text> all{biasOf(entry.method)};
    if (entry.method == RoomMethod::DeadHead && !entry.ultimatePa)
        all.push_back(Text::tr(
            "What the pump leaves is not known: the room may stand up to {} kPa higher than this, more "
            "with a hand pump. A barometer read beside it tells.",
            fixed(kUnknownUltimateAtMost * 1e-3, 0)));
    if (entry.method == RoomMethod::MercuryBarometer && entry.mercury.ticks && !entry.mercury.ticks->cone)
        all.push_back(Text::tr(
            "The mercury was not set to the tip of the cone: the reading is off by as much as it stands "
            "away from it."));
    return Text::sentences(all);
}

std::optional<double> roomCelsiusOf(const RoomEntry& entry) {
    if (entry.roomCelsius) return entry.roomCelsius;
    if (entry.method == RoomMethod::MercuryBarometer) return entry.mercury.attachedCelsius;
    return std::nullopt;
}

RoomFields fieldsAsked(RoomMethod method) {
    RoomFields asked = fieldsNeeded(method);
    asked.uncertainty = asked.value && method != RoomMethod::Nominal;
    // To say what assuming costs there, and whether a report looks reduced to sea level.
    asked.altitude = asked.altitude || method == RoomMethod::Nominal || method == RoomMethod::StationReport;
    asked.ultimate = method == RoomMethod::DeadHead;
    return asked;
}

RoomFields fieldsNeeded(RoomMethod method) {
    RoomFields needed;
    needed.mercury = method == RoomMethod::MercuryBarometer;
    needed.value = method != RoomMethod::Altitude && !needed.mercury;
    needed.altitude = method == RoomMethod::Altitude || method == RoomMethod::SeaLevelReport;
    needed.air = method == RoomMethod::SeaLevelReport;
    return needed;
}

Result<RoomMethod> roomMethodFromId(std::string_view wanted) {
    for (const MethodText& m : kMethods)
        if (m.id == wanted) return m.method;
    return fail(Failure::BadInput,
                Text::tr("'{}' is not a way to know the room’s pressure; accepted: "
                         "barometer, mercury, station, sea-level, altitude, dead-head, nominal",
                         wanted));
}

Result<RoomPressure> stationPressure(const RoomEntry& e) {
    if (e.method == RoomMethod::MercuryBarometer)
        return stationPressure(e.mercury).map([](const MercuryPressure& p) {
            return RoomPressure{p.station, p.uPa, RoomMethod::MercuryBarometer};
        });
    const auto unit = findUnit(e.unit, Dimension::Pressure);
    if (!unit) return tl::unexpected(unit.error());
    const double pa = (*unit)->toSi(e.value);
    const double u = std::abs(e.valueU) * (*unit)->factor;
    const auto value = Pressure::fromPascal(pa);
    switch (e.method) {
    case RoomMethod::Barometer:
    case RoomMethod::StationReport:
    case RoomMethod::Nominal:
        return plausible(
            {value, e.method == RoomMethod::Nominal ? std::max(u, kWeatherSpreadPascal) : u, e.method}, e);
    case RoomMethod::SeaLevelReport:
        return fromSeaLevel(e, value, u).and_then([&](const RoomPressure& r) { return plausible(r, e); });
    case RoomMethod::Altitude:
        return standardAtmospherePressure(Length::fromMetre(e.altitudeM)).map([&](Pressure p) {
            return RoomPressure{p, kWeatherSpreadPascal, e.method};
        });
    case RoomMethod::MercuryBarometer: // above
        break;
    case RoomMethod::DeadHead:
        if (pa == 0.0)
            return fail(Failure::BadInput,
                        Text::tr("an empty-vessel pull reads below the room; 0 is no pull"));
        return emptyPull(e, e.ultimatePa.value_or(0.0),
                         e.ultimatePa ? kUltimateRelativeU * *e.ultimatePa
                                      : kUnknownUltimateAtMost / std::numbers::sqrt3,
                         u);
    }
    return fail(Failure::BadInput, Text::tr("unknown method"));
}

PressureDifference ultimateFromPair(const RoomPressure& barometer, GaugePressure deadHead) {
    return PressureDifference::fromPascal(barometer.station.pascal() - std::abs(deadHead.pascal()));
}

bool measuredHere(RoomMethod method) {
    return method == RoomMethod::Barometer || method == RoomMethod::MercuryBarometer;
}

bool measuresTheRoom(RoomMethod method) {
    return measuredHere(method) || method == RoomMethod::StationReport ||
           method == RoomMethod::SeaLevelReport;
}

RoomPressure interpolate(const RoomPressure& first, const RoomPressure& second, double fraction) {
    const double f = std::clamp(fraction, 0.0, 1.0);
    const auto drift = second.station - first.station;
    return {first.station + drift * f, std::hypot((1.0 - f) * first.uPa, f * second.uPa), first.method,
            second.pull ? first.pull : std::nullopt};
}

} // namespace uttrin
