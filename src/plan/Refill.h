#pragma once

#include "quantities/Failure.h"

namespace uttrin {

/// What brings water from one temperature to another: ice that melts in it, or hot water.
struct Refill {
    double iceKg = 0.0, hotKg = 0.0; ///< one of them is 0
};

/// By the balance of heat, with nothing lost to glass and air: m c (now - next) = ice (L + c next), or
/// hot c (hotCelsius - next) = m c (next - now). Heat capacity and enthalpy of fusion of water, CODATA and
/// NIST values. OutOfRange where no hot water of that temperature, or no ice, could do it.
[[nodiscard]] Result<Refill> refillFor(double waterKg, double nowCelsius, double nextCelsius,
                                       double hotCelsius);

} // namespace uttrin
