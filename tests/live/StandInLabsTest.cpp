#include "live/LiveMoment.h"
#include "rig/Random.h"
#include "standin/StandIn.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>
#include <gtest/gtest.h>

#include <cmath>
#include <cstdlib>

namespace uttrin {
namespace {

constexpr int kPoints = 11;
constexpr double kFirst = 240.0, kEach = 240.0, kRoomPascal = 97'200.0; // s, Pa
constexpr double kLag = 8.0;                                            // s, of the thermometer

/// A flask that boils at eleven pressures, one after another, as a valve lets in more air; a leak beside it.
RigFile elevenPoints(double leakMillimetre, double watt) {
    std::string moves = fmt::format(
        R"({{"at": "5 s", "pump": {{"pump": true}}}}, {{"at": "20 s", "heat": {{"heater": "{} W"}}}})", watt);
    for (int point = 1; point < kPoints; ++point)
        moves += fmt::format(R"(, {{"at": "{} s", "open": {{"bleed": "{} %"}}}})", kFirst + kEach * point,
                             8 + 5 * point);
    const std::string text = fmt::format(
        R"({{"name": "eleven points", "substance": "water",
"room": {{"pressure": "{} Pa", "temperature": "24 degC"}},
"vessels": {{"flask": {{"shape": "round-flask", "volume": "1 L", "liquid": "220 g", "temperature": "48 degC",
  "surface": "100 cm2", "nucleation": "0.1 K", "wall_heat_capacity": "200 J/K", "wall_to_contents": "3 W/K",
  "walls": {{"condenser": {{"heat_capacity": "60 J/K", "dry": "200 cm2", "swept": true}}}}, "made_for": "vacuum"}}}},
"links": {{"bleed": {{"from": "flask", "to": "room", "diameter": "2 mm", "length": "1 cm", "open": "8 %"}},
  "leak": {{"from": "flask", "to": "room", "diameter": "{} mm", "length": "1 cm"}}}},
"pumps": {{"pump": {{"vessel": "flask", "speed": "30 L/min", "ultimate": "800 Pa", "on": false}}}},
"contacts": {{"room": {{"vessel": "flask", "touches": "contents", "conductance": "0.3 W/K"}},
  "cooling water": {{"vessel": "flask", "touches": "condenser", "conductance": "25 W/K", "temperature": "15 degC"}}}},
"heaters": {{"heater": {{"vessel": "flask", "power": "0 W"}}}},
"instruments": {{"thermometer": {{"kind": "thermometer", "vessel": "flask", "lag": "{} s", "resolution": "0.01 K"}},
  "gauge": {{"kind": "gauge", "vessel": "flask", "lag": "0.5 s", "resolution": "5 Pa"}}}},
"moves": [{}], "duration": "{} s", "sample": "1 s", "watch": "flask"}})",
        kRoomPascal, leakMillimetre, kLag, moves, kFirst + kEach * kPoints);
    const auto rig = RigFile::parse(text);
    EXPECT_TRUE(rig) << (rig ? Text() : rig.error().message);
    return *rig;
}

struct Tally {
    int points = 0, pressureHeld = 0, temperatureHeld = 0;
    int calledSteady = 0, calledThoughMoving = 0, still = 0, stillNotCalled = 0;
};

/// What is so in the flask.
class Truth {
public:
    explicit Truth(const Rehearsal& r) : m_r(r) {}
    [[nodiscard]] VesselState at(double seconds) const {
        const std::size_t i = std::min(m_r.sampleAt(seconds), m_r.run.samples.size() - 2);
        const double part = std::clamp(seconds - m_r.run.samples[i].seconds, 0.0, 1.0);
        VesselState state = m_r.watchedAt(i);
        state.pascal = std::lerp(state.pascal, m_r.watchedAt(i + 1).pascal, part);
        state.kelvin = std::lerp(state.kelvin, m_r.watchedAt(i + 1).kelvin, part);
        return state;
    }
    /// By how much boiling point or temperature moves over the last seconds, K: the more of the two.
    [[nodiscard]] double moved(double from, double to) const {
        const VesselState a = at(from), b = at(to);
        const auto boils = [](const VesselState& s) {
            return water().boilingPoint(Pressure::fromPascal(s.pascal))->kelvin();
        };
        return std::max(std::abs(a.kelvin - b.kelvin), std::abs(boils(a) - boils(b)));
    }

private:
    const Rehearsal& m_r;
};

void playLab(const StandIn& rig, std::uint64_t seed, Tally& tally) {
    StandIn shown = rig.with({.noisePascal = 40.0, .noiseKelvin = 0.06, .seed = seed});
    NormalNumbers normal(seed);
    const double known = kLag / (1.0 + 0.2 * std::clamp(normal.next(), -1.7, 1.7) / 1.7); // to a fifth
    const Truth truth(rig.rehearsal());
    const SteadyTolerance tolerance;
    for (int point = 0; point < kPoints; ++point) {
        LiveTrail trail;
        LiveWatch watch;
        const double begins = kFirst + kEach * point;
        bool captured = false;
        for (double s = begins; s < begins + kEach - 5.0; s += 0.5) {
            TraceChannel p, t;
            for (double w = s; w < s + 0.45; w += 0.1) {
                const auto now = shown.shownAt(w);
                p.seconds.push_back(w);
                p.values.push_back(now.pascal);
                t.seconds.push_back(w);
                t.values.push_back(now.kelvin);
            }
            p.step = 5.0;
            t.step = 0.01;
            trail.take(LiveQuantity::AbsolutePressure, p);
            trail.take(LiveQuantity::Temperature, t);
            const LiveMoment m =
                watch.look(trail, water(), kRoomPascal, {.pressure = 0.5, .temperature = known}, s + 0.5);
            const double now = s + 0.5;
            if (now < begins + 3.0 * tolerance.seconds) continue; // it has to have seen something
            const double moved = truth.moved(now - tolerance.seconds, now);
            tally.calledSteady += m.steady;
            tally.calledThoughMoving += m.steady && moved > tolerance.kelvin;
            // Still for long enough that instruments with a lag can have seen it.
            const bool still =
                truth.moved(now - 2.0 * tolerance.seconds - kLag, now) < 0.5 * tolerance.kelvin;
            tally.still += still;
            tally.stillNotCalled += still && !m.steady;
            if (captured || !m.steady || m.steadyFor < tolerance.seconds) continue;
            captured = true;
            ++tally.points;
            const VesselState is = truth.at(0.5 * (m.from + m.to));
            tally.pressureHeld += std::abs(m.pressure->mean - is.pascal) <= 2.0 * m.pressureU;
            tally.temperatureHeld += std::abs(m.temperature->mean - is.kelvin) <= 2.0 * m.temperatureU;
        }
    }
}

// Labs on a simulated rig, read by instruments with lag, steps and noise; UTTRIN_LABS=1000 for all of them.
TEST(StandInLabs, CapturesLieWhereTheRigWas) {
    const char* wanted = std::getenv("UTTRIN_LABS");
    const int labs = wanted ? std::atoi(wanted) : 12;
    std::vector<StandIn> rigs;
    for (const auto& [leak, watt] : {std::pair{0.1, 260.0}, {0.25, 340.0}, {0.4, 220.0}})
        rigs.push_back(std::move(*StandIn::make(elevenPoints(leak, watt), {}, {})));
    Tally tally;
    for (int lab = 0; lab < labs; ++lab)
        playLab(rigs[static_cast<std::size_t>(lab) % rigs.size()], 500 + static_cast<std::uint64_t>(lab),
                tally);
    const auto share = [](int part, int whole) { return static_cast<double>(part) / std::max(1, whole); };
    const double pressure = share(tally.pressureHeld, tally.points),
                 temperature = share(tally.temperatureHeld, tally.points);
    std::printf(
        "%d labs, %d points: pressure %.1f %%, temperature %.1f %%; called steady though moving %.2f %%, "
        "still and not called %.2f %%\n",
        labs, tally.points, 100.0 * pressure, 100.0 * temperature,
        100.0 * share(tally.calledThoughMoving, tally.calledSteady),
        100.0 * share(tally.stillNotCalled, tally.still));
    ASSERT_GT(tally.points, 8 * labs);
    const double slack = 2.0 * std::sqrt(0.05 * 0.95 / tally.points); // of counting
    EXPECT_GE(pressure, 0.93 - slack);
    EXPECT_GE(temperature, 0.93 - slack);
    EXPECT_LE(pressure, 0.97 + slack);
    EXPECT_LE(temperature, 0.97 + slack);
    EXPECT_LT(share(tally.calledThoughMoving, tally.calledSteady), 0.02);
    EXPECT_LT(share(tally.stillNotCalled, tally.still), 0.05);
}

} // namespace
} // namespace uttrin
