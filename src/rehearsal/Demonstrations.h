#pragma once

#include "rehearsal/rigfile/RigFile.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// A demonstration to choose from.
struct Demonstration {
    std::string id; ///< its file's name without the ending
    RigFile rig;
};

/// Those that ship, in their order. @throws std::logic_error if one of them cannot be read.
[[nodiscard]] const std::vector<Demonstration>& demonstrations();
/// One of them; null if there is none of this id.
[[nodiscard]] const Demonstration* findDemonstration(std::string_view id);

/// A rig file that a person brings. A failure names line, path and what is accepted; what the reader lets
/// pass is held against the shipped schema as well.
[[nodiscard]] Result<RigFile> readRigFile(std::string_view text);

} // namespace uttrin
