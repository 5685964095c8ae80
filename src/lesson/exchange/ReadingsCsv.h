#pragma once

#include "lesson/model/ImportedRun.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// Readings from a file. A CSV text whose column names carry their units has one run, with a plan that
/// declares the instruments which the columns imply; an own export has its runs as they were.
struct ImportedReadings {
    std::vector<ImportedRun> runs; ///< at least one
    std::vector<Text> complaints;  ///< one for each line that could not be read: "line 7: …"

    [[nodiscard]] const Plan& plan() const { return runs.front().plan; } ///< of the first run
    [[nodiscard]] const std::vector<Reading>& readings() const { return runs.front().readings; }
    [[nodiscard]] std::size_t count() const; ///< of readings in all runs
};

/// Reads CSV with a header. Columns: `temperature_UNIT`, and one of `gauge_UNIT` (negative below the room),
/// `vacuum_UNIT` (depth, positive), `absolute_UNIT`, or `left_UNIT` with `right_UNIT` (arms of a U-tube,
/// lengths). Optional: `vigour`, `time_s`, `struck` (a reason strikes the line), `judge`. Other columns are
/// passed over. Where the separator is a semicolon, decimals may stand behind a comma; a line with more
/// fields than columns is not read. Takes the program's own export too, in CSV. Fails where a needed column
/// is missing or no line can be read; single bad lines become complaints.
[[nodiscard]] Result<ImportedReadings> readReadingsCsv(std::string_view text);
/// The same from the program's own export in JSON.
[[nodiscard]] Result<ImportedReadings> readReadingsJson(std::string_view text);

} // namespace uttrin
