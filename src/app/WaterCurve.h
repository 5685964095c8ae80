#pragma once

namespace uttrin::app {

inline constexpr double kTripleK = 273.16;       ///< K, where the three regions of the map meet
inline constexpr double kTriplePascal = 611.657; ///< Pa, likewise

/// Vapour pressure of water in Pa; clamped to the ends of its curve, where the map shows no more than its
/// edge.
[[nodiscard]] double vapourPressure(double kelvin);

} // namespace uttrin::app
