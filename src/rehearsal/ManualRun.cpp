#include "ManualRun.h"

#include <cmath>

namespace uttrin {
namespace {

Text reasonFor(const VesselState& s, double offKelvin, double thermometerOff, double gaugeOff) {
    constexpr double kGood = 0.5, kQuiet = 1.0; // K
    if (std::abs(offKelvin) <= kGood) return Text::tr("Within half a kelvin: well caught.");
    if (!s.margin) return Text::tr("There is no liquid left that could boil.");
    if (*s.margin < -kQuiet)
        return Text::tr("It was not boiling yet: {:.1f} K to go. Bubbles of air do not count.", -*s.margin);
    if (std::abs(thermometerOff) > kGood && std::abs(thermometerOff) >= std::abs(gaugeOff))
        return thermometerOff > 0.0 ? Text::tr("The thermometer lags: it showed {:.1f} K more than the "
                                               "liquid. Wait until it stands.",
                                               thermometerOff)
                                    : Text::tr("The thermometer lags: it showed {:.1f} K less than the "
                                               "liquid. Wait until it stands.",
                                               -thermometerOff);
    if (s.airPascal > 0.05 * s.pascal)
        return Text::tr("Air is left over the liquid: shut off, the gauge shows vapour and air together, so "
                        "the liquid is "
                        "colder than the boiling point it suggests.");
    return Text::tr(
        "Pressure and temperature did not belong to the same moment: hold the pressure steady first.");
}

} // namespace

Text stateOf(const RigControl& control) {
    switch (control.kind) {
    case RigControl::Valve:
    case RigControl::Ballast:
        return control.on ? Text::tr("open") : Text::tr("shut");
    case RigControl::Ice:
    case RigControl::Contact:
        return control.on ? Text::tr("in place") : Text::tr("taken away");
    default:
        return control.on ? Text::tr("on") : Text::tr("off");
    }
}

std::vector<RigControl> controlsOf(const RigModel& now, const RigSetup& setup) {
    const RigModel& built = setup.model;
    std::vector<RigControl> all;
    const auto at = [](std::size_t i) { return static_cast<int>(i); };
    for (std::size_t i = 0; i < now.links.size(); ++i) {
        const Link& l = now.links[i];
        if (isLeak(l) || isOpenTop(setup, l) || l.reliefPascal > 0.0 || (l.from != kRoom && l.to != kRoom))
            continue;
        const bool open = l.opening > 0.0;
        all.push_back(
            {RigControl::Valve, Text::data(l.name), open, {RigAction::Open, at(i), open ? 0.0 : 1.0}, l.opening});
    }
    for (std::size_t i = 0; i < now.pumps.size(); ++i) {
        const PumpAt& p = now.pumps[i];
        all.push_back(
            {RigControl::Pump, Text::data(p.name), p.on, {RigAction::RunPump, at(i), p.on ? 0.0 : 1.0}});
        if (p.ballast > 0.0)
            all.push_back({RigControl::Ballast,
                           Text::tr("{}’s ballast", Text::data(p.name)),
                           p.ballastOpen > 0.0,
                           {RigAction::Ballast, at(i), p.ballastOpen > 0.0 ? 0.0 : 1.0}});
    }
    for (std::size_t i = 0; i < now.heaters.size(); ++i) {
        constexpr double kUsual = 300.0; // W
        const double power = built.heaters[i].watt > 0.0 ? built.heaters[i].watt : kUsual;
        const bool on = now.heaters[i].watt > 0.0;
        all.push_back({RigControl::Heater,
                       Text::data(now.heaters[i].name),
                       on,
                       {RigAction::Heat, at(i), on ? 0.0 : power},
                       now.heaters[i].watt});
    }
    for (std::size_t i = 0; i < now.contacts.size(); ++i) {
        const Contact& c = now.contacts[i];
        if (isOfTheRoom(c)) continue;
        if (built.contacts[i].iceKg > 0.0)
            all.push_back({RigControl::Ice,
                           Text::data(c.name),
                           c.on,
                           {RigAction::Ice, at(i), c.on ? 0.0 : built.contacts[i].iceKg}});
        else
            all.push_back(
                {RigControl::Contact, Text::data(c.name), c.on, {RigAction::Touch, at(i), c.on ? 0.0 : 1.0}});
    }
    for (std::size_t i = 0; i < now.draughts.size(); ++i)
        all.push_back({RigControl::Draught,
                       Text::data(now.draughts[i].name),
                       now.draughts[i].on,
                       {RigAction::Fan, at(i), now.draughts[i].on ? 0.0 : 1.0}});
    return all;
}

ManualRun::ManualRun(RigSimulator rig, RigSetup setup) : m_rig(std::move(rig)) {
    setup.moves.clear();
    m_soFar.setup = std::move(setup);
    look();
}

Result<ManualRun> ManualRun::make(const RigFile& rig, const std::vector<RigSetting>& settings) {
    auto setup = rig.setup(settings);
    if (!setup) return tl::unexpected(setup.error());
    auto fluid = rigFluid(setup->substance);
    if (!fluid) return tl::unexpected(fluid.error());
    auto simulator = RigSimulator::make(setup->model, *fluid);
    if (!simulator) return tl::unexpected(simulator.error());
    return ManualRun(std::move(*simulator), std::move(*setup));
}

bool ManualRun::goOn(double seconds) {
    RigRun& run = m_soFar.run;
    if (run.stopped || m_rig.seconds() >= m_soFar.setup.seconds) return false;
    if (const auto done = m_rig.advance(std::min(m_rig.seconds() + seconds, m_soFar.setup.seconds)); !done)
        run.stopped = done.error();
    else
        look();
    return !run.stopped;
}

void ManualRun::look() {
    RigRun& run = m_soFar.run;
    run.samples.push_back(m_rig.sample());
    recordOutcome(m_rig, run);
    m_soFar.now = m_rig.model();
    readInstruments(m_soFar);
}

ManualCapture ManualRun::capture() const {
    const int watched = m_soFar.setup.watched;
    const VesselState& s = m_soFar.watchedAt(m_soFar.run.samples.size() - 1);
    const auto* thermometer = shownOf(m_soFar, RigInstrument::Thermometer, watched);
    const auto* gauge = shownOf(m_soFar, RigInstrument::Gauge, watched);
    const auto boils = [&](double pascal) { return m_rig.boilingKelvin(watched, std::max(pascal, 1.0)); };
    ManualCapture c;
    c.shownKelvin = thermometer ? thermometer->back() : s.kelvin;
    c.shownPascal = gauge ? gauge->back() : s.pascal;
    c.boilsKelvin = boils(c.shownPascal);
    c.offKelvin = c.shownKelvin - c.boilsKelvin;
    c.why = reasonFor(s, c.offKelvin, c.shownKelvin - s.kelvin, c.boilsKelvin - boils(s.pascal));
    return c;
}

} // namespace uttrin
