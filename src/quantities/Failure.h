#pragma once

#include "text/Text.h"

#include <tl/expected.hpp>

#include <string>
#include <string_view>
#include <utility>

namespace uttrin {

/// What went wrong with something that a person or a file supplied: a kind for programs, a sentence for
/// people.
struct Failure {
    enum Kind {
        BadInput,     ///< cannot be understood; the message names the word and what is accepted
        OutOfRange,   ///< understood, but outside what the model covers; the message gives the valid range
        TooFewPoints, ///< not enough data for the calculation asked for
        Unreferenced, ///< needs the room's pressure, and none is known
        Storage       ///< a file could not be read or written; nothing was overwritten
    };
    Kind kind = BadInput;
    Text message;
};

/// A word for a message: what is long ends with its length, so that no message is as long as what it
/// complains of.
[[nodiscard]] inline Text shortened(std::string_view word) {
    constexpr std::size_t kMost = 60;
    if (word.size() <= kMost) return Text::typed(word);
    std::size_t end = kMost;
    while (end > 0 && (static_cast<unsigned char>(word[end]) & 0xC0u) == 0x80u)
        --end; // not within a letter
    return Text::tr("{}… ({} bytes)", word.substr(0, end), word.size());
}

/// A value, or the reason why there is none. Exceptions are kept for failures of the machine or of the
/// program.
template <typename T>
using Result = tl::expected<T, Failure>;

/// Shorthand for returning a failure from a function that gives a Result.
[[nodiscard]] inline tl::unexpected<Failure> fail(Failure::Kind kind, Text message) {
    return tl::unexpected<Failure>(Failure{kind, std::move(message)});
}

} // namespace uttrin
