#include "instruments/PressureInstrument.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

RoomPressure roomOf(double pa, double u = 50.0) {
    return {Pressure::fromPascal(pa), u, RoomMethod::Barometer};
}

PressureInstrument uTube(double armSum = 87.0, double celsius = 22.0) {
    PressureInstrument i;
    i.name = "U-tube";
    i.convention = PressureConvention::TwoArm;
    i.unit = "cm";
    i.division = 0.1;
    i.accuracy = 0.1;
    i.armSum = armSum;
    i.liquidCelsius = celsius;
    return i;
}

PressureInstrument dial(PressureConvention convention, const char* unitName, double division) {
    PressureInstrument i;
    i.convention = convention;
    i.unit = unitName;
    i.division = division;
    i.accuracy = division;
    return i;
}

TEST(PressureInstrument, MercuryHasItsAcceptedDensity) {
    EXPECT_NEAR(mercuryDensity(20.0), 13545.85, 0.05); // P. H. Bigg 1964
    EXPECT_NEAR(mercuryDensity(0.0), 13595.08, 0.05);
}

TEST(PressureInstrument, AUTubeIsReadAsTwoArms) {
    const auto p = toAbsolute(uTube(), {66.0, 21.0}, roomOf(100820));
    ASSERT_TRUE(p);
    EXPECT_NEAR(p->pressure.pascal(), 100820 - 0.45 * mercuryDensity(22.0) * 9.80665, 1e-6);
    const auto half = toAbsolute(uTube(), {66.0, std::nullopt}, roomOf(100820));
    ASSERT_FALSE(half);
    EXPECT_NE(plain(half.error().message).find("right arm"), std::string::npos);
}

TEST(PressureInstrument, EveryConventionGivesTheSamePressure) {
    const auto room = roomOf(94310);
    EXPECT_NEAR(
        toAbsolute(dial(PressureConvention::GaugeNegative, "bar", 0.02), {-0.7, {}}, room)->pressure.pascal(),
        24310, 1e-6);
    EXPECT_NEAR(
        toAbsolute(dial(PressureConvention::VacuumDepth, "kPa", 1), {70, {}}, room)->pressure.pascal(), 24310,
        1e-6);
    EXPECT_NEAR(toAbsolute(dial(PressureConvention::Absolute, "mbar", 1), {243.1, {}}, std::nullopt)
                    ->pressure.pascal(),
                24310, 1e-6);
}

TEST(PressureInstrument, WithoutARoomOnlyAnAbsoluteGaugeSaysAnything) {
    const auto p = toAbsolute(dial(PressureConvention::GaugeNegative, "bar", 0.02), {-0.7, {}}, std::nullopt);
    ASSERT_FALSE(p);
    EXPECT_EQ(p.error().kind, Failure::Unreferenced);
}

TEST(PressureInstrument, TheZeroOpenToTheRoomIsTakenOff) {
    const auto room = roomOf(94310);
    const auto gauge = dial(PressureConvention::GaugeNegative, "kPa", 1);
    EXPECT_NEAR(toAbsolute(gauge, {-68, {}}, room, GaugeReading{2, {}})->pressure.pascal(), 24310, 1e-6);
    const auto absolute = dial(PressureConvention::Absolute, "kPa", 1);
    EXPECT_NEAR(toAbsolute(absolute, {25.31, {}}, room, GaugeReading{95.31, {}})->pressure.pascal(), 24310,
                1e-6);
}

// The vessel empty, then full, on one gauge whose needle stands 0.8 kPa too high: what it is off by is in
// both.
RC_GTEST_PROP(PressureInstrument, TheZeroOfAGaugeThatGaveTheRoomToCancels, ()) {
    const double room = *rc::gen::inRange(60'000, 105'000), floor = *rc::gen::inRange(0, 2500),
                 wanted = *rc::gen::inRange(3000, 60'000);
    const double zero = *rc::gen::inRange(-30, 31) / 10.0; // kPa
    RoomEntry pull;
    pull.method = RoomMethod::DeadHead;
    pull.unit = "kPa";
    pull.value = -(room - floor) / 1000.0 + zero;
    pull.ultimatePa = floor;
    const auto known = stationPressure(pull);
    RC_ASSERT(known.has_value());
    const auto gauge = dial(PressureConvention::GaugeNegative, "kPa", 1);
    const GaugeReading shown{-(room - wanted) / 1000.0 + zero, {}};
    for (const auto& check : {std::optional<GaugeReading>(), std::optional(GaugeReading{zero, {}})}) {
        const auto p = toAbsolute(gauge, shown, *known, check);
        RC_ASSERT(p.has_value());
        RC_ASSERT(std::abs(p->pressure.pascal() - wanted) < 0.1);
    }
    // Another gauge has another zero, which does not cancel.
    auto other = gauge;
    other.unit = "mbar";
    const auto q = toAbsolute(other, {-(known->station.pascal() - wanted) / 100.0 + 5.0, {}}, *known,
                              GaugeReading{5.0, {}});
    RC_ASSERT(q.has_value());
    RC_ASSERT(std::abs(q->pressure.pascal() - wanted) < 0.1);
}

// Close to what the pump left, a class that is an error of the scale says nothing; by the room it says all.
TEST(PressureInstrument, OfTheClassThatGaveTheRoomItsScaleRemains) {
    RoomEntry pull;
    pull.method = RoomMethod::DeadHead;
    pull.unit = "kPa";
    pull.value = -84.0;
    pull.ultimatePa = 0.0;
    const auto room = *stationPressure(pull);
    auto gauge = dial(PressureConvention::GaugeNegative, "kPa", 0.01);
    gauge.accuracy = 2.0;
    const double all = 2000.0 / std::sqrt(3.0);
    EXPECT_LT(toAbsolute(gauge, {-83.99, {}}, room)->uShared, 0.01 * all);
    EXPECT_NEAR(toAbsolute(gauge, {-42.0, {}}, room)->uShared, 0.5 * all, 1.0);
    EXPECT_NEAR(toAbsolute(gauge, {0.0, {}}, room)->uShared, all, 1.0);
}

TEST(PressureInstrument, SharedAndIndependentUncertaintyAreKeptApart) {
    const auto gauge = dial(PressureConvention::GaugeNegative, "kPa", 1);
    const auto p = *toAbsolute(gauge, {-68, {}}, roomOf(94310, 400));
    EXPECT_NEAR(p.uIndependent, 500 / std::sqrt(3.0), 1e-9);
    EXPECT_NEAR(p.uShared, std::hypot(1000 / std::sqrt(3.0), 400), 1e-9);
    EXPECT_NEAR(p.u(), std::hypot(p.uIndependent, p.uShared), 1e-9);
}

TEST(PressureInstrument, ShowsWholeAndHalfDivisions) {
    const auto gauge = dial(PressureConvention::GaugeNegative, "bar", 0.02);
    EXPECT_EQ(text(gauge, {-0.7, {}}), "−0.70");
    EXPECT_EQ(text(uTube(), {61.7, 20.4}), "61.7 | 20.4");
    EXPECT_EQ(text(uTube(), {61.75, 20.4}), "61.75 | 20.40");
}

// What is shown of a target has no more figures than the dial: -19.18 and not -19.175 in divisions of 0.05.
TEST(PressureInstrument, ReadsBetweenDivisionsWithoutMoreFiguresThanTheEyeHas) {
    for (const auto& [division, step] : {std::pair{0.05, 0.01},
                                         {0.1, 0.05},
                                         {0.02, 0.01},
                                         {5.0, 1.0},
                                         {1.0, 0.5},
                                         {0.5, 0.1},
                                         {0.25, 0.125},
                                         {2.0, 1.0},
                                         {50.0, 10.0}})
        EXPECT_NEAR(readableStep(dial(PressureConvention::GaugeNegative, "inHg", division)), step, 1e-12)
            << division;
    const auto gauge = dial(PressureConvention::GaugeNegative, "inHg", 0.05);
    const auto shown = toReadableReading(gauge, Pressure::fromPascal(101'325.0 - 19.176 * 3386.389),
                                         Pressure::fromPascal(101'325.0));
    EXPECT_EQ(tableText(gauge, shown), "\u221219.18");
}

TEST(PressureInstrument, ANonsensicalDeclarationIsNamed) {
    auto i = uTube(0.0);
    EXPECT_NE(plain(check(i).error().message).find("arms"), std::string::npos);
    i = dial(PressureConvention::Absolute, "cm", 1);
    EXPECT_NE(plain(check(i).error().message).find("unit of pressure"), std::string::npos);
    i = dial(PressureConvention::Absolute, "kPa", 0);
    EXPECT_NE(plain(check(i).error().message).find("division"), std::string::npos);
}

TEST(PressureInstrument, ADisplayIsReadToAWholeStepANeedleToHalfADivision) {
    PressureInstrument g;
    g.convention = PressureConvention::Absolute;
    g.unit = "hPa";
    g.division = 1.0;
    const auto inside = Pressure::fromPascal(20'060.0), room = Pressure::fromPascal(94'310.0);
    EXPECT_DOUBLE_EQ(toReadableReading(g, Pressure::fromPascal(20'040.0), room).first, 200.5);
    EXPECT_EQ(tableText(g, {200.5, std::nullopt}), "200.5");
    g.digital = true;
    EXPECT_DOUBLE_EQ(toReadableReading(g, inside, room).first, 201.0);
    EXPECT_EQ(tableText(g, {201.0, std::nullopt}), "201");
    EXPECT_DOUBLE_EQ(readableStep(g), 1.0);
    g.convention = PressureConvention::TwoArm; // a tube has levels, whatever was declared before
    EXPECT_DOUBLE_EQ(readableStep(g), 0.5);
}

TEST(PressureInstrument, AScaleEndsWhereItSaysElseAtARoundNumberBeyondTheRoom) {
    PressureInstrument g;
    g.unit = "bar";
    EXPECT_EQ(spanShown(g, 94'310.0), std::pair(-1.0, 0.0));
    g.convention = PressureConvention::Absolute;
    g.unit = "hPa";
    EXPECT_EQ(spanShown(g, 94'310.0), std::pair(0.0, 1000.0));
    g.spanLow = 1200.0; // declared from the top down
    g.spanHigh = 200.0;
    EXPECT_EQ(spanShown(g, 94'310.0), std::pair(200.0, 1200.0));
}

RC_GTEST_PROP(PressureInstrument, ReadingToPressureAndBackIsTheIdentity, ()) {
    const auto convention = *rc::gen::element(PressureConvention::Absolute, PressureConvention::GaugeNegative,
                                              PressureConvention::VacuumDepth, PressureConvention::TwoArm);
    auto gauge = convention == PressureConvention::TwoArm
                     ? uTube(*rc::gen::inRange(80, 160), *rc::gen::inRange(5, 35))
                     : dial(convention, "kPa", 1);
    const auto room = roomOf(*rc::gen::inRange(60000, 106000));
    const double pa = *rc::gen::inRange(100, 106000);
    std::optional<GaugeReading> zero;
    if (*rc::gen::arbitrary<bool>())
        zero = toReading(gauge, room.station + PressureDifference::fromPascal(*rc::gen::inRange(-2000, 2000)),
                         room.station);
    const auto reading = toReading(gauge, Pressure::fromPascal(pa), room.station, zero);
    const auto back = toAbsolute(gauge, reading, room, zero);
    RC_ASSERT(back.has_value());
    RC_ASSERT(std::abs(back->pressure.pascal() - pa) < 1e-6);
    RC_ASSERT(back->uIndependent > 0.0 && back->uShared > 0.0);
    RC_ASSERT(
        std::abs(scaleValue(gauge, toReadableReading(gauge, Pressure::fromPascal(pa), room.station, zero)) -
                 scaleValue(gauge, reading)) <= 0.5 * gauge.division + 1e-9);
}

TEST(PressureInstrument, AClosedUTubeCountsFromAVacuumWhateverTheRoomDoes) {
    PressureInstrument g;
    g.convention = PressureConvention::ClosedTwoArm;
    g.unit = "cm";
    g.division = g.accuracy = 0.1;
    g.armSum = 40.0;
    const auto p = toAbsolute(g, {25.0, 15.0}, std::nullopt);
    ASSERT_TRUE(p);
    EXPECT_NEAR(p->pressure.pascal(), 0.1 * 13545.86 * 9.80665, 1.0); // 10 cm of mercury at 20 degC
    const auto back = toReading(g, p->pressure, Pressure::fromPascal(94310.0));
    EXPECT_NEAR(back.first, 25.0, 1e-9);
    EXPECT_NEAR(*back.second, 15.0, 1e-9);
}

TEST(PressureInstrument, WaterAndOilColumnsHaveTheirOwnDensity) {
    PressureInstrument g;
    g.convention = PressureConvention::TwoArm;
    g.unit = "cm";
    g.armSum = 100.0;
    g.liquid = ManometerLiquid::Water;
    EXPECT_NEAR(pascalPerScaleUnit(g), 0.01 * 998.2 * 9.80665, 0.01); // steam tables, 20 degC
    g.liquid = ManometerLiquid::Oil;
    g.oilDensity20 = 850.0;
    g.liquidCelsius = 30.0;
    EXPECT_NEAR(manometerDensity(g), 850.0 / 1.007, 1e-9);
    g.oilDensity20 = 13000.0;
    EXPECT_FALSE(check(g));
    EXPECT_FALSE(manometerLiquidFromId("honey"));
}

TEST(PressureInstrument, AHeatConductionGaugeIsReadByTheGasThatItSees) {
    PressureInstrument g;
    g.convention = PressureConvention::ThermalConductivity;
    g.unit = "mbar";
    g.division = g.accuracy = 0.01;
    const auto air = toAbsolute(g, {1.0, std::nullopt}, std::nullopt);
    g.gas = "water-vapour";
    const auto vapour = toAbsolute(g, {1.0, std::nullopt}, std::nullopt);
    EXPECT_NEAR(air->pressure.pascal(), 100.0, 1e-9);
    EXPECT_LT(vapour->pressure.pascal(), 80.0); // over water it reads high
    EXPECT_GT(vapour->u() / vapour->pressure.pascal(), 0.1);
    g.gas = "smoke";
    EXPECT_FALSE(check(g));
    for (const GasFactor& known : gasFactors())
        EXPECT_EQ(*gasFactor(known.gas), known.factor);
}

RC_GTEST_PROP(PressureInstrument, EveryConventionReadsBackWhatItShows, ()) {
    PressureInstrument g;
    g.convention =
        *rc::gen::element(PressureConvention::Absolute, PressureConvention::GaugeNegative,
                          PressureConvention::VacuumDepth, PressureConvention::TwoArm,
                          PressureConvention::ClosedTwoArm, PressureConvention::ThermalConductivity);
    g.unit = hasTwoArms(g.convention) ? "cm" : "mbar";
    g.armSum = 90.0;
    g.liquid = *rc::gen::element(ManometerLiquid::Mercury, ManometerLiquid::Water, ManometerLiquid::Oil);
    g.gas = std::string(gasFactors()[*rc::gen::inRange<std::size_t>(0, gasFactors().size())].gas);
    const auto p = Pressure::fromPascal(*rc::gen::inRange(10, 120000));
    const RoomPressure room{Pressure::fromPascal(*rc::gen::inRange(60000, 105000)), 30.0,
                            RoomMethod::Barometer};
    const auto back = toAbsolute(g, toReading(g, p, room.station), room);
    RC_ASSERT(std::abs(back->pressure.pascal() - p.pascal()) < 1e-6);
    RC_ASSERT(back->u() > 0.0);
    RC_ASSERT(*pressureConventionFromId(id(g.convention)) == g.convention);
}

} // namespace
} // namespace uttrin
