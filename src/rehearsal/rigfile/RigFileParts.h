#pragma once

#include "RigFile.h"

namespace uttrin {

/// The rig that a document describes: its parts, moves, instruments and goal. A failure names the JSON path.
[[nodiscard]] Result<RigSetup> readRigParts(const nlohmann::ordered_json& document);

} // namespace uttrin
