#include "RigTestView.h"

#include "analysis/ClausiusClapeyron.h"
#include "lesson/commands/PlanCommands.h"
#include "quantities/Rounding.h"
#include "trace/HandPump.h"
#include "trace/LeakTest.h"
#include "trace/PumpDown.h"
#include "trace/TraceCsv.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kLitresAMinute = 6e4, kLitre = 1e-3, kMinuteLong = 60.0;

struct Tested {
    Trace trace;
    TestedVessel vessel;
    LeakTest leak;
};

Result<TestedVessel> vesselOf(const LessonSession& session, const RigTest& test, const Trace& trace) {
    TestedVessel vessel;
    vessel.cubicMetres = test.litre * kLitre;
    vessel.roomPascal = session.roomOrStandard().pascal();
    if (!test.wet) return vessel;
    auto saturation = saturationAlong(substanceOf(session.plan()), trace.kelvin);
    if (!saturation) return tl::unexpected(saturation.error());
    vessel.saturation = std::move(*saturation);
    return vessel;
}

Result<Tested> leakOf(const LessonSession& session, const RigTest& test) {
    auto trace = readTraceCsv(test.readings);
    if (!trace) return tl::unexpected(trace.error());
    auto vessel = vesselOf(session, test, *trace);
    if (!vessel) return tl::unexpected(vessel.error());
    auto leak = testForLeak(trace->pascal, *vessel);
    if (!leak) return tl::unexpected(leak.error());
    return Tested{std::move(*trace), std::move(*vessel), *leak};
}

/// By how much the enthalpy of a lab comes out wrong, as a fraction, where each point's pressure has moved by
/// half of what a leak adds while it is captured.
std::optional<double> enthalpyShift(const Substance& substance, const std::vector<Target>& targets,
                                    double rise, double captureSeconds, double roomPascal) {
    std::vector<BoilingDatum> right, moved;
    for (const Target& target : targets) {
        const auto there = substance.saturationAt(target.absolute);
        const auto by = kelvinPerCapture(substance, target.absolute, rise, captureSeconds, roomPascal);
        if (!there || !by) continue;
        BoilingDatum datum{there->temperature, target.absolute, 0.1, 100.0, 0.0, 0.0};
        right.push_back(datum);
        datum.pressure = Pressure::fromPascal(target.absolute.pascal() + 0.5 * *by * there->slope);
        moved.push_back(datum);
    }
    const auto a = fitClausiusClapeyron(right, substance, {FitMethod::Ols, true}),
               b = fitClausiusClapeyron(moved, substance, {FitMethod::Ols, true});
    if (!a || !b) return std::nullopt;
    return b->enthalpy.value / a->enthalpy.value - 1.0;
}

Text percentText(double fraction) {
    const double percent = 100.0 * fraction;
    return Text::set("{} %", Text::number(percent, std::abs(percent) < 1.0 ? 2 : 1, true));
}

Text rateText(const LeakTest& leak) {
    switch (leak.kind) {
    case RiseKind::Tight:
        return Text::tr("Nothing rises: less than {} Pa/s.",
                        Text::number(2.0 * leak.riseU, std::max(0, decimalsForUncertainty(leak.riseU))));
    case RiseKind::Vapour:
        return Text::tr("What rises fades: {} in {} s. It is vapour, or air out of the liquid, no leak.",
                        Text::set("{} Pa", fixedWithU(leak.fades, leak.fadesU)), std::lround(leak.fadesIn));
    case RiseKind::Leak:
    case RiseKind::Both:
        break;
    }
    constexpr double kManyTimes = 1000.0;
    const Text odds = leak.oddsLeak > kManyTimes
                          ? Text::tr("more than 1000 to 1")
                          : Text::tr("{} to 1", Text::number(leak.oddsLeak, leak.oddsLeak < 10.0 ? 1 : 0));
    return Text::tr("It rises by {}; the odds that it leaks are {}.",
                    Text::set("{} Pa/s", fixedWithU(leak.rise, leak.riseU)), odds);
}

/// The last test of the same kind before this one.
const RigTest* testBefore(const LessonSession& session, const RigTest& test) {
    const auto newestFirst = testsInHand(session);
    const auto before = std::ranges::find_if(
        newestFirst, [&](const RigTest* t) { return t->kind == test.kind && t->id < test.id; });
    return before == newestFirst.end() ? nullptr : *before;
}

/// A target as the gauge will show it.
Text targetText(const LessonSession& session, const Target& target) {
    const PressureInstrument& gauge = session.plan().rig.gauge;
    return Text::set("{} {}", tableText(gauge, target.dial), unitText(gauge));
}

void sayTargets(RigTestView& view, const LessonSession& session, const LeakTest& leak,
                const RigTestLimits& limits) {
    const auto& sheet = session.sheet();
    if (!sheet) return;
    const Substance& substance = substanceOf(session.plan());
    const double room = session.roomOrStandard().pascal();
    view.passes = true;
    double worst = 0.0;
    for (const Target& target : sheet->targets) {
        const auto by = kelvinPerCapture(substance, target.absolute, leak.rise, limits.captureSeconds, room);
        if (!by) continue;
        RigTestView::Line line;
        line.target = targetText(session, target);
        line.kelvin = Text::set("{} K", Text::number(*by, 2));
        line.tooMuch = *by > limits.kelvin;
        worst = std::max(worst, *by);
        view.passes = view.passes && !line.tooMuch;
        view.targets.push_back(std::move(line));
    }
    const Text within = Text::number(limits.kelvin, 2), seconds = Text::number(limits.captureSeconds, 0);
    view.verdict =
        view.passes
            ? Text::tr("It holds: no point moves by more than {} K in the {} s of a capture.",
                       Text::number(std::max(worst, 0.01), 2), seconds)
            : Text::tr("It leaks too much: a point moves by up to {} K in the {} s of a capture; {} K is "
                       "asked for.",
                       Text::number(worst, 2), seconds, within);
    if (const auto shift = enthalpyShift(substance, sheet->targets, leak.rise, limits.captureSeconds, room))
        view.enthalpy =
            std::abs(*shift) < 1e-4
                ? Text::tr("The enthalpy of vaporisation does not notice it.")
                : Text::tr("The enthalpy of vaporisation would come out {} off.", percentText(*shift));
    if (!view.passes)
        view.advice =
            Text::tr("Grease and reseat the joints, press the stopper home, shut the bleed; then test again: "
                     "both tests are compared. Or capture within {} s.",
                     Text::number(std::max(1.0, limits.captureSeconds * limits.kelvin / worst), 0));
    else if (session.plan().rig.pump == PumpKind::Hand && worst > 0.0)
        view.advice =
            Text::tr("With a hand pump: one top-up in {} min keeps a point within {} K.",
                     Text::number(limits.captureSeconds * limits.kelvin / worst / kMinuteLong, 1), within);
}

void sayLeak(RigTestView& view, const LessonSession& session, const RigTest& test,
             const RigTestLimits& limits) {
    const auto tested = leakOf(session, test);
    if (!tested) {
        view.trouble = tested.error().message;
        return;
    }
    const LeakTest& leak = tested->leak;
    view.trace = tested->trace;
    view.rate = rateText(leak);
    const double begun = tested->trace.pascal.seconds.front();
    const auto& saturation = tested->vessel.saturation;
    for (const double seconds : tested->trace.pascal.seconds)
        view.explained.push_back(leak.at(seconds - begun) + (saturation ? saturation(seconds) : 0.0));
    sayTargets(view, session, leak, limits);
    if (view.targets.empty())
        view.verdict = Text::tr("What it does to the points is told once the room’s pressure is known.");
    if (const RigTest* before = testBefore(session, test))
        if (const auto earlier = leakOf(session, *before))
            view.comparison = comparedText(earlier->leak, leak);
}

/// Whether the floor is the vapour pressure of the liquid in the vessel, not what the pump reaches.
bool endsOnLiquid(const LessonSession& session, const RigTest& test, const Trace& trace, double floor,
                  double floorU) {
    if (!test.wet) return false;
    const auto saturation = saturationAlong(substanceOf(session.plan()), trace.kelvin);
    return saturation && isWetFloor(floor, floorU, (*saturation)(trace.pascal.seconds.back()));
}

Text wetFloorText() {
    return Text::tr("That is the vapour pressure of the liquid in it: the gauge cannot go below. Test it dry "
                    "to know the pump.");
}

/// How far a pump reaches with this liquid.
Text reachText(const Substance& substance, double pascal) {
    if (pascal < substance.facts().triplePressure.pascal())
        return Text::tr("It goes below the triple point: {} can freeze.", substance.facts().name);
    const auto boils = substance.boilingPoint(Pressure::fromPascal(pascal));
    return boils ? Text::tr("With it {} boils down to {} °C.", substance.facts().name,
                            Text::number(boils->celsius(), 1))
                 : Text();
}

/// What a hand pump needs at each target: strokes down to it, and how long it holds until it wants a top-up.
void sayHandPump(RigTestView& view, const LessonSession& session, const RigTest& test,
                 const RigTestLimits& limits) {
    const auto trace = readTraceCsv(test.readings);
    const auto pump = trace ? fitStrokes(trace->pascal, test.litre * kLitre)
                            : Result<HandPump>(tl::unexpected(trace.error()));
    if (!pump) {
        view.trouble = pump.error().message;
        return;
    }
    view.trace = *trace;
    const Substance& substance = substanceOf(session.plan());
    constexpr double kMillilitre = 1e-6;
    const Text stroke =
        Text::set("{} mL", fixedWithU(pump->stroke / kMillilitre, pump->strokeU / kMillilitre));
    const bool loses = pump->loss > 2.0 * pump->lossU && pump->loss > 0.0;
    view.rate = Text::sentences(
        {Text::tr("{} strokes of {}; they end at {} kPa.", pump->strokes, stroke,
                  Text::number(pump->floor * 1e-3, 1)),
         loses ? Text::tr("Between strokes {} Pa/s come in.", fixedWithU(pump->loss, pump->lossU))
               : Text::tr("Between strokes nothing is seen to come in.")});
    const bool wet = endsOnLiquid(session, test, *trace, pump->floor, 0.0);
    view.verdict = wet ? wetFloorText() : reachText(substance, pump->floor);
    view.passes = true;
    const double lasts = trace->pascal.seconds.back() - trace->pascal.seconds.front();
    if (!wet) {
        view.ultimatePascal = pump->floor;
        view.litrePerMinute = kLitresAMinute * pump->stroke * static_cast<double>(pump->strokes) / lasts;
    }
    const auto& sheet = session.sheet();
    if (!sheet) return;
    const double room = session.roomOrStandard().pascal();
    for (const Target& target : sheet->targets) {
        RigTestView::Line line;
        line.target = targetText(session, target);
        const auto strokes = pump->strokesTo(room, target.absolute.pascal());
        line.tooMuch = !strokes;
        view.passes = view.passes && strokes;
        if (!strokes) {
            line.kelvin = Text::tr("out of reach");
        } else {
            const auto aMinute =
                kelvinPerCapture(substance, target.absolute, loses ? pump->loss : 0.0, kMinuteLong, room);
            line.kelvin =
                aMinute && *aMinute > 0.0
                    ? Text::tr("{} {0|stroke|strokes}, a top-up each {} min", *strokes,
                               Text::number(limits.kelvin / *aMinute, limits.kelvin < *aMinute ? 2 : 1))
                    : Text::tr("{} {0|stroke|strokes}", *strokes);
        }
        view.targets.push_back(std::move(line));
    }
    if (!view.passes) view.advice = Text::tr("Leave out what is out of reach, or take a motor pump for it.");
}

void sayPump(RigTestView& view, const LessonSession& session, const RigTest& test) {
    const auto trace = readTraceCsv(test.readings);
    const auto pump = trace ? fitPumpDown(trace->pascal, test.litre * kLitre)
                            : Result<PumpDown>(tl::unexpected(trace.error()));
    if (!pump) {
        view.trouble = pump.error().message;
        return;
    }
    view.trace = *trace;
    for (const double seconds : trace->pascal.seconds)
        view.explained.push_back(pump->at(seconds, test.litre * kLitre));
    const Substance& substance = substanceOf(session.plan());
    const bool wet = endsOnLiquid(session, test, *trace, pump->ultimate, pump->ultimateU);
    view.rate = Text::tr(
        "Speed {}; it ends at {}.",
        Text::set("{} L/min", fixedWithU(pump->speed * kLitresAMinute, pump->speedU * kLitresAMinute)),
        Text::set("{} kPa", fixedWithU(pump->ultimate * 1e-3, pump->ultimateU * 1e-3)));
    view.passes = true;
    view.verdict = wet ? wetFloorText() : reachText(substance, pump->ultimate);
    if (!wet) {
        view.ultimatePascal = pump->ultimate;
        view.litrePerMinute = pump->speed * kLitresAMinute;
    }
    const auto& sheet = session.sheet();
    if (!sheet) return;
    for (const Target& target : sheet->targets) {
        RigTestView::Line line;
        line.target = targetText(session, target);
        const double over = (pump->start - pump->ultimate) / (target.absolute.pascal() - pump->ultimate);
        line.tooMuch = target.absolute.pascal() <= pump->ultimate;
        if (line.tooMuch)
            line.kelvin = Text::tr("out of reach");
        else
            line.kelvin = Text::set("{} s", std::lround(std::max(0.0, test.litre * kLitre / pump->speed *
                                                                          std::log(std::max(1.0, over)))));
        view.passes = view.passes && !line.tooMuch;
        view.targets.push_back(std::move(line));
    }
    if (!view.passes)
        view.advice =
            Text::tr("Leave out what is out of reach, or begin with a colder liquid and a better pump.");
}

} // namespace

std::vector<const RigTest*> testsInHand(const LessonSession& session) {
    std::vector<const RigTest*> tests;
    for (const RigTest& test : session.model().data().tests)
        if (test.setupId == session.setupId()) tests.push_back(&test);
    std::ranges::reverse(tests);
    return tests;
}

Text rigTestHeading(const LessonSession& session, const RigTest& test) {
    const Text what = test.kind == RigTestKind::Leak ? Text::tr("Leak test") : Text::tr("Pump-down");
    const Text heading =
        Text::tr("{} at {}, {}, {} L", what, clockText(test.takenAt, session.model().lesson().utcOffsetMin),
                 test.wet ? Text::tr("with liquid") : Text::tr("dry"), Text::number(test.litre, 2));
    return test.note.empty() ? heading : Text::set("{}: {}", heading, test.note);
}

RigTestView rigTestView(const LessonSession& session, const RigTest& test, const RigTestLimits& limits) {
    RigTestView view;
    view.heading = rigTestHeading(session, test);
    if (test.kind == RigTestKind::Leak)
        sayLeak(view, session, test, limits);
    else if (session.plan().rig.pump == PumpKind::Hand)
        sayHandPump(view, session, test, limits);
    else
        sayPump(view, session, test);
    return view;
}

Result<RowId> RigTestCommands::keepTest(RigTest test) {
    test.setupId = session().setupId();
    if (test.takenAt == 0) test.takenAt = now();
    if (!(test.litre > 0.0 && test.litre <= 1000.0))
        return fail(Failure::BadInput, Text::tr("The vessel’s volume must lie above 0 and up to 1000 L."));
    if (const RigTestView view = rigTestView(session(), test); !view.trouble.empty())
        return fail(Failure::BadInput, view.trouble);
    RowId id = 0;
    const auto done =
        perform(test.kind == RigTestKind::Leak ? Text::tr("Keep a leak test") : Text::tr("Keep a pump-down"),
                [&](Notebook::Editor& edit) { id = edit.insert(test); });
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<RigTest> RigTestCommands::find(RowId id) const {
    const auto& tests = model().data().tests;
    if (const auto at = std::ranges::find(tests, id, &RigTest::id); at != tests.end()) return *at;
    return fail(Failure::BadInput, Text::tr("This test is no longer in the lesson."));
}

Result<void> RigTestCommands::removeTest(RowId id) {
    const auto test = find(id);
    if (!test) return tl::unexpected(test.error());
    return perform(Text::tr("Take a test away"), [&](Notebook::Editor& edit) { edit.remove(*test); });
}

Result<void> RigTestCommands::usePump(RowId id) {
    const auto test = find(id);
    if (!test) return tl::unexpected(test.error());
    const RigTestView view = rigTestView(session(), *test);
    if (!(view.litrePerMinute > 0.0))
        return fail(Failure::BadInput, Text::tr("This test does not tell what the pump does."));
    Plan plan = session().plan();
    plan.rig.pumpUltimatePa = std::round(std::max(1.0, view.ultimatePascal));
    plan.rig.pumpLitrePerMinute = std::round(view.litrePerMinute * 10.0) / 10.0;
    return PlanCommands(whole()).changePlan(plan, Text::tr("Take the pump as it was tested"));
}

} // namespace uttrin
