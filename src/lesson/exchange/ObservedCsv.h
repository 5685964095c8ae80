#pragma once

#include "rehearsal/Observed.h"

#include <string_view>

namespace uttrin {

/// What was read off a demonstration, from a file, with what could not be read.
struct ObservedFile {
    Observed observed;
    std::vector<Text> complaints; ///< one for each line that could not be read: "line 7: …"
};

/// Reads CSV with a header: `time_s` (since the rig's clock move) and `temperature_UNIT`; optional `bound` (<
/// or > before what is only a bound) and `made` (what the move says that was made then; its line needs no
/// temperature). Where the separator is a semicolon, decimals may stand behind a comma.
/// @param u  K, standard uncertainty of a reading. BadInput where a column is missing or no line can be read.
[[nodiscard]] Result<ObservedFile> readObservedCsv(std::string_view text, double u,
                                                   const std::vector<RigMove>& moves);

} // namespace uttrin
