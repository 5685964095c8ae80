#include "analysis/ClausiusClapeyron.h"
#include "analysis/LineFit.h"
#include "support/SyntheticLab.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace uttrin {
namespace {

/// Scattered points about a line from a seed.
std::vector<FitPoint> scattered(unsigned seed, int count) {
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    std::vector<FitPoint> points;
    for (int i = 0; i < count; ++i)
        points.push_back({i + 0.3 * normal(random), 2.0 - 0.7 * i + 0.4 * normal(random),
                          0.1 + 0.05 * (i % 3), 0.2 + 0.1 * (i % 4)});
    return points;
}

RC_GTEST_PROP(FitProperties, TheOrderOfThePointsDoesNotMatter, ()) {
    auto points = scattered(static_cast<unsigned>(*rc::gen::inRange(1, 100000)), 9);
    const auto method = *rc::gen::element(FitMethod::Ols, FitMethod::Weighted, FitMethod::York);
    const LineFit before = fitLine(points, method, true);
    std::reverse(points.begin(), points.end());
    const LineFit after = fitLine(points, method, true);
    RC_ASSERT(std::abs(after.slope - before.slope) < 1e-9);
    RC_ASSERT(std::abs(after.slopeU - before.slopeU) < 1e-9);
    RC_ASSERT(std::abs(after.chiSquare - before.chiSquare) < 1e-7 * before.chiSquare);
}

RC_GTEST_PROP(FitProperties, YorksLineIsTheSameWithTheAxesExchanged, ()) {
    auto points = scattered(static_cast<unsigned>(*rc::gen::inRange(1, 100000)), 9);
    const LineFit fit = fitYork(points, false);
    for (FitPoint& p : points) {
        std::swap(p.x, p.y);
        std::swap(p.ux, p.uy);
    }
    const LineFit exchanged = fitYork(points, false);
    RC_ASSERT(std::abs(exchanged.slope - 1.0 / fit.slope) < 1e-6);
    RC_ASSERT(std::abs(exchanged.intercept + fit.intercept / fit.slope) < 1e-5);
}

RC_GTEST_PROP(FitProperties, MovingAndStretchingTheAxesMovesAndStretchesTheLine, ()) {
    auto points = scattered(static_cast<unsigned>(*rc::gen::inRange(1, 100000)), 8);
    const double k = *rc::gen::inRange(1, 50) / 7.0, shift = *rc::gen::inRange(-30, 30);
    const auto method = *rc::gen::element(FitMethod::Ols, FitMethod::Weighted, FitMethod::York);
    const LineFit before = fitLine(points, method, true);
    for (FitPoint& p : points) {
        p.y = p.y * k + shift;
        p.uy *= k;
    }
    const LineFit after = fitLine(points, method, true);
    RC_ASSERT(std::abs(after.slope - k * before.slope) < 1e-7 * k);
    RC_ASSERT(std::abs(after.slopeU - k * before.slopeU) < 1e-7 * k);
    RC_ASSERT(std::abs(after.rSquared - before.rSquared) < 1e-7);
}

RC_GTEST_PROP(FitProperties, TheResultOfALabIsPlausibleWhateverItsErrors, ()) {
    const auto seed = static_cast<unsigned>(*rc::gen::inRange(1, 100000));
    const auto data =
        testing::syntheticLab(seed, *rc::gen::inRange(5, 15), 12e3, 92e3, 0.05 * (*rc::gen::inRange(1, 8)),
                              50.0 * (*rc::gen::inRange(1, 8)));
    for (const auto method : {FitMethod::Ols, FitMethod::Weighted, FitMethod::York}) {
        const auto fit = fitClausiusClapeyron(data, water(), {method, true});
        RC_ASSERT(fit.has_value());
        RC_ASSERT(fit->enthalpy.u > 0.0);
        RC_ASSERT(fit->enthalpy.low < fit->enthalpy.value && fit->enthalpy.value < fit->enthalpy.high);
        RC_ASSERT(std::abs(fit->relativeToReference()) < 0.2);
        RC_ASSERT(fit->line.rSquared > 0.9 && fit->line.rSquared <= 1.0);
        // The boiling point rises with the pressure, and its uncertainty grows away from the points.
        const auto low = fit->boilingPointAt(Pressure::fromPascal(50e3)),
                   high = fit->boilingPointAt(Pressure::fromPascal(101325));
        const auto far = fit->boilingPointAt(Pressure::fromPascal(400e3));
        RC_ASSERT(low.value < high.value && high.value < far.value);
        RC_ASSERT(far.u > high.u);
    }
}

RC_GTEST_PROP(FitProperties, AnErrorCommonToAllPointsIsNeverTakenForScatter, ()) {
    auto data = testing::syntheticLab(static_cast<unsigned>(*rc::gen::inRange(1, 100000)), 11, 12e3, 92e3,
                                      0.1, 100.0);
    const auto before = fitClausiusClapeyron(data, water(), {});
    const double pascal = *rc::gen::inRange(1, 300);
    for (auto& d : data) {
        d.pressureSharedU = pascal;
        d.temperatureSharedU = 1e-3 * pascal;
    }
    const auto after = fitClausiusClapeyron(data, water(), {});
    RC_ASSERT(after->enthalpy.u == before->enthalpy.u);
    RC_ASSERT(after->enthalpySharedU > before->enthalpySharedU);
}

TEST(FitProperties, StatedErrorsOfTheRightSizeGiveAReducedChiSquareNearOne) {
    double sum = 0.0;
    constexpr int kLabs = 200;
    for (unsigned seed = 1; seed <= kLabs; ++seed) {
        // About the substance's own curve, so that its bend does not count as scatter: a short span.
        const auto data = testing::syntheticLab(seed, 11, 60e3, 90e3, 0.2, 200.0);
        sum += fitClausiusClapeyron(data, water(), {FitMethod::York, false})->line.reducedChiSquare();
    }
    EXPECT_NEAR(sum / kLabs, 1.0, 0.1);
}

TEST(FitProperties, TheMethodsAgreeWhenTheErrorsAreSmall) {
    const auto data = testing::syntheticLab(7, 11, 40e3, 90e3, 0.005, 5.0);
    const double york = fitClausiusClapeyron(data, water(), {FitMethod::York, true})->enthalpy.value;
    for (const auto method : {FitMethod::Ols, FitMethod::Weighted})
        EXPECT_NEAR(fitClausiusClapeyron(data, water(), {method, true})->enthalpy.value / york, 1.0, 2e-3);
}

} // namespace
} // namespace uttrin
