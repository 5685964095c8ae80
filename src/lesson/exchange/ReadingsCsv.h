#pragma once

#include "notebook/Records.h"
#include "plan/Plan.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// Readings from a CSV text whose column names carry their units, with a plan that declares the instruments
/// which the columns imply.
struct ImportedReadings {
    Plan plan;
    std::vector<Reading> readings; ///< good lines only; run and ids are not set
    std::vector<Text> complaints;  ///< one for each line that could not be read: "line 7: …"
};

/// Reads CSV with a header. Columns: `temperature_UNIT`, and one of `gauge_UNIT` (negative below the room),
/// `vacuum_UNIT` (depth, positive), `absolute_UNIT`, or `left_UNIT` with `right_UNIT` (arms of a U-tube,
/// lengths). Optional: `vigour`, `time_s`, `struck` (a reason strikes the line), `judge`. Other columns are
/// passed over. Fails where a needed column is missing or no line can be read; single bad lines become
/// complaints.
[[nodiscard]] Result<ImportedReadings> readReadingsCsv(std::string_view text);

} // namespace uttrin
