#include "ClausiusClapeyron.h"

#include "physics/Constants.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kCoverage = 0.95;
constexpr double kNormalFactor = 1.959963984540054; // two-sided 95 % quantile of the normal distribution
constexpr double kOutlierLevel =
    0.05; // chance of flagging any point of a good set (Bonferroni over the points)

std::vector<FitPoint> axes(std::span<const BoilingDatum> data) {
    std::vector<FitPoint> points;
    points.reserve(data.size());
    for (const BoilingDatum& d : data) {
        const double t = d.temperature.kelvin(), p = d.pressure.pascal();
        points.push_back({1.0 / t, std::log(p), d.temperatureU / (t * t), d.pressureU / p});
    }
    return points;
}

Result<void> check(std::span<const BoilingDatum> data, const FitOptions& options) {
    if (data.size() < 3)
        return fail(Failure::TooFewPoints,
                    Text::tr("a fit needs three points or more; there are {}", data.size()));
    const auto [low, high] = std::minmax_element(
        data.begin(), data.end(), [](auto& a, auto& b) { return a.temperature < b.temperature; });
    if (!(high->temperature > low->temperature))
        return fail(Failure::BadInput,
                    Text::tr("all points have the same temperature: no slope can be drawn through them"));
    for (const BoilingDatum& d : data) {
        if (!(d.pressure.pascal() > 0.0))
            return fail(
                Failure::BadInput,
                Text::tr("a point has an absolute pressure of zero or less; its logarithm does not exist"));
        const bool needsY = options.method == FitMethod::Weighted && !(d.pressureU > 0.0);
        const bool needsAny =
            options.method == FitMethod::York && !(d.pressureU > 0.0 || d.temperatureU > 0.0);
        if (needsY || needsAny)
            return fail(Failure::BadInput,
                        Text::tr("the {} fit needs the uncertainty of every point; give the pressure’s "
                                 "(and the temperature’s) or use ols",
                                 id(options.method)));
    }
    return {};
}

double confidenceFactor(const LineFit& line) {
    return line.scaled ? studentFactor(kCoverage, line.degreesOfFreedom) : kNormalFactor;
}

Estimate estimate(double value, double u, double factor) {
    return {value, u, value - factor * u, value + factor * u};
}

double slopeEnthalpy(std::span<const BoilingDatum> data, const FitOptions& options) {
    return -kMolarGas * fitLine(axes(data), options.method, options.scaleErrors).slope;
}

/// Change of the enthalpy when the error common to all points is one standard uncertainty, pressure and
/// temperature apart.
double sharedU(std::span<const BoilingDatum> data, const FitOptions& options, double enthalpy) {
    std::vector<BoilingDatum> moved(data.begin(), data.end());
    for (BoilingDatum& d : moved) // never through zero, or the logarithm is lost
        d.pressure = Pressure::fromPascal(d.pressure.pascal() +
                                          std::min(d.pressureSharedU, 0.5 * d.pressure.pascal()));
    const double byPressure = slopeEnthalpy(moved, options) - enthalpy;
    moved.assign(data.begin(), data.end());
    for (BoilingDatum& d : moved)
        d.temperature = d.temperature + TemperatureDifference::fromKelvin(d.temperatureSharedU);
    return std::hypot(byPressure, slopeEnthalpy(moved, options) - enthalpy);
}

/// Slope enthalpy that an ideal vapour with the tabulated enthalpy of vaporisation would give at these
/// temperatures with this fit: the mean of the tabulated enthalpy, weighted as the fit weights the points.
Result<double> tabulatedMean(std::span<const BoilingDatum> data, const Substance& substance,
                             const FitOptions& options) {
    std::vector<BoilingDatum> ideal(data.begin(), data.end());
    std::sort(ideal.begin(), ideal.end(), [](auto& a, auto& b) { return a.temperature < b.temperature; });
    double logPressure = std::log(ideal.front().pressure.pascal()),
           before = ideal.front().temperature.kelvin();
    for (BoilingDatum& d : ideal) {
        const double here = d.temperature.kelvin();
        double sum = 0.0; // Simpson's rule for the integral of L d(1/T); L is nearly a straight line
        for (const auto& [t, weight] : {std::pair{before, 1.0}, {0.5 * (before + here), 4.0}, {here, 1.0}}) {
            const auto enthalpy = substance.molarEnthalpyOfVaporisation(Temperature::fromKelvin(t));
            if (!enthalpy) return tl::unexpected(enthalpy.error());
            sum += weight * *enthalpy / 6.0;
        }
        logPressure -= sum / kMolarGas * (1.0 / here - 1.0 / before);
        before = here;
        d.pressureU *= std::exp(logPressure) / d.pressure.pascal(); // every point keeps its weight
        d.pressure = Pressure::fromPascal(std::exp(logPressure));
    }
    return slopeEnthalpy(ideal, options);
}

Result<void> compareWithReference(ClausiusClapeyronFit& fit, std::span<const BoilingDatum> data,
                                  const Substance& substance) {
    std::vector<BoilingDatum> reference(data.begin(), data.end());
    for (std::size_t i = 0; i < data.size(); ++i) {
        const auto p = substance.vapourPressure(data[i].temperature);
        if (!p) return tl::unexpected(p.error());
        reference[i].pressure = *p;
        // The relative uncertainty stays, so that every point keeps its weight.
        reference[i].pressureU = data[i].pressureU * p->pascal() / data[i].pressure.pascal();
        const auto boils = substance.boilingPoint(data[i].pressure);
        if (!boils) return tl::unexpected(boils.error());
        fit.points[i].superheatKelvin = (data[i].temperature - *boils).kelvin();
    }
    fit.referenceSlopeEnthalpy = slopeEnthalpy(reference, fit.options);
    const auto tabulated = tabulatedMean(data, substance, fit.options);
    if (!tabulated) return tl::unexpected(tabulated.error());
    fit.tabulatedMeanEnthalpy = *tabulated;
    return {};
}

void describePoints(ClausiusClapeyronFit& fit, std::span<const FitPoint> points) {
    const std::size_t n = points.size();
    const auto studentised = n >= 4 ? studentisedResiduals(points, fit.line) : std::vector<double>(n, 0.0);
    const double limit =
        n >= 4 ? studentFactor(1.0 - kOutlierLevel / static_cast<double>(n), fit.line.degreesOfFreedom - 1)
               : 0.0;
    fit.points.resize(n);
    for (std::size_t i = 0; i < n; ++i) {
        PointResult& r = fit.points[i];
        r.x = points[i].x;
        r.y = points[i].y;
        r.residual = r.y - fit.line.at(r.x);
        r.residualPascal = std::exp(r.y) - std::exp(fit.line.at(r.x));
        r.residualKelvin = 1.0 / r.x - fit.line.slope / (r.y - fit.line.intercept);
        r.leverage = fit.line.leverage[i];
        r.studentised = studentised[i];
        if (n >= 4 && std::abs(r.studentised) > limit) r.flag = "outlier";
    }
}

} // namespace

double ClausiusClapeyronFit::enthalpyWithin95() const {
    constexpr double kNormal95 = 1.96; // the common errors are known, not found from the scatter
    return std::hypot(0.5 * (enthalpy.high - enthalpy.low), kNormal95 * enthalpySharedU);
}

Estimate ClausiusClapeyronFit::boilingPointAt(Pressure p) const {
    const double distance = std::log(p.pascal()) - line.intercept;
    const double t = line.slope / distance;
    const double byIntercept = t / distance, bySlope = 1.0 / distance;
    const double variance = byIntercept * byIntercept * line.interceptU * line.interceptU +
                            bySlope * bySlope * line.slopeU * line.slopeU +
                            2.0 * byIntercept * bySlope * line.covariance;
    return estimate(t, std::sqrt(std::max(0.0, variance)), confidenceFactor(line));
}

Result<ClausiusClapeyronFit> fitClausiusClapeyron(std::span<const BoilingDatum> data,
                                                  const Substance& substance, const FitOptions& options) {
    if (const auto ok = check(data, options); !ok) return tl::unexpected(ok.error());
    const auto points = axes(data);
    ClausiusClapeyronFit fit;
    fit.options = options;
    fit.line = fitLine(points, options.method, options.scaleErrors);
    fit.enthalpy =
        estimate(-kMolarGas * fit.line.slope, kMolarGas * fit.line.slopeU, confidenceFactor(fit.line));
    fit.enthalpySharedU = sharedU(data, options, fit.enthalpy.value);
    describePoints(fit, points);
    if (const auto compared = compareWithReference(fit, data, substance); !compared)
        return tl::unexpected(compared.error());
    fit.normalBoilingPoint = fit.boilingPointAt(Pressure::fromPascal(kStandardAtmospherePascal));
    return fit;
}

} // namespace uttrin
