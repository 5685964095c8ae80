#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

/// Any shipped substance at any place of its curve, 0 at the cold end and 1 at the hot one.
const Substance& anySubstance() {
    return *substances()[*rc::gen::inRange<std::size_t>(0, substances().size())];
}
double anyFraction() { return *rc::gen::inRange(0, 1'000'001) / 1e6; }
Temperature at(const Substance& s, double fraction) {
    return Temperature::fromKelvin(
        std::lerp(s.facts().lowest.kelvin(), s.facts().highest.kelvin(), fraction));
}

RC_GTEST_PROP(SubstanceCurves, PressureAndBoilingPointAreInverse, ()) {
    const Substance& s = anySubstance();
    const auto t = at(s, anyFraction());
    const auto back = s.boilingPoint(*s.vapourPressure(t));
    RC_ASSERT(back.has_value());
    RC_ASSERT(std::abs(back->kelvin() / t.kelvin() - 1.0) < 1e-9);
}

RC_GTEST_PROP(SubstanceCurves, PressureRisesWithTemperature, ()) {
    const Substance& s = anySubstance();
    const double a = anyFraction(), b = anyFraction();
    RC_PRE(a < b);
    RC_ASSERT(*s.vapourPressure(at(s, a)) < *s.vapourPressure(at(s, b)));
}

RC_GTEST_PROP(SubstanceCurves, TheSlopeIsTheDerivative, ()) {
    const Substance& s = anySubstance();
    const double fraction = 0.02 + 0.95 * anyFraction();
    const auto t = at(s, fraction);
    const double h = t.kelvin() * 3e-6;
    const auto below = s.saturationAt(Temperature::fromKelvin(t.kelvin() - h)),
               above = s.saturationAt(Temperature::fromKelvin(t.kelvin() + h));
    RC_PRE(below->phases == above->phases);
    const double difference = (above->pressure.pascal() - below->pressure.pascal()) / (2.0 * h);
    RC_ASSERT(std::abs(s.saturationAt(t)->slope / difference - 1.0) < 2e-5);
}

RC_GTEST_PROP(SubstanceCurves, UncertaintyIsNeverZeroOrNegative, ()) {
    const Substance& s = anySubstance();
    const auto state = s.saturationAt(at(s, anyFraction()));
    RC_ASSERT(state->relativePressureU > 0.0);
    RC_ASSERT(state->temperatureU() > 0.0);
}

RC_GTEST_PROP(SubstanceCurves, VapourIsLighterThanTheLiquidOrSolid, ()) {
    const Substance& s = anySubstance();
    const auto t = at(s, 0.99 * anyFraction());
    const auto vapour = s.vapourDensity(t), condensed = s.condensedDensity(t);
    RC_PRE(vapour.has_value() && condensed.has_value());
    RC_ASSERT(*vapour > 0.0);
    RC_ASSERT(*vapour < *condensed);
}

TEST(SubstanceCurves, RefuseToExtrapolateAndGiveTheRange) {
    for (const Substance* s : substances()) {
        SCOPED_TRACE(s->facts().id);
        const auto below = s->vapourPressure(Temperature::fromKelvin(s->facts().lowest.kelvin() - 0.1));
        ASSERT_FALSE(below);
        EXPECT_EQ(below.error().kind, Failure::OutOfRange);
        EXPECT_NE(plain(below.error().message).find(" K to "), std::string::npos);
        EXPECT_FALSE(s->vapourPressure(Temperature::fromKelvin(s->facts().highest.kelvin() + 0.1)));
        const auto far = s->boilingPoint(Pressure::fromPascal(1e9));
        ASSERT_FALSE(far);
        EXPECT_NE(plain(far.error().message).find("lies outside"), std::string::npos);
    }
    const auto vapour = (*findSubstance("acetone"))->vapourDensity(Temperature::fromKelvin(450.0));
    ASSERT_FALSE(vapour);
    EXPECT_EQ(vapour.error().message, "acetone’s vapour density is known from 240 K to 400 K");
}

TEST(SubstanceCurves, HazardsAreKnownWhereTheyMatter) {
    EXPECT_TRUE((*findSubstance("diethyl-ether"))->hasHazard("flammable"));
    EXPECT_FALSE(water().hasHazard("flammable"));
}

} // namespace
} // namespace uttrin
