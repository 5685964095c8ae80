#pragma once

namespace uttrin::iapws {

/// IAPWS R7-97(2012) eq. 30: saturation pressure in Pa. @param t K, 273.15 to 647.096 (not checked here).
[[nodiscard]] double region4Pressure(double t);
/// IAPWS R7-97(2012) eq. 31, the exact inverse of eq. 30: saturation temperature in K. @param p Pa, 611.213
/// to 22.064e6.
[[nodiscard]] double region4Temperature(double p);
/// IAPWS R14-08(2011) eq. 6: sublimation pressure of ice Ih in Pa. @param t K, 50 to 273.16.
[[nodiscard]] double sublimationPressure(double t);
/// Inverse of `sublimationPressure`: K. @param p Pa, 1.94e-40 to 611.657.
[[nodiscard]] double sublimationTemperature(double p);

/// Saturated liquid and vapour by IAPWS SR1-86(1992), 273.16 to 647.096 K.
struct SaturatedProperties {
    double pressure;       ///< Pa, eq. 1
    double slope;          ///< dp/dT, Pa/K, derivative of eq. 1
    double liquidDensity;  ///< kg/m3, eq. 2
    double vapourDensity;  ///< kg/m3, eq. 3
    double liquidEnthalpy; ///< J/kg, eq. 6
    double vapourEnthalpy; ///< J/kg, eq. 7
};
[[nodiscard]] SaturatedProperties saturatedProperties(double t);

} // namespace uttrin::iapws
