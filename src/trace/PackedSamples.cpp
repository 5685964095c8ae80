#include "PackedSamples.h"

#include <bit>
#include <cmath>
#include <cstdint>
#include <limits>

namespace uttrin {
namespace {

constexpr std::uint8_t kVersion = 1;
constexpr double kMs = 1000.0;
constexpr unsigned kBits = 7;
constexpr std::uint64_t kLow = 0x7f, kMore = 0x80;

void put(std::vector<std::byte>& bytes, std::int64_t number) {
    // The sign goes to the lowest bit, so that small numbers of either sign are short.
    auto rest = (static_cast<std::uint64_t>(number) << 1U) ^ static_cast<std::uint64_t>(number >> 63);
    for (; rest >= kMore; rest >>= kBits)
        bytes.push_back(static_cast<std::byte>((rest & kLow) | kMore));
    bytes.push_back(static_cast<std::byte>(rest));
}

/// Takes numbers off the front; remembers that there were too few bytes.
class Taker {
public:
    explicit Taker(std::span<const std::byte> bytes) : m_bytes(bytes) {}
    [[nodiscard]] bool atEnd() const { return m_bytes.empty(); }
    [[nodiscard]] bool failed() const { return m_failed; }
    std::uint64_t byte() {
        if (m_bytes.empty()) {
            m_failed = true;
            return 0;
        }
        const auto first = std::to_integer<std::uint64_t>(m_bytes.front());
        m_bytes = m_bytes.subspan(1);
        return first;
    }
    std::int64_t number() {
        std::uint64_t whole = 0;
        for (unsigned shift = 0; shift < 64; shift += kBits) {
            const std::uint64_t part = byte();
            whole |= (part & kLow) << shift;
            if ((part & kMore) == 0)
                return static_cast<std::int64_t>(whole >> 1U) ^ -static_cast<std::int64_t>(whole & 1U);
        }
        m_failed = true;
        return 0;
    }

private:
    std::span<const std::byte> m_bytes;
    bool m_failed = false;
};

/// Two's complement without an overflow, for sums of what a file holds.
std::int64_t plus(std::int64_t a, std::int64_t b) {
    return static_cast<std::int64_t>(static_cast<std::uint64_t>(a) + static_cast<std::uint64_t>(b));
}

} // namespace

std::vector<std::byte> packSamples(const TraceChannel& channel, double finest) {
    constexpr double kPartsOfAStep = 8.0;
    const double quantum = channel.step > 0.0 ? channel.step / kPartsOfAStep : finest;
    std::vector<std::byte> bytes{static_cast<std::byte>(kVersion)};
    const auto pattern = std::bit_cast<std::uint64_t>(quantum);
    for (unsigned i = 0; i < 8; ++i)
        bytes.push_back(static_cast<std::byte>(pattern >> (8 * i)));
    std::int64_t when = 0, what = 0;
    for (std::size_t i = 0; i < channel.size(); ++i) {
        const auto ms = static_cast<std::int64_t>(std::llround(channel.seconds[i] * kMs));
        const auto parts = static_cast<std::int64_t>(std::llround(channel.values[i] / quantum));
        put(bytes, ms - when);
        put(bytes, parts - what);
        when = ms;
        what = parts;
    }
    return bytes;
}

Result<TraceChannel> unpackSamples(std::span<const std::byte> bytes) {
    const auto refuse = [] {
        return fail(Failure::BadInput, Text::tr("what was kept of an instrument cannot be read any more"));
    };
    Taker taker(bytes);
    if (taker.byte() != kVersion) return refuse();
    std::uint64_t pattern = 0;
    for (unsigned i = 0; i < 8; ++i)
        pattern |= taker.byte() << (8 * i);
    const auto quantum = std::bit_cast<double>(pattern);
    if (taker.failed() || !std::isfinite(quantum) || quantum <= 0.0) return refuse();
    TraceChannel channel;
    std::int64_t when = 0, what = 0;
    while (!taker.atEnd()) {
        when = plus(when, taker.number());
        what = plus(what, taker.number());
        const double seconds = static_cast<double>(when) / kMs;
        const bool rises = channel.empty() || seconds >= channel.seconds.back();
        const double value = static_cast<double>(what) * quantum;
        if (taker.failed() || !rises || !std::isfinite(value)) return refuse();
        channel.seconds.push_back(seconds);
        channel.values.push_back(value);
    }
    return channel;
}

} // namespace uttrin
