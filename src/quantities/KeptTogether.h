#pragma once

#include <string>
#include <string_view>

namespace uttrin {

/// A sentence whose lines break neither between a number and its unit, nor within a unit ("kJ/mol"), nor
/// beside "±" or between the two arms of a U-tube ("41.05 | 41.05"): no-break spaces (U+00A0) and word
/// joiners (U+2060) stand there. Said twice it stays the same.
[[nodiscard]] std::string keptTogether(std::string_view sentence);

/// The same sentence with plain spaces and no joiners: as it was written.
[[nodiscard]] std::string asWritten(std::string_view sentence);

} // namespace uttrin
