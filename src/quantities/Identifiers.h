#pragma once

#include "Failure.h"

#include <array>
#include <string>
#include <string_view>

namespace uttrin {

/// The value of an enumeration that an identifier in a file or on the command line names.
/// REQUIRES: id(E) gives each value's own identifier.
/// @param what  for the message: "a gauge convention"; BadInput lists what is accepted.
template <typename E, std::size_t N>
[[nodiscard]] Result<E> fromId(std::string_view wanted, const std::array<E, N>& all, std::string_view what) {
    std::string known;
    for (const E value : all) {
        if (id(value) == wanted) return value;
        known += (known.empty() ? "" : ", ") + std::string(id(value));
    }
    return fail(Failure::BadInput,
                "'" + std::string(wanted) + "' is not " + std::string(what) + "; accepted: " + known);
}

} // namespace uttrin
