#include "LabReport.h"

#include "ReportParts.h"
#include "SvgPlot.h"
#include "lesson/views/WorkUp.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

const Text& blank() {
    static const Text line = Text::set("________");
    return line;
}

Text conventionText(PressureConvention c) {
    switch (c) {
    case PressureConvention::Absolute:
        return Text::tr("absolute");
    case PressureConvention::GaugeNegative:
        return Text::tr("gauge, negative below the room");
    case PressureConvention::VacuumDepth:
        return Text::tr("depth of vacuum, positive below the room");
    case PressureConvention::ClosedTwoArm:
        return Text::tr("closed U-tube, difference from a vacuum");
    case PressureConvention::ThermalConductivity:
        return Text::tr("by the gas’s conduction of heat, from a vacuum");
    case PressureConvention::TwoArm:
        return Text::tr("two arms, difference below the room");
    }
    return {};
}

Text placeText(SensorPlace place) {
    switch (place) {
    case SensorPlace::Liquid:
        return Text::tr("liquid");
    case SensorPlace::NearChips:
        return Text::tr("liquid near the chips");
    case SensorPlace::Vapour:
        return Text::tr("vapour");
    case SensorPlace::OutsideWall:
        return Text::tr("outside wall");
    }
    return {};
}

Text instrumentSentence(const Rig& rig, const Text& liquid) {
    const auto& g = rig.gauge;
    const auto& t = rig.thermometer;
    return Text::sentences(
        {Text::tr("Pressure: {0} ({1}; division {2} {3}, accuracy ± {4} {3}), connected at the {5}.",
                  Text::data(g.name), conventionText(g.convention), g.division, unitText(g), g.accuracy,
                  g.tap == PressureTap::Vessel ? Text::tr("vessel") : Text::tr("pump line")),
         Text::tr("Temperature: {0} (division {1} {2}, accuracy ± {3} {2}), sensor in the {4}.",
                  Text::data(t.name), t.division, unit(t.unit).display, t.accuracy, placeText(t.place)),
         Text::tr("Vessel {} L with {} L of {}, {} cm deep.", rig.vesselLitre, rig.liquidLitre, liquid,
                  rig.depthCm)});
}

/// What was changed of a run's rig after its readings were taken, a sentence each.
std::vector<Text> corrections(const LessonModel& model, RowId runId) {
    std::vector<Text> out;
    for (const RunRig& rig : model.rigsOf(runId))
        if (!rig.reason.empty())
            out.push_back(Text::tr("Changed after readings of this run were taken ({}): {}. All of them are "
                                   "worked out with it; what was before stays in the notebook.",
                                   clockText(rig.recordedAt, model.lesson().utcOffsetMin),
                                   Text::data(rig.reason)));
    return out;
}

Text methodSentence(const Plan& plan) {
    const Text protocol =
        plan.method == Method::HoldPressure
            ? Text::tr(
                  "The pump drew against an open bleed that set the pressure, while the liquid was heated "
                  "until "
                  "it boiled as agreed; pressure and temperature were read at the same instant; more air was "
                  "bled in up to the next higher pressure. The heat was off before anything was closed.")
            : Text::tr(
                  "Liquid of a chosen temperature was pumped until it boiled; the valve was closed; when the "
                  "gauge had settled on its plateau, pressure and temperature were read at the same "
                  "instant.");
    return Text::tr("{} Boiling means: {}.", protocol, criterionText(plan.criterion));
}

Text exclusions(const std::vector<ReducedReading>& readings) {
    std::vector<Text> out;
    for (const ReducedReading& r : readings) {
        if (r.inFit) continue;
        const Text why = r.raw.struckReason ? Text::tr("struck: {}", Text::data(*r.raw.struckReason))
                         : r.marks.empty()  ? Text::tr("left out by hand")
                                            : Text::list(r.marks);
        out.push_back(Text::set("{} ({})", r.raw.position, why));
    }
    return out.empty() ? Text::tr("All points are in the fit.")
                       : Text::tr("Not in the fit: point {}.", Text::join(out, Text::set("; ")));
}

Table readingsTable(const WorkUpView& v, const Plan& plan, bool answers) {
    Table t;
    t.caption = Text::tr("Readings, and what follows from them");
    t.wordsInLastColumn = true;
    t.columns = {Text::set("#"),
                 Text::set("{}, {}", Text::data(plan.rig.gauge.name), unitText(plan.rig.gauge)),
                 Text::set("t, {}", readingUnit(plan.rig.thermometer)),
                 Text::tr("p, kPa abs."),
                 Text::set("T, K"),
                 Text::set("1000 K/T"),
                 Text::tr("ln (p/Pa)"),
                 Text::tr("off the line, K"),
                 Text::tr("remarks")};
    for (const WorkRow& r : v.rows) {
        const Text remarks = r.struck ? Text::tr("struck: {}", r.struckReason) : r.marks;
        if (answers)
            t.rows.push_back({Text::set("{}", r.position), r.gauge, r.temperature, r.absolute, r.kelvin,
                              r.inverse, r.logarithm, r.residualKelvin, remarks});
        else
            t.rows.push_back({Text::set("{}", r.position), r.gauge, r.temperature, blank(), blank(), blank(),
                              blank(), blank(), r.struck ? remarks : Text()});
        t.struck.push_back(r.struck);
    }
    return t;
}

/// ln p against 1/T, with nothing on it yet.
SvgPlot clapeyronPlot() {
    SvgPlot plot;
    plot.xLabel = Text::set("1000 K / T");
    plot.yLabel = Text::tr("ln (p / Pa)");
    return plot;
}

Figure clapeyronFigure(const std::vector<ReducedReading>& readings, const ClausiusClapeyronFit* fit) {
    SvgPlot plot = clapeyronPlot();
    for (const ReducedReading& r : readings) {
        if (!r.absolute || !(r.absolute->pressure.pascal() > 0.0)) continue;
        const double t = r.liquid.temperature.kelvin(), p = r.absolute->pressure.pascal();
        plot.points.push_back(
            {1000.0 / t, std::log(p), 1000.0 * r.liquid.u() / (t * t), r.absolute->u() / p, !r.inFit});
    }
    frameAround(plot);
    if (fit)
        plot.curves.push_back(
            {[line = fit->line](double x) { return line.at(x / 1000.0); }, true, Text::tr("fitted line")});
    return {Text::tr("ln p against 1/T, with standard uncertainties; hollow points are not in the fit"),
            std::move(plot), 165, 99};
}

/// Paper to draw the points on by hand: its ends are round, and its corners give no point away. Where nothing
/// is read yet it spans the targets.
std::optional<Figure> graphPaper(const std::vector<ReducedReading>& readings, const Result<RunSheet>& sheet) {
    SvgPlot plot = clapeyronPlot();
    const auto add = [&](Temperature t, Pressure p) {
        plot.points.push_back({1000.0 / t.kelvin(), std::log(p.pascal()), 0.0, 0.0, false});
    };
    for (const ReducedReading& r : readings)
        if (r.absolute && r.absolute->pressure.pascal() > 0.0)
            add(r.liquid.temperature, r.absolute->pressure);
    if (plot.points.size() < 2 && sheet)
        for (const Target& t : sheet->targets)
            if (t.state == TargetState::Ok) add(t.boils, t.absolute);
    if (plot.points.size() < 2) return std::nullopt;
    frameAround(plot);
    widenToSteps(plot);
    plot.points.clear();
    constexpr int kFineLines = 5; // to a step
    plot.divisions = kFineLines;
    return Figure{
        Text::tr("Draw your points: ln p against 1/T. Put the line through them by eye, or by calculation."),
        std::move(plot), 165, 99};
}

Figure mapFigure(const std::vector<ReducedReading>& readings, const LessonSession& s) {
    SvgPlot plot;
    plot.xLabel = Text::tr("temperature, °C");
    plot.yLabel = Text::tr("pressure, kPa absolute");
    for (const ReducedReading& r : readings)
        if (r.absolute)
            plot.points.push_back({r.liquid.temperature.celsius(), r.absolute->pressure.kilopascal(),
                                   r.liquid.u(), r.absolute->u() * 1e-3, !r.inFit});
    const auto room = s.model().room(s.groupId());
    frameAround(plot);
    if (room) {
        plot.yHigh = std::max(plot.yHigh, room->station.kilopascal() * 1.06);
        plot.levels.push_back({room->station.kilopascal(), Text::tr("room")});
    }
    plot.yLow = 0.0;
    const Substance* substance = &substanceOf(s.benchPlan());
    plot.curves.push_back({[substance](double celsius) {
                               const auto p = substance->vapourPressure(Temperature::fromCelsius(celsius));
                               return p ? p->kilopascal() : std::nan("");
                           },
                           false, Text::tr("accepted curve")});
    return {Text::tr("The same points on the phase map: liquid above the curve, vapour below"),
            std::move(plot), 165, 99};
}

void addPredictions(Document& d, const LessonSession& s, bool answers) {
    const auto& sheet = s.sheet();
    Table t{Text::tr("What the class expected before the run"),
            {Text::tr("target"), Text::tr("p, kPa abs."), Text::tr("expected, °C"), Text::tr("accepted, °C")},
            {},
            {},
            false};
    const Liquid liquid = liquidOf(s.plan());
    for (const Prediction& p : s.model().predictionsOf(s.setupId())) {
        if (!sheet) continue;
        const auto target =
            std::ranges::find_if(sheet->targets, [&](const Target& one) { return belongs(p, one); });
        const bool known = target != sheet->targets.end();
        if (!known && !p.pascal) continue;
        const Pressure at = p.pascal ? Pressure::fromPascal(*p.pascal) : target->absolute;
        const auto boils = liquid.boilingPoint(at); // at its own pressure, whatever the plan has become
        t.rows.push_back({known ? Text::set("{}", target->order) : Text::set("–"), fixed(at.kilopascal(), 1),
                          fixed(p.kelvin - kIcePointKelvin, 1),
                          answers && boils ? fixed(boils->celsius(), 1) : blank()});
    }
    if (t.rows.empty()) return;
    d.blocks.emplace_back(std::move(t));
    for (const Unlocking& u : s.model().data().unlockings)
        if (u.setupId == s.setupId())
            d.blocks.emplace_back(
                Paragraph{Text::tr("The predictions were unlocked at {} and could be changed then.",
                                   clockText(u.unlockedAt, s.model().lesson().utcOffsetMin))});
}

void addResult(Document& d, const WorkUpView& v, bool answers) {
    d.blocks.emplace_back(Heading{2, Text::tr("Result")});
    if (!answers) {
        d.blocks.emplace_back(
            Paragraph{Text::tr("Slope of ln p against 1000 K/T: {}, times 1000 K = {} K.   Enthalpy of "
                               "vaporisation = −R × slope = {} kJ/mol ± {} kJ/mol.",
                               blank(), blank(), blank(), blank())});
        d.blocks.emplace_back(
            Paragraph{Text::tr("Boiling point at 101.325 kPa from your line: {} °C.   Difference from the "
                               "accepted curve over the same span: {} %.",
                               blank(), blank())});
        d.blocks.emplace_back(Paragraph{Text::tr(
            "What could bend your points in just this way? ______________________________________________")});
        return;
    }
    if (!v.problem.empty()) {
        d.blocks.emplace_back(Paragraph{v.problem});
        return;
    }
    d.blocks.emplace_back(Heading{3, v.result});
    for (const Text& sentence : {v.resultUnder, v.comparison, v.boilingPoints, v.dissolved})
        if (!sentence.empty()) d.blocks.emplace_back(Paragraph{sentence});
    d.blocks.emplace_back(BulletList{v.causes});
    Table methods{Text::tr("Weighted and unweighted side by side"),
                  {Text::tr("fit"), Text::tr("ΔH, kJ/mol"), Text::tr("95 % interval"),
                   Text::tr("boils at 101.325 kPa, °C"), Text::tr("from the curve’s slope")},
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
        return fail(Failure::TooFewPoints,
                    Text::tr("There is no run to report on yet: start one at the Run station."));
    const auto& model = s.model();
    const Run& run = model.run(*s.runId());
    const Plan& plan = s.benchPlan();
    const auto& readings = model.reduce(run.id);
    const WorkUpView v = workUpView(s, options.fit);
    Document d;
    d.title = model.lesson().title.empty() ? Text::data(plan.title) : Text::data(model.lesson().title);
    opening(d, model.lesson(),
            options.answers
                ? Text::tr("group {}, run {}", model.group(run.groupId).name, run.number)
                : Text::tr("group {}, run {} · student copy", model.group(run.groupId).name, run.number));
    d.blocks.emplace_back(Heading{2, Text::tr("What was done")});
    d.blocks.emplace_back(Paragraph{Text::set("{}.", Text::data(plan.title))});
    d.blocks.emplace_back(Paragraph{methodSentence(plan)});
    d.blocks.emplace_back(Paragraph{roomSentence(s)});
    d.blocks.emplace_back(Paragraph{instrumentSentence(plan.rig, liquidOf(plan).name())});
    for (const Text& correction : corrections(model, run.id))
        d.blocks.emplace_back(Paragraph{correction});
    const bool zeroed =
        std::any_of(readings.begin(), readings.end(), [](const auto& r) { return r.raw.zeroId.has_value(); });
    d.blocks.emplace_back(Paragraph{
        zeroed ? Text::tr("The gauge’s zero, open to the room, was read before the points and is taken off.")
               : Text::tr("The gauge’s zero was not checked.")});
    if (const auto began = model.startOf(run.id))
        d.blocks.emplace_back(
            Paragraph{Text::tr("The liquid started at {} °C.", fixed(began->temperature.celsius(), 1))});
    d.blocks.emplace_back(Paragraph{exclusions(readings)});
    d.blocks.emplace_back(Heading{2, Text::tr("Readings")});
    d.blocks.emplace_back(readingsTable(v, plan, options.answers));
    addPredictions(d, s, options.answers);
    if (!options.answers)
        if (auto paper = graphPaper(readings, s.benchSheet())) d.blocks.emplace_back(std::move(*paper));
    if (options.answers && !readings.empty()) {
        d.blocks.emplace_back(clapeyronFigure(readings, v.fit ? &v.fit->fit : nullptr));
        d.blocks.emplace_back(mapFigure(readings, s));
    }
    addResult(d, v, options.answers);
    BulletList notes;
    for (const Note& n : model.data().notes)
        if (n.runId == run.id)
            notes.items.push_back(
                Text::set("{}  {}", clockText(n.takenAt, model.lesson().utcOffsetMin), n.text));
    if (!notes.items.empty()) {
        d.blocks.emplace_back(Heading{2, Text::tr("Notes taken at the bench")});
        d.blocks.emplace_back(std::move(notes));
    }
    d.blocks.emplace_back(Heading{2, Text::tr("Cautions")});
    const auto room = s.room();
    for (const Caution& c : cautionsFor(plan, room ? std::optional(room->method) : std::nullopt))
        d.blocks.emplace_back(CautionBox{c.text});
    return d;
}

} // namespace uttrin
