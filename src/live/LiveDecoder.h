#pragma once

#include "LiveProfile.h"

#include <cstdint>
#include <span>

namespace uttrin {

/// A value that an instrument sent.
struct HeardReading {
    LiveQuantity quantity = LiveQuantity::AbsolutePressure;
    double si = 0.0;
    double step = 0.0; ///< the smallest difference that its figures show, SI; 0 where that is not known
};

/// What a line says.
struct LiveLine {
    std::vector<HeardReading> readings; ///< in the order of the profile's values
    std::optional<double> seconds;      ///< of its own clock, where the profile has one
};

/// A number that stands in a text.
struct FoundNumber {
    double value = 0.0;
    double step = 1.0;              ///< of its last figure
    std::size_t at = 0, length = 0; ///< bytes
};

/// The numbers of a text, in their order, with a decimal sign: those that no letter or figure stands before,
/// so that the 1 of "CH1" is none. A true minus sign counts as one.
[[nodiscard]] std::vector<FoundNumber> findNumbers(std::string_view text, char decimal);
[[nodiscard]] std::vector<double> numbersIn(std::string_view text, char decimal);

/// The unit of a pressure or a temperature that is written behind a number, as in "48.8 kPa" or "45 C"; null
/// where what follows is none.
[[nodiscard]] const Unit* unitBehind(std::string_view text, const FoundNumber& number);

/// Reads a line. BadInput says what is wrong with it, in words for people: it is out of its range, or lacks a
/// number.
[[nodiscard]] Result<LiveLine> decodeLine(const LiveProfile& profile, std::string_view line);

/// Reads a value of its registers, one or two of them. BadInput where they hold no number.
[[nodiscard]] Result<HeardReading> decodeRegisters(const LiveRegister& value,
                                                   std::span<const std::uint16_t> registers);
/// How many it takes.
[[nodiscard]] int registersOf(LiveRegister::Type type);

} // namespace uttrin
