#pragma once

#include "quantities/Failure.h"

#include <nlohmann/json_fwd.hpp>

#include <cstddef>
#include <string>
#include <string_view>

namespace uttrin {

/// Bounds of every JSON text that comes from outside, so that none can take the program's memory, time or
/// stack.
inline constexpr std::size_t kMostJsonBytes = std::size_t{1} << 20;
inline constexpr int kDeepestJson = 32; ///< objects and lists within each other

/// What is wrong with a text that should be JSON, and on which line (0: of the text as a whole).
struct JsonProblem {
    int line = 0;
    Text what;
    bool syntax = false; ///< it is no JSON, rather than JSON beyond the bounds
    /// "the file is not JSON: line 3: a comma, bracket or quote is wrong"
    [[nodiscard]] Failure failure() const;
};

/// A JSON text within the bounds, parsed.
[[nodiscard]] tl::expected<nlohmann::ordered_json, JsonProblem> parseJson(std::string_view text);

} // namespace uttrin
