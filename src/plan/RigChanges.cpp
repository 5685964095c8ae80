#include "RigChanges.h"

#include "RunSheet.h"
#include "quantities/Units.h"

#include <fmt/format.h>

#include <string>

namespace uttrin {
namespace {

constexpr double kUsualArmsMetre = 0.82; ///< both arms of a U-tube for a whole atmosphere of mercury
constexpr double kUsualDialPascal = 1e3; ///< a division of a school's vacuum dial

/// To two significant digits, as divisions are.
double tidy(double value) { return std::stod(fmt::format("{:.1e}", value)); }

} // namespace

Plan withGauge(const Plan& plan, const PressureInstrument& declared, std::optional<Pressure> room) {
    Plan changed = plan;
    const PressureInstrument& before = plan.rig.gauge;
    PressureInstrument& g = changed.rig.gauge;
    g = declared;
    const double perUnit = unit(g.unit).factor;
    if (hasTwoArms(g.convention) && !hasTwoArms(before.convention)) {
        g.name = "U-tube";
        g.division = g.accuracy = unit("mm").factor / perUnit;
        g.spanLow = g.spanHigh = 0.0;
        if (!(g.armSum > 0.0)) g.armSum = kUsualArmsMetre / perUnit;
    } else if (hasTwoArms(before.convention) && !hasTwoArms(g.convention)) {
        g.name = Text::phrase("vacuum gauge").source;
        g.division = g.accuracy = kUsualDialPascal / perUnit;
    } else if (before.unit != g.unit) {
        const double factor = unit(before.unit).factor / perUnit;
        for (double* v : {&g.division, &g.accuracy})
            *v = tidy(*v * factor);
        for (double* v : {&g.armSum, &g.spanLow, &g.spanHigh}) // these are measured, or stand on the dial
            *v = std::stod(fmt::format("{:.5e}", *v * factor));
    }
    const bool anotherDial = before.unit != g.unit || before.convention != g.convention;
    if (plan.ladder.spacing == Spacing::DialSteps && anotherDial && room)
        if (const auto kept = withSpacing(plan, Spacing::Pressure, *room)) changed.ladder = *kept;
    return changed;
}

double accuracyOfClass(double percent, double span) { return 0.01 * percent * span; }

Solute usualSolute(SoluteKind kind) {
    Solute s;
    s.kind = kind;
    s.amount = byMassFraction(kind) ? 0.2 : 1.0;
    return s;
}

} // namespace uttrin
