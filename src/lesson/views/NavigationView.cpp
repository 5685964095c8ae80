#include "NavigationView.h"

#include "PressureText.h"
#include "rehearsal/Demonstrations.h"

#include <fmt/format.h>

#include <algorithm>

namespace uttrin {

std::vector<StationState> navigationView(const LessonSession& s) {
    std::vector<StationState> out(kStations);
    const auto at = [&](Station station) -> StationState& { return out[static_cast<std::size_t>(station)]; };
    const auto& model = s.model();
    if (const auto room = model.room(s.groupId())) {
        const RoomRecord* record = model.roomRecord(s.groupId(), RoomRole::Start);
        at(Station::Room) = {kilopascalText(room->station.pascal(), room->uPa) + " kPa",
                             fmt::format("{}, {}", clockText(record->takenAt, model.lesson().utcOffsetMin),
                                         label(room->method)),
                             true, room->method == RoomMethod::Nominal};
    } else {
        at(Station::Room) = {"not known", "every dial needs it", false, true};
    }
    const Rig& rig = s.plan().rig;
    at(Station::Rig) = {rig.gauge.name, fmt::format("{} L vessel", rig.vesselLitre), true, false};
    if (const auto& sheet = s.sheet()) {
        const auto possible = std::count_if(sheet->targets.begin(), sheet->targets.end(),
                                            [](const Target& t) { return t.state == TargetState::Ok; });
        at(Station::Plan) = {
            fmt::format("{} targets", possible),
            fmt::format("{:.0f} of {:.0f} min", sheet->totalSeconds / 60.0, s.plan().periodMinutes), true,
            !sheet->fits};
    } else {
        at(Station::Plan) = {"waits for the room", "", false, true};
    }
    at(Station::Rehearse) = {s.selection().rehearsing.empty()
                                 ? fmt::format("{} rigs to try", demonstrations().size())
                                 : s.selection().rehearsing,
                             "", !s.selection().rehearsing.empty(), false};
    at(Station::Run) = {"no run yet", "", false, false};
    at(Station::WorkUp) = {"3 points needed", "", false, false};
    at(Station::Report) = {"", "", false, false};
    at(Station::Practise) = {"to come", "", false, false};
    if (!s.runId()) return out;

    const Run& run = model.run(*s.runId());
    const auto& readings = model.reduce(run.id);
    const auto kept =
        std::count_if(readings.begin(), readings.end(), [](const ReducedReading& r) { return !r.struck(); });
    const auto fitted =
        std::count_if(readings.begin(), readings.end(), [](const ReducedReading& r) { return r.inFit; });
    at(Station::Run) = {fmt::format("{} point{}", kept, kept == 1 ? "" : "s"),
                        fmt::format("{}, run {}", model.group(run.groupId).name, run.number), kept > 0,
                        false};
    if (fitted < 3) return out;
    if (const auto fit = model.fit(run.id, {}, false)) {
        at(Station::WorkUp) = {
            fmt::format(
                "{} ± {}",
                fixed(fit->fit.enthalpy.value * 1e-3, decimalsForUncertainty(fit->fit.enthalpy.u * 1e-3)),
                fixed(fit->fit.enthalpy.u * 1e-3, decimalsForUncertainty(fit->fit.enthalpy.u * 1e-3))),
            "kJ/mol", true, false};
        at(Station::Report) = {"ready", "", false, false};
    }
    return out;
}

} // namespace uttrin
