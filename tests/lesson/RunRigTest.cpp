#include "lesson/exchange/Exports.h"
#include "lesson/views/MapView.h"
#include "lesson/views/RigView.h"
#include "lesson/views/StripView.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

namespace uttrin::testing {
namespace {

/// A lesson in a room at 850 hPa whose run has readings, and whose plan can be changed behind it.
class RunRig : public DrivenLesson {
protected:
    void takeThree() {
        enterRoom(850.6);
        ASSERT_TRUE(s->startRun("Cedar"));
        for (const double pascal : {20e3, 40e3, 60e3}) {
            type(pascal, 0.0, 85060.0);
            ASSERT_TRUE(s->capture(true)->readingId);
        }
    }
    [[nodiscard]] std::vector<double> absolutes() const {
        std::vector<double> pascals;
        for (const ReducedReading& r : s->model().reduce(*s->runId()))
            pascals.push_back(r.absolute->pressure.pascal());
        return pascals;
    }
};

TEST_F(RunRig, EditingTheRigGivesCapturedReadingsNoOtherMeaning) {
    takeThree();
    const auto before = absolutes();
    const std::string exported = readingsCsv(s->model());
    change([](Plan& p) {
        p.rig.gauge.convention = PressureConvention::VacuumDepth;
        p.rig.gauge.unit = "kPa";
        p.rig.thermometer.place = SensorPlace::Vapour;
        p.substance = "acetone";
        p.startCelsius = 15.0;
    });
    EXPECT_EQ(absolutes(), before);
    EXPECT_EQ(readingsCsv(s->model()), exported);
    EXPECT_TRUE(s->model().fit(*s->runId(), {}));
    EXPECT_EQ(stripView(*s).gauge.unit, "bar") << "the bench shows the run’s own dial";
    EXPECT_EQ(mapView(*s, MapPurpose::Run).substance->facts().id, "water");
    EXPECT_EQ(mapView(*s, MapPurpose::Plan).substance->facts().id, "acetone");
    EXPECT_NE(plain(runRigNote(*s)).find("Cedar, run 1, keeps the rig"), std::string::npos);
}

TEST_F(RunRig, CorrectingTheSetUpIsACommandOfItsOwnAndCanBeTakenBack) {
    takeThree();
    const auto before = absolutes();
    change([](Plan& p) { p.rig.gauge.unit = "psi"; });
    ASSERT_TRUE(s->correctRun(*s->runId()));
    const auto corrected = absolutes();
    constexpr double kPascalPerPsi = 6894.757293168;
    for (std::size_t i = 0; i < before.size(); ++i) // what was bar is psi now, below the same room
        EXPECT_NEAR(85060.0 - corrected[i], (85060.0 - before[i]) * kPascalPerPsi / 1e5, 1.0);
    EXPECT_EQ(runRigNote(*s), "");
    ASSERT_EQ(s->model().rigsOf(*s->runId()).size(), 2U);
    EXPECT_EQ(s->model().rigsOf(*s->runId()).back().reason, "set-up corrected");
    EXPECT_EQ(s->notebook().undoLabel(), "Correct the set-up of Cedar, run 1");
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(absolutes(), before);
    ASSERT_TRUE(s->redo());
    EXPECT_EQ(absolutes(), corrected);
}

TEST_F(RunRig, ARunWithoutReadingsFollowsItsPlan) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    change([](Plan& p) { p.rig.gauge.unit = "kPa"; });
    EXPECT_EQ(s->benchPlan().rig.gauge.unit, "kPa");
    EXPECT_EQ(runRigNote(*s), "");
}

TEST_F(RunRig, ACalibrationSaysToWhichRunsItApplies) {
    takeThree();
    clock.time += 60'000;
    ASSERT_TRUE(s->startRun("Dune"));
    const auto hot = *s->model().room(s->groupId());
    const double steam = water().boilingPoint(hot.station)->celsius() + 0.5;
    const auto now = s->calibrate(0.5, steam, false);
    ASSERT_TRUE(now) << now.error().message;
    EXPECT_NE(plain(*now).find("It applies to Dune, run 1."), std::string::npos) << *now;
    EXPECT_TRUE(s->benchPlan().rig.thermometer.calibrations.size() == 1);
    ASSERT_TRUE(s->undo());
    EXPECT_TRUE(s->benchPlan().rig.thermometer.calibrations.empty());
    const auto earlier = s->calibrate(0.5, steam, true);
    ASSERT_TRUE(earlier);
    EXPECT_NE(plain(*earlier).find("3 readings move"), std::string::npos) << *earlier;
    EXPECT_NE(plain(*earlier).find("Cedar, run 1; Dune, run 1"), std::string::npos) << *earlier;
}

// The strip showed the dial's own zero error while the capture took it off.
TEST_F(RunRig, TheLiveStripTakesTheZeroOffThatTheCaptureTakesOff) {
    enterRoom(850.6);
    ASSERT_TRUE(s->startRun("Cedar"));
    type(40e3, 0.0, 85060.0);
    const BenchDraft typed = s->draft();
    const Text without = stripView(*s).gauge.under;
    constexpr double kZero = 0.04; // bar
    ASSERT_TRUE(s->checkZero(kZero, std::nullopt));
    s->edit([&](BenchDraft& d) { d = typed; });
    const StripView live = stripView(*s);
    const auto onMap = mapView(*s, MapPurpose::Run).livePascal;
    EXPECT_NE(live.gauge.under, without);
    ASSERT_TRUE(s->capture(true)->readingId);
    const auto& taken = s->model().reduce(*s->runId()).back();
    EXPECT_EQ(stripView(*s).gauge.under, live.gauge.under) << "what was live is what was captured";
    EXPECT_DOUBLE_EQ(*onMap, taken.absolute->pressure.pascal());
    EXPECT_NEAR(taken.absolute->pressure.pascal(), 40e3 - kZero * 1e5, 500.0);
}

TEST_F(RunRig, ARunOfAnOlderNotebookHasTheRigOfItsPlan) {
    takeThree();
    for (const uttrin::Run& run : s->model().data().runs)
        EXPECT_EQ(s->model().rigsOf(run.id).size(), 1U);
    EXPECT_FALSE(s->model().differsFromPlan(*s->runId()));
}

} // namespace
} // namespace uttrin::testing
