// What was recorded at the bench, and what it is taken for.
#include "lesson/commands/LessonSession.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/views/NavigationView.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

using BenchRecordTest = testing::DrivenLesson;

// The class said 75 degC for the pressure that the target had, whatever becomes of the ladder.
TEST_F(BenchRecordTest, PredictionsBelongToAPressureAndNotToARow) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    EXPECT_FALSE(s->lockPredictions()); // nothing entered
    Plan plan = s->plan();
    plan.ladder = {};
    plan.ladder.spacing = Spacing::Pressure;
    plan.ladder.from = 20e3;
    plan.ladder.to = 80e3;
    plan.ladder.count = 6;
    ASSERT_TRUE(s->changePlan(plan, Text::set("6")));
    ASSERT_TRUE(s->predict(1, Temperature::fromCelsius(75.0))); // 32 kPa
    ASSERT_TRUE(s->predict(4, Temperature::fromCelsius(90.0)));
    ASSERT_TRUE(s->lockPredictions());
    plan.ladder.count = 5;
    ASSERT_TRUE(s->changePlan(plan, Text::set("5")));
    const auto own = s->model().predictionsOf(s->setupId());
    ASSERT_EQ(own.size(), 2U);
    EXPECT_NEAR(*own[0].pascal, 32e3, 1.0);
    for (const Target& t : s->sheet()->targets)
        EXPECT_FALSE(belongs(own[0], t)) << t.absolute.kilopascal(); // 35 kPa is another question
    ASSERT_TRUE(s->unlockPredictions());
    ASSERT_TRUE(s->predict(1, Temperature::fromCelsius(72.0)));
    EXPECT_EQ(s->model().predictionsOf(s->setupId()).size(), 3U);
    EXPECT_EQ(s->model().data().unlockings.size(), 1U);
    ASSERT_TRUE(s->undo());
    ASSERT_TRUE(s->undo());
    EXPECT_TRUE(s->model().setup(s->setupId()).predictionsLockedAt);
    EXPECT_TRUE(s->model().data().unlockings.empty());
}

TEST_F(BenchRecordTest, TheDriftBetweenTwoReadingsOfTheRoomCountsWhicheverWasEnteredFirst) {
    const Milliseconds begin = clock.time, hour = 3'600'000;
    ASSERT_TRUE(s->enterRoom(barometer(940.0), RoomRole::Start, begin + 2 * hour));
    ASSERT_TRUE(s->enterRoom(barometer(944.0), RoomRole::End, begin));
    const auto at = [&](double hours) {
        return s->model()
            .room(std::nullopt, begin + static_cast<Milliseconds>(hours * hour))
            ->station.pascal();
    };
    EXPECT_NEAR(at(1.0), 94'200.0, 1e-6);
    EXPECT_NEAR(at(0.5), 94'300.0, 1e-6);
    EXPECT_NEAR(at(-1.0), 94'400.0, 1e-6);
    EXPECT_NEAR(at(3.0), 94'000.0, 1e-6);
}

TEST_F(BenchRecordTest, TheCriterionIsThatOfThePlanOnOpeningAndWhenItChanges) {
    EXPECT_EQ(s->draft().criterion, s->plan().criterion);
    Plan plan = s->plan();
    plan.criterion = BoilingCriterion::FirstBubbles;
    ASSERT_TRUE(s->changePlan(plan, Text::set("")));
    EXPECT_EQ(s->draft().criterion, BoilingCriterion::FirstBubbles);
    testing::HandledSession again(*Notebook::open(s->notebook().path()), clock, 120);
    EXPECT_EQ(again.draft().criterion, BoilingCriterion::FirstBubbles);
}

TEST_F(BenchRecordTest, ABracketIsOnePointWithAnInterval) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    const auto before = s->model().fit(*s->runId(), {}, false)->used.size();
    const auto half = [&](double gauge, double celsius) {
        clock.time += 60'000;
        s->edit([&](BenchDraft& d) {
            d.first = gauge;
            d.temperature = celsius;
        });
        return s->captureBracket();
    };
    ASSERT_TRUE(half(-0.50, 78.6));
    EXPECT_TRUE(s->bracketAwaitsRestart());
    ASSERT_TRUE(half(-0.52, 78.4));
    EXPECT_FALSE(s->bracketAwaitsRestart());
    const auto& readings = s->model().reduce(*s->runId());
    const ReducedReading &stop = readings[readings.size() - 2], &start = readings.back();
    EXPECT_EQ(stop.raw.place, start.raw.place);
    EXPECT_TRUE(stop.otherHalf);
    EXPECT_FALSE(start.inFit);
    const auto& fit = *s->model().fit(*s->runId(), {}, false);
    EXPECT_EQ(fit.used.size(), before + 1);
    // 2 kPa between the halves: rectangular, its width by the root of 12, beside what each is read to.
    const double middle = 0.5 * (stop.absolute->pressure.pascal() + start.absolute->pressure.pascal());
    EXPECT_NEAR(fit.data.back().pressure.pascal(), middle, 1e-6);
    EXPECT_NEAR(fit.data.back().pressureU, std::hypot(2000.0 / std::sqrt(12.0), stop.absolute->uIndependent),
                1.0);
    EXPECT_NEAR(fit.data.back().temperature.celsius(), 78.5, 0.05);
}

TEST_F(BenchRecordTest, HiddenResultsAreNowhereInTheNavigation) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    const auto says = [&] {
        return plain(navigationView(*s)[static_cast<std::size_t>(Station::WorkUp)].line1);
    };
    const std::string shown = says();
    EXPECT_NE(shown.find("\u00B1"), std::string::npos) << shown;
    ASSERT_TRUE(SelectionCommands(*s).hideResults(true));
    EXPECT_EQ(says(), "result hidden");
    ASSERT_TRUE(SelectionCommands(*s).hideResults(false));
    EXPECT_EQ(says(), shown);
}

TEST_F(BenchRecordTest, TheZeroBringsItsOwnUncertainty) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    s->edit([](BenchDraft& d) {
        d.first = -0.5;
        d.temperature = 81.0;
    });
    const double without = s->reduceHere(s->draftReading().reading).absolute->uShared;
    ASSERT_TRUE(s->checkZero(0.02, {}));
    const auto with = s->reduceHere(s->draftReading().reading);
    EXPECT_NEAR(with.absolute->uShared, std::hypot(without, with.absolute->uIndependent), 1e-9);
}

} // namespace
} // namespace uttrin
