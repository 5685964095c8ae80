#pragma once

#include "notebook/Records.h"

namespace uttrin {

/// Where the time comes from: the system, or a test's hand.
class Clock {
public:
    virtual ~Clock() = default;
    [[nodiscard]] virtual Milliseconds now() const = 0;
};

/// The system's clock.
class SystemClock final : public Clock {
public:
    [[nodiscard]] Milliseconds now() const override;
};

/// "08:42" at a place whose clocks are `utcOffsetMin` ahead of UTC.
[[nodiscard]] std::string clockText(Milliseconds at, int utcOffsetMin);
/// "08:42:07" likewise.
[[nodiscard]] std::string clockTextWithSeconds(Milliseconds at, int utcOffsetMin);
/// "2026-04-24T08:42:07+02:00" likewise.
[[nodiscard]] std::string isoText(Milliseconds at, int utcOffsetMin);

} // namespace uttrin
