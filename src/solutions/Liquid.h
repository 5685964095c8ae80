#pragma once

#include "physics/Substance.h"

#include <optional>
#include <string>
#include <string_view>

namespace uttrin {

/// What is dissolved in, or mixed with, the liquid.
enum class SoluteKind {
    None,
    SodiumChloride, ///< in water; `amount` is the molality
    Sucrose,        ///< in water; `amount` is the fraction by mass
    Ideal,          ///< anything, dilute; `amount` is the molality, `factor` van 't Hoff's
    Ethanol,        ///< mixed with water; `amount` is the fraction by mass
    Methanol,
    Acetone
};

/// Identifiers in files and on the command line: "none", "nacl", "sucrose", "ideal", "ethanol", "methanol",
/// "acetone".
[[nodiscard]] std::string_view id(SoluteKind kind);
/// For people: "sodium chloride"; empty for none.
[[nodiscard]] Text nameOf(SoluteKind kind);
[[nodiscard]] Result<SoluteKind> soluteKindFromId(std::string_view id);
/// Whether the amount is a fraction by mass; else it is a molality in mol/kg.
[[nodiscard]] bool byMassFraction(SoluteKind kind);

struct Solute {
    SoluteKind kind = SoluteKind::None;
    double amount = 0.0; ///< molality in mol/kg, or fraction by mass
    double factor = 1.0; ///< van 't Hoff factor, used by SoluteKind::Ideal
    friend bool operator==(const Solute&, const Solute&) = default;
};

/// A boiling liquid: a pure substance, or a solution in it. Its boiling point at a pressure follows from the
/// solvent's own curve and the solvent's activity, so the elevation depends on the pressure.
class Liquid {
public:
    explicit Liquid(const Substance& solvent) : m_solvent(&solvent) {}
    /// Fails for a solute that is not known in this solvent, or an amount outside its model.
    [[nodiscard]] static Result<Liquid> make(const Substance& solvent, const Solute& solute);

    [[nodiscard]] const Substance& solvent() const { return *m_solvent; }
    [[nodiscard]] const Solute& solute() const { return m_solute; }
    [[nodiscard]] bool pure() const { return m_solute.kind == SoluteKind::None; }
    /// "water", "water with 1.5 mol/kg sodium chloride".
    [[nodiscard]] Text name() const;
    [[nodiscard]] Text source() const;

    /// Vapour pressure over the liquid. OutOfRange outside the solvent's curve or the solute's model.
    [[nodiscard]] Result<Pressure> vapourPressure(Temperature t) const;
    /// Boiling at a pressure: temperature, slope along the solution's own curve, uncertainty of curve and
    /// solute.
    [[nodiscard]] Result<Saturation> saturationAt(Pressure p) const;
    [[nodiscard]] Result<Temperature> boilingPoint(Pressure p) const;
    /// How much higher it boils than the pure solvent at this pressure.
    [[nodiscard]] Result<TemperatureDifference> elevation(Pressure p) const;
    /// How much higher it boils at a depth than at its surface, where the pressure is p.
    [[nodiscard]] Result<TemperatureDifference> boilingPointRiseAtDepth(Pressure p, Length depth) const;
    /// How much lower than the pure solvent it freezes; of water with sodium chloride or an ideal solute.
    [[nodiscard]] Result<TemperatureDifference> freezingPointDepression() const;

private:
    Liquid(const Substance& solvent, const Solute& solute) : m_solvent(&solvent), m_solute(solute) {}
    /// Activity of the solvent; only for solutes that do not boil themselves.
    [[nodiscard]] Result<double> activity(Temperature t) const;
    [[nodiscard]] bool isMixture() const;
    /// Standard uncertainty of the elevation from the solute's model, K.
    [[nodiscard]] double soluteU(double elevationKelvin) const;

    const Substance* m_solvent;
    Solute m_solute;
};

/// Ebullioscopic constant at a pressure, K kg/mol: R T^2 M / L with the enthalpy of vaporisation there.
[[nodiscard]] Result<double> ebullioscopicConstant(const Substance& solvent, Pressure p);

/// What the measured elevation of one boiling point says about the amount dissolved, at the pressure where it
/// was measured: molality times van 't Hoff factor for an ideal solute, molality for sodium chloride.
/// @param kind  Ideal or SodiumChloride.
[[nodiscard]] Result<double> molalityFromBoiling(const Substance& solvent, SoluteKind kind, Temperature boils,
                                                 Pressure p);

} // namespace uttrin
