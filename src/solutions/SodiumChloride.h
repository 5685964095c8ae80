#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"
#include "text/Text.h"

#include <string_view>

/// Sodium chloride in water.
namespace uttrin::sodiumChloride {

inline constexpr double kMolarMass = 0.0584428; ///< kg/mol
/// Highest molality of the model, mol/kg: about that of the saturated solution at its boiling point.
inline constexpr double kHighestMolality = 6.9;
inline constexpr double kEutecticCelsius = -21.1;      ///< ice, NaCl.2H2O and brine
inline constexpr double kEutecticMassFraction = 0.233; ///< of salt

/// Osmotic coefficient by the equations of K. S. Pitzer with the parameters of K. S. Pitzer, J. C. Peiper and
/// R. H. Busey, J. Phys. Chem. Ref. Data 13 (1984) 1 (0 to 6 mol/kg, 0 to 300 degC; above 6 mol/kg, which
/// only hot saturated brine reaches, the same equations); Debye-Hueckel slope from the dielectric constant of
/// D. J. Bradley and K. S. Pitzer, J. Phys. Chem. 83 (1979) 1599, and water's density by SR1-86. Standard
/// uncertainty 0.002. OutOfRange outside 0 to kHighestMolality and 0 to 130 degC.
[[nodiscard]] Result<double> osmoticCoefficient(double molality, Temperature t);

/// Activity of the water, ln a = -2 m phi M(water).
[[nodiscard]] Result<double> waterActivity(double molality, Temperature t);

/// Molality of the saturated solution, mol/kg, from the solubility in the CRC Handbook of Chemistry and
/// Physics (35.65 g in 100 g of water at 0 degC, 35.9 at 20, 39.1 at 100 degC); 0 to 110 degC, clamped to it.
[[nodiscard]] double saturationMolality(Temperature t);

/// Depression of the freezing point, interpolated in the table of the CRC Handbook of Chemistry and Physics,
/// section 5, concentrative properties; 0 to the eutectic, standard uncertainty 0.03 K. The equilibrium of
/// ice with brine: also the temperature of an ice bath whose liquid has this composition.
[[nodiscard]] Result<TemperatureDifference> freezingPointDepression(double molality);

[[nodiscard]] double massFraction(double molality);
[[nodiscard]] double molalityOf(double massFraction);

inline constexpr Phrase kBoilingSource = Text::phrase(
    "Pitzer equations, parameters of K. S. Pitzer, J. C. Peiper and R. H. Busey, J. Phys. Chem. Ref. Data 13 "
    "(1984) 1");
inline constexpr Phrase kFreezingSource = Text::phrase(
    "CRC Handbook of Chemistry and Physics, section 5, concentrative properties of aqueous solutions");

} // namespace uttrin::sodiumChloride
