#pragma once

#include "physics/Substance.h"

#include <span>
#include <string>
#include <string_view>
#include <variant>

namespace uttrin {

/// Activity coefficients by the van Laar equations: ln g1 = a12 / (1 + a12 x1 / (a21 x2))^2, and the other
/// way round.
struct VanLaar {
    double a12, a21;
};
/// Activity coefficients by the Wilson equations, L12 = V2/V1 exp(-a12 / (R T)).
struct Wilson {
    double a12, a21;         ///< J/mol
    double volume1, volume2; ///< cm3/mol
};

/// A liquid and the vapour in equilibrium with it. Fractions are of the first component, by amount (mol/mol).
struct MixtureState {
    Temperature temperature;
    double liquidFraction, vapourFraction;
};

/// Two liquids that mix in all proportions, boiling by gamma_i x_i p_i = y_i p (the vapour as an ideal
/// mixture).
class BinaryMixture {
public:
    BinaryMixture(std::string id, std::string first, std::string second, std::variant<VanLaar, Wilson> model,
                  double temperatureU, Text source);

    [[nodiscard]] const std::string& id() const { return m_id; } ///< "ethanol-water"
    [[nodiscard]] const Substance& first() const { return m_first; }
    [[nodiscard]] const Substance& second() const { return m_second; }
    [[nodiscard]] const Text& source() const { return m_source; }
    /// Standard uncertainty of bubble and dew points near 1 atm, K.
    [[nodiscard]] double temperatureU() const { return m_temperatureU; }

    struct Coefficients {
        double first, second;
    };
    /// Activity coefficients at a liquid composition 0..1.
    [[nodiscard]] Coefficients activityCoefficients(double liquidFraction, Temperature t) const;
    /// Pressure over a liquid of this composition.
    [[nodiscard]] Result<Pressure> bubblePressure(double liquidFraction, Temperature t) const;
    /// The temperature at which a liquid of this composition begins to boil, with its first vapour.
    [[nodiscard]] Result<MixtureState> bubblePoint(double liquidFraction, Pressure p) const;
    /// The temperature at which a vapour of this composition begins to condense, with its first dew.
    [[nodiscard]] Result<MixtureState> dewPoint(double vapourFraction, Pressure p) const;
    /// The lowest-boiling mixture, where liquid and vapour agree; empty if none lies inside.
    [[nodiscard]] std::optional<MixtureState> azeotrope(Pressure p) const;

    [[nodiscard]] double amountFraction(double massFraction) const;
    [[nodiscard]] double massFraction(double amountFraction) const;

private:
    std::string m_id;
    const Substance &m_first, &m_second;
    std::variant<VanLaar, Wilson> m_model;
    double m_temperatureU;
    Text m_source;
};

/// Ethanol, methanol and acetone with water.
[[nodiscard]] std::span<const BinaryMixture> waterMixtures();
/// The mixture of water with this substance, or a failure that lists those known.
[[nodiscard]] Result<const BinaryMixture*> findWaterMixture(std::string_view substance);

} // namespace uttrin
