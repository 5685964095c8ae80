#include "json/JsonReader.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

using Json = JsonReader::Json;

TEST(JsonReader, ReadsWhatIsThereAndLeavesTheRest) {
    const Json j = Json::parse(R"({"n": 2.5, "count": 3, "on": true, "word": "jar", "words": ["a", "b"],
                                   "p": "2 kPa", "in": {"x": 1}})");
    std::optional<Failure> failure;
    JsonReader r(j, "", failure);
    double n = 0.0, pascal = 0.0, absent = 7.0, x = 0.0;
    int count = 0;
    bool on = false;
    std::string word;
    std::vector<std::string> words{"what was said before"};
    r.number("n", n);
    r.count("count", count);
    r.flag("on", on);
    r.string("word", word);
    r.strings("words", words);
    r.measure("p", pascal, Dimension::Pressure, 0.0, 1e5);
    r.number("absent", absent);
    r.child("in").number("x", x);
    r.onlyKnown();
    EXPECT_FALSE(failure) << failure->message;
    EXPECT_EQ(n, 2.5);
    EXPECT_EQ(count, 3);
    EXPECT_TRUE(on);
    EXPECT_EQ(word, "jar");
    EXPECT_EQ(words, (std::vector<std::string>{"a", "b"}));
    EXPECT_EQ(pascal, 2000.0);
    EXPECT_EQ(absent, 7.0);
    EXPECT_EQ(x, 1.0);
}

TEST(JsonReader, KeepsTheFirstFailureWithItsPath) {
    const struct {
        const char* json;
        void (*read)(JsonReader& r);
        const char* message;
    } rows[] = {
        {R"({"n": "2"})",
         [](JsonReader& r) {
             double v = 0.0;
             r.number("n", v);
         },
         "/a/n: expected a number"},
        {R"({"n": -1})",
         [](JsonReader& r) {
             int v = 0;
             r.count("n", v);
         },
         "/a/n: expected a whole number from 0 to 1000000"},
        {R"({"n": 1})",
         [](JsonReader& r) {
             bool v = false;
             r.flag("n", v);
         },
         "/a/n: expected true or false"},
        {R"({"n": 1})",
         [](JsonReader& r) {
             std::string v;
             r.string("n", v);
         },
         "/a/n: expected a text in quotes"},
        {R"({"n": ["a", 1]})",
         [](JsonReader& r) {
             std::vector<std::string> v;
             r.strings("n", v);
         },
         "/a/n: expected a list of texts in quotes"},
        {R"({"n": "a"})",
         [](JsonReader& r) {
             std::vector<std::string> v;
             r.strings("n", v);
         },
         "/a/n: expected a list of texts in quotes"},
        {R"({})", [](JsonReader& r) { r.require("n", Text::typed("a mass")); }, "/a/n: expected a mass"},
        {R"({"n": 1, "m": 2})",
         [](JsonReader& r) {
             (void)r.has("m");
             r.onlyKnown();
         },
         "/a: 'n' is not known here; accepted: m"},
        {R"([1])", [](JsonReader&) {}, "/a: expected an object { … }"},
    };
    for (const auto& row : rows) {
        const Json j = Json::parse(row.json);
        std::optional<Failure> failure;
        JsonReader r(j, "/a", failure);
        row.read(r);
        ASSERT_TRUE(failure) << row.json;
        EXPECT_EQ(failure->message, row.message);
        r.refuse("later", Text::typed("nothing"));
        EXPECT_EQ(failure->message, row.message);
    }
}

TEST(JsonReader, MeasuresLieWithinTheirBoundsBothIncluded) {
    EXPECT_DOUBLE_EQ(*measureWithin("2 L", Dimension::Volume, 0.0, 2e-3), 2e-3);
    EXPECT_EQ(measureWithin("2.1 L", Dimension::Volume, 0.0, 2e-3).error().message,
              "'2.1 L' lies outside what is accepted: 0 L to 2 L");
    EXPECT_EQ(measureWithin("-1 g", Dimension::Mass, 0.0, JsonReader::kAny).error().message,
              "'-1 g' lies outside what is accepted: 0 g or more");
    EXPECT_FALSE(measureWithin("2 kg", Dimension::Volume, 0.0, 1.0));
}

TEST(Units, OfRigsConvertByTheirDefinitions) {
    const struct {
        const char* text;
        Dimension dimension;
        double si;
    } rows[] = {{"50 cm2", Dimension::Area, 5e-3},
                {"250 mL", Dimension::Volume, 2.5e-4},
                {"2 g", Dimension::Mass, 2e-3},
                {"1.5 min", Dimension::Time, 90.0},
                {"2 h", Dimension::Time, 7200.0},
                {"1.2 kW", Dimension::Power, 1200.0},
                {"60 L/min", Dimension::PumpingSpeed, 1e-3},
                {"3.6 m3/h", Dimension::PumpingSpeed, 1e-3},
                {"0.8 W/K", Dimension::ThermalConductance, 0.8},
                {"150 J/K", Dimension::HeatCapacity, 150.0},
                {"45 %", Dimension::Fraction, 0.45}};
    for (const auto& row : rows) {
        const auto m = parseMeasure(row.text, row.dimension);
        ASSERT_TRUE(m) << m.error().message;
        EXPECT_NEAR(m->si(), row.si, 1e-15 + 1e-12 * row.si) << row.text;
    }
    for (const Dimension d : allDimensions()) {
        EXPECT_FALSE(unitsOf(d).empty());
        for (const Unit& u : unitsOf(d))
            EXPECT_EQ(&unit(u.symbol), &u); // no symbol stands for two units
        EXPECT_NE(plain(parseMeasure("7", d).error().message).find("accepted units"), std::string::npos);
    }
}

} // namespace
} // namespace uttrin
