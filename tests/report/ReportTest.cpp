#include "demo/DemoNotebook.h"
#include "quantities/KeptTogether.h"
#include "quantities/Rounding.h"
#include "report/BenchSheet.h"
#include "report/LabReport.h"
#include "report/SvgPlot.h"
#include "support/FakeClock.h"
#include "support/HandledSession.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <memory>

namespace uttrin {
namespace {

class ReportTest : public ::testing::Test {
protected:
    testing::TempDir dir;
    testing::FakeClock clock;
    std::unique_ptr<testing::HandledSession> s;
    void SetUp() override {
        ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
        s = std::make_unique<testing::HandledSession>(*Notebook::open(dir / "demo.uttrin"), clock, 120);
    }
    [[nodiscard]] std::string html(bool answers) const {
        return asWritten(toHtml(*labReport(*s, {answers, {}}), Wording()));
    }
};

TEST_F(ReportTest, CarriesMethodRoomInstrumentsResultAndCautions) {
    const std::string page = html(true);
    for (const char* needed : {"made up", "Skarnfell Upper School", "group Cedar, run 1",
                               "Room pressure 94.31 ± 0.03 kPa (barometer, read 08:42)", "U-tube (two arms",
                               "slow and steady", "zero, open to the room", "All points are in the fit",
                               "ΔH = 42.", "Scatter alone, 95 %:", "Weighted and unweighted side by side",
                               "<svg", "Mercury vapour is poisonous", "Local rules"})
        EXPECT_NE(page.find(needed), std::string::npos) << needed;
}

TEST_F(ReportTest, TheStudentsCopyHoldsReadingsButNoAnswers) {
    const std::string page = html(false);
    EXPECT_NE(page.find("71.95 | 10.15"), std::string::npos); // the reading
    for (const char* answer :
         {"ΔH = 42.", "12.24", "9.41", "<polygon", "accepted curve over the same span has"})
        EXPECT_EQ(page.find(answer), std::string::npos) << answer;
    EXPECT_NE(page.find("________"), std::string::npos);
}

TEST_F(ReportTest, AStruckPointStaysVisibleWithItsReason) {
    ASSERT_TRUE(s->strike(s->model().readingsOf(*s->runId())[3].id, "read <too> fast"));
    const std::string page = html(true);
    EXPECT_NE(page.find("class=\"struck\""), std::string::npos);
    EXPECT_NE(page.find("struck: read &lt;too&gt; fast"), std::string::npos);
    EXPECT_NE(page.find("Not in the fit: point 4"), std::string::npos);
}

TEST_F(ReportTest, PredictionsStandAtTheirOwnPressuresAndAnUnlockingIsNamed) {
    const auto first = s->model().predictionsOf(s->setupId());
    ASSERT_EQ(first.size(), 4U);
    const std::string pressure = plain(fixed(*first[1].pascal / 1000.0, 1));
    EXPECT_EQ(html(true).find("were unlocked"), std::string::npos);
    Plan plan = s->plan(); // another ladder: what was said stays at its pressures
    plan.ladder.count = plan.ladder.count - 3;
    plan.ladder.moved.clear();
    ASSERT_TRUE(s->changePlan(plan, Text::set("")));
    EXPECT_NE(html(true).find(pressure), std::string::npos);
    ASSERT_TRUE(s->unlockPredictions());
    EXPECT_NE(html(true).find("The predictions were unlocked at"), std::string::npos);
}

TEST_F(ReportTest, ACorrectedRoomIsSaid) {
    RoomEntry e;
    e.value = 942.0;
    e.valueU = 0.3;
    ASSERT_TRUE(s->enterRoom(e, RoomRole::Start, clock.time));
    EXPECT_NE(html(true).find("corrected 1 time"), std::string::npos);
}

TEST_F(ReportTest, TheBenchSheetShowsWhatTheDialWillShow) {
    const std::string page = toHtml(*benchSheet(*s), Wording());
    for (const char* needed :
         {"U-tube shows, cm", "72.05 | 10.05", "To fetch", "Lowest pressure first", "trial point"})
        EXPECT_NE(page.find(needed), std::string::npos) << needed;
}

TEST_F(ReportTest, ASheetForAClassThatIsToFindThemHasNoBoilingPoints) {
    const std::string all = toHtml(*benchSheet(*s), Wording()),
                      bare = toHtml(*benchSheet(*s, {false}), Wording());
    EXPECT_NE(all.find("Run sheet: " + s->model().lesson().title), std::string::npos);
    EXPECT_NE(all.find(s->plan().title), std::string::npos);
    for (const Target& t : s->sheet()->targets) {
        const std::string boils = plain(fixed(t.boils.celsius(), 1)),
                          shown = plain(tableText(s->plan().rig.gauge, t.dial));
        EXPECT_NE(all.find(boils + " ±"), std::string::npos) << boils;
        EXPECT_EQ(bare.find(boils), std::string::npos) << boils;
        EXPECT_NE(bare.find(shown), std::string::npos) << shown;
    }
    EXPECT_EQ(bare.find("K a division"), std::string::npos); // from which they follow
}

TEST_F(ReportTest, TheStudentsCopyHasPaperToDrawOn) {
    const std::string answers = html(true), copy = html(false);
    EXPECT_EQ(answers.find("Draw your points"), std::string::npos);
    ASSERT_NE(copy.find("Draw your points"), std::string::npos);
    EXPECT_EQ(copy.find("<polygon"), std::string::npos); // and no point on it
    EXPECT_EQ(copy.find("<polyline"), std::string::npos);
    const auto lines = [](const std::string& page) {
        std::size_t count = 0;
        for (std::size_t at = page.find("<line"); at != std::string::npos; at = page.find("<line", at + 1))
            ++count;
        return count;
    };
    EXPECT_GT(lines(copy), 40U);
}

// All that was on the plot is on it still, and its ends are steps of the axes.
RC_GTEST_PROP(SvgPlot, WidenedToStepsItHoldsWhatItHeld, ()) {
    SvgPlot plot;
    plot.xLow = *rc::gen::inRange(-5000, 5000) / 1000.0;
    plot.xHigh = plot.xLow + *rc::gen::inRange(1, 9000) / 1000.0;
    plot.yLow = *rc::gen::inRange(-5000, 5000) / 100.0;
    plot.yHigh = plot.yLow + *rc::gen::inRange(1, 9000) / 100.0;
    const SvgPlot before = plot;
    widenToSteps(plot);
    RC_ASSERT(plot.xLow <= before.xLow && plot.xHigh >= before.xHigh);
    RC_ASSERT(plot.yLow <= before.yLow && plot.yHigh >= before.yHigh);
    const double span = before.xHigh - before.xLow, widened = plot.xHigh - plot.xLow;
    RC_ASSERT(widened <= 1.5 * span); // by a step at each end, of which a fifth of the span is the widest
}

// -3.081 + 0.051 is a last bit above -303 hundredths, and the point on this end fell off the plot.
TEST(SvgPlot, AnEndOnAStepIsNotMovedInwards) {
    SvgPlot plot;
    plot.xLow = -3.081;
    plot.xHigh = plot.xLow + 0.051;
    plot.yLow = -50.0;
    plot.yHigh = -49.99;
    const SvgPlot before = plot;
    widenToSteps(plot);
    EXPECT_LE(plot.xLow, before.xLow);
    EXPECT_GE(plot.xHigh, before.xHigh);
    EXPECT_LE(plot.yLow, before.yLow);
    EXPECT_GE(plot.yHigh, before.yHigh);
}

TEST(SvgPlot, PutsPointsWhereTheyBelongAndLeavesOutWhatLiesOutside) {
    SvgPlot plot;
    plot.xLow = 0;
    plot.xHigh = 10;
    plot.yLow = 0;
    plot.yHigh = 10;
    plot.points = {{0.0, 0.0, 0.0, 0.0, false}, {20.0, 5.0, 0.0, 0.0, false}};
    const std::string svg = toSvg(plot, Wording());
    // The origin is the lower left corner of the field: 78, 422; the lozenge begins 6 above it.
    EXPECT_NE(svg.find("<polygon points=\"78.0,416.0"), std::string::npos);
    EXPECT_EQ(svg.find("polygon"), svg.rfind("polygon"));
}

} // namespace
} // namespace uttrin
