#pragma once

#include "Plan.h"

#include <optional>

namespace uttrin {

/// The plan after its pressure instrument was declared otherwise. One that is read on two arms now, or no
/// longer, is another instrument with usual divisions; one with another unit is the same with its scale in
/// that unit. A ladder in steps of the dial becomes one in pressure where the dial changed. @param room where
/// it is known.
[[nodiscard]] Plan withGauge(const Plan& plan, const PressureInstrument& declared,
                             std::optional<Pressure> room);

/// Limits of error of an accuracy class, in percent of the span, as printed on the dial.
[[nodiscard]] double accuracyOfClass(double percent, double span);

/// A solute as it is usually taken: a fifth by mass, or one mol per kilogram.
[[nodiscard]] Solute usualSolute(SoluteKind kind);

} // namespace uttrin
