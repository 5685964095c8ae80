#pragma once

#include <map>
#include <string>
#include <string_view>

namespace uttrin {

/// Where each value of a JSON text begins, so that a complaint can name its line: JSON pointer ("/terms/0/1")
/// to line number, counted from 1. The text must be well formed; what stands after a mistake is missing.
[[nodiscard]] std::map<std::string, int> linesOfJson(std::string_view text);

/// The line on which a byte offset lies, counted from 1.
[[nodiscard]] int lineOfOffset(std::string_view text, std::size_t offset);

} // namespace uttrin
