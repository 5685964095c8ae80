#include "physics/Constants.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>

#include <cmath>
#include <set>

namespace uttrin {
namespace {

/// Runs a check on every substance that ships, naming it in the failure.
template <typename Check>
void forAll(Check check) {
    ASSERT_EQ(substances().size(), 12U);
    for (const Substance* s : substances()) {
        SCOPED_TRACE(s->facts().id);
        check(*s);
    }
}

double ours(const Substance& s, const PublishedValue& v) {
    const auto t = Temperature::fromKelvin(v.kelvin);
    switch (v.what) {
    case PublishedValue::Pressure:
        return s.vapourPressure(t)->pascal();
    case PublishedValue::BoilingPoint:
        return s.boilingPoint(Pressure::fromPascal(v.pascal))->kelvin();
    case PublishedValue::EnthalpyOfVaporisation:
        return *s.molarEnthalpyOfVaporisation(t);
    case PublishedValue::LiquidDensity:
        return *s.condensedDensity(t);
    }
    return 0.0;
}

TEST(PublishedValues, EveryCurveMeetsValuesThatOweNothingToIt) {
    forAll([](const Substance& s) {
        for (const PublishedValue& v : s.published()) {
            SCOPED_TRACE(v.source);
            const double difference = ours(s, v) - v.value;
            EXPECT_LE(std::abs(v.what == PublishedValue::BoilingPoint ? difference : difference / v.value),
                      v.tolerance)
                << v.what << " at " << v.kelvin << " K: " << ours(s, v) << " against " << v.value;
        }
    });
}

TEST(PublishedValues, EverySubstanceIsCheckedInAllFourWays) {
    forAll([](const Substance& s) {
        std::set<PublishedValue::What> kinds;
        for (const PublishedValue& v : s.published()) {
            kinds.insert(v.what);
            if (v.what == PublishedValue::EnthalpyOfVaporisation) {
                EXPECT_LE(v.tolerance, 0.02);
            }
        }
        EXPECT_EQ(kinds.size(), 4U);
    });
}

// The curves end at the critical point, where their own reference pressure is; those of a narrower range stay
// below.
TEST(PublishedValues, CurvesEndAtTheCriticalPointOrBelow) {
    forAll([](const Substance& s) {
        const auto& f = s.facts();
        EXPECT_LE(f.highest.kelvin(), f.critical.kelvin());
        const double end = s.vapourPressure(f.highest)->pascal();
        if (f.highest == f.critical)
            EXPECT_NEAR(end / f.criticalPressure.pascal(), 1.0, 1e-5);
        else
            EXPECT_LT(end, f.criticalPressure.pascal());
    });
}

TEST(PublishedValues, TriplePointsWithASublimationCurveLieOnBothBranches) {
    for (const char* id : {"water", "nitrogen", "carbon-dioxide"}) {
        SCOPED_TRACE(id);
        const Substance& s = **findSubstance(id);
        const double kelvin = s.facts().triple.kelvin(), pascal = s.facts().triplePressure.pascal();
        EXPECT_NEAR(s.vapourPressure(Temperature::fromKelvin(kelvin))->pascal() / pascal, 1.0, 5e-4);
        EXPECT_NEAR(s.vapourPressure(Temperature::fromKelvin(kelvin - 1e-6))->pascal() / pascal, 1.0, 5e-4);
        EXPECT_EQ(s.saturationAt(Temperature::fromKelvin(kelvin - 1.0))->phases, Phases::SolidVapour);
        EXPECT_NEAR(s.meltingPressure(s.facts().triple)->pascal() / pascal, 1.0, 1e-9);
    }
}

// Enthalpy of fusion = sublimation - vaporisation at the triple point, by three independent data.
TEST(PublishedValues, HeatsOfFusionCloseTheCycleAtTheTriplePoint) {
    for (const auto& [id, tolerance] :
         {std::pair{"water", 0.01}, {"nitrogen", 0.15}, {"carbon-dioxide", 0.05}}) {
        SCOPED_TRACE(id);
        const Substance& s = **findSubstance(id);
        const double kelvin = s.facts().triple.kelvin();
        const double sublimation = *s.molarEnthalpyOfVaporisation(Temperature::fromKelvin(kelvin - 1e-4));
        const double vaporisation = *s.molarEnthalpyOfVaporisation(Temperature::fromKelvin(kelvin));
        EXPECT_NEAR((sublimation - vaporisation) / s.properties().enthalpyOfFusion->value, 1.0, tolerance);
    }
}

TEST(PublishedValues, SupercooledWaterLiesAboveIceAndIsNotOfferedAboveTheTriplePoint) {
    // Smithsonian Meteorological Tables, over supercooled water: degC, Pa.
    for (const auto& [celsius, pascal] : {std::pair{-10.0, 286.3}, {-20.0, 125.4}, {-25.0, 80.7}}) {
        const auto t = Temperature::fromCelsius(celsius);
        EXPECT_NEAR(water().metastableLiquidPressure(t)->pascal() / pascal, 1.0, 3e-3);
        EXPECT_GT(water().metastableLiquidPressure(t)->pascal(), water().vapourPressure(t)->pascal());
    }
    for (const auto& [celsius, pascal] : {std::pair{-10.0, 286.3}, {-20.0, 125.4}, {-25.0, 80.7}})
        EXPECT_NEAR(water().metastableLiquidTemperature(Pressure::fromPascal(pascal))->celsius(), celsius,
                    0.05);
    for (const double outside : {0.0, 700.0, 1e5}) {
        const auto none = water().metastableLiquidTemperature(Pressure::fromPascal(outside));
        ASSERT_FALSE(none) << outside;
        EXPECT_NE(plain(none.error().message).find("supercooled water is known from"), std::string::npos);
    }
    EXPECT_FALSE((*findSubstance("acetone"))->metastableLiquidTemperature(Pressure::fromPascal(2.0)));
    EXPECT_FALSE(water().metastableLiquidPressure(Temperature::fromCelsius(5.0)));
    EXPECT_FALSE((*findSubstance("acetone"))->metastableLiquidPressure(Temperature::fromCelsius(-100.0)));
    EXPECT_EQ((*findSubstance("acetone"))->lowestMetastable(), (*findSubstance("acetone"))->facts().triple);
}

// What the 1 % of propan-2-ol at 25 degC rests on, as printed pressures there lie 4 to 5 % apart: boiling
// pressures measured at 330 K (D. Ambrose, C. H. S. Sprake, J. Chem. Thermodyn. 2 (1970) 631), continued by
// Clapeyron's equation with enthalpies measured in a calorimeter (V. Majer, V. Svoboda, IUPAC (1985)).
TEST(PublishedValues, PropanolContinuesFromBoilingPressuresByCalorimetricEnthalpies) {
    const Substance& s = **findSubstance("propan-2-ol");
    const auto enthalpy = [](double t) {
        const double reduced = t / 508.3;
        return 53380.0 * std::exp(0.7080 * reduced) * std::pow(1.0 - reduced, 0.6538); // J/mol
    };
    const auto rate = [&](double t, double logarithm) {
        constexpr double kLiquid = 7.7e-5; // m3/mol
        const double x = 298.15 / t - 1.0, second = -1e-6 * (3165.0 + 16092.0 * x + 24197.0 * x * x);
        const double p = std::exp(logarithm);
        return enthalpy(t) / (t * p * (kMolarGas * t / p + second - kLiquid));
    };
    constexpr int kSteps = 2000;
    constexpr double kStart = 329.92, kEnd = 298.15, kStep = (kEnd - kStart) / kSteps; // K
    double logarithm = std::log(1e5) + std::log(10.0) * (4.8610 - 1357.427 / (kStart - 75.814));
    for (int i = 0; i < kSteps; ++i) { // midpoint rule
        const double t = kStart + i * kStep;
        const double half = logarithm + 0.5 * kStep * rate(t, logarithm);
        logarithm += kStep * rate(t + 0.5 * kStep, half);
    }
    const auto own = s.saturationAt(Temperature::fromKelvin(kEnd));
    EXPECT_NEAR(own->pressure.pascal() / std::exp(logarithm), 1.0, 0.005);
    EXPECT_LE(own->relativePressureU, 0.01 + 1e-12);
}

// Why acetone still boils where water freezes.
TEST(PublishedValues, AcetoneBoilsAtThePressureAtWhichWaterFreezes) {
    const Substance& acetone = **findSubstance("acetone");
    EXPECT_FALSE(acetone.boilingPoint(Pressure::fromPascal(611.657)));
    EXPECT_LT(acetone.boilingPoint(Pressure::fromPascal(3000.0))->celsius(), -19.0);
    EXPECT_GT(water().boilingPoint(Pressure::fromPascal(3000.0))->celsius(), 20.0);
}

} // namespace
} // namespace uttrin
