#include "analysis/LineFit.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numeric>

namespace uttrin {
namespace {

/// Pearson's data with York's weights: D. York, Can. J. Phys. 44 (1966) 1079, table II.
std::vector<FitPoint> pearsonYork() {
    const double x[] = {0.0, 0.9, 1.8, 2.6, 3.3, 4.4, 5.2, 6.1, 6.5, 7.4};
    const double y[] = {5.9, 5.4, 4.4, 4.6, 3.5, 3.7, 2.8, 2.8, 2.4, 1.5};
    const double wx[] = {1000, 1000, 500, 800, 200, 80, 60, 20, 1.8, 1};
    const double wy[] = {1, 1.8, 4, 8, 20, 20, 70, 70, 100, 500};
    std::vector<FitPoint> points;
    for (int i = 0; i < 10; ++i)
        points.push_back({x[i], y[i], 1.0 / std::sqrt(wx[i]), 1.0 / std::sqrt(wy[i])});
    return points;
}

TEST(LineFit, YorkMeetsThePublishedSolution) {
    const auto points = pearsonYork();
    const LineFit fit = fitYork(points, false);
    EXPECT_NEAR(fit.intercept, 5.47991, 5e-6);
    EXPECT_NEAR(fit.slope, -0.480533, 5e-7);
    EXPECT_NEAR(fit.interceptU, 0.294971, 5e-7);
    EXPECT_NEAR(fit.slopeU, 0.0579850, 5e-8);
    EXPECT_NEAR(fit.reducedChiSquare(), 1.4833, 5e-4);
}

TEST(LineFit, ScalingMultipliesByTheRootOfTheReducedChiSquare) {
    const auto points = pearsonYork();
    const LineFit plain = fitYork(points, false), scaled = fitYork(points, true);
    EXPECT_NEAR(scaled.slopeU / plain.slopeU, std::sqrt(plain.reducedChiSquare()), 1e-12);
    EXPECT_DOUBLE_EQ(scaled.slope, plain.slope);
}

TEST(LineFit, OrdinaryLeastSquaresMeetsATextbookCase) {
    // By hand: x 1..5, y 2 4 5 4 5: slope 0.6, intercept 2.2, s2 = 2.4/3, Sxx = 10.
    const std::vector<FitPoint> points{{1, 2}, {2, 4}, {3, 5}, {4, 4}, {5, 5}};
    const LineFit fit = fitOls(points);
    EXPECT_NEAR(fit.slope, 0.6, 1e-12);
    EXPECT_NEAR(fit.intercept, 2.2, 1e-12);
    EXPECT_NEAR(fit.slopeU, std::sqrt(0.8 / 10.0), 1e-12);
    EXPECT_NEAR(fit.interceptU, std::sqrt(0.8 * (0.2 + 9.0 / 10.0)), 1e-12);
    EXPECT_NEAR(fit.rSquared, 0.6, 1e-12);
}

TEST(LineFit, EqualWeightsGiveTheOrdinaryLine) {
    auto points = pearsonYork();
    for (FitPoint& p : points)
        p.uy = 0.3, p.ux = 0.0;
    const LineFit ols = fitOls(points), weighted = fitWeighted(points, true), york = fitYork(points, true);
    EXPECT_NEAR(weighted.slope, ols.slope, 1e-12);
    EXPECT_NEAR(weighted.slopeU, ols.slopeU, 1e-12);
    EXPECT_NEAR(york.slope, ols.slope, 1e-12);
    EXPECT_NEAR(york.interceptU, ols.interceptU, 1e-12);
}

TEST(LineFit, LeverageAddsUpToTheNumberOfParameters) {
    for (const auto method : {FitMethod::Ols, FitMethod::Weighted}) {
        const LineFit fit = fitLine(pearsonYork(), method, false);
        EXPECT_NEAR(std::accumulate(fit.leverage.begin(), fit.leverage.end(), 0.0), 2.0, 1e-12);
    }
}

TEST(LineFit, StudentisedResidualIsTheOneWithoutThePoint) {
    // Leaving the point out and predicting it must give the same t value.
    auto points = pearsonYork();
    points[4].y += 1.0;
    const auto studentised = studentisedResiduals(points, fitOls(points));
    auto others = points;
    others.erase(others.begin() + 4);
    const LineFit without = fitOls(others);
    double mean = 0.0, spread = 0.0;
    for (const auto& p : others)
        mean += p.x / 9.0;
    for (const auto& p : others)
        spread += (p.x - mean) * (p.x - mean);
    const double s = std::sqrt(without.reducedChiSquare());
    const double u = s * std::sqrt(1.0 + 1.0 / 9.0 + (points[4].x - mean) * (points[4].x - mean) / spread);
    EXPECT_NEAR(studentised[4], (points[4].y - without.at(points[4].x)) / u, 1e-9);
}

TEST(LineFit, StudentsFactorMeetsTheTables) {
    EXPECT_NEAR(studentFactor(0.95, 8), 2.306, 5e-4);
    EXPECT_NEAR(studentFactor(0.95, 1), 12.706, 5e-4);
}

RC_GTEST_PROP(LineFit, AllMethodsFindAnExactLine, ()) {
    const double a = *rc::gen::inRange(-100, 100) / 7.0, b = *rc::gen::inRange(1, 100) / 9.0;
    std::vector<FitPoint> points;
    for (int i = 0; i < 8; ++i) {
        const double x = i + *rc::gen::inRange(0, 100) / 250.0;
        points.push_back(
            {x, a + b * x, 0.01 + *rc::gen::inRange(0, 10) / 50.0, 0.01 + *rc::gen::inRange(0, 10) / 50.0});
    }
    for (const auto method : {FitMethod::Ols, FitMethod::Weighted, FitMethod::York}) {
        const LineFit fit = fitLine(points, method, false);
        RC_ASSERT(std::abs(fit.slope - b) < 1e-9 && std::abs(fit.intercept - a) < 1e-8);
    }
}

} // namespace
} // namespace uttrin
