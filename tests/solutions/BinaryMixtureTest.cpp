#include "solutions/BinaryMixture.h"

#include "physics/Constants.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

const Pressure kStandard = Pressure::fromPascal(kStandardAtmospherePascal);

const BinaryMixture& mixture(const char* id) { return **findWaterMixture(id); }

struct Row {
    double x, celsius, y;
};

/// Handbook tables of vapour-liquid equilibria at 101.3 kPa.
void meets(const BinaryMixture& m, std::initializer_list<Row> rows, double kelvin, double fraction) {
    for (const Row& r : rows) {
        SCOPED_TRACE(r.x);
        const auto s = m.bubblePoint(r.x, kStandard);
        EXPECT_NEAR(s->temperature.celsius(), r.celsius, kelvin);
        EXPECT_NEAR(s->vapourFraction, r.y, fraction);
    }
}

TEST(BinaryMixture, EthanolWaterMeetsTheMeasuredBubblePoints) {
    meets(mixture("ethanol"),
          {{0.0966, 86.7, 0.4375},
           {0.1238, 85.3, 0.4704},
           {0.1661, 84.1, 0.5089},
           {0.2337, 82.7, 0.5445},
           {0.3273, 81.5, 0.5826},
           {0.3965, 80.7, 0.6122},
           {0.5079, 79.8, 0.6564},
           {0.6763, 78.74, 0.7385},
           {0.7472, 78.41, 0.7815},
           {0.8943, 78.15, 0.8943}},
          0.3, 0.011);
}

TEST(BinaryMixture, EthanolWaterHasItsAzeotrope) {
    const auto a = mixture("ethanol").azeotrope(kStandard);
    ASSERT_TRUE(a);
    EXPECT_NEAR(a->temperature.kelvin(), 351.3, 0.15);
    EXPECT_NEAR(a->liquidFraction, 0.894, 0.012);
    EXPECT_FALSE(mixture("methanol").azeotrope(kStandard));
    EXPECT_FALSE(mixture("acetone").azeotrope(kStandard));
}

TEST(BinaryMixture, MethanolAndAcetoneMeetTheMeasuredBubblePoints) {
    meets(
        mixture("methanol"),
        {{0.1, 87.7, 0.418}, {0.2, 81.7, 0.579}, {0.4, 75.3, 0.729}, {0.6, 71.2, 0.825}, {0.8, 67.5, 0.915}},
        0.3, 0.012);
    meets(mixture("acetone"),
          {{0.05, 74.8, 0.638},
           {0.1, 68.53, 0.730},
           {0.2, 63.59, 0.792},
           {0.4, 60.75, 0.827},
           {0.6, 59.12, 0.853},
           {0.8, 57.49, 0.895}},
          0.4, 0.01);
}

TEST(BinaryMixture, TheEndsArePureLiquids) {
    for (const BinaryMixture& m : waterMixtures()) {
        SCOPED_TRACE(m.id());
        EXPECT_NEAR(m.bubblePoint(0.0, kStandard)->temperature.kelvin(),
                    m.second().boilingPoint(kStandard)->kelvin(), 1e-6);
        EXPECT_NEAR(m.bubblePoint(1.0, kStandard)->temperature.kelvin(),
                    m.first().boilingPoint(kStandard)->kelvin(), 1e-6);
        EXPECT_FALSE(m.bubblePoint(1.2, kStandard));
        EXPECT_FALSE(m.bubblePoint(0.5, Pressure::fromPascal(1.0)));
    }
    EXPECT_FALSE(findWaterMixture("mercury"));
}

// Gibbs and Duhem: x1 d ln g1 + x2 d ln g2 = 0 at constant temperature.
RC_GTEST_PROP(BinaryMixture, ActivityCoefficientsAreConsistent, ()) {
    const BinaryMixture& m = waterMixtures()[*rc::gen::inRange<std::size_t>(0, 3)];
    const double x = 0.02 + 0.96 * *rc::gen::inRange(0, 1001) / 1000.0, h = 1e-5;
    const auto t = Temperature::fromCelsius(*rc::gen::inRange(40, 95));
    const auto a = m.activityCoefficients(x - h, t), b = m.activityCoefficients(x + h, t);
    RC_ASSERT(std::abs(x * std::log(b.first / a.first) + (1.0 - x) * std::log(b.second / a.second)) < 1e-8);
}

RC_GTEST_PROP(BinaryMixture, DewAndBubbleAreTheSameEquilibrium, ()) {
    const BinaryMixture& m = waterMixtures()[*rc::gen::inRange<std::size_t>(0, 3)];
    const double y = 0.001 * *rc::gen::inRange(1, 999);
    const auto p = Pressure::fromPascal(*rc::gen::inRange(20000, 105000));
    const auto dew = m.dewPoint(y, p);
    RC_ASSERT(dew.has_value());
    RC_ASSERT(std::abs(dew->vapourFraction - y) < 1e-7);
    RC_ASSERT(std::abs(m.massFraction(m.amountFraction(y)) - y) < 1e-12);
}

} // namespace
} // namespace uttrin
