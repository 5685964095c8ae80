#include "PictureTime.h"

#include <array>
#include <chrono>
#include <cstdio>
#include <libexif/exif-data.h>
#include <memory>
#include <string>

namespace uttrin {
namespace {

constexpr int kMinutesAnHour = 60, kMostOffset = 14 * kMinutesAnHour;

std::string textOf(ExifData* data, ExifTag tag) {
    ExifEntry* entry = exif_content_get_entry(data->ifd[EXIF_IFD_EXIF], tag);
    std::array<char, 64> text{};
    if (!entry || !exif_entry_get_value(entry, text.data(), text.size())) return {};
    return text.data();
}

/// "+02:00" in minutes.
std::optional<int> offsetOf(const std::string& text) {
    char sign = 0;
    int hours = 0, minutes = 0;
    if (std::sscanf(text.c_str(), "%c%2d:%2d", &sign, &hours, &minutes) != 3) return std::nullopt;
    if ((sign != '+' && sign != '-') || hours < 0 || minutes < 0) return std::nullopt;
    const int all = hours * kMinutesAnHour + minutes;
    if (all > kMostOffset) return std::nullopt;
    return sign == '-' ? -all : all;
}

} // namespace

std::optional<std::int64_t> pictureTime(std::span<const std::byte> file, int utcOffsetMin) {
    constexpr std::size_t kMost = 200'000'000; // bytes: the library counts them in 32 bits
    if (file.empty() || file.size() > kMost) return std::nullopt;
    const std::unique_ptr<ExifData, decltype(&exif_data_unref)> data(
        exif_data_new_from_data(reinterpret_cast<const unsigned char*>(file.data()),
                                static_cast<unsigned>(file.size())),
        &exif_data_unref);
    if (!data) return std::nullopt;
    const std::string taken = textOf(data.get(), EXIF_TAG_DATE_TIME_ORIGINAL);
    int year = 0, hour = 0, minute = 0, second = 0;
    unsigned month = 0, day = 0;
    if (std::sscanf(taken.c_str(), "%4d:%2u:%2u %2d:%2d:%2d", &year, &month, &day, &hour, &minute, &second) !=
        6)
        return std::nullopt;
    using namespace std::chrono;
    const year_month_day date{std::chrono::year{year}, std::chrono::month{month}, std::chrono::day{day}};
    constexpr int kLastHour = 23, kLastMinute = 59, kLeapSecond = 60;
    if (!date.ok() || hour < 0 || hour > kLastHour || minute < 0 || minute > kLastMinute || second < 0 ||
        second > kLeapSecond)
        return std::nullopt;
    constexpr ExifTag kOffset = static_cast<ExifTag>(0x9011); // OffsetTimeOriginal, EXIF 2.31
    const int offset = offsetOf(textOf(data.get(), kOffset)).value_or(utcOffsetMin);
    const auto moment = sys_days{date} + hours{hour} + minutes{minute} + seconds{second} - minutes{offset};
    return duration_cast<milliseconds>(moment.time_since_epoch()).count();
}

} // namespace uttrin
