#include "lesson/commands/LessonSession.h"

#include "lesson/views/NavigationView.h"
#include "lesson/views/RunView.h"
#include "lesson/views/StripView.h"
#include "lesson/views/WorkUp.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

using LessonSessionTest = testing::DrivenLesson;

TEST_F(LessonSessionTest, WithoutARoomReadingsAreKeptUnreferencedAndLaterRecomputed) {
    EXPECT_TRUE(navigationView(*s)[0].missing);
    EXPECT_FALSE(s->sheet());
    EXPECT_EQ(s->sheet().error().kind, Failure::Unreferenced);
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3);
    const auto outcome = s->capture();
    ASSERT_TRUE(outcome && outcome->readingId);
    auto reduced = s->model().reduce(*s->runId());
    ASSERT_EQ(reduced.size(), 1U);
    EXPECT_FALSE(reduced[0].absolute);
    EXPECT_FALSE(reduced[0].inFit);
    EXPECT_EQ(reduced[0].marks.front(), "unreferenced");
    EXPECT_NE(plain(stripView(*s).gauge.under).find("unreferenced"), std::string::npos);

    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    reduced = s->model().reduce(*s->runId());
    ASSERT_TRUE(reduced[0].absolute);
    EXPECT_NEAR(reduced[0].absolute->pressure.pascal(), 94310 + 1e5 * reduced[0].raw.first, 1e-6);
}

TEST_F(LessonSessionTest, ACorrectedRoomRecomputesAndKeepsTheEarlierValue) {
    ASSERT_TRUE(s->enterRoom(barometer(963.1), RoomRole::Start, clock.time));
    captureAll(96310.0);
    const double before = s->model().reduce(*s->runId())[3].absolute->pressure.pascal();
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    EXPECT_NEAR(s->model().reduce(*s->runId())[3].absolute->pressure.pascal(), before - 2000.0, 1e-6);
    ASSERT_EQ(s->model().data().rooms.size(), 2U);
    EXPECT_FALSE(s->model().data().rooms[0].current);
    ASSERT_TRUE(s->undo());
    EXPECT_NEAR(s->model().reduce(*s->runId())[3].absolute->pressure.pascal(), before, 1e-6);
}

TEST_F(LessonSessionTest, DriftBetweenTwoRoomReadingsIsInterpolatedInTime) {
    const Milliseconds start = clock.time;
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, start));
    captureAll();
    ASSERT_TRUE(s->enterRoom(barometer(941.1), RoomRole::End, start + 2'400'000));
    for (const ReducedReading& r : s->model().reduce(*s->runId()))
        EXPECT_NEAR(r.room->station.pascal(),
                    94310.0 - 200.0 * static_cast<double>(r.raw.takenAt - start) / 2.4e6, 1e-6);
}

// What was read last before a moment is the room's temperature then; before the first it is the first.
TEST_F(LessonSessionTest, TheRoomHasTheTemperatureThatWasReadLast) {
    EXPECT_FALSE(s->model().roomCelsius({}));
    RoomEntry cold = barometer(702.0);
    const Milliseconds start = clock.time;
    ASSERT_TRUE(s->enterRoom(cold, RoomRole::Start, start));
    EXPECT_FALSE(s->model().roomCelsius({})); // a pressure alone says nothing of it
    cold.roomCelsius = 8.5;
    ASSERT_TRUE(s->enterRoom(cold, RoomRole::Start, start));
    RoomEntry warm = barometer(703.0);
    warm.roomCelsius = 14.0;
    ASSERT_TRUE(s->enterRoom(warm, RoomRole::End, start + 3'600'000));
    EXPECT_EQ(s->model().roomCelsius({}, start - 1000), 8.5);
    EXPECT_EQ(s->model().roomCelsius({}, start + 1'800'000), 8.5);
    EXPECT_EQ(s->model().roomCelsius({}, start + 3'600'000), 14.0);
    EXPECT_EQ(s->model().roomCelsius({}), 14.0);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(s->model().roomCelsius({}), 8.5);
}

TEST_F(LessonSessionTest, TheLiquidsStartIsStampedCorrectedAndTakenBack) {
    enterRoom(702.0);
    EXPECT_FALSE(s->stampStart(4.0)); // to whom would it belong
    ASSERT_TRUE(s->startRun("Dune"));
    const RowId run = *s->runId();
    EXPECT_TRUE(s->model().sheetOfRun(run)->startAssumed);
    for (const double wrong : {-40.0, 300.0, std::nan("")}) {
        EXPECT_FALSE(s->stampStart(wrong)) << wrong;
        EXPECT_EQ(s->notebook().count("liquid_start"), 0);
    }
    ASSERT_TRUE(s->stampStart(3.0));
    EXPECT_NEAR(s->model().sheetOfRun(run)->startCelsius, 3.0, 1e-9);
    EXPECT_FALSE(s->model().sheetOfRun(run)->startAssumed);
    const double fromCold = s->model().sheetOfRun(run)->targets.front().seconds;
    ASSERT_TRUE(s->stampStart(33.0)); // read again: the later one counts
    EXPECT_LT(s->model().sheetOfRun(run)->targets.front().seconds, fromCold);
    ASSERT_TRUE(s->undo());
    EXPECT_NEAR(s->model().startOf(run)->temperature.celsius(), 3.0, 1e-9);
    ASSERT_TRUE(s->startRun("Cedar")); // another group's liquid is another liquid
    EXPECT_FALSE(s->model().startOf(*s->runId()));
}

// A pull with a pump that nobody knows, and a barometer on the wall: the barometer counts.
TEST_F(LessonSessionTest, AnUnknownPumpsPullTakesTheBarometerThatWasReadBesideIt) {
    RoomEntry pull;
    pull.method = RoomMethod::DeadHead;
    pull.unit = "kPa";
    pull.value = -69.0;
    ASSERT_TRUE(s->startRun("Dune"));
    const RowId group = *s->groupId();
    ASSERT_TRUE(s->enterRoom(pull, RoomRole::Start, clock.time, group));
    EXPECT_NEAR(s->room()->station.pascal(), 69'000.0, 1e-6);
    ASSERT_TRUE(
        s->enterRoom(barometer(702.0), RoomRole::Start, clock.time + 7 * 3'600'000)); // another lesson's
    EXPECT_NEAR(s->room()->station.pascal(), 69'000.0, 1e-6);
    ASSERT_TRUE(s->enterRoom(barometer(705.0), RoomRole::Start, clock.time + 600'000));
    EXPECT_NEAR(s->room()->station.pascal(), 70'500.0, 1e-6);
    EXPECT_EQ(s->room()->method, RoomMethod::Barometer);
    pull.ultimatePa = 400.0; // a pump that is known says it itself
    ASSERT_TRUE(s->enterRoom(pull, RoomRole::Start, clock.time, group));
    EXPECT_NEAR(s->room()->station.pascal(), 69'400.0, 1e-6);
}

TEST_F(LessonSessionTest, TargetsAdvanceAndOnlyTheActualIsFitted) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    const auto first = *s->currentTarget();
    type(first.absolute.pascal() + 1500.0); // the valve was not quite on the target
    ASSERT_TRUE(s->capture()->readingId);
    EXPECT_EQ(s->currentTarget()->order, first.order + 1);
    const auto taken = s->model().reduce(*s->runId())[0];
    EXPECT_EQ(taken.raw.place, first.place);
    EXPECT_GT(taken.absolute->pressure.pascal(), first.absolute.pascal() + 900.0);
    EXPECT_FALSE(s->draft().first);
    EXPECT_EQ(runView(*s).taken.front().position, 1);
}

/// What the photo reader hands over for a gauge reading.
PhotoEvidence gaugePhoto(double reading, double u) {
    PhotoEvidence e;
    e.bytes = {std::byte{0x89}, std::byte{'P'}};
    e.marks.graduations = {{0.0, {0, 0}, std::nullopt}, {1.0, {9, 0}, std::nullopt}};
    e.marks.sights = {{3, 0}};
    e.reading.first = reading;
    e.uFirst = u;
    return e;
}

TEST(PhotoEvidence, ReadingsAreRoundedToWhatTheirUncertaintyDeserves) {
    PhotoEvidence one;
    takeReadings(one, std::vector{PhotoReading{-0.61847, 0.004}});
    EXPECT_DOUBLE_EQ(one.reading.first, -0.618);
    EXPECT_FALSE(one.reading.second || one.uSecond);
    PhotoEvidence arms;
    takeReadings(arms, std::vector{PhotoReading{63.2784, 0.06}, PhotoReading{18.8216, 0.14}});
    EXPECT_DOUBLE_EQ(arms.reading.first, 63.28);
    EXPECT_DOUBLE_EQ(*arms.reading.second, 18.82);
    EXPECT_DOUBLE_EQ(arms.uFirst, 0.06);
    EXPECT_DOUBLE_EQ(*arms.uSecond, 0.14);
}

TEST_F(LessonSessionTest, APictureGoesWithItsReadingAndItsUncertaintyCounts) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3);
    const double shown = *s->draft().first;
    constexpr double kU = 0.004; // bar
    s->takeFromPhoto(gaugePhoto(shown, kU));
    ASSERT_TRUE(s->capture()->readingId);
    ASSERT_EQ(s->model().data().photos.size(), 1U);
    const ReducedReading r = s->model().reduce(*s->runId()).front();
    const Photo* photo = s->model().photoOf(r.raw.id, PhotoSubject::Pressure);
    ASSERT_NE(photo, nullptr);
    EXPECT_EQ(s->notebook().picture(photo->pictureId), gaugePhoto(0, 0).bytes);
    EXPECT_EQ(*photoMarksFromJson(photo->marks), gaugePhoto(0, 0).marks);
    EXPECT_NEAR(r.absolute->uIndependent, kU * 1e5, 1e-6);
    EXPECT_TRUE(runView(*s).taken.front().hasPicture);
    EXPECT_FALSE(s->draft().gaugePhoto);
    ASSERT_TRUE(s->undo());
    EXPECT_TRUE(s->model().data().photos.empty());
}

TEST_F(LessonSessionTest, AReadingTypedOverLeavesItsPictureBehind) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3);
    s->takeFromPhoto(gaugePhoto(*s->draft().first - 0.02, 0.004));
    type(40e3); // read again, by eye
    ASSERT_TRUE(s->capture()->readingId);
    EXPECT_TRUE(s->model().data().photos.empty());
    EXPECT_EQ(s->model().photoOf(s->model().readingsOf(*s->runId()).front().id, PhotoSubject::Pressure),
              nullptr);
}

TEST_F(LessonSessionTest, ABarometersPictureGoesWithTheRoom) {
    PhotoEvidence e = gaugePhoto(707.3, 0.1);
    e.shows = PhotoSubject::Room;
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time, std::nullopt, &e));
    const auto& photos = s->model().data().photos;
    ASSERT_EQ(photos.size(), 1U);
    EXPECT_EQ(photos.front().roomId, s->model().data().rooms.front().id);
}

TEST_F(LessonSessionTest, WhatWasTypedForOneGaugeIsForgottenAtAnother) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3);
    change([](Plan& p) { p.title = "the same gauge"; });
    EXPECT_TRUE(s->draft().first);
    change([](Plan& p) {
        p.rig.gauge.convention = PressureConvention::TwoArm;
        p.rig.gauge.unit = "cm";
        p.rig.gauge.armSum = 82.0;
    });
    EXPECT_FALSE(s->draft().first);
    EXPECT_TRUE(s->draft().temperature) << "the thermometer is the same";
    change([](Plan& p) { p.rig.thermometer.unit = "degF"; });
    EXPECT_FALSE(s->draft().temperature);
}

TEST_F(LessonSessionTest, AnOddPairIsHeldBackUntilItIsKeptOnPurpose) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    type(s->currentTarget()->absolute.pascal(), 5.0);
    auto outcome = s->capture();
    ASSERT_TRUE(outcome);
    EXPECT_FALSE(outcome->readingId);
    EXPECT_EQ(outcome->finding.kind, SlipKind::Superheated);
    EXPECT_EQ(s->notebook().count("reading"), 0);
    outcome = s->capture(true);
    ASSERT_TRUE(outcome && outcome->readingId);
    EXPECT_EQ(s->notebook().count("reading"), 1);
}

TEST_F(LessonSessionTest, StruckPointsStayWithTheirReasonAndLeaveTheFit) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    const RowId id = s->model().readingsOf(*s->runId())[2].id;
    const auto all = s->model().fit(*s->runId(), {})->used.size();
    EXPECT_FALSE(s->strike(id, "  "));
    ASSERT_TRUE(s->strike(id, "misread"));
    EXPECT_EQ(s->model().fit(*s->runId(), {})->used.size(), all - 1);
    EXPECT_EQ(s->notebook().count("reading"), static_cast<int>(all));
    EXPECT_EQ(workUpView(*s, {}).rows[2].struckReason, "misread");
    ASSERT_TRUE(s->restore(id));
    EXPECT_EQ(s->model().fit(*s->runId(), {})->used.size(), all);
    const auto place = *s->model().readingsOf(*s->runId())[2].place;
    ASSERT_TRUE(s->retake(id));
    EXPECT_EQ(s->currentTarget()->place, place);
}

TEST_F(LessonSessionTest, APointByAnotherCriterionOrProtocolIsMarked) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    for (int i = 0; i < 4; ++i) {
        if (i == 3) {
            s->edit([&](BenchDraft& d) { d.criterion = BoilingCriterion::FirstBubbles; });
            s->edit([&](BenchDraft& d) { d.isolated = false; });
            s->edit([&](BenchDraft& d) { d.side = ApproachSide::Cooling; });
        }
        type(s->currentTarget()->absolute.pascal());
        ASSERT_TRUE(s->capture(true)->readingId);
    }
    const auto readings = s->model().reduce(*s->runId());
    EXPECT_TRUE(readings[0].marks.empty());
    EXPECT_THAT(readings[3].marks,
                ::testing::ElementsAre("another criterion", "pump still pulling", "cooling side"));
}

TEST_F(LessonSessionTest, ASensorOutsideTheLiquidNeverEntersTheFitSilently) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    Plan plan = s->plan();
    plan.rig.thermometer.place = SensorPlace::Vapour;
    ASSERT_TRUE(s->changePlan(plan, Text::typed("x")));
    ASSERT_TRUE(s->correctRun(*s->runId())); // else the run keeps the rig it was taken with
    EXPECT_FALSE(s->model().fit(*s->runId(), {}));
    const auto readings = s->model().readingsOf(*s->runId());
    const std::vector<Reading> copy(readings.begin(), readings.begin() + 3);
    for (const Reading& r : copy)
        ASSERT_TRUE(s->useInFit(r.id, true));
    EXPECT_EQ(s->model().fit(*s->runId(), {})->used.size(), 3U);
}

TEST_F(LessonSessionTest, AZeroCheckIsTakenOffFromThenOn) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    ASSERT_TRUE(s->checkZero(0.02, std::nullopt));
    type(s->currentTarget()->absolute.pascal());
    s->edit([&](BenchDraft& d) { d.first = *s->draft().first + 0.02; });
    ASSERT_TRUE(s->capture()->readingId);
    const auto r = s->model().reduce(*s->runId())[0];
    EXPECT_NEAR(r.absolute->pressure.pascal(), 94310 + 1e5 * (r.raw.first - 0.02), 1e-6);
    const auto steps = stepsOf(r, s->plan(), s->model().zeroOf(r.raw));
    EXPECT_EQ(steps.front().label, "Less the gauge’s zero");
}

TEST_F(LessonSessionTest, PredictionsLockWhenTheRunBegins) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->predict(0, Temperature::fromCelsius(58.0)));
    ASSERT_TRUE(s->predict(0, Temperature::fromCelsius(59.0)));
    ASSERT_EQ(s->model().data().predictions.size(), 1U);
    EXPECT_NEAR(s->model().data().predictions[0].kelvin, 332.15, 1e-9);
    ASSERT_TRUE(s->startRun("Cedar"));
    const auto late = s->predict(0, Temperature::fromCelsius(60.0));
    ASSERT_FALSE(late);
    EXPECT_NE(plain(late.error().message).find("locked"), std::string::npos);
}

TEST_F(LessonSessionTest, GroupsAndRunsLiveSideBySide) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    captureAll();
    ASSERT_TRUE(s->startRun("Dune"));
    ASSERT_TRUE(s->enterRoom(barometer(1013.9), RoomRole::Start, clock.time, s->groupId()));
    EXPECT_NEAR(s->room()->station.pascal(), 101390, 1e-9);
    const auto& runs = s->model().data().runs;
    ASSERT_EQ(runs.size(), 3U);
    EXPECT_EQ(runs[1].number, 2);
    s->selectRun(runs[0].id);
    EXPECT_NEAR(s->room()->station.pascal(), 94310, 1e-9);
    EXPECT_EQ(workUpView(*s, {}).runs.size(), 2U);
}

TEST_F(LessonSessionTest, UndoTakesACaptureBackAndEverythingIsOnDiskAtOnce) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    type(s->currentTarget()->absolute.pascal());
    ASSERT_TRUE(s->capture()->readingId);
    EXPECT_EQ(Notebook::open(dir / "a.uttrin")->count("reading"), 1);
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(Notebook::open(dir / "a.uttrin")->count("reading"), 0);
    ASSERT_TRUE(s->redo());
    EXPECT_EQ(Notebook::open(dir / "a.uttrin")->count("reading"), 1);
}

TEST_F(LessonSessionTest, MovingATargetIsKeptAndUndone) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->moveTarget(4, Pressure::fromPascal(45e3)));
    const auto moved = [&] {
        const auto sheet = *s->sheet();
        return std::any_of(sheet.targets.begin(), sheet.targets.end(),
                           [](const Target& t) { return t.moved && t.absolute.pascal() == 45e3; });
    };
    EXPECT_TRUE(moved());
    ASSERT_TRUE(s->undo());
    EXPECT_FALSE(moved());
}

TEST_F(LessonSessionTest, TheMarginTellsBoilingFromNotYet) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3, -5.0);
    EXPECT_LT(*stripView(*s).marginKelvin, -4.5);
    EXPECT_NE(plain(stripView(*s).marginText).find("K to go"), std::string::npos);
    EXPECT_NE(plain(stripView(*s).marginUnder).find("dissolved air"), std::string::npos);
    type(40e3, 0.0);
    EXPECT_EQ(stripView(*s).marginText, "boiling");
    type(40e3, 6.0);
    EXPECT_NE(plain(stripView(*s).marginText).find("above"), std::string::npos);
}

TEST_F(LessonSessionTest, AStudentsFirstWrongStepIsNamed) {
    ASSERT_TRUE(s->enterRoom(barometer(943.1), RoomRole::Start, clock.time));
    captureAll();
    const auto r = s->model().reduce(*s->runId())[4];
    const double kPa = r.absolute->pressure.kilopascal(), kelvin = r.liquid.temperature.kelvin(),
                 ln = std::log(kPa * 1e3);
    EXPECT_FALSE(firstWrongStep(r, {kPa, kelvin, 1000.0 / kelvin, ln}));
    EXPECT_NE(plain(*firstWrongStep(r, {2 * 94.31 - kPa, {}, {}, {}})).find("sign"), std::string::npos);
    EXPECT_NE(plain(*firstWrongStep(r, {kPa, kelvin - 2 * 273.15, {}, {}})).find("added"), std::string::npos);
    EXPECT_NE(plain(*firstWrongStep(r, {kPa, kelvin, 1000.0 / kelvin + 0.1, {}})).find("Inverse"),
              std::string::npos);
    EXPECT_NE(plain(*firstWrongStep(r, {kPa, kelvin, {}, std::log10(kPa * 1e3)})).find("decimal"),
              std::string::npos);
    EXPECT_NE(plain(*firstWrongStep(r, {kPa, kelvin, {}, std::log(kPa)})).find("Pa"), std::string::npos);
    // A wrong pressure counts once: the logarithm of the student's own value is right.
    EXPECT_EQ(plain(*firstWrongStep(r, {kPa + 5.0, {}, {}, std::log((kPa + 5.0) * 1e3)})).substr(0, 8),
              "Absolute");
}

TEST_F(LessonSessionTest, CaptureSaysWhatIsMissing) {
    EXPECT_NE(plain(s->capture().error().message).find("No run"), std::string::npos);
    ASSERT_TRUE(s->startRun("Cedar"));
    EXPECT_NE(plain(s->capture().error().message).find("gauge"), std::string::npos);
    s->edit([&](BenchDraft& d) { d.first = -0.5; });
    EXPECT_NE(plain(s->capture().error().message).find("thermometer"), std::string::npos);
    EXPECT_FALSE(s->startRun(" "));
    EXPECT_FALSE(s->addNote(""));
}

TEST_F(LessonSessionTest, ASecondPartWithSaltPredictsItsElevationAndGivesTheMolalityBack) {
    enterRoom();
    const RowId pure = s->setupId();
    const auto pureSheet = s->sheet();
    ASSERT_TRUE(s->addSolutionPart({SoluteKind::SodiumChloride, 2.0, 1.0}));
    EXPECT_NE(s->setupId(), pure);
    EXPECT_EQ(s->model().setup(s->setupId()).name, "water with 2 mol/kg sodium chloride");
    const auto sheet = s->sheet();
    ASSERT_TRUE(sheet);
    for (std::size_t i = 0; i < sheet->targets.size(); ++i) {
        const double elevation = (sheet->targets[i].boils - pureSheet->targets[i].boils).kelvin();
        EXPECT_GT(elevation, 1.4); // less at low pressure,
        EXPECT_LT(elevation, 2.1); // more near 1 atm
        if (i > 0) {
            EXPECT_GT(elevation, (sheet->targets[i - 1].boils - pureSheet->targets[i - 1].boils).kelvin());
        }
    }
    ASSERT_TRUE(s->startRun("Cedar"));
    for (const Target& t : sheet->targets) {
        type(t.absolute.pascal());
        const auto captured = s->capture();
        ASSERT_TRUE(captured && captured->readingId) << captured->finding.sentence;
    }
    const auto fit = s->model().fit(*s->runId(), {});
    ASSERT_TRUE(fit && fit->dissolved);
    EXPECT_NEAR(fit->dissolved->molality->value, 2.0, 2.0 * fit->dissolved->molality->u);
    EXPECT_TRUE(fit->causes.empty());
    const auto view = workUpView(*s, {});
    EXPECT_NE(plain(view.dissolved).find("van 't Hoff’s factor is 2.0"), std::string::npos) << view.dissolved;
    const auto steps = stepsOf(s->model().reduce(*s->runId())[0], s->plan(), std::nullopt);
    EXPECT_EQ(steps.back().label, "Particles, mol/kg");
}

TEST_F(LessonSessionTest, AnImpossibleSolutionIsRefused) {
    const auto before = s->model().data().setups.size();
    const auto made = s->addSolutionPart({SoluteKind::SodiumChloride, 12.0, 1.0});
    ASSERT_FALSE(made);
    EXPECT_NE(plain(made.error().message).find("0 to 6.9 mol/kg"), std::string::npos);
    EXPECT_EQ(s->model().data().setups.size(), before);
}

TEST_F(LessonSessionTest, ACalibrationServesFromNowOnAndSaysWhatChanged) {
    const auto blind = s->calibrate(0.5, 98.5, false);
    ASSERT_FALSE(blind);
    EXPECT_EQ(blind.error().kind, Failure::Unreferenced);
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3);
    ASSERT_TRUE(s->capture(true));
    const double before = s->model().reduce(*s->runId())[0].liquid.temperature.kelvin();
    clock.time += 60'000;
    const auto said = s->calibrate(0.5, 98.48, false);
    ASSERT_TRUE(said);
    EXPECT_NE(plain(*said).find("serves the readings from now on"), std::string::npos) << *said;
    EXPECT_NEAR(s->model().reduce(*s->runId())[0].liquid.temperature.kelvin(), before, 1e-9);
    const auto again = s->calibrate(0.5, 98.48, true);
    EXPECT_NE(plain(*again).find("1 reading moves, by \u22120.50 K"), std::string::npos) << *again;
    EXPECT_NEAR(s->model().reduce(*s->runId())[0].liquid.temperature.kelvin(), before - 0.5, 0.01);
    EXPECT_EQ(s->plan().rig.thermometer.calibrations.size(), 2U);
    const auto steps = stepsOf(s->model().reduce(*s->runId())[0], s->plan(), std::nullopt);
    EXPECT_TRUE(std::any_of(steps.begin(), steps.end(), [](const WorkStep& w) {
        return plain(w.how).find("calibration with ice 0.5") != std::string::npos;
    }));
    ASSERT_TRUE(s->undo());
    EXPECT_NEAR(s->model().reduce(*s->runId())[0].liquid.temperature.kelvin(), before, 1e-9);
}

} // namespace
} // namespace uttrin
