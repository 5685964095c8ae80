#include "PhaseCurve.h"

#include <algorithm>
#include <cmath>

namespace uttrin::app {

PhaseCurve::PhaseCurve(const Substance& substance)
    : m_substance(substance), m_low(endAt(substance.facts().lowest)),
      m_high(endAt(substance.facts().highest)), m_tripleKelvin(substance.facts().triple.kelvin()),
      m_triplePascal(substance.facts().triplePressure.pascal()),
      m_criticalKelvin(substance.facts().critical.kelvin()),
      m_criticalPascal(substance.facts().criticalPressure.pascal()), m_meltingSlope(0.0) {
    if (const auto& melting =
            substance.melting()) { // the border is so steep that its slope at the triple point serves
        const double step = melting->lowest < m_tripleKelvin ? -0.01 : 0.01;
        const auto p = substance.meltingPressure(Temperature::fromKelvin(m_tripleKelvin + step));
        if (p) m_meltingSlope = step / (p->pascal() - m_triplePascal);
    }
}

PhaseCurve::End PhaseCurve::endAt(Temperature t) const {
    const auto s = *m_substance.saturationAt(t);
    const double k = t.kelvin();
    return {k, std::log(s.pressure.pascal()), -s.slope / s.pressure.pascal() * k * k};
}

double PhaseCurve::pascal(double kelvin) const {
    if (covers(kelvin)) return m_substance.vapourPressure(Temperature::fromKelvin(kelvin))->pascal();
    const End& end = kelvin < m_low.kelvin ? m_low : m_high;
    return std::exp(end.logarithm + end.slope * (1.0 / std::max(kelvin, 1.0) - 1.0 / end.kelvin));
}

double PhaseCurve::meltingKelvin(double pascal) const {
    return m_tripleKelvin + m_meltingSlope * (pascal - m_triplePascal);
}

double PhaseCurve::overviewLowKelvin() const { return std::max(0.89 * m_tripleKelvin, 0.98 * m_low.kelvin); }

double PhaseCurve::overviewHighKelvin() const {
    const double boiling = m_substance.facts().normalBoilingPoint.kelvin();
    return std::min(std::max(1.072 * boiling, 1.25 * m_tripleKelvin), m_criticalKelvin);
}

} // namespace uttrin::app
