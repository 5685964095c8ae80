#pragma once

#include "lesson/model/Clock.h"

namespace uttrin::testing {

/// A clock that stands until a test moves it.
struct FakeClock final : Clock {
    Milliseconds time = 1776932460000; // 2026-04-23 08:21 UTC
    Milliseconds set = 0;
    [[nodiscard]] Milliseconds now() const override { return time; }
    [[nodiscard]] Milliseconds setBy() const override { return set; }
};

} // namespace uttrin::testing
