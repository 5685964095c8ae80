#pragma once

#include "Trace.h"
#include "quantities/Failure.h"

#include <cstddef>
#include <span>
#include <vector>

namespace uttrin {

/// A channel in few bytes, for the notebook: times to a millisecond, values to an eighth of the channel's step
/// (where it has none, to 0.01 Pa or 0.1 mK, whichever `finest` says). Each differs little from the one
/// before: differences of whole numbers, seven bits a byte, the sign in the lowest.
/// @param finest  SI, of a channel without a step.
[[nodiscard]] std::vector<std::byte> packSamples(const TraceChannel& channel, double finest);

/// Reads it back; `step` is not in it. BadInput for bytes that are no such channel.
[[nodiscard]] Result<TraceChannel> unpackSamples(std::span<const std::byte> bytes);

} // namespace uttrin
