#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"

/// Formulas by which thermometers turn what they show into a temperature.
namespace uttrin::thermometry {

/// Resistance of an industrial platinum thermometer at a temperature, ohm: IEC 60751:2008, R0 (1 + A t + B
/// t^2 + C (t - 100) t^3 for t < 0) with A = 3.9083e-3, B = -5.775e-7, C = -4.183e-12; -200 to 850 degC.
[[nodiscard]] double platinumResistance(double celsius, double r0);
/// Its inverse, degC. OutOfRange outside -200 to 850 degC.
[[nodiscard]] Result<double> platinumCelsius(double ohm, double r0);
/// Tolerance of class A and B at a temperature, K: 0.15 + 0.002 |t| and 0.3 + 0.005 |t|, IEC 60751:2008.
[[nodiscard]] double platinumTolerance(double celsius, bool classA);

/// Temperature of a coil from its resistance, degC: R = R20 (1 + a (t - 20)); for annealed copper a = 0.00393
/// /K, IEC 60028.
[[nodiscard]] double coilCelsius(double ohm, double r20, double perKelvin);
[[nodiscard]] double coilResistance(double celsius, double r20, double perKelvin);

/// What the emergent stem of a liquid-in-glass thermometer hides, K, to be added: k n (reading - stem), with
/// n the degrees of the column that stand out of the liquid, k = 1.6e-4 /K for mercury (ASTM E77),
/// about 1.04e-3 for organic liquids.
/// @param mercury  else an organic liquid.
[[nodiscard]] double emergentStemCorrection(double readingCelsius, double emergentKelvin, double stemCelsius,
                                            bool mercury);

/// What an infrared thermometer really sees: its reading assumes one emissivity, the wall has another, and
/// mirrors the rest from around it. Grey body in the total radiation (fourth power), good to a few tenths of
/// a kelvin near room temperature. @return kelvin.
[[nodiscard]] double infraredKelvin(double shownKelvin, double emissivitySet, double emissivity,
                                    double reflectedKelvin);

/// How much warmer a liquid is than the outside of its wall, K: h (wall - room) d / k, with h = 10 W/(m2 K)
/// from a wall in still air.
/// @param thickness  m. @param conductivity  W/(m K), 1.1 for borosilicate glass.
[[nodiscard]] double wallDrop(double wallKelvin, double roomKelvin, double thickness, double conductivity);

} // namespace uttrin::thermometry
