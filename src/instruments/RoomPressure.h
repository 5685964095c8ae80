#pragma once

#include "MercuryBarometer.h"
#include "physics/Atmosphere.h"
#include "quantities/Failure.h"
#include "quantities/Units.h"

#include <optional>
#include <string>
#include <string_view>

namespace uttrin {

/// How the room's pressure was obtained.
enum class RoomMethod {
    Barometer,        ///< a barometer in the room, its own corrections already applied
    MercuryBarometer, ///< a mercury barometer as read, with its vernier and attached thermometer
    StationReport,    ///< a weather station's pressure at (nearly) this height, not reduced
    SeaLevelReport,   ///< a report reduced to sea level, brought back to this height
    Altitude,         ///< the standard atmosphere at this height: the weather is unknown
    DeadHead,         ///< the empty vessel pumped down with the same gauge
    Nominal           ///< a value assumed without any measurement, and labelled so
};

/// Identifier in files: "barometer", "mercury", "station", "sea-level", "altitude", "dead-head", "nominal".
[[nodiscard]] std::string_view id(RoomMethod method);
[[nodiscard]] Result<RoomMethod> roomMethodFromId(std::string_view id);
/// What is typed for a way to know the room's pressure.
struct RoomFields {
    bool value = false, uncertainty = false, altitude = false, air = false, ultimate = false, mercury = false;
};
/// What is asked for, and what of it cannot be done without.
[[nodiscard]] RoomFields fieldsAsked(RoomMethod method);
[[nodiscard]] RoomFields fieldsNeeded(RoomMethod method);
/// One or two words for the navigation column and the report.
[[nodiscard]] Text label(RoomMethod method);

/// The facts from which the room's pressure follows, as a person entered them.
struct RoomEntry {
    RoomMethod method = RoomMethod::Barometer;
    double value = 0.0; ///< the reading in `unit`; for DeadHead the gauge reading, negative below the room
    std::string unit = "hPa"; ///< symbol of the pressure unit of `value` and `valueU`
    double valueU = 0.0;      ///< standard uncertainty of the reading, in `unit`
    double altitudeM = 0.0;   ///< height above sea level; used by SeaLevelReport and Altitude
    double airCelsius = 15.0; ///< outdoor temperature; used by SeaLevelReport
    Reduction reduction = Reduction::Hypsometric;
    std::optional<double> ultimatePa;  ///< the pump's ultimate pressure, if it is known; used by DeadHead
    MercuryReading mercury;            ///< used by MercuryBarometer, instead of value, unit and valueU
    std::optional<double> roomCelsius; ///< of the room's air, if it was read too
};

/// A pull on the empty vessel, from which the room's pressure is known: read with the run's own gauge, the
/// error of its zero is in the pull as it is in every reading, and cancels.
struct EmptyPull {
    std::string unit;     ///< of the gauge
    double depthPa = 0.0; ///< how far under the room it read
    double floorPa = 0.0; ///< what the pump left
    double floorUPa = 0.0;
};

/// The room's absolute pressure with its standard uncertainty.
struct RoomPressure {
    Pressure station = Pressure::fromPascal(0.0);
    double uPa = 0.0;
    RoomMethod method = RoomMethod::Nominal;
    std::optional<EmptyPull> pull = std::nullopt; ///< of DeadHead
};

/// What a pump leaves at most where nobody knows it, Pa: the bound of the bias of a pull on an empty vessel.
/// A water jet leaves the vapour pressure of its water, 2.3 kPa at 20 degC; a school's rotary pump less.
inline constexpr double kUnknownUltimateAtMost = 3000.0;

/// Works out the station pressure. Sources of uncertainty: the reading's own; for a sea-level report 3 K in
/// the air temperature and 10 m in height; for the altitude alone the weather's spread; for DeadHead half the
/// ultimate pressure, or what it is at most where it is not known (the room may stand higher by that).
[[nodiscard]] Result<RoomPressure> stationPressure(const RoomEntry& entry);

/// What a sentence should say about the bias that this method may hide; empty where there is none to speak
/// of.
[[nodiscard]] Text biasOf(RoomMethod method);
/// The same of a reading: what its pump leaves, whether its cone was set.
[[nodiscard]] Text biasOf(const RoomEntry& entry);

/// The temperature of the room's air that goes with a reading, °C: as it was read, else the attached
/// thermometer's.
[[nodiscard]] std::optional<double> roomCelsiusOf(const RoomEntry& entry);

/// The pump's ultimate pressure from an empty-vessel pull with a gauge and a barometer read at the same time.
/// A depth may have its minus sign or not.
[[nodiscard]] PressureDifference ultimateFromPair(const RoomPressure& barometer, GaugePressure deadHead);

/// Whether a source is an instrument in the room.
[[nodiscard]] bool measuredHere(RoomMethod method);
/// Whether a source measures the room's pressure itself, so that a pull can be paired with it.
[[nodiscard]] bool measuresTheRoom(RoomMethod method);

/// Room pressure between two readings, linear in time and constant outside.
/// @param fraction 0 at the first reading, 1 at the second.
[[nodiscard]] RoomPressure interpolate(const RoomPressure& first, const RoomPressure& second,
                                       double fraction);

} // namespace uttrin
