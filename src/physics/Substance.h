#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// The two phases that are in equilibrium on the vapour-pressure curve.
enum class Phases { LiquidVapour, SolidVapour };

/// "liquid-vapour" or "solid-vapour", as in files.
[[nodiscard]] std::string_view name(Phases phases);

/// What does not change with the state of a pure substance.
struct SubstanceFacts {
    std::string id;      ///< as on the command line, e.g. "water"
    std::string name;    ///< for people
    std::string formula; ///< e.g. "H2O"
    double molarMass;    ///< kg/mol
    Temperature triple;
    Pressure triplePressure;
    Temperature normalBoilingPoint; ///< at 101 325 Pa
    Temperature critical;
    Pressure criticalPressure;
    Temperature lowest; ///< lower end of the vapour-pressure curve
    std::vector<std::string> sources;
};

/// A state on the vapour-pressure curve.
struct Saturation {
    Temperature temperature;
    Pressure pressure;
    Phases phases;
    double relativePressureU; ///< standard uncertainty of the formulation, relative in pressure
    double slope;             ///< dp/dT along the curve, Pa/K

    /// Standard uncertainty of the formulation as a temperature, K.
    [[nodiscard]] double temperatureU() const { return relativePressureU * pressure.pascal() / slope; }
};

/// A pure substance with its vapour-pressure curve: over the solid below the triple point, over the liquid
/// above.
class Substance {
public:
    Substance() = default;
    Substance(const Substance&) = delete;
    Substance& operator=(const Substance&) = delete;
    virtual ~Substance() = default;

    [[nodiscard]] virtual const SubstanceFacts& facts() const = 0;

    /// Vapour pressure at a temperature from facts().lowest to facts().critical, else Failure::OutOfRange.
    [[nodiscard]] virtual Result<Pressure> vapourPressure(Temperature t) const = 0;
    /// Temperature at which the vapour pressure is p: the inverse of `vapourPressure` to 1e-9 relative.
    [[nodiscard]] virtual Result<Temperature> boilingPoint(Pressure p) const = 0;
    /// The state at a temperature, with slope and uncertainty.
    [[nodiscard]] virtual Result<Saturation> saturationAt(Temperature t) const = 0;
    /// Enthalpy of vaporisation (of sublimation below the triple point), J/kg.
    [[nodiscard]] virtual Result<double> enthalpyOfVaporisation(Temperature t) const = 0;
    /// Density of the saturated liquid (of the solid below the triple point), kg/m3.
    [[nodiscard]] virtual Result<double> condensedDensity(Temperature t) const = 0;
    /// Density of the saturated vapour, kg/m3.
    [[nodiscard]] virtual Result<double> vapourDensity(Temperature t) const = 0;
    /// Where the numbers between these two phases come from.
    [[nodiscard]] virtual std::string_view source(Phases phases) const = 0;

    /// The state at a pressure.
    [[nodiscard]] Result<Saturation> saturationAt(Pressure p) const;
    /// Molar enthalpy of vaporisation, J/mol.
    [[nodiscard]] Result<double> molarEnthalpyOfVaporisation(Temperature t) const;
    /// How much higher the liquid boils at a depth than at its surface, where the pressure is p.
    [[nodiscard]] Result<TemperatureDifference> boilingPointRiseAtDepth(Pressure p, Length depth) const;
};

/// The substances that ship, in the order of the command line's list.
[[nodiscard]] std::span<const Substance* const> substances();

/// The substance with this id, or a failure that lists those that exist.
[[nodiscard]] Result<const Substance*> findSubstance(std::string_view id);

} // namespace uttrin
