#pragma once

#include "Rehearsal.h"

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// A figure of a story by its name (docs/rig-format.md); a dash where it has no meaning in this run.
[[nodiscard]] Text storyFigure(std::string_view name, const Rehearsal& played);

/// A text of a story with its figures in it. @param played  null as long as it is not known: then dots stand
/// for figures.
[[nodiscard]] Text storyText(const std::string& text, const Rehearsal* played);

/// A story with its figures in it.
struct ToldStory {
    Text aim, physics;
    std::vector<Text> materials, steps, lookFor, mistakes, cautions;
};
/// @param played  null as long as it is not known: then dots stand for figures.
[[nodiscard]] ToldStory toldStory(const RigStory& story, const Rehearsal* played);

} // namespace uttrin
