#include "instruments/RoomComparison.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

RoomSource source(RoomMethod method, double hPa, double uHpa = 0.3) {
    RoomEntry e;
    e.method = method;
    e.value = hPa;
    e.valueU = uHpa;
    return {e, {Pressure::fromPascal(hPa * 100.0), uHpa * 100.0, method}};
}

TEST(RoomComparison, AReportLeftAtSeaLevelIsAskedAbout) {
    // 612 m: the standard atmosphere is 7.1 kPa lower than at sea level.
    EXPECT_EQ(compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::StationReport, 1014.0), 612.0),
              "The station report lies 7.1 kPa above your barometer: is it reduced to sea level?");
    // Without the height the sign alone suggests it.
    EXPECT_NE(plain(compare(source(RoomMethod::StationReport, 1014.0), source(RoomMethod::Barometer, 943.1),
                            std::nullopt))
                  .find("reduced to sea level?"),
              std::string::npos);
}

TEST(RoomComparison, ADifferenceThatFitsNothingAsksToReadAgain) {
    const auto sentence =
        compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::MercuryBarometer, 951.0), 612.0);
    EXPECT_EQ(sentence, "The mercury barometer lies 0.79 kPa above your barometer: read both again.");
}

TEST(RoomComparison, AgreementAndAssumptionsAreNotSpokenOf) {
    EXPECT_TRUE(compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::StationReport, 943.9), 612.0)
                    .empty());
    EXPECT_TRUE(
        compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::Nominal, 1013.25), 612.0).empty());
}

TEST(RoomComparison, OtherCausesAreNamed) {
    EXPECT_NE(plain(compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::DeadHead, 930.0), 612.0))
                  .find("does the pump leave more"),
              std::string::npos);
    // A report that was the station's own, reduced once more.
    EXPECT_NE(
        plain(compare(source(RoomMethod::Barometer, 943.1), source(RoomMethod::SeaLevelReport, 875.0), 612.0))
            .find("already the station’s own"),
        std::string::npos);
    const auto all =
        compareAll({source(RoomMethod::Barometer, 943.1), source(RoomMethod::StationReport, 1014.0),
                    source(RoomMethod::DeadHead, 930.0)},
                   612.0);
    EXPECT_EQ(all.size(), 3U);
}

// 640 m: the standard atmosphere has 93.87 kPa there.
TEST(RoomComparison, AReportThatNoWeatherMakesAtItsHeightIsDoubted) {
    const auto doubt = [](RoomMethod method, double hPa, double altitude) {
        return plain(doubtAtHeight(source(method, hPa), altitude));
    };
    const std::string reduced = doubt(RoomMethod::StationReport, 1019.0, 640.0);
    EXPECT_NE(reduced.find("usually near 93.9 kPa, and 101.9 kPa is not the weather"), std::string::npos)
        << reduced;
    EXPECT_NE(reduced.find("reduced to sea level"), std::string::npos) << reduced;
    EXPECT_NE(doubt(RoomMethod::Barometer, 1019.0, 640.0).find("set to sea level"), std::string::npos);
    EXPECT_EQ(doubt(RoomMethod::StationReport, 945.0, 640.0), "");
    EXPECT_EQ(doubt(RoomMethod::StationReport, 1019.0, 20.0), "");
    const std::string odd = doubt(RoomMethod::StationReport, 720.0, 640.0); // neither the one nor the other
    EXPECT_NE(odd.find("Check the number, its unit and the height."), std::string::npos) << odd;
    // What is computed from the height, or already reduced, cannot be doubted by it.
    for (const RoomMethod method : {RoomMethod::SeaLevelReport, RoomMethod::Altitude, RoomMethod::Nominal})
        EXPECT_EQ(doubt(method, 1019.0, 640.0), "");
}

} // namespace
} // namespace uttrin
