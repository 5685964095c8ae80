#include "WorkUp.h"

#include "physics/Constants.h"
#include "physics/Substance.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kPerMille = 1000.0; // 1/T is shown as 1000/T

int pressureDecimals(const ReducedReading& r) {
    return std::min(3, decimalsForUncertainty(r.absolute->uIndependent * 1e-3));
}
int kelvinDecimals(const Plan& p) { return decimalsForDivision(p.rig.thermometer.division); }
int inverseDecimals(const ReducedReading& r) {
    const double t = r.liquid.temperature.kelvin();
    return std::clamp(decimalsForUncertainty(kPerMille * r.liquid.uIndependent / (t * t)), 3, 6);
}
int logarithmDecimals(const ReducedReading& r) {
    return std::clamp(decimalsForUncertainty(r.absolute->uIndependent / r.absolute->pressure.pascal()), 2, 5);
}

/// Decimals of the columns, alike all the way down: those that the middle reading deserves.
struct ColumnDigits {
    int pressure = 2, inverse = 4, logarithm = 3;
};

ColumnDigits digitsOf(const std::vector<ReducedReading>& readings) {
    std::vector<const ReducedReading*> usable;
    for (const ReducedReading& r : readings)
        if (r.absolute && r.absolute->pressure.pascal() > 0.0) usable.push_back(&r);
    if (usable.empty()) return {};
    const auto middle = usable.begin() + static_cast<std::ptrdiff_t>(usable.size() / 2);
    std::nth_element(usable.begin(), middle, usable.end(),
                     [](auto* a, auto* b) { return a->absolute->pressure < b->absolute->pressure; });
    return {pressureDecimals(**middle), inverseDecimals(**middle), logarithmDecimals(**middle)};
}

WorkRow rowOf(const ReducedReading& r, const Plan& plan, const ColumnDigits& digits) {
    WorkRow row;
    row.readingId = r.raw.id;
    row.position = r.raw.position;
    row.gauge = tableText(plan.rig.gauge, {r.raw.first, r.raw.second});
    row.temperature = fixed(r.raw.temperature, kelvinDecimals(plan));
    row.struck = r.struck();
    row.inFit = r.inFit;
    row.struckReason = Text::data(r.raw.struckReason.value_or(""));
    row.marks = Text::list(r.marks);
    row.kelvin = fixed(r.liquid.temperature.kelvin(), std::max(1, kelvinDecimals(plan)));
    row.inverse = fixed(kPerMille / r.liquid.temperature.kelvin(), digits.inverse);
    if (!r.absolute || !(r.absolute->pressure.pascal() > 0.0)) return row;
    row.absolute = fixed(r.absolute->pressure.kilopascal(), digits.pressure);
    row.logarithm = fixed(std::log(r.absolute->pressure.pascal()), digits.logarithm);
    if (r.superheatKelvin) row.superheat = fixedSigned(*r.superheatKelvin, 1);
    return row;
}

FitLine lineOf(Text label, const RunFit& f, std::optional<Pressure> room) {
    const auto& fit = f.fit;
    FitLine line;
    line.label = std::move(label);
    const double value = fit.enthalpy.value * 1e-3, u = fit.enthalpy.u * 1e-3;
    const int decimals = std::min(3, decimalsForUncertainty(u));
    line.enthalpy = Text::set("{} ± {}", fixed(value, decimals), fixed(u, decimals));
    line.interval = Text::tr("{} to {}", fixed(fit.enthalpy.low * 1e-3, decimals),
                             fixed(fit.enthalpy.high * 1e-3, decimals));
    line.boilingPoint = fixedWithU(fit.normalBoilingPoint.value - kIcePointKelvin, fit.normalBoilingPoint.u);
    if (room) {
        const Estimate e = fit.boilingPointAt(*room);
        line.roomBoilingPoint = fixedWithU(e.value - kIcePointKelvin, e.u);
    }
    line.difference = Text::set("{} %", fixedSigned(100.0 * fit.relativeToReference(), 1));
    line.points = static_cast<int>(fit.points.size());
    return line;
}

Text methodLabel(FitMethod m) {
    switch (m) {
    case FitMethod::Ols:
        return Text::tr("unweighted");
    case FitMethod::Weighted:
        return Text::tr("weighted by pressure");
    case FitMethod::York:
        return Text::tr("both errors (York)");
    }
    return {};
}

void describeDissolved(WorkUpView& v, const Plan& plan, const RunFit& f) {
    if (!f.dissolved) return;
    const DissolvedEstimate& d = *f.dissolved;
    std::vector<Text> sentences{Text::tr(
        "{0} {0|boiling point lies|boiling points lie} {1} K above pure {2} on average: {3} mol/kg of "
        "dissolved particles (95 %: {4} to {5}).",
        d.points, fixed(d.meanElevationKelvin, 2), substanceOf(plan).facts().name,
        fixedWithU(d.particles.value, d.particles.u),
        fixed(d.particles.low, decimalsForUncertainty(d.particles.u)),
        fixed(d.particles.high, decimalsForUncertainty(d.particles.u)))};
    const double declared = plan.solute.amount;
    if (!byMassFraction(plan.solute.kind) && declared > 0.0)
        sentences.push_back(Text::tr("With the {} mol/kg that were weighed in, van 't Hoff’s factor is {}.",
                                     declared,
                                     fixedWithU(d.particles.value / declared, d.particles.u / declared)));
    if (d.molality)
        sentences.push_back(
            Text::tr("By the osmotic coefficient of sodium chloride its molality is {} mol/kg.",
                     fixedWithU(d.molality->value, d.molality->u)));
    v.dissolved = Text::sentences(sentences);
}

void describeResult(WorkUpView& v, const LessonSession& s, const RunFit& f) {
    const auto& fit = f.fit;
    const double u = fit.enthalpy.u * 1e-3, shared = fit.enthalpySharedU * 1e-3,
                 whole = fit.enthalpyWithin95() * 1e-3;
    const int decimals = std::min(3, decimalsForUncertainty(u)),
              inHead = std::min(3, decimalsForUncertainty(whole));
    v.result = Text::set("ΔH = {} ± {} kJ/mol (95 %)", fixed(fit.enthalpy.value * 1e-3, inHead),
                         fixed(whole, inHead));
    v.resultUnder =
        Text::tr("With common errors of gauge, thermometer and room (± {4} kJ/mol, standard). Scatter alone, "
                 "95 %: {0} to {1} "
                 "kJ/mol ({2}, n = {3}).",
                 fixed(fit.enthalpy.low * 1e-3, decimals), fixed(fit.enthalpy.high * 1e-3, decimals),
                 fit.line.scaled ? Text::tr("Student’s t, errors from the scatter")
                                 : Text::tr("normal, errors as stated"),
                 fit.points.size(), fixed(shared, std::min(2, decimalsForUncertainty(shared))));
    v.comparison = Text::tr(
        "The accepted curve over the same span has slope {} kJ/mol: yours is {} %. The enthalpy itself "
        "averages {} kJ/mol there: the vapour is not quite an ideal gas.",
        fixed(fit.referenceSlopeEnthalpy * 1e-3, 2), fixedSigned(100.0 * fit.relativeToReference(), 1),
        fixed(fit.tabulatedMeanEnthalpy * 1e-3, 2));
    const Text standard =
        fixedWithU(fit.normalBoilingPoint.value - kIcePointKelvin, fit.normalBoilingPoint.u);
    v.boilingPoints = Text::tr("Boils at {} °C at 101.325 kPa", standard);
    if (const auto room = s.model().room(s.groupId())) {
        const Estimate here = fit.boilingPointAt(room->station);
        v.boilingPoints = Text::tr("Boils at {} °C at 101.325 kPa, at {} °C in this room.", standard,
                                   fixedWithU(here.value - kIcePointKelvin, here.u));
    }
}

void describeCauses(WorkUpView& v, const RunFit& f) {
    if (f.causes.empty()) {
        v.causes.push_back(Text::tr("Not enough points to tell a cause (six are needed)."));
    } else if (f.causes.front().cause == Cause::None) {
        v.causes.push_back(f.causes.front().sentence);
    } else if (!isTelling(f.causes)) {
        v.causes.push_back(Text::tr("Something is off, but the data do not tell which of these:"));
        for (std::size_t i = 0; i < std::min<std::size_t>(2, f.causes.size()); ++i)
            v.causes.push_back(Text::set("{} ({:.0f} %)", f.causes[i].sentence, 100.0 * f.causes[i].weight));
    } else {
        v.causes.push_back(Text::tr("{} (weight {:.0f} %)", f.causes.front().sentence,
                                    std::floor(100.0 * f.causes.front().weight)));
    }
}

/// Names superheated points by the numbers that people see.
void renumber(RunFit& f, const std::vector<ReducedReading>& readings) {
    for (CauseEstimate& c : f.causes) {
        if (c.points.empty()) continue;
        std::vector<int> numbers;
        for (const std::size_t p : c.points)
            numbers.push_back(readings[f.used[p]].raw.position);
        c.sentence = superheatSentence(numbers, c.amount);
    }
}

/// What became of the thermometer's reading before it counted, by its kind and its calibration.
Text howReduced(const ReducedReading& r, const Thermometer& thermometer,
                const ThermometerCalibration* calibration, int decimals) {
    std::vector<Text> parts{Text::set("{} {}", fixed(r.raw.temperature, decimals), readingUnit(thermometer))};
    if (!readsDirectly(thermometer)) parts.push_back(nameOf(thermometer.kind));
    if (calibration)
        parts.push_back(Text::tr("calibration with ice {} and steam {}", calibration->iceReading,
                                 calibration->steamReading));
    return Text::list(parts);
}

} // namespace

/// What a solution's reading shows over the pure solvent at the same pressure.
void addElevationSteps(std::vector<WorkStep>& steps, const ReducedReading& r, const Plan& plan) {
    const Liquid liquid = liquidOf(plan);
    const auto pure = liquid.solvent().boilingPoint(r.absolute->pressure);
    const auto expected = liquid.elevation(r.absolute->pressure);
    if (!pure) return;
    const int decimals = std::max(1, kelvinDecimals(plan));
    const double measured = (r.liquid.temperature - *pure).kelvin();
    steps.push_back({Text::tr("Elevation over pure {}", liquid.solvent().facts().name),
                     Text::set("{} °C − {} °C", fixed(r.liquid.temperature.celsius(), decimals),
                               fixed(pure->celsius(), decimals)),
                     Text::set("{} K", fixed(measured, decimals))});
    if (expected)
        steps.push_back({Text::tr("Elevation to expect at this pressure"), liquid.name(),
                         Text::set("{} K", fixed(expected->kelvin(), 2))});
    if (const auto constant = ebullioscopicConstant(liquid.solvent(), r.absolute->pressure))
        steps.push_back({Text::tr("Particles, mol/kg"),
                         Text::set("{} K / {} K kg/mol", fixed(measured, decimals), fixed(*constant, 3)),
                         fixed(measured / *constant, 2)});
}

std::vector<WorkStep> stepsOf(const ReducedReading& r, const Plan& plan,
                              const std::optional<GaugeReading>& zero) {
    const auto& gauge = plan.rig.gauge;
    const std::string u(unitText(gauge));
    const int decimals = decimalsForDivision(readableStep(gauge));
    const bool twoArm = hasTwoArms(gauge.convention);
    const double shown = scaleValue(gauge, {r.raw.first, r.raw.second});
    std::vector<WorkStep> steps;
    if (twoArm)
        steps.push_back({Text::tr("Difference of the arms"),
                         Text::set("{} {} − {} {}", fixed(r.raw.first, decimals), u,
                                   fixed(r.raw.second.value_or(0.0), decimals), u),
                         Text::set("{} {}", fixed(shown, decimals), u)});
    double value = shown;
    if (zero && countsFromRoom(gauge.convention)) {
        const double off = scaleValue(gauge, *zero);
        value -= off;
        steps.push_back({Text::tr("Less the gauge’s zero"),
                         Text::set("{} − ({})", fixed(shown, decimals), fixed(off, decimals)),
                         Text::set("{} {}", fixed(value, decimals), u)});
    }
    const double kPa = value * pascalPerScaleUnit(gauge) * 1e-3;
    if (twoArm)
        steps.push_back({Text::tr("As a pressure"),
                         Text::set("{} {} × {} kg/m³ × {} m/s²", fixed(value, decimals), u,
                                   fixed(manometerDensity(gauge), 0), kStandardGravity),
                         Text::set("{} kPa", fixed(kPa, 2))});
    else if (gauge.unit != "kPa")
        steps.push_back({Text::tr("In kilopascal"),
                         Text::set("{} {} × {}", fixed(value, decimals), u, unit(gauge.unit).factor * 1e-3),
                         Text::set("{} kPa", fixed(kPa, 2))});
    if (!r.absolute) {
        steps.push_back(
            {Text::tr("Absolute pressure"), Text::tr("needs the room’s pressure"), Text::tr("unreferenced")});
        return steps;
    }
    const Text absolute = Text::set("{} kPa", fixed(r.absolute->pressure.kilopascal(), 2));
    if (!countsFromRoom(gauge.convention))
        steps.push_back({Text::tr("Absolute pressure"), Text::tr("as read"), absolute});
    else if (gauge.convention == PressureConvention::GaugeNegative)
        steps.push_back(
            {Text::tr("Absolute pressure"),
             Text::set("{} kPa + ({} kPa)", fixed(r.room->station.kilopascal(), 2), fixed(kPa, 2)),
             absolute});
    else
        steps.push_back({Text::tr("Absolute pressure"),
                         Text::set("{} kPa − {} kPa", fixed(r.room->station.kilopascal(), 2), fixed(kPa, 2)),
                         absolute});
    const Unit& scale = unit(plan.rig.thermometer.unit);
    const double kelvin = r.liquid.temperature.kelvin();
    const Thermometer& thermometer = plan.rig.thermometer;
    const bool plain = readsDirectly(thermometer);
    if (const auto* calibration = calibrationAt(thermometer, r.raw.takenAt); calibration || !plain)
        steps.push_back({Text::tr("Temperature"),
                         howReduced(r, thermometer, calibration, kelvinDecimals(plan)),
                         Text::set("{} °C = {} K", fixed(kelvin - kIcePointKelvin, 2), fixed(kelvin, 2))});
    else if (scale.symbol == "degC")
        steps.push_back({Text::tr("Temperature"),
                         Text::set("{} °C + 273.15", fixed(r.raw.temperature, kelvinDecimals(plan))),
                         Text::set("{} K", fixed(kelvin, 2))});
    else
        steps.push_back({Text::tr("Temperature"),
                         Text::set("{} {}", fixed(r.raw.temperature, kelvinDecimals(plan)), scale.display),
                         Text::set("{} K", fixed(kelvin, 2))});
    steps.push_back({Text::tr("Its inverse"), Text::set("1000 K / {} K", fixed(kelvin, 2)),
                     fixed(kPerMille / kelvin, inverseDecimals(r))});
    if (r.absolute->pressure.pascal() > 0.0)
        steps.push_back({Text::tr("Logarithm"),
                         Text::set("ln({} Pa / 1 Pa)", fixed(r.absolute->pressure.pascal(), 0)),
                         fixed(std::log(r.absolute->pressure.pascal()), logarithmDecimals(r))});
    if (plan.solute.kind != SoluteKind::None) addElevationSteps(steps, r, plan);
    return steps;
}

WorkUpView workUpView(const LessonSession& s, const FitOptions& options) {
    WorkUpView v;
    if (!s.runId()) {
        v.problem = Text::tr(
            "No run yet. Start one at the Run station (Ctrl+5), or import readings from a CSV file.");
        return v;
    }
    const auto& readings = s.model().reduce(*s.runId());
    const ColumnDigits digits = digitsOf(readings);
    for (const ReducedReading& r : readings)
        v.rows.push_back(rowOf(r, s.benchPlan(), digits));
    auto fit = s.model().fit(*s.runId(), options);
    if (!fit) {
        v.problem = s.room() || readings.empty()
                        ? fit.error().message
                        : Text::tr("These readings are unreferenced: enter the room’s pressure (Ctrl+1).");
        return v;
    }
    renumber(*fit, readings);
    for (std::size_t i = 0; i < fit->used.size(); ++i) {
        WorkRow& row = v.rows[fit->used[i]];
        const PointResult& p = fit->fit.points[i];
        row.residualKelvin = fixedSigned(p.residualKelvin, 2);
        row.residualPressure = fixedSigned(p.residualPascal * 1e-3, 2);
        row.outlier = !p.flag.empty();
    }
    describeResult(v, s, *fit);
    describeDissolved(v, s.benchPlan(), *fit);
    if (s.benchPlan().solute.kind == SoluteKind::None) describeCauses(v, *fit);
    const auto room = s.model().room(s.groupId());
    for (const FitMethod m : {FitMethod::Ols, FitMethod::Weighted, FitMethod::York})
        if (const auto other = s.model().fit(*s.runId(), {m, options.scaleErrors}, false)) {
            v.methods.push_back(
                lineOf(methodLabel(m), *other, room ? std::optional(room->station) : std::nullopt));
            v.methods.back().current = m == options.method;
        }
    for (const Run& run : s.model().runsOf(s.setupId()))
        if (const auto other = s.model().fit(run.id, options, false)) {
            const auto own = s.model().room(run.groupId);
            v.runs.push_back(lineOf(Text::tr("{}, run {}", s.model().group(run.groupId).name, run.number),
                                    *other, own ? std::optional(own->station) : std::nullopt));
            v.runs.back().current = run.id == *s.runId();
        }
    v.fit = std::move(*fit);
    return v;
}

std::optional<Text> firstWrongStep(const ReducedReading& r, const StudentAnswer& a) {
    if (!r.absolute) return Text::tr("This reading is unreferenced: the room’s pressure is not known.");
    // A student rounds to the digits of the table; half a unit of the last digit shown, and a little, is
    // right.
    constexpr double kSlack = 1.1;
    const auto off = [](double given, double right, double tolerance) {
        return std::abs(given - right) > tolerance * kSlack;
    };
    const double kPa = r.absolute->pressure.kilopascal();
    if (a.absoluteKilopascal &&
        off(*a.absoluteKilopascal, kPa, std::max(0.06, 0.5 * std::pow(10.0, -pressureDecimals(r))))) {
        if (r.room && std::abs(*a.absoluteKilopascal - 2.0 * r.room->station.kilopascal() + kPa) < 0.2)
            return Text::tr("Absolute pressure: the gauge reading went in with the wrong sign.");
        return Text::tr("Absolute pressure: {} kPa does not follow from the reading and the room.",
                        *a.absoluteKilopascal);
    }
    const double kelvin = r.liquid.temperature.kelvin();
    if (a.kelvin && off(*a.kelvin, kelvin, 0.2)) {
        if (std::abs(*a.kelvin - (kelvin - 2.0 * kIcePointKelvin)) < 1.0)
            return Text::tr("Temperature: 273.15 is added, not taken off.");
        return Text::tr("Temperature: {} K is not the thermometer’s reading in kelvin.", *a.kelvin);
    }
    const double ownKelvin = a.kelvin.value_or(kelvin);
    if (a.inverse && off(*a.inverse, kPerMille / ownKelvin, 2e-3))
        return Text::tr("Inverse: 1000 divided by {:.2f} K is not {}.", ownKelvin, *a.inverse);
    const double ownPascal = a.absoluteKilopascal.value_or(kPa) * 1e3;
    if (a.logarithm && off(*a.logarithm, std::log(ownPascal), 6e-3)) {
        if (std::abs(*a.logarithm - std::log10(ownPascal)) < 0.02)
            return Text::tr("Logarithm: that is the decimal logarithm; the natural one is needed.");
        if (std::abs(*a.logarithm - std::log(ownPascal * 1e-3)) < 0.02)
            return Text::tr("Logarithm: the pressure was in kPa; it is wanted in Pa.");
        return Text::tr("Logarithm: ln({:.0f}) is not {}.", ownPascal, *a.logarithm);
    }
    return std::nullopt;
}

} // namespace uttrin
