#include "Substance.h"

#include "Constants.h"
#include "Iapws.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace uttrin {

std::string_view name(Phases phases) {
    return phases == Phases::LiquidVapour ? "liquid-vapour" : "solid-vapour";
}

Substance::Substance(SubstanceDefinition definition)
    : m_d(std::move(definition)), m_tripleKelvin(m_d.facts.triple.kelvin()) {
    constexpr double kGap = 1e-3; // relative step up allowed between two formulations at the triple point
    constexpr double kRounding = 1e-6; // and down, where they agree but for rounding
    if (m_d.solid) {
        const double below = m_d.solid->highestPressure(), above = m_d.liquid.lowestPressure();
        if (m_d.solid->highest() != m_tripleKelvin || m_d.liquid.lowest() != m_tripleKelvin ||
            below > above * (1.0 + kRounding) || above - below > kGap * above)
            throw std::logic_error("the two curves must meet at the triple point");
    }
    m_d.facts.lowest = Temperature::fromKelvin(m_d.solid ? m_d.solid->lowest() : m_d.liquid.lowest());
    m_d.facts.highest = Temperature::fromKelvin(m_d.liquid.highest());
    if (const auto t = boilingPoint(Pressure::fromPascal(kStandardAtmospherePascal)))
        m_d.facts.normalBoilingPoint = *t;
}

bool Substance::hasHazard(std::string_view hazard) const {
    return std::find(m_d.hazards.begin(), m_d.hazards.end(), hazard) != m_d.hazards.end();
}

bool Substance::inRange(double k) const {
    return k >= m_d.facts.lowest.kelvin() && k <= m_d.facts.highest.kelvin();
}

tl::unexpected<Failure> Substance::outOfRange(double k) const {
    return fail(Failure::OutOfRange,
                Text::tr("{}’s vapour pressure covers {:.6g} K to {:.6g} K; {:.6g} K lies outside",
                         m_d.facts.name, m_d.facts.lowest.kelvin(), m_d.facts.highest.kelvin(), k));
}

tl::unexpected<Failure> Substance::notKnown(const Text& what, const DensityCurve& curve) const {
    return fail(Failure::OutOfRange, Text::tr("{}’s {} is known from {:.6g} K to {:.6g} K", m_d.facts.name,
                                              what, curve.lowest(), curve.highest()));
}

const VapourPressureCurve& Substance::curveAt(double k) const { return isSolid(k) ? *m_d.solid : m_d.liquid; }

Result<Pressure> Substance::vapourPressure(Temperature t) const {
    const double k = t.kelvin();
    if (!inRange(k)) return outOfRange(k);
    return Pressure::fromPascal(curveAt(k).pressure(k));
}

Result<Temperature> Substance::boilingPoint(Pressure p) const {
    const double pa = p.pascal();
    const double lowest = (m_d.solid ? *m_d.solid : m_d.liquid).lowestPressure();
    if (!(pa >= lowest && pa <= m_d.liquid.highestPressure()))
        return fail(Failure::OutOfRange,
                    Text::tr("{}’s vapour pressure covers {:.3g} Pa to {:.4g} Pa; {:.6g} Pa lies outside",
                             m_d.facts.name, lowest, m_d.liquid.highestPressure(), pa));
    if (pa >= m_d.liquid.lowestPressure()) return Temperature::fromKelvin(m_d.liquid.temperature(pa));
    // Between the two formulations, whose gap is below a thousandth, lies the triple point.
    if (pa >= m_d.solid->highestPressure()) return m_d.facts.triple;
    return Temperature::fromKelvin(m_d.solid->temperature(pa));
}

Result<Saturation> Substance::saturationAt(Temperature t) const {
    const double k = t.kelvin();
    if (!inRange(k)) return outOfRange(k);
    const auto& curve = curveAt(k);
    return Saturation{t, Pressure::fromPascal(curve.pressure(k)),
                      isSolid(k) ? Phases::SolidVapour : Phases::LiquidVapour, curve.relativeU(k),
                      curve.slope(k)};
}

Result<Saturation> Substance::saturationAt(Pressure p) const {
    return boilingPoint(p).and_then([this](Temperature t) { return saturationAt(t); });
}

Result<double> Substance::enthalpyOfVaporisation(Temperature t) const {
    const double k = t.kelvin();
    if (!inRange(k)) return outOfRange(k);
    if (m_d.enthalpy == EnthalpySource::IapwsSr186 && !isSolid(k)) {
        const auto s = iapws::saturatedProperties(k);
        return s.vapourEnthalpy - s.liquidEnthalpy;
    }
    const auto vapour = vapourDensity(t), condensed = condensedDensity(t);
    if (!vapour) return tl::unexpected(vapour.error());
    if (!condensed) return tl::unexpected(condensed.error());
    return k * curveAt(k).slope(k) * (1.0 / *vapour - 1.0 / *condensed);
}

Result<double> Substance::molarEnthalpyOfVaporisation(Temperature t) const {
    return enthalpyOfVaporisation(t).map(
        [this](double perKilogram) { return perKilogram * m_d.facts.molarMass; });
}

Result<double> Substance::condensedDensity(Temperature t) const {
    const double k = t.kelvin();
    if (!inRange(k)) return outOfRange(k);
    if (isSolid(k) && !m_d.solidDensity)
        return fail(Failure::OutOfRange, Text::tr("the density of solid {} is not known", m_d.facts.name));
    const DensityCurve& curve = isSolid(k) ? *m_d.solidDensity : m_d.liquidDensity;
    if (!curve.covers(k))
        return notKnown(isSolid(k) ? Text::tr("density as a solid") : Text::tr("density as a liquid"), curve);
    return curve(k, curveAt(k).pressure(k), m_d.facts.molarMass);
}

Result<double> Substance::vapourDensity(Temperature t) const {
    const double k = t.kelvin();
    if (!inRange(k)) return outOfRange(k);
    const double pascal = curveAt(k).pressure(k);
    if (isSolid(k))
        return m_d.vapourOverSolid && m_d.vapourOverSolid->covers(k)
                   ? (*m_d.vapourOverSolid)(k, pascal, m_d.facts.molarMass)
                   : idealGasDensity(k, pascal, m_d.facts.molarMass);
    if (!m_d.vapourDensity.covers(k)) return notKnown(Text::tr("vapour density"), m_d.vapourDensity);
    return m_d.vapourDensity(k, pascal, m_d.facts.molarMass);
}

const std::string& Substance::source(Phases phases) const {
    return phases == Phases::SolidVapour && m_d.solid ? m_d.solid->source() : m_d.liquid.source();
}

Result<Pressure> Substance::metastableLiquidPressure(Temperature t) const {
    const double k = t.kelvin();
    if (!m_d.supercooled || !m_d.supercooled->covers(k))
        return fail(Failure::OutOfRange,
                    m_d.supercooled
                        ? Text::tr("supercooled {} is known from {:.6g} K to {:.6g} K", m_d.facts.name,
                                   m_d.supercooled->lowest(), m_d.supercooled->highest())
                        : Text::tr("no equation for supercooled {} is known", m_d.facts.name));
    return Pressure::fromPascal(m_d.supercooled->pressure(k));
}

Result<Temperature> Substance::metastableLiquidTemperature(Pressure p) const {
    if (!m_d.supercooled)
        return fail(Failure::OutOfRange, Text::tr("no equation for supercooled {} is known", m_d.facts.name));
    if (!(p.pascal() >= m_d.supercooled->lowestPressure() &&
          p.pascal() <= m_d.supercooled->highestPressure()))
        return fail(Failure::OutOfRange,
                    Text::tr("supercooled {} is known from {:.6g} Pa to {:.6g} Pa", m_d.facts.name,
                             m_d.supercooled->lowestPressure(), m_d.supercooled->highestPressure()));
    return Temperature::fromKelvin(m_d.supercooled->temperature(p.pascal()));
}

Temperature Substance::lowestMetastable() const {
    return m_d.supercooled ? Temperature::fromKelvin(m_d.supercooled->lowest()) : m_d.facts.triple;
}

Result<Pressure> Substance::meltingPressure(Temperature t) const {
    const double k = t.kelvin();
    if (!m_d.melting || k < m_d.melting->lowest || k > m_d.melting->highest)
        return fail(Failure::OutOfRange,
                    m_d.melting ? Text::tr("{}’s melting curve covers {:.6g} K to {:.6g} K", m_d.facts.name,
                                           m_d.melting->lowest, m_d.melting->highest)
                                : Text::tr("no melting curve of {} is known", m_d.facts.name));
    const double ratio = k / m_tripleKelvin;
    double sum = 1.0;
    for (const CurveTerm& term : m_d.melting->terms)
        sum += m_d.melting->powersOfRatio ? term.factor * (std::pow(ratio, term.power) - 1.0)
                                          : term.factor * std::pow(ratio - 1.0, term.power);
    return Pressure::fromPascal(m_d.facts.triplePressure.pascal() * sum);
}

Result<TemperatureDifference> Substance::boilingPointRiseAtDepth(Pressure p, Length depth) const {
    const auto surface = boilingPoint(p);
    if (!surface) return tl::unexpected(surface.error());
    const auto density = condensedDensity(*surface);
    if (!density) return tl::unexpected(density.error());
    const auto column = PressureDifference::fromPascal(*density * kStandardGravity * depth.metre());
    return boilingPoint(p + column).map([&](Temperature below) { return below - *surface; });
}

} // namespace uttrin
