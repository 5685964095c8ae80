#include "analysis/ClausiusClapeyron.h"

#include "physics/Constants.h"
#include "support/SyntheticLab.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

using testing::syntheticLab;

/// Points on an exact Clausius-Clapeyron line with Gaussian errors: the truth is known.
std::vector<BoilingDatum> lineLab(std::mt19937& random, double enthalpy, double uKelvin, double uRelative) {
    std::normal_distribution<double> normal;
    std::vector<BoilingDatum> data;
    for (int i = 0; i < 11; ++i) {
        const double t = 325.0 + 4.5 * i;
        const double p = 101325.0 * std::exp(-enthalpy / kMolarGas * (1.0 / t - 1.0 / 373.12));
        data.push_back({Temperature::fromKelvin(t + uKelvin * normal(random)),
                        Pressure::fromPascal(p * (1.0 + uRelative * normal(random))), uKelvin,
                        uRelative * p});
    }
    return data;
}

TEST(ClausiusClapeyron, TheNinetyFivePercentIntervalCoversTheTruthAsOftenAsItSays) {
    constexpr double kTruth = 42000.0;
    for (const auto& options : {FitOptions{FitMethod::Ols, true}, FitOptions{FitMethod::Weighted, true},
                                FitOptions{FitMethod::York, true}, FitOptions{FitMethod::York, false}}) {
        SCOPED_TRACE(std::string(id(options.method)) + (options.scaleErrors ? " scaled" : " unscaled"));
        std::mt19937 random(20260424);
        int covered = 0;
        for (int set = 0; set < 1000; ++set) {
            // Ordinary and weighted fits know of no error in temperature.
            const double uKelvin = options.method == FitMethod::York ? 0.2 : 0.0;
            const auto fit = fitClausiusClapeyron(lineLab(random, kTruth, uKelvin, 0.01), water(), options);
            ASSERT_TRUE(fit);
            covered += fit->enthalpy.low <= kTruth && kTruth <= fit->enthalpy.high;
        }
        EXPECT_GE(covered, 930);
        EXPECT_LE(covered, 970);
    }
}

TEST(ClausiusClapeyron, PerfectReadingsGiveTheReferenceSlope) {
    const auto fit =
        fitClausiusClapeyron(syntheticLab(1, 11, 10e3, 94e3, 0.0, 0.0), water(), {FitMethod::Ols, true});
    ASSERT_TRUE(fit);
    EXPECT_NEAR(fit->relativeToReference(), 0.0, 1e-9);
    for (const PointResult& p : fit->points)
        EXPECT_NEAR(p.superheatKelvin, 0.0, 1e-6);
    // The slope stands most of a percent above the enthalpy at the mean temperature: vapour is not an ideal
    // gas.
    EXPECT_GT(fit->referenceSlopeEnthalpy / fit->tabulatedMeanEnthalpy, 1.003);
    EXPECT_LT(fit->referenceSlopeEnthalpy / fit->tabulatedMeanEnthalpy, 1.012);
    EXPECT_NEAR(fit->normalBoilingPoint.value, 373.12, 0.25); // the curve bends, the line does not
}

TEST(ClausiusClapeyron, ResidualsInKelvinAndPascalTellTheSameStory) {
    const auto fit =
        *fitClausiusClapeyron(syntheticLab(7, 11, 10e3, 94e3, 0.3, 200), water(), {FitMethod::York, true});
    for (const PointResult& p : fit.points) {
        EXPECT_NEAR(fit.line.at(1.0 / (1.0 / p.x - p.residualKelvin)), p.y,
                    1e-12); // moved by the residual it lies on the line
        EXPECT_NEAR(std::log(std::exp(p.y) - p.residualPascal), fit.line.at(p.x), 1e-12);
        EXPECT_LT(p.residualKelvin * p.residualPascal, 0.0);
    }
}

TEST(ClausiusClapeyron, ErrorsCommonToAllPointsAreCountedOnTheirOwn) {
    auto data = syntheticLab(3, 11, 10e3, 94e3, 0.1, 100);
    EXPECT_DOUBLE_EQ(fitClausiusClapeyron(data, water(), {})->enthalpySharedU, 0.0);
    for (auto& d : data)
        d.pressureSharedU = 500.0;
    const auto fit = *fitClausiusClapeyron(data, water(), {});
    auto moved = data;
    for (auto& d : moved)
        d.pressure = d.pressure + PressureDifference::fromPascal(500.0);
    EXPECT_NEAR(fit.enthalpySharedU,
                std::abs(fitClausiusClapeyron(moved, water(), {})->enthalpy.value - fit.enthalpy.value), 1.0);
    EXPECT_GT(fit.enthalpySharedU, 200.0);
}

TEST(ClausiusClapeyron, AnOutlierIsFlaggedAndAGoodSetIsNot) {
    auto data = syntheticLab(5, 11, 10e3, 94e3, 0.1, 50);
    const auto good = *fitClausiusClapeyron(data, water(), {FitMethod::Ols, true});
    for (const PointResult& p : good.points)
        EXPECT_TRUE(p.flag.empty());
    data[6].temperature = data[6].temperature + TemperatureDifference::fromKelvin(4.0);
    const auto fit = *fitClausiusClapeyron(data, water(), {FitMethod::Ols, true});
    EXPECT_EQ(fit.points[6].flag, "outlier");
}

TEST(ClausiusClapeyron, RefusesWhatHasNoSlope) {
    auto data = syntheticLab(5, 2, 10e3, 94e3, 0.1, 50);
    EXPECT_EQ(fitClausiusClapeyron(data, water(), {}).error().kind, Failure::TooFewPoints);
    data = syntheticLab(5, 5, 50e3, 50e3, 0.0, 50);
    EXPECT_NE(plain(fitClausiusClapeyron(data, water(), {}).error().message).find("same temperature"),
              std::string::npos);
    data = syntheticLab(5, 5, 10e3, 50e3, 0.0, 0.0);
    EXPECT_NE(plain(fitClausiusClapeyron(data, water(), {FitMethod::York, true}).error().message)
                  .find("uncertainty"),
              std::string::npos);
}

} // namespace
} // namespace uttrin
