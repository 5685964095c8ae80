#pragma once

#include "Failure.h"

#include <array>
#include <string>
#include <string_view>
#include <utility>

namespace uttrin {

/// The value of an enumeration that an identifier in a file or on the command line names.
/// REQUIRES: id(E) gives each value's own identifier.
/// @param what  for the message: Text::tr("a gauge convention"); BadInput lists what is accepted.
template <typename E, std::size_t N>
[[nodiscard]] Result<E> fromId(std::string_view wanted, const std::array<E, N>& all, const Text& what) {
    for (const E value : all)
        if (id(value) == wanted) return value;
    return fail(Failure::BadInput, Text::tr("'{}' is not {}; accepted: {}", shortened(wanted), what,
                                            Text::list(all, [](E value) { return id(value); })));
}

/// The identifiers of an enumeration, in files, in the notebook and on the command line. Each enumeration
/// that is stored has one such table and no other:
///   template <> struct Identifiers<Side> {
///       static Text what() { return Text::tr("a side"); }
///       static constexpr std::array table{std::pair{Side::Left, std::string_view("left")}, …}; };
template <typename E>
struct Identifiers;

/// The identifier of a value, by its table.
template <typename E>
[[nodiscard]] constexpr std::string_view identifier(E value) {
    for (const auto& [known, word] : Identifiers<E>::table)
        if (known == value) return word;
    return {};
}

/// The value that an identifier names, by its table; BadInput lists what is accepted.
template <typename E>
[[nodiscard]] Result<E> valueOf(std::string_view word) {
    constexpr auto& table = Identifiers<E>::table;
    for (const auto& [known, name] : table)
        if (name == word) return known;
    return fail(Failure::BadInput,
                Text::tr("'{}' is not {}; accepted: {}", shortened(word), Identifiers<E>::what(),
                         Text::list(table, [](const auto& entry) { return entry.second; })));
}

} // namespace uttrin
