#include "rehearsal/learning/LearnedForecast.h"

#include "rehearsal/CoolingFit.h"
#include "rehearsal/Demonstrations.h"
#include "support/DrawnRig.h"

#include <gtest/gtest.h>

#include <cstdlib>

namespace uttrin {
namespace {

const RigFile& flask() { return findDemonstration("sealed-flask")->rig; }

/// A flask as it really is: one that was drawn from what is likely.
struct RealFlask {
    Rehearsal rehearsal;
    Observed read; ///< at 5, 10 and 15 min, good to 0.5 K

    RealFlask(std::uint64_t seed, double wider, const std::vector<RigSetting>& settings) {
        NormalNumbers normal(seed);
        rehearsal = *rehearse(flask(), testing::drawnRig(flask(), settings, normal, wider));
        for (const double minute : {5.0, 10.0, 15.0})
            read.readings.push_back({Observed::Reading::Is, 60.0 * minute,
                                     kelvinFromClock(rehearsal, 60.0 * minute) + 0.5 * normal.next(), 0.5});
    }
};

/// How many of the flasks lie in the band half an hour after the last reading, and how much narrower it is.
struct Tally {
    int in = 0;
    std::vector<double> narrower; ///< sorted
};

Tally tallyOf(int flasks, double wider, const std::vector<RigSetting>& settings, std::uint64_t seed) {
    constexpr double kAt = 45.0 * 60.0;
    Tally t;
    const Outlook usual = *outlookOf(flask(), settings);
    for (int i = 0; i < flasks; ++i) {
        const RealFlask real(seed + static_cast<std::uint64_t>(i), wider, settings);
        const auto learned = learn(flask(), settings, real.read);
        EXPECT_TRUE(learned) << learned.error().message;
        const auto before = *usual.band.at(kAt), now = *learned->outlook.band.at(kAt);
        const double truth = kelvinFromClock(real.rehearsal, kAt);
        t.in += truth >= now.low && truth <= now.high ? 1 : 0;
        t.narrower.push_back((now.high - now.low) / (before.high - before.low));
    }
    std::ranges::sort(t.narrower);
    return t;
}

/// Of how many: UTTRIN_FLASKS=500 is what docs/accuracy.md tells of.
int flasks() {
    const char* said = std::getenv("UTTRIN_FLASKS");
    return said ? std::atoi(said) : 40;
}

void expectShare(const Tally& t, int of, double low, double high) {
    const double share = static_cast<double>(t.in) / of, chance = 2.6 * std::sqrt(0.1 * 0.9 / of);
    EXPECT_GE(share, low - chance) << t.in << " of " << of;
    EXPECT_LE(share, high + chance) << t.in << " of " << of;
}

TEST(LearnedForecast, NineOfTenFlasksLieInABandHalfAsWideAsBefore) {
    const int many = flasks();
    const Tally t = tallyOf(many, 1.0, {}, 1000);
    expectShare(t, many, 0.85, 0.95);
    EXPECT_LE(t.narrower[t.narrower.size() / 2], 0.5);
    if (many >= 200) { // of fewer, chance has it
        EXPECT_LE(t.narrower[t.narrower.size() * 9 / 10], 0.7);
    }
    std::printf("in %d of %d, width %.2f in the median, %.2f at 90 %%\n", t.in, many,
                t.narrower[t.narrower.size() / 2], t.narrower[t.narrower.size() * 9 / 10]);
}

TEST(LearnedForecast, MostFlasksThatDifferMoreThanExpectedLieInItInAnotherRoomToo) {
    const int many = flasks();
    // So much water that it has not come near the room's temperature, of which the readings cannot tell.
    const Tally t =
        tallyOf(many, 1.5, {{"/room/pressure", "850 hPa"}, {"/vessels/flask/liquid", "600 g"}}, 7);
    expectShare(t, many, 0.80, 1.0);
}

TEST(LearnedForecast, ReadingsNarrowWhatTheyTellOfAndLeaveTheRest) {
    const RealFlask real(5, 1.0, {});
    const Outlook before = *outlookOf(flask(), {});
    const Outlook now = learn(flask(), {}, real.read)->outlook;
    const auto width = [](const Interval90& i) { return i.high - i.low; };
    const auto place = [](const std::string& name) {
        const auto found = std::ranges::find(flask().uncertainties(), name, &RigUncertainty::name);
        return static_cast<std::size_t>(found - flask().uncertainties().begin());
    };
    const auto shrunk = [&](const std::string& name) {
        return width(now.values[place(name)]) / width(before.values[place(name)]);
    };
    EXPECT_LT(shrunk("heat loss"), 0.6);
    EXPECT_GT(shrunk("steam purge"), 0.9); // a thermometer tells nothing of the air that is left
    for (const Outlook* o : {&before, &now}) {
        ASSERT_TRUE(o->boilsDownTo);
        EXPECT_LE(o->boilsDownTo->low, o->boilsDownTo->value);
        EXPECT_LE(o->boilsDownTo->value, o->boilsDownTo->high);
    }
    EXPECT_EQ(learn(flask(), {}, {})->outlook.band.kelvin, before.band.kelvin);     // nothing learned
    EXPECT_EQ(learn(flask(), {}, real.read)->outlook.band.kelvin, now.band.kelvin); // the same bytes
}

TEST(LearnedForecast, ABoundCountsOnlyWhereItIsPassed) {
    const double there = outlookOf(flask(), {}, {}, 10)->band.at(600.0)->value;
    const auto with = [&](Observed::Reading::Kind kind, double kelvin) {
        Observed o;
        o.readings.push_back({kind, 600.0, kelvin, 0.5});
        return learn(flask(), {}, o, 10)->outlook.band.at(600.0)->value;
    };
    EXPECT_LT(with(Observed::Reading::AtMost, there - 5.0), there - 3.0);
    EXPECT_GT(with(Observed::Reading::AtLeast, there + 5.0), there + 3.0);
    EXPECT_NEAR(with(Observed::Reading::AtMost, there + 10.0), there, 0.5);
    EXPECT_NEAR(with(Observed::Reading::AtLeast, there - 10.0), there, 0.5);
}

double madeAt(const Rehearsal& r, int move) { return movedAt(r, move).value_or(-1.0) - clockStart(r); }

TEST(LearnedForecast, MovesAreMadeWhenTheyWereMadeAndNotBeforeNow) {
    Observed o;
    o.moves = {{2, 200.0}};
    o.now = 1800.0;
    const auto learned = *learn(flask(), {}, o, 2);
    EXPECT_NEAR(madeAt(learned.likeliest, 2), 200.0, 0.1);
    EXPECT_GE(madeAt(learned.likeliest, 3), 1800.0 - 0.1);
    // One that was passed over was made with the next.
    o.moves = {{3, 700.0}};
    const auto both = *learn(flask(), {}, o, 2);
    EXPECT_NEAR(madeAt(both.likeliest, 2), 700.0, 0.1);
    EXPECT_NEAR(madeAt(both.likeliest, 3), 700.0, 0.1);
    // A rig that has no clock counts from its beginning.
    Observed jar;
    jar.moves = {{0, 90.0}};
    const auto late = *learn(findDemonstration("bell-jar")->rig, {}, jar, 2);
    EXPECT_NEAR(madeAt(late.likeliest, 0), 90.0, 0.1);
}

TEST(LearnedForecast, EveryDemonstrationHasOneThatGoesAsFarAsIsAsked) {
    for (const Demonstration& d : demonstrations()) {
        Observed o;
        o.until = 2.0 * d.rig.setup()->seconds;
        const auto learned = learn(d.rig, {}, o, 2);
        ASSERT_TRUE(learned) << d.id << ": " << learned.error().message;
        EXPECT_GE(learned->outlook.band.seconds.back(), o.until) << d.id;
        EXPECT_EQ(learned->outlook.values.size(), d.rig.uncertainties().size());
        for (const RigUncertainty& u : d.rig.uncertainties()) {
            EXPECT_LT(u.low, u.high) << d.id << ", " << u.name;
            EXPECT_FALSE(u.source.empty()) << d.id << ", " << u.name;
        }
    }
}

} // namespace
} // namespace uttrin
