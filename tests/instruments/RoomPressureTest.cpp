#include "instruments/RoomPressure.h"

#include <gtest/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

RoomEntry entry(RoomMethod method, double value, const char* unitName, double u) {
    RoomEntry e;
    e.method = method;
    e.value = value;
    e.unit = unitName;
    e.valueU = u;
    return e;
}

TEST(RoomPressure, ABarometerIsTakenAtItsWord) {
    const auto r = stationPressure(entry(RoomMethod::Barometer, 943.1, "hPa", 0.3));
    ASSERT_TRUE(r);
    EXPECT_NEAR(r->station.pascal(), 94310, 1e-9);
    EXPECT_NEAR(r->uPa, 30, 1e-9);
}

TEST(RoomPressure, ASeaLevelReportIsBroughtToThisHeight) {
    auto e = entry(RoomMethod::SeaLevelReport, 1018.4, "hPa", 0.3);
    e.altitudeM = 612;
    e.airCelsius = 18;
    const auto r = stationPressure(e);
    ASSERT_TRUE(r);
    // Hypsometric equation by hand: mean temperature 18 + 0.0065*612/2 degC = 293.14 K, scale height 8580 m.
    EXPECT_NEAR(r->station.pascal(), 101840 * std::exp(-9.80665 * 611.94 / (287.05287 * 293.139)), 1.0);
    EXPECT_GT(r->uPa, 100);
    EXPECT_LT(r->uPa, 200);
}

TEST(RoomPressure, HeightAloneCarriesTheWeathersSpread) {
    auto e = entry(RoomMethod::Altitude, 0, "hPa", 0);
    e.altitudeM = 612;
    const auto r = stationPressure(e);
    EXPECT_NEAR(r->station.pascal(), standardAtmospherePressure(Length::fromMetre(612))->pascal(), 1e-9);
    EXPECT_DOUBLE_EQ(r->uPa, kWeatherSpreadPascal);
}

TEST(RoomPressure, AnEmptyVesselPullAddsWhatThePumpLeaves) {
    auto e = entry(RoomMethod::DeadHead, -91.3, "kPa", 0.5);
    e.ultimatePa = 600;
    const auto r = stationPressure(e);
    EXPECT_NEAR(r->station.pascal(), 91900, 1e-9);
    EXPECT_NEAR(r->uPa, std::hypot(500, 300), 1e-9);
    const auto barometer = *stationPressure(entry(RoomMethod::Barometer, 92.0, "kPa", 0.05));
    EXPECT_NEAR(ultimateFromPair(barometer, GaugePressure::fromPascal(-91.3e3)).pascal(), 700, 1e-6);
}

// Nobody knows what the pump leaves: the pull is the least that the room can be, with the bound said.
TEST(RoomPressure, APullWithAPumpThatNobodyKnowsIsABound) {
    const auto e = entry(RoomMethod::DeadHead, -71.4, "kPa", 0.5);
    const auto r = stationPressure(e);
    ASSERT_TRUE(r) << r.error().message;
    EXPECT_NEAR(r->station.pascal(), 71'400, 1e-9);
    EXPECT_GE(r->uPa, kUnknownUltimateAtMost / std::sqrt(3.0)); // anything from nothing to the bound
    EXPECT_NE(plain(biasOf(e)).find("may stand up to 3 kPa higher"), std::string::npos) << biasOf(e);
    auto known = e;
    known.ultimatePa = 0.0; // known, and nothing
    EXPECT_LT(stationPressure(known)->uPa, r->uPa);
    EXPECT_EQ(plain(biasOf(known)).find("is not known"), std::string::npos);
}

TEST(RoomPressure, AMercuryBarometerWhoseConeWasNotSetSaysSo) {
    auto e = entry(RoomMethod::MercuryBarometer, 0.0, "hPa", 0.0);
    EXPECT_EQ(plain(biasOf(e)).find("cone"), std::string::npos); // nobody was asked
    e.mercury.ticks = BarometerTicks{true, false, true, true};
    EXPECT_NE(plain(biasOf(e)).find("not set to the tip of the cone"), std::string::npos) << biasOf(e);
    e.mercury.ticks->cone = true;
    EXPECT_EQ(plain(biasOf(e)).find("cone"), std::string::npos);
}

TEST(RoomPressure, TheRoomsTemperatureIsReadOrTheBarometersOwn) {
    auto e = entry(RoomMethod::Barometer, 702.0, "hPa", 0.3);
    EXPECT_FALSE(roomCelsiusOf(e));
    e.roomCelsius = -4.5;
    EXPECT_EQ(roomCelsiusOf(e), -4.5);
    e.method = RoomMethod::MercuryBarometer;
    e.mercury.attachedCelsius = 31.0;
    EXPECT_EQ(roomCelsiusOf(e), -4.5);
    e.roomCelsius.reset();
    EXPECT_EQ(roomCelsiusOf(e), 31.0);
}

TEST(RoomPressure, ANominalValueIsNeverBetterThanTheWeather) {
    EXPECT_DOUBLE_EQ(stationPressure(entry(RoomMethod::Nominal, 1, "atm", 0))->uPa, kWeatherSpreadPascal);
}

// A depth is a depth, with its minus sign or without.
TEST(RoomPressure, AnEmptyVesselPullMayBeGivenAsADepth) {
    const auto below = stationPressure(entry(RoomMethod::DeadHead, -91.3, "kPa", 0.5)),
               depth = stationPressure(entry(RoomMethod::DeadHead, 91.3, "kPa", 0.5));
    ASSERT_TRUE(below && depth);
    EXPECT_DOUBLE_EQ(below->station.pascal(), depth->station.pascal());
}

TEST(RoomPressure, ImpossibleRoomsAreRefusedWithTheRange) {
    for (const auto& e :
         {entry(RoomMethod::Barometer, 94.31, "hPa", 0.3), entry(RoomMethod::Barometer, 9431, "hPa", 0.3),
          entry(RoomMethod::DeadHead, 0.0, "kPa", 0.3)}) {
        const auto r = stationPressure(e);
        ASSERT_FALSE(r);
        EXPECT_EQ(r.error().kind, Failure::BadInput);
    }
    EXPECT_NE(plain(stationPressure(entry(RoomMethod::Barometer, 94.31, "hPa", 0)).error().message)
                  .find("30 to 120 kPa"),
              std::string::npos);
}

TEST(RoomPressure, DriftsLinearlyBetweenTwoReadings) {
    const RoomPressure a{Pressure::fromPascal(94310), 30, RoomMethod::Barometer},
        b{Pressure::fromPascal(94110), 30, RoomMethod::Barometer};
    EXPECT_NEAR(interpolate(a, b, 0.25).station.pascal(), 94260, 1e-9);
    EXPECT_NEAR(interpolate(a, b, -1).station.pascal(), 94310, 1e-9);
    EXPECT_NEAR(interpolate(a, b, 2).station.pascal(), 94110, 1e-9);
    EXPECT_NEAR(interpolate(a, b, 0.5).uPa, 30 / std::sqrt(2.0), 1e-9);
}

TEST(RoomPressure, IdentifiersGoThereAndBack) {
    for (const auto m : {RoomMethod::Barometer, RoomMethod::StationReport, RoomMethod::SeaLevelReport,
                         RoomMethod::Altitude, RoomMethod::DeadHead, RoomMethod::Nominal})
        EXPECT_EQ(*roomMethodFromId(id(m)), m);
    EXPECT_FALSE(roomMethodFromId("guess"));
}

TEST(RoomPressure, EachSourceAsksForWhatItNeeds) {
    EXPECT_TRUE(fieldsNeeded(RoomMethod::Barometer).value);
    EXPECT_FALSE(fieldsAsked(RoomMethod::Barometer).altitude);
    EXPECT_FALSE(fieldsAsked(RoomMethod::Altitude).value);
    EXPECT_TRUE(fieldsNeeded(RoomMethod::SeaLevelReport).air);
    EXPECT_FALSE(fieldsAsked(RoomMethod::StationReport).air);
    // What the pump leaves is asked for, but a pull without it is a bound.
    EXPECT_TRUE(fieldsAsked(RoomMethod::DeadHead).ultimate);
    EXPECT_FALSE(fieldsNeeded(RoomMethod::DeadHead).ultimate);
    EXPECT_TRUE(fieldsNeeded(RoomMethod::MercuryBarometer).mercury);
    EXPECT_FALSE(fieldsAsked(RoomMethod::MercuryBarometer).value);
    // An assumed value has no uncertainty to type, and asks where the room is only to say what that costs.
    EXPECT_FALSE(fieldsAsked(RoomMethod::Nominal).uncertainty);
    EXPECT_TRUE(fieldsAsked(RoomMethod::Nominal).altitude);
    EXPECT_FALSE(fieldsNeeded(RoomMethod::Nominal).altitude);
}

} // namespace
} // namespace uttrin
