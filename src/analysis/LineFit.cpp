#include "LineFit.h"

#include <boost/math/distributions/students_t.hpp>

#include <algorithm>
#include <cmath>
#include <limits>

namespace uttrin {
namespace {

/// Weighted sums about the weighted means: what every straight-line fit rests on.
struct Moments {
    double w = 0.0, x = 0.0, y = 0.0; // sum of weights, means
    double xx = 0.0, xy = 0.0, yy = 0.0;
};

Moments moments(std::span<const FitPoint> points, const std::vector<double>& weight) {
    Moments m;
    for (std::size_t i = 0; i < points.size(); ++i) {
        m.w += weight[i];
        m.x += weight[i] * points[i].x;
        m.y += weight[i] * points[i].y;
    }
    m.x /= m.w;
    m.y /= m.w;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const double dx = points[i].x - m.x, dy = points[i].y - m.y;
        m.xx += weight[i] * dx * dx;
        m.xy += weight[i] * dx * dy;
        m.yy += weight[i] * dy * dy;
    }
    return m;
}

/// Fills in all that follows from slope, intercept and weights, with standard errors about the abscissae `x`.
void complete(LineFit& fit, std::span<const FitPoint> points, std::span<const double> x) {
    double w = 0.0, mean = 0.0, spread = 0.0, meanY = 0.0, total = 0.0;
    fit.chiSquare = 0.0;
    for (std::size_t i = 0; i < points.size(); ++i) {
        w += fit.weight[i];
        mean += fit.weight[i] * x[i];
        meanY += fit.weight[i] * points[i].y;
        const double r = points[i].y - fit.at(points[i].x);
        fit.chiSquare += fit.weight[i] * r * r;
    }
    mean /= w;
    meanY /= w;
    for (std::size_t i = 0; i < points.size(); ++i) {
        spread += fit.weight[i] * (x[i] - mean) * (x[i] - mean);
        total += fit.weight[i] * (points[i].y - meanY) * (points[i].y - meanY);
    }
    fit.degreesOfFreedom = static_cast<int>(points.size()) - 2;
    fit.rSquared = total > 0.0 ? std::max(0.0, 1.0 - fit.chiSquare / total) : 0.0;
    const double slopeVariance = 1.0 / spread;
    fit.slopeU = std::sqrt(slopeVariance);
    fit.interceptU = std::sqrt(1.0 / w + mean * mean * slopeVariance);
    fit.covariance = -mean * slopeVariance;
    fit.leverage.resize(points.size());
    for (std::size_t i = 0; i < points.size(); ++i)
        fit.leverage[i] = fit.weight[i] * (1.0 / w + (x[i] - mean) * (x[i] - mean) / spread);
}

void scaleByScatter(LineFit& fit) {
    const double factor = fit.degreesOfFreedom > 0 ? std::sqrt(fit.reducedChiSquare())
                                                   : std::numeric_limits<double>::quiet_NaN();
    fit.slopeU *= factor;
    fit.interceptU *= factor;
    fit.covariance *= factor * factor;
    fit.scaled = true;
}

std::vector<double> abscissae(std::span<const FitPoint> points) {
    std::vector<double> x(points.size());
    std::transform(points.begin(), points.end(), x.begin(), [](const FitPoint& p) { return p.x; });
    return x;
}

LineFit fitWithWeights(std::span<const FitPoint> points, std::vector<double> weight) {
    const Moments m = moments(points, weight);
    LineFit fit;
    fit.slope = m.xy / m.xx;
    fit.intercept = m.y - fit.slope * m.x;
    fit.weight = std::move(weight);
    complete(fit, points, abscissae(points));
    return fit;
}

/// Weight of a point's residual at a slope; a coordinate without error counts as exact.
double yorkWeight(const FitPoint& p, double slope) {
    return 1.0 / (p.uy * p.uy + slope * slope * p.ux * p.ux);
}

} // namespace

std::string_view id(FitMethod method) {
    switch (method) {
    case FitMethod::Ols:
        return "ols";
    case FitMethod::Weighted:
        return "weighted";
    case FitMethod::York:
        return "york";
    }
    return "";
}

double LineFit::reducedChiSquare() const { return chiSquare / degreesOfFreedom; }

LineFit fitOls(std::span<const FitPoint> points) {
    LineFit fit = fitWithWeights(points, std::vector<double>(points.size(), 1.0));
    scaleByScatter(fit);
    return fit;
}

LineFit fitWeighted(std::span<const FitPoint> points, bool scaleErrors) {
    std::vector<double> weight(points.size());
    std::transform(points.begin(), points.end(), weight.begin(),
                   [](const FitPoint& p) { return 1.0 / (p.uy * p.uy); });
    LineFit fit = fitWithWeights(points, std::move(weight));
    if (scaleErrors) scaleByScatter(fit);
    return fit;
}

LineFit fitYork(std::span<const FitPoint> points, bool scaleErrors) {
    constexpr int kMostSteps = 100;
    constexpr double kConverged = 1e-14; // relative change of the slope
    LineFit fit;
    fit.slope = fitOls(points).slope;
    fit.weight.resize(points.size());
    std::vector<double> adjusted(points.size());
    Moments m;
    for (int step = 0; step < kMostSteps; ++step) {
        const double b = fit.slope;
        std::transform(points.begin(), points.end(), fit.weight.begin(),
                       [b](const FitPoint& p) { return yorkWeight(p, b); });
        m = moments(points, fit.weight);
        double numerator = 0.0, denominator = 0.0;
        for (std::size_t i = 0; i < points.size(); ++i) {
            const FitPoint& p = points[i];
            const double u = p.x - m.x, v = p.y - m.y;
            const double beta = fit.weight[i] * (u * p.uy * p.uy + b * v * p.ux * p.ux);
            adjusted[i] = m.x + beta;
            numerator += fit.weight[i] * beta * v;
            denominator += fit.weight[i] * beta * u;
        }
        fit.slope = numerator / denominator;
        if (std::abs(fit.slope - b) <= kConverged * std::abs(b)) break;
    }
    fit.intercept = m.y - fit.slope * m.x;
    complete(fit, points, adjusted);
    if (scaleErrors) scaleByScatter(fit);
    return fit;
}

LineFit fitLine(std::span<const FitPoint> points, FitMethod method, bool scaleErrors) {
    switch (method) {
    case FitMethod::Ols:
        return fitOls(points);
    case FitMethod::Weighted:
        return fitWeighted(points, scaleErrors);
    case FitMethod::York:
        return fitYork(points, scaleErrors);
    }
    return {};
}

std::vector<double> studentisedResiduals(std::span<const FitPoint> points, const LineFit& fit) {
    std::vector<double> out(points.size());
    for (std::size_t i = 0; i < points.size(); ++i) {
        const double r = points[i].y - fit.at(points[i].x);
        const double squared = fit.weight[i] * r * r / (1.0 - fit.leverage[i]);
        const double others = std::max(0.0, fit.chiSquare - squared) / (fit.degreesOfFreedom - 1);
        out[i] = std::copysign(std::sqrt(squared / others), r);
    }
    return out;
}

double studentFactor(double coverage, int degreesOfFreedom) {
    const boost::math::students_t distribution(degreesOfFreedom);
    return boost::math::quantile(distribution, 0.5 + 0.5 * coverage);
}

} // namespace uttrin
