#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"

#include <span>
#include <string_view>

/// Sucrose in water, from a thin syrup to almost dry candy.
namespace uttrin::sucrose {

inline constexpr double kMolarMass = 0.3422965;       ///< kg/mol
inline constexpr double kHighestMassFraction = 0.995; ///< of the table

/// How much higher the solution boils than water at 101 325 Pa, interpolated monotonically between points. To
/// 75 % by mass the table in use in sugar works (H. Claassen and others); from 80 to 95 % the mean of that
/// table (above 90 % of the confectioners' one: 92 % 126 degC, 95 % 139 degC) and of the activities evaluated
/// by M. Starzak and S. D. Peacock, Zuckerindustrie 122 (1997) 380, which lie up to 2.9 K apart; above 95 %
/// the confectioners' table alone (97 % 151 degC, 98.2 % 160 degC, 99.5 % 166 degC).
[[nodiscard]] Result<TemperatureDifference> elevationAtStandardPressure(double massFraction);

/// The solution that boils so much higher than water at 101 325 Pa: the inverse of the above, 0 to its end.
[[nodiscard]] Result<double> massFractionForElevation(TemperatureDifference elevation);

/// Standard uncertainty of that elevation, K: the spread between the sources, about 6 % of the elevation
/// and at least 0.05 K.
[[nodiscard]] double elevationU(double massFraction);

/// Activity of the water, which gives that elevation; taken as independent of temperature (Duehring's rule).
[[nodiscard]] Result<double> waterActivity(double massFraction);

/// A stage of boiling sugar by what a drop does in cold water.
struct Stage {
    Phrase name;
    double lowCelsius, highCelsius; ///< at sea level
};
/// From thin to dry.
[[nodiscard]] std::span<const Stage> stages();

inline constexpr Phrase kSource =
    Text::phrase("boiling-point elevation of pure sucrose solutions, table in use "
                 "in sugar works (Claassen), from 80 to 95 % its mean with the "
                 "activities of Starzak and Peacock (1997), above 95 % the "
                 "confectioners' table");

} // namespace uttrin::sucrose
