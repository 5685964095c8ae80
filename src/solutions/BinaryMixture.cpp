#include "BinaryMixture.h"

#include "physics/Constants.h"
#include "substances/SubstanceLibrary.h"

#include <boost/math/tools/minima.hpp>
#include <boost/math/tools/roots.hpp>

#include <algorithm>
#include <cmath>
#include <vector>

namespace uttrin {
namespace {

constexpr double kCalorie = 4.184; // J, thermochemical, exact
constexpr double kMolarVolumeWater = 18.07;

/// Root between two ends where f changes sign.
template <typename F>
double root(F f, double low, double high) {
    constexpr int kBits = 45;
    std::uintmax_t most = 100;
    const auto ends = boost::math::tools::toms748_solve(
        f, low, high, boost::math::tools::eps_tolerance<double>(kBits), most);
    return 0.5 * (ends.first + ends.second);
}

BinaryMixture::Coefficients evaluate(const VanLaar& m, double x, double) {
    if (x <= 0.0) return {std::exp(m.a12), 1.0};
    if (x >= 1.0) return {1.0, std::exp(m.a21)};
    const double ratio = m.a12 * x / (m.a21 * (1.0 - x));
    return {std::exp(m.a12 / ((1.0 + ratio) * (1.0 + ratio))),
            std::exp(m.a21 / ((1.0 + 1.0 / ratio) * (1.0 + 1.0 / ratio)))};
}

BinaryMixture::Coefficients evaluate(const Wilson& m, double x, double t) {
    const double y = 1.0 - x;
    const double l12 = m.volume2 / m.volume1 * std::exp(-m.a12 / (kMolarGas * t)),
                 l21 = m.volume1 / m.volume2 * std::exp(-m.a21 / (kMolarGas * t));
    const double common = l12 / (x + l12 * y) - l21 / (l21 * x + y);
    return {std::exp(-std::log(x + l12 * y) + y * common), std::exp(-std::log(y + l21 * x) - x * common)};
}

} // namespace

BinaryMixture::BinaryMixture(std::string id, std::string first, std::string second,
                             std::variant<VanLaar, Wilson> model, double temperatureU, Text source)
    : m_id(std::move(id)), m_first(**findSubstance(first)), m_second(**findSubstance(second)), m_model(model),
      m_temperatureU(temperatureU), m_source(std::move(source)) {}

double BinaryMixture::amountFraction(double w) const {
    const double a = w / m_first.facts().molarMass, b = (1.0 - w) / m_second.facts().molarMass;
    return a / (a + b);
}

double BinaryMixture::massFraction(double x) const {
    const double a = x * m_first.facts().molarMass, b = (1.0 - x) * m_second.facts().molarMass;
    return a / (a + b);
}

BinaryMixture::Coefficients BinaryMixture::activityCoefficients(double x, Temperature t) const {
    return std::visit([&](const auto& model) { return evaluate(model, x, t.kelvin()); }, m_model);
}

Result<Pressure> BinaryMixture::bubblePressure(double x, Temperature t) const {
    if (!(x >= 0.0 && x <= 1.0))
        return fail(Failure::BadInput, Text::tr("a fraction lies from 0 to 1, not at {:.4g}", x));
    const auto p1 = m_first.vapourPressure(t), p2 = m_second.vapourPressure(t);
    if (!p1) return tl::unexpected(p1.error());
    if (!p2) return tl::unexpected(p2.error());
    const auto g = activityCoefficients(x, t);
    return Pressure::fromPascal(g.first * x * p1->pascal() + g.second * (1.0 - x) * p2->pascal());
}

Result<MixtureState> BinaryMixture::bubblePoint(double x, Pressure p) const {
    const auto a = m_first.boilingPoint(p), b = m_second.boilingPoint(p);
    if (!a) return tl::unexpected(a.error());
    if (!b) return tl::unexpected(b.error());
    if (!(x >= 0.0 && x <= 1.0))
        return fail(Failure::BadInput, Text::tr("a fraction lies from 0 to 1, not at {:.4g}", x));
    // An azeotrope may boil below both.
    constexpr double kBelowBoth = 25.0, kAboveBoth = 1.0; // K
    const double low = std::max({std::min(a->kelvin(), b->kelvin()) - kBelowBoth,
                                 m_first.facts().lowest.kelvin(), m_second.facts().triple.kelvin()}),
                 high = std::max(a->kelvin(), b->kelvin()) + kAboveBoth;
    const auto excess = [&](double kelvin) {
        return std::log(bubblePressure(x, Temperature::fromKelvin(kelvin))->pascal() / p.pascal());
    };
    if (!(low < high) || excess(low) > 0.0 || excess(high) < 0.0)
        return fail(Failure::OutOfRange,
                    Text::tr("{} at {:.4g} kPa lies outside what the model covers", m_id, p.kilopascal()));
    const auto t = Temperature::fromKelvin(root(excess, low, high));
    const double vapour =
        activityCoefficients(x, t).first * x * m_first.vapourPressure(t)->pascal() / p.pascal();
    return MixtureState{t, x, std::clamp(vapour, 0.0, 1.0)};
}

Result<MixtureState> BinaryMixture::dewPoint(double y, Pressure p) const {
    if (!(y >= 0.0 && y <= 1.0))
        return fail(Failure::BadInput, Text::tr("a fraction lies from 0 to 1, not at {:.4g}", y));
    const auto pure0 = bubblePoint(0.0, p), pure1 = bubblePoint(1.0, p);
    if (!pure0 || y == 0.0) return pure0;
    if (!pure1 || y == 1.0) return pure1;
    // The dew is the liquid whose first vapour this is. Up to the azeotrope that vapour rises with the
    // liquid.
    const auto vapourOf = [&](double x) { return bubblePoint(x, p)->vapourFraction - y; };
    const auto meeting = azeotrope(p);
    double low = 0.0, high = 1.0;
    if (meeting && y < meeting->liquidFraction) high = meeting->liquidFraction;
    if (meeting && y > meeting->liquidFraction) low = meeting->liquidFraction;
    if (meeting && y == meeting->liquidFraction) return *meeting;
    return bubblePoint(root(vapourOf, low, high), p);
}

std::optional<MixtureState> BinaryMixture::azeotrope(Pressure p) const {
    const auto difference = [&](double x) {
        const auto s = bubblePoint(x, p);
        return s ? s->vapourFraction - x : 0.0;
    };
    constexpr double kEdge = 1e-4;
    if (!(difference(kEdge) > 0.0 && difference(1.0 - kEdge) < 0.0)) return std::nullopt;
    const auto s = bubblePoint(root(difference, kEdge, 1.0 - kEdge), p);
    return s ? std::optional(*s) : std::nullopt;
}

std::span<const BinaryMixture> waterMixtures() {
    const auto dechema = [](const char* pair) {
        return Text::tr(
            "{} parameters fitted at 101.3 kPa, J. Gmehling and U. Onken, Vapor-Liquid Equilibrium "
            "Data Collection, DECHEMA, vol. I part 1",
            pair);
    };
    static const std::vector<BinaryMixture> all{
        {"ethanol-water", "ethanol", "water",
         Wilson{393.1971 * kCalorie, 926.2630 * kCalorie, 58.69, kMolarVolumeWater}, 0.15, dechema("Wilson")},
        {"methanol-water", "methanol", "water", VanLaar{0.8041, 0.5619}, 0.2, dechema("van Laar")},
        {"acetone-water", "acetone", "water",
         Wilson{344.3346 * kCalorie, 1482.2133 * kCalorie, 74.05, kMolarVolumeWater}, 0.25,
         dechema("Wilson")},
    };
    return all;
}

Result<const BinaryMixture*> findWaterMixture(std::string_view substance) {
    const auto liquid = [](const BinaryMixture& m) -> const std::string& { return m.first().facts().id; };
    for (const BinaryMixture& m : waterMixtures())
        if (liquid(m) == substance) return &m;
    return fail(Failure::BadInput,
                Text::tr("'{}' is not a liquid whose mixture with water is known; accepted: {}", substance,
                         Text::list(waterMixtures(), liquid)));
}

} // namespace uttrin
