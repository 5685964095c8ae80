#include "instruments/BarometerScales.h"
#include "instruments/RoomPressure.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kPaPerMmHg = 133.322387415;

MercuryReading at(double mm, double celsius, double latitude = 45.0, double metre = 0.0) {
    MercuryReading r;
    r.mainScale = mm;
    r.attachedCelsius = celsius;
    r.latitudeDegrees = latitude;
    r.altitudeM = metre;
    return r;
}

TEST(MercuryBarometer, TemperatureCorrectionMeetsThePrintedTables) {
    // CRC Handbook, reduction of the barometer to 0 degC, brass scale: reading mm, degC, mm to take off.
    for (const auto& [mm, celsius, off] : {std::tuple{760.0, 20.0, 2.47},
                                           {760.0, 25.0, 3.09},
                                           {740.0, 20.0, 2.41},
                                           {700.0, 15.0, 1.71},
                                           {760.0, 10.0, 1.24}}) {
        SCOPED_TRACE(celsius);
        EXPECT_NEAR(stationPressure(at(mm, celsius))->temperature.pascal() / kPaPerMmHg, -off, 0.007);
    }
    // Glass scale, 760 mm at 20 degC: 2.62 mm.
    MercuryReading glass = at(760.0, 20.0);
    glass.scale = ScaleMaterial::Glass;
    EXPECT_NEAR(stationPressure(glass)->temperature.pascal() / kPaPerMmHg, -2.63, 0.02);
}

TEST(MercuryBarometer, GravityFollowsTheGuidesFormula) {
    // Worked from the formula of WMO-No. 8, part I, annex 3.A: 9.80620 (1 - 0.0026442 c + 0.0000058 c^2), c =
    // cos(2 * 61.2 deg) = -0.53583; less 3.086e-6 * 612.
    EXPECT_NEAR(freeFall(61.2, 612.0),
                9.80620 * (1.0 + 0.0026442 * 0.53583 + 0.0000058 * 0.28711) - 3.086e-6 * 612.0, 1e-6);
    EXPECT_NEAR(freeFall(45.0, 0.0), 9.80620, 1e-9);
    const auto p = *stationPressure(at(741.6, 23.5, 61.2, 612.0));
    const double reduced = 741.6 * kPaPerMmHg + p.temperature.pascal();
    EXPECT_NEAR(p.gravity.pascal(), reduced * (freeFall(61.2, 612.0) / 9.80665 - 1.0), 1e-6);
    EXPECT_NEAR(p.station.pascal(), 741.6 * kPaPerMmHg + p.temperature.pascal() + p.gravity.pascal(), 1e-6);
}

TEST(MercuryBarometer, WorkedExamplesOfTheGuidesFormulaeComeOutToAPascal) {
    // The formulae of WMO-No. 8, part I, annex 3.A, worked by hand: mercury 1.818e-4, brass 1.84e-5, glass
    // 8e-6 per kelvin; B0 = B (1 + l t) / (1 + m t); then g(latitude, height) / 9.80665. mm, degC, degrees, m
    // above the sea, glass scale; Pa.
    const struct {
        double mm, celsius, latitude, metre;
        ScaleMaterial scale;
        double pascal;
    } rows[] = {
        // 101325.01 Pa * 1.00046 / 1.004545 = 100912.98; g 9.80620
        {760.0, 25.0, 45.0, 0.0, ScaleMaterial::Brass, 100908.35},
        // 94525.57 Pa * 1.0003864 / 1.0038178 = 94202.45; g 9.820110 - 0.001889 = 9.818221
        {709.0, 21.0, 61.2, 612.0, ScaleMaterial::Brass, 94313.6},
        // 80126.75 Pa * 1.00008 / 1.001818 = 79987.7; g 9.780327 at the equator, less 0.005863 at 1900 m
        {601.0, 10.0, 0.0, 1900.0, ScaleMaterial::Glass, 79725.2},
        // below freezing the correction adds: 99992 Pa * 0.999908 / 0.999091; g 9.832123 at 88 degrees
        {750.0058, -5.0, 88.0, 0.0, ScaleMaterial::Brass, 100334.3},
    };
    for (const auto& row : rows) {
        SCOPED_TRACE(row.mm);
        MercuryReading r = at(row.mm, row.celsius, row.latitude, row.metre);
        r.scale = row.scale;
        EXPECT_NEAR(stationPressure(r)->station.pascal(), row.pascal, 1.0);
    }
}

TEST(MercuryBarometer, VernierAndIndexEnterTheReading) {
    MercuryReading r = at(741.0, 0.0);
    r.vernierLine = 6;
    EXPECT_NEAR(r.value(), 741.6, 1e-12);
    r.indexCorrection = -0.2;
    EXPECT_NEAR(stationPressure(r)->index.pascal(), -0.2 * kPaPerMmHg, 1e-9);
    EXPECT_EQ(stationPressure(r)->steps.size(), 3U);
    r.unit = "hPa";
    r.mainScale = 988.0;
    EXPECT_NEAR(stationPressure(r)->station.pascal(), 988.6e2 - 20.0 + stationPressure(r)->gravity.pascal(),
                1e-6);
}

TEST(MercuryBarometer, InchScalesAreTrueAt62DegreesFahrenheit) {
    MercuryReading r = at(29.0, (62.0 - 32.0) / 1.8);
    r.unit = "inHg";
    r.mainDivision = 0.05;
    r.vernierDivisions = 25;
    // At 62 degF only the mercury has expanded: 29 in * 1.818e-4 * 16.667.
    EXPECT_NEAR(stationPressure(r)->temperature.pascal() / 3386.388640341,
                -29.0 * 1.818e-4 * 16.6667 / (1 + 1.818e-4 * 16.6667), 1e-4);
}

TEST(MercuryBarometer, AScaleIsGraduatedAsIsUsualInItsUnit) {
    EXPECT_NEAR(barometerGraduatedIn("mmHg").vernierStep(), 0.1, 1e-12);
    EXPECT_NEAR(barometerGraduatedIn("hPa").vernierStep(), 0.1, 1e-12);
    EXPECT_NEAR(barometerGraduatedIn("inHg").vernierStep(), 0.002, 1e-12);
    EXPECT_NEAR(barometerGraduatedIn("cmHg").vernierStep(), 0.01, 1e-12);
}

TEST(MercuryBarometer, NonsenseIsNamed) {
    const auto message = [](const MercuryReading& r) { return stationPressure(r).error().message; };
    EXPECT_NE(plain(message(at(74.16, 20.0))).find("30 to 120 kPa"), std::string::npos);
    EXPECT_NE(plain(message(at(741.0, 90.0))).find("-30 to 50 degC"), std::string::npos);
    EXPECT_NE(plain(message(at(741.0, 20.0, 100.0))).find("latitude"), std::string::npos);
    MercuryReading vernier = at(741.0, 20.0);
    vernier.vernierLine = 11;
    EXPECT_NE(plain(message(vernier)).find("0 to 10"), std::string::npos);
    EXPECT_FALSE(scaleMaterialFromId("wood"));
}

TEST(MercuryBarometer, ServesAsASourceOfTheRoomsPressure) {
    RoomEntry e;
    e.method = RoomMethod::MercuryBarometer;
    e.mercury = at(709.0, 21.0, 61.2, 612.0);
    const auto room = stationPressure(e);
    ASSERT_TRUE(room);
    EXPECT_EQ(room->station, stationPressure(e.mercury)->station);
    EXPECT_GT(room->uPa, 9.0);
    EXPECT_EQ(*roomMethodFromId("mercury"), RoomMethod::MercuryBarometer);
}

RC_GTEST_PROP(MercuryBarometer, AValueIsSplitOverScaleAndVernierAndBack, ()) {
    MercuryReading r;
    r.vernierDivisions = *rc::gen::element(10, 20, 50);
    const double value = *rc::gen::inRange(650'000, 800'000) / 1000.0;
    const MercuryReading set = withValue(r, value);
    RC_ASSERT(std::abs(set.value() - value) <= 0.5 * r.vernierStep() + 1e-9);
    RC_ASSERT(set.vernierLine >= 0 && set.vernierLine < r.vernierDivisions);
    RC_ASSERT(std::abs(withValue(set, set.value()).value() - set.value()) < 1e-9);
}

} // namespace
} // namespace uttrin
