#pragma once

#include "quantities/Failure.h"
#include "text/Text.h"

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// What is done at a point, one thing after another: where pressure and temperature are read at different
/// moments, or before or after the pump is shut off, they mean different things.
enum class ReadStep {
    Isolate,         ///< shut the pump off
    AwaitPlateau,    ///< wait until the pressure stands still
    AwaitQuiet,      ///< wait until the bubbling stops
    ReadPressure,
    ReadTemperature,
    ReadBoth,        ///< at one instant
    Vent,            ///< let the air in
    Zero             ///< read the gauge open to the room, again
};
using ReadOrder = std::vector<ReadStep>;

/// "isolate", "plateau", "quiet", "pressure", "temperature", "both", "vent", "zero".
[[nodiscard]] std::string_view id(ReadStep step);
/// What to do, for people: "Shut the pump off".
[[nodiscard]] Text instruction(ReadStep step);

/// Its steps in words, with spaces between: "isolate plateau both". Empty for none.
[[nodiscard]] std::string wordsOf(const ReadOrder& order);
/// Reads that. BadInput for a word that is no step, and as `check`.
[[nodiscard]] Result<ReadOrder> readOrderOf(std::string_view words);
/// For people, short: "shut off, plateau, both".
[[nodiscard]] Text nameOf(const ReadOrder& order);

/// An order is nothing at all, or reads pressure and temperature once each; the zero comes last and after the
/// air. BadInput says what is wrong.
[[nodiscard]] Result<void> check(const ReadOrder& order);

/// The last step that reads; -1 for none.
[[nodiscard]] int lastReadStep(const ReadOrder& order);

/// An order that many use.
struct UsualReadOrder {
    Phrase name; ///< for people
    ReadOrder order;
};
[[nodiscard]] std::span<const UsualReadOrder> usualReadOrders();

} // namespace uttrin
