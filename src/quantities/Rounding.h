#pragma once

#include "text/Text.h"

#include <vector>

namespace uttrin {

/// Number of decimals that a value with standard uncertainty u deserves: u shown to two significant digits
/// when it begins with 1 or 2, else to one. 0 to 9.
[[nodiscard]] int decimalsForUncertainty(double u);

/// Number of decimals that show one smallest division and no more (0.1 -> 1, 0.25 -> 2, 5 -> 0).
[[nodiscard]] int decimalsForDivision(double division);

/// As many decimals as a value that a person typed has, two at most.
[[nodiscard]] int decimalsTyped(double value);

/// The smallest round step, 1, 2 or 5 times a power of ten, that is not smaller than this. REQUIRES: above
/// zero.
[[nodiscard]] double roundStep(double least);

/// Values in even steps from one end towards the other, which is among them where a step meets it.
[[nodiscard]] std::vector<double> evenSteps(double from, double to, double step);

/// A number for people to read: fixed decimals, the real minus sign U+2212, and no "−0.0".
[[nodiscard]] Text fixed(double value, int decimals);

/// "12.3 ± 0.4": a value and its uncertainty, with the decimals that it deserves.
[[nodiscard]] Text fixedWithU(double value, double u);

/// As `fixed`, with '+' in front of positive values.
[[nodiscard]] Text fixedSigned(double value, int decimals);

} // namespace uttrin
