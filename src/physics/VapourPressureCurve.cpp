#include "VapourPressureCurve.h"

#include "Iapws.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <stdexcept>

namespace uttrin {
namespace {

constexpr std::size_t kNodes = 65;

template <typename... F>
struct Overloaded : F... {
    using F::operator()...;
};
template <typename... F>
Overloaded(F...) -> Overloaded<F...>;

/// tau^power. The powers of most published equations are halves, where square roots are faster than pow.
double power(double tau, double exponent) {
    if (exponent == 1.0) return tau;
    if (exponent == 1.5) return tau * std::sqrt(tau);
    if (exponent == 2.5) return tau * tau * std::sqrt(tau);
    if (exponent == 3.0) return tau * tau * tau;
    if (exponent == 5.0) return tau * tau * tau * tau * tau;
    if (exponent == 6.0) return tau * tau * tau * tau * tau * tau;
    return std::pow(tau, exponent);
}

struct SumAndSlope {
    double sum = 0.0, slope = 0.0; ///< of the terms, and its derivative by tau
};

SumAndSlope sumAndSlopeOf(const std::vector<CurveTerm>& terms, double tau) {
    SumAndSlope s;
    for (const CurveTerm& term : terms) {
        const double value = term.factor * power(tau, term.power);
        s.sum += value;
        s.slope += tau > 0.0 ? term.power * value / tau : (term.power == 1.0 ? term.factor : 0.0);
    }
    return s;
}

// Murphy and Koop (2005), eq. 10.
double supercooledLogarithm(double t) {
    const double first = 54.842763 - 6763.22 / t - 4.210 * std::log(t) + 0.000367 * t;
    const double second = 53.878 - 1331.22 / t - 9.44523 * std::log(t) + 0.014025 * t;
    return first + std::tanh(0.0415 * (t - 218.8)) * second;
}

double supercooledLogarithmSlope(double t) {
    const double second = 53.878 - 1331.22 / t - 9.44523 * std::log(t) + 0.014025 * t;
    const double blend = std::tanh(0.0415 * (t - 218.8));
    return 6763.22 / (t * t) - 4.210 / t + 0.000367 + 0.0415 * (1.0 - blend * blend) * second +
           blend * (1331.22 / (t * t) - 9.44523 / t + 0.014025);
}

/// d ln p / dT by a central difference that stays inside the range; the error is below 1e-7 of the slope.
template <typename Pressure>
double differenceSlope(Pressure pressure, double t, double lowest, double highest) {
    const double h = t * 1e-4;
    const double below = std::max(t - h, lowest), above = std::min(t + h, highest);
    return (pressure(above) - pressure(below)) / (above - below) / pressure(t);
}

} // namespace

double RelativeUncertainty::operator()(double kelvin) const {
    const auto after =
        std::find_if(at.begin(), at.end(), [kelvin](const At& a) { return a.kelvin > kelvin; });
    if (after == at.begin()) return at.front().value;
    if (after == at.end()) return at.back().value;
    const auto before = std::prev(after);
    return std::lerp(before->value, after->value,
                     (kelvin - before->kelvin) / (after->kelvin - before->kelvin));
}

VapourPressureCurve::VapourPressureCurve(Form form, double lowest, double highest, RelativeUncertainty u,
                                         std::string source)
    : m_form(std::move(form)), m_lowest(lowest), m_highest(highest), m_u(std::move(u)),
      m_source(std::move(source)) {
    if (const auto* table = std::get_if<PressureTable>(&m_form)) {
        std::vector<std::pair<double, double>> points;
        for (auto p = table->points.rbegin(); p != table->points.rend(); ++p)
            points.emplace_back(1.0 / p->kelvin, std::log(p->pascal));
        m_interpolant.emplace(std::span<const std::pair<double, double>>(points));
    }
    const double first = 1.0 / m_highest, step = (1.0 / m_lowest - first) / (kNodes - 1);
    for (std::size_t i = 0; i < kNodes; ++i) {
        const double t = std::clamp(1.0 / (first + step * static_cast<double>(i)), m_lowest, m_highest);
        m_nodes.push_back(evaluate(t).logarithm);
        if (!std::isfinite(m_nodes.back()) || (i > 0 && !(m_nodes[i] < m_nodes[i - 1])))
            throw std::logic_error("VapourPressureCurve: the pressure must rise with temperature");
    }
    m_lowestPressure = pressure(m_lowest);
    m_highestPressure = pressure(m_highest);
}

VapourPressureCurve::Value VapourPressureCurve::evaluate(double t) const {
    return std::visit(
        Overloaded{
            [t](const ReducedTerms& f) {
                const double theta = t / f.referenceKelvin;
                const auto s = sumAndSlopeOf(f.terms, 1.0 - theta);
                return Value{std::log(f.referencePascal) + s.sum / theta, -(s.sum / theta + s.slope) / t};
            },
            [t](const ExtendedAntoine& f) {
                const double extra = f.e == 0.0 ? 0.0 : f.e * std::pow(t, f.f);
                return Value{f.a + f.b / (t + f.c) + (f.d == 0.0 ? 0.0 : f.d * std::log(t)) + extra,
                             -f.b / ((t + f.c) * (t + f.c)) + (f.d + extra * f.f) / t};
            },
            [this, t](const PressureTable&) {
                return Value{(*m_interpolant)(1.0 / t), -m_interpolant->slope(1.0 / t) / (t * t)};
            },
            [this, t](const IapwsSaturation&) {
                return Value{std::log(iapws::region4Pressure(t)),
                             differenceSlope(iapws::region4Pressure, t, m_lowest, m_highest)};
            },
            [this, t](const IapwsSublimation&) {
                return Value{std::log(iapws::sublimationPressure(t)),
                             differenceSlope(iapws::sublimationPressure, t, m_lowest, m_highest)};
            },
            [t](const SupercooledWater&) {
                return Value{supercooledLogarithm(t), supercooledLogarithmSlope(t)};
            },
        },
        m_form);
}

double VapourPressureCurve::pressure(double t) const {
    if (std::holds_alternative<IapwsSaturation>(m_form)) return iapws::region4Pressure(t);
    if (std::holds_alternative<IapwsSublimation>(m_form)) return iapws::sublimationPressure(t);
    return std::exp(evaluate(t).logarithm);
}

double VapourPressureCurve::slope(double t) const { return pressure(t) * evaluate(t).slope; }

double VapourPressureCurve::temperature(double pascal) const {
    if (std::holds_alternative<IapwsSaturation>(m_form)) return iapws::region4Temperature(pascal);
    if (std::holds_alternative<IapwsSublimation>(m_form)) return iapws::sublimationTemperature(pascal);
    // ln p against 1/T is nearly straight: begin on the chord of the right cell, then Newton's method in 1/T.
    const double wanted = std::log(pascal);
    const double first = 1.0 / m_highest, step = (1.0 / m_lowest - first) / (kNodes - 1);
    const auto below = std::upper_bound(m_nodes.begin() + 1, m_nodes.end() - 1, wanted, std::greater<>());
    const auto cell = static_cast<double>(below - m_nodes.begin()) - 1.0;
    const double left = *(below - 1), right = *below;
    const double low = first + step * cell, high = low + step;
    double inverse = std::clamp(low + step * (left - wanted) / (left - right), low, high);
    constexpr int kMostSteps = 20;
    constexpr double kEnough = 1e-14;
    for (int i = 0; i < kMostSteps; ++i) {
        const double t = 1.0 / inverse;
        const Value here = evaluate(t);
        const double next = std::clamp(inverse + (here.logarithm - wanted) / (here.slope * t * t), low, high);
        const double moved = std::abs(next - inverse);
        inverse = next;
        if (moved <= kEnough * inverse) break;
    }
    return std::clamp(1.0 / inverse, m_lowest, m_highest);
}

} // namespace uttrin
