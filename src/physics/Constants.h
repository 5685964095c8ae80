#pragma once

namespace uttrin {

inline constexpr double kMolarGas = 8.314462618;            ///< J/(mol K), exact value rounded, SI 2019
inline constexpr double kStandardGravity = 9.80665;         ///< m/s2, CGPM 1901, exact
inline constexpr double kStandardAtmospherePascal = 101325; ///< Pa, CGPM 1954, exact

} // namespace uttrin
