#pragma once

#include "CurveTerm.h"
#include "MonotoneTable.h"

#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace uttrin {

/// ln(p / reference) = (Tref / T) * sum of terms in (1 - T / Tref): the Wagner equation with the critical
/// point as reference, and the sublimation equations with the triple point.
struct ReducedTerms {
    double referenceKelvin, referencePascal;
    std::vector<CurveTerm> terms;
};

/// ln(p / Pa) = a + b / (T + c) + d ln T + e T^f, T in kelvin: the Antoine equation (d = e = 0) and its
/// extensions.
struct ExtendedAntoine {
    double a, b, c, d, e, f;
};

/// Points of a printed table, interpolated monotonically as ln p against 1/T (Fritsch-Carlson cubic).
struct PressurePoint {
    double kelvin, pascal;
};
struct PressureTable {
    std::vector<PressurePoint> points; ///< at least four, rising in temperature and pressure
};

/// IAPWS R7-97(2012) region 4, both ways explicit.
struct IapwsSaturation {};
/// IAPWS R14-08(2011), ice Ih.
struct IapwsSublimation {};
/// Liquid water from 123 to 332 K, D. M. Murphy and T. Koop, Q. J. R. Meteorol. Soc. 131 (2005) 1539, eq. 10.
struct SupercooledWater {};

/// Standard uncertainty, relative in pressure, known at some temperatures and linear between them.
struct RelativeUncertainty {
    struct At {
        double kelvin, value;
    };
    std::vector<At> at; ///< rising in temperature, at least one
    [[nodiscard]] double operator()(double kelvin) const;
};

/// A vapour-pressure equation over the range for which it was published, with its inverse.
class VapourPressureCurve {
public:
    using Form = std::variant<ReducedTerms, ExtendedAntoine, PressureTable, IapwsSaturation, IapwsSublimation,
                              SupercooledWater>;

    /// @param lowest, highest  K, the range of validity.
    /// @throws std::logic_error if the pressure does not rise all through the range.
    VapourPressureCurve(Form form, double lowest, double highest, RelativeUncertainty u, std::string source);

    [[nodiscard]] double lowest() const { return m_lowest; }   ///< K
    [[nodiscard]] double highest() const { return m_highest; } ///< K
    [[nodiscard]] double lowestPressure() const { return m_lowestPressure; }
    [[nodiscard]] double highestPressure() const { return m_highestPressure; }
    [[nodiscard]] bool covers(double kelvin) const { return kelvin >= m_lowest && kelvin <= m_highest; }
    [[nodiscard]] double relativeU(double kelvin) const { return m_u(kelvin); }
    [[nodiscard]] const std::string& source() const { return m_source; }

    /// Pa. REQUIRES: covers(kelvin).
    [[nodiscard]] double pressure(double kelvin) const;
    /// dp/dT, Pa/K. REQUIRES: covers(kelvin).
    [[nodiscard]] double slope(double kelvin) const;
    /// K, the inverse of `pressure` to 1e-12 relative. REQUIRES: lowestPressure() <= pascal <=
    /// highestPressure().
    [[nodiscard]] double temperature(double pascal) const;

private:
    struct Value {
        double logarithm, slope; ///< ln(p / Pa), and its derivative by temperature, 1/K
    };
    [[nodiscard]] Value evaluate(double kelvin) const;

    Form m_form;
    double m_lowest, m_highest, m_lowestPressure = 0.0, m_highestPressure = 0.0;
    RelativeUncertainty m_u;
    std::string m_source;
    std::optional<MonotoneTable> m_interpolant; ///< of ln p in 1/T, for PressureTable
    std::vector<double> m_nodes; ///< ln p at even steps of 1/T from the hot end, where the inverse starts
};

} // namespace uttrin
