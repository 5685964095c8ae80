#pragma once

#include "VapourPressureCurve.h"

namespace uttrin {

/// rho = reference * exp(F), F the sum of terms in (1 - T/Tc), times Tc/T where `overTemperature` says so:
/// the ancillary equations of reference equations of state.
struct ExponentialDensity {
    double criticalKelvin, reference;
    std::vector<CurveTerm> terms;
    bool overTemperature;
};

/// rho = reference * (1 + sum of terms in (1 - T/Tc)).
struct LinearDensity {
    double criticalKelvin, reference;
    std::vector<CurveTerm> terms;
};

/// The Rackett equation through one measured density: rho = rho0 * Z^((1-T0/Tc)^(2/7) - (1-T/Tc)^(2/7)),
/// C. F. Spencer and R. P. Danner, J. Chem. Eng. Data 17 (1972) 236.
struct RackettDensity {
    double criticalKelvin, referenceKelvin, reference, factor;
};

struct ConstantDensity {
    double value;
};

/// Saturated vapour from the second virial coefficient, rho = p M / (R T (1 + B p / (R T))), with
/// B = sum of coefficients_i (298.15 K / T - 1)^i in cm3/mol.
struct VirialVapour {
    std::vector<double> coefficients;
};

/// As VirialVapour, with B from the corresponding states of C. Tsonopoulos, AIChE J. 20 (1974) 263, for
/// substances that are not strongly polar.
struct CorrespondingVapour {
    double criticalKelvin, criticalPascal, acentric;
};

/// IAPWS SR1-86(1992), liquid and vapour.
struct IapwsLiquid {};
struct IapwsVapour {};

/// Density of a saturated phase over the range for which its equation was published.
class DensityCurve {
public:
    using Form = std::variant<ExponentialDensity, LinearDensity, RackettDensity, ConstantDensity,
                              VirialVapour, CorrespondingVapour, IapwsLiquid, IapwsVapour>;
    DensityCurve(Form form, double lowest, double highest, double relativeU, std::string source)
        : m_form(std::move(form)), m_lowest(lowest), m_highest(highest), m_relativeU(relativeU),
          m_source(std::move(source)) {}

    [[nodiscard]] double lowest() const { return m_lowest; }   ///< K
    [[nodiscard]] double highest() const { return m_highest; } ///< K
    [[nodiscard]] bool covers(double kelvin) const { return kelvin >= m_lowest && kelvin <= m_highest; }
    [[nodiscard]] double relativeU() const { return m_relativeU; }
    [[nodiscard]] const std::string& source() const { return m_source; }

    /// kg/m3. @param pascal  saturation pressure at this temperature. @param molarMass  kg/mol.
    /// REQUIRES: covers(kelvin).
    [[nodiscard]] double operator()(double kelvin, double pascal, double molarMass) const;

private:
    Form m_form;
    double m_lowest, m_highest, m_relativeU;
    std::string m_source;
};

/// Density of an ideal gas, kg/m3.
[[nodiscard]] double idealGasDensity(double kelvin, double pascal, double molarMass);

} // namespace uttrin
