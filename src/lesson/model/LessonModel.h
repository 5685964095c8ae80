#pragma once

#include "analysis/ClausiusClapeyron.h"
#include "analysis/Diagnosis.h"
#include "analysis/Dissolved.h"
#include "notebook/Records.h"
#include "plan/Plan.h"
#include "plan/RunSheet.h"

#include <map>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace uttrin {

/// A captured reading with all that follows from it in the room as it is known now.
struct ReducedReading {
    Reading raw;
    std::optional<RoomPressure> room;        ///< at the reading's time; empty: unreferenced
    std::optional<AbsoluteReading> absolute; ///< empty while unreferenced
    LiquidTemperature liquid;
    bool hasTemperature = false;           ///< what the thermometer showed can be a temperature
    std::optional<double> superheatKelvin; ///< temperature less boiling point at this pressure
    double superheatU = 0.0;               ///< K
    bool trial = false;
    bool inFit = false;
    std::optional<std::size_t>
        otherHalf;           ///< of a bracket: where the restart stands that makes one point with it
    std::vector<Text> marks; ///< why this point differs from the rest, or is left out

    [[nodiscard]] bool struck() const { return raw.struckReason.has_value(); }
};

/// The fit of a run with the readings that went into it.
struct RunFit {
    std::vector<std::size_t> used; ///< indices into the run's reduced readings, one for each point of `fit`
    std::vector<BoilingDatum> data;
    ClausiusClapeyronFit fit;
    std::optional<DissolvedEstimate> dissolved; ///< of a solution
    std::vector<CauseEstimate> causes;
};

/// Whether a prediction was made for a target's pressure; for its place, in an older notebook.
[[nodiscard]] bool belongs(const Prediction& prediction, const Target& target);
/// What was predicted for a target, K; of several the last. Nothing if nobody did.
[[nodiscard]] std::optional<double> predictedFor(const std::vector<Prediction>& predictions,
                                                 const Target& target);

/// One lesson, understood: plans and rooms parsed, readings reduced. Built anew from the notebook's rows
/// after every change, so a corrected room pressure recomputes everything. Reductions, fits and run sheets
/// are worked out when they are first asked for and kept as long as the model: all views share them. Not
/// thread-safe.
class LessonModel {
public:
    LessonModel() = default;
    /// A plan or room that cannot be read is left out and named in `troubles`.
    explicit LessonModel(LessonData data);

    [[nodiscard]] const LessonData& data() const { return m_data; }
    [[nodiscard]] const Lesson& lesson() const { return m_data.lesson; }
    [[nodiscard]] const std::vector<Text>& troubles() const { return m_troubles; }

    [[nodiscard]] const Plan& plan(RowId setupId) const { return m_plans.at(setupId); }
    [[nodiscard]] bool hasPlan(RowId setupId) const { return m_plans.contains(setupId); }
    /// The plan with which the readings of a run were taken: its own rig, substance and solute, the rest as
    /// the plan is now.
    [[nodiscard]] const Plan& planOfRun(RowId runId) const { return m_runPlans.at(runId); }
    /// Its rigs, oldest first: the last one counts.
    [[nodiscard]] std::vector<RunRig> rigsOf(RowId runId) const;
    /// Whether a run was taken with another rig, substance or solute than its plan has now.
    [[nodiscard]] bool differsFromPlan(RowId runId) const;
    [[nodiscard]] const Setup& setup(RowId setupId) const;
    [[nodiscard]] const Run& run(RowId runId) const;
    [[nodiscard]] const Group& group(RowId groupId) const;
    [[nodiscard]] std::vector<Run> runsOf(RowId setupId) const;
    /// An act of the lesson; null if there is none of this id.
    [[nodiscard]] const Act* act(RowId id) const;

    /// What the class expects in a plan, by pressure.
    [[nodiscard]] std::vector<Prediction> predictionsOf(RowId setupId) const;

    /// The current room record of a role, the group's own before the lesson's; null if there is none.
    [[nodiscard]] const RoomRecord* roomRecord(std::optional<RowId> groupId, RoomRole role) const;
    [[nodiscard]] const RoomEntry* roomEntry(RowId roomRecordId) const;
    /// The room's pressure at a time (drift between start and end interpolated), or at the start.
    [[nodiscard]] std::optional<RoomPressure> room(std::optional<RowId> groupId,
                                                   std::optional<Milliseconds> at = std::nullopt) const;

    /// The temperature of the room's air at a time, °C: as it was read last before it, else first after it.
    [[nodiscard]] std::optional<double> roomCelsius(std::optional<RowId> groupId,
                                                    std::optional<Milliseconds> at = std::nullopt) const;
    /// The last stamp of how warm a run's liquid was at its start; none without.
    [[nodiscard]] const LiquidStart* startRecord(RowId runId) const;
    /// How warm that is.
    [[nodiscard]] std::optional<LiquidTemperature> startOf(RowId runId) const;

    /// The run sheet in the known room; Unreferenced without one.
    [[nodiscard]] const Result<RunSheet>& sheet(RowId setupId,
                                                std::optional<RowId> groupId = std::nullopt) const;
    /// The same as a run has it, with its own rig.
    [[nodiscard]] const Result<RunSheet>& sheetOfRun(RowId runId) const;

    [[nodiscard]] std::span<const Reading> readingsOf(RowId runId) const;
    [[nodiscard]] const std::vector<ReducedReading>& reduce(RowId runId) const;
    [[nodiscard]] ReducedReading reduce(const Reading& reading, const Run& run) const;
    /// The picture from which a reading was taken; null if it was read by eye.
    /// The picture of boiling of a run; null where it has none.
    [[nodiscard]] const BenchPicture* referenceOf(RowId runId) const;
    /// The picture that was attached to a reading last; null where there is none.
    [[nodiscard]] const BenchPicture* attachedTo(RowId readingId) const;
    [[nodiscard]] const Photo* photoOf(RowId readingId, PhotoSubject shows) const;
    [[nodiscard]] std::optional<GaugeReading> zeroOf(const Reading& reading) const;

    /// Fits the readings of a run that are in the fit.
    /// @param causes  also look for what could have bent the data; the costlier half.
    [[nodiscard]] const Result<RunFit>& fit(RowId runId, const FitOptions& options, bool causes = true) const;

private:
    void readPlans();
    void readRooms();
    void pairPulls();
    [[nodiscard]] Result<RunSheet> sheetIn(const Plan& plan, std::optional<RowId> groupId) const;
    void mark(std::vector<ReducedReading>& run, const Plan& plan) const;
    void markNotes(ReducedReading& reading, std::optional<Milliseconds> before) const;
    static void joinBrackets(std::vector<ReducedReading>& run);
    [[nodiscard]] Result<RunFit> fitAnew(RowId runId, const FitOptions& options, bool causes) const;

    /// What a fit was asked for.
    struct FitKey {
        RowId runId;
        FitMethod method;
        bool scaled, causes;
        auto operator<=>(const FitKey&) const = default; // NOLINT(modernize-use-nullptr)
    };

    LessonData m_data;
    std::map<RowId, Plan> m_plans, m_runPlans; ///< by setup, by run
    std::map<RowId, RoomEntry> m_entries;
    std::map<RowId, RoomPressure> m_rooms;
    std::map<RowId, std::size_t> m_groupPlaces, m_zeroPlaces;
    std::map<std::pair<RowId, PhotoSubject>, std::size_t> m_photos; ///< of readings, by what they show
    std::vector<Text> m_troubles;
    mutable std::map<RowId, std::vector<ReducedReading>> m_reduced; ///< by run, once asked for
    mutable std::map<FitKey, Result<RunFit>> m_fits;
    mutable std::map<std::pair<RowId, std::optional<RowId>>, Result<RunSheet>>
        m_sheets; ///< by setup and group
    mutable std::map<RowId, Result<RunSheet>> m_runSheets;
};

} // namespace uttrin
