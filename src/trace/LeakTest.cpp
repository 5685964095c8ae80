#include "LeakTest.h"

#include "quantities/Rounding.h"

#include <Eigen/Dense>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace uttrin {
namespace {

using Eigen::Index, Eigen::MatrixXd, Eigen::VectorXd;

constexpr double kChoked = 0.5283; // of the room's pressure: critical ratio of air, (2 / 2.4)^(1.4 / 0.4)
constexpr double kHalf = 0.5;      // of the room's pressure, up to which readings are taken
constexpr double kIsentropic = 1.4;
constexpr std::size_t kFewestOfARise = 10;

/// Readings without their saturation pressure, from the first.
struct Rise {
    VectorXd seconds, pascal;
    double step = 0.0;
    [[nodiscard]] Index count() const { return seconds.size(); }
    [[nodiscard]] double lasts() const { return seconds[count() - 1]; }
};

/// One way to explain a rise, fitted.
struct Explained {
    bool leaks = false, fades = false;
    double start = 0.0, rise = 0.0, amplitude = 0.0, tau = 0.0;
    double squares = std::numeric_limits<double>::infinity();
    [[nodiscard]] int parameters() const { return 1 + (leaks ? 1 : 0) + (fades ? 2 : 0); }
    [[nodiscard]] double at(double seconds) const {
        return start + rise * seconds - (fades ? amplitude * std::exp(-seconds / tau) : 0.0);
    }
};

/// By least squares with a time constant that is given; infinitely bad where something comes out negative.
Explained fitted(const Rise& r, bool leaks, bool fades, double tau) {
    MatrixXd terms(r.count(), 1 + (leaks ? 1 : 0) + (fades ? 1 : 0));
    terms.col(0).setOnes();
    Index next = 1;
    if (leaks) terms.col(next++) = r.seconds / r.lasts(); // of the order of one
    if (fades) terms.col(next) = -(-r.seconds / tau).array().exp().matrix();
    const VectorXd found = terms.colPivHouseholderQr().solve(r.pascal);
    Explained e;
    e.leaks = leaks;
    e.fades = fades;
    e.tau = tau;
    e.start = found[0];
    if (leaks) e.rise = found[1] / r.lasts();
    if (fades) e.amplitude = found[next];
    if (e.rise >= 0.0 && e.amplitude >= 0.0) e.squares = (r.pascal - terms * found).squaredNorm();
    return e;
}

/// The same with the time constant that explains it best: between some readings and half of the test.
Explained bestFading(const Rise& r, bool leaks) {
    const double longest = 0.5 * r.lasts(),
                 shortest = std::min(longest, 3.0 * r.lasts() / static_cast<double>(r.count()));
    constexpr int kTries = 40;
    Explained best;
    best.leaks = leaks;
    best.fades = true;
    double around = 0.0;
    for (int i = 0; i <= kTries; ++i) {
        const double tau = shortest * std::pow(longest / shortest, static_cast<double>(i) / kTries);
        const Explained e = fitted(r, leaks, true, tau);
        if (e.squares < best.squares) {
            best = e;
            around = tau;
        }
    }
    if (around == 0.0) return best;
    // Between its neighbours, by the golden section.
    const double beside = std::pow(longest / shortest, 1.0 / kTries), golden = (std::sqrt(5.0) - 1.0) / 2.0;
    double low = around / beside, high = std::min(around * beside, longest);
    constexpr int kCuts = 30;
    for (int i = 0; i < kCuts; ++i) {
        const double a = high - golden * (high - low), b = low + golden * (high - low);
        (fitted(r, leaks, true, a).squares < fitted(r, leaks, true, b).squares ? high : low) =
            fitted(r, leaks, true, a).squares < fitted(r, leaks, true, b).squares ? b : a;
    }
    const Explained e = fitted(r, leaks, true, 0.5 * (low + high));
    return e.squares < best.squares ? e : best;
}

/// Standard uncertainties of rise and of what fades, from the slopes of the whole explanation.
struct Spread {
    double rise = 0.0, amplitude = 0.0;
};
Spread spreadOf(const Rise& r, const Explained& e, double sigma) {
    MatrixXd slopes(r.count(), e.parameters());
    slopes.col(0).setOnes();
    Index next = 1, rise = -1, amplitude = -1;
    if (e.leaks) {
        rise = next;
        slopes.col(next++) = r.seconds;
    }
    if (e.fades) {
        amplitude = next;
        const VectorXd fading = (-r.seconds / e.tau).array().exp().matrix();
        slopes.col(next++) = -fading;
        slopes.col(next) = -e.amplitude * fading.cwiseProduct(r.seconds) / (e.tau * e.tau);
    }
    const MatrixXd covariance =
        sigma * sigma * (slopes.transpose() * slopes).completeOrthogonalDecomposition().pseudoInverse();
    return {rise < 0 ? 0.0 : std::sqrt(std::max(0.0, covariance(rise, rise))),
            amplitude < 0 ? 0.0 : std::sqrt(std::max(0.0, covariance(amplitude, amplitude)))};
}

Rise riseOf(const TraceChannel& pascal, const TestedVessel& vessel) {
    std::vector<double> seconds, values;
    for (std::size_t i = 0; i < pascal.size(); ++i) {
        if (vessel.roomPascal && pascal.values[i] > kHalf * *vessel.roomPascal) break;
        seconds.push_back(pascal.seconds[i] - pascal.seconds.front());
        values.push_back(pascal.values[i] - (vessel.saturation ? vessel.saturation(pascal.seconds[i]) : 0.0));
    }
    const auto count = static_cast<Index>(values.size());
    return {VectorXd::Map(seconds.data(), count), VectorXd::Map(values.data(), count), pascal.step};
}

/// Flow through a nozzle, of that when it is choked.
double nozzle(double ratio) {
    if (ratio <= kChoked) return 1.0;
    if (ratio >= 1.0) return 0.0;
    const auto flow = [](double x) {
        return std::sqrt(std::pow(x, 2.0 / kIsentropic) - std::pow(x, (kIsentropic + 1.0) / kIsentropic));
    };
    return flow(ratio) / flow(kChoked);
}

/// Whether it falls by more than noise, and more than what a curve of saturation may be wrong by.
bool fallsPlainly(const Rise& r) {
    const VectorXd steps = r.pascal.tail(r.count() - 1) - r.pascal.head(r.count() - 1);
    const double noise = std::sqrt(steps.squaredNorm() / (2.0 * static_cast<double>(steps.size())));
    const VectorXd centred = r.seconds.array() - r.seconds.mean();
    const double slope = centred.dot(r.pascal) / centred.squaredNorm();
    constexpr double kClear = 5.0, kShare = 0.05;
    return -slope * r.lasts() > kClear * noise + kShare * std::abs(r.pascal.mean());
}

} // namespace

double LeakTest::at(double seconds) const {
    return start + rise * seconds - (fadesIn > 0.0 ? fades * std::exp(-seconds / fadesIn) : 0.0);
}

Result<std::function<double(double)>> saturationAlong(const Substance& liquid, const TraceChannel& kelvin) {
    if (kelvin.empty())
        return fail(Failure::BadInput,
                    Text::tr("A wet test needs the liquid’s temperature: its vapour pressure is taken off."));
    for (const double t : kelvin.values)
        if (const auto p = liquid.vapourPressure(Temperature::fromKelvin(t)); !p)
            return tl::unexpected(p.error());
    return [&liquid, kelvin](double seconds) {
        const double within = std::clamp(seconds, kelvin.seconds.front(), kelvin.seconds.back());
        return liquid.vapourPressure(Temperature::fromKelvin(*kelvin.at(within)))->pascal();
    };
}

std::string_view id(RiseKind kind) {
    constexpr std::array<std::string_view, 4> kIds{"tight", "leak", "vapour", "both"};
    return kIds[static_cast<std::size_t>(kind)];
}

Text nameOf(RiseKind kind) {
    switch (kind) {
    case RiseKind::Tight:
        return Text::tr("tight");
    case RiseKind::Leak:
        return Text::tr("a leak");
    case RiseKind::Vapour:
        return Text::tr("vapour, no leak");
    case RiseKind::Both:
        break;
    }
    return Text::tr("vapour and a leak");
}

Result<LeakTest> testForLeak(const TraceChannel& pascal, const TestedVessel& vessel) {
    if (!(vessel.cubicMetres > 0.0))
        return fail(Failure::BadInput, Text::tr("the vessel needs a volume above zero"));
    if (pascal.size() < kFewestOfARise)
        return fail(Failure::TooFewPoints,
                    Text::tr("a leak test needs at least {} readings of pressure", kFewestOfARise));
    const Rise rise = riseOf(pascal, vessel);
    if (rise.count() < static_cast<Index>(kFewestOfARise))
        return fail(Failure::TooFewPoints,
                    Text::tr("a leak test needs at least {} readings below half of the room’s "
                             "pressure, up to which a leak is straight: pump further down",
                             kFewestOfARise));
    if (fallsPlainly(rise))
        return fail(
            Failure::BadInput,
            Text::tr("the pressure falls while it is watched: a pump still pulls, or vapour condenses as the "
                     "liquid cools. Shut the pump off; test it dry, or say that there is liquid in it"));
    const std::array<Explained, 4> all{fitted(rise, false, false, 1.0), fitted(rise, true, false, 1.0),
                                       bestFading(rise, false), bestFading(rise, true)};
    const auto count = static_cast<double>(rise.count());
    const double fullest = std::ranges::min(all, {}, &Explained::squares).squares;
    const double sigma = std::max({std::sqrt(fullest / (count - 4.0)), rise.step / std::sqrt(12.0), 1e-9});
    // Half of the Bayesian information criterion: the logarithm of how likely each is.
    std::array<double, 4> likely{};
    for (std::size_t i = 0; i < all.size(); ++i)
        likely[i] = -0.5 * (all[i].squares / (sigma * sigma) + all[i].parameters() * std::log(count));
    const double most = std::ranges::max(likely);
    for (double& l : likely)
        l = std::exp(l - most);
    const auto best = static_cast<std::size_t>(std::ranges::max_element(likely) - likely.begin());
    LeakTest test;
    test.used = static_cast<std::size_t>(count);
    test.oddsLeak = (likely[1] + likely[3]) / std::max(likely[0] + likely[2], 1e-300);
    const Explained& told = all[best];
    test.spread = std::sqrt(told.squares / std::max(1.0, count - told.parameters()));
    test.start = told.start;
    // Where no leak is told, how great a one could hide.
    const Spread spread = spreadOf(rise, told.leaks ? told : (told.fades ? all[3] : all[1]), sigma);
    test.rise = told.rise;
    test.riseU = spread.rise;
    test.leak = test.rise * vessel.cubicMetres;
    test.leakU = test.riseU * vessel.cubicMetres;
    if (told.fades) {
        test.fades = told.amplitude;
        test.fadesU = spread.amplitude;
        test.fadesIn = told.tau;
    }
    // Over liquid what rises with its saturation pressure is vapour, too.
    double saturated = 0.0;
    if (vessel.saturation) {
        const double first = vessel.saturation(pascal.seconds.front());
        for (const double at : pascal.seconds)
            saturated = std::max(saturated, std::abs(vessel.saturation(at) - first));
    }
    constexpr double kPlain = 3.0; // standard deviations
    const bool vapour = told.fades || saturated > kPlain * sigma;
    test.kind = told.leaks ? (vapour ? RiseKind::Both : RiseKind::Leak)
                : vapour   ? RiseKind::Vapour
                           : RiseKind::Tight;
    return test;
}

Result<double> kelvinPerCapture(const Substance& substance, Pressure target, double rise,
                                double captureSeconds, std::optional<double> roomPascal) {
    const auto there = substance.saturationAt(target);
    if (!there) return tl::unexpected(there.error());
    const double share = roomPascal ? nozzle(target.pascal() / *roomPascal) : 1.0;
    return rise * share * captureSeconds / there->slope;
}

Text comparedText(const LeakTest& before, const LeakTest& after) {
    constexpr double kFactor = 1.96;
    const double by = before.rise - after.rise, u = kFactor * std::hypot(before.riseU, after.riseU);
    const int decimals = decimalsForUncertainty(u);
    if (by > u)
        return Text::tr("It helped: the pressure rises by {} ± {} Pa/s less than before.",
                        fixed(by, decimals), fixed(u, decimals));
    if (by < -u)
        return Text::tr("It is worse: the pressure rises by {} ± {} Pa/s more than before.",
                        fixed(-by, decimals), fixed(u, decimals));
    return Text::tr("It cannot be told whether it helped: the difference is {} ± {} Pa/s. Watch for longer.",
                    fixed(by, decimals), fixed(u, decimals));
}

} // namespace uttrin
