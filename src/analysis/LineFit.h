#pragma once

#include <span>
#include <string_view>
#include <vector>

namespace uttrin {

/// A point with the standard uncertainties of its two coordinates.
struct FitPoint {
    double x = 0.0, y = 0.0;
    double ux = 0.0, uy = 0.0;
};

/// Ways of drawing a straight line through points.
enum class FitMethod {
    Ols,      ///< ordinary least squares: equal, unknown errors in y only
    Weighted, ///< weights 1/u(y)^2, errors in y only
    York      ///< errors in both coordinates
};

/// "ols", "weighted", "york".
[[nodiscard]] std::string_view id(FitMethod method);

/// A fitted straight line y = intercept + slope x with its standard errors.
struct LineFit {
    double intercept = 0.0, slope = 0.0;
    double interceptU = 0.0, slopeU = 0.0;
    double covariance = 0.0; ///< of intercept and slope
    double chiSquare = 0.0;  ///< sum of weighted squared residuals; sum of squared residuals for Ols
    int degreesOfFreedom = 0;
    double rSquared = 0.0;        ///< weighted coefficient of determination
    bool scaled = false;          ///< standard errors multiplied by the root of the reduced chi-square
    std::vector<double> leverage; ///< one a point, sums to 2
    std::vector<double> weight;   ///< one a point, of its residual in y at the final slope

    [[nodiscard]] double reducedChiSquare() const;
    [[nodiscard]] double at(double x) const { return intercept + slope * x; }
};

/// Ordinary least squares; standard errors always come from the scatter.
/// REQUIRES: two points or more, not all at one x (then the slope is not finite and the caller must refuse).
[[nodiscard]] LineFit fitOls(std::span<const FitPoint> points);

/// Weighted least squares with errors uy.
/// @param scaleErrors  multiply the standard errors by the root of the reduced chi-square.
[[nodiscard]] LineFit fitWeighted(std::span<const FitPoint> points, bool scaleErrors);

/// Straight line with errors in both coordinates, uncorrelated: D. York, N. M. Evensen, M. Lopez Martinez, J.
/// De Basabe Delgado, Am. J. Phys. 72 (2004) 367, eq. 13. Standard errors are those of the adjusted points
/// (eq. 13d, 13e).
[[nodiscard]] LineFit fitYork(std::span<const FitPoint> points, bool scaleErrors);

[[nodiscard]] LineFit fitLine(std::span<const FitPoint> points, FitMethod method, bool scaleErrors);

/// Residual in y over its own standard deviation estimated without the point (externally studentised);
/// infinite where the others lie exactly on a line. REQUIRES: four points or more.
[[nodiscard]] std::vector<double> studentisedResiduals(std::span<const FitPoint> points, const LineFit& fit);

/// Two-sided quantile of Student's t: the factor for a confidence interval of this coverage.
[[nodiscard]] double studentFactor(double coverage, int degreesOfFreedom);

} // namespace uttrin
