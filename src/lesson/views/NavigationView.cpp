#include "NavigationView.h"

#include "PressureText.h"
#include "rehearsal/Demonstrations.h"

#include <algorithm>

namespace uttrin {

std::vector<StationState> navigationView(const LessonSession& s) {
    std::vector<StationState> out(kStations);
    const auto at = [&](Station station) -> StationState& { return out[static_cast<std::size_t>(station)]; };
    const auto& model = s.model();
    if (const auto room = model.room(s.groupId())) {
        const RoomRecord* record = model.roomRecord(s.groupId(), RoomRole::Start);
        at(Station::Room) = {
            Text::set("{} kPa", kilopascalText(room->station.pascal(), room->uPa)),
            Text::set("{}, {}", clockText(record->takenAt, model.lesson().utcOffsetMin), label(room->method)),
            true, room->method == RoomMethod::Nominal};
    } else {
        at(Station::Room) = {Text::tr("not known"), Text::tr("every dial needs it"), false, true};
    }
    const Rig& rig = s.plan().rig;
    at(Station::Rig) = {Text::data(rig.gauge.name), Text::tr("{} L vessel", rig.vesselLitre), true, false};
    if (const auto& sheet = s.sheet()) {
        const auto possible = std::count_if(sheet->targets.begin(), sheet->targets.end(),
                                            [](const Target& t) { return t.state == TargetState::Ok; });
        at(Station::Plan) = {
            Text::tr("{0} {0|target|targets}", possible),
            Text::tr("{:.0f} of {:.0f} min", sheet->totalSeconds / 60.0, s.plan().periodMinutes), true,
            !sheet->fits};
    } else {
        at(Station::Plan) = {Text::tr("waits for the room"), {}, false, true};
    }
    at(Station::Rehearse) = {s.selection().rehearsing.empty()
                                 ? Text::tr("{0} {0|rig|rigs} to try", demonstrations().size())
                                 : Text::data(s.selection().rehearsing),
                             {},
                             !s.selection().rehearsing.empty(),
                             false};
    at(Station::Run) = {Text::tr("no run yet"), {}, false, false};
    at(Station::WorkUp) = {Text::tr("3 points needed"), {}, false, false};
    at(Station::Report) = {{}, {}, false, false};
    at(Station::Practise) = {Text::tr("to come"), {}, false, false};
    if (!s.runId()) return out;

    const Run& run = model.run(*s.runId());
    const auto& readings = model.reduce(run.id);
    const auto kept =
        std::count_if(readings.begin(), readings.end(), [](const ReducedReading& r) { return !r.struck(); });
    const auto fitted =
        std::count_if(readings.begin(), readings.end(), [](const ReducedReading& r) { return r.inFit; });
    at(Station::Run) = {Text::tr("{0} {0|point|points}", kept),
                        Text::tr("{}, run {}", model.group(run.groupId).name, run.number), kept > 0, false};
    if (fitted < 3) return out;
    if (s.selection().resultsHidden) {
        at(Station::WorkUp) = {Text::tr("result hidden"), {}, true, false};
        return out;
    }
    if (const auto fit = model.fit(run.id, {}, false)) {
        at(Station::WorkUp) = {fixedWithU(fit->fit.enthalpy.value * 1e-3, fit->fit.enthalpyWithin95() * 1e-3),
                               Text::set("kJ/mol (95 %)"), true, false};
        at(Station::Report) = {Text::tr("ready"), {}, false, false};
    }
    return out;
}

} // namespace uttrin
