#pragma once

#include "Trace.h"
#include "quantities/Units.h"

#include <string>
#include <string_view>

namespace uttrin {

/// What a column of a logger's file holds.
enum class LoggerMeaning {
    Ignored,
    Elapsed, ///< a number of seconds, minutes or hours
    Clock,   ///< "10:31:05", on from midnight to midnight
    Date,    ///< "2026-11-29 10:31:05", "29.11.2026 10:31"
    AbsolutePressure,
    GaugePressure, ///< counts from the room
    Temperature
};

struct LoggerColumn {
    std::string name; ///< as the file has it
    LoggerMeaning meaning = LoggerMeaning::Ignored;
    const Unit* unit = nullptr; ///< of Elapsed, pressures and temperatures
};

/// How a logger's file is laid out.
struct LoggerLayout {
    char separator = ',';
    char decimal = '.';
    int headerLines = 1; ///< before the first reading
    std::vector<LoggerColumn> columns;
};

/// Guesses it: the separator that parts the readings evenly, the decimal sign by what stands in them, units
/// from names such as "Temperature (°C)", "p [kPa]" or "time_s", or from a line of units below them. BadInput
/// where nothing in it looks like readings.
[[nodiscard]] Result<LoggerLayout> guessLayout(std::string_view text);

/// Reads it. Lines that cannot be read are passed over.
struct LoggerTrace {
    Trace trace;
    std::size_t unread = 0; ///< lines
};
/// @param roomPascal  for gauge pressures; Unreferenced without. BadInput without a column of times, or of
/// readings, or where no line can be read. Times count from the first one; a clock that goes back over
/// midnight goes on.
[[nodiscard]] Result<LoggerTrace> readLogger(std::string_view text, const LoggerLayout& layout,
                                             std::optional<double> roomPascal);

} // namespace uttrin
