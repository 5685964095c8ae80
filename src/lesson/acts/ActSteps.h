#pragma once

#include "ConductView.h"
#include "rehearsal/StoryFigures.h"
#include "rehearsal/card/ValveTable.h"

#include <span>

namespace uttrin {

/// Puts the steps of a story into a view with what was stamped of them. The first that is neither done nor
/// skipped is to be done while the act goes on; steps that are repeated one after the other are gone round
/// until one of them is done for the last time.
/// @param stamps  of the act, by time. @param offset  of the lesson's clock from UTC, min.
void addSteps(ConductView& view, const RigStory& story, const ToldStory& told, const ValveTable& valves,
              std::span<const Stamp* const> stamps, int offset);

} // namespace uttrin
