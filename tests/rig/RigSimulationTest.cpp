#include "RigRuns.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <sstream>

namespace uttrin {
namespace {

using testing::waterInARig;

constexpr double kLitre = 1e-3;

RigRun ran(const RigModel& model, double seconds, double every) {
    const auto run = simulate(model, waterInARig(), seconds, every);
    EXPECT_TRUE(run) << run.error().message;
    return run ? *run : RigRun{};
}

const VesselState& end(const RigRun& run, std::size_t vessel = 0) {
    return run.samples.back().vessels[vessel];
}

std::optional<double> firstTime(const RigRun& run, RigEventKind kind) {
    for (const RigEvent& e : run.events)
        if (e.kind == kind) return e.seconds;
    return std::nullopt;
}

TEST(RigSimulation, ADryVesselIsPumpedDownByTheExponential) {
    RigModel m;
    m.vessels = {{.volume = 3.0 * kLitre, .airPascal = 94'310.0}};
    m.pumps = {{0, {20.0 / 60.0 * kLitre, 300.0}}};
    // Held at the room's temperature: air that expands does not cool.
    m.contacts = {{0, TouchedPart::Contents, 1e4, 293.15}};
    const RigRun run = ran(m, 60.0, 10.0);
    for (const RigSample& s : run.samples)
        EXPECT_NEAR(s.vessels[0].pascal, 300.0 + (94'310.0 - 300.0) * std::exp(-s.seconds / 9.0), 15.0)
            << s.seconds;
    EXPECT_LT(run.massDrift, 1e-6);
    EXPECT_LT(run.energyDrift, 1e-6);
}

TEST(RigSimulation, AVesselWithoutHeatExpandsAsAnAdiabaticGas) {
    // What stays behind expanded by p V^gamma: T = T0 (p / p0)^((gamma - 1) / gamma), as each gram leaves.
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre, .surface = 0.0, .airPascal = 100'000.0, .kelvin = 300.0}};
    m.pumps = {{0, {1.0 * kLitre, 0.0}}};
    const RigRun run = ran(m, 0.5, 0.1);
    const VesselState& s = end(run);
    EXPECT_NEAR(s.gasKelvin, 300.0 * std::pow(s.pascal / 100'000.0, 287.055 / 1005.0), 0.05);
}

TEST(RigSimulation, ADryWallCoolsByNewtonsLaw) {
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre, .walls = {{"glass", 200.0}}, .airPascal = 10.0, .kelvin = 353.15}};
    m.contacts = {{0, TouchedPart::Wall, 0.5, 293.15}};
    const RigRun run = ran(m, 1200.0, 300.0);
    for (const RigSample& s : run.samples)
        EXPECT_NEAR(s.vessels[0].wallKelvin(), 293.15 + 60.0 * std::exp(-s.seconds / 400.0), 0.005)
            << s.seconds;
}

TEST(RigSimulation, ASealedJarWithoutAirStaysOnTheSaturationLineWhileItCools) {
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre,
                  .walls = {{"glass", 150.0, 5.0, 0.03}},
                  .condensed = 0.45,
                  .kelvin = 368.15}};
    m.contacts = {{0, TouchedPart::Wall, 0.8, 293.15}};
    const RigRun run = ran(m, 5400.0, 60.0);
    ASSERT_EQ(run.samples.size(), 91U);
    for (const RigSample& s : run.samples) {
        const auto& jar = s.vessels[0];
        // The vapour lies between the saturation pressures of the liquid and of the cooler glass.
        const double liquid = water().vapourPressure(Temperature::fromKelvin(jar.kelvin))->pascal();
        EXPECT_LE(jar.pascal, liquid * (1.0 + 1e-6)) << s.seconds;
        EXPECT_GE(jar.pascal, 0.94 * liquid) << s.seconds;
    }
    EXPECT_LT(end(run).kelvin, 340.0);
    EXPECT_LT(run.massDrift, 1e-9);
    EXPECT_LT(run.energyDrift, 1e-6);
}

TEST(RigSimulation, WaterPumpedWithoutHeatFreezesThroughWithTheShareThatTheBalanceSays) {
    RigModel m;
    m.vessels = {{.volume = 3.0 * kLitre, .surface = 5e-3, .condensed = 0.010, .kelvin = 273.17}};
    m.pumps = {{0, {300.0 / 60.0 * kLitre, 5.0}}};
    const RigRun run = ran(m, 900.0, 0.5);
    ASSERT_FALSE(run.stopped) << run.stopped->message;
    const auto through = firstTime(run, RigEventKind::FrozenThrough);
    ASSERT_TRUE(firstTime(run, RigEventKind::BoilingStarts) || firstTime(run, RigEventKind::IceAppears));
    ASSERT_TRUE(through);
    const auto at =
        std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds >= *through; });
    ASSERT_NE(at, run.samples.end());
    // Fusion / (fusion + sublimation) = 333.4 / (333.4 + 2500.9) of what there was is gone: 11.8 %.
    EXPECT_NEAR(1.0 - at->vessels[0].solid / 0.010, 0.1176, 0.004);
    EXPECT_LT(run.massDrift, 1e-6);
    EXPECT_LT(run.energyDrift, 1e-6);
}

TEST(RigSimulation, RoomTemperatureWaterUnderAPumpBoilsAndCools) {
    RigModel m;
    m.vessels = {{.volume = 5.0 * kLitre, .surface = 4e-3, .condensed = 0.05, .airPascal = 94'310.0}};
    m.roomPascal = 94'310.0;
    m.pumps = {{0, {50.0 / 60.0 * kLitre, 200.0}}};
    const RigRun run = ran(m, 120.0, 1.0);
    const auto boils = firstTime(run, RigEventKind::BoilingStarts);
    ASSERT_TRUE(boils);
    // The air goes first: by the exponential down to 2.3 kPa or so in V / S ln(94 / 2.3), 22 s.
    EXPECT_GT(*boils, 20.0);
    // The vapour that boils off takes the rest of the air along.
    const auto later =
        std::ranges::find_if(run.samples, [&](const RigSample& s) { return s.seconds >= *boils + 15.0; });
    EXPECT_LT(later->vessels[0].airPascal, 0.1 * later->vessels[0].pascal);
    EXPECT_LT(end(run).kelvin, 290.0);
    EXPECT_LT(end(run).airPascal, 50.0);
}

TEST(RigSimulation, ALeakLetsTheRoomInUntilBothAreAlike) {
    RigModel m;
    m.vessels = {{.volume = 1.0 * kLitre, .airPascal = 1000.0}};
    m.links = {{0, kRoom, {0.5e-3, 0.01}}};
    m.contacts = {{0, TouchedPart::Contents, 10.0, 293.15}};
    const RigRun run = ran(m, 600.0, 60.0);
    EXPECT_NEAR(end(run).pascal, 101325.0, 5.0);
    EXPECT_LT(run.massDrift, 1e-6);
}

TEST(RigSimulation, AClosedVesselThatIsHeatedStopsWithAReason) {
    RigModel m;
    m.vessels = {{.name = "tube", .volume = 0.2 * kLitre, .condensed = 0.1, .kelvin = 363.15}};
    m.heaters = {{0, 2000.0}};
    const RigRun run = ran(m, 3600.0, 10.0);
    ASSERT_TRUE(run.stopped);
    EXPECT_TRUE(plain(run.stopped->message).starts_with("tube: its contents came to"))
        << run.stopped->message;
    EXPECT_GT(end(run).pascal, 1e6);
}

TEST(RigSimulation, AModelThatMakesNoSenseIsRefusedWithTheReason) {
    RigModel m;
    m.vessels = {{.name = "jar", .volume = 0.0}};
    EXPECT_EQ(simulate(m, waterInARig(), 1.0, 1.0).error().message, "jar: a volume above zero is needed");
    m.vessels[0].volume = 1e-3;
    m.vessels[0].condensed = 2.0;
    EXPECT_TRUE(plain(simulate(m, waterInARig(), 1.0, 1.0).error().message).starts_with("jar: it is full"));
    m.vessels[0].condensed = 0.1;
    m.links = {{0, 3, {1e-3, 0.1}}};
    EXPECT_EQ(simulate(m, waterInARig(), 1.0, 1.0).error().message,
              "a link joins two vessels, or a vessel and the room");
}

std::string describe(const RigModel& m) {
    std::ostringstream out;
    for (const Vessel& v : m.vessels)
        out << "vessel V " << v.volume << " c " << v.condensed << " air " << v.airPascal << " T " << v.kelvin
            << " walls " << v.walls.size() << " A " << v.surface << " seeds " << v.supercooling << " bubbles "
            << v.nucleation << " dissolved " << v.airDissolved << '\n';
    for (const Link& l : m.links)
        out << "link " << l.from << ' ' << l.to << ' ' << l.tube.diameter << ' ' << l.tube.length << '\n';
    for (const Contact& c : m.contacts)
        out << "contact " << c.vessel << ' ' << int(c.part) << ' ' << c.conductance << ' ' << c.kelvin
            << '\n';
    for (const Draught& d : m.draughts)
        out << "draught " << d.vessel << ' ' << d.surface << ' ' << d.transfer << '\n';
    for (const DryingDish& d : m.dishes)
        out << "dish " << d.agent.dryKg << ' ' << d.surface << '\n';
    for (const PumpAt& p : m.pumps)
        out << "pump " << p.vessel << ' ' << p.pump.speed << ' ' << p.pump.ultimatePa << '\n';
    return out.str();
}

RC_GTEST_PROP(RigSimulation, MassAndEnergyAreKeptInAnyRig, ()) {
    const auto among = [](double low, double high) {
        return low + (high - low) * *rc::gen::inRange(0, 1001) / 1000.0;
    };
    RigModel m;
    m.roomPascal = among(70e3, 105e3);
    const int vessels = *rc::gen::inRange(1, 4);
    for (int i = 0; i < vessels; ++i) {
        Vessel v;
        v.volume = among(0.2, 5.0) * kLitre;
        v.condensed = *rc::gen::arbitrary<bool>() ? v.volume * among(1.0, 600.0) : 0.0;
        v.airPascal = among(10.0, 100e3);
        v.kelvin = among(255.0, 360.0);
        for (int w = *rc::gen::inRange(0, 3); w > 0; --w)
            v.walls.push_back({"glass", among(20.0, 300.0), among(0.0, 20.0), among(0.0, 0.05)});
        v.surface = among(1e-3, 2e-2);
        m.vessels.push_back(v);
        m.contacts.push_back({i, *rc::gen::element(TouchedPart::Wall, TouchedPart::Contents), among(0.0, 5.0),
                              among(253.0, 330.0)});
        if (i > 0) m.links.push_back({i - 1, i, {among(0.5e-3, 8e-3), among(0.0, 0.5)}});
    }
    if (*rc::gen::arbitrary<bool>()) m.links.push_back({0, kRoom, {among(0.05e-3, 2e-3), 0.02}});
    if (*rc::gen::arbitrary<bool>())
        m.pumps.push_back({0,
                           {among(1.0, 60.0) / 60.0 * kLitre, among(1.0, 3000.0)},
                           "pump",
                           true,
                           *rc::gen::element(0.0, 333.15), // with oil, or without
                           among(0.0, 0.2) * kLitre,
                           among(0.0, 1.0)});
    // Hands reach in as well, at times that follow one another.
    std::vector<RigMove> moves;
    m.vessels[0].airDissolved = among(0.0, 1.0);
    m.vessels[0].supercooling = among(0.0, 4.0);
    m.vessels[0].nucleation = among(0.0, 4.0);
    if (*rc::gen::arbitrary<bool>()) {
        m.contacts.push_back(
            {0, TouchedPart::Contents, among(0.0, 5.0), 273.15, "ice", false, among(1e-3, 0.1)});
        moves.push_back({{RigTrigger::AtTime, 0, among(0.0, 60.0), {}, 0.0},
                         {{RigAction::Ice, static_cast<int>(m.contacts.size()) - 1, among(1e-3, 0.1), 0.0}},
                         ""});
    }
    if (*rc::gen::arbitrary<bool>())
        m.dishes.push_back(
            {0, {DryingAgentKind::SulfuricAcid, among(0.01, 0.2)}, among(0.0, 1e-2), 0.1, "acid"});
    if (*rc::gen::arbitrary<bool>())
        m.draughts.push_back({0, among(0.0, 5e-3), among(0.0, 0.02), 0.5, "air", true});
    if (*rc::gen::arbitrary<bool>())
        moves.push_back({{RigTrigger::After, 0, among(0.0, 40.0), {}, 0.0},
                         {{RigAction::Volume, 0, m.vessels[0].volume * among(1.0, 1.5), among(0.0, 30.0)}},
                         ""});
    const auto accuracy = *rc::gen::element(RigSimulator::Accuracy::Usual, RigSimulator::Accuracy::Coarse);
    const auto run = simulate(m, waterInARig(), 120.0, 30.0, moves, {}, {}, accuracy);
    RC_ASSERT(run.has_value());
    for (const RigMove& move : moves)
        RC_LOG() << "move " << move.when.value << ' ' << int(move.actions[0].what) << ' '
                 << move.actions[0].value << " over " << move.actions[0].over << '\n';
    RC_LOG() << describe(m) << (run->stopped ? plain(run->stopped->message) : "");
    const bool leftTheModel =
        run->stopped && plain(run->stopped->message).find("the model covers") != std::string::npos;
    RC_ASSERT(!run->stopped || leftTheModel); // both sides are evaluated here
    RC_ASSERT(run->massDrift < 1e-6);
    RC_ASSERT(run->energyDrift < 1e-6);
    for (const RigSample& s : run->samples)
        for (const VesselState& v : s.vessels)
            RC_ASSERT(std::isfinite(v.pascal) && v.pascal >= 0.0 && v.liquid >= 0.0 && v.solid >= 0.0);
}

} // namespace
} // namespace uttrin
