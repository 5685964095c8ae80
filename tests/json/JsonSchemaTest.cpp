#include "json/JsonSchema.h"

#include <gtest/gtest.h>

namespace uttrin {
namespace {

constexpr const char* kSchema = R"({"type": "object", "required": ["name"], "additionalProperties": false,
  "properties": {"name": {"type": "string"},
                 "parts": {"type": "object", "additionalProperties": {"type": "object", "properties": {"mass": {"type": "number"}}}}}})";

TEST(JsonSchema, WhatKeepsItPasses) {
    EXPECT_TRUE(keepsSchema(R"({"name": "a", "parts": {"b": {"mass": 1.5}}})", kSchema));
}

TEST(JsonSchema, WhatBreaksItIsNamedByLineAndPath) {
    const auto wrong =
        keepsSchema("{\"name\": \"a\",\n \"parts\": {\n  \"b\": {\"mass\": \"heavy\"}}}", kSchema);
    ASSERT_FALSE(wrong);
    EXPECT_TRUE(plain(wrong.error().message).starts_with("line 3, /parts/b/mass: ")) << wrong.error().message;
    EXPECT_FALSE(keepsSchema("{}", kSchema));
    EXPECT_FALSE(keepsSchema(R"({"name": "a", "other": 1})", kSchema));
}

TEST(JsonSchema, AFailureGetsTheLineOfItsPath) {
    const char* text = "{\n\"a\": {\n\"b\": 1}}";
    EXPECT_EQ(withLine({Failure::BadInput, Text::typed("/a/b: expected a text")}, text).message,
              "line 3, /a/b: expected a text");
    EXPECT_EQ(withLine({Failure::BadInput, Text::typed("/a/c: is missing")}, text).message,
              "line 2, /a/c: is missing");
    EXPECT_EQ(withLine({Failure::BadInput, Text::typed("too long")}, text).message, "too long");
}

} // namespace
} // namespace uttrin
