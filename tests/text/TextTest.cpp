#include "text/Text.h"

#include "text/PlainFormat.h"

#include <gtest/gtest.h>
#include <rapidcheck.h>
#include <rapidcheck/gtest.h>

#include <string>

namespace uttrin {
namespace {

/// A language with a decimal comma, three forms of a word, and the words in another order.
class Polish : public Wording {
public:
    [[nodiscard]] std::string sentence(const char* source) const override {
        const std::string_view text = source;
        if (text == "{} of {}") return "z {1}: {0}";
        if (text == "{0} {0|point|points}") return "{0} {0|punkt|punkty|punktów}";
        if (text == "boils") return "wrze";
        return source;
    }
    [[nodiscard]] std::string data(const std::string& source) const override {
        return source == "water" ? "woda" : source;
    }
    [[nodiscard]] std::string decimalPoint() const override { return ","; }
    [[nodiscard]] std::size_t pluralForm(long long n) const override {
        const auto ten = n % 10, hundred = n % 100;
        if (n == 1) return 0;
        return ten >= 2 && ten <= 4 && (hundred < 12 || hundred > 14) ? 1 : 2;
    }
};

TEST(Text, ASentenceKeepsItsArgumentsUntilItIsSaid) {
    const Text text = Text::tr("{} of {}", Text::number(1.5, 2), 7);
    EXPECT_EQ(plain(text), "1.50 of 7");
    EXPECT_EQ(text.said(Polish()), "z 7: 1,50");
}

TEST(Text, AWordTakesTheFormThatFitsTheNumber) {
    const auto points = [](int n) { return Text::tr("{0} {0|point|points}", n); };
    EXPECT_EQ(plain(points(1)), "1 point");
    EXPECT_EQ(plain(points(0)), "0 points");
    EXPECT_EQ(plain(points(22)), "22 points");
    EXPECT_EQ(points(1).said(Polish()), "1 punkt");
    EXPECT_EQ(points(3).said(Polish()), "3 punkty");
    EXPECT_EQ(points(12).said(Polish()), "12 punktów");
    EXPECT_EQ(points(22).said(Polish()), "22 punkty");
}

TEST(Text, NumbersFollowTheFaceAndNamesDoNot) {
    const Text text =
        Text::set("{} kPa, {:.1f} K, {}", Text::number(-0.5, 1), 2.25, std::string("probe 2.1"));
    EXPECT_EQ(plain(text), "−0.5 kPa, 2.2 K, probe 2.1");
    EXPECT_EQ(text.said(Polish()), "−0,5 kPa, 2,2 K, probe 2.1");
    EXPECT_EQ(plain(Text::number(-0.04, 1)), "0.0"); // no minus at nothing
    EXPECT_EQ(plain(Text::number(0.3, 1, true)), "+0.3");
    EXPECT_EQ(plain(Text::number(0.04, 1, true)), "0.0");
}

TEST(Text, PhrasesAndDataAreTranslatedAndTypedNamesAreNot) {
    constexpr Phrase boils = Text::phrase("boils");
    EXPECT_EQ(Text(boils).said(Polish()), "wrze");
    EXPECT_EQ(Text::data("water").said(Polish()), "woda");
    EXPECT_EQ(Text::data("my water").said(Polish()), "my water");
    EXPECT_EQ(Text::typed("water").said(Polish()), "water");
    EXPECT_EQ(Text::capitalised(Text::data("water")).said(Polish()), "Woda");
}

TEST(Text, EmptyTextsLeaveNoSeparatorBehind) {
    const Text a = Text::typed("a"), b = Text::typed("b");
    EXPECT_EQ(plain(Text::list({a, Text(), b})), "a, b");
    EXPECT_TRUE(Text::list({Text(), Text()}).empty());
    EXPECT_TRUE(Text::typed("").empty());
    EXPECT_TRUE(Text::data("").empty());
    EXPECT_TRUE(Text(Phrase{}).empty());
    EXPECT_EQ(plain(a + Text() + b), "ab");
    EXPECT_EQ(plain(Text::list(std::vector<int>{1, 2})), "1, 2");
    EXPECT_EQ(plain(Text::sentences({a, b})), "a b");
}

TEST(Text, ABraceIsWrittenTwice) {
    EXPECT_EQ(plain(Text::tr("an object {{ … }")), "an object { … }");
    EXPECT_EQ(fmt::format("{:>4}|", Text::typed("ab")), "  ab|");
}

TEST(Pattern, NamesEachArgumentAndNoOther) {
    EXPECT_TRUE(fits("{} of {}", 2));
    EXPECT_TRUE(fits("{1} of {0}", 2));
    EXPECT_TRUE(fits("{0} {0|point|points}", 1));
    EXPECT_FALSE(fits("{} of", 2));
    EXPECT_FALSE(fits("{} of {}", 1));
    EXPECT_FALSE(fits("{2}", 2));
    EXPECT_FALSE(fits("{0", 1));
    EXPECT_FALSE(fits("{0?}", 1));
    EXPECT_TRUE(isOfSignsOnly("{} ± {} kJ/mol"));
    EXPECT_TRUE(isOfSignsOnly("{} mbar, {} min"));
    EXPECT_FALSE(isOfSignsOnly("{} of {} points"));
    EXPECT_FALSE(isOfSignsOnly("{0|point|points}"));
}

/// A translator may write anything: what is wrong with it shows, and nothing else happens.
class Careless : public Wording {
public:
    explicit Careless(std::string pattern) : m_pattern(std::move(pattern)) {}
    [[nodiscard]] std::string sentence(const char*) const override { return m_pattern; }

private:
    std::string m_pattern;
};

RC_GTEST_PROP(Pattern, AnyTranslationIsSaidWithoutHarm, ()) {
    const auto pieces = *rc::gen::container<std::vector<std::string>>(rc::gen::element<std::string>(
        "{}", "{0}", "{1}", "{9}", "{:.2f}", "{0|a|b|c}", "{|}", "{", "}", "{{", "{0:.1f}", "word", "°"));
    std::string pattern;
    for (const std::string& piece : pieces)
        pattern += piece;
    const Text text = Text::tr("{} and {}", 1.5, 3);
    (void)text.said(Careless(pattern));
}

RC_GTEST_PROP(Text, WhatIsTypedIsSaidAsItIs, (const std::string& typed)) {
    RC_ASSERT(plain(Text::typed(typed)) == typed);
    RC_ASSERT(plain(Text::tr("{}!", typed)) == typed + "!");
    RC_ASSERT(Text::typed(typed).said(Polish()) == typed);
}

} // namespace
} // namespace uttrin
