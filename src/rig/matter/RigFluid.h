#pragma once

#include "Flow.h"
#include "physics/Substance.h"

#include <memory>
#include <optional>

namespace uttrin {

/// A substance as balances of mass and heat need it at every step: fast, and consistent with itself, so that
/// energy is kept exactly.
///
/// Energies count from the liquid at the triple point. The liquid has a constant heat capacity; the vapour
/// lies above the liquid of its temperature by the substance's own enthalpy of vaporisation, and is an ideal
/// gas in the balances (its energy is its enthalpy less R T / M; where it is far from one, its enthalpy rises
/// by 3 R / M for each kelvin and lies above that sum: water from 120 degC on); the solid lies below the
/// liquid by the enthalpy of fusion. Saturation pressures and the enthalpy of vaporisation are tables of the
/// substance's curves (cubic Hermite, every 0.125 K), within 1e-6 of them, as far as both are known. Below
/// the triple point the liquid is metastable where the substance knows it. What concerns the vapour alone
/// (its enthalpy, energy, heat capacity) goes on in a straight line beyond the tables, since a gas may be
/// hotter or colder than the liquid beside it.
class RigFluid {
public:
    /// Tables from the substance; BadInput names a property that a rig needs and the substance does not have.
    [[nodiscard]] static Result<RigFluid> make(const Substance& substance);

    [[nodiscard]] double lowestKelvin() const;       ///< of all that follows
    [[nodiscard]] double highestKelvin() const;      ///< of all that follows
    [[nodiscard]] double lowestLiquidKelvin() const; ///< of the metastable liquid
    [[nodiscard]] bool hasSolid() const;
    [[nodiscard]] double tripleKelvin() const;

    // Temperatures must lie within the range, REQUIRES: callers check it and stop with a reason.
    [[nodiscard]] double liquidSaturation(double kelvin) const; ///< Pa, over the liquid
    [[nodiscard]] double solidSaturation(double kelvin) const; ///< Pa, over the solid, below the triple point
    /// The temperature at which the liquid's saturation pressure is this: the inverse, within 1e-6 K; the end
    /// of the range for a pressure beyond it.
    [[nodiscard]] double boilingKelvin(double pascal) const;
    /// The same of the solid's saturation pressure. REQUIRES: it has a solid.
    [[nodiscard]] double sublimationKelvin(double pascal) const;
    [[nodiscard]] double vaporisation(double kelvin) const;       ///< J/kg, of the liquid
    [[nodiscard]] double fusion() const;                          ///< J/kg
    [[nodiscard]] double liquidEnergy(double kelvin) const;       ///< J/kg
    [[nodiscard]] double solidEnergy(double kelvin) const;        ///< J/kg
    [[nodiscard]] double vapourEnthalpy(double kelvin) const;     ///< J/kg
    [[nodiscard]] double vapourEnergy(double kelvin) const;       ///< J/kg
    [[nodiscard]] double vapourHeatCapacity(double kelvin) const; ///< J/(kg K), at constant volume
    [[nodiscard]] double liquidHeatCapacity() const;              ///< J/(kg K)
    [[nodiscard]] double solidHeatCapacity() const;               ///< J/(kg K)
    [[nodiscard]] double liquidDensity() const;                   ///< kg/m3, at the triple point
    /// kg of air that a kilogram of the liquid holds under each pascal of air; 0 where it is not known.
    [[nodiscard]] double airSolubility(double kelvin) const;
    [[nodiscard]] const FlowingGas& vapour() const;

private:
    struct Tables;
    explicit RigFluid(std::shared_ptr<const Tables> tables) : m_tables(std::move(tables)) {}
    std::shared_ptr<const Tables> m_tables;
};

/// The vapour of a substance as far as its flow goes; nothing where its viscosity is not known. Where its
/// heat capacity is not, the ratio of its heats is that of air.
[[nodiscard]] std::optional<FlowingGas> vapourOf(const Substance& substance);

/// Mass that leaves a square metre of liquid or solid in a second, kg/(m2 s), by the kinetic theory of Hertz
/// and Knudsen with R. W. Schrage's correction for the stream itself; negative if vapour condenses.
/// @param coefficient  share of the molecules that stick, above 0 to 1; some hundredths for water in a rig,
/// as
///        its surface is never clean. @param saturationPascal  at the temperature of the surface.
[[nodiscard]] double evaporationFlux(double coefficient, double molarMass, double surfaceKelvin,
                                     double saturationPascal, double vapourKelvin, double vapourPascal);

} // namespace uttrin
