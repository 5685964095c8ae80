#include "report/Document.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

Text x(const char* text) { return Text::typed(text); }

TEST(Document, WhatHtmlReservesIsEscapedEverywhere) {
    const Text evil = Text::typed("<b>\"a\" & 'b'</b>");
    Document d{evil, {}};
    d.blocks.emplace_back(Heading{2, evil});
    d.blocks.emplace_back(Paragraph{evil});
    d.blocks.emplace_back(BulletList{{evil}});
    d.blocks.emplace_back(Table{evil, {evil}, {{evil}}, {false}, false});
    d.blocks.emplace_back(Figure{evil, {}, 10, 10});
    d.blocks.emplace_back(CautionBox{evil});
    d.blocks.emplace_back(Banner{evil});
    const std::string html = toHtml(d, Wording());
    EXPECT_EQ(html.find("<b>"), std::string::npos);
    std::size_t count = 0;
    for (auto at = html.find("&lt;b&gt;&quot;a&quot; &amp; 'b'&lt;/b&gt;"); at != std::string::npos;
         at = html.find("&lt;b&gt;", at + 1))
        ++count;
    EXPECT_EQ(count,
              10U); // title, heading, paragraph, bullet, caption, column, cell, figure, caution, banner
}

TEST(Document, ThePageStandsAlone) {
    Document d{Text::typed("t"), {}};
    d.blocks.emplace_back(Figure{Text::typed("f"), {}, 10, 10});
    const std::string html = toHtml(d, Wording());
    EXPECT_EQ(html.find("<?xml"), std::string::npos);
    for (const char* outside : {"<link", "<script", "src=", "url(http"})
        EXPECT_EQ(html.find(outside), std::string::npos) << outside;
    EXPECT_NE(html.find("<meta charset=\"utf-8\">"), std::string::npos);
}

TEST(Document, StruckRowsAndWordColumnsAreMarkedInTables) {
    Document d{Text::typed("t"), {}};
    d.blocks.emplace_back(
        Table{x("c"), {x("#"), x("remarks")}, {{x("1"), {}}, {x("2"), x("leak")}}, {false, true}, true});
    d.blocks.emplace_back(Table{x("c"), {x("#")}, {{x("1")}}, {}, false});
    const std::string html = toHtml(d, Wording());
    EXPECT_NE(html.find("<table class=\"words\">"), std::string::npos);
    EXPECT_NE(html.find("<table><caption>"), std::string::npos);
    EXPECT_EQ(html.find("<tr class=\"struck\">"), html.rfind("<tr class=\"struck\">"));
    EXPECT_NE(html.find("<tr class=\"struck\"><td>2</td>"), std::string::npos);
}

} // namespace
} // namespace uttrin
