#pragma once

#include "LessonSession.h"
#include "plan/BoilingStage.h"
#include "plan/FillTally.h"

namespace uttrin {

/// Runs of a plan: begun, with their zero checks and notes.
class RunCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Begins a run of the plan in hand with the rig as it is now.
    [[nodiscard]] Result<RowId> startRun(const std::string& groupName);
    [[nodiscard]] Result<void> checkZero(double first, std::optional<double> second);
    /// Stamps how warm the liquid is before the first point, as the thermometer shows it.
    [[nodiscard]] Result<void> stampStart(double temperature);
    [[nodiscard]] Result<void> addNote(const std::string& text);
    /// Stamps how far boiling has come, and how far below the boiling point at the pressure read that was.
    [[nodiscard]] Result<void> stampStage(BoilingStage stage);
    /// Stamps that the vessel was wrapped up, or that this was taken off.
    [[nodiscard]] Result<void> insulate(bool wrapped);
    /// Stamps how the heater stands by the draft, where it stood otherwise in the run in hand.
    [[nodiscard]] Result<void> stampHeater();
    /// Stamps a top-up of a hand pump: the pressure wants to be steady for some seconds after one.
    [[nodiscard]] Result<void> topUp();
    /// Stamps that the pump was switched on: from then on it warms up.
    [[nodiscard]] Result<void> pumpOn();
    /// Stamps what was filled into the vessel. BadInput for nothing, or more than there is room for.
    [[nodiscard]] Result<void> fill(const Filling& filling);
};

} // namespace uttrin
