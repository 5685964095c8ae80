#include "BenchViews.h"

#include "Capitals.h"
#include "instruments/RoomComparison.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Demonstrations.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kMinuteMs = 60'000.0;

std::string kilopascal(double pa, double uPa) {
    return fixed(pa * 1e-3, std::min(decimalsForUncertainty(uPa * 1e-3), 3));
}

/// The pair that is at the bench now: typed, or the last one captured.
struct LivePair {
    Reading reading;
    bool typed = false;
    bool hasGauge = false, hasTemperature = false;
};

LivePair livePair(const LessonSession& s) {
    LivePair live;
    const Draft& d = s.draft;
    const bool twoArm = hasTwoArms(s.plan().rig.gauge.convention);
    live.hasGauge = d.first && (!twoArm || d.second);
    live.hasTemperature = d.temperature.has_value();
    live.typed = d.first || d.second || d.temperature;
    if (live.typed) {
        live.reading.first = d.first.value_or(0.0);
        live.reading.second = d.second;
        live.reading.temperature = d.temperature.value_or(0.0);
        live.reading.takenAt = s.clock().now();
        return live;
    }
    if (!s.runId()) return live;
    const auto readings = s.model().readingsOf(*s.runId());
    const auto last =
        std::find_if(readings.rbegin(), readings.rend(), [](const Reading& r) { return !r.struckReason; });
    if (last == readings.rend()) return live;
    live.reading = *last;
    live.hasGauge = live.hasTemperature = true;
    return live;
}

StripFigure roomFigure(const LessonSession& s) {
    StripFigure f{"ROOM", "", "kPa", "", false};
    const auto room = s.room();
    if (!room) {
        f.under = "not known: unreferenced";
        f.missing = true;
        return f;
    }
    f.number = kilopascal(room->station.pascal(), room->uPa);
    f.under = room->method == RoomMethod::Nominal
                  ? "nominal, not measured"
                  : fmt::format("{}, ± {}", label(room->method), kilopascal(room->uPa, room->uPa));
    f.missing = room->method == RoomMethod::Nominal;
    return f;
}

void fillMargin(StripView& v, const ReducedReading& r) {
    v.marginKelvin = r.superheatKelvin;
    v.marginU = r.superheatU;
    const double m = *r.superheatKelvin;
    const double band = std::max(0.1, r.superheatU);
    v.boiling = m >= -band;
    if (std::abs(m) <= band)
        v.marginText = "boiling";
    else if (m < 0.0)
        v.marginText = fmt::format("{} K to go", fixed(-m, 1));
    else
        v.marginText = fmt::format("boiling, {} K above", fixed(m, 1));
    constexpr double kCalmKelvin = 0.6; // steady boiling scatters by this much
    if (m < -band)
        v.marginUnder = "bubbles before 0 are dissolved air";
    else if (m > std::max(band, kCalmKelvin))
        v.marginUnder = "superheated: calm it down";
    else
        v.marginUnder = fmt::format("within ± {} K", fixed(std::max(0.1, r.superheatU), 1));
}

} // namespace

StripView stripView(const LessonSession& s) {
    StripView v;
    v.room = roomFigure(s);
    const Plan& plan = s.plan();
    const auto& gauge = plan.rig.gauge;
    const Unit& scale = unit(plan.rig.thermometer.unit);
    v.gauge = {capitals(gauge.name), "", std::string(unitText(gauge)), "nothing read yet", false};
    v.pressure = {"PRESSURE", "", "kPa",
                  v.room.missing ? v.room.under : fmt::format("absolute; room {}", v.room.number),
                  v.room.missing};
    v.liquid = {capitals(plan.solute.kind == SoluteKind::None ? substanceOf(plan).facts().name : "solution"),
                "", std::string(readingUnit(plan.rig.thermometer)), "nothing read yet", false};
    v.boils = {"BOILS AT", "", std::string(scale.display), "", false};
    v.marginText = "no reading yet";

    const LivePair live = livePair(s);
    if (live.hasTemperature) {
        v.liquid.number = fixed(live.reading.temperature, decimalsForDivision(plan.rig.thermometer.division));
        v.liquid.under = live.typed ? "in the liquid, now" : "last captured";
    }
    if (!live.hasGauge) return v;
    v.gauge.number = text(gauge, {live.reading.first, live.reading.second});
    Run run = s.runId() ? s.model().run(*s.runId()) : Run{};
    run.setupId = s.setupId();
    const ReducedReading r = s.model().reduce(live.reading, run);
    if (!r.absolute) {
        v.gauge.under = "unreferenced: room unknown";
        v.gauge.missing = true;
        v.marginText = "needs the room's pressure";
        return v;
    }
    v.gauge.under =
        fmt::format("= {} kPa absolute", kilopascal(r.absolute->pressure.pascal(), r.absolute->u()));
    v.pressure.number = fixed(r.absolute->pressure.kilopascal(), 1);
    const auto boils = liquidOf(plan).saturationAt(r.absolute->pressure);
    if (!boils) {
        v.boils.under = "outside the curve";
        return v;
    }
    const double u = std::hypot(r.absolute->u() / boils->slope, boils->temperatureU());
    v.boils.number = fixed(scale.fromSi(boils->temperature.kelvin()), std::min(decimalsForUncertainty(u), 1));
    v.boils.under = fmt::format("± {} K, here", fixed(u, std::min(decimalsForUncertainty(u), 2)));
    if (live.hasTemperature && r.superheatKelvin) fillMargin(v, r);
    return v;
}

std::vector<StationState> navigationView(const LessonSession& s) {
    std::vector<StationState> out(kStations);
    const auto at = [&](Station station) -> StationState& { return out[static_cast<std::size_t>(station)]; };
    const auto& model = s.model();
    if (const auto room = model.room(s.groupId())) {
        const RoomRecord* record = model.roomRecord(s.groupId(), "start");
        at(Station::Room) = {kilopascal(room->station.pascal(), room->uPa) + " kPa",
                             fmt::format("{}, {}", clockText(record->takenAt, model.lesson().utcOffsetMin),
                                         label(room->method)),
                             true, room->method == RoomMethod::Nominal};
    } else {
        at(Station::Room) = {"not known", "every dial needs it", false, true};
    }
    const Rig& rig = s.plan().rig;
    at(Station::Rig) = {rig.gauge.name, fmt::format("{} L vessel", rig.vesselLitre), true, false};
    if (const auto sheet = s.sheet()) {
        const auto possible = std::count_if(sheet->targets.begin(), sheet->targets.end(),
                                            [](const Target& t) { return t.state == TargetState::Ok; });
        at(Station::Plan) = {
            fmt::format("{} targets", possible),
            fmt::format("{:.0f} of {:.0f} min", sheet->totalSeconds / 60.0, s.plan().periodMinutes), true,
            !sheet->fits};
    } else {
        at(Station::Plan) = {"waits for the room", "", false, true};
    }
    at(Station::Rehearse) = {s.rehearsing().empty() ? fmt::format("{} rigs to try", demonstrations().size())
                                                    : s.rehearsing(),
                             "", !s.rehearsing().empty(), false};
    at(Station::Run) = {"no run yet", "", false, false};
    at(Station::WorkUp) = {"3 points needed", "", false, false};
    at(Station::Report) = {"", "", false, false};
    at(Station::Practise) = {"to come", "", false, false};
    if (!s.runId()) return out;

    const Run& run = model.run(*s.runId());
    const auto readings = model.reduce(run.id);
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

std::vector<MapTarget> mapTargets(const LessonSession& s) {
    std::vector<MapTarget> out;
    const auto sheet = s.sheet();
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
    v.gauge = s.plan().rig.gauge;
    v.substance = &substanceOf(s.plan());
    if (s.plan().solute.kind != SoluteKind::None) v.solution = liquidOf(s.plan());
    for (const std::string& id : s.laidOver())
        if (const auto over = findSubstance(id); over && *over != v.substance) v.overlays.push_back(*over);
    for (const Group& g : s.model().data().groups)
        v.groupNames.push_back(g.name);
    if (const auto room = s.room()) v.roomPascal = room->station.pascal();
    if (purpose != MapPurpose::Room) {
        v.pumpFloorPascal = s.plan().rig.pumpUltimatePa;
        v.targets = mapTargets(s);
    }
    const bool withPoints = purpose == MapPurpose::Run || purpose == MapPurpose::WorkUp;
    if (withPoints && s.runId()) {
        if (purpose == MapPurpose::WorkUp)
            for (const Run& run : s.model().runsOf(s.setupId()))
                if (run.id != *s.runId()) addPoints(v, s, run, false);
        addPoints(v, s, s.model().run(*s.runId()), true);
        if (purpose == MapPurpose::WorkUp)
            if (const auto fit = s.model().fit(*s.runId(), {}, false))
                v.fitSlope = fit->fit.line.slope, v.fitIntercept = fit->fit.line.intercept;
    }
    if (purpose == MapPurpose::Run && s.runId()) {
        const LivePair live = livePair(s);
        if (live.typed && live.hasGauge && live.hasTemperature) {
            const ReducedReading r = s.model().reduce(live.reading, s.model().run(*s.runId()));
            if (r.absolute)
                v.livePascal = r.absolute->pressure.pascal(), v.liveKelvin = r.liquid.temperature.kelvin();
        }
    }
    frame(v, purpose);
    return v;
}

std::vector<std::string> roomDisagreements(const LessonSession& s) {
    std::vector<RoomSource> sources;
    std::optional<double> altitude;
    if (s.model().lesson().altitudeKnown) altitude = s.model().lesson().altitudeM;
    constexpr Milliseconds kOneMoment = 3 * 3600 * 1000LL; // sources further apart may both be right
    Milliseconds latest = 0;
    for (const RoomRecord& r : s.model().data().rooms)
        if (!r.groupId) latest = std::max(latest, r.takenAt);
    for (const RoomRecord& r : s.model().data().rooms) {
        const RoomEntry* entry = s.model().roomEntry(r.id);
        if (r.groupId || !entry || latest - r.takenAt > kOneMoment) continue;
        const auto pressure = stationPressure(*entry);
        if (!pressure) continue;
        if (entry->method == RoomMethod::MercuryBarometer)
            altitude = altitude.value_or(entry->mercury.altitudeM);
        if (entry->method == RoomMethod::SeaLevelReport || entry->method == RoomMethod::Altitude)
            altitude = altitude.value_or(entry->altitudeM);
        // A later reading of a kind takes the place of the earlier; a report is one source, however it was
        // taken at first.
        const auto kind = [](RoomMethod m) {
            return m == RoomMethod::SeaLevelReport ? RoomMethod::StationReport : m;
        };
        std::erase_if(sources, [&](const RoomSource& known) {
            return kind(known.entry.method) == kind(entry->method);
        });
        sources.push_back({*entry, *pressure});
    }
    return compareAll(sources, altitude);
}

namespace {

std::string instructionFor(const LessonSession& s, const Target& t) {
    const double kPa = t.absolute.kilopascal();
    const std::string where =
        fmt::format("{} kPa absolute, boils at {} °C", fixed(kPa, 1), fixed(t.boils.celsius(), 1));
    if (s.plan().method == Method::HoldPressure) return fmt::format("stop bleeding there: {}", where);
    return fmt::format("{} of about {} °C; pump until it boils, close the valve, wait for the plateau: {}",
                       liquidOf(s.plan()).name(), fixed(t.boils.celsius(), 0), where);
}

std::string repeatsText(const std::vector<ReducedReading>& readings, const std::optional<int>& place) {
    std::vector<double> kelvin, pascal;
    for (const ReducedReading& r : readings)
        if (!r.struck() && r.absolute && r.raw.place == place) {
            kelvin.push_back(r.liquid.temperature.kelvin());
            pascal.push_back(r.absolute->pressure.pascal());
        }
    if (kelvin.size() < 2) return {};
    const auto meanOf = [](const std::vector<double>& v) {
        double sum = 0.0;
        for (const double x : v)
            sum += x;
        return sum / static_cast<double>(v.size());
    };
    const auto spreadOf = [&](const std::vector<double>& v) {
        const double mean = meanOf(v);
        double sum = 0.0;
        for (const double x : v)
            sum += (x - mean) * (x - mean);
        return std::sqrt(sum / static_cast<double>(v.size() - 1));
    };
    return fmt::format("{} repeats: {} kPa ± {}, {} °C ± {}", kelvin.size(), fixed(meanOf(pascal) * 1e-3, 2),
                       fixed(spreadOf(pascal) * 1e-3, 2), fixed(meanOf(kelvin) - kIcePointKelvin, 1),
                       fixed(spreadOf(kelvin), 2));
}

RunView::Taken takenLine(const ReducedReading& r, const Plan& plan, const RunSheet* sheet) {
    RunView::Taken line;
    line.id = r.raw.id;
    line.position = r.raw.position;
    line.struck = r.struck();
    line.struckReason = r.raw.struckReason.value_or("");
    line.inFit = r.inFit;
    if (sheet && r.raw.place)
        for (const Target& t : sheet->targets)
            if (t.place == *r.raw.place) line.target = tableText(plan.rig.gauge, t.dial);
    line.actual = tableText(plan.rig.gauge, {r.raw.first, r.raw.second});
    line.temperature = fixed(r.raw.temperature, decimalsForDivision(plan.rig.thermometer.division));
    line.deviation = r.superheatKelvin ? fixedSigned(*r.superheatKelvin, 1) : std::string("–");
    for (const std::string& m : r.marks)
        line.marks += (line.marks.empty() ? "" : ", ") + m;
    return line;
}

} // namespace

RunView runView(const LessonSession& s) {
    RunView v;
    const Plan& plan = s.plan();
    const auto sheet = s.sheet();
    v.unit = std::string(unitText(plan.rig.gauge));
    v.picture = std::string(criterionText(plan.criterion));
    if (!s.runId()) {
        v.heading = "No run yet";
        v.instruction = "Name the group and start its run.";
        return v;
    }
    const auto readings = s.model().reduce(*s.runId());
    for (auto r = readings.rbegin(); r != readings.rend(); ++r) {
        v.taken.push_back(takenLine(*r, plan, sheet ? &*sheet : nullptr));
        for (const char* shows : {"pressure", "temperature"})
            v.taken.back().hasPicture |= s.model().photoOf(r->raw.id, shows) != nullptr;
    }
    if (!readings.empty()) v.repeats = repeatsText(readings, readings.back().raw.place);
    if (!sheet) {
        v.heading = "Readings stay unreferenced";
        v.instruction = sheet.error().message;
        return v;
    }
    const auto target = s.currentTarget();
    if (!target) {
        v.heading = "All targets taken";
        v.instruction = "Take repeats, or go on to the work-up (Ctrl+6).";
        v.finished = true;
        return v;
    }
    v.heading = fmt::format("{} {} of {}", target->trial ? "Trial point, target" : "Target", target->order,
                            sheet->targets.size());
    v.dial = text(plan.rig.gauge, target->dial);
    v.targetGauge = target->dial;
    v.targetTemperature = toReading(plan.rig.thermometer, target->boils);
    v.instruction = instructionFor(s, *target);
    double left = kClearUpSeconds;
    for (const Target& t : sheet->targets) {
        if (t.order < target->order || t.state != TargetState::Ok) continue;
        left += t.seconds;
        if (t.order == target->order + 1)
            v.next = fmt::format("next {} {}", text(plan.rig.gauge, t.dial), v.unit);
    }
    v.timeLeft = fmt::format("about {:.0f} min still needed", left / 60.0);
    return v;
}

TapeView tapeView(const LessonSession& s) {
    TapeView v;
    v.period = s.plan().periodMinutes;
    const auto sheet = s.sheet();
    const Milliseconds start =
        s.runId() ? s.model().run(*s.runId()).startedAt - static_cast<Milliseconds>(kSetUpSeconds * 1000.0)
                  : 0;
    const auto minute = [&](Milliseconds at) { return static_cast<double>(at - start) / kMinuteMs; };
    double clock = kSetUpSeconds / 60.0;
    v.blocks.push_back({0.0, clock, "set up, leak test"});
    int taken = 0;
    if (s.runId())
        for (const Reading& r : s.model().readingsOf(*s.runId())) {
            v.marks.push_back(
                {minute(r.takenAt), true, r.struckReason.has_value(), fmt::format("point {}", r.position)});
            if (!r.struckReason) ++taken;
            clock = std::max(clock, minute(r.takenAt));
        }
    if (s.runId()) {
        const double now = minute(s.clock().now());
        if (now >= 0.0 && now <= 3.0 * v.period) {
            v.now = now;
            v.nowText = "now " + clockText(s.clock().now(), s.model().lesson().utcOffsetMin);
            clock = std::max(clock, now);
        }
    }
    const auto current = s.currentTarget();
    if (sheet && current)
        for (const Target& t : sheet->targets) {
            if (t.state != TargetState::Ok || t.order < current->order) continue;
            clock += t.seconds / 60.0;
            v.marks.push_back({clock, false, false,
                               fmt::format("target {}: {}", t.order, text(s.plan().rig.gauge, t.dial))});
        }
    if (sheet) v.blocks.push_back({clock + 0.5, clock + 0.5 + kClearUpSeconds / 60.0, "cool, clear up"});
    v.period = std::max(v.period, std::ceil((clock + kClearUpSeconds / 60.0 + 1.0) / 5.0) * 5.0);
    return v;
}

const std::vector<std::string>& readyPhrases() {
    static const std::vector<std::string> phrases{"leak test done",
                                                  "first bubbles: dissolved air",
                                                  "chips renewed",
                                                  "bumped",
                                                  "heat turned down",
                                                  "condenser running",
                                                  "dial tapped with a finger",
                                                  "room pressure read again"};
    return phrases;
}

std::string_view vigourName(int vigour) {
    static constexpr std::array<std::string_view, 5> names{"few", "steady", "lively", "hard", "violent"};
    return names.at(static_cast<std::size_t>(std::clamp(vigour, 1, 5) - 1));
}

} // namespace uttrin
