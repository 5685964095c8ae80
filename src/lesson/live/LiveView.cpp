#include "LiveView.h"

#include "plan/CoolingAdvice.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kMinute = 60.0;

/// How a temperature moves: told over half a minute, where more than its noise.
std::optional<Settled> temperatureTrend(const LiveTrail& trail) {
    constexpr double kOver = 30.0; // s
    const TraceChannel& all = trail.temperature();
    if (all.empty()) return std::nullopt;
    const TraceChannel late = all.between(all.seconds.back() - kOver, all.seconds.back());
    constexpr std::size_t kFewest = 5;
    if (late.size() < kFewest) return std::nullopt;
    return settled(late.seconds, late.values, late.step);
}

Text verdictOf(const LiveMoment& moment, const SteadyTolerance& tolerance) {
    if (!moment.pressure && !moment.temperature) return Text::tr("nothing comes");
    if (moment.steady)
        return Text::tr(
            "steady for {} s, ± {} K", std::lround(moment.steadyFor),
            Text::number(moment.plusMinus, std::max(2, decimalsForUncertainty(moment.plusMinus))));
    if (!moment.kelvinPerSecond) return Text::tr("not {} s of readings yet", std::lround(tolerance.seconds));
    const double aMinute = kMinute * *moment.kelvinPerSecond;
    return Text::tr("moves by {} K a minute", Text::number(aMinute, std::abs(aMinute) < 10.0 ? 1 : 0, true));
}

} // namespace

LiveView liveView(const LessonSession& session, const LiveTrail& trail, const LiveMoment& moment,
                  const LiveReadings& readings) {
    LiveView view;
    const Rig& rig = session.benchPlan().rig;
    view.trouble = readings.trouble;
    if (readings.gauge)
        view.pressure = Text::set("{} {}", text(rig.gauge, readings.gauge->reading), unitText(rig.gauge));
    else if (moment.pressure)
        view.pressure = Text::set("{} kPa", Text::number(moment.pressure->mean * 1e-3, 2));
    if (readings.thermometer)
        view.temperature = Text::set("{} {}", Text::number(readings.thermometer->reading.first, 1),
                                     readingUnit(rig.thermometer));
    view.steady = moment.steady;
    view.verdict = verdictOf(moment, SteadyTolerance{});
    view.looksShut = moment.risesSince.has_value();
    std::vector<Text> trend;
    if (const auto drift = temperatureTrend(trail)) {
        const double aMinute = kMinute * drift->slope;
        const bool clear = std::abs(drift->slope) > 2.0 * drift->slopeU && std::abs(aMinute) >= 0.05;
        if (clear) {
            view.side = aMinute > 0.0 ? ApproachSide::Heating : ApproachSide::Cooling;
            trend.push_back(aMinute > 0.0 ? Text::tr("warms by {} K a minute", Text::number(aMinute, 1))
                                          : Text::tr("cools by {} K a minute", Text::number(-aMinute, 1)));
            if (const Text advice = coolingAdvice(aMinute); !advice.empty()) trend.push_back(advice);
        }
    }
    if (moment.risesSince)
        trend.push_back(Text::tr("pressure rises for {} s: shut off",
                                 std::lround(std::max(0.0, moment.to - *moment.risesSince))));
    view.trend = Text::list(trend);
    return view;
}

} // namespace uttrin
