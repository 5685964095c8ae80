#include "lesson/views/MapView.h"
#include "lesson/views/NavigationView.h"
#include "lesson/views/RunView.h"
#include "lesson/views/StripView.h"
#include "lesson/views/TapeView.h"
#include "support/DrivenLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

using BenchViewsTest = testing::DrivenLesson;

const StationState& at(const std::vector<StationState>& navigation, Station station) {
    return navigation[static_cast<std::size_t>(station)];
}

TEST_F(BenchViewsTest, TheSpineTellsTheLessonAsItGoes) {
    auto navigation = navigationView(*s);
    ASSERT_EQ(navigation.size(), static_cast<std::size_t>(kStations));
    EXPECT_TRUE(at(navigation, Station::Room).missing);
    EXPECT_EQ(at(navigation, Station::Plan).line1, "waits for the room");
    EXPECT_EQ(at(navigation, Station::Run).line1, "no run yet");
    EXPECT_EQ(at(navigation, Station::WorkUp).line1, "3 points needed");

    enterRoom();
    navigation = navigationView(*s);
    EXPECT_TRUE(at(navigation, Station::Room).done);
    EXPECT_EQ(at(navigation, Station::Room).line1, "94.31 kPa");
    EXPECT_EQ(at(navigation, Station::Room).line2, "10:21, barometer");
    EXPECT_EQ(at(navigation, Station::Plan).line1, "10 targets");
    EXPECT_NE(plain(at(navigation, Station::Plan).line2).find("of 55 min"), std::string::npos);

    ASSERT_TRUE(s->startRun("Cedar"));
    type(30e3);
    ASSERT_TRUE(s->capture(true)->readingId);
    navigation = navigationView(*s);
    EXPECT_EQ(at(navigation, Station::Run).line1, "1 point");
    EXPECT_EQ(at(navigation, Station::Run).line2, "Cedar, run 1");
    EXPECT_FALSE(at(navigation, Station::WorkUp).done);

    captureAll();
    navigation = navigationView(*s);
    EXPECT_EQ(at(navigation, Station::Run).line2, "Cedar, run 2");
    EXPECT_EQ(at(navigation, Station::WorkUp).line2, "kJ/mol (95 %)");
    EXPECT_EQ(plain(at(navigation, Station::WorkUp).line1).substr(0, 1), "4");
    EXPECT_EQ(at(navigation, Station::Report).line1, "ready");
}

TEST_F(BenchViewsTest, ANominalRoomStaysMarkedAsAGap) {
    RoomEntry e = barometer(1013.25);
    e.method = RoomMethod::Nominal;
    ASSERT_TRUE(s->enterRoom(e, RoomRole::Start, clock.time));
    EXPECT_TRUE(at(navigationView(*s), Station::Room).missing);
    const StripView strip = stripView(*s);
    EXPECT_TRUE(strip.room.missing);
    EXPECT_EQ(strip.room.under, "nominal, not measured");
}

TEST_F(BenchViewsTest, APlanThatDoesNotFitThePeriodIsMarked) {
    enterRoom();
    change([](Plan& p) { p.periodMinutes = 10.0; });
    EXPECT_TRUE(at(navigationView(*s), Station::Plan).missing);
}

TEST_F(BenchViewsTest, TheStripShowsTheDialAsReadWithTheAbsoluteValueUnderIt) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    StripView strip = stripView(*s);
    EXPECT_TRUE(strip.gauge.number.empty());
    EXPECT_EQ(strip.marginText, "no reading yet");
    s->edit([&](BenchDraft& d) { d.first = -0.54; });
    strip = stripView(*s);
    EXPECT_EQ(strip.gauge.label, "vacuum gauge");
    EXPECT_EQ(strip.gauge.number, "−0.54");
    EXPECT_EQ(strip.gauge.unit, "bar");
    EXPECT_EQ(plain(strip.gauge.under).substr(0, 6), "= 40.3");
    EXPECT_EQ(strip.pressure.number, "40.3");
    EXPECT_EQ(plain(strip.boils.number).substr(0, 3), "76."); // steam tables: 76.1 degC at 40.3 kPa
    EXPECT_FALSE(strip.marginKelvin);
    s->edit([&](BenchDraft& d) { d.temperature = 76.0; });
    EXPECT_TRUE(stripView(*s).marginKelvin);
    EXPECT_EQ(stripView(*s).liquid.under, "in the liquid, now");
}

TEST_F(BenchViewsTest, WithNothingTypedTheStripShowsTheLastPointThatStands) {
    enterRoom();
    captureAll();
    const auto readings = s->model().readingsOf(*s->runId());
    const double last = readings.back().temperature, before = readings[readings.size() - 2].temperature;
    EXPECT_NEAR(std::stod(plain(stripView(*s).liquid.number)), last, 0.06);
    ASSERT_TRUE(s->strike(readings.back().id, "misread"));
    EXPECT_NEAR(std::stod(plain(stripView(*s).liquid.number)), before, 0.06);
    EXPECT_EQ(stripView(*s).liquid.under, "last captured");
}

TEST_F(BenchViewsTest, TheStripSpeaksTheThermometersUnit) {
    enterRoom();
    change([](Plan& p) {
        p.rig.thermometer.unit = "degF";
        p.rig.thermometer.division = 1.0;
    });
    ASSERT_TRUE(s->startRun("Cedar"));
    s->edit([&](BenchDraft& d) { d.first = 0.0; });
    s->edit([&](BenchDraft& d) { d.temperature = 208.0; });
    const StripView strip = stripView(*s);
    EXPECT_EQ(strip.liquid.unit, "°F");
    EXPECT_EQ(plain(strip.boils.number).substr(0, 3), "208"); // 97.98 degC
    EXPECT_NEAR(*strip.marginKelvin, (208.0 - 208.37) / 1.8, 0.1);
}

TEST_F(BenchViewsTest, TheMapFramesEveryTargetAndPoint) {
    enterRoom();
    captureAll();
    for (const auto purpose : {MapPurpose::Room, MapPurpose::Plan, MapPurpose::Run, MapPurpose::WorkUp}) {
        const MapView map = mapView(*s, purpose);
        const auto inside = [&](double kelvin, double pascal) {
            return kelvin > map.lowKelvin && kelvin < map.highKelvin && pascal > map.lowPascal &&
                   pascal < map.highPascal;
        };
        for (const MapTarget& t : map.targets)
            EXPECT_TRUE(inside(t.kelvin, t.pascal)) << t.order;
        for (const MapPoint& p : map.points)
            EXPECT_TRUE(inside(p.kelvin, p.pascal)) << p.readingId;
        ASSERT_TRUE(map.roomPascal);
        EXPECT_GT(map.highPascal, *map.roomPascal);
    }
    EXPECT_TRUE(mapView(*s, MapPurpose::Room).targets.empty());
    EXPECT_TRUE(mapView(*s, MapPurpose::Plan).points.empty());
    EXPECT_EQ(mapView(*s, MapPurpose::Run).points.size(), 10U);
    EXPECT_TRUE(mapView(*s, MapPurpose::WorkUp).fitSlope);
}

TEST_F(BenchViewsTest, TheMapTellsTargetsTakenCurrentAndOutOfReach) {
    enterRoom();
    change([](Plan& p) { p.rig.pumpUltimatePa = 25e3; });
    ASSERT_TRUE(s->startRun("Cedar"));
    type(s->currentTarget()->absolute.pascal());
    ASSERT_TRUE(s->capture()->readingId);
    const auto targets = mapView(*s, MapPurpose::Run).targets;
    EXPECT_FALSE(targets[0].possible); // 20 kPa lies below the pump's floor
    EXPECT_FALSE(targets[0].taken);
    EXPECT_TRUE(targets[1].taken);
    EXPECT_TRUE(targets[2].current);
    EXPECT_EQ(std::count_if(targets.begin(), targets.end(), [](const MapTarget& t) { return t.current; }), 1);
}

TEST_F(BenchViewsTest, OtherGroupsLieOnTheWorkUpsMapOnly) {
    enterRoom();
    captureAll();
    ASSERT_TRUE(s->startRun("Dune"));
    EXPECT_TRUE(mapView(*s, MapPurpose::Run).points.empty());
    const MapView map = mapView(*s, MapPurpose::WorkUp);
    ASSERT_EQ(map.points.size(), 10U);
    for (const MapPoint& p : map.points)
        EXPECT_FALSE(p.currentRun);
    EXPECT_EQ(map.groupNames, (std::vector<std::string>{"Cedar", "Dune"}));
}

TEST_F(BenchViewsTest, TheLivePointIsWhatIsTypedNow) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    EXPECT_FALSE(mapView(*s, MapPurpose::Run).livePascal);
    type(50e3, -3.0);
    const MapView map = mapView(*s, MapPurpose::Run);
    ASSERT_TRUE(map.livePascal && map.liveKelvin);
    EXPECT_NEAR(*map.livePascal, 50e3, 1000.0);
    EXPECT_LT(*map.liveKelvin, water().boilingPoint(Pressure::fromPascal(*map.livePascal))->kelvin() - 2.5);
}

TEST_F(BenchViewsTest, TheRunCardLeadsFromTargetToTarget) {
    EXPECT_EQ(runView(*s).heading, "No run yet");
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    RunView v = runView(*s);
    EXPECT_EQ(v.heading, "Target 1 of 10");
    EXPECT_EQ(v.dial, "−0.74");
    EXPECT_EQ(v.unit, "bar");
    EXPECT_NEAR(v.targetGauge.value().first, -0.74, 1e-12);
    EXPECT_NEAR(v.targetTemperature.value(), 60.1, 0.1); // steam tables: 20.0 kPa
    EXPECT_NE(plain(v.instruction).find("stop bleeding there: 20.0 kPa absolute, boils at 60.1"),
              std::string::npos)
        << v.instruction;
    EXPECT_NE(plain(v.next).find("next −0.6"), std::string::npos) << v.next;
    EXPECT_NE(plain(v.timeLeft).find("min still needed"), std::string::npos);
    EXPECT_NE(plain(v.picture).find("slow and steady"), std::string::npos);
    captureAll();
    v = runView(*s);
    EXPECT_TRUE(v.finished);
    EXPECT_FALSE(v.targetGauge || v.targetTemperature);
    EXPECT_EQ(v.heading, "All targets taken");
    EXPECT_EQ(v.taken.size(), 10U);
    EXPECT_EQ(v.taken.front().position, 10); // newest first
}

TEST_F(BenchViewsTest, TheOtherMethodGetsItsOwnInstruction) {
    enterRoom();
    s->selectSetup(s->model().data().setups[1].id);
    ASSERT_TRUE(s->startRun("Dune"));
    const RunView v = runView(*s);
    EXPECT_NE(plain(v.instruction).find("water of about 30 °C; pump until it boils, close the valve"),
              std::string::npos)
        << v.instruction;
}

TEST_F(BenchViewsTest, QuickRepeatsGiveMeanAndSpread) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    const int place = s->currentTarget()->place;
    for (const double off : {0.0, 0.5, -0.5}) {
        s->selectTarget(place);
        type(30e3);
        s->edit([&](BenchDraft& d) { d.temperature = *s->draft().temperature + off; });
        ASSERT_TRUE(s->capture(true)->readingId);
    }
    EXPECT_NE(plain(runView(*s).repeats).find("3 repeats"), std::string::npos);
    EXPECT_NE(plain(runView(*s).repeats).find("± 0.50"), std::string::npos)
        << runView(*s).repeats; // spread of 0, 0.5, -0.5
}

TEST_F(BenchViewsTest, TheTapeHoldsWhatIsDoneAndWhatIsToCome) {
    enterRoom();
    TapeView tape = tapeView(*s);
    EXPECT_EQ(tape.period, 55.0);
    EXPECT_FALSE(tape.now);
    ASSERT_TRUE(s->startRun("Cedar"));
    clock.time += 6LL * 60'000;
    type(s->currentTarget()->absolute.pascal());
    ASSERT_TRUE(s->capture()->readingId);
    tape = tapeView(*s);
    ASSERT_TRUE(tape.now);
    EXPECT_NEAR(*tape.now, 11.0, 1e-9); // five minutes of setting up, six at the bench
    EXPECT_EQ(tape.nowText, "now 10:27");
    EXPECT_EQ(std::count_if(tape.marks.begin(), tape.marks.end(), [](const auto& m) { return m.done; }), 1);
    EXPECT_EQ(std::count_if(tape.marks.begin(), tape.marks.end(), [](const auto& m) { return !m.done; }), 9);
    for (const auto& m : tape.marks)
        EXPECT_TRUE(m.done || m.minute > *tape.now);
    EXPECT_EQ(tape.blocks.front().label, "set up, leak test");
    EXPECT_EQ(tape.blocks.back().label, "cool, clear up");
    EXPECT_GE(tape.period, tape.blocks.back().to);
}

TEST_F(BenchViewsTest, VigourAndPhrasesHaveTheirWords) {
    EXPECT_EQ(vigourName(1), "few");
    EXPECT_EQ(vigourName(5), "violent");
    EXPECT_EQ(vigourName(99), "violent");
    EXPECT_GE(readyPhrases().size(), 5U);
}

TEST_F(BenchViewsTest, AClockThatWentBackOrFarAheadIsTold) {
    enterRoom();
    ASSERT_TRUE(s->startRun("Cedar"));
    const auto capture = [this] {
        type(s->currentTarget()->absolute.pascal());
        ASSERT_TRUE(s->capture(true)->readingId);
    };
    capture();
    clock.time += 60'000;
    capture();
    EXPECT_TRUE(clockWarning(*s).empty());
    clock.time -= 2 * 3'600'000;
    capture();
    EXPECT_NE(plain(clockWarning(*s)).find("went back by 2.0 h"), std::string::npos) << clockWarning(*s);
    clock.time += 48LL * 3'600'000;
    capture();
    EXPECT_NE(plain(clockWarning(*s)).find("went ahead by 48.0 h"), std::string::npos) << clockWarning(*s);
    clock.set = -25 * 60'000;
    EXPECT_NE(plain(clockWarning(*s)).find("was set by −25 min"), std::string::npos) << clockWarning(*s);
}

} // namespace
} // namespace uttrin
