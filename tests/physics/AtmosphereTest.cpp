#include "physics/Atmosphere.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

TEST(Atmosphere, MeetsTheStandardsTable) {
    // ISO 2533:1975, table 5, by geometric height: m, Pa.
    const struct {
        double h, p;
    } rows[] = {{-1000, 113931}, {0, 101325}, {1000, 89876}, {2000, 79501}, {5000, 54048}};
    for (const auto& r : rows) {
        SCOPED_TRACE(r.h);
        EXPECT_NEAR(standardAtmospherePressure(Length::fromMetre(r.h))->pascal(), r.p, 3.0);
    }
}

TEST(Atmosphere, RefusesHeightsAboveItsLayer) {
    const auto p = standardAtmospherePressure(Length::fromMetre(20000));
    ASSERT_FALSE(p);
    EXPECT_EQ(p.error().kind, Failure::OutOfRange);
}

TEST(Atmosphere, AStandardDayGivesTheStandardPressureByBothReductions) {
    const auto sea = Pressure::fromPascal(101325);
    const auto h = Length::fromMetre(612);
    const auto standard = standardAtmospherePressure(h)->pascal();
    EXPECT_NEAR(stationFromSeaLevel(sea, h, Temperature::fromKelvin(288.15 - 0.0065 * 612),
                                    Reduction::StandardAtmosphere)
                    ->pascal(),
                standard, 0.01);
    EXPECT_NEAR(
        stationFromSeaLevel(sea, h, Temperature::fromKelvin(288.15 - 0.0065 * 612), Reduction::Hypsometric)
            ->pascal(),
        standard, 2.0);
}

// An altimeter set to what the airport gives shows the airport's height: the standard atmosphere between both
// pressures spans it. At 3,640 m the plain ratio is some 80 Pa off.
TEST(Atmosphere, AnAltimeterSettingShowsTheStationsHeight) {
    const auto set = Pressure::fromPascal(100'500.0);
    for (const double metre : {0.0, 640.0, 1450.0, 3640.0}) {
        const auto h = Length::fromMetre(metre);
        const auto station =
            *stationFromSeaLevel(set, h, Temperature::fromCelsius(40.0), Reduction::AltimeterSetting);
        const double shown =
            standardAtmosphereAltitude(station)->metre() - standardAtmosphereAltitude(set)->metre();
        EXPECT_NEAR(shown, metre, 0.15) << metre; // geometric against geopotential heights
        EXPECT_NEAR(
            seaLevelFromStation(station, h, Temperature::fromCelsius(0.0), Reduction::AltimeterSetting)
                ->pascal(),
            100'500.0, 1e-6);
        if (metre > 3000.0) {
            const auto ratio =
                *stationFromSeaLevel(set, h, Temperature::fromCelsius(0.0), Reduction::StandardAtmosphere);
            EXPECT_NEAR(std::abs((ratio - station).pascal()), 60.0, 40.0);
        }
    }
}

RC_GTEST_PROP(Atmosphere, HeightAndPressureAreInverse, ()) {
    const double h = *rc::gen::inRange(-4900, 10900);
    const auto p = standardAtmospherePressure(Length::fromMetre(h));
    RC_ASSERT(std::abs(standardAtmosphereAltitude(*p)->metre() - h) < 1e-6);
}

RC_GTEST_PROP(Atmosphere, ReductionsAreInverse, ()) {
    const double h = *rc::gen::inRange(-400, 5000), sea = *rc::gen::inRange(95000, 105000),
                 air = *rc::gen::inRange(-40, 45);
    const auto how = *rc::gen::element(Reduction::Hypsometric, Reduction::StandardAtmosphere);
    const auto station = stationFromSeaLevel(Pressure::fromPascal(sea), Length::fromMetre(h),
                                             Temperature::fromCelsius(air), how);
    const auto back = seaLevelFromStation(*station, Length::fromMetre(h), Temperature::fromCelsius(air), how);
    RC_ASSERT(std::abs(back->pascal() - sea) < 1e-6);
}

} // namespace
} // namespace uttrin
