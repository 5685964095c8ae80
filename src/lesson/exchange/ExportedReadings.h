#pragma once

#include "ReadingsCsv.h"
#include "notebook/Csv.h"

namespace uttrin {

/// Whether a first line is that of the program's own export.
[[nodiscard]] bool isOwnExport(const CsvRecord& header);

/// The runs of an own export with their rigs, zeros and readings as they were taken; lines that cannot be
/// read become complaints. BadInput where none can.
[[nodiscard]] Result<ImportedReadings> readOwnExport(const std::vector<CsvRecord>& records);

} // namespace uttrin
