#include "quantities/KeptTogether.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace uttrin {
namespace {

TEST(KeptTogether, ANumberKeepsItsUnit) {
    EXPECT_EQ(keptTogether("boils at 60.1 °C, here."), "boils at 60.1\u00A0°C, here.");
    EXPECT_EQ(keptTogether("(19.9 kPa absolute)"), "(19.9\u00A0kPa absolute)");
    EXPECT_EQ(keptTogether("about 13 min still needed"), "about 13\u00A0min still needed");
    EXPECT_EQ(keptTogether("0.074 % of the mass"), "0.074\u00A0% of the mass");
}

TEST(KeptTogether, AQuotientOfUnitsIsNotTornApart) {
    EXPECT_EQ(keptTogether("42.1 ± 0.5 kJ/mol (95 %)"), "42.1\u00A0±\u00A0"
                                                        "0.5\u00A0kJ/\u2060mol (95\u00A0%)");
    EXPECT_EQ(keptTogether("it pumps 3 L/min."), "it pumps 3\u00A0L/\u2060min.");
}

TEST(KeptTogether, TheTwoArmsOfATubeStayOnOneLine) {
    EXPECT_EQ(keptTogether("it shows 69.05 | 13.05 cm."), "it shows 69.05\u00A0|\u00A0"
                                                          "13.05\u00A0cm.");
}

// "11 points" may break, and a path or "yes/no" stays as it is.
TEST(KeptTogether, WordsBreakAsBefore) {
    for (const char* text : {"11 points, yes/no", "run 2 of 11", "/a/b c", "", " ", "a | b", "line 1\n2 K"})
        EXPECT_EQ(asWritten(keptTogether(text)), text);
    EXPECT_EQ(keptTogether("11 points, yes/no"), "11 points, yes/no");
    EXPECT_EQ(keptTogether("line 1\nK"), "line 1\nK");
}

RC_GTEST_PROP(KeptTogether, NothingIsLostAndTwiceIsOnce, ()) {
    const auto words = *rc::gen::container<std::vector<std::string>>(rc::gen::element<std::string>(
        "1.5", "K", "kJ/mol", "±", "|", "60", "°C.", "a", "", "(2", "min)", "/", "m/"));
    std::string text;
    for (const auto& word : words)
        text += word + (text.size() % 5 == 0 ? "\n" : " ");
    const std::string kept = keptTogether(text);
    RC_ASSERT(asWritten(kept) == text);
    RC_ASSERT(keptTogether(kept) == kept);
}

} // namespace
} // namespace uttrin
