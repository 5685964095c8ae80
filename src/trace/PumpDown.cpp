#include "PumpDown.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>
#include <limits>

namespace uttrin {
namespace {

using Eigen::Index, Eigen::MatrixXd, Eigen::VectorXd;

constexpr std::size_t kFewestOfACurve = 10;

struct Curve {
    VectorXd seconds, pascal, good; ///< from its beginning; good: for what each reading is good
};

struct FittedCurve {
    double rate = 0.0, ultimate = 0.0, above = 0.0;
    double squares = std::numeric_limits<double>::infinity();
};

/// By weighted least squares with a rate, 1/s, that is given.
FittedCurve fitted(const Curve& c, double rate) {
    MatrixXd terms(c.seconds.size(), 2);
    terms.col(0) = c.good.cwiseInverse();
    terms.col(1) = (-rate * c.seconds).array().exp().matrix().cwiseQuotient(c.good);
    const VectorXd read = c.pascal.cwiseQuotient(c.good);
    VectorXd found = terms.colPivHouseholderQr().solve(read);
    if (found[0] < 0.0) { // no pump ends below nothing
        found[0] = 0.0;
        found[1] = terms.col(1).dot(read) / terms.col(1).squaredNorm();
    }
    return {rate, found[0], found[1], (read - terms * found).squaredNorm()};
}

FittedCurve bestCurve(const Curve& c) {
    const double lasts = c.seconds[c.seconds.size() - 1];
    double low = 0.1 / lasts, high = 0.5 * static_cast<double>(c.seconds.size()) / lasts;
    FittedCurve best;
    // Over decades first, then between the best one's neighbours, again and again.
    constexpr int kTries = 30, kRounds = 6;
    for (int round = 0; round < kRounds; ++round) {
        const double factor = std::pow(high / low, 1.0 / kTries);
        for (int i = 0; i <= kTries; ++i)
            if (const FittedCurve f = fitted(c, low * std::pow(factor, i)); f.squares < best.squares)
                best = f;
        low = best.rate / factor;
        high = best.rate * factor;
    }
    return best;
}

/// Where it begins to fall: the last reading that is still as high as the first ones.
std::size_t beginning(const TraceChannel& p) {
    constexpr double kFallen = 0.98; // of its highest
    const double highest = *std::ranges::max_element(p.values);
    std::size_t begin = 0;
    for (std::size_t i = 0; i < p.size() && p.values[i] > kFallen * highest; ++i)
        begin = i;
    return begin;
}

} // namespace

double PumpDown::at(double seconds, double cubicMetres) const {
    return ultimate + (start - ultimate) * std::exp(-speed * std::max(0.0, seconds - from) / cubicMetres);
}

Result<PumpDown> fitPumpDown(const TraceChannel& p, double cubicMetres) {
    if (!(cubicMetres > 0.0))
        return fail(Failure::BadInput, Text::tr("the vessel needs a volume above zero"));
    const std::size_t begin = p.empty() ? 0 : beginning(p);
    if (p.size() < begin + kFewestOfACurve)
        return fail(
            Failure::TooFewPoints,
            Text::tr("a pump-down needs at least {} readings from when the pump begins", kFewestOfACurve));
    constexpr double kDown = 0.5, kModel = 0.01;
    if (!(*std::min_element(p.values.begin() + static_cast<std::ptrdiff_t>(begin), p.values.end()) <
          kDown * p.values[begin]))
        return fail(Failure::BadInput, Text::tr("the pressure does not fall to half: this is no pump-down"));
    const auto count = static_cast<Index>(p.size() - begin);
    Curve c{VectorXd(count), VectorXd(count), VectorXd(count)};
    for (Index i = 0; i < count; ++i) {
        const std::size_t at = begin + static_cast<std::size_t>(i);
        c.seconds[i] = p.seconds[at] - p.seconds[begin];
        c.pascal[i] = p.values[at];
        c.good[i] = std::max(std::hypot(p.step / std::sqrt(12.0), kModel * p.values[at]), 1e-6);
    }
    const FittedCurve f = bestCurve(c);
    MatrixXd slopes(count, 3);
    const VectorXd falling = (-f.rate * c.seconds).array().exp().matrix();
    slopes.col(0) = c.good.cwiseInverse();
    slopes.col(1) = falling.cwiseQuotient(c.good);
    slopes.col(2) = (-f.above * falling.cwiseProduct(c.seconds)).cwiseQuotient(c.good);
    const double scale = std::max(1.0, f.squares / static_cast<double>(count - 3));
    const MatrixXd covariance =
        scale * (slopes.transpose() * slopes).completeOrthogonalDecomposition().pseudoInverse();
    PumpDown found;
    found.speed = f.rate * cubicMetres;
    found.speedU = std::sqrt(std::max(0.0, covariance(2, 2))) * cubicMetres;
    found.ultimate = f.ultimate;
    found.ultimateU = std::sqrt(std::max(0.0, covariance(0, 0)));
    found.start = f.ultimate + f.above;
    found.from = p.seconds[begin];
    found.spread = std::sqrt(f.squares / static_cast<double>(count - 3));
    return found;
}

bool isWetFloor(double floorPascal, double floorU, double saturationPascal) {
    constexpr double kTenth = 0.1;
    return std::abs(floorPascal - saturationPascal) < kTenth * saturationPascal + 2.0 * floorU;
}

} // namespace uttrin
