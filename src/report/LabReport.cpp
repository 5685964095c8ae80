#include "LabReport.h"

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

void opening(Document& d, const Lesson& lesson, const Text& subtitle) {
    d.blocks.emplace_back(Heading{1, d.title});
    if (lesson.madeUp)
        d.blocks.emplace_back(Banner{
            Text::tr("Sample data, made up: true boiling points seen through simulated instruments.")});
    const Text room = lesson.roomName.empty() ? Text() : Text::tr("room {}", lesson.roomName);
    d.blocks.emplace_back(
        Paragraph{Text::join({Text::typed(lesson.school), room, Text::typed(lesson.heldOn), subtitle},
                             Text::set(" · ")),
                  true});
}

Text roomSentence(const LessonSession& s) {
    const auto& model = s.model();
    const auto room = model.room(s.groupId());
    if (!room) return Text::tr("The room's pressure was not recorded: all gauge readings stay unreferenced.");
    const RoomRecord* start = model.roomRecord(s.groupId(), RoomRole::Start);
    const int decimals = decimalsForUncertainty(room->uPa * 1e-3), offset = model.lesson().utcOffsetMin;
    const Text atStart =
        Text::tr("Room pressure {} ± {} kPa ({}, read {})", fixed(room->station.kilopascal(), decimals),
                 fixed(room->uPa * 1e-3, decimals), label(room->method), clockText(start->takenAt, offset));
    std::vector<Text> sentences{Text::set("{}.", atStart)};
    if (const RoomRecord* end = model.roomRecord(s.groupId(), RoomRole::End))
        if (const auto* entry = model.roomEntry(end->id))
            if (const auto last = stationPressure(*entry))
                sentences.front() =
                    Text::tr("{}; {} kPa at {}, the drift between them interpolated in time.", atStart,
                             fixed(last->station.kilopascal(), decimals), clockText(end->takenAt, offset));
    if (room->method == RoomMethod::Nominal) sentences.push_back(Text::tr("It was assumed, not measured."));
    if (const RoomEntry* entry = model.roomEntry(start->id); entry && entry->method == room->method)
        sentences.push_back(biasOf(*entry));
    if (const auto celsius = model.roomCelsius(s.groupId(), start->takenAt))
        sentences.push_back(Text::tr("The room's air had {} °C.", fixed(*celsius, 1)));
    const auto corrections = std::count_if(model.data().rooms.begin(), model.data().rooms.end(),
                                           [](const RoomRecord& r) { return !r.current; });
    if (corrections > 0)
        sentences.push_back(Text::tr(
            "It was corrected {0} {0|time|times}; the earlier values are in the record.", corrections));
    return Text::sentences(sentences);
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
        return Text::tr("by the gas's conduction of heat, from a vacuum");
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

Figure clapeyronFigure(const std::vector<ReducedReading>& readings, const ClausiusClapeyronFit* fit) {
    SvgPlot plot;
    plot.xLabel = Text::set("1000 K / T");
    plot.yLabel = Text::tr("ln (p / Pa)");
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
                   Text::tr("boils at 101.325 kPa, °C"), Text::tr("from the curve's slope")},
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
        zeroed ? Text::tr("The gauge's zero, open to the room, was read before the points and is taken off.")
               : Text::tr("The gauge's zero was not checked.")});
    if (const auto began = model.startOf(run.id))
        d.blocks.emplace_back(
            Paragraph{Text::tr("The liquid started at {} °C.", fixed(began->temperature.celsius(), 1))});
    d.blocks.emplace_back(Paragraph{exclusions(readings)});
    d.blocks.emplace_back(Heading{2, Text::tr("Readings")});
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

Result<Document> benchSheet(const LessonSession& s) {
    const auto& sheet = s.sheet();
    if (!sheet) return tl::unexpected(sheet.error());
    const Plan& plan = s.plan();
    Document d;
    d.title = Text::tr("Run sheet: {}", Text::data(plan.title));
    opening(d, s.model().lesson(), methodText(plan.method));
    d.blocks.emplace_back(Paragraph{roomSentence(s)});
    d.blocks.emplace_back(Paragraph{sheet->whyLowestFirst});
    Table t{Text::tr("Targets in the order of taking"),
            {Text::set("#"),
             Text::tr("{} shows, {}", Text::data(plan.rig.gauge.name), unitText(plan.rig.gauge)),
             Text::tr("kPa abs."), Text::tr("boils, °C"), Text::tr("K a division"), Text::tr("at depth, K"),
             Text::tr("min"), Text::tr("read: gauge"), Text::tr("read: °C"), Text::tr("remarks")},
            {},
            {},
            true};
    for (const Target& target : sheet->targets) {
        const Text remark = target.state == TargetState::AboveRoom        ? Text::tr("above the room")
                            : target.state == TargetState::BelowPumpFloor ? Text::tr("below the pump's floor")
                            : target.trial                                ? Text::tr("trial point")
                                                                          : Text();
        t.rows.push_back({Text::set("{}", target.order), tableText(plan.rig.gauge, target.dial),
                          fixed(target.absolute.kilopascal(), 1),
                          Text::set("{} ± {}", fixed(target.boils.celsius(), 1), fixed(target.boilsU, 1)),
                          fixed(target.kelvinPerDivision, 2), fixedSigned(target.depthKelvin, 2),
                          fixed(target.seconds / 60.0, 1), Text(), Text(), remark});
        t.struck.push_back(target.state != TargetState::Ok);
    }
    d.blocks.emplace_back(std::move(t));
    d.blocks.emplace_back(Paragraph{
        Text::sentences({Text::tr("About {:.0f} min with setting up and clearing away, of {:.0f} min.",
                                  sheet->totalSeconds / 60.0, plan.periodMinutes),
                         sheet->secondRunFits ? Text::tr("A second run fits too.")
                         : sheet->fits        ? Text::tr("A second run does not fit.")
                                              : Text::tr("It does not fit: take fewer targets.")})});
    d.blocks.emplace_back(Heading{2, Text::tr("To fetch")});
    d.blocks.emplace_back(BulletList{sheet->materials});
    d.blocks.emplace_back(Heading{2, Text::tr("Cautions")});
    for (const Caution& c : sheet->cautions)
        d.blocks.emplace_back(CautionBox{c.text});
    return d;
}

} // namespace uttrin
