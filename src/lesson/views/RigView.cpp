#include "RigView.h"

#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <cmath>

namespace uttrin {
namespace {

/// A boiling point that a lesson would choose: 60 degC for water.
Temperature usualBoilingPoint(const Substance& liquid) {
    constexpr double kBelowNormal = 40.0, kRound = 10.0; // K
    return Temperature::fromCelsius(
        kRound * std::round((liquid.facts().normalBoilingPoint.celsius() - kBelowNormal) / kRound));
}

} // namespace

RigMeaning rigMeaning(const LessonSession& s, std::optional<Temperature> chosen) {
    const Plan& plan = s.plan();
    const auto& g = plan.rig.gauge;
    if (!s.room() && countsFromRoom(g.convention))
        return {
            Text::tr(
                "This gauge counts from the room’s pressure. Enter that at the Room station (Ctrl+1), and "
                "this line says "
                "what the dial means."),
            {},
            {}};
    const Pressure here = s.roomOrStandard();
    const Substance& substance = substanceOf(plan);
    const Temperature boils = chosen.value_or(usualBoilingPoint(substance));
    const Liquid liquid = liquidOf(plan);
    const auto pressure = liquid.vapourPressure(boils);
    if (!pressure) return {pressure.error().message, {}, {}};
    const GaugeReading shown = toReadableReading(g, *pressure, here);
    const Text open = text(g, toReadableReading(g, here, here)), unit(Text::typed(unitText(g))),
               name = liquid.name(), celsius = fixed(boils.celsius(), chosen ? 1 : 0),
               kPa = fixed(pressure->kilopascal(), 1), dial = text(g, shown);
    return {
        boils < substance.facts().triple
            ? Text::tr("Open to the room it shows {0} {1}. When {2} sublimes at {3} °C ({4} kPa absolute) it "
                       "shows {5} {1}.",
                       open, unit, name, celsius, kPa, dial)
            : Text::tr("Open to the room it shows {0} {1}. When {2} boils at {3} °C ({4} kPa absolute) it "
                       "shows {5} {1}.",
                       open, unit, name, celsius, kPa, dial),
        shown, toReading(plan.rig.thermometer, boils)};
}

Result<Temperature> boilsAtGauge(const LessonSession& s, const GaugeReading& reading) {
    const auto p = toAbsolute(s.plan().rig.gauge, reading, s.room());
    if (!p) return tl::unexpected(p.error());
    return liquidOf(s.plan()).boilingPoint(p->pressure);
}

Result<Temperature> boilsAtThermometer(const LessonSession& s, double reading) {
    return toTemperature(s.plan().rig.thermometer, reading).map([](const LiquidTemperature& t) {
        return t.temperature;
    });
}

Text runRigNote(const LessonSession& s) {
    if (!s.runId() || !s.model().differsFromPlan(*s.runId())) return {};
    const Run& run = s.model().run(*s.runId());
    return Text::tr("{}, run {}, keeps the rig that its readings were taken with. What you change here "
                    "serves the runs to "
                    "come.",
                    s.model().group(run.groupId).name, run.number);
}

} // namespace uttrin
