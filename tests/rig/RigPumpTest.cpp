#include "RigRuns.h"

#include <cmath>

namespace uttrin {
namespace {

using testing::ranWell;

/// Wet contents that a hot wall keeps at one temperature, on a pump with oil at 60 degC.
RigModel wetRig(double kelvin, double ballast) {
    RigModel m;
    m.vessels = {{.volume = 2e-3, .surface = 0.02, .condensed = 0.2, .kelvin = kelvin}};
    m.contacts = {{0, TouchedPart::Contents, 500.0, kelvin}};
    m.pumps = {{0, {1e-3, 50.0}, "pump", true, 333.15, ballast, 1.0}};
    return m;
}

// W. Gaede: a pump bears water vapour up to B/S p_room p_s / (p_room - p_s), where p_s is the saturation
// pressure at its own temperature; 19.946 kPa at 60 degC by IAPWS.
TEST(RigPump, BallastCarriesVapourUpToGaedesPressure) {
    const double saturation = 19'946.0, room = 101'325.0;
    const auto inOil = [&](double times) {
        RigModel m = wetRig(293.15, 0.0); // 2.339 kPa over the water
        const double bears = times * 2'339.0;
        m.pumps[0].ballast = bears / (room * saturation / (room - saturation)) * 1e-3;
        return ranWell(m, 30.0, 1.0).samples.back().pumps[0].oilKg;
    };
    EXPECT_GT(inOil(0.8), 1e-6);
    EXPECT_LT(inOil(1.2), 1e-9);
}

TEST(RigPump, WithoutBallastItsOilKeepsTheVapourAndItReachesLess) {
    const RigRun shut = ranWell(wetRig(293.15, 0.0), 120.0, 4.0);
    const PumpState& end = shut.samples.back().pumps[0];
    const VesselState& s = shut.samples.back().vessels[0];
    const double atFirst = 0.2 + shut.samples.front().vessels[0].vapour;
    EXPECT_NEAR(end.oilKg, atFirst - s.liquid - s.vapour, 1e-6); // all that left, as there is no air
    EXPECT_GT(end.reaches, 200.0);
}

TEST(RigPump, OilDriesWhileBallastGoesThrough) {
    RigModel m = wetRig(293.15, 0.1e-3);
    m.pumps[0].ballastOpen = 0.0;
    m.vessels[0].condensed = 0.3e-3; // it is soon gone
    const RigRun run = ranWell(
        m, 900.0, 5.0, {{{RigTrigger::AtTime, 0, 60.0}, {{RigAction::Ballast, 0, 1.0}}, "ballast open"}});
    double most = 0.0;
    for (const RigSample& sample : run.samples)
        most = std::max(most, sample.pumps[0].oilKg);
    EXPECT_GT(most, 2e-4);
    EXPECT_LT(run.samples.back().pumps[0].oilKg, 0.1 * most);
    // Dry, it comes down to its own ultimate pressure and what leaks back of the ballast.
    EXPECT_LT(run.samples.back().pumps[0].reaches, 50.0 + 0.02 * 0.1 * 101'325.0);
}

TEST(RigPump, AColdTrapKeepsTheVapourFromIt) {
    RigModel m;
    m.vessels = {{.name = "dish", .volume = 2e-3, .surface = 0.005, .condensed = 0.02},
                 {.name = "trap",
                  .volume = 0.3e-3,
                  .surface = 0.01,
                  .walls = {{"glass", 60.0, 3.0, 0.015}},
                  .vapourPascal = 100.0}};
    m.links = {{0, 1, {0.015, 0.4}, "hose"}};
    m.pumps = {{1, {0.7e-3, 20.0}, "pump", true, 333.15}};
    m.contacts = {{1, TouchedPart::Wall, 0.3, 293.15}};
    const auto ends = [&] { return ranWell(m, 300.0, 5.0).samples.back(); };
    const RigSample warm = ends();
    m.contacts.push_back({1, TouchedPart::Wall, 6.0, 255.15});
    const RigSample cold = ends();
    EXPECT_GT(cold.vessels[1].solid, 5.0 * cold.pumps[0].oilKg);
    EXPECT_LT(cold.pumps[0].oilKg, 0.5 * warm.pumps[0].oilKg);
    EXPECT_LT(cold.vessels[0].kelvin, warm.vessels[0].kelvin - 1.0); // a cold wall pumps vapour faster
}

} // namespace
} // namespace uttrin
