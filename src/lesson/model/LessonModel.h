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
    std::optional<double> superheatKelvin; ///< temperature less boiling point at this pressure
    double superheatU = 0.0;               ///< K
    bool trial = false;
    bool inFit = false;
    std::vector<std::string> marks; ///< why this point differs from the rest, or is left out

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

/// One lesson, understood: plans and rooms parsed, readings reduced. Built anew from the notebook's rows
/// after every change, so a corrected room pressure recomputes everything.
class LessonModel {
public:
    LessonModel() = default;
    /// A plan or room that cannot be read is left out and named in `troubles`.
    explicit LessonModel(LessonData data);

    [[nodiscard]] const LessonData& data() const { return m_data; }
    [[nodiscard]] const Lesson& lesson() const { return m_data.lesson; }
    [[nodiscard]] const std::vector<std::string>& troubles() const { return m_troubles; }

    [[nodiscard]] const Plan& plan(RowId setupId) const { return m_plans.at(setupId); }
    [[nodiscard]] const Setup& setup(RowId setupId) const;
    [[nodiscard]] const Run& run(RowId runId) const;
    [[nodiscard]] const Group& group(RowId groupId) const;
    [[nodiscard]] std::vector<Run> runsOf(RowId setupId) const;

    /// The current room record of a role, the group's own before the lesson's; null if there is none.
    [[nodiscard]] const RoomRecord* roomRecord(std::optional<RowId> groupId, std::string_view role) const;
    [[nodiscard]] const RoomEntry* roomEntry(RowId roomRecordId) const;
    /// The room's pressure at a time (drift between start and end interpolated), or at the start.
    [[nodiscard]] std::optional<RoomPressure> room(std::optional<RowId> groupId,
                                                   std::optional<Milliseconds> at = std::nullopt) const;

    /// The run sheet in the known room; Unreferenced without one.
    [[nodiscard]] Result<RunSheet> sheet(RowId setupId, std::optional<RowId> groupId = std::nullopt) const;

    [[nodiscard]] std::span<const Reading> readingsOf(RowId runId) const;
    [[nodiscard]] std::vector<ReducedReading> reduce(RowId runId) const;
    [[nodiscard]] ReducedReading reduce(const Reading& reading, const Run& run) const;
    /// The picture from which a reading was taken; null if it was read by eye.
    /// @param shows  "pressure" or "temperature"
    [[nodiscard]] const Photo* photoOf(RowId readingId, std::string_view shows) const;
    [[nodiscard]] std::optional<GaugeReading> zeroOf(const Reading& reading) const;

    /// Fits the readings of a run that are in the fit.
    /// @param causes  also look for what could have bent the data; the costlier half.
    [[nodiscard]] Result<RunFit> fit(RowId runId, const FitOptions& options, bool causes = true) const;

private:
    void mark(std::vector<ReducedReading>& run, const Plan& plan) const;

    LessonData m_data;
    std::map<RowId, Plan> m_plans;
    std::map<RowId, RoomEntry> m_entries;
    std::map<RowId, RoomPressure> m_rooms;
    std::map<std::pair<RowId, std::string>, std::size_t> m_photos; ///< of readings, by what they show
    std::vector<std::string> m_troubles;
};

} // namespace uttrin
