#include "plan/Plan.h"
#include "plan/RunSheet.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <functional>
#include <limits>

namespace uttrin {
namespace {

struct BadRow {
    const char* says;
    std::function<void(Plan&)> spoil;
};

TEST(PlanCheck, EveryNonsensicalFieldIsNamed) {
    const double nan = std::numeric_limits<double>::quiet_NaN();
    const BadRow rows[] = {
        {"'treacle' is not a fluid", [](Plan& p) { p.substance = "treacle"; }},
        {"smallest division of the gauge", [](Plan& p) { p.rig.gauge.division = 0.0; }},
        {"accuracy of the gauge", [](Plan& p) { p.rig.gauge.accuracy = -1.0; }},
        {"smallest division of the thermometer", [nan](Plan& p) { p.rig.thermometer.division = nan; }},
        {"the vessel’s volume must be above 0 L", [](Plan& p) { p.rig.vesselLitre = 0.0; }},
        {"the liquid’s volume", [](Plan& p) { p.rig.liquidLitre = -1.0; }},
        {"does not fit into the vessel", [](Plan& p) { p.rig.liquidLitre = 2.0; }},
        {"depth must be 0 to 200 cm", [](Plan& p) { p.rig.depthCm = 500.0; }},
        {"the heater’s power", [](Plan& p) { p.rig.heaterWatt = 0.0; }},
        {"the pump’s speed", [nan](Plan& p) { p.rig.pumpLitrePerMinute = nan; }},
        {"the pump’s ultimate pressure", [](Plan& p) { p.rig.pumpUltimatePa = 0.0; }},
        {"the period", [](Plan& p) { p.periodMinutes = 0.0; }},
        {"water must start between 0.01 and 99.97 degC", [](Plan& p) { p.startCelsius = 120.0; }},
        {"not on half of a bracket", [](Plan& p) { p.criterion = BoilingCriterion::BracketStops; }},
        {"2 to 100 targets; it has 1", [](Plan& p) { p.ladder.count = 1; }},
        {"lower end must be above 0 Pa", [](Plan& p) { p.ladder.from = -5.0; }},
        {"upper end must be above its lower end", [](Plan& p) { p.ladder.to = p.ladder.from; }},
        {"the trial point’s pressure", [](Plan& p) { p.ladder.trialPa = 0.0; }},
        {"ends must be numbers", [nan](Plan& p) { p.ladder.to = nan; }},
        {"dial step must be above zero",
         [](Plan& p) {
             p.ladder.spacing = Spacing::DialSteps;
             p.ladder.dialStep = 0.0;
         }},
        {"more than 100 dial steps",
         [](Plan& p) {
             p.ladder.spacing = Spacing::DialSteps;
             p.ladder.from = -90.0;
             p.ladder.to = 0.0;
             p.ladder.dialStep = 0.1;
         }},
    };
    for (const BadRow& row : rows) {
        SCOPED_TRACE(row.says);
        Plan plan;
        ASSERT_TRUE(check(plan));
        row.spoil(plan);
        const auto checked = check(plan);
        ASSERT_FALSE(checked);
        EXPECT_EQ(checked.error().kind, Failure::BadInput);
        EXPECT_NE(plain(checked.error().message).find(row.says), std::string::npos)
            << checked.error().message;
    }
}

TEST(PlanCheck, IdentifiersGoThereAndBack) {
    for (const auto m : {Method::HoldPressure, Method::HoldTemperature})
        EXPECT_EQ(*methodFromId(id(m)), m);
    for (const auto a : {NucleationAid::None, NucleationAid::Chips, NucleationAid::Stirrer})
        EXPECT_EQ(*nucleationAidFromId(id(a)), a);
    for (const auto s :
         {Spacing::Pressure, Spacing::Temperature, Spacing::InverseTemperature, Spacing::DialSteps})
        EXPECT_EQ(*spacingFromId(id(s)), s);
    EXPECT_EQ(spacingFromId("even").error().message,
              "'even' is not a spacing; accepted: pressure, temperature, inverse-temperature, dial-steps");
}

TEST(PlanCheck, EverythingToFetchFollowsFromTheRig) {
    const auto list = [](const Plan& p) {
        std::string all;
        for (const auto& m : materialsFor(p))
            all += plain(m) + "\n";
        return all;
    };
    Plan plan;
    EXPECT_NE(list(plan).find("heating mantle"), std::string::npos);
    EXPECT_NE(list(plan).find("boiling chips"), std::string::npos);
    plan.method = Method::HoldTemperature;
    plan.rig.aid = NucleationAid::Stirrer;
    plan.rig.gauge.convention = PressureConvention::TwoArm;
    EXPECT_EQ(list(plan).find("heating mantle"), std::string::npos);
    EXPECT_NE(list(plan).find("magnetic stirrer"), std::string::npos);
    EXPECT_NE(list(plan).find("U-tube with its ruler"), std::string::npos);
    EXPECT_NE(list(plan).find("eye protection"), std::string::npos);
}

TEST(PlanCheck, WithoutAnAidBumpingIsWarnedOf) {
    Plan plan;
    plan.rig.aid = NucleationAid::None;
    bool warned = false;
    for (const Caution& c : cautionsFor(plan))
        warned = warned || c.id == "bumping";
    EXPECT_TRUE(warned);
    EXPECT_EQ(cautionsFor(plan).back().id, "rules"); // local rules have the last word
}

RC_GTEST_PROP(PlanCheck, AnySoundLadderGivesTargetsInOrderWithinItsSpan, ()) {
    Plan plan;
    plan.ladder.from = *rc::gen::inRange(1000, 50000);
    plan.ladder.to = plan.ladder.from + *rc::gen::inRange(100, 60000);
    plan.ladder.count = *rc::gen::inRange(2, 40);
    const RoomPressure room{Pressure::fromPascal(*rc::gen::inRange(60000, 105000)), 50.0,
                            RoomMethod::Barometer};
    const auto spacing =
        *rc::gen::element(Spacing::Pressure, Spacing::Temperature, Spacing::InverseTemperature);
    const auto ladder = withSpacing(plan, spacing, room.station);
    RC_ASSERT(ladder.has_value());
    plan.ladder = *ladder;
    const auto sheet = makeRunSheet(plan, room);
    RC_ASSERT(sheet.has_value());
    RC_ASSERT(static_cast<int>(sheet->targets.size()) == plan.ladder.count);
    for (std::size_t i = 0; i < sheet->targets.size(); ++i) {
        const Target& t = sheet->targets[i];
        RC_ASSERT(t.order == static_cast<int>(i) + 1);
        RC_ASSERT(t.boilsU > 0.0 && t.kelvinPerDivision > 0.0 && t.depthKelvin > 0.0);
        RC_ASSERT((t.state == TargetState::AboveRoom) ==
                  (t.absolute.pascal() > room.station.pascal() + 0.01));
        RC_ASSERT(t.state != TargetState::Ok || t.seconds > 0.0);
        if (i > 0) RC_ASSERT(t.absolute > sheet->targets[i - 1].absolute);
    }
}

} // namespace
} // namespace uttrin
