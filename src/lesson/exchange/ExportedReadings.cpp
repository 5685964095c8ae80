#include "ExportedReadings.h"

#include "ExportedLine.h"
#include "lesson/model/Clock.h"
#include "plan/PlanJson.h"

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

/// The zero check of a line, as its place in the run from 1 on; the same one is kept once.
std::optional<RowId> zeroOf(ExportedLine& line, ImportedRun& run) {
    const auto first = line.value("zero_first"), second = line.value("zero_second");
    const auto at = timeOfIso(line.text("zero_at"));
    if (!first || !at) return std::nullopt;
    for (std::size_t i = 0; i < run.zeros.size(); ++i)
        if (run.zeros[i].takenAt == *at && run.zeros[i].first == *first && run.zeros[i].second == second)
            return static_cast<RowId>(i) + 1;
    run.zeros.push_back({0, 0, *at, *first, second});
    return static_cast<RowId>(run.zeros.size());
}

/// The stretch over which live instruments were read; nothing for what was typed.
std::optional<LiveCapture> liveOf(ExportedLine& line) {
    const auto from = line.moment("live_from_ms"), to = line.moment("live_to_ms");
    if (!from || !to) return std::nullopt;
    LiveCapture live{0, *from, *to, false, false, line.value("live_u_pa"), line.value("live_u_k")};
    line.flag("live_steady", live.steady);
    line.flag("live_made_up", live.madeUp);
    for (const auto& [name, u] : {std::pair{"live_u_pa", live.uPascal}, {"live_u_k", live.uKelvin}})
        if (u && !(*u >= 0.0)) line.refuse(name, Text::tr("an uncertainty is not below zero"));
    return live;
}

Reading readingOf(ExportedLine& line, ImportedRun& run) {
    Reading r;
    const bool arms = hasTwoArms(run.plan.rig.gauge.convention);
    const auto first = line.value(arms ? "left_arm" : "gauge"), temperature = line.value("temperature"),
               point = line.value("point"), place = line.value("target"), vigour = line.value("vigour");
    const auto at = timeOfIso(line.text("taken_at"));
    if (!first) line.refuse(arms ? "left_arm" : "gauge", Text::tr("there is no reading"));
    if (!temperature) line.refuse("temperature", Text::tr("there is no reading"));
    if (!at) line.refuse("taken_at", Text::tr("it is no time such as 2026-04-24T08:42:07+02:00"));
    if (vigour && !(*vigour >= 1.0 && *vigour <= 5.0))
        line.refuse("vigour", Text::tr("it is not a number from 1 to 5"));
    constexpr double kMostPoints = 1e6;
    for (const auto& [name, number] : {std::pair{"point", point}, {"target", place}})
        if (number && !(*number >= -1.0 && *number < kMostPoints))
            line.refuse(name, Text::tr("it is no place in a row"));
    r.second = arms ? line.value("right_arm") : std::nullopt;
    if (arms && !r.second) line.refuse("right_arm", Text::tr("there is no reading"));
    r.beforePull = line.value("temperature_before_pull");
    line.identified("criterion", r.criterion);
    line.identified("side", r.side);
    line.flag("isolated", r.isolated);
    if (!line.text("use_in_fit").empty()) line.flag("use_in_fit", r.useInFit.emplace());
    r.zeroId = zeroOf(line, run);
    r.heaterSetting = line.value("heater_setting");
    if (const auto order = readOrderOf(line.text("read_order")))
        r.readOrder = wordsOf(*order);
    else
        line.refuse("read_order", order.error().message);
    r.live = liveOf(line);
    if (const auto start = line.value("start_temperature"))
        if (const auto stamped = timeOfIso(line.text("start_at")))
            run.start = LiquidStart{0, 0, *stamped, *start};
    if (line.failure()) return r;
    r.first = *first;
    r.temperature = *temperature;
    r.takenAt = *at;
    r.position = static_cast<int>(point.value_or(static_cast<double>(run.readings.size() + 1)));
    if (place) r.place = static_cast<int>(*place);
    if (vigour) r.vigour = static_cast<int>(*vigour);
    r.judge = line.text("judge");
    if (std::string struck = line.text("struck"); !struck.empty()) r.struckReason = std::move(struck);
    return r;
}

} // namespace

bool isOwnExport(const CsvRecord& header) {
    for (const char* needed : {"group", "run", "taken_at", "temperature", "rig"})
        if (std::ranges::find(header.fields, needed) == header.fields.end()) return false;
    return true;
}

Result<ImportedReadings> readOwnExport(const std::vector<CsvRecord>& records) {
    constexpr std::size_t kMostComplaints = 200;
    ImportedReadings out;
    std::map<std::string, Plan> plans; // most runs have the rig of another
    const auto complain = [&](Text why) {
        if (out.complaints.size() < kMostComplaints) out.complaints.push_back(std::move(why));
    };
    bool known = false; // whether the rig of the run in hand could be read
    for (std::size_t i = 1; i < records.size(); ++i) {
        ExportedLine line(records.front(), records[i]);
        const std::string group = line.text("group"), rig = line.text("rig");
        const int number = static_cast<int>(std::clamp(line.value("run").value_or(1.0), 1.0, 1e6));
        if (!rig.empty()) { // a run begins
            if (!plans.contains(rig)) {
                const auto plan = readPlan(rig);
                if (plan)
                    plans.emplace(rig, *plan);
                else
                    complain(
                        Text::tr("line {}, column '{}': {}", line.number(), "rig", plan.error().message));
            }
            known = plans.contains(rig);
            if (known) out.runs.push_back({group, number, plans.at(rig), {}, {}});
        }
        if (!known || out.runs.empty()) {
            complain(Text::tr("line {}: the rig of its run is not known", line.number()));
            continue;
        }
        Reading reading = readingOf(line, out.runs.back());
        if (line.failure())
            complain(*line.failure());
        else
            out.runs.back().readings.push_back(std::move(reading));
    }
    std::erase_if(out.runs, [](const ImportedRun& r) { return r.readings.empty(); });
    if (out.runs.empty())
        return fail(Failure::BadInput,
                    out.complaints.empty()
                        ? Text::tr("there are no readings below the first line")
                        : Text::tr("no line can be read; the first: {}", out.complaints.front()));
    return out;
}

} // namespace uttrin
