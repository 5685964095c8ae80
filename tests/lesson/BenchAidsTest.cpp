#include "lesson/views/BenchAids.h"

#include "lesson/commands/PictureCommands.h"
#include "lesson/views/MapView.h"
#include "lesson/views/ResidualView.h"
#include "lesson/views/RunView.h"
#include "lesson/views/StripView.h"
#include "plan/BoilingStage.h"
#include "plan/CoolingAdvice.h"
#include "plan/RigChanges.h"
#include "support/DrivenLesson.h"

#include <gmock/gmock.h>

namespace uttrin::testing {
namespace {

using ::testing::HasSubstr;
using ::testing::IsEmpty;
using ::testing::Not;

constexpr Milliseconds kMinuteMs = 60'000;

std::string marksText(const ReducedReading& r) { return plain(Text::list(r.marks)); }

class BenchAids : public DrivenLesson {
protected:
    void SetUp() override {
        DrivenLesson::SetUp();
        enterRoom(1004.0); // not the demo's
    }
    void holdTemperature() {
        ASSERT_TRUE(s->addSetup(Method::HoldTemperature));
        change([](Plan& p) {
            p.rig.vesselLitre = 1.5;
            p.rig.liquidLitre = 0.4;
            p.rig.depthCm = 5.0;
        });
        ASSERT_TRUE(s->startRun("Basalt"));
    }
    const ReducedReading& last() { return s->model().reduce(*s->runId()).back(); }
};

TEST_F(BenchAids, WhatIsFilledInAddsUpAndWhatIsAdvisedCountsFromIt) {
    EXPECT_THAT(plain(chargeText(*s)), IsEmpty()); // the pressure is held
    holdTemperature();
    EXPECT_THAT(plain(chargeText(*s)), IsEmpty()); // as the rig has it
    const double boils = s->currentTarget()->boils.celsius();
    s->edit([&](BenchDraft& d) { d.temperature = boils + 10.0; });
    const auto first = advisedFilling(*s);
    ASSERT_TRUE(first);
    EXPECT_EQ(first->what, Filling::What::Ice);
    EXPECT_THAT(plain(runView(*s).advised), HasSubstr("g of ice"));
    RunCommands run(*s);
    ASSERT_TRUE(run.fill({Filling::What::Water, 0.4}));
    EXPECT_EQ(plain(chargeText(*s)), "0.80 kg in the vessel, 10.0 cm deep, after 1 filling");
    // Twice the water wants twice the ice.
    EXPECT_NEAR(advisedFilling(*s)->kilograms, 2.0 * first->kilograms, 1e-9);
    ASSERT_TRUE(run.fill({Filling::What::Water, 0.3}));
    EXPECT_THAT(plain(chargeText(*s)), HasSubstr("too full"));
    EXPECT_THAT(plain(refillText(*s)), HasSubstr("too full"));
    ASSERT_TRUE(run.fill({Filling::What::Anew, 0.25}));
    EXPECT_EQ(plain(chargeText(*s)), "0.25 kg in the vessel, 3.1 cm deep, after 3 fillings");
    ASSERT_TRUE(s->undo());
    EXPECT_NEAR(chargeInHand(*s).kilograms, 1.1, 1e-9);
    for (const double wrong : {0.0, -0.1, 1.6, std::nan("")})
        EXPECT_FALSE(run.fill({Filling::What::Ice, wrong})) << wrong;
}

TEST_F(BenchAids, AFillingOfAnotherRunDoesNotCount) {
    holdTemperature();
    ASSERT_TRUE(RunCommands(*s).fill({Filling::What::Water, 0.2}));
    ASSERT_TRUE(s->startRun("Ember"));
    EXPECT_EQ(chargeInHand(*s).fillings, 0);
}

TEST_F(BenchAids, ThePumpIsCountedUntilItIsWarm) {
    ASSERT_TRUE(s->startRun("Dune"));
    EXPECT_TRUE(warmUpText(*s).empty()); // it needs none
    EXPECT_FALSE(runView(*s).pumpWaits);
    change([](Plan& p) { p.rig.warmUpMinutes = 8.0; });
    EXPECT_TRUE(runView(*s).pumpWaits);
    EXPECT_THAT(plain(warmUpText(*s)), HasSubstr("8 min"));
    ASSERT_TRUE(RunCommands(*s).pumpOn());
    EXPECT_FALSE(runView(*s).pumpWaits);
    clock.time += 3 * kMinuteMs + 20'000;
    EXPECT_EQ(plain(warmUpText(*s)), "pump warm in 5 min");
    clock.time += 5 * kMinuteMs;
    EXPECT_EQ(plain(warmUpText(*s)), "pump is warm");
}

TEST_F(BenchAids, IceUnderTheThermometerBoundsTheVapourAboveIt) {
    ASSERT_TRUE(s->startRun("Dune"));
    s->edit([](BenchDraft& d) { d.temperature = 4.0; });
    EXPECT_FALSE(iceBound(*s));
    s->edit([](BenchDraft& d) { d.temperature = -10.0; });
    ASSERT_TRUE(iceBound(*s));
    EXPECT_NEAR(iceBound(*s)->pascal, 259.9, 0.5); // over ice at -10 degC, IAPWS R14-08
    EXPECT_THAT(plain(iceBoundText(*s)), HasSubstr("0.260 kPa at most"));
    EXPECT_THAT(plain(iceBoundText(*s)), HasSubstr("only once the air is swept out"));
    const MapView map = mapView(*s, MapPurpose::Run);
    ASSERT_TRUE(map.icePascal);
    EXPECT_LT(map.lowPascal, *map.icePascal);
    EXPECT_FALSE(mapView(*s, MapPurpose::WorkUp).icePascal);
    change([](Plan& p) { p.solute = usualSolute(SoluteKind::SodiumChloride); });
    ASSERT_TRUE(s->correctRun(*s->runId()));
    EXPECT_FALSE(iceBound(*s)) << "brine is no ice";
}

TEST_F(BenchAids, PointsOfDifferentOrdersAreCounted) {
    ASSERT_TRUE(s->startRun("Dune"));
    change([](Plan& p) { p.rig.readOrder = *readOrderOf("isolate plateau both"); });
    ASSERT_TRUE(s->correctRun(*s->runId()));
    for (const std::size_t steps : {2U, 2U, 0U}) {
        clock.time += kMinuteMs;
        s->edit([&](BenchDraft& d) { d.stepsDone = steps; });
        type(s->currentTarget()->absolute.pascal(), 0.0, 100'400.0);
        ASSERT_TRUE(s->capture(true)->readingId);
    }
    EXPECT_EQ(plain(runView(*s).orders), "Read in different orders: 2 as shut off, plateau, both at once; 1 "
                                         "as both at once. Look whether they lie apart.");
    ASSERT_TRUE(s->strike(last().raw.id, "out of order"));
    EXPECT_THAT(plain(runView(*s).orders), IsEmpty());
}

TEST_F(BenchAids, APumpedLineSaysByHowMuchItsGaugeMayReadLow) {
    change([](Plan& p) {
        p.rig.gauge.tap = PressureTap::PumpLine;
        p.rig.pumpLitrePerMinute = 30.0;
        p.rig.pumpUltimatePa = 800.0;
    });
    ASSERT_TRUE(s->startRun("Dune"));
    type(20'000.0, 0.0, 100'400.0);
    s->edit([](BenchDraft& d) { d.isolated = false; });
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_THAT(marksText(last()), HasSubstr("gauge on the pumped line reads low"));
    EXPECT_THAT(marksText(last()), Not(HasSubstr("at most"))); // no tube is declared
    change([](Plan& p) {
        p.rig.tubeBoreMm = 5.0;
        p.rig.tubeLengthM = 1.5;
    });
    ASSERT_TRUE(s->correctRun(*s->runId()));
    EXPECT_THAT(marksText(last()), HasSubstr("K) at most"));
    change([](Plan& p) { p.rig.pump = PumpKind::Hand; }); // it does not pull all the time
    ASSERT_TRUE(s->correctRun(*s->runId()));
    EXPECT_THAT(marksText(last()), Not(HasSubstr("at most")));
}

TEST_F(BenchAids, ASecondUnitStandsBesideThePressures) {
    ASSERT_TRUE(s->startRun("Dune"));
    type(20'000.0, 0.0, 100'400.0);
    EXPECT_THAT(plain(stripView(*s).gauge.under), Not(HasSubstr("mmHg")));
    EXPECT_TRUE(runView(*s).also.empty());
    change([](Plan& p) { p.rig.alsoUnit = "mmHg"; });
    EXPECT_THAT(plain(stripView(*s).room.under), HasSubstr("753.06 mmHg")); // 100.40 kPa
    EXPECT_THAT(plain(stripView(*s).gauge.under), HasSubstr("mmHg abs."));
    const double target = s->currentTarget()->absolute.pascal() / 133.322387415;
    EXPECT_THAT(plain(runView(*s).also), HasSubstr(std::to_string(static_cast<int>(target)).substr(0, 2)));
    EXPECT_THAT(plain(runView(*s).also), HasSubstr(" mmHg"));
}

// The gauge is typed, the thermometer is listened to and cools: what counts is how warm it was then.
TEST_F(BenchAids, WhatIsListenedToIsCarriedToWhenTheOtherWasTyped) {
    ASSERT_TRUE(s->startRun("Dune"));
    const auto heard = [&](double celsius, Milliseconds to) {
        return LiveEvidence{{celsius, std::nullopt}, 0.02, to - 4'000, to, false, false, -0.02, 0.0005};
    };
    const Milliseconds typed = clock.time;
    s->edit([](BenchDraft& d) { d.first = -0.8; });
    clock.time += 22'000;
    ASSERT_TRUE(BenchCommands(*s).takeLive(std::nullopt, heard(60.0, clock.time)));
    // From the middle of its means, 20 s after the gauge: 0.4 K warmer then.
    EXPECT_NEAR(s->draftReading().reading.temperature, 60.4, 1e-9);
    EXPECT_EQ(s->draftReading().reading.takenAt, typed);
    EXPECT_THAT(plain(carriedText(*s)), HasSubstr("carried by +0.40 K over 20 s"));
    ASSERT_TRUE(s->capture(true)->readingId);
    EXPECT_NEAR(last().raw.temperature, 60.4, 1e-9);
    EXPECT_NEAR(*last().raw.live->uKelvin, std::hypot(0.02, 0.0005 * 20.0, 0.2 * 0.4), 1e-9);
    EXPECT_FALSE(last().raw.live->uPascal);
    EXPECT_TRUE(carriedText(*s).empty());
}

TEST_F(BenchAids, APressureThatIsListenedToIsCarriedInTheGaugesOwnSense) {
    change([](Plan& p) {
        p.rig.gauge.convention = PressureConvention::VacuumDepth;
        p.rig.gauge.unit = "kPa";
    });
    ASSERT_TRUE(s->startRun("Dune"));
    s->edit([](BenchDraft& d) { d.temperature = 60.0; });
    clock.time += 12'000;
    // It rises by 50 Pa/s: 10 s before, the depth was 0.5 kPa more.
    ASSERT_TRUE(BenchCommands(*s).takeLive(
        LiveEvidence{{80.0, std::nullopt}, 10.0, clock.time - 4'000, clock.time, false, false, 50.0, 1.0},
        std::nullopt));
    EXPECT_NEAR(s->draftReading().reading.first, 80.5, 1e-9);
    // What moves by no more than its own doubt is left where it is.
    ASSERT_TRUE(BenchCommands(*s).takeLive(
        LiveEvidence{{80.0, std::nullopt}, 10.0, clock.time - 4'000, clock.time, true, false, 1.0, 1.0},
        std::nullopt));
    EXPECT_EQ(s->draftReading().reading.first, 80.0);
}

TEST_F(BenchAids, QuickRepeatsOfALiquidThatCoolsSayWhatHelps) {
    ASSERT_TRUE(s->startRun("Dune"));
    for (const double off : {0.0, -1.0, -2.0}) {
        type(20'000.0, off, 100'400.0);
        ASSERT_TRUE(s->capture(true)->readingId);
        clock.time += kMinuteMs;
        s->selectTarget(last().raw.place);
    }
    EXPECT_THAT(plain(runView(*s).repeats), HasSubstr("cools by 1.0 K a minute"));
    EXPECT_THAT(plain(runView(*s).repeats), HasSubstr("0.25 K in the 15 s of a reading: wrap the vessel"));
    EXPECT_THAT(plain(runView(*s).repeats), HasSubstr("not steady yet: 0.17 K in 10 s")); // 1 K a minute
    EXPECT_TRUE(coolingAdvice(-0.3).empty());
    EXPECT_TRUE(coolingAdvice(5.0).empty());
}

TEST_F(BenchAids, QuickRepeatsSayWhetherTheyStandStill) {
    change([](Plan& p) {
        p.rig.gauge.division = 0.0005;
        p.rig.gauge.accuracy = 0.001;
        p.rig.thermometer.division = 0.05;
    });
    ASSERT_TRUE(s->startRun("Dune"));
    for (int i = 0; i < 5; ++i) {
        type(20'000.0, 0.0, 100'400.0);
        ASSERT_TRUE(s->capture(true)->readingId);
        clock.time += 20'000;
        s->selectTarget(last().raw.place);
        if (i < 2) {
            EXPECT_THAT(plain(runView(*s).repeats), Not(HasSubstr("steady"))) << "two tell no course";
        }
    }
    EXPECT_THAT(plain(runView(*s).repeats), HasSubstr("; steady, within 0."));
}

// Each second point is heated harder and boils 0.8 K too hot: against the setting that is seen, against the
// order it is not.
TEST_F(BenchAids, ResidualsShowWhatGoesWithTheHeatersSetting) {
    change([](Plan& p) {
        p.ladder = {Spacing::Pressure, 20e3, 90e3, 12, 0.1, std::nullopt, false, {}};
        p.rig.gauge.division = 0.001;
        p.rig.gauge.accuracy = 0.001;
    });
    const auto fitOf = [&](bool stated) {
        EXPECT_TRUE(s->startRun("Dune"));
        for (int i = 0; const auto target = s->currentTarget(); ++i) {
            clock.time += kMinuteMs;
            type(target->absolute.pascal(), i % 2 == 0 ? 0.0 : 0.8, 100'400.0);
            s->edit([&](BenchDraft& d) {
                d.heaterSetting = stated ? std::optional(i % 2 == 0 ? 3.0 : 6.5) : std::nullopt;
            });
            EXPECT_TRUE(s->capture(true)->readingId);
        }
        return *s->model().fit(*s->runId(), {});
    };
    const RunFit fit = fitOf(true);
    const auto& readings = s->model().reduce(*s->runId());
    const ResidualView heater = residualView(fit, readings, ResidualAxis::HeaterSetting);
    ASSERT_EQ(heater.points.size(), 12U);
    EXPECT_THAT(plain(heater.told), HasSubstr("Harder heating moves the points"));
    double low = 0.0, high = 0.0; // means at each setting: apart by what was added, in quarters of a kelvin
    for (const auto& point : heater.points)
        (point.x < 5.0 ? low : high) += point.kelvin / 6.0;
    EXPECT_NEAR(high - low, 0.8, 0.15);
    EXPECT_THAT(plain(residualView(fit, readings, ResidualAxis::Order).told), HasSubstr("No trend"));
    const RunFit silent = fitOf(false);
    const ResidualView none =
        residualView(silent, s->model().reduce(*s->runId()), ResidualAxis::HeaterSetting);
    EXPECT_TRUE(none.points.empty());
    EXPECT_THAT(plain(none.told), HasSubstr("type it at Run"));
}

class BenchPictures : public BenchAids {
protected:
    const std::vector<std::byte> file{std::byte{0x89}, std::byte{0}, std::byte{7}};
    static PhotoEvidence read(PhotoSubject shows, double value) {
        PhotoEvidence e;
        e.shows = shows;
        e.reading.first = value;
        e.uFirst = 0.004;
        return e;
    }
};

TEST_F(BenchPictures, ARunHasItsOwnPictureOfBoiling) {
    EXPECT_FALSE(PictureCommands(*s).keepReference(file, 5));
    ASSERT_TRUE(s->startRun("Dune"));
    EXPECT_FALSE(runView(*s).reference);
    EXPECT_THAT(plain(runView(*s).picture), Not(IsEmpty()));
    EXPECT_FALSE(PictureCommands(*s).keepReference({}, 5));
    ASSERT_TRUE(PictureCommands(*s).keepReference(file, 5));
    ASSERT_TRUE(runView(*s).reference);
    EXPECT_EQ(s->notebook().picture(*runView(*s).reference), file);
    const RowId dune = *s->runId();
    ASSERT_TRUE(s->startRun("Ember"));
    EXPECT_FALSE(runView(*s).reference) << "another run means another boiling";
    s->selectRun(dune);
    EXPECT_TRUE(runView(*s).reference);
    ASSERT_TRUE(PictureCommands(*s).keepReference({std::byte{1}}, 9));
    EXPECT_EQ(s->notebook().picture(*runView(*s).reference)->size(), 1U);
}

TEST_F(BenchPictures, APointIsReadLaterFromThePictureThatIsAttachedToIt) {
    ASSERT_TRUE(s->startRun("Dune"));
    type(20'000.0, 0.0, 100'400.0);
    s->edit([](BenchDraft& d) { d.judge = "M"; });
    ASSERT_TRUE(s->capture(true)->readingId);
    const Reading before = last().raw;
    const Milliseconds taken = clock.time + 90'000; // 08:22:30 UTC, two hours east
    EXPECT_FALSE(PictureCommands(*s).attach(before.id + 99, file, taken));
    const auto attached = PictureCommands(*s).attach(before.id, file, taken);
    ASSERT_TRUE(attached);
    EXPECT_TRUE(runView(*s).taken.front().hasPicture);
    EXPECT_FALSE(PictureCommands(*s).readFrom(*attached, read(PhotoSubject::Room, 7.0)));
    const auto id = PictureCommands(*s).readFrom(*attached, read(PhotoSubject::Pressure, -0.83));
    ASSERT_TRUE(id) << plain(id.error().message);
    const auto readings = s->model().readingsOf(*s->runId());
    ASSERT_EQ(readings.size(), 2U);
    EXPECT_EQ(readings[0].struckReason, "read from the picture at 10:22");
    EXPECT_EQ(readings[1].first, -0.83);
    EXPECT_EQ(readings[1].temperature, before.temperature);
    EXPECT_EQ(readings[1].judge, "M");
    EXPECT_EQ(readings[1].place, before.place);
    EXPECT_THAT(marksText(last()), HasSubstr("read from the picture at 10:22"));
    EXPECT_NEAR(last().absolute->uIndependent, 0.004 * 1e5, 1e-6);
    EXPECT_EQ(s->notebook().count("picture"), 1) << "the picture is kept once";
    // The thermometer from the same picture: the gauge stays as it was read.
    const auto again =
        PictureCommands(*s).readFrom(s->model().attachedTo(*id)->id, read(PhotoSubject::Temperature, 59.5));
    ASSERT_TRUE(again);
    EXPECT_EQ(last().raw.first, -0.83);
    EXPECT_EQ(last().raw.temperature, 59.5);
    EXPECT_NEAR(last().absolute->uIndependent, 0.004 * 1e5, 1e-6);
    EXPECT_FALSE(PictureCommands(*s).readFrom(*attached, read(PhotoSubject::Pressure, -0.8)))
        << "that point is struck";
    ASSERT_TRUE(s->undo());
    ASSERT_TRUE(s->undo());
    EXPECT_FALSE(last().struck());
    EXPECT_EQ(last().raw.first, before.first);
}

} // namespace
} // namespace uttrin::testing
