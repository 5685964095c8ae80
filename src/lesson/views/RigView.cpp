#include "RigView.h"

#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

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
        return {"This gauge counts from the room's pressure. Enter that at the Room station (Ctrl+1), and "
                "this line says "
                "what the dial means.",
                {},
                {}};
    const Pressure here = s.roomOrStandard();
    const Substance& substance = substanceOf(plan);
    const Temperature boils = chosen.value_or(usualBoilingPoint(substance));
    const Liquid liquid = liquidOf(plan);
    const auto pressure = liquid.vapourPressure(boils);
    if (!pressure) return {pressure.error().message, {}, {}};
    const GaugeReading shown = toReadableReading(g, *pressure, here);
    return {
        fmt::format("Open to the room it shows {} {}. When {} {} at {} °C ({} kPa absolute) it shows {} {}.",
                    text(g, toReadableReading(g, here, here)), unitText(g), liquid.name(),
                    boils < substance.facts().triple ? "sublimes" : "boils",
                    fixed(boils.celsius(), chosen ? 1 : 0), fixed(pressure->kilopascal(), 1), text(g, shown),
                    unitText(g)),
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

std::string runRigNote(const LessonSession& s) {
    if (!s.runId() || !s.model().differsFromPlan(*s.runId())) return {};
    const Run& run = s.model().run(*s.runId());
    return fmt::format("{}, run {}, keeps the rig that its readings were taken with. What you change here "
                       "serves the runs to "
                       "come.",
                       s.model().group(run.groupId).name, run.number);
}

} // namespace uttrin
