#include "analysis/Diagnosis.h"

#include "support/SyntheticLab.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

using testing::syntheticLab;

constexpr double kRoom = 94310.0;

std::vector<BoilingDatum> goodLab() { return syntheticLab(11, 11, 12e3, 92e3, 0.15, 100.0); }

TEST(Diagnosis, GoodSetsAreLeftInPeace) {
    int accused = 0;
    for (unsigned seed = 1; seed <= 200; ++seed) {
        const auto ranked =
            diagnose(syntheticLab(seed, 11, 12e3, 92e3, 0.15, 100.0), water(), Pressure::fromPascal(kRoom));
        accused += isTelling(ranked);
        double sum = 0.0;
        for (const auto& c : ranked)
            sum += c.weight;
        EXPECT_NEAR(sum, 1.0, 1e-12);
    }
    EXPECT_LE(accused, 10); // one in twenty, as the threshold says
}

TEST(Diagnosis, AWrongRoomPressureIsNamedWithItsSize) {
    auto data = goodLab();
    for (auto& d : data)
        d.pressure = d.pressure + PressureDifference::fromPascal(3000.0);
    const auto ranked = diagnose(data, water(), Pressure::fromPascal(kRoom + 3000.0));
    EXPECT_EQ(ranked.front().cause, Cause::PressureOffset);
    EXPECT_NEAR(ranked.front().amount, -3000.0, 200.0);
    EXPECT_TRUE(isTelling(ranked));
    EXPECT_NE(plain(ranked.front().sentence).find("too high by about 3.0"), std::string::npos)
        << ranked.front().sentence;
}

TEST(Diagnosis, AThermometerThatIsOffIsNamedWithItsSize) {
    auto data = goodLab();
    for (auto& d : data)
        d.temperature = d.temperature - TemperatureDifference::fromKelvin(1.5);
    const auto ranked = diagnose(data, water(), Pressure::fromPascal(kRoom));
    EXPECT_EQ(ranked.front().cause, Cause::TemperatureOffset);
    EXPECT_NEAR(ranked.front().amount, -1.5, 0.15);
}

TEST(Diagnosis, AGaugeThatStretchesIsNamed) {
    auto data = goodLab();
    for (auto& d : data)
        d.pressure = Pressure::fromPascal(kRoom - 0.95 * (kRoom - d.pressure.pascal()));
    const auto ranked = diagnose(data, water(), Pressure::fromPascal(kRoom));
    EXPECT_EQ(ranked.front().cause, Cause::GaugeScale);
    EXPECT_NEAR(ranked.front().amount, 1.0 / 0.95, 0.01);
}

TEST(Diagnosis, SuperheatedPointsAreNamedByNumber) {
    auto data = goodLab();
    for (const std::size_t i : {3U, 7U})
        data[i].temperature = data[i].temperature + TemperatureDifference::fromKelvin(2.0);
    const auto ranked = diagnose(data, water(), Pressure::fromPascal(kRoom));
    EXPECT_EQ(ranked.front().cause, Cause::SuperheatedPoints);
    EXPECT_EQ(ranked.front().points, (std::vector<std::size_t>{3, 7}));
    EXPECT_NE(plain(ranked.front().sentence).find("Points 4, 8 lie about"), std::string::npos)
        << ranked.front().sentence;
    EXPECT_NEAR(ranked.front().amount, 2.0, 0.2);
}

TEST(Diagnosis, FewPointsSayNothing) {
    EXPECT_TRUE(diagnose(syntheticLab(1, 5, 12e3, 92e3, 0.1, 100), water(), std::nullopt).empty());
}

} // namespace
} // namespace uttrin
