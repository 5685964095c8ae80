#include "notebook/Csv.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

TEST(Csv, ReadsQuotesLineEndsAndSemicolons) {
    const auto records = parseCsv("\xEF\xBB\xBF# made up\r\na;b\r\n1;\"x; \"\"y\"\"\nz\"\n\n3;4");
    ASSERT_EQ(records.size(), 3U);
    EXPECT_EQ(records[0].fields, (std::vector<std::string>{"a", "b"}));
    EXPECT_EQ(records[1].fields[1], "x; \"y\"\nz");
    EXPECT_EQ(records[2].fields, (std::vector<std::string>{"3", "4"}));
    EXPECT_EQ(records[2].line, 6);
}

RC_GTEST_PROP(Csv, WhatIsWrittenReadsBackTheSame, (std::vector<std::string> fields)) {
    RC_PRE(!fields.empty());
    for (auto& f : fields)
        f.erase(std::remove_if(f.begin(), f.end(), [](char c) { return c == '\r' || c == '\0'; }), f.end());
    fields.front() = "x" + fields.front(); // a line is neither empty nor a comment
    const auto records = parseCsv("a,b,c,d,e,f,g,h\r\n" + csvLine(fields));
    RC_ASSERT(records.size() == 2U);
    RC_ASSERT(records[1].fields == fields);
}

RC_GTEST_PROP(Csv, NoTextIsTakenForAFormulaAndEachComesBackByteForByte, (std::string text)) {
    for (const std::string& t : {text, "=" + text, "\'" + text, "\'=" + text, "@" + text, "\t" + text}) {
        const std::string cell = csvText(t);
        RC_ASSERT(cell.empty() || std::string("=+-@\t\r").find(cell.front()) == std::string::npos);
        RC_ASSERT(textOfCsv(cell) == t);
    }
}

TEST(Csv, AQuotedFieldMayBeginWithASharp) {
    const auto records = parseCsv("a,b\n\"#1\",2\n# a comment\n");
    ASSERT_EQ(records.size(), 2U);
    EXPECT_EQ(records[1].fields[0], "#1");
}

TEST(Csv, TextsThatBeginLikeFormulasAreMarked) {
    EXPECT_EQ(csvText("=1+1"), "'=1+1");
    EXPECT_EQ(csvText("-0.7 said Ember"), "'-0.7 said Ember");
    EXPECT_EQ(csvText("misread"), "misread");
    EXPECT_EQ(textOfCsv("'tis"), "'tis");
}

RC_GTEST_PROP(Csv, AnyTextParses, (std::string text)) {
    for (const auto& record : parseCsv(text))
        RC_ASSERT(!record.fields.empty());
}

} // namespace
} // namespace uttrin
