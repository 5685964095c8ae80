#include "Clock.h"

#include <fmt/chrono.h>
#include <fmt/format.h>

#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <ctime>
#include <fstream>

namespace uttrin {
namespace {

constexpr Milliseconds kMinute = 60'000;

std::chrono::system_clock::time_point local(Milliseconds at, int utcOffsetMin) {
    return std::chrono::system_clock::time_point(std::chrono::milliseconds(at + utcOffsetMin * kMinute));
}

std::tm calendar(Milliseconds at, int utcOffsetMin) {
    return fmt::gmtime(std::chrono::system_clock::to_time_t(local(at, utcOffsetMin)));
}

Milliseconds timeOfDay() {
    return std::chrono::duration_cast<std::chrono::milliseconds>(
               std::chrono::system_clock::now().time_since_epoch())
        .count();
}

/// Since the machine was started, its sleep included: the standard library's steady clock stands meanwhile.
Milliseconds sinceBoot() {
    timespec at{};
    ::clock_gettime(CLOCK_BOOTTIME, &at);
    constexpr long kNanoseconds = 1'000'000; // in a millisecond
    return static_cast<Milliseconds>(at.tv_sec) * 1000 + at.tv_nsec / kNanoseconds;
}

} // namespace

SystemClock::SystemClock() : m_began(timeOfDay()), m_steadyBegan(sinceBoot()) {}

Milliseconds SystemClock::now() const { return m_began + sinceBoot() - m_steadyBegan; }

Milliseconds SystemClock::setBy() const { return timeOfDay() - now(); }

Clock::Machine SystemClock::machine() const {
    static const std::string kBoot = [] {
        std::string id;
        std::ifstream file("/proc/sys/kernel/random/boot_id");
        std::getline(file, id);
        return id;
    }();
    return {sinceBoot(), kBoot};
}

std::string clockText(Milliseconds at, int utcOffsetMin) {
    return fmt::format("{:%H:%M}", calendar(at, utcOffsetMin));
}

std::string clockTextWithSeconds(Milliseconds at, int utcOffsetMin) {
    return fmt::format("{:%H:%M:%S}", calendar(at, utcOffsetMin));
}

std::string dateText(Milliseconds at, int utcOffsetMin) {
    return fmt::format("{:%Y-%m-%d}", calendar(at, utcOffsetMin));
}

std::string isoText(Milliseconds at, int utcOffsetMin) {
    const int offset = std::abs(utcOffsetMin);
    return fmt::format("{:%Y-%m-%dT%H:%M:%S}{}{:02}:{:02}", calendar(at, utcOffsetMin),
                       utcOffsetMin < 0 ? '-' : '+', offset / 60, offset % 60);
}

std::optional<Milliseconds> timeOfIso(const std::string& text) {
    int year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0, ahead = 0, aheadMinutes = 0, read = 0;
    char sign = '+';
    if (std::sscanf(text.c_str(), "%4d-%2d-%2dT%2d:%2d:%2d%c%2d:%2d%n", &year, &month, &day, &hour, &minute,
                    &second, &sign, &ahead, &aheadMinutes, &read) != 9 ||
        read != static_cast<int>(text.size()) || (sign != '+' && sign != '-'))
        return std::nullopt;
    const std::chrono::year_month_day date{std::chrono::year(year),
                                           std::chrono::month(static_cast<unsigned>(month)),
                                           std::chrono::day(static_cast<unsigned>(day))};
    if (!date.ok() || hour > 23 || minute > 59 || second > 60 || ahead > 23 || aheadMinutes > 59)
        return std::nullopt;
    const std::int64_t days = std::chrono::sys_days(date).time_since_epoch().count(),
                       offset = (sign == '-' ? -1 : 1) * (60LL * ahead + aheadMinutes);
    return 1000LL * (((days * 24 + hour) * 60 + minute - offset) * 60 + second);
}

} // namespace uttrin
