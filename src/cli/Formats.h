#pragma once

#include "text/PlainFormat.h"

#include <fmt/format.h>

#include <string>

namespace uttrin::cli {

/// "31.25 kPa", as the short answers for people write pressures.
inline std::string kPa(double pa) { return fmt::format("{:.6g} kPa", pa * 1e-3); }

} // namespace uttrin::cli
