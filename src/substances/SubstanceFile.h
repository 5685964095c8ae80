#pragma once

#include "physics/Substance.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// Something wrong in a substance's file.
struct SubstanceProblem {
    std::string file;
    int line = 0; ///< 0 where it concerns the whole file
    Text what;

    /// "acetone.json, line 12: …"
    [[nodiscard]] Text sentence() const;
};

/// Reads a substance from its data file (docs/adding-a-substance.md; data/substances/substance.schema.json).
/// @param file  name for complaints.
/// @return the substance, or everything that is wrong, each with its line.
[[nodiscard]] tl::expected<SubstanceDefinition, std::vector<SubstanceProblem>>
readSubstanceFile(std::string_view text, const std::string& file);

} // namespace uttrin
