#pragma once

#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// Something as somebody read it, most often a temperature.
struct TypedTemperature {
    std::optional<double> value;     ///< in `unit`
    std::string words;               ///< where there is no number: "hand-warm", "under 60"
    std::string place;               ///< where it was read
    std::string unit = "degC";       ///< of the figures: a temperature's, "ohm", or any that Uttrin knows
    std::string instrument = {};     ///< by its name; empty of a plain thermometer
    std::optional<RowId> group = {}; ///< whose rig it was read at, where each group has its own
};

/// An act going on before a class: what is stamped is on disk when the command returns, and undo takes it
/// back.
class ConductCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Goes live. @param frozen  its rig with the room, as its forecast stands now: it stays so. Of a lab,
    /// whose forecast is its plan, it is the card by which it is led. BadInput if it goes on already, is done
    /// or is skipped.
    [[nodiscard]] Result<void> begin(RowId act, const std::string& frozen);
    /// A step is done, and all that had to be so before it was so.
    /// @param again  it is not the last time: the next of those that are repeated has its turn.
    [[nodiscard]] Result<void> confirm(RowId act, int step, bool again = false);
    /// A step is left out; BadInput without a word of why.
    [[nodiscard]] Result<void> skip(RowId act, int step, const std::string& why);
    /// Somebody saw something. BadInput without words, or of a group that is not in the lesson.
    [[nodiscard]] Result<void> see(RowId act, const std::string& what,
                                   std::optional<RowId> group = std::nullopt);
    /// A temperature as it is shown, or in words: "under 60" is kept as a bound, what is no number as it was
    /// said. BadInput for nothing at all, or for what no thermometer can show.
    [[nodiscard]] Result<void> read(RowId act, const TypedTemperature& typed);
    [[nodiscard]] Result<void> finish(RowId act);

private:
    [[nodiscard]] Result<Act> goingOn(RowId id) const;
    [[nodiscard]] Result<void> checkGroup(std::optional<RowId> group) const;
    [[nodiscard]] Result<void> stamp(const Act& act, Stamp stamp, const Text& label);
};

} // namespace uttrin
