#include "BoilingBracket.h"

#include "lesson/acts/ActReadings.h"
#include "lesson/acts/ConductView.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// "12.4 ± 0.6 kPa".
Text pressureText(double pascal, double u) {
    const int decimals = decimalsForUncertainty(u / 1000.0);
    return Text::set("{} ± {} kPa", fixed(pascal / 1000.0, decimals), fixed(u / 1000.0, decimals));
}

/// What the curve says at a temperature that was read; empty outside it.
Text byCurve(const std::string& substance, const StampedTemperature& read) {
    const auto known = findSubstance(substance);
    if (!known) return {};
    const auto at = [&](double kelvin) { return (*known)->vapourPressure(Temperature::fromKelvin(kelvin)); };
    const auto p = at(read.kelvin), above = at(read.kelvin + read.u), below = at(read.kelvin - read.u);
    if (!p || !above || !below) return {};
    return Text::tr("At {} °C, as it was read last, the curve says {}.",
                    fixed(read.kelvin - kIcePointKelvin, 1),
                    pressureText(p->pascal(), 0.5 * (above->pascal() - below->pascal())));
}

} // namespace

Text bracketText(const LessonModel& model, const ActCourse& course, const FrozenForecast& frozen) {
    std::optional<bool> boils;
    std::optional<StampedPressure> boiled, ceased;
    std::optional<StampedTemperature> liquid;
    for (const Stamp* stamp : course.stamps()) {
        if (const auto seen = seenBoiling(*stamp)) boils = seen;
        if (const auto t = temperatureOf(model, *stamp);
            t && t->ofTheLiquid && stamp->bound == StampBound::None)
            liquid = t;
        if (const auto p = pressureOf(model, *stamp, model.room(stamp->groupId)); p && boils)
            (*boils ? boiled : ceased) = p;
    }
    if (!boiled || !ceased) return {};
    const auto [low, high] = std::minmax(boiled->pascal, ceased->pascal);
    // Anywhere between the two alike, and each as good as the gauge.
    const double u = std::hypot((high - low) / std::sqrt(12.0), std::max(boiled->u, ceased->u));
    const Text found =
        Text::tr("It boils below {} at this temperature: it stopped at {} kPa and began again at {} kPa.",
                 pressureText(0.5 * (low + high), u), fixed(ceased->pascal / 1000.0, 2),
                 fixed(boiled->pascal / 1000.0, 2));
    const Text curve =
        liquid && frozen.rig.liquidKnown ? byCurve(frozen.rehearsal.setup.substance, *liquid) : Text();
    return curve.empty() ? found : Text::set("{} {}", found, curve);
}

} // namespace uttrin
