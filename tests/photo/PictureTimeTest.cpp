#include "photo/PictureTime.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <string>
#include <vector>

namespace uttrin {
namespace {

void put16(std::string& s, unsigned v) {
    s += static_cast<char>(v & 0xFF);
    s += static_cast<char>(v >> 8 & 0xFF);
}
void put32(std::string& s, unsigned v) {
    put16(s, v & 0xFFFF);
    put16(s, v >> 16);
}

/// A JPEG with nothing but an EXIF segment (TIFF 6.0, low byte first) that holds texts in its EXIF directory.
std::vector<std::byte> jpegWith(const std::vector<std::pair<unsigned, std::string>>& texts) {
    std::string tiff = "II";
    put16(tiff, 42);
    put32(tiff, 8);
    put16(tiff, 1); // one entry: where the EXIF directory lies
    put16(tiff, 0x8769);
    put16(tiff, 4); // a long
    put32(tiff, 1);
    put32(tiff, 26);
    put32(tiff, 0); // no other directory
    const auto count = static_cast<unsigned>(texts.size());
    unsigned at = 26 + 2 + 12 * count + 4;
    put16(tiff, count);
    for (const auto& [tag, text] : texts) {
        put16(tiff, tag);
        put16(tiff, 2); // text
        put32(tiff, static_cast<unsigned>(text.size()) + 1);
        put32(tiff, at);
        at += static_cast<unsigned>(text.size()) + 1;
    }
    put32(tiff, 0);
    for (const auto& [tag, text] : texts)
        tiff += text + '\0';
    const std::string exif = std::string("Exif\0\0", 6) + tiff;
    std::string jpeg = "\xFF\xD8\xFF\xE1";
    const auto size = static_cast<unsigned>(exif.size()) + 2;
    jpeg += static_cast<char>(size >> 8);
    jpeg += static_cast<char>(size & 0xFF);
    jpeg += exif + "\xFF\xD9";
    std::vector<std::byte> bytes;
    for (const char c : jpeg)
        bytes.push_back(static_cast<std::byte>(c));
    return bytes;
}

constexpr unsigned kTaken = 0x9003, kOffset = 0x9011;
constexpr std::int64_t kAt = 1'776'933'110'000; // 2026-04-23 08:31:50 UTC

TEST(PictureTime, IsTheCamerasInTheTimeOfThePlace) {
    const auto file = jpegWith({{kTaken, "2026:04:23 10:31:50"}});
    EXPECT_EQ(pictureTime(file, 120), kAt);
    EXPECT_EQ(pictureTime(file, 0), kAt + 7'200'000);
    EXPECT_EQ(pictureTime(file, -330), kAt + 27'000'000);
}

TEST(PictureTime, ACameraThatKnowsItsOffsetIsBelieved) {
    EXPECT_EQ(pictureTime(jpegWith({{kTaken, "2026:04:23 05:01:50"}, {kOffset, "-03:30"}}), 120), kAt);
    EXPECT_EQ(pictureTime(jpegWith({{kTaken, "2026:04:23 10:31:50"}, {kOffset, "nonsense"}}), 120), kAt);
}

TEST(PictureTime, IsNothingWhereTheFileDoesNotSayIt) {
    EXPECT_FALSE(pictureTime({}, 0));
    EXPECT_FALSE(pictureTime(jpegWith({}), 0));
    for (const char* none : {"", "0000:00:00 00:00:00", "2026:13:01 10:00:00", "2026:02:30 10:00:00",
                             "2026:04:23 25:00:00", "yesterday, at noon"})
        EXPECT_FALSE(pictureTime(jpegWith({{kTaken, none}}), 0)) << none;
}

// Whatever stands in a file: no time, or one, and no harm.
RC_GTEST_PROP(PictureTime, RubbishIsNoTime, (const std::vector<unsigned char>& rubbish)) {
    std::vector<std::byte> bytes = jpegWith({{kTaken, "2026:04:23 10:31:50"}});
    for (std::size_t i = 0; i < rubbish.size(); ++i)
        bytes[(rubbish[i] + 31 * i) % bytes.size()] = static_cast<std::byte>(rubbish[rubbish.size() - 1 - i]);
    (void)pictureTime(bytes, 0);
    bytes.resize(bytes.size() * (rubbish.size() % 7) / 7);
    (void)pictureTime(bytes, 0);
}

} // namespace
} // namespace uttrin
