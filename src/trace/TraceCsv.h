#pragma once

#include "Trace.h"
#include "quantities/Failure.h"

#include <string>
#include <string_view>

namespace uttrin {

/// Reads a trace from CSV with columns such as `time_s`, `absolute_kPa`, `temperature_degC`: units in the
/// names, a comma or a semicolon between columns, empty cells where an instrument gave nothing. Comments
/// begin with '#'. BadInput names the column, or the line and what is accepted there; times must rise.
[[nodiscard]] Result<Trace> readTraceCsv(std::string_view text);

/// The same as `readTraceCsv` reads it back: time_s, absolute_Pa, temperature_K, a line for each time.
[[nodiscard]] std::string writeTraceCsv(const Trace& trace);

} // namespace uttrin
