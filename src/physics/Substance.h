#pragma once

#include "DensityCurve.h"
#include "VapourPressureCurve.h"
#include "quantities/Failure.h"
#include "quantities/Quantities.h"

#include <optional>
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
    Text name;           ///< for people
    std::string formula; ///< e.g. "H2O"
    double molarMass;    ///< kg/mol
    Temperature triple;
    Pressure triplePressure;
    Temperature normalBoilingPoint; ///< at 101 325 Pa, of sublimation where the solid reaches that pressure
    Temperature critical;
    Pressure criticalPressure;
    Temperature lowest; ///< lower end of the vapour-pressure curve
    Temperature
        highest; ///< upper end of the vapour-pressure curve: the critical point where the equation reaches it
    std::vector<std::string> sources;
};

/// A measured property at one temperature.
struct MeasuredProperty {
    double value;     ///< SI, per mole where the name says so
    double kelvin;    ///< temperature at which it holds
    double relativeU; ///< standard uncertainty, relative
    std::string source;
};

/// Properties that balances of heat and flow need beside the curves.
struct SubstanceProperties {
    std::optional<MeasuredProperty> liquidHeatCapacity; ///< J/(mol K)
    std::optional<MeasuredProperty> vapourHeatCapacity; ///< J/(mol K), at constant pressure
    std::optional<MeasuredProperty> solidHeatCapacity;  ///< J/(mol K)
    std::optional<MeasuredProperty> enthalpyOfFusion;   ///< J/mol
    std::optional<MeasuredProperty> vapourViscosity;    ///< Pa s
};

/// A value from a publication that owes nothing to the curves, for checking them.
struct PublishedValue {
    enum What { Pressure, BoilingPoint, EnthalpyOfVaporisation, LiquidDensity } what;
    double kelvin;    ///< where it holds; for a boiling point the value itself
    double value;     ///< Pa, K, J/mol or kg/m3
    double pascal;    ///< for a boiling point the pressure, else 0
    double tolerance; ///< relative (kelvin for a boiling point) within which the curve should meet it
    std::string source;
};

/// Melting pressure of the solid that is in equilibrium with the liquid.
struct MeltingCurve {
    /// p = triple * (1 + sum of terms), each factor * ((T/Tt)^power - 1), or factor * (T/Tt - 1)^power.
    std::vector<CurveTerm> terms;
    bool powersOfRatio = true;
    double lowest = 0.0, highest = 0.0; ///< K
    std::string source;
};

/// Where the enthalpy of vaporisation comes from.
enum class EnthalpySource {
    Clapeyron, ///< T dp/dT (v_vapour - v_condensed), with the real volume of the vapour
    IapwsSr186 ///< IAPWS SR1-86(1992), above the triple point
};

/// Everything that makes a substance; `substances/SubstanceFile.h` reads it from a data file.
struct SubstanceDefinition {
    SubstanceFacts facts; ///< normalBoilingPoint, lowest and highest are worked out from the curves
    VapourPressureCurve liquid;
    std::optional<VapourPressureCurve> solid;       ///< below the triple point
    std::optional<VapourPressureCurve> supercooled; ///< liquid below the triple point, metastable
    std::optional<MeltingCurve> melting;
    DensityCurve liquidDensity, vapourDensity;
    std::optional<DensityCurve> solidDensity;
    std::optional<DensityCurve> vapourOverSolid; ///< an ideal gas where empty
    EnthalpySource enthalpy = EnthalpySource::Clapeyron;
    SubstanceProperties properties;
    std::vector<std::string> hazards; ///< "flammable", "toxic", "cold", "asphyxiant", "narcotic"
    std::vector<PublishedValue> published;
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

/// A pure substance with its vapour-pressure curve: over the solid below the triple point where a sublimation
/// equation is known, over the liquid above.
class Substance {
public:
    /// @throws std::logic_error if the two branches do not meet at the triple point.
    explicit Substance(SubstanceDefinition definition);

    [[nodiscard]] const SubstanceFacts& facts() const { return m_d.facts; }
    [[nodiscard]] const SubstanceProperties& properties() const { return m_d.properties; }
    [[nodiscard]] const std::vector<std::string>& hazards() const { return m_d.hazards; }
    [[nodiscard]] bool hasHazard(std::string_view hazard) const;
    [[nodiscard]] const std::vector<PublishedValue>& published() const { return m_d.published; }

    /// Vapour pressure at a temperature from facts().lowest to facts().highest, else Failure::OutOfRange.
    [[nodiscard]] Result<Pressure> vapourPressure(Temperature t) const;
    /// Temperature at which the vapour pressure is p: the inverse of `vapourPressure` to 1e-9 relative.
    [[nodiscard]] Result<Temperature> boilingPoint(Pressure p) const;
    /// The state at a temperature, with slope and uncertainty.
    [[nodiscard]] Result<Saturation> saturationAt(Temperature t) const;
    /// The state at a pressure.
    [[nodiscard]] Result<Saturation> saturationAt(Pressure p) const;
    /// Enthalpy of vaporisation (of sublimation below the triple point), J/kg.
    [[nodiscard]] Result<double> enthalpyOfVaporisation(Temperature t) const;
    /// Molar enthalpy of vaporisation, J/mol.
    [[nodiscard]] Result<double> molarEnthalpyOfVaporisation(Temperature t) const;
    /// Density of the saturated liquid (of the solid below the triple point), kg/m3.
    [[nodiscard]] Result<double> condensedDensity(Temperature t) const;
    /// Density of the saturated vapour, kg/m3.
    [[nodiscard]] Result<double> vapourDensity(Temperature t) const;
    /// Where the numbers between these two phases come from.
    [[nodiscard]] const std::string& source(Phases phases) const;

    /// Vapour pressure over the liquid below the triple point, where it is metastable; OutOfRange where no
    /// equation is known or the temperature is not below the triple point.
    [[nodiscard]] Result<Pressure> metastableLiquidPressure(Temperature t) const;
    /// Temperature at which the supercooled liquid has this vapour pressure: the inverse of
    /// `metastableLiquidPressure`.
    [[nodiscard]] Result<Temperature> metastableLiquidTemperature(Pressure p) const;
    /// Lower end of the metastable liquid's equation; the triple point where there is none.
    [[nodiscard]] Temperature lowestMetastable() const;
    /// Pressure at which the solid melts; OutOfRange where no equation is known.
    [[nodiscard]] Result<Pressure> meltingPressure(Temperature t) const;
    [[nodiscard]] const std::optional<MeltingCurve>& melting() const { return m_d.melting; }

    /// How much higher the liquid boils at a depth than at its surface, where the pressure is p.
    [[nodiscard]] Result<TemperatureDifference> boilingPointRiseAtDepth(Pressure p, Length depth) const;

private:
    [[nodiscard]] bool inRange(double kelvin) const;
    [[nodiscard]] tl::unexpected<Failure> outOfRange(double kelvin) const;
    [[nodiscard]] tl::unexpected<Failure> notKnown(const Text& what, const DensityCurve& curve) const;
    [[nodiscard]] bool isSolid(double kelvin) const { return m_d.solid && kelvin < m_tripleKelvin; }
    [[nodiscard]] const VapourPressureCurve& curveAt(double kelvin) const;

    SubstanceDefinition m_d;
    double m_tripleKelvin;
};

} // namespace uttrin
