#pragma once

#include "notebook/Records.h"

#include <optional>
#include <string>

namespace uttrin {

/// Where the time comes from: the system, or a test's hand.
class Clock {
public:
    virtual ~Clock() = default;
    [[nodiscard]] virtual Milliseconds now() const = 0;
    /// By how much the machine's time of day was set since this clock began; forward is above zero.
    [[nodiscard]] virtual Milliseconds setBy() const { return 0; }
    /// What the clock on the wall says, whoever sets it.
    [[nodiscard]] virtual Milliseconds wall() const { return now() + setBy(); }
    /// The machine's own time since it was started: it is never set, and goes on while the machine sleeps.
    struct Machine {
        Milliseconds ms = 0;
        std::string bootId; ///< which start it counts from; empty where that cannot be known
    };
    [[nodiscard]] virtual Machine machine() const { return {}; }
};

/// The time of day at which it began, and from there on a clock that nobody sets and that goes on while the
/// machine sleeps: durations between its times are what passed.
class SystemClock final : public Clock {
public:
    SystemClock();
    [[nodiscard]] Milliseconds now() const override;
    [[nodiscard]] Milliseconds setBy() const override;
    [[nodiscard]] Machine machine() const override;

private:
    Milliseconds m_began, m_steadyBegan;
};

/// "08:42" at a place whose clocks are `utcOffsetMin` ahead of UTC.
[[nodiscard]] std::string clockText(Milliseconds at, int utcOffsetMin);
/// "08:42:07" likewise.
[[nodiscard]] std::string clockTextWithSeconds(Milliseconds at, int utcOffsetMin);
/// "2026-04-24" likewise.
[[nodiscard]] std::string dateText(Milliseconds at, int utcOffsetMin);
/// "2026-04-24T08:42:07+02:00" likewise.
[[nodiscard]] std::string isoText(Milliseconds at, int utcOffsetMin);
/// The moment of such a text; nothing where it is none.
[[nodiscard]] std::optional<Milliseconds> timeOfIso(const std::string& text);

} // namespace uttrin
