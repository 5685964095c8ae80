#include "quantities/Rounding.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

TEST(Rounding, UncertaintyGetsTwoDigitsWhenItBeginsWithOneOrTwoElseOne) {
    EXPECT_EQ(decimalsForUncertainty(0.12), 2);
    EXPECT_EQ(decimalsForUncertainty(0.29), 2);
    EXPECT_EQ(decimalsForUncertainty(0.31), 1);
    EXPECT_EQ(decimalsForUncertainty(4.0), 0);
    EXPECT_EQ(decimalsForUncertainty(140.0), 0);
}

TEST(Rounding, ADivisionSetsTheDecimals) {
    EXPECT_EQ(decimalsForDivision(0.1), 1);
    EXPECT_EQ(decimalsForDivision(0.25), 2);
    EXPECT_EQ(decimalsForDivision(0.02), 2);
    EXPECT_EQ(decimalsForDivision(5.0), 0);
}

TEST(Rounding, UsesTheRealMinusAndNeverMinusZero) {
    EXPECT_EQ(fixed(-0.7, 2), "−0.70");
    EXPECT_EQ(fixed(-0.001, 2), "0.00");
    EXPECT_EQ(fixedSigned(0.12, 1), "+0.1");
    EXPECT_EQ(fixedSigned(0.01, 1), "0.0");
    EXPECT_EQ(fixedSigned(-1.26, 1), "−1.3");
}

TEST(Rounding, AStepIsOneTwoOrFiveAndNotTooSmall) {
    for (const auto& [least, step] : {std::pair{1.0, 1.0},
                                      {1.01, 2.0},
                                      {2.0, 2.0},
                                      {3.0, 5.0},
                                      {5.1, 10.0},
                                      {0.03, 0.05},
                                      {0.1, 0.1},
                                      {170.0, 200.0}})
        EXPECT_NEAR(roundStep(least), step, 1e-12 * step) << least;
}

TEST(Rounding, EvenStepsReachTheOtherEndWhereTheyMeetIt) {
    EXPECT_EQ(evenSteps(0.0, 1.0, 0.25), (std::vector{0.0, 0.25, 0.5, 0.75, 1.0}));
    EXPECT_EQ(evenSteps(-1.0, 0.0, 0.1).size(), 11U); // though a tenth is no binary fraction
    EXPECT_EQ(evenSteps(0.0, 0.9, 0.5), (std::vector{0.0, 0.5}));
    EXPECT_TRUE(evenSteps(1.0, 0.0, 0.1).empty());
}

} // namespace
} // namespace uttrin
