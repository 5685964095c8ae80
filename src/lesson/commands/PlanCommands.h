#pragma once

#include "LessonSession.h"

#include <map>

namespace uttrin {

/// Rig and plan. A change of the rig serves the runs that have no reading yet and those to come; runs with
/// readings keep the rig that these were taken with, until their set-up is corrected.
class PlanCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    [[nodiscard]] Result<void> changePlan(const Plan& plan, const Text& label);
    /// Gives a run the rig, substance and solute that its plan has now: its readings are worked out anew with
    /// it. The one before stays in the record, and the report names the correction.
    [[nodiscard]] Result<void> correctRun(RowId runId);
    /// Calibrates the plan's thermometer with what it showed in ice, in steam, or in both, at the room's
    /// pressure now. It serves the readings from now on, of the plan and of the run in hand, or also those
    /// taken already, of all the plan's runs; the earlier calibrations stay in the record.
    /// @return what changed and for which runs, as a sentence. Unreferenced without a room.
    [[nodiscard]] Result<Text> calibrate(std::optional<double> iceReading, std::optional<double> steamReading,
                                         bool alsoEarlier);
    [[nodiscard]] Result<void> moveTarget(int place, Pressure to);
    [[nodiscard]] Result<RowId> addSetup(Method method);
    /// The present plan once more, with something dissolved: the second part of a lab.
    [[nodiscard]] Result<RowId> addSolutionPart(const Solute& solute);
    /// Makes such a part of what is dissolved in the present plan, which goes back to the pure liquid.
    [[nodiscard]] Result<RowId> splitOffSolution();
    [[nodiscard]] Result<void> predict(int place, std::optional<Temperature> boils);
    /// BadInput while there is none.
    [[nodiscard]] Result<void> lockPredictions();
    /// So that they can be changed once more; the record and the report keep that it was done.
    [[nodiscard]] Result<void> unlockPredictions();

private:
    [[nodiscard]] Result<RowId> addPlan(const Plan& plan, const Text& label);
    void followPlan(Notebook::Editor& edit, const Plan& plan) const;
    /// K, of the liquid in each reading of this plan's runs.
    [[nodiscard]] std::map<RowId, double> temperaturesOfThisPlan() const;
    [[nodiscard]] std::vector<Run> runsToCalibrate(bool alsoEarlier) const;
};

} // namespace uttrin
