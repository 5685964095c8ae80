#include "live/LiveMoment.h"

#include "rig/Random.h"
#include "substances/SubstanceLibrary.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <cstdlib>

namespace uttrin {
namespace {

/// A channel with a reading each tenth of a second.
template <typename At>
TraceChannel channel(double from, double to, double step, At at) {
    TraceChannel c;
    c.step = step;
    for (double s = from; s < to; s += 0.1) {
        c.seconds.push_back(s);
        c.values.push_back(step > 0.0 ? step * std::round(at(s) / step) : at(s));
    }
    return c;
}

/// What a thermometer that follows with a time constant shows of a course.
template <typename Truth>
TraceChannel lagged(double to, double tau, Truth truth) {
    double shown = truth(0.0);
    return channel(0.0, to, 0.0, [&, last = 0.0](double s) mutable {
        shown += (truth(s) - shown) * (1.0 - std::exp(-(s - last) / tau));
        last = s;
        return shown;
    });
}

TEST(LiveTrail, KeepsTheLastMinutesOnly) {
    LiveTrail trail;
    for (double s = 0.0; s < 3000.0; s += 10.0)
        trail.take(LiveQuantity::Temperature, channel(s, s + 10.0, 0.0, [](double t) { return t; }));
    EXPECT_NEAR(trail.last(), 2999.9, 0.11);
    const TraceChannel& t = trail.temperature();
    EXPECT_NEAR(t.seconds.front(), 3000.0 - LiveTrail::kKeeps, 61.0); // taken away in pieces
    EXPECT_LT(t.size(), 10 * (LiveTrail::kKeeps + 100.0));
}

TEST(LiveTrail, ForgetsOnePressureWhenAnotherKindComes) {
    LiveTrail trail;
    trail.take(LiveQuantity::AbsolutePressure, channel(0, 1, 0, [](double) { return 5e4; }));
    trail.take(LiveQuantity::GaugePressure, channel(1, 2, 0, [](double) { return -4e4; }));
    EXPECT_EQ(trail.pressureQuantity(), LiveQuantity::GaugePressure);
    const Trace trace = trail.aligned(95'000.0, {}, 0.0, 10.0);
    EXPECT_NEAR(trace.pascal.values.front(), 55'000.0, 1e-9);
    EXPECT_EQ(trace.pascal.size(), trail.pressure().size());
}

TEST(LiveTrail, AClockThatGoesBackAddsNothing) {
    LiveTrail trail;
    trail.take(LiveQuantity::Temperature, channel(5, 6, 0, [](double) { return 300.0; }));
    trail.take(LiveQuantity::Temperature, channel(0, 1, 0, [](double) { return 200.0; }));
    for (const double kelvin : trail.temperature().values)
        EXPECT_EQ(kelvin, 300.0);
}

// On a ramp a thermometer that lags is set back to the truth, whatever the ramp and the lag.
RC_GTEST_PROP(LiveTrail, AlignsALaggingThermometerOnARamp, ()) {
    const double tau = *rc::gen::inRange(1, 20), slope = *rc::gen::inRange(-100, 100) / 100.0;
    LiveTrail trail;
    trail.take(LiveQuantity::Temperature,
               lagged(12.0 * tau + 20.0, tau, [&](double s) { return 350.0 + slope * s; }));
    const Trace trace = trail.aligned(0.0, {.temperature = tau}, 9.0 * tau, 10.0 * tau);
    RC_ASSERT(!trace.kelvin.empty());
    for (std::size_t i = 0; i < trace.kelvin.size(); ++i)
        RC_ASSERT(std::abs(trace.kelvin.values[i] - (350.0 + slope * trace.kelvin.seconds[i])) <
                  0.06 * std::abs(slope) + 1e-9);
}

TEST(RisesSince, TellsAShutPumpFromABleed) {
    const auto course = [](double lowest, double rise) {
        return channel(0.0, 60.0, 0.0, [=](double s) {
            return s < 20.0 ? lowest + 300.0 * (20.0 - s) : lowest + rise * (s - 20.0);
        });
    };
    const auto since = risesSince(course(20'000.0, 30.0)); // 1.2 kPa in 40 s
    ASSERT_TRUE(since);
    EXPECT_NEAR(*since, 20.0, 1.0);
    EXPECT_FALSE(risesSince(course(20'000.0, 300.0))); // air was let in
    EXPECT_FALSE(risesSince(course(20'000.0, 0.0)));
    EXPECT_FALSE(risesSince({}));
}

TEST(LiveWatch, SaysNothingOfASilentInstrument) {
    LiveTrail trail;
    trail.take(LiveQuantity::Temperature, channel(0, 30, 0, [](double) { return 350.0; }));
    LiveWatch watch;
    EXPECT_TRUE(watch.look(trail, water(), 95e3, {}, 30.0).temperature);
    const LiveMoment later = watch.look(trail, water(), 95e3, {}, 40.0);
    EXPECT_FALSE(later.temperature);
    EXPECT_FALSE(later.steady);
    EXPECT_FALSE(later.pressure);
}

TEST(LiveWatch, CountsHowLongBothStandStill) {
    LiveTrail trail;
    LiveWatch watch;
    NormalNumbers noise(7);
    LiveMoment moment;
    for (double s = 0.0; s < 60.0; s += 0.5) {
        trail.take(LiveQuantity::Temperature, channel(s, s + 0.5, 0.0, [&](double t) {
                       return (t < 20.0 ? 350.0 + 0.1 * (t - 20.0) : 350.0) + 0.01 * noise.next();
                   }));
        trail.take(LiveQuantity::AbsolutePressure,
                   channel(s, s + 0.5, 0.0, [&](double) { return 41'000.0 + 5.0 * noise.next(); }));
        moment = watch.look(trail, water(), 95e3, {}, s + 0.5);
        if (s < 18.0) {
            EXPECT_FALSE(moment.steady) << s;
        }
    }
    EXPECT_TRUE(moment.steady);
    EXPECT_NEAR(moment.steadyFor, 40.0, 3.0);
    EXPECT_NEAR(moment.temperature->mean, 350.0, 0.01);
    EXPECT_LT(moment.plusMinus, 0.05);
    watch.beginAnew(60.0);
    EXPECT_FALSE(watch.look(trail, water(), 95e3, {}, 60.5).steady);
}

struct Counted {
    int points = 0, pressureHeld = 0, temperatureHeld = 0;
};

/// Eleven plateaus of a lab: it warms to each with a thermometer that lags by 0.3 K and whose time constant
/// is known to a fifth, at a gauge with noise, in a rig that leaks; each is captured as soon as both stand
/// still for long enough.
void playLab(std::uint64_t seed, Counted& counted) {
    NormalNumbers normal(seed);
    const double known = 6.0, tau = known * (1.0 + 0.2 * std::clamp(normal.next(), -1.7, 1.7) / 1.7);
    const double leak = 0.5 + 0.8 * std::abs(normal.next()); // Pa/s
    for (int point = 0; point < 11; ++point) {
        LiveTrail trail;
        LiveWatch watch;
        const double start = 12e3 + 7e3 * point;
        const auto pascal = [&](double s) { return start + leak * s; };
        const auto boils = [&](double s) {
            return water().boilingPoint(Pressure::fromPascal(pascal(s)))->kelvin();
        };
        const double arrives = 15.0, rate = 0.3 / known; // K/s, before it boils
        const auto kelvin = [&](double s) {
            return s < arrives ? boils(arrives) - rate * (arrives - s) : boils(s);
        };
        double shown = kelvin(0.0);
        for (double s = 0.0; s < 120.0; s += 0.5) {
            TraceChannel p, t;
            for (double w = s; w < s + 0.49; w += 0.1) {
                shown += (kelvin(w) - shown) * (1.0 - std::exp(-0.1 / tau));
                p.seconds.push_back(w);
                p.values.push_back(pascal(w) + 40.0 * normal.next());
                t.seconds.push_back(w);
                t.values.push_back(shown + 0.1 * normal.next());
            }
            trail.take(LiveQuantity::AbsolutePressure, p);
            trail.take(LiveQuantity::Temperature, t);
            const LiveMoment m = watch.look(trail, water(), 95e3, {.temperature = known}, s + 0.5);
            if (!m.steady || m.steadyFor < 15.0) continue;
            ++counted.points;
            const double moment = 0.5 * (m.from + m.to); // of the capture
            counted.pressureHeld += std::abs(m.pressure->mean - pascal(moment)) <= 2.0 * m.pressureU;
            counted.temperatureHeld += std::abs(m.temperature->mean - kelvin(moment)) <= 2.0 * m.temperatureU;
            break;
        }
    }
}

// UTTRIN_LABS=1000 for all of them.
TEST(LiveWatch, CapturesWhatIsSoAsWellAsItSays) {
    const char* wanted = std::getenv("UTTRIN_LABS");
    const int labs = wanted ? std::atoi(wanted) : 60;
    Counted counted;
    for (int lab = 0; lab < labs; ++lab)
        playLab(1000 + static_cast<std::uint64_t>(lab), counted);
    ASSERT_GT(counted.points, 9 * labs); // most plateaus are found steady
    const double pressure = static_cast<double>(counted.pressureHeld) / counted.points,
                 temperature = static_cast<double>(counted.temperatureHeld) / counted.points;
    std::printf("%d points: pressure within k = 2 in %.1f %%, temperature in %.1f %%\n", counted.points,
                100.0 * pressure, 100.0 * temperature);
    const double slack = 2.0 * std::sqrt(0.05 * 0.95 / counted.points); // of counting
    EXPECT_GE(pressure, 0.93 - slack);
    EXPECT_GE(temperature, 0.93 - slack);
    EXPECT_LE(pressure, 0.97 + slack);
    EXPECT_LE(temperature, 0.97 + slack);
}

} // namespace
} // namespace uttrin
