#pragma once

#include "Plan.h"

#include <nlohmann/json_fwd.hpp>

#include <string>
#include <string_view>

namespace uttrin {

/// A plan file together with the room that it is for.
struct PlanFile {
    Plan plan;
    RoomEntry room;
};

/// Reads a plan file (docs/plan-format.md). Quantities are "VALUE UNIT". A failure names the JSON path and
/// what is accepted.
[[nodiscard]] Result<PlanFile> readPlanFile(std::string_view text);

/// Writes a plan file that `readPlanFile` reads back to the same plan.
[[nodiscard]] std::string writePlanFile(const PlanFile& file);

/// The parts of a plan file, for the notebook.
[[nodiscard]] std::string writePlan(const Plan& plan);
[[nodiscard]] Result<Plan> readPlan(std::string_view text);
[[nodiscard]] std::string writeRoom(const RoomEntry& room);
[[nodiscard]] Result<RoomEntry> readRoom(std::string_view text);

/// One instrument as a plan's rig has it, as JSON text; and back, checked.
[[nodiscard]] std::string writeInstrument(const PressureInstrument& gauge);
[[nodiscard]] std::string writeInstrument(const Thermometer& thermometer);
[[nodiscard]] Result<PressureInstrument> readGauge(std::string_view text);
[[nodiscard]] Result<Thermometer> readThermometer(std::string_view text);

} // namespace uttrin
