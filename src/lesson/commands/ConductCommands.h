#pragma once

#include "LessonSession.h"

namespace uttrin {

/// An act going on before a class: what is stamped is on disk when the command returns, and undo takes it
/// back.
class ConductCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Goes live. @param frozen  its rig with the room, as its forecast stands now: it stays so. BadInput if
    /// it goes on already, is done or is skipped.
    [[nodiscard]] Result<void> begin(RowId act, const std::string& frozen);
    /// A step is done, and all that had to be so before it was so.
    [[nodiscard]] Result<void> confirm(RowId act, int step);
    /// A step is left out; BadInput without a word of why.
    [[nodiscard]] Result<void> skip(RowId act, int step, const std::string& why);
    /// Somebody saw something. BadInput without words.
    [[nodiscard]] Result<void> see(RowId act, const std::string& what);
    /// A temperature, as the thermometer shows it; what is no number is kept in words. BadInput for nothing
    /// at all.
    [[nodiscard]] Result<void> read(RowId act, std::optional<double> celsius, const std::string& words,
                                    const std::string& place);
    [[nodiscard]] Result<void> finish(RowId act);

private:
    [[nodiscard]] Result<Act> goingOn(RowId id) const;
    [[nodiscard]] Result<void> stamp(const Act& act, Stamp stamp, const Text& label);
};

} // namespace uttrin
