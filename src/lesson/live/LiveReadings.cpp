#include "LiveReadings.h"

#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kMs = 1000.0;

Milliseconds wallAt(Milliseconds begunMs, double seconds) {
    return begunMs + static_cast<Milliseconds>(std::llround(kMs * seconds));
}

/// To the figures that its uncertainty deserves: what that takes away is small against it.
double rounded(double value, double u) {
    if (!(u > 0.0)) return value;
    constexpr double kSmall = 4.0;
    const double power = std::pow(10.0, decimalsForUncertainty(kSmall * u));
    return std::round(value * power) / power;
}

LiveEvidence evidence(const LiveMoment& moment, const Settled& of, Milliseconds begunMs, GaugeReading reading,
                      double u) {
    return {
        reading,  u,        wallAt(begunMs, moment.from), wallAt(begunMs, moment.to), moment.steady, false,
        of.slope, of.slopeU};
}

/// What the gauge would show at a pressure that counts as it does, Pa.
GaugeReading shownAt(const PressureInstrument& gauge, double pascal, double u) {
    const double scale = scalePerPascal(gauge);
    return readingAt(gauge, rounded(pascal * scale, u * std::abs(scale)));
}

} // namespace

bool countsAlike(const PressureInstrument& gauge, LiveQuantity quantity) {
    return countsFromRoom(gauge.convention) == (quantity == LiveQuantity::GaugePressure);
}

PressureInstrument gaugeAsHeard(const PressureInstrument& gauge, LiveQuantity quantity, double step,
                                std::optional<double> accuracyPascal) {
    PressureInstrument heard = gauge;
    const bool wasTube = hasTwoArms(gauge.convention);
    heard.convention = quantity == LiveQuantity::GaugePressure ? PressureConvention::GaugeNegative
                                                               : PressureConvention::Absolute;
    if (wasTube) {
        heard.unit = "kPa";
        heard.name = plain(Text::tr("live gauge"));
    }
    heard.digital = true;
    heard.spanLow = heard.spanHigh = 0.0;
    const double unit = pascalPerScaleUnit(heard);
    constexpr double kUntilSaidBetter = 1000.0; // Pa
    if (wasTube || accuracyPascal) heard.accuracy = accuracyPascal.value_or(kUntilSaidBetter) / unit;
    // Figures that are far finer than it is good for only flicker.
    constexpr double kFinest = 0.1;
    if (step > 0.0) heard.division = std::max(step / unit, kFinest * heard.accuracy);
    return heard;
}

LiveTrail::Lags lagsOf(const Rig& rig) { return {rig.gauge.lagSeconds, rig.thermometer.lagSeconds}; }

LiveReadings liveReadings(const LessonSession& session, const LiveMoment& moment, LiveQuantity quantity,
                          Milliseconds begunMs) {
    LiveReadings out;
    const Rig& rig = session.benchPlan().rig;
    if (moment.pressure && countsAlike(rig.gauge, quantity)) {
        // The moment has absolute pressures; what a gauge shows counts from the same room again.
        const double room = quantity == LiveQuantity::GaugePressure ? session.roomOrStandard().pascal() : 0.0;
        out.gauge =
            evidence(moment, *moment.pressure, begunMs,
                     shownAt(rig.gauge, moment.pressure->mean - room, moment.pressureU), moment.pressureU);
    } else if (moment.pressure) {
        out.trouble =
            quantity == LiveQuantity::GaugePressure
                ? Text::tr("The live instrument counts from the room; the rig’s gauge is absolute.")
                : Text::tr("The live instrument is absolute; the rig’s gauge counts from the room.");
    }
    if (moment.temperature && !readsOhms(rig.thermometer)) {
        const Unit& shown = unit(rig.thermometer.unit);
        out.thermometer = evidence(
            moment, *moment.temperature, begunMs,
            {rounded(shown.fromSi(moment.temperature->mean), moment.temperatureU / shown.factor), {}},
            moment.temperatureU);
    } else if (moment.temperature) {
        out.trouble =
            Text::tr("The rig’s thermometer is read in ohms, and the live one says temperatures: declare "
                     "it at Rig as one that shows them.");
    }
    return out;
}

} // namespace uttrin
