#include "json/JsonLines.h"
#include "substances/SubstanceLibrary.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <fstream>
#include <sstream>

namespace uttrin {
namespace {

using testing::TempDir;

std::string shippedText(const std::string& file) {
    std::ifstream in(std::string(SUBSTANCE_DATA) + "/" + file);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

/// The file of acetone under another id, with one piece of text replaced.
std::string changed(const std::string& from, const std::string& to) {
    std::string text = shippedText("acetone.json");
    text.replace(text.find("\"acetone\""), 9, "\"acetone-2\"");
    const auto at = text.find(from);
    EXPECT_NE(at, std::string::npos) << from;
    return text.replace(at, from.size(), to);
}

std::string firstProblem(const std::string& text) {
    SubstanceLibrary library;
    const auto problems = library.add(text, "mine.json");
    EXPECT_EQ(library.all().size(), 12U);
    return problems.empty() ? std::string() : plain(problems.front().sentence());
}

TEST(SubstanceFile, ATeachersOwnSubstanceIsOfferedBesideTheOthers) {
    SubstanceLibrary library;
    EXPECT_TRUE(
        library.add(changed("\"name\": \"acetone\"", "\"name\": \"my acetone\""), "mine.json").empty());
    ASSERT_TRUE(library.find("acetone-2"));
    EXPECT_EQ((*library.find("acetone-2"))->facts().name, "my acetone");
    EXPECT_EQ(library.all().size(), 13U);
}

TEST(SubstanceFile, ComplaintsNameTheLineAndWhatIsAccepted) {
    EXPECT_EQ(firstProblem(changed("\"id\": \"acetone-2\",", "\"id\": \"acetone-2\"")),
              "mine.json, line 4: this is not JSON: a comma, bracket or quote is wrong");
    EXPECT_EQ(
        firstProblem(changed("\"molar_mass_kg_per_mol\": 0.05807914", "\"molar_mass_kg_per_mol\": 58.07914")),
        "mine.json, line 6: 'molar_mass_kg_per_mol' must lie from 0.001 to 1, not 58.07914");
    EXPECT_EQ(firstProblem(changed("\"temperature_k\": 178.5", "\"temperature_k\": \"cold\"")),
              "mine.json, line 8: 'temperature_k' must be a number");
    EXPECT_NE(firstProblem(changed("reduced-terms", "wagner"))
                  .find("line 18: 'wagner' is not a form of vapour-pressure "
                        "equation; accepted: reduced-terms, antoine"),
              std::string::npos);
    EXPECT_NE(firstProblem(changed("[-7.45514, 1]", "[-7.45514]")).find("each of 'terms' must be 2 numbers"),
              std::string::npos);
    EXPECT_NE(
        firstProblem(changed("-7.45514", "7.45514")).find("the pressure does not rise with temperature"),
        std::string::npos);
    EXPECT_NE(firstProblem(changed("\"source\"", "\"sauce\"")).find("'source' is missing"),
              std::string::npos);
    EXPECT_NE(firstProblem(changed("\"flammable\"", "\"smelly\"")).find("a hazard must be"),
              std::string::npos);
    EXPECT_NE(firstProblem(shippedText("acetone.json")).find("the id 'acetone' is already taken"),
              std::string::npos);
    EXPECT_EQ(firstProblem("[]"), "mine.json, line 1: a substance is one JSON object, in braces");
}

TEST(SubstanceFile, EveryMistakeOfAFileIsNamedAtOnce) {
    SubstanceLibrary library;
    std::string text = changed("\"rackett\"", "\"guess\"");
    text.replace(text.find("\"narcotic\"") == std::string::npos ? text.find("0.05807914") : 0, 10,
                 "\"heavy\"   ");
    EXPECT_EQ(library.add(text, "mine.json").size(), 2U);
}

TEST(SubstanceFile, ABrokenFileDoesNotKeepTheOthersOut) {
    const TempDir dir;
    std::ofstream(dir / "a-broken.json") << "{ \"id\": ";
    std::ofstream(dir / "b-good.json") << changed("\"C3H6O\"", "\"C3H6O\"");
    std::ofstream(dir / "notes.txt") << "not a substance";
    SubstanceLibrary library;
    const auto problems = library.addFolder(dir / ".");
    ASSERT_EQ(problems.size(), 1U);
    EXPECT_EQ(problems[0].file, "a-broken.json");
    EXPECT_TRUE(library.find("acetone-2"));
    EXPECT_TRUE(library.addFolder(dir / "nowhere").empty());
}

/// A file with the vapour pressure given in another form.
std::string withCurve(const std::string& curve) {
    std::string text = changed("\"C3H6O\"", "\"C3H6O\"");
    const auto from = text.find("\"liquid_vapour\"");
    const auto to = text.find("\"liquid_density\"");
    return text.replace(from, to - from, "\"liquid_vapour\": " + curve + ",\n  ");
}

TEST(SubstanceFile, AnAntoineEquationIsReadInItsOwnUnits) {
    // Acetone: log10(p/mmHg) = 7.11714 - 1210.595 / (229.664 + t/degC); 760 mmHg at 56.0 degC.
    SubstanceLibrary library;
    const auto problems = library.add(
        withCurve(
            R"({"form": "antoine", "logarithm": "log10", "pressure_unit": "mmHg", "temperature_unit": "degC",
                      "a": 7.11714, "b": 1210.595, "c": 229.664, "range_k": [260, 330], "relative_u": 0.01,
                      "source": "a printed table"})"),
        "mine.json");
    ASSERT_TRUE(problems.empty()) << problems.front().sentence();
    const Substance& s = **library.find("acetone-2");
    EXPECT_NEAR(s.vapourPressure(Temperature::fromCelsius(20.0))->pascal(),
                133.322387415 * std::pow(10.0, 7.11714 - 1210.595 / 249.664), 1e-3);
    EXPECT_NEAR(s.boilingPoint(Pressure::fromPascal(101325.0))->celsius(), 56.0, 0.3);
}

TEST(SubstanceFile, ATableOfPointsIsMetAtItsPointsAndStaysMonotoneBetween) {
    SubstanceLibrary library;
    const auto problems = library.add(
        withCurve(
            R"({"form": "table", "points": [[273.15, 9300], [293.15, 24600], [313.15, 56200], [329.22, 101325]],
                      "range_k": [273.15, 329.22], "relative_u": 0.01, "source": "a printed table"})"),
        "mine.json");
    ASSERT_TRUE(problems.empty()) << problems.front().sentence();
    const Substance& s = **library.find("acetone-2");
    EXPECT_NEAR(s.vapourPressure(Temperature::fromKelvin(293.15))->pascal(), 24600.0, 1e-6);
    EXPECT_NEAR(s.boilingPoint(Pressure::fromPascal(56200.0))->kelvin(), 313.15, 1e-9);
    const auto between = s.vapourPressure(Temperature::fromKelvin(303.15))->pascal();
    EXPECT_NEAR(between /
                    (*findSubstance("acetone"))->vapourPressure(Temperature::fromKelvin(303.15))->pascal(),
                1.0, 0.01);
}

TEST(SubstanceFile, ExtendedAntoineTakesItsTerms) {
    // ln(p/Pa) = a + b/T + c ln T + d T^e with acetone's constants from a plain fit: only the reading is at
    // test.
    SubstanceLibrary library;
    const auto problems = library.add(
        withCurve(
            R"({"form": "extended-antoine", "a": 69.006, "b": -5599.6, "c": -7.0985, "d": 6.2237e-6, "e": 2,
                      "range_k": [240, 500], "relative_u": 0.01, "source": "a printed table"})"),
        "mine.json");
    ASSERT_TRUE(problems.empty()) << problems.front().sentence();
    const double t = 300.0;
    EXPECT_NEAR((*library.find("acetone-2"))->vapourPressure(Temperature::fromKelvin(t))->pascal() /
                    std::exp(69.006 - 5599.6 / t - 7.0985 * std::log(t) + 6.2237e-6 * t * t),
                1.0, 1e-9);
}

TEST(JsonLines, EveryValueHasItsLine) {
    const auto lines = linesOfJson("{\n \"a\": [1,\n  {\"b\": 2}],\n \"c\":\n 3\n}");
    EXPECT_EQ(lines.at(""), 1);
    EXPECT_EQ(lines.at("/a"), 2);
    EXPECT_EQ(lines.at("/a/0"), 2);
    EXPECT_EQ(lines.at("/a/1/b"), 3);
    EXPECT_EQ(lines.at("/c"), 5);
    EXPECT_EQ(lineOfOffset("a\nb\nc", 2), 2);
}

RC_GTEST_PROP(SubstanceFile, NoCutOfAFileIsTakenForASubstance, ()) {
    static const std::string text = shippedText("acetone.json");
    const auto end = text.find_last_of('}');
    SubstanceLibrary library;
    RC_ASSERT(!library.add(text.substr(0, *rc::gen::inRange<std::size_t>(0, end)), "cut.json").empty());
}

TEST(SubstanceFile, ANumberBeyondAllBoundsIsNamedWithItsLine) {
    const auto read = readSubstanceFile("{\n \"id\": \"x\",\n \"molar_mass_kg_per_mol\": 1e999\n}", "x.json");
    ASSERT_FALSE(read);
    EXPECT_EQ(read.error().front().line, 3);
    EXPECT_NE(plain(read.error().front().sentence()).find("1e308"), std::string::npos);
}

} // namespace
} // namespace uttrin
