#pragma once

#include "LineFit.h"
#include "physics/Substance.h"
#include "quantities/Failure.h"

#include <optional>
#include <span>
#include <string>
#include <vector>

namespace uttrin {

/// A measured boiling point: what the fit is made of.
struct BoilingDatum {
    Temperature temperature = Temperature::fromKelvin(0.0);
    Pressure pressure = Pressure::fromPascal(0.0);
    double temperatureU = 0.0;       ///< K, standard uncertainty, independent from point to point
    double pressureU = 0.0;          ///< Pa, likewise
    double temperatureSharedU = 0.0; ///< K, one unknown error common to all points (thermometer's accuracy)
    double pressureSharedU = 0.0;    ///< Pa, likewise (gauge's accuracy, room)
};

/// What the fit says about one point.
struct PointResult {
    double x = 0.0;              ///< 1/T, 1/K
    double y = 0.0;              ///< ln(p/Pa)
    double residual = 0.0;       ///< in ln p, measured less fitted
    double residualPascal = 0.0; ///< measured less fitted pressure at this temperature
    double residualKelvin = 0.0; ///< measured less fitted temperature at this pressure
    double superheatKelvin =
        0.0; ///< measured temperature less the substance's boiling point at this pressure
    double leverage = 0.0;
    double studentised = 0.0; ///< 0 with fewer than four points
    std::string flag;         ///< "outlier", or empty
};

/// An amount with its standard uncertainty and 95 % confidence interval.
struct Estimate {
    double value = 0.0, u = 0.0, low = 0.0, high = 0.0;
};

/// Settings of a fit.
struct FitOptions {
    FitMethod method = FitMethod::York;
    bool scaleErrors =
        true; ///< standard errors from the scatter (reduced chi-square); else from the stated uncertainties
};

/// ln p against 1/T and all that follows from it.
struct ClausiusClapeyronFit {
    FitOptions options;
    LineFit line;
    Estimate enthalpy; ///< J/mol, -R times the slope
    double enthalpySharedU =
        0.0; ///< J/mol, from the errors common to all points (accuracy, room), by shifting them
    /// J/mol, half of the 95 % interval with the common errors in it: what the result as a whole is good for.
    [[nodiscard]] double enthalpyWithin95() const;
    Estimate normalBoilingPoint; ///< K, at 101 325 Pa
    std::vector<PointResult> points;

    double referenceSlopeEnthalpy =
        0.0; ///< J/mol, the same fit through the substance's own curve at the same temperatures
    double tabulatedMeanEnthalpy =
        0.0; ///< J/mol, tabulated enthalpy of vaporisation averaged as the fit weights the points
    [[nodiscard]] double relativeToReference() const { return enthalpy.value / referenceSlopeEnthalpy - 1.0; }

    /// Boiling point that the line gives at a pressure, K.
    [[nodiscard]] Estimate boilingPointAt(Pressure p) const;
};

/// Fits ln(p/Pa) = a - (dH/R)/T. Confidence intervals use Student's t when the errors come from the scatter,
/// the normal distribution when they are taken as known. Fails with TooFewPoints (fewer than three), or
/// BadInput where all temperatures are equal, or a weighted fit lacks an uncertainty.
[[nodiscard]] Result<ClausiusClapeyronFit> fitClausiusClapeyron(std::span<const BoilingDatum> data,
                                                                const Substance& substance,
                                                                const FitOptions& options);

} // namespace uttrin
