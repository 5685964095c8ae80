#include "plan/PlanJson.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace uttrin {
namespace {

constexpr const char* kPlan = R"({
  "room": {"method": "barometer", "reading": "943.1 hPa", "uncertainty": "0.3 hPa"},
  "method": "hold-pressure",
  "rig": {"gauge": {"name": "U-tube", "convention": "two-arm", "unit": "cm", "division": 0.1, "accuracy": 0.1, "arm_sum": 82.1}},
  "ladder": {"spacing": "pressure", "from": "20 kPa", "to": "90 kPa", "count": 10, "taster": "12 kPa"}
})";

TEST(PlanJson, ReadsAPlanWrittenByHand) {
    const auto file = readPlanFile(kPlan);
    ASSERT_TRUE(file) << file.error().message;
    EXPECT_EQ(file->plan.rig.gauge.convention, PressureConvention::TwoArm);
    EXPECT_DOUBLE_EQ(file->plan.ladder.from, 20e3);
    EXPECT_DOUBLE_EQ(*file->plan.ladder.trialPa, 12e3);
    EXPECT_DOUBLE_EQ(file->room.value, 943.1);
}

struct BadRow {
    const char* from;
    const char* to;
    const char* says;
};

TEST(PlanJson, AMistakeIsNamedByItsPathAndWhatIsAccepted) {
    const BadRow rows[] = {
        {"\"943.1 hPa\"", "\"943.1\"", "/room/reading: "},
        {"\"943.1 hPa\"", "943.1", "/room/reading: expected a text"},
        {"\"hold-pressure\"", "\"hold\"",
         "/method: 'hold' is not a method; accepted: hold-pressure, hold-temperature"},
        {"\"two-arm\"", "\"arms\"", "/rig/gauge/convention: "},
        {"\"cm\"", "\"kPa\"", "/rig/gauge/unit: 'kPa' is not a unit of length"},
        {"0.1, \"acc", "\"0.1\", \"acc", "/rig/gauge/division: expected a number"},
        {"82.1", "0", "arms"},
        {"\"20 kPa\"", "\"95 kPa\"", "upper end must be above"},
        {"\"count\": 10", "\"count\": 1", "2 to 100"},
        {"\"count\": 10", "\"count\": 2.5", "/ladder/count: expected a whole number"},
        {"\"12 kPa\"", "\"-12 kPa\"", "/ladder/taster: "},
        {"{\"spacing\"", "[{\"spacing\"", "JSON"},
    };
    for (const BadRow& row : rows) {
        SCOPED_TRACE(row.to);
        std::string text = kPlan;
        const auto at = text.find(row.from);
        ASSERT_NE(at, std::string::npos);
        text.replace(at, std::string(row.from).size(), row.to);
        const auto file = readPlanFile(text);
        ASSERT_FALSE(file);
        EXPECT_NE(plain(file.error().message).find(row.says), std::string::npos) << file.error().message;
    }
}

TEST(PlanJson, APlanWithoutARoomIsRefused) {
    const auto file = readPlanFile("{}");
    ASSERT_FALSE(file);
    EXPECT_NE(plain(file.error().message).find("/room"), std::string::npos);
}

RC_GTEST_PROP(PlanJson, AWrittenPlanReadsBackTheSame, ()) {
    PlanFile file = *readPlanFile(kPlan);
    file.plan.method = *rc::gen::element(Method::HoldPressure, Method::HoldTemperature);
    file.plan.ladder.spacing = *rc::gen::element(Spacing::Pressure, Spacing::Temperature,
                                                 Spacing::InverseTemperature, Spacing::DialSteps);
    const double low = *rc::gen::inRange(1, 300);
    file.plan.ladder.from = low;
    file.plan.ladder.to = low + *rc::gen::inRange(1, 50) / 7.0;
    file.plan.ladder.count = *rc::gen::inRange(2, 60);
    if (*rc::gen::arbitrary<bool>()) file.plan.ladder.moved[3] = 4321.5;
    file.plan.ladder.trialInFit = *rc::gen::arbitrary<bool>();
    file.room.method = *rc::gen::element(RoomMethod::Barometer, RoomMethod::SeaLevelReport,
                                         RoomMethod::Altitude, RoomMethod::DeadHead);
    if (*rc::gen::arbitrary<bool>()) file.room.ultimatePa = *rc::gen::inRange(0, 5000) / 4.0;
    if (*rc::gen::arbitrary<bool>()) file.room.roomCelsius = *rc::gen::inRange(-80, 180) / 4.0;
    if (*rc::gen::arbitrary<bool>()) file.plan.startCelsius = *rc::gen::inRange(0, 360) / 4.0;
    file.room.altitudeM = *rc::gen::inRange(0, 4000);
    const std::string once = writePlanFile(file);
    const auto back = readPlanFile(once);
    RC_ASSERT(back.has_value());
    RC_ASSERT(writePlanFile(*back) == once);
    RC_ASSERT(back->room.ultimatePa.has_value() ==
              (file.room.ultimatePa.has_value() && file.room.method == RoomMethod::DeadHead));
    RC_ASSERT(back->room.roomCelsius == file.room.roomCelsius);
    RC_ASSERT(back->plan.startCelsius == file.plan.startCelsius);
}

RC_GTEST_PROP(PlanJson, AnyTextIsReadOrRefusedWithAReason, (std::string text)) {
    const auto file = readPlanFile(text);
    if (!file) RC_ASSERT(!file.error().message.empty());
}

TEST(PlanJson, InstrumentsSolutionsAndBarometersComeBackAsTheyWere) {
    Plan p;
    p.solute = {SoluteKind::Ideal, 0.4, 2.5};
    p.rig.gauge.convention = PressureConvention::ClosedTwoArm;
    p.rig.gauge.unit = "mm";
    p.rig.gauge.armSum = 400.0;
    p.rig.gauge.liquid = ManometerLiquid::Oil;
    p.rig.gauge.oilDensity20 = 871.5;
    p.rig.gauge.spanHigh = 400.0;
    p.rig.gauge.digital = true;
    Thermometer& t = p.rig.thermometer;
    t.kind = ThermometerKind::Mercury;
    t.emergentFromCelsius = 12.5;
    t.stemCelsius = 24.0;
    t.calibrations = {{0.2, 97.9, 94310.0, 25.0, 1'776'932'460'000}};
    const auto back = readPlan(writePlan(p));
    ASSERT_TRUE(back) << back.error().message;
    EXPECT_EQ(back->solute, p.solute);
    EXPECT_EQ(back->rig.gauge.convention, p.rig.gauge.convention);
    EXPECT_EQ(back->rig.gauge.liquid, p.rig.gauge.liquid);
    EXPECT_EQ(back->rig.gauge.oilDensity20, 871.5);
    EXPECT_EQ(back->rig.gauge.spanHigh, 400.0);
    EXPECT_TRUE(back->rig.gauge.digital);
    EXPECT_EQ(back->rig.thermometer.kind, t.kind);
    EXPECT_NEAR(*back->rig.thermometer.emergentFromCelsius, 12.5, 1e-9);
    EXPECT_EQ(back->rig.thermometer.calibrations, t.calibrations);

    RoomEntry e;
    e.method = RoomMethod::MercuryBarometer;
    e.mercury.mainScale = 709.0;
    e.mercury.vernierLine = 4;
    e.mercury.scale = ScaleMaterial::Glass;
    e.mercury.latitudeDegrees = 61.2;
    e.mercury.ticks = BarometerTicks{true, false, true, false};
    e.roomCelsius = 33.5;
    const auto room = readRoom(writeRoom(e));
    ASSERT_TRUE(room) << room.error().message;
    EXPECT_EQ(room->mercury, e.mercury);
    EXPECT_EQ(room->roomCelsius, e.roomCelsius);
}

TEST(PlanJson, AStepOfTheBarometerThatNobodyKnowsIsNamed) {
    const auto room = readRoom(R"({"method": "mercury", "mercury": {"main_scale": "709 mmHg", "ticked":
        ["cone", "polish"]}})");
    ASSERT_FALSE(room);
    const std::string said = plain(room.error().message);
    EXPECT_NE(said.find("/mercury/ticked"), std::string::npos) << said;
    EXPECT_NE(said.find("attached, cone, slide, vernier"), std::string::npos) << said;
}

} // namespace
} // namespace uttrin
