#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"

namespace uttrin {

/// No room has a pressure beyond these, Pa: from above the highest school to below the lowest.
inline constexpr double kLowestRoomPascal = 30e3, kHighestRoomPascal = 120e3;

/// Pressure of the standard atmosphere at a geometric height, ISO 2533:1975 eq. 12 (layer of -6.5 K/km), -5
/// to 11 km; outside that Failure::OutOfRange. It is what the weather is not: see kWeatherSpreadPascal.
[[nodiscard]] Result<Pressure> standardAtmospherePressure(Length altitude);

/// Height at which the standard atmosphere has this pressure: the inverse of `standardAtmospherePressure`.
[[nodiscard]] Result<Length> standardAtmosphereAltitude(Pressure p);

/// Standard deviation of the actual pressure about the standard atmosphere's in temperate weather, Pa.
inline constexpr double kWeatherSpreadPascal = 1000.0;

/// How a pressure report was brought to sea level.
enum class Reduction {
    Hypsometric, ///< with the air temperature at the station and half the standard lapse (ICAO's and WMO's
                 ///< usual form)
    StandardAtmosphere, ///< by the ratio of the standard atmosphere at the station's height
    AltimeterSetting    ///< as airports do: what an altimeter must be set to, so that it shows the station's
                     ///< height. The pressure altitudes of both differ by it, ICAO Doc 7488 (1993)
};

/// Station pressure from a pressure reduced to sea level.
/// @param air  outdoor temperature at the station; used by Reduction::Hypsometric only.
[[nodiscard]] Result<Pressure> stationFromSeaLevel(Pressure seaLevel, Length altitude, Temperature air,
                                                   Reduction reduction);

/// Its inverse: the sea-level pressure that a station reports.
[[nodiscard]] Result<Pressure> seaLevelFromStation(Pressure station, Length altitude, Temperature air,
                                                   Reduction reduction);

} // namespace uttrin
