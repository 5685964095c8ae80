#include "solutions/Liquid.h"

#include "physics/Constants.h"
#include "solutions/SolventActivity.h"
#include "solutions/Sucrose.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

const Pressure kStandard = Pressure::fromPascal(kStandardAtmospherePascal);

TEST(Liquid, APureOneBoilsAsItsSubstance) {
    const Liquid pure(water());
    EXPECT_EQ(*pure.boilingPoint(kStandard), *water().boilingPoint(kStandard));
    EXPECT_EQ(pure.name(), "water");
    EXPECT_EQ(pure.elevation(kStandard)->kelvin(), 0.0);
}

TEST(Liquid, AnIdealSoluteFollowsTheClapeyronSlopeAtTheActualPressure) {
    for (const char* id : {"water", "ethanol", "acetone"}) {
        SCOPED_TRACE(id);
        const Substance& solvent = **findSubstance(id);
        const auto p = Pressure::fromKilopascal(30.0);
        const Liquid dilute = *Liquid::make(solvent, {SoluteKind::Ideal, 0.02, 2.0});
        const double expected = 0.02 * 2.0 * *ebullioscopicConstant(solvent, p);
        EXPECT_NEAR(dilute.elevation(p)->kelvin() / expected, 1.0, 0.01);
    }
    // Handbook values of the ebullioscopic constant, K kg/mol: ethanol 1.22, acetone 1.71-1.80.
    EXPECT_NEAR(*ebullioscopicConstant(**findSubstance("ethanol"), kStandard), 1.22, 0.04);
    EXPECT_NEAR(*ebullioscopicConstant(**findSubstance("acetone"), kStandard), 1.76, 0.06);
}

TEST(Liquid, AnIdealSoluteLowersTheFreezingPointByTheCryoscopicConstant) {
    // 1.86 K kg/mol for water.
    EXPECT_NEAR(Liquid::make(water(), {SoluteKind::Ideal, 0.1, 1.0})->freezingPointDepression()->kelvin(),
                0.186, 0.001);
    EXPECT_FALSE(Liquid::make(water(), {SoluteKind::Sucrose, 0.5, 1.0})->freezingPointDepression());
}

TEST(Liquid, SucroseMeetsPrintedTables) {
    // Handbooks of sugar technology: per cent, K, and how far printed tables lie apart.
    const struct {
        double percent, kelvin, spread;
    } rows[] = {{20, 0.3, 0.1}, {40, 1.0, 0.2},  {60, 3.0, 0.4}, {70, 5.1, 0.5},
                {80, 9.8, 0.5}, {85, 13.5, 1.5}, {95, 39.0, 1.5}};
    for (const auto& r : rows) {
        SCOPED_TRACE(r.percent);
        const Liquid syrup = *Liquid::make(water(), {SoluteKind::Sucrose, r.percent / 100.0, 1.0});
        EXPECT_NEAR(syrup.elevation(kStandard)->kelvin(), r.kelvin, r.spread);
    }
    // In a kitchen 1600 m up the soft-ball syrup boils lower by as much as water does there, nearly.
    const Liquid syrup = *Liquid::make(water(), {SoluteKind::Sucrose, 0.85, 1.0});
    const auto high = Pressure::fromKilopascal(83.5);
    EXPECT_NEAR(kStandard.pascal() > 0
                    ? syrup.boilingPoint(kStandard)->kelvin() - syrup.boilingPoint(high)->kelvin()
                    : 0.0,
                water().boilingPoint(kStandard)->kelvin() - water().boilingPoint(high)->kelvin(), 0.5);
    for (std::size_t i = 1; i < sucrose::stages().size(); ++i)
        EXPECT_GE(sucrose::stages()[i].lowCelsius, sucrose::stages()[i - 1].highCelsius);
}

// Activities of water as evaluated by M. Starzak and S. D. Peacock, Zuckerindustrie 122 (1997) 380, from many
// measurements: with the mole fraction x of sucrose, ln(gamma) = Q / (R T) x^2 (1 + b1 x + b2 x^2).
double evaluatedActivity(double massFraction, double kelvin) {
    constexpr double kQ = -17638.0, kB1 = -1.0038, kB2 = -0.24653; // J/mol
    const double sugar = massFraction / sucrose::kMolarMass, solvent = (1.0 - massFraction) / 0.018015268;
    const double x = sugar / (sugar + solvent);
    return (1.0 - x) * std::exp(kQ / (kMolarGas * kelvin) * x * x * (1.0 + kB1 * x + kB2 * x * x));
}

TEST(Liquid, SucroseMeetsTheEvaluatedActivitiesTo95PerCent) {
    for (const double percent : {10.0, 30.0, 50.0, 60.0, 70.0, 75.0, 80.0, 85.0, 88.0, 90.0, 92.0, 95.0}) {
        SCOPED_TRACE(percent);
        double low = 373.0, high = 430.0; // K; its boiling point, by halving
        for (int i = 0; i < 50; ++i) {
            const double t = 0.5 * (low + high);
            const auto p =
                pressureAtActivity(water(), Temperature::fromKelvin(t), evaluatedActivity(0.01 * percent, t));
            (p->pascal() < kStandard.pascal() ? low : high) = t;
        }
        const double elevation = low - water().boilingPoint(kStandard)->kelvin();
        EXPECT_NEAR(sucrose::elevationAtStandardPressure(0.01 * percent)->kelvin(), elevation,
                    percent <= 80.0 ? 0.5 : 1.5);
    }
}

TEST(Liquid, NamesSayWhatIsDissolved) {
    EXPECT_EQ(Liquid::make(water(), {SoluteKind::SodiumChloride, 1.5, 1.0})->name(),
              "water with 1.5 mol/kg sodium chloride");
    EXPECT_EQ(Liquid::make(water(), {SoluteKind::Ethanol, 0.4, 1.0})->name(),
              "water with 40 % ethanol by mass");
    const auto wrong = soluteKindFromId("sand");
    ASSERT_FALSE(wrong);
    EXPECT_NE(plain(wrong.error().message).find("accepted: nacl, sucrose"), std::string::npos);
    EXPECT_EQ(*soluteKindFromId("sucrose"), SoluteKind::Sucrose);
}

constexpr int kLeastPascal = 10'000; // below it acetone boils below the freezing point, outside its model

Liquid anyLiquid() {
    const auto kind = *rc::gen::element(SoluteKind::SodiumChloride, SoluteKind::Sucrose, SoluteKind::Ideal,
                                        SoluteKind::Ethanol, SoluteKind::Methanol, SoluteKind::Acetone);
    const double most = kind == SoluteKind::SodiumChloride ? 6.0 : kind == SoluteKind::Ideal ? 1.0 : 0.95;
    return *Liquid::make(water(), {kind, most * *rc::gen::inRange(0, 1001) / 1000.0, 1.0});
}

RC_GTEST_PROP(Liquid, VapourPressureAndBoilingPointAreInverse, ()) {
    const Liquid liquid = anyLiquid();
    const auto p = Pressure::fromPascal(*rc::gen::inRange(kLeastPascal, 105'000));
    const auto t = liquid.boilingPoint(p);
    RC_ASSERT(t.has_value());
    RC_ASSERT(std::abs(liquid.vapourPressure(*t)->pascal() / p.pascal() - 1.0) < 1e-8);
}

RC_GTEST_PROP(Liquid, BoilsHigherAtAHigherPressureAndTheUncertaintyIsPositive, ()) {
    const Liquid liquid = anyLiquid();
    const int pascal = *rc::gen::inRange(kLeastPascal, 100'000);
    const auto a = liquid.saturationAt(Pressure::fromPascal(pascal)),
               b = liquid.saturationAt(Pressure::fromPascal(pascal + 1000));
    RC_ASSERT(a && b);
    RC_ASSERT(a->temperature < b->temperature);
    RC_ASSERT(a->slope > 0.0);
    RC_ASSERT(a->temperatureU() > 0.0);
}

} // namespace
} // namespace uttrin
