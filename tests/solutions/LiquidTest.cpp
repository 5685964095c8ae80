#include "solutions/Liquid.h"

#include "physics/Constants.h"
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

TEST(Liquid, NamesSayWhatIsDissolved) {
    EXPECT_EQ(Liquid::make(water(), {SoluteKind::SodiumChloride, 1.5, 1.0})->name(),
              "water with 1.5 mol/kg sodium chloride");
    EXPECT_EQ(Liquid::make(water(), {SoluteKind::Ethanol, 0.4, 1.0})->name(),
              "water with 40 % ethanol by mass");
    const auto wrong = soluteKindFromId("sand");
    ASSERT_FALSE(wrong);
    EXPECT_NE(wrong.error().message.find("accepted: nacl, sucrose"), std::string::npos);
    EXPECT_EQ(*soluteKindFromId("sucrose"), SoluteKind::Sucrose);
}

Liquid anyLiquid() {
    const auto kind = *rc::gen::element(SoluteKind::SodiumChloride, SoluteKind::Sucrose, SoluteKind::Ideal,
                                        SoluteKind::Ethanol, SoluteKind::Methanol, SoluteKind::Acetone);
    const double most = kind == SoluteKind::SodiumChloride ? 6.0 : kind == SoluteKind::Ideal ? 1.0 : 0.95;
    return *Liquid::make(water(), {kind, most * *rc::gen::inRange(0, 1001) / 1000.0, 1.0});
}

RC_GTEST_PROP(Liquid, VapourPressureAndBoilingPointAreInverse, ()) {
    const Liquid liquid = anyLiquid();
    const auto p = Pressure::fromPascal(*rc::gen::inRange(8000, 105000));
    const auto t = liquid.boilingPoint(p);
    RC_ASSERT(t.has_value());
    RC_ASSERT(std::abs(liquid.vapourPressure(*t)->pascal() / p.pascal() - 1.0) < 1e-8);
}

RC_GTEST_PROP(Liquid, BoilsHigherAtAHigherPressureAndTheUncertaintyIsPositive, ()) {
    const Liquid liquid = anyLiquid();
    const int pascal = *rc::gen::inRange(8000, 100000);
    const auto a = liquid.saturationAt(Pressure::fromPascal(pascal)),
               b = liquid.saturationAt(Pressure::fromPascal(pascal + 1000));
    RC_ASSERT(a->temperature < b->temperature);
    RC_ASSERT(a->slope > 0.0);
    RC_ASSERT(a->temperatureU() > 0.0);
}

} // namespace
} // namespace uttrin
