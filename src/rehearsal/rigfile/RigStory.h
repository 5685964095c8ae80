#pragma once

#include "RigFile.h"
#include "json/JsonReader.h"

#include <optional>

namespace uttrin {

/// Of anything that a rig file lists.
inline constexpr std::size_t kMostItems = 200;

/// A story with what is said anew. @param failure  the first thing that cannot be read.
[[nodiscard]] RigStory readStory(JsonReader reader, std::optional<Failure>& failure, RigStory before = {});

/// What a story names that is not there: a figure in braces, or a move of so many. Nothing if all is.
[[nodiscard]] std::optional<Failure> wrongIn(const RigStory& story, std::size_t moves);

} // namespace uttrin
