#include "RigTestView.h"

#include "analysis/ClausiusClapeyron.h"
#include "lesson/commands/PlanCommands.h"
#include "quantities/Rounding.h"
#include "trace/LeakTest.h"
#include "trace/PumpDown.h"
#include "trace/TraceCsv.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kLitresAMinute = 6e4, kLitre = 1e-3, kMinuteLong = 60.0;

/// A value with an uncertainty, and its unit.
Text measured(double value, double u, const Text& unit) {
    const int decimals = u > 0.0 ? std::max(0, decimalsForUncertainty(u)) : 1;
    return Text::set("{} ± {} {}", Text::number(value, decimals), Text::number(u, decimals), unit);
}

/// The saturation pressure in a wet vessel, by the temperatures of the test.
Result<std::function<double(double)>> saturationIn(const Substance& liquid, const Trace& trace) {
    if (trace.kelvin.empty())
        return fail(Failure::BadInput,
                    Text::tr("A wet test needs the liquid’s temperature: its vapour pressure is taken off."));
    for (const double kelvin : trace.kelvin.values)
        if (const auto p = liquid.vapourPressure(Temperature::fromKelvin(kelvin)); !p)
            return tl::unexpected(p.error());
    return [&liquid, kelvin = trace.kelvin](double seconds) {
        const double within = std::clamp(seconds, kelvin.seconds.front(), kelvin.seconds.back());
        return liquid.vapourPressure(Temperature::fromKelvin(*kelvin.at(within)))->pascal();
    };
}

struct Tested {
    Trace trace;
    LeakTest leak;
};

Result<TestedVessel> vesselOf(const LessonSession& session, const RigTest& test, const Trace& trace) {
    TestedVessel vessel;
    vessel.cubicMetres = test.litre * kLitre;
    vessel.roomPascal = session.roomOrStandard().pascal();
    if (!test.wet) return vessel;
    auto saturation = saturationIn(substanceOf(session.plan()), trace);
    if (!saturation) return tl::unexpected(saturation.error());
    vessel.saturation = std::move(*saturation);
    return vessel;
}

Result<Tested> leakOf(const LessonSession& session, const RigTest& test) {
    auto trace = readTraceCsv(test.readings);
    if (!trace) return tl::unexpected(trace.error());
    const auto vessel = vesselOf(session, test, *trace);
    if (!vessel) return tl::unexpected(vessel.error());
    auto leak = testForLeak(trace->pascal, *vessel);
    if (!leak) return tl::unexpected(leak.error());
    return Tested{std::move(*trace), std::move(*leak)};
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
                        measured(leak.fades, leak.fadesU, Text::set("Pa")), std::lround(leak.fadesIn));
    case RiseKind::Leak:
    case RiseKind::Both:
        break;
    }
    constexpr double kManyTimes = 1000.0;
    const Text odds = leak.oddsLeak > kManyTimes
                          ? Text::tr("more than 1000 to 1")
                          : Text::tr("{} to 1", Text::number(leak.oddsLeak, leak.oddsLeak < 10.0 ? 1 : 0));
    return Text::tr("It rises by {}; the odds that it leaks are {}.",
                    measured(leak.rise, leak.riseU, Text::set("Pa/s")), odds);
}

/// The last test of the same kind before this one.
const RigTest* testBefore(const LessonSession& session, const RigTest& test) {
    const RigTest* before = nullptr;
    for (const RigTest* t : testsInHand(session))
        if (t->kind == test.kind && t->id < test.id && (!before || t->id > before->id)) before = t;
    return before;
}

void sayTargets(RigTestView& view, const LessonSession& session, const LeakTest& leak,
                const RigTestLimits& limits) {
    const auto& sheet = session.sheet();
    if (!sheet) return;
    const Substance& substance = substanceOf(session.plan());
    const double room = session.roomOrStandard().pascal();
    const bool leaks = leak.kind == RiseKind::Leak || leak.kind == RiseKind::Both;
    const double rise = leaks ? leak.rise : 0.0;
    view.passes = true;
    double worst = 0.0;
    for (const Target& target : sheet->targets) {
        const auto by = kelvinPerCapture(substance, target.absolute, rise, limits.captureSeconds, room);
        if (!by) continue;
        RigTestView::Line line;
        line.target = Text::set("{} {}", tableText(session.plan().rig.gauge, target.dial),
                                unitText(session.plan().rig.gauge));
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
    if (const auto shift = enthalpyShift(substance, sheet->targets, rise, limits.captureSeconds, room))
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
    const auto vessel = vesselOf(session, test, tested->trace);
    const double begun = tested->trace.pascal.seconds.front();
    for (const double seconds : tested->trace.pascal.seconds) {
        const double since = seconds - begun;
        const double vapour = vessel && vessel->saturation ? vessel->saturation(seconds) : 0.0;
        const double fading = leak.fadesIn > 0.0 ? leak.fades * std::exp(-since / leak.fadesIn) : 0.0;
        view.explained.push_back(leak.start + leak.rise * since - fading + vapour);
    }
    sayTargets(view, session, leak, limits);
    if (view.targets.empty())
        view.verdict = Text::tr("What it does to the points is told once the room’s pressure is known.");
    if (const RigTest* before = testBefore(session, test))
        if (const auto earlier = leakOf(session, *before))
            view.comparison = comparedText(earlier->leak, leak);
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
        view.explained.push_back(seconds < pump->from
                                     ? pump->start
                                     : pump->ultimate + (pump->start - pump->ultimate) *
                                                            std::exp(-pump->speed * (seconds - pump->from) /
                                                                     (test.litre * kLitre)));
    const Substance& substance = substanceOf(session.plan());
    bool wet = false;
    if (test.wet)
        if (const auto saturation = saturationIn(substance, *trace))
            wet = isWetFloor(*pump, (*saturation)(trace->pascal.seconds.back()));
    view.rate =
        Text::tr("Speed {}; it ends at {}.",
                 measured(pump->speed * kLitresAMinute, pump->speedU * kLitresAMinute, Text::set("L/min")),
                 measured(pump->ultimate * 1e-3, pump->ultimateU * 1e-3, Text::set("kPa")));
    const auto boils = substance.boilingPoint(Pressure::fromPascal(pump->ultimate));
    const bool freezes = pump->ultimate < substance.facts().triplePressure.pascal();
    view.passes = true;
    if (wet)
        view.verdict =
            Text::tr("That is the vapour pressure of the liquid in it: the gauge cannot go below. Test it "
                     "dry to know the pump.");
    else if (freezes)
        view.verdict = Text::tr("It goes below the triple point: {} can freeze.", substance.facts().name);
    else if (boils)
        view.verdict = Text::tr("With it {} boils down to {} °C.", substance.facts().name,
                                Text::number(boils->celsius(), 1));
    if (!wet) {
        view.ultimatePascal = pump->ultimate;
        view.litrePerMinute = pump->speed * kLitresAMinute;
    }
    const auto& sheet = session.sheet();
    if (!sheet) return;
    for (const Target& target : sheet->targets) {
        RigTestView::Line line;
        line.target = Text::set("{} {}", tableText(session.plan().rig.gauge, target.dial),
                                unitText(session.plan().rig.gauge));
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

RigTestView rigTestView(const LessonSession& session, const RigTest& test, const RigTestLimits& limits) {
    RigTestView view;
    const Text what = test.kind == RigTestKind::Leak ? Text::tr("Leak test") : Text::tr("Pump-down");
    view.heading =
        Text::tr("{} at {}, {}, {} L", what, clockText(test.takenAt, session.model().lesson().utcOffsetMin),
                 test.wet ? Text::tr("with liquid") : Text::tr("dry"), Text::number(test.litre, 2));
    if (!test.note.empty()) view.heading = Text::set("{}: {}", view.heading, test.note);
    if (test.kind == RigTestKind::Leak)
        sayLeak(view, session, test, limits);
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

Result<void> RigTestCommands::removeTest(RowId id) {
    for (const RigTest& test : model().data().tests)
        if (test.id == id)
            return perform(Text::tr("Take a test away"), [&](Notebook::Editor& edit) { edit.remove(test); });
    return fail(Failure::BadInput, Text::tr("This test is no longer in the lesson."));
}

Result<void> RigTestCommands::usePump(RowId id) {
    for (const RigTest& test : model().data().tests) {
        if (test.id != id) continue;
        const RigTestView view = rigTestView(session(), test);
        if (!(view.litrePerMinute > 0.0))
            return fail(Failure::BadInput, Text::tr("This test does not tell what the pump does."));
        Plan plan = session().plan();
        plan.rig.pumpUltimatePa = std::round(std::max(1.0, view.ultimatePascal));
        plan.rig.pumpLitrePerMinute = std::round(view.litrePerMinute * 10.0) / 10.0;
        return PlanCommands(whole()).changePlan(plan, Text::tr("Take the pump as it was tested"));
    }
    return fail(Failure::BadInput, Text::tr("This test is no longer in the lesson."));
}

} // namespace uttrin
