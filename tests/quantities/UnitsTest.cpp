#include "quantities/Units.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

using ::testing::Test;

struct UnitRow {
    const char* symbol;
    double pascal;
};

TEST(Units, PressureUnitsHaveTheirDefinedSizes) {
    // NIST SP 811 (2008), appendix B.8; psi and inHg to the digits given there.
    const UnitRow rows[] = {{"Pa", 1},          {"hPa", 100},       {"kPa", 1000},      {"MPa", 1e6},
                            {"mbar", 100},      {"bar", 1e5},       {"atm", 101325},    {"Torr", 133.3224},
                            {"mmHg", 133.3224}, {"cmHg", 1333.224}, {"inHg", 3386.389}, {"inH2O", 249.0889},
                            {"psi", 6894.757}};
    for (const UnitRow& row : rows) {
        SCOPED_TRACE(row.symbol);
        EXPECT_NEAR(unit(row.symbol).factor / row.pascal, 1.0, 3e-7);
    }
    EXPECT_DOUBLE_EQ(unit("Torr").factor, 101325.0 / 760.0);
}

TEST(Units, TemperatureScalesMeetWhereTheyShould) {
    EXPECT_NEAR(parseTemperature("212 degF")->celsius(), 100.0, 1e-10);
    EXPECT_NEAR(parseTemperature("-40 degF")->celsius(), -40.0, 1e-10);
    EXPECT_DOUBLE_EQ(parseTemperature("0 degC")->kelvin(), 273.15);
    EXPECT_NEAR(parseTemperatureDifference("0.18 degF")->kelvin(), 0.1, 1e-15);
    EXPECT_DOUBLE_EQ(parseTemperatureDifference("0.1 degC")->kelvin(), 0.1);
}

TEST(Units, AcceptsTheFormsInWhichPeopleWrite) {
    for (const char* text : {"-0.62 bar", "−0.62 bar", "  -0.62bar ", "-0.62\tbar", "-6.2e-1 bar"}) {
        SCOPED_TRACE(text);
        ASSERT_TRUE(parseGaugePressure(text));
        EXPECT_NEAR(parseGaugePressure(text)->pascal(), -62000.0, 1e-9);
    }
    EXPECT_NEAR(parseTemperature("21.4 °C")->celsius(), 21.4, 1e-12);
    EXPECT_DOUBLE_EQ(parseLength("+612 m")->metre(), 612.0);
}

struct BadRow {
    const char* text;
    const char* says;
};

TEST(Units, ABadMeasureNamesTheWordAndWhatIsAccepted) {
    const BadRow rows[] = {{"94.3", "accepted units: Pa, hPa"},
                           {"94.3 kp", "'kp' is not a unit of pressure"},
                           {"kPa", "does not begin with a number"},
                           {"", "VALUE UNIT"},
                           {"nan kPa", "number"},
                           {"inf kPa", "number"},
                           {"1e999 kPa", "number"},
                           {"-3 kPa", "above zero"},
                           {"0 kPa", "above zero"},
                           {"9,4 kPa", "has a comma"}};
    for (const BadRow& row : rows) {
        SCOPED_TRACE(row.text);
        const auto p = parsePressure(row.text);
        ASSERT_FALSE(p);
        EXPECT_EQ(p.error().kind, Failure::BadInput);
        EXPECT_NE(plain(p.error().message).find(row.says), std::string::npos) << p.error().message;
    }
    EXPECT_FALSE(parseTemperature("-300 degC"));
}

TEST(Units, ACommaIsNamedAndNoUnitIsBlamed) {
    for (const char* text : {"1,200 hPa", "0,5 hPa", "1.013,25 hPa", "12,345,678 Pa"}) {
        const auto m = parseMeasure(text, Dimension::Pressure);
        ASSERT_FALSE(m) << text;
        EXPECT_NE(plain(m.error().message).find("has a comma"), std::string::npos) << m.error().message;
    }
}

TEST(Units, OneSeparatorBeforeThreeDigitsCanBeReadTwoWays) {
    for (const char* text : {"1,200", "-1,013", "\u2212999,000", " 12,345 "})
        EXPECT_TRUE(canBeReadTwoWays(text, ',')) << text;
    for (const char* text : {"", ",", "0,200", "1,20", "1,2000", "1234,567", ",200", "1,2,300", "1,200.5",
                             "a,bcd", "1.200", "1,20a"})
        EXPECT_FALSE(canBeReadTwoWays(text, ',')) << text;
    EXPECT_TRUE(canBeReadTwoWays("1.200", '.'));
}

RC_GTEST_PROP(Units, AFormattedMeasureParsesBackToTheSameNumber, ()) {
    const auto dimension = *rc::gen::element(Dimension::Pressure, Dimension::Temperature, Dimension::Length);
    const auto units = unitsOf(dimension);
    const Unit& u = units[*rc::gen::inRange<std::size_t>(0, units.size())];
    const double number =
        *rc::gen::suchThat(rc::gen::arbitrary<double>(), [](double d) { return std::isfinite(d); });
    const auto back = parseMeasure(formatMeasure(number, u), dimension);
    RC_ASSERT(back.has_value());
    RC_ASSERT(back->number == number);
    RC_ASSERT(back->unit == &u);
}

RC_GTEST_PROP(Units, ConvertingThereAndBackIsTheIdentity, ()) {
    const double number = *rc::gen::inRange(-2000000000, 2000000000) / 977.0;
    for (const Unit& u : unitsOf(Dimension::Pressure))
        RC_ASSERT(std::abs(u.fromSi(u.toSi(number)) - number) <= 1e-12 * std::abs(number));
}

RC_GTEST_PROP(Units, AnyTextEitherParsesToAFiniteNumberOrSaysWhyNot, (std::string text)) {
    const auto m = parseMeasure(text, Dimension::Pressure);
    if (m)
        RC_ASSERT(std::isfinite(m->number));
    else
        RC_ASSERT(!m.error().message.empty());
}

} // namespace
} // namespace uttrin
