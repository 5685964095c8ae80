#include "MapView.h"

#include "BenchAids.h"
#include "physics/Constants.h"

#include <algorithm>

namespace uttrin {
namespace {

void frame(MapView& v, MapPurpose purpose) {
    double low = 1e9, high = 0.0;
    const auto cover = [&](double pa) {
        low = std::min(low, pa);
        high = std::max(high, pa);
    };
    for (const MapTarget& t : v.targets)
        cover(t.pascal);
    for (const MapPoint& p : v.points)
        if (p.currentRun && p.pascal > 0.0) cover(p.pascal);
    if (v.roomPascal) cover(*v.roomPascal);
    if (v.icePascal) cover(*v.icePascal);
    if (high <= 0.0) cover(kStandardAtmospherePascal), cover(10e3);
    if (purpose == MapPurpose::Room) low = std::min(low, 0.5 * high);
    const Substance& substance = *v.substance;
    v.lowPascal = std::max(low * 0.75, 150.0);
    v.highPascal = high * 1.14;
    const auto cold = substance.boilingPoint(Pressure::fromPascal(v.lowPascal)),
               hot = substance.boilingPoint(Pressure::fromPascal(v.highPascal));
    v.lowKelvin = (cold ? *cold : substance.facts().lowest).kelvin() - 2.0;
    v.highKelvin = (hot ? *hot : substance.facts().highest).kelvin() + 2.0;
}

std::vector<MapTarget> mapTargets(const LessonSession& s, const Result<RunSheet>& sheet) {
    std::vector<MapTarget> out;
    if (!sheet) return out;
    const auto current = s.runId() ? s.currentTarget() : std::nullopt;
    for (const Target& t : sheet->targets) {
        MapTarget m{t.place,
                    t.order,
                    t.boils.kelvin(),
                    t.absolute.pascal(),
                    t.trial,
                    t.state == TargetState::Ok,
                    current && current->place == t.place,
                    false};
        if (s.runId())
            for (const Reading& r : s.model().readingsOf(*s.runId()))
                m.taken = m.taken || (!r.struckReason && r.place == t.place);
        out.push_back(m);
    }
    return out;
}

void addPoints(MapView& v, const LessonSession& s, const Run& run, bool current) {
    const auto& groups = s.model().data().groups;
    const auto group =
        std::find_if(groups.begin(), groups.end(), [&](const Group& g) { return g.id == run.groupId; }) -
        groups.begin();
    for (const ReducedReading& r : s.model().reduce(run.id))
        if (r.absolute && r.absolute->pressure.pascal() > 0.0)
            v.points.push_back({r.raw.id, r.liquid.temperature.kelvin(), r.absolute->pressure.pascal(),
                                r.liquid.u(), r.absolute->u(), r.struck(), r.inFit, static_cast<int>(group),
                                current});
}

} // namespace

MapView mapView(const LessonSession& s, MapPurpose purpose) {
    MapView v;
    // Before and after the run the plan's rig is looked at, in it and in its work-up the run's own.
    const bool bench = purpose == MapPurpose::Run || purpose == MapPurpose::WorkUp;
    const Plan& plan = bench ? s.benchPlan() : s.plan();
    v.gauge = plan.rig.gauge;
    v.substance = &substanceOf(plan);
    if (plan.solute.kind != SoluteKind::None) v.solution = liquidOf(plan);
    for (const std::string& id : s.selection().laidOver)
        if (const auto over = findSubstance(id); over && *over != v.substance) v.overlays.push_back(*over);
    for (const Group& g : s.model().data().groups)
        v.groupNames.push_back(g.name);
    if (const auto room = s.room()) v.roomPascal = room->station.pascal();
    if (purpose != MapPurpose::Room) {
        v.pumpFloorPascal = plan.rig.pumpUltimatePa;
        v.targets = mapTargets(s, bench ? s.benchSheet() : s.sheet());
    }
    if (bench && s.runId()) {
        if (purpose == MapPurpose::WorkUp)
            for (const Run& run : s.model().runsOf(s.setupId()))
                if (run.id != *s.runId()) addPoints(v, s, run, false);
        addPoints(v, s, s.model().run(*s.runId()), true);
        if (purpose == MapPurpose::WorkUp)
            if (const auto fit = s.model().fit(*s.runId(), {}, false))
                v.fitSlope = fit->fit.line.slope, v.fitIntercept = fit->fit.line.intercept;
    }
    if (purpose == MapPurpose::Run)
        if (const auto ice = iceBound(s)) v.icePascal = ice->pascal;
    if (purpose == MapPurpose::Run && s.runId()) {
        const LiveReading live = s.liveReading();
        if (live.typed && live.isComplete()) {
            const ReducedReading r = s.reduceHere(live.reading);
            if (r.absolute)
                v.livePascal = r.absolute->pressure.pascal(), v.liveKelvin = r.liquid.temperature.kelvin();
        }
    }
    frame(v, purpose);
    return v;
}

} // namespace uttrin
