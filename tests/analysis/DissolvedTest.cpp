#include "analysis/Dissolved.h"

#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <random>

namespace uttrin {
namespace {

/// Boiling points of a solution at ten pressures with Gaussian reading errors.
std::vector<BoilingDatum> boilSolution(const Liquid& liquid, unsigned seed, double uKelvin, double uPascal) {
    std::mt19937 random(seed);
    std::normal_distribution<double> normal;
    std::vector<BoilingDatum> data;
    for (double p = 20e3; p < 95e3; p += 8e3) {
        const double t = liquid.boilingPoint(Pressure::fromPascal(p))->kelvin();
        data.push_back({Temperature::fromKelvin(t + uKelvin * normal(random)),
                        Pressure::fromPascal(p + uPascal * normal(random)), std::max(uKelvin, 1e-4),
                        std::max(uPascal, 0.1)});
    }
    return data;
}

TEST(Dissolved, ExactReadingsGiveBackTheMolality) {
    const auto salt = *Liquid::make(water(), {SoluteKind::SodiumChloride, 1.5, 1.0});
    const auto e = estimateDissolved(boilSolution(salt, 1, 0.0, 0.0), water(), SoluteKind::SodiumChloride);
    ASSERT_TRUE(e);
    EXPECT_NEAR(e->molality->value, 1.5, 1e-3);
    EXPECT_EQ(e->points, 10);
    // Two ions with an osmotic coefficient near 0.96 at 70 to 97 degC (Hamer and Wu give 0.957 at 1.5 mol/kg,
    // 25 degC).
    EXPECT_NEAR(e->particles.value / 1.5, 2 * 0.957, 0.03);
    const auto sugar = *Liquid::make(water(), {SoluteKind::Ideal, 0.5, 1.0});
    EXPECT_NEAR(
        estimateDissolved(boilSolution(sugar, 1, 0.0, 0.0), water(), SoluteKind::Ideal)->particles.value, 0.5,
        1e-3);
}

TEST(Dissolved, TheIntervalCoversTheTruthAsOftenAsItSays) {
    const auto salt = *Liquid::make(water(), {SoluteKind::SodiumChloride, 2.0, 1.0});
    int covered = 0;
    constexpr int kSets = 400;
    for (unsigned seed = 1; seed <= kSets; ++seed) {
        const auto e =
            estimateDissolved(boilSolution(salt, seed, 0.15, 60.0), water(), SoluteKind::SodiumChloride);
        covered += e->molality->low <= 2.0 && 2.0 <= e->molality->high;
    }
    // 95 % of 400 is 380, standard deviation 4.4; the scatter never narrows the interval, so it covers a
    // little more.
    EXPECT_GE(covered, 0.93 * kSets);
    EXPECT_LE(covered, 0.99 * kSets);
}

TEST(Dissolved, ACommonErrorOfTheThermometerWidensTheAnswer) {
    auto data = boilSolution(*Liquid::make(water(), {SoluteKind::SodiumChloride, 1.0, 1.0}), 3, 0.1, 50.0);
    const double alone = estimateDissolved(data, water(), SoluteKind::SodiumChloride)->molality->u;
    for (BoilingDatum& d : data)
        d.temperatureSharedU = 0.3;
    const double shared = estimateDissolved(data, water(), SoluteKind::SodiumChloride)->molality->u;
    // 0.3 K on an elevation of about 0.85 K per mol/kg is a third of a mole.
    EXPECT_NEAR(std::sqrt(shared * shared - alone * alone), 0.35, 0.04);
}

TEST(Dissolved, PureWaterGivesNothingWithinItsUncertainty) {
    const auto e =
        estimateDissolved(boilSolution(Liquid(water()), 7, 0.1, 50.0), water(), SoluteKind::SodiumChloride);
    ASSERT_TRUE(e && e->molality);
    EXPECT_LT(std::abs(e->molality->value), 3.0 * e->molality->u);
    EXPECT_GT(e->molality->u, 0.01);
    EXPECT_LT(e->molality->u, 0.2);
}

TEST(Dissolved, OnePointIsNotEnough) {
    const auto data = boilSolution(Liquid(water()), 1, 0.1, 50.0);
    const auto e = estimateDissolved(std::span(data).first(1), water(), SoluteKind::Ideal);
    ASSERT_FALSE(e);
    EXPECT_EQ(e.error().kind, Failure::TooFewPoints);
}

} // namespace
} // namespace uttrin
