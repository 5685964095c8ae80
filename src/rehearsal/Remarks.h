#pragma once

#include "Rehearsal.h"

#include <string>
#include <vector>

namespace uttrin {

/// kg/s of gas through a tube under liquid, from which on its bubbles are seen.
inline constexpr double kSeenGas = 2e-7;

/// What a person would see at a moment, in a sentence: of the watched vessel, or of what swells in it.
[[nodiscard]] Text appearanceAt(const Rehearsal& rehearsal, std::size_t sample);

/// What is worth knowing at a moment and cannot be drawn: what the file has it tell (`tells`), and what a
/// stream of air blows over.
[[nodiscard]] std::vector<Text> remarksAt(const Rehearsal& rehearsal, std::size_t sample);

} // namespace uttrin
