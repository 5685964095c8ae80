#include "Diagnosis.h"

#include "quantities/Rounding.h"

#include <boost/math/tools/minima.hpp>

#include <algorithm>
#include <cmath>
#include <functional>
#include <numeric>

namespace uttrin {
namespace {

constexpr std::size_t kFewestPoints = 6;
constexpr double kTellingWeight = 2.0 / 3.0;
constexpr double kNoneRuledOut = 0.05; // weight of "no cause" below which a cause is named
constexpr std::size_t kMostSuperheated = 3;
constexpr double kJudgementKelvin =
    0.15; // standard uncertainty of judging that it boils as agreed, whatever the thermometer

/// Superheat of every point under a changed pressure; infinite where the change makes nonsense of a pressure.
class Curve {
public:
    Curve(std::span<const BoilingDatum> data, const Substance& substance)
        : m_data(data), m_substance(substance) {
        for (const BoilingDatum& d : data) {
            const auto s = substance.saturationAt(d.temperature);
            m_u.push_back(std::hypot(d.temperatureU, s ? d.pressureU / s->slope : 0.0, kJudgementKelvin));
        }
    }

    [[nodiscard]] std::vector<double> superheat(const std::function<double(double)>& changed) const {
        std::vector<double> out;
        for (const BoilingDatum& d : m_data) {
            const auto boils = m_substance.boilingPoint(Pressure::fromPascal(changed(d.pressure.pascal())));
            out.push_back(boils ? (d.temperature - *boils).kelvin() : 1e3);
        }
        return out;
    }

    [[nodiscard]] double misfit(const std::vector<double>& superheat) const {
        double sum = 0.0;
        for (std::size_t i = 0; i < superheat.size(); ++i)
            sum += std::pow(superheat[i] / m_u[i], 2);
        return sum;
    }

    [[nodiscard]] double u(std::size_t i) const { return m_u[i]; }
    [[nodiscard]] std::size_t size() const { return m_u.size(); }
    [[nodiscard]] double lowestPressure() const {
        return std::ranges::min_element(m_data, {}, &BoilingDatum::pressure)->pressure.pascal();
    }

private:
    std::span<const BoilingDatum> m_data;
    const Substance& m_substance;
    std::vector<double> m_u;
};

/// Corrected Akaike criterion with known measurement uncertainties: chi-square + 2k + 2k(k+1)/(n-k-1).
double akaike(double misfit, std::size_t parameters, std::size_t points) {
    const auto k = static_cast<double>(parameters), n = static_cast<double>(points);
    return misfit + 2.0 * k + 2.0 * k * (k + 1.0) / (n - k - 1.0);
}

struct Candidate {
    CauseEstimate cause;
    double criterion = 0.0;
};

Candidate bestOf(const std::function<double(double)>& misfit, double low, double high, std::size_t n) {
    constexpr int kBits = 24;
    const auto [amount, value] = boost::math::tools::brent_find_minima(misfit, low, high, kBits);
    Candidate c;
    c.cause.amount = amount;
    c.criterion = akaike(value, 1, n);
    return c;
}

Candidate pressureOffset(const Curve& curve) {
    const auto misfit = [&](double offset) {
        return curve.misfit(curve.superheat([offset](double p) { return p + offset; }));
    };
    Candidate c = bestOf(misfit, -20e3, 20e3, curve.size());
    c.cause.cause = Cause::PressureOffset;
    const Text kPa = fixed(std::abs(c.cause.amount) * 1e-3, 2);
    c.cause.sentence =
        c.cause.amount > 0
            ? Text::tr(
                  "All absolute pressures are too low by about {} kPa: the room’s pressure or the gauge’s "
                  "zero is wrong.",
                  kPa)
            : Text::tr("All absolute pressures are too high by about {} kPa: the room’s pressure or the "
                       "gauge’s zero is wrong.",
                       kPa);
    return c;
}

Candidate temperatureOffset(const Curve& curve) {
    const auto plain = curve.superheat([](double p) { return p; });
    double weightSum = 0.0, sum = 0.0;
    for (std::size_t i = 0; i < plain.size(); ++i) {
        const double w = 1.0 / (curve.u(i) * curve.u(i));
        weightSum += w;
        sum += w * plain[i];
    }
    Candidate c;
    c.cause.cause = Cause::TemperatureOffset;
    c.cause.amount = sum / weightSum;
    auto left = plain;
    for (double& v : left)
        v -= c.cause.amount;
    c.criterion = akaike(curve.misfit(left), 1, curve.size());
    const Text kelvin = fixed(std::abs(c.cause.amount), 1);
    c.cause.sentence =
        c.cause.amount > 0
            ? Text::tr(
                  "All temperatures are too high by about {} K: the thermometer is off, or every point was "
                  "superheated alike.",
                  kelvin)
            : Text::tr("All temperatures are too low by about {} K: the thermometer is off.", kelvin);
    return c;
}

Candidate gaugeScale(const Curve& curve, double room) {
    const auto misfit = [&](double k) {
        return curve.misfit(curve.superheat([=](double p) { return room - k * (room - p); }));
    };
    Candidate c = bestOf(misfit, 0.8, 1.2, curve.size());
    c.cause.cause = Cause::GaugeScale;
    const double k = c.cause.amount, deepest = curve.lowestPressure();
    const Text percent = fixed(100.0 * std::abs(k - 1.0), 1), shown = fixed(deepest * 1e-3, 2),
               meant = fixed((room - k * (room - deepest)) * 1e-3, 2);
    c.cause.sentence =
        k > 1.0
            ? Text::tr("The gauge shows {} % too shallow a vacuum all along its scale ({} kPa absolute is "
                       "really {} kPa): its unit or its calibration is wrong.",
                       percent, shown, meant)
            : Text::tr("The gauge shows {} % too deep a vacuum all along its scale ({} kPa absolute is "
                       "really {} kPa): its unit or its calibration is wrong.",
                       percent, shown, meant);
    return c;
}

Candidate superheatedPoints(const Curve& curve) {
    auto left = curve.superheat([](double p) { return p; });
    Candidate best;
    best.criterion = akaike(curve.misfit(left), 0, curve.size()) + 1e-9;
    std::vector<std::size_t> chosen;
    double mean = 0.0;
    while (chosen.size() < kMostSuperheated) {
        const auto ratio = [&](std::size_t i) { return left[i] / curve.u(i); };
        std::size_t worst = 0;
        for (std::size_t i = 1; i < left.size(); ++i)
            if (ratio(i) > ratio(worst)) worst = i;
        if (ratio(worst) <= 3.0) break;
        mean += left[worst];
        left[worst] = 0.0;
        chosen.push_back(worst);
        const double criterion = akaike(curve.misfit(left), chosen.size(), curve.size());
        if (criterion >= best.criterion) break;
        best.criterion = criterion;
        best.cause.points = chosen;
        best.cause.amount = mean / static_cast<double>(chosen.size());
    }
    std::sort(best.cause.points.begin(), best.cause.points.end());
    std::vector<int> numbers;
    for (const std::size_t i : best.cause.points)
        numbers.push_back(static_cast<int>(i) + 1);
    best.cause.cause = Cause::SuperheatedPoints;
    best.cause.sentence = superheatSentence(numbers, best.cause.amount);
    return best;
}

} // namespace

Text superheatSentence(const std::vector<int>& points, double kelvin) {
    return Text::tr("{0|Point|Points} {1} {0|lies|lie} about {2} K above the curve: superheated (read while "
                    "boiling too hard), or the gauge was misread there.",
                    points.size(), Text::list(points), fixed(kelvin, 1));
}

std::vector<CauseEstimate> diagnose(std::span<const BoilingDatum> data, const Substance& substance,
                                    std::optional<Pressure> room) {
    if (data.size() < kFewestPoints) return {};
    const Curve curve(data, substance);
    std::vector<Candidate> all;
    Candidate none;
    none.cause.cause = Cause::None;
    none.cause.sentence = Text::tr("The points agree with the accepted curve within their uncertainties.");
    none.criterion = akaike(curve.misfit(curve.superheat([](double p) { return p; })), 0, curve.size());
    all.push_back(none);
    all.push_back(pressureOffset(curve));
    all.push_back(temperatureOffset(curve));
    if (room) all.push_back(gaugeScale(curve, room->pascal()));
    if (auto hot = superheatedPoints(curve); !hot.cause.points.empty()) all.push_back(std::move(hot));

    std::sort(all.begin(), all.end(),
              [](const Candidate& a, const Candidate& b) { return a.criterion < b.criterion; });
    double total = 0.0;
    for (Candidate& c : all)
        total += c.cause.weight = std::exp(-0.5 * (c.criterion - all.front().criterion));
    std::vector<CauseEstimate> ranked;
    for (Candidate& c : all) {
        c.cause.weight /= total;
        ranked.push_back(std::move(c.cause));
    }
    return ranked;
}

bool isTelling(const std::vector<CauseEstimate>& ranked) {
    const auto none = std::find_if(ranked.begin(), ranked.end(),
                                   [](const CauseEstimate& c) { return c.cause == Cause::None; });
    return none != ranked.end() && none->weight < kNoneRuledOut && ranked.front().weight > kTellingWeight;
}

} // namespace uttrin
