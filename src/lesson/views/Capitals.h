#pragma once

#include <string>

namespace uttrin {

/// A name in capitals, as captions of the strip have it; letters beyond ASCII stay.
[[nodiscard]] std::string capitals(std::string name);

} // namespace uttrin
