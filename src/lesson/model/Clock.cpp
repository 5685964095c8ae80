#include "Clock.h"

#include <fmt/chrono.h>
#include <fmt/format.h>

#include <chrono>
#include <cstdlib>

namespace uttrin {
namespace {

constexpr Milliseconds kMinute = 60'000;

std::chrono::system_clock::time_point local(Milliseconds at, int utcOffsetMin) {
    return std::chrono::system_clock::time_point(std::chrono::milliseconds(at + utcOffsetMin * kMinute));
}

std::tm calendar(Milliseconds at, int utcOffsetMin) {
    return fmt::gmtime(std::chrono::system_clock::to_time_t(local(at, utcOffsetMin)));
}

} // namespace

Milliseconds SystemClock::now() const {
    return std::chrono::duration_cast<std::chrono::milliseconds>(
               std::chrono::system_clock::now().time_since_epoch())
        .count();
}

std::string clockText(Milliseconds at, int utcOffsetMin) {
    return fmt::format("{:%H:%M}", calendar(at, utcOffsetMin));
}

std::string clockTextWithSeconds(Milliseconds at, int utcOffsetMin) {
    return fmt::format("{:%H:%M:%S}", calendar(at, utcOffsetMin));
}

std::string isoText(Milliseconds at, int utcOffsetMin) {
    const int offset = std::abs(utcOffsetMin);
    return fmt::format("{:%Y-%m-%dT%H:%M:%S}{}{:02}:{:02}", calendar(at, utcOffsetMin),
                       utcOffsetMin < 0 ? '-' : '+', offset / 60, offset % 60);
}

} // namespace uttrin
