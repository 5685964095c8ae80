#include "StandIn.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

const RigInstrument* instrumentOf(const RigSetup& setup, RigInstrument::Kind kind) {
    const auto at = std::ranges::find_if(setup.instruments, [&](const RigInstrument& i) {
        return i.kind == kind && i.vessel == setup.watched;
    });
    return at == setup.instruments.end() ? nullptr : &*at;
}

/// Between two samples, straight; the first or the last outside.
double between(const Rehearsal& r, const std::vector<double>& values, double seconds) {
    const std::size_t i = r.sampleAt(std::max(seconds, 0.0));
    if (i + 1 >= values.size()) return values.back();
    const double from = r.run.samples[i].seconds, to = r.run.samples[i + 1].seconds;
    return std::lerp(values[i], values[i + 1], std::clamp((seconds - from) / (to - from), 0.0, 1.0));
}

std::vector<double> truthOf(const Rehearsal& r, double VesselState::*part) {
    std::vector<double> values;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        values.push_back(r.watchedAt(i).*part);
    return values;
}

/// The steps of the gauge and the thermometer.
std::pair<double, double> stepsOf(const RigSetup& setup) {
    const auto* gauge = instrumentOf(setup, RigInstrument::Gauge);
    const auto* thermometer = instrumentOf(setup, RigInstrument::Thermometer);
    return {gauge ? gauge->resolution : 0.0, thermometer ? thermometer->resolution : 0.0};
}

/// What both show with their lag, before all else: of a vessel without such an instrument the truth.
ShownInstruments::Shown followedIn(const Rehearsal& r, double seconds) {
    const auto value = [&](RigInstrument::Kind kind, double VesselState::*truth) {
        const auto* shown = shownOf(r, kind, r.setup.watched);
        return between(r, shown ? *shown : truthOf(r, truth), seconds);
    };
    return {value(RigInstrument::Gauge, &VesselState::pascal),
            value(RigInstrument::Thermometer, &VesselState::kelvin)};
}

Result<void> needsInstruments(const RigSetup& setup) {
    if (instrumentOf(setup, RigInstrument::Gauge) || instrumentOf(setup, RigInstrument::Thermometer)) return {};
    return fail(Failure::BadInput, Text::tr("nothing reads the vessel of this rig: it has neither a gauge nor a "
                                            "thermometer"));
}

} // namespace

StandIn::StandIn(Rehearsal rehearsal, StandInSettings settings)
    : ShownInstruments(std::move(settings)), m_rehearsal(std::move(rehearsal)) {
    const auto [pascal, kelvin] = stepsOf(m_rehearsal.setup);
    setSteps(pascal, kelvin);
    // They look at it without their steps: those come last, on top of the noise.
    for (RigInstrument& i : m_rehearsal.setup.instruments)
        i.resolution = i.noise = 0.0;
    readInstruments(m_rehearsal);
}

Result<StandIn> StandIn::make(const RigFile& rig, const std::vector<RigSetting>& changes,
                              StandInSettings settings) {
    auto rehearsal = rehearse(rig, changes);
    if (!rehearsal) return tl::unexpected(rehearsal.error());
    if (const auto read = needsInstruments(rehearsal->setup); !read) return tl::unexpected(read.error());
    return StandIn(std::move(*rehearsal), std::move(settings));
}

ShownInstruments::Shown StandIn::followed(double seconds) { return followedIn(m_rehearsal, seconds); }

HandStandIn::HandStandIn(ManualRun run, StandInSettings settings)
    : ShownInstruments(std::move(settings)), m_run(std::move(run)) {
    const auto [pascal, kelvin] = stepsOf(m_run.soFar().setup);
    setSteps(pascal, kelvin);
}

Result<HandStandIn> HandStandIn::make(const RigFile& rig, const std::vector<RigSetting>& changes,
                                      StandInSettings settings) {
    auto run = ManualRun::make(rig, changes);
    if (!run) return tl::unexpected(run.error());
    if (const auto read = needsInstruments(run->soFar().setup); !read) return tl::unexpected(read.error());
    return HandStandIn(std::move(*run), std::move(settings));
}

ShownInstruments::Shown HandStandIn::followed(double seconds) {
    const double now = m_run.soFar().run.samples.back().seconds;
    if (seconds > now) (void)m_run.goOn(seconds - now);
    const ManualCapture shown = m_run.capture();
    return {shown.shownPascal, shown.shownKelvin};
}

double HandStandIn::lasts() const { return m_run.soFar().setup.seconds; }

} // namespace uttrin
