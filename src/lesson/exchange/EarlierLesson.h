#pragma once

#include "notebook/Records.h"
#include "quantities/Failure.h"

#include <filesystem>
#include <vector>

namespace uttrin {

/// The acts of the last lesson of another notebook. A notebook is opened for reading only and stays as it is;
/// a failure says why it cannot be read.
[[nodiscard]] Result<std::vector<Act>> plannedActsOf(const std::filesystem::path& notebook);

} // namespace uttrin
