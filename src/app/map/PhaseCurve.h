#pragma once

#include "physics/Substance.h"

namespace uttrin::app {

/// A substance's borders between phases as the map draws them: the published curves, and beyond their ends a
/// straight continuation of ln p against 1/T, for the tints only.
class PhaseCurve {
public:
    explicit PhaseCurve(const Substance& substance);

    /// Vapour pressure, Pa, at any temperature above zero kelvin.
    [[nodiscard]] double pascal(double kelvin) const;
    /// Whether a published equation stands behind `pascal` there.
    [[nodiscard]] bool covers(double kelvin) const {
        return kelvin >= m_low.kelvin && kelvin <= m_high.kelvin;
    }
    [[nodiscard]] double tripleKelvin() const { return m_tripleKelvin; }
    [[nodiscard]] double triplePascal() const { return m_triplePascal; }
    [[nodiscard]] double criticalKelvin() const { return m_criticalKelvin; }
    [[nodiscard]] double criticalPascal() const { return m_criticalPascal; }
    /// Temperature of the border between solid and liquid at a pressure, K; upright where no equation is
    /// known.
    [[nodiscard]] double meltingKelvin(double pascal) const;

    /// Ends of a picture of the whole substance: from below the triple point to somewhat above the normal
    /// boiling point.
    [[nodiscard]] double overviewLowKelvin() const;
    [[nodiscard]] double overviewHighKelvin() const;

private:
    struct End {
        double kelvin, logarithm, slope; ///< ln p there, and its slope against 1/T
    };
    [[nodiscard]] End endAt(Temperature t) const;

    const Substance& m_substance;
    End m_low, m_high;
    double m_tripleKelvin, m_triplePascal, m_criticalKelvin, m_criticalPascal, m_meltingSlope; ///< K/Pa
};

} // namespace uttrin::app
