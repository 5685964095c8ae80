#pragma once

#include "LessonSession.h"
#include "register/InstrumentRegister.h"

#include <string>
#include <vector>

namespace uttrin {

/// Instruments of the school as the notebook keeps them: they are known wherever it is opened.
class InstrumentCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Takes an instrument for the rig of the plan in hand, and keeps what is known of it.
    [[nodiscard]] Result<void> take(const KnownInstrument& known);
    /// Keeps what is known of an instrument, with what the notebook knows of it already. Nothing that undo
    /// takes back.
    [[nodiscard]] Result<void> keep(const KnownInstrument& known);
    /// Adds a zero to the gauge of this name; nothing where the notebook keeps none.
    [[nodiscard]] Result<void> addZero(const std::string& name, const KnownInstrument::Zero& zero);
};

/// What the notebook of a lesson knows; what cannot be read is left out.
[[nodiscard]] std::vector<KnownInstrument> notebookInstruments(const LessonModel& model);

/// What became of an instrument: its last zeros and when it was compared or calibrated, with their dates at a
/// place whose clocks are `utcOffsetMin` ahead of UTC. Empty where nothing is known.
[[nodiscard]] Text historyOf(const KnownInstrument& known, int utcOffsetMin);

} // namespace uttrin
