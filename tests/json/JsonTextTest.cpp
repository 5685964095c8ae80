#include "json/JsonText.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace uttrin {
namespace {

// A rig file nested 200,000 deep ended the program, substances nested 50,000 deep took seconds.
TEST(JsonText, WhatIsNestedTooDeepOrTooLongIsRefusedBeforeItIsParsed) {
    const std::string deep = std::string(200'000, '[') + std::string(200'000, ']');
    ASSERT_FALSE(parseJson(deep));
    EXPECT_EQ(parseJson(deep).error().what, "more than 32 objects and lists stand within each other");
    EXPECT_TRUE(parseJson(std::string(kDeepestJson, '[') + std::string(kDeepestJson, ']')));
    EXPECT_FALSE(parseJson("\"" + std::string(kMostJsonBytes, 'x') + "\""));
    EXPECT_TRUE(parseJson("\"" + std::string(1000, '[') + "\"")) << "a bracket in a text opens nothing";
    EXPECT_TRUE(parseJson(R"("\"[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[")"));
}

TEST(JsonText, AMistakeIsNamedByItsLine) {
    EXPECT_EQ(parseJson("{\n\"a\": 1\n\"b\": 2}").error().line, 3);
    EXPECT_EQ(parseJson("{\"a\":\n1e999}").error().line, 2);
    EXPECT_EQ(parseJson("{").error().failure().message,
              "the file is not JSON: line 1: a comma, bracket or quote is wrong");
}

} // namespace
} // namespace uttrin
