#pragma once

#include <cstdint>

namespace uttrin {

using RowId = std::int64_t;
using Milliseconds = std::int64_t; ///< since 1970-01-01 UTC

} // namespace uttrin
