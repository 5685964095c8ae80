#include "LabReport.h"

#include "SvgPlot.h"
#include "lesson/views/WorkUp.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr const char* kBlank = "________";

void opening(Document& d, const Lesson& lesson, const std::string& subtitle) {
    d.blocks.emplace_back(Heading{1, d.title});
    if (lesson.madeUp)
        d.blocks.emplace_back(
            Banner{"Sample data, made up: true boiling points seen through simulated instruments."});
    std::string place;
    for (const std::string& part :
         {lesson.school, lesson.roomName.empty() ? std::string() : "room " + lesson.roomName, lesson.heldOn,
          subtitle})
        if (!part.empty()) place += (place.empty() ? "" : " · ") + part;
    d.blocks.emplace_back(Paragraph{place, true});
}

std::string roomSentence(const LessonSession& s) {
    const auto& model = s.model();
    const auto room = model.room(s.groupId());
    if (!room) return "The room's pressure was not recorded: all gauge readings stay unreferenced.";
    const RoomRecord* start = model.roomRecord(s.groupId(), RoomRole::Start);
    const int decimals = decimalsForUncertainty(room->uPa * 1e-3);
    std::string out =
        fmt::format("Room pressure {} ± {} kPa ({}, read {})", fixed(room->station.kilopascal(), decimals),
                    fixed(room->uPa * 1e-3, decimals), label(room->method),
                    clockText(start->takenAt, model.lesson().utcOffsetMin));
    if (const RoomRecord* end = model.roomRecord(s.groupId(), RoomRole::End))
        if (const auto* entry = model.roomEntry(end->id))
            if (const auto last = stationPressure(*entry))
                out += fmt::format("; {} kPa at {}, the drift between them interpolated in time",
                                   fixed(last->station.kilopascal(), decimals),
                                   clockText(end->takenAt, model.lesson().utcOffsetMin));
    out += ".";
    if (room->method == RoomMethod::Nominal) out += " It was assumed, not measured.";
    const auto corrections = std::count_if(model.data().rooms.begin(), model.data().rooms.end(),
                                           [](const RoomRecord& r) { return !r.current; });
    if (corrections > 0)
        out += fmt::format(" It was corrected {} time{}; the earlier values are in the record.", corrections,
                           corrections == 1 ? "" : "s");
    return out;
}

std::string conventionText(PressureConvention c) {
    switch (c) {
    case PressureConvention::Absolute:
        return "absolute";
    case PressureConvention::GaugeNegative:
        return "gauge, negative below the room";
    case PressureConvention::VacuumDepth:
        return "depth of vacuum, positive below the room";
    case PressureConvention::ClosedTwoArm:
        return "closed U-tube, difference from a vacuum";
    case PressureConvention::ThermalConductivity:
        return "by the gas's conduction of heat, from a vacuum";
    case PressureConvention::TwoArm:
        return "two arms, difference below the room";
    }
    return {};
}

std::string instrumentSentence(const Rig& rig, const std::string& liquid) {
    const auto& g = rig.gauge;
    const auto& t = rig.thermometer;
    return fmt::format("Pressure: {} ({}; division {} {}, accuracy ± {} {}), connected at the {}. "
                       "Temperature: {} (division {} "
                       "{}, accuracy ± {} {}), sensor in the {}. Vessel {} L with {} L of {}, {} cm deep.",
                       g.name, conventionText(g.convention), g.division, unitText(g), g.accuracy, unitText(g),
                       g.tap == PressureTap::Vessel ? "vessel" : "pump line", t.name, t.division,
                       unit(t.unit).display, t.accuracy, unit(t.unit).display,
                       t.place == SensorPlace::Liquid      ? "liquid"
                       : t.place == SensorPlace::NearChips ? "liquid near the chips"
                       : t.place == SensorPlace::Vapour    ? "vapour"
                                                           : "outside wall",
                       rig.vesselLitre, rig.liquidLitre, liquid, rig.depthCm);
}

/// What was changed of a run's rig after its readings were taken, a sentence each.
std::vector<std::string> corrections(const LessonModel& model, RowId runId) {
    std::vector<std::string> out;
    for (const RunRig& rig : model.rigsOf(runId))
        if (!rig.reason.empty())
            out.push_back(
                fmt::format("Changed after readings of this run were taken ({}): {}. All of them are "
                            "worked out with it; what was before stays in the notebook.",
                            clockText(rig.recordedAt, model.lesson().utcOffsetMin), rig.reason));
    return out;
}

std::string methodSentence(const Plan& plan) {
    const std::string protocol =
        plan.method == Method::HoldPressure
            ? "A pressure was set and the pump closed off; the liquid was heated until it boiled as agreed; "
              "pressure and temperature were read at the same instant; air was bled in up to the next higher "
              "pressure."
            : "Liquid of a chosen temperature was pumped until it boiled; the valve was closed; when the "
              "gauge had settled on its plateau, pressure and temperature were read at the same instant.";
    return fmt::format("{} Boiling means: {}.", protocol, criterionText(plan.criterion));
}

std::string exclusions(const std::vector<ReducedReading>& readings) {
    std::string out;
    for (const ReducedReading& r : readings) {
        if (r.inFit) continue;
        std::string why = r.raw.struckReason ? "struck: " + *r.raw.struckReason : std::string();
        if (why.empty())
            for (const auto& m : r.marks)
                why += (why.empty() ? "" : ", ") + m;
        out += fmt::format("{}{} ({})", out.empty() ? "" : "; ", r.raw.position,
                           why.empty() ? "left out by hand" : why);
    }
    return out.empty() ? std::string("All points are in the fit.") : "Not in the fit: point " + out + ".";
}

Table readingsTable(const WorkUpView& v, const Plan& plan, bool answers) {
    Table t;
    t.caption = "Readings, and what follows from them";
    t.wordsInLastColumn = true;
    t.columns = {"#",
                 fmt::format("{}, {}", plan.rig.gauge.name, unitText(plan.rig.gauge)),
                 fmt::format("t, {}", readingUnit(plan.rig.thermometer)),
                 "p, kPa abs.",
                 "T, K",
                 "1000 K/T",
                 "ln (p/Pa)",
                 "off the line, K",
                 "remarks"};
    for (const WorkRow& r : v.rows) {
        const std::string remarks = r.struck ? "struck: " + r.struckReason : r.marks;
        if (answers)
            t.rows.push_back({std::to_string(r.position), r.gauge, r.temperature, r.absolute, r.kelvin,
                              r.inverse, r.logarithm, r.residualKelvin, remarks});
        else
            t.rows.push_back({std::to_string(r.position), r.gauge, r.temperature, kBlank, kBlank, kBlank,
                              kBlank, kBlank, r.struck ? remarks : std::string()});
        t.struck.push_back(r.struck);
    }
    return t;
}

Figure clapeyronFigure(const std::vector<ReducedReading>& readings, const ClausiusClapeyronFit* fit) {
    SvgPlot plot;
    plot.xLabel = "1000 K / T";
    plot.yLabel = "ln (p / Pa)";
    for (const ReducedReading& r : readings) {
        if (!r.absolute || !(r.absolute->pressure.pascal() > 0.0)) continue;
        const double t = r.liquid.temperature.kelvin(), p = r.absolute->pressure.pascal();
        plot.points.push_back(
            {1000.0 / t, std::log(p), 1000.0 * r.liquid.u() / (t * t), r.absolute->u() / p, !r.inFit});
    }
    frameAround(plot);
    if (fit)
        plot.curves.push_back(
            {[line = fit->line](double x) { return line.at(x / 1000.0); }, true, "fitted line"});
    return {"ln p against 1/T, with standard uncertainties; hollow points are not in the fit", toSvg(plot),
            165, 99};
}

Figure mapFigure(const std::vector<ReducedReading>& readings, const LessonSession& s) {
    SvgPlot plot;
    plot.xLabel = "temperature, °C";
    plot.yLabel = "pressure, kPa absolute";
    for (const ReducedReading& r : readings)
        if (r.absolute)
            plot.points.push_back({r.liquid.temperature.celsius(), r.absolute->pressure.kilopascal(),
                                   r.liquid.u(), r.absolute->u() * 1e-3, !r.inFit});
    const auto room = s.model().room(s.groupId());
    frameAround(plot);
    if (room) {
        plot.yHigh = std::max(plot.yHigh, room->station.kilopascal() * 1.06);
        plot.levels.push_back({room->station.kilopascal(), "room"});
    }
    plot.yLow = 0.0;
    const Substance* substance = &substanceOf(s.benchPlan());
    plot.curves.push_back({[substance](double celsius) {
                               const auto p = substance->vapourPressure(Temperature::fromCelsius(celsius));
                               return p ? p->kilopascal() : std::nan("");
                           },
                           false, "accepted curve"});
    return {"The same points on the phase map: liquid above the curve, vapour below", toSvg(plot), 165, 99};
}

void addPredictions(Document& d, const LessonSession& s, bool answers) {
    const auto& sheet = s.sheet();
    Table t{"What the class expected before the run",
            {"target", "p, kPa abs.", "expected, °C", "accepted, °C"},
            {},
            {},
            false};
    for (const Prediction& p : s.model().data().predictions) {
        if (p.setupId != s.setupId() || !sheet) continue;
        for (const Target& target : sheet->targets)
            if (target.place == p.place)
                t.rows.push_back({std::to_string(target.order), fixed(target.absolute.kilopascal(), 1),
                                  fixed(p.kelvin - kIcePointKelvin, 1),
                                  answers ? fixed(target.boils.celsius(), 1) : kBlank});
    }
    if (!t.rows.empty()) d.blocks.emplace_back(std::move(t));
}

void addResult(Document& d, const WorkUpView& v, bool answers) {
    d.blocks.emplace_back(Heading{2, "Result"});
    if (!answers) {
        d.blocks.emplace_back(Paragraph{fmt::format("Slope of ln p against 1/T: {} K.   Enthalpy of "
                                                    "vaporisation = −R × slope = {} kJ/mol ± {} kJ/mol.",
                                                    kBlank, kBlank, kBlank)});
        d.blocks.emplace_back(
            Paragraph{fmt::format("Boiling point at 101.325 kPa from your line: {} °C.   Difference from the "
                                  "accepted curve over the same span: {} %.",
                                  kBlank, kBlank)});
        d.blocks.emplace_back(Paragraph{
            "What could bend your points in just this way? ______________________________________________"});
        return;
    }
    if (!v.problem.empty()) {
        d.blocks.emplace_back(Paragraph{v.problem});
        return;
    }
    d.blocks.emplace_back(Heading{3, v.result});
    for (const std::string& sentence : {v.resultUnder, v.comparison, v.boilingPoints, v.dissolved})
        if (!sentence.empty()) d.blocks.emplace_back(Paragraph{sentence});
    d.blocks.emplace_back(BulletList{v.causes});
    Table methods{
        "Weighted and unweighted side by side",
        {"fit", "ΔH, kJ/mol", "95 % interval", "boils at 101.325 kPa, °C", "from the curve's slope"},
        {},
        {},
        false};
    for (const FitLine& f : v.methods)
        methods.rows.push_back({f.label, f.enthalpy, f.interval, f.boilingPoint, f.difference});
    d.blocks.emplace_back(std::move(methods));
}

} // namespace

Result<Document> labReport(const LessonSession& s, const ReportOptions& options) {
    if (!s.runId())
        return fail(Failure::TooFewPoints, "There is no run to report on yet: start one at the Run station.");
    const auto& model = s.model();
    const Run& run = model.run(*s.runId());
    const Plan& plan = s.benchPlan();
    const auto& readings = model.reduce(run.id);
    const WorkUpView v = workUpView(s, options.fit);
    Document d;
    d.title = model.lesson().title.empty() ? plan.title : model.lesson().title;
    opening(d, model.lesson(),
            fmt::format("group {}, run {}{}", model.group(run.groupId).name, run.number,
                        options.answers ? "" : " · student copy"));
    d.blocks.emplace_back(Heading{2, "What was done"});
    d.blocks.emplace_back(Paragraph{plan.title + "."});
    d.blocks.emplace_back(Paragraph{methodSentence(plan)});
    d.blocks.emplace_back(Paragraph{roomSentence(s)});
    d.blocks.emplace_back(Paragraph{instrumentSentence(plan.rig, liquidOf(plan).name())});
    for (const std::string& correction : corrections(model, run.id))
        d.blocks.emplace_back(Paragraph{correction});
    const bool zeroed =
        std::any_of(readings.begin(), readings.end(), [](const auto& r) { return r.raw.zeroId.has_value(); });
    d.blocks.emplace_back(
        Paragraph{zeroed ? "The gauge's zero, open to the room, was read before the points and is taken off."
                         : "The gauge's zero was not checked."});
    d.blocks.emplace_back(Paragraph{exclusions(readings)});
    d.blocks.emplace_back(Heading{2, "Readings"});
    d.blocks.emplace_back(readingsTable(v, plan, options.answers));
    addPredictions(d, s, options.answers);
    if (options.answers && !readings.empty()) {
        d.blocks.emplace_back(clapeyronFigure(readings, v.fit ? &v.fit->fit : nullptr));
        d.blocks.emplace_back(mapFigure(readings, s));
    }
    addResult(d, v, options.answers);
    BulletList notes;
    for (const Note& n : model.data().notes)
        if (n.runId == run.id)
            notes.items.push_back(
                fmt::format("{}  {}", clockText(n.takenAt, model.lesson().utcOffsetMin), n.text));
    if (!notes.items.empty()) {
        d.blocks.emplace_back(Heading{2, "Notes taken at the bench"});
        d.blocks.emplace_back(std::move(notes));
    }
    d.blocks.emplace_back(Heading{2, "Cautions"});
    for (const Caution& c : cautionsFor(plan))
        d.blocks.emplace_back(CautionBox{c.text});
    return d;
}

Result<Document> benchSheet(const LessonSession& s) {
    const auto& sheet = s.sheet();
    if (!sheet) return tl::unexpected(sheet.error());
    const Plan& plan = s.plan();
    Document d;
    d.title = "Run sheet: " + plan.title;
    opening(d, s.model().lesson(), std::string(methodText(plan.method)));
    d.blocks.emplace_back(Paragraph{roomSentence(s)});
    d.blocks.emplace_back(Paragraph{sheet->whyLowestFirst});
    Table t{"Targets in the order of taking",
            {"#", fmt::format("{} shows, {}", plan.rig.gauge.name, unitText(plan.rig.gauge)), "kPa abs.",
             "boils, °C", "K a division", "at depth, K", "min", "read: gauge", "read: °C", "remarks"},
            {},
            {},
            true};
    for (const Target& target : sheet->targets) {
        const std::string remark = target.state == TargetState::AboveRoom        ? "above the room"
                                   : target.state == TargetState::BelowPumpFloor ? "below the pump's floor"
                                   : target.trial                                ? "trial point"
                                                                                 : "";
        t.rows.push_back({std::to_string(target.order), tableText(plan.rig.gauge, target.dial),
                          fixed(target.absolute.kilopascal(), 1),
                          fmt::format("{} ± {}", fixed(target.boils.celsius(), 1), fixed(target.boilsU, 1)),
                          fixed(target.kelvinPerDivision, 2), "+" + fixed(target.depthKelvin, 2),
                          fixed(target.seconds / 60.0, 1), "", "", remark});
        t.struck.push_back(target.state != TargetState::Ok);
    }
    d.blocks.emplace_back(std::move(t));
    d.blocks.emplace_back(
        Paragraph{fmt::format("About {:.0f} min with setting up and clearing away, of {:.0f} min. {}",
                              sheet->totalSeconds / 60.0, plan.periodMinutes,
                              sheet->secondRunFits ? "A second run fits too."
                              : sheet->fits        ? "A second run does not fit."
                                                   : "It does not fit: take fewer targets.")});
    d.blocks.emplace_back(Heading{2, "To fetch"});
    d.blocks.emplace_back(BulletList{sheet->materials});
    d.blocks.emplace_back(Heading{2, "Cautions"});
    for (const Caution& c : sheet->cautions)
        d.blocks.emplace_back(CautionBox{c.text});
    return d;
}

} // namespace uttrin
