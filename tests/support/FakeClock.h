#pragma once

#include "lesson/model/Clock.h"

namespace uttrin::testing {

/// A clock that stands until a test moves it.
struct FakeClock final : Clock {
    static constexpr Milliseconds kBegan = 1776932460000; // 2026-04-23 08:21 UTC
    Milliseconds time = kBegan;
    Milliseconds set = 0;
    [[nodiscard]] Milliseconds now() const override { return time; }
    Machine started{5'000'000, "first start"}; ///< when `time` was as it is above
    [[nodiscard]] Milliseconds setBy() const override { return set; }
    [[nodiscard]] Machine machine() const override { return {started.ms + time - kBegan, started.bootId}; }
};

} // namespace uttrin::testing
