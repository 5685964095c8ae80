#pragma once

#include "RigCardReader.h"
#include "RigFile.h"
#include "json/JsonReader.h"

#include <optional>

namespace uttrin {

/// A story with what is said anew. @param failure  the first thing that cannot be read.
[[nodiscard]] RigStory readStory(JsonReader reader, std::optional<Failure>& failure, RigStory before = {});

/// What of a rig a story may name.
struct NamedByStory {
    std::size_t moves = 0;
    std::vector<std::string> switched; ///< links, pumps and heaters
    std::vector<std::string> vessels;
};
/// What a story names that is not there: a figure in braces, a move, a valve or a vessel. Nothing if all is.
[[nodiscard]] std::optional<Failure> wrongIn(const RigStory& story, const NamedByStory& there);

} // namespace uttrin
