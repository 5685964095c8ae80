#include "lesson/views/WorkUp.h"

#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

using WorkUpTest = testing::DrivenLesson;

/// All steps of the first reading as one text.
std::string stepsText(const LessonSession& s) {
    const auto reading = s.model().reduce(*s.runId()).front();
    std::string text;
    for (const WorkStep& step : stepsOf(reading, s.plan(), s.model().zeroOf(reading.raw)))
        text += plain(Text::set("{}: {} = {}\n", step.label, step.how, step.value));
    return text;
}

struct StepRow {
    PressureConvention convention;
    const char* unit;
    double division;
    double first;
    std::optional<double> second;
    std::vector<const char*> says;
};

TEST_F(WorkUpTest, EveryConventionIsWrittenOutStepByStep) {
    enterRoom();
    const StepRow rows[] = {
        {PressureConvention::GaugeNegative,
         "bar",
         0.02,
         -0.7,
         {},
         {"In kilopascal: −0.70 bar × 100 = −70.00 kPa",
          "Absolute pressure: 94.31 kPa + (−70.00 kPa) = 24.31 kPa"}},
        {PressureConvention::GaugeNegative,
         "kPa",
         1.0,
         -70,
         {},
         {"Absolute pressure: 94.31 kPa + (−70.00 kPa) = 24.31 kPa"}},
        {PressureConvention::VacuumDepth,
         "inHg",
         0.5,
         20,
         {},
         {"In kilopascal: 20.0 inHg × 3.38", "Absolute pressure: 94.31 kPa − 67.73 kPa = 26.58 kPa"}},
        {PressureConvention::Absolute, "mbar", 1.0, 243, {}, {"Absolute pressure: as read = 24.30 kPa"}},
        {PressureConvention::TwoArm,
         "cm",
         0.1,
         61.7,
         20.4,
         {"Difference of the arms: 61.70 cm − 20.40 cm = 41.30 cm",
          "As a pressure: 41.30 cm × 13546 kg/m³ × 9.80665 m/s² = 54.86 kPa",
          "Absolute pressure: 94.31 kPa − 54.86 kPa = 39.45 kPa"}},
    };
    for (const StepRow& row : rows) {
        SCOPED_TRACE(row.unit);
        change([&](Plan& p) {
            p.rig.gauge.convention = row.convention;
            p.rig.gauge.unit = row.unit;
            p.rig.gauge.division = p.rig.gauge.accuracy = row.division;
            p.rig.gauge.armSum = 82.1;
        });
        ASSERT_TRUE(s->startRun("Cedar"));
        s->edit([&](BenchDraft& d) { d.first = row.first; });
        s->edit([&](BenchDraft& d) { d.second = row.second; });
        s->edit([&](BenchDraft& d) { d.temperature = 64.3; });
        ASSERT_TRUE(s->capture(true)->readingId);
        const std::string text = stepsText(*s);
        for (const char* says : row.says)
            EXPECT_NE(text.find(says), std::string::npos) << says << "\nin\n" << text;
        EXPECT_NE(text.find("Temperature: 64.3 °C + 273.15 = 337.45 K"), std::string::npos) << text;
        EXPECT_NE(text.find("Its inverse: 1000 K / 337.45 K = 2.963"), std::string::npos) << text;
        EXPECT_NE(text.find("Logarithm: ln("), std::string::npos);
    }
}

TEST_F(WorkUpTest, StepsStopWhereTheRoomIsMissing) {
    ASSERT_TRUE(s->startRun("Cedar"));
    s->edit([&](BenchDraft& d) { d.first = -0.7; });
    s->edit([&](BenchDraft& d) { d.temperature = 64.3; });
    ASSERT_TRUE(s->capture()->readingId);
    const std::string text = stepsText(*s);
    EXPECT_NE(text.find("needs the room’s pressure"), std::string::npos);
    EXPECT_EQ(text.find("Logarithm"), std::string::npos);
    EXPECT_NE(plain(workUpView(*s, {}).problem).find("unreferenced"), std::string::npos);
}

TEST_F(WorkUpTest, WithoutARunItSaysTheOneStepThatBringsOne) {
    EXPECT_NE(plain(workUpView(*s, {}).problem).find("Ctrl+5"), std::string::npos);
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    EXPECT_NE(plain(workUpView(*s, {}).problem).find("three points or more"), std::string::npos);
}

TEST_F(WorkUpTest, AColumnHasTheSameDecimalsAllTheWayDown) {
    enterRoom();
    captureAll();
    const WorkUpView v = workUpView(*s, {});
    const auto decimals = [](const Text& text) {
        const std::string t = plain(text);
        return t.find('.') == std::string::npos ? 0 : t.size() - t.find('.') - 1;
    };
    for (const auto column : {&WorkRow::absolute, &WorkRow::kelvin, &WorkRow::inverse, &WorkRow::logarithm,
                              &WorkRow::residualKelvin, &WorkRow::gauge})
        for (const WorkRow& row : v.rows)
            EXPECT_EQ(decimals(row.*column), decimals(v.rows.front().*column)) << row.*column;
}

TEST_F(WorkUpTest, ResultComparisonAndFitsStandSideBySide) {
    enterRoom();
    captureAll();
    const WorkUpView v = workUpView(*s, {});
    ASSERT_TRUE(v.fit);
    EXPECT_EQ(plain(v.result).rfind("ΔH = 4", 0), 0U) << v.result;
    EXPECT_NE(plain(v.resultUnder).find("Student’s t"), std::string::npos);
    EXPECT_NE(plain(v.resultUnder).find("n = 10"), std::string::npos);
    EXPECT_NE(plain(v.comparison).find("over the same span"), std::string::npos);
    EXPECT_NE(plain(v.boilingPoints).find("in this room"), std::string::npos);
    ASSERT_EQ(v.methods.size(), 3U);
    EXPECT_TRUE(v.methods[2].current);
    EXPECT_FALSE(v.methods[0].roomBoilingPoint.empty());
    EXPECT_EQ(v.methods[0].points, 10);
    EXPECT_NE(plain(workUpView(*s, {FitMethod::York, false}).resultUnder).find("errors as stated"),
              std::string::npos);
    EXPECT_NEAR(v.fit->fit.boilingPointAt(Pressure::fromPascal(94310)).value, 371.13, 0.6);
}

TEST_F(WorkUpTest, ThePointsNamedAsSuperheatedAreThoseThatPeopleSee) {
    enterRoom();
    captureAll();
    // Strike an early point, so that the numbers in the fit and those on screen differ.
    ASSERT_TRUE(s->strike(s->model().readingsOf(*s->runId())[1].id, "misread"));
    s->selectTarget(s->model().readingsOf(*s->runId())[1].place);
    type(27.8e3, 9.0);
    ASSERT_TRUE(s->capture(true)->readingId); // position 11
    const WorkUpView v = workUpView(*s, {});
    ASSERT_FALSE(v.causes.empty());
    EXPECT_NE(plain(v.causes.front()).find("Point 11 lies about"), std::string::npos) << v.causes.front();
}

TEST_F(WorkUpTest, TheCauseIsWithheldWhenTheDataDoNotTell) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    for (int i = 0; i < 4; ++i) {
        type(s->currentTarget()->absolute.pascal());
        ASSERT_TRUE(s->capture()->readingId);
    }
    EXPECT_NE(plain(workUpView(*s, {}).causes.front()).find("Not enough points"), std::string::npos);
}

} // namespace
} // namespace uttrin
