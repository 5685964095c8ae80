#include "standin/StandIn.h"

#include "live/LiveRecorder.h"
#include "live/ShippedProfiles.h"
#include "rehearsal/Demonstrations.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

StandIn standIn(const char* rig, StandInSettings settings = {}, const std::vector<RigSetting>& set = {}) {
    return std::move(*StandIn::make(findDemonstration(rig)->rig, set, std::move(settings)));
}

TEST(StandIn, ShowsTheRigWithItsLagZeroAndSteps) {
    StandIn still = standIn("sealed-flask", {}, {{"/room/pressure", "866 hPa"}});
    const Rehearsal& r = still.rehearsal();
    const double at = 0.8 * still.lasts(); // it hardly moves by then
    const auto& truth = r.watchedAt(r.sampleAt(at));
    EXPECT_NEAR(still.shownAt(at).kelvin, truth.kelvin, 0.2);
    EXPECT_NEAR(still.shownAt(at).pascal, truth.pascal, 150.0);
    StandIn shifted = standIn("sealed-flask", {.zeroPascal = 700.0}, {{"/room/pressure", "866 hPa"}});
    EXPECT_NEAR(shifted.shownAt(at).pascal - still.shownAt(at).pascal, 700.0, 1e-6);
    // Of the file: a gauge in steps of 100 Pa.
    EXPECT_NEAR(std::remainder(still.shownAt(at).pascal, 100.0), 0.0, 1e-6);
    EXPECT_EQ(still.shownAt(at).pascal, still.shownAt(at).pascal);
    EXPECT_EQ(still.shownAt(1e9).kelvin, still.shownAt(still.lasts()).kelvin);
}

TEST(StandIn, ItsNoiseIsAsWideAsItIsSaid) {
    StandIn noisy = standIn("bell-jar", {.noiseKelvin = 0.4, .seed = 9}), quiet = standIn("bell-jar");
    double squares = 0.0;
    constexpr int kMany = 2000;
    for (int i = 0; i < kMany; ++i) {
        const double at = 0.02 * i;
        squares += std::pow(noisy.shownAt(at).kelvin - quiet.shownAt(at).kelvin, 2);
    }
    EXPECT_NEAR(std::sqrt(squares / kMany), 0.4, 0.05);
    EXPECT_EQ(noisy.shownAt(3.0).kelvin, noisy.shownAt(3.0).kelvin) << "equal times show the same";
}

TEST(StandIn, FaultsComeWhenTheyAreAskedFor) {
    StandInSettings settings;
    for (const char* word : {"gap:10:5", "rubbish:20:5", "unplugged:30:5", "jump:40:3600", "noise:50:5"})
        settings.faults.push_back(*readFault(word));
    StandIn s = standIn("bell-jar", settings);
    EXPECT_FALSE(s.lineAt(9.9).empty());
    EXPECT_TRUE(s.lineAt(12.0).empty());
    EXPECT_FALSE(decodeLine(findProfile("pressure-and-temperature-lines")->profile, s.lineAt(22.0)));
    EXPECT_TRUE(s.suffers(StandInFault::Kind::Unplugged, 34.9));
    EXPECT_FALSE(s.suffers(StandInFault::Kind::Unplugged, 35.0));
    const auto clock = [&](double at) {
        return *decodeLine(findProfile("logger-file")->profile, s.fileLineAt(at))->seconds;
    };
    EXPECT_DOUBLE_EQ(clock(39.0), 39.0);
    EXPECT_DOUBLE_EQ(clock(41.0), 3641.0);
    for (const char* wrong : {"", "gap", "gap:1", "gap:-1:2", "gap:1:0", "fire:1:2", "gap:a:b"})
        EXPECT_FALSE(readFault(wrong)) << wrong;
}

// What any rig sends at any time is read back to the last figure that was sent.
RC_GTEST_PROP(StandIn, IsReadBackByItsProfiles, ()) {
    static StandIn s = standIn("stop-and-start", {.noisePascal = 30.0, .noiseKelvin = 0.1});
    const double at = *rc::gen::inRange(0, 300'000) / 1000.0;
    const auto shown = s.shownAt(at);
    const auto line = decodeLine(findProfile("pressure-and-temperature-lines")->profile, s.lineAt(at));
    const auto logged = decodeLine(findProfile("logger-file")->profile, s.fileLineAt(at));
    RC_ASSERT(line && logged);
    RC_ASSERT(std::abs(line->readings[0].si - shown.pascal) <= 0.5 + 1e-6);
    RC_ASSERT(std::abs(line->readings[1].si - shown.kelvin) <= 0.005 + 1e-9);
    RC_ASSERT(std::abs(logged->readings[1].si - shown.pascal) <= 0.5 + 1e-6);
    RC_ASSERT(std::abs(*logged->seconds - at) <= 0.005 + 1e-9);
}

TEST(StandIn, EveryDemonstrationCanStandInOrSaysWhyNot) {
    for (const Demonstration& d : demonstrations()) {
        auto s = StandIn::make(d.rig, {}, {});
        if (!s) {
            EXPECT_NE(plain(s.error().message).find("neither"), std::string::npos) << d.id;
            continue;
        }
        EXPECT_TRUE(std::isfinite(s->shownAt(1.0).pascal) && std::isfinite(s->shownAt(1.0).kelvin)) << d.id;
    }
}

} // namespace
} // namespace uttrin
