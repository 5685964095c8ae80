// What passes between the vessels of a rig, and through its bounds.
#include "RigRates.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

const VesselState& upstreamOf(const VesselState& a, const VesselState& b) {
    return a.pascal >= b.pascal ? a : b;
}

} // namespace

bool RigBalance::touchesWall(int vessel, TouchedPart part) const {
    return part == TouchedPart::Wall &&
           m_model.vessels[static_cast<std::size_t>(vessel)].wallHeatCapacity > 0.0;
}

double RigBalance::iceLeft(std::span<const double> y, std::size_t i) const {
    constexpr double kFusion = 333.4e3; // J/kg: water's, whatever is in the rig
    const double whole = m_model.contacts[i].iceKg;
    return whole > 0.0 ? std::clamp(whole - y[m_iceOf[i]] / kFusion, 0.0, whole) : 0.0;
}

ContactState RigBalance::contact(std::span<const VesselState> states, std::span<const double> y,
                                 std::size_t i) const {
    const Contact& c = m_model.contacts[i];
    const auto kelvinOf = [&](int vessel, TouchedPart part) {
        const VesselState& s = states[static_cast<std::size_t>(vessel)];
        return touchesWall(vessel, part) ? s.wallKelvin : std::lerp(s.gasKelvin, s.kelvin, wetness(s));
    };
    ContactState s{0.0, iceLeft(y, i)};
    double share = 1.0, kelvin = c.kelvin;
    if (c.iceKg > 0.0) {
        constexpr double kMelts = 273.15; // K
        share = std::cbrt(s.iceKg / c.iceKg);
        share *= share; // as its surface
        kelvin = kMelts;
    }
    if (c.other != kRoom) kelvin = kelvinOf(c.other, TouchedPart::Wall);
    if (c.on) s.watt = share * c.conductance * (kelvin - kelvinOf(c.vessel, c.part));
    return s;
}

DishState RigBalance::dish(std::span<const double> y, std::size_t i) const {
    const DryingAgent& agent = m_model.dishes[i].agent;
    const double* own = &y[m_dishes + kPerDish * i];
    return {own[0],
            m_fluid.tripleKelvin() + (own[1] + agent.heat(own[0])) /
                                         (agent.dryHeatCapacity() + own[0] * m_fluid.liquidHeatCapacity())};
}

FlowingGas RigBalance::mixture(const VesselState& s) const {
    const FlowingGas air, &own = m_fluid.vapour();
    if (s.pascal <= 0.0) return air;
    const double ofAir = s.airPascal / s.pascal, ofSolute = s.solutePascal / s.pascal;
    const FlowingGas& second = ofSolute > 0.0 ? m_model.solute->fluid()->vapour() : own;
    const auto mixed = [&](double FlowingGas::*part) {
        return (1.0 - ofAir - ofSolute) * own.*part + ofAir * air.*part + ofSolute * second.*part;
    };
    return {mixed(&FlowingGas::molarMass), mixed(&FlowingGas::viscosity), mixed(&FlowingGas::heatRatio)};
}

RigBalance::Stream RigBalance::stream(const VesselState& from, double massFlow) const {
    const double whole = from.vapour + from.air + from.soluteVapour;
    if (whole <= 0.0) return {};
    Stream out{massFlow * from.vapour / whole, massFlow * from.air / whole,
               massFlow * from.soluteVapour / whole};
    out.energy = out.vapour * m_fluid.vapourEnthalpy(from.gasKelvin) + out.air * airEnthalpy(from.gasKelvin);
    if (out.solute != 0.0) out.energy += out.solute * m_model.solute->fluid()->vapourEnthalpy(from.gasKelvin);
    return out;
}

/// kg/s through a link, from `a` to `b`.
double RigBalance::flowIn(const Link& link, const VesselState& a, const VesselState& b) const {
    double opening = link.opening;
    if (link.reliefPascal > 0.0) { // lifts over a twentieth of its pressure
        constexpr double kLift = 0.05;
        opening *=
            std::clamp((a.pascal - b.pascal - link.reliefPascal) / (kLift * link.reliefPascal), 0.0, 1.0);
    }
    if (opening <= 0.0) return 0.0;
    const VesselState& upstream = upstreamOf(a, b);
    const Tube open{link.tube.diameter * std::sqrt(opening), link.tube.length};
    return tubeMassFlow(open, mixture(upstream), upstream.gasKelvin, a.pascal, b.pascal);
}

LinkState RigBalance::link(double seconds, std::span<const VesselState> states, std::size_t i) const {
    const Link& l = m_model.links[i];
    const VesselState outside = room(seconds);
    const auto at = [&](int vessel) -> const VesselState& {
        return vessel == kRoom ? outside : states[static_cast<std::size_t>(vessel)];
    };
    const VesselState &a = at(l.from), &b = at(l.to);
    LinkState s;
    s.flow = flowIn(l, a, b);
    if (s.flow == 0.0) return s;
    // As fast as it comes out: by its fall in pressure, at most with the speed of sound.
    const VesselState& upstream = upstreamOf(a, b);
    const double high = upstream.pascal, low = std::min(a.pascal, b.pascal);
    if (high <= 0.0 || low >= high) return s;
    const FlowingGas gas = mixture(upstream);
    const double g = gas.heatRatio, critical = std::pow(2.0 / (g + 1.0), g / (g - 1.0));
    const double speed = std::sqrt(2.0 * g / (g - 1.0) * kMolarGas * upstream.gasKelvin / gas.molarMass *
                                   (1.0 - std::pow(std::max(low / high, critical), (g - 1.0) / g)));
    s.jet = std::abs(s.flow) * speed;
    return s;
}

void RigBalance::flowThrough(const Link& link, Rates& r) const {
    if (link.opening <= 0.0) return;
    const VesselState &a = r.at(link.from), &b = r.at(link.to);
    const Stream carried = stream(upstreamOf(a, b), flowIn(link, a, b));
    r.add(link.from, carried, -1.0);
    r.add(link.to, carried, 1.0);
}

/// Liquid by Hagen-Poiseuille's law as far as its own inertia lets it, from the vessel that pushes harder.
/// Gas goes where liquid does not cover the end of the tube: it has no weight in it, and meets that of the
/// liquid which stands over the other end.
TubeState RigBalance::liquidTube(std::span<const VesselState> states, std::size_t i) const {
    const LiquidTube& t = m_model.liquidTubes[i];
    const auto lower = static_cast<std::size_t>(t.from), upper = static_cast<std::size_t>(t.to);
    const auto pushes = [&](std::size_t v) {
        return states[v].pascal + headOf(m_model.vessels[v], states[v]);
    };
    const auto covered = [&](std::size_t v) { // share of the tube's end that is under liquid
        constexpr double kMeniscus = 5e-4;    // m
        const double depth = depthOf(m_model.vessels[v], states[v]) / kMeniscus;
        return -std::expm1(-depth * depth);
    };
    const double density = m_fluid.liquidDensity(), below = pushes(lower),
                 above = pushes(upper) + density * kStandardGravity * t.rise,
                 difference = std::abs(below - above),
                 area = 0.25 * std::numbers::pi * t.tube.diameter * t.tube.diameter;
    const double byFriction = area * t.tube.diameter * t.tube.diameter * density * difference /
                              (32.0 * t.viscosity * t.tube.length);
    // Where hardly any difference is left friction alone counts, so that the flow dies out evenly.
    const double byInertia = area * std::sqrt(2.0 * density * (difference + 1.0));
    const double whole = byFriction / std::sqrt(1.0 + byFriction * byFriction / (byInertia * byInertia));
    const std::size_t donor = below > above ? lower : upper;
    TubeState s;
    if (states[donor].liquid + states[donor].solute > 0.0)
        s.liquid = (donor == lower ? 1.0 : -1.0) * covered(donor) * whole;
    const auto gas = [&](std::size_t from, std::size_t to) {
        const double open = 1.0 - covered(from), against = pushes(to);
        return open > 0.0 && states[from].pascal > against
                   ? open * tubeMassFlow(t.tube, mixture(states[from]), states[from].gasKelvin,
                                         states[from].pascal, against)
                   : 0.0;
    };
    s.gas = gas(lower, upper) - gas(upper, lower);
    return s;
}

void RigBalance::pushLiquid(std::size_t i, Rates& r) const {
    const LiquidTube& t = m_model.liquidTubes[i];
    const TubeState through = liquidTube(r.states, i);
    if (through.liquid != 0.0) {
        const bool up = through.liquid > 0.0;
        const VesselState& donor = r.at(up ? t.from : t.to);
        const double share = std::abs(through.liquid) / (donor.liquid + donor.solute),
                     liquid = share * donor.liquid, solute = share * donor.solute,
                     air = share * donor.dissolved;
        double energy = liquid * m_fluid.liquidEnergy(donor.kelvin) + air * airEnergy(donor.kelvin);
        if (solute > 0.0) energy += solute * m_model.solute->energy(donor.kelvin);
        const double pushed = donor.pascal * std::abs(through.liquid) / m_fluid.liquidDensity(); // by its gas
        for (const auto& [index, sign] :
             {std::pair{up ? t.from : t.to, -1.0}, std::pair{up ? t.to : t.from, 1.0}}) {
            const auto rate = r.own(index);
            rate[Condensed] += sign * liquid;
            if (solute != 0.0) rate[SoluteInLiquid] += sign * solute;
            rate[Dissolved] += sign * air;
            rate[Contents] += sign * energy;
            rate[Gas] += sign * pushed;
        }
    }
    if (through.gas != 0.0) {
        const Stream carried = stream(r.at(through.gas > 0.0 ? t.from : t.to), through.gas);
        r.add(t.from, carried, -1.0);
        r.add(t.to, carried, 1.0);
    }
}

/// A skin gives way as fast as its viscosity lets it; what it is stretched by is stored, what it resists with
/// beyond that warms its contents; cells that are stretched too far lose their gas.
void RigBalance::stretch(std::size_t k, std::span<const double> y, Rates& r) const {
    const Skin& skin = m_model.skins[k];
    const VesselState &in = r.at(skin.inside), &out = r.at(skin.around);
    const double volume = y[m_skins + kPerSkin * k],
                 rest = skin.rest > 0.0 ? skin.rest
                                        : m_model.vessels[static_cast<std::size_t>(skin.inside)].volume;
    const double ratio = std::max(volume / rest, 1e-3), holds = skin.pressure(ratio);
    const double excess = in.pascal - out.pascal - holds, widens = volume * excess / skin.viscosity;
    double* rate = &r.all[m_skins + kPerSkin * k];
    rate[0] += widens;
    rate[1] += holds * widens;
    r.own(skin.inside)[Gas] -= in.pascal * widens;
    heatContents(excess * widens, in, r.own(skin.inside));
    if (skin.around == kRoom)
        r.boundary(0.0, -out.pascal * widens);
    else
        r.own(skin.around)[Gas] += out.pascal * widens;
    if (const double over = ratio / skin.holds - 1.0; over > 0.0 && skin.bursting > 0.0) {
        const Stream lost = stream(in, skin.bursting * over * (in.vapour + in.air + in.soluteVapour));
        r.add(skin.inside, lost, -1.0);
        r.add(skin.around, lost, 1.0);
    }
}

PumpState RigBalance::pump(std::span<const double> y, std::size_t i) const {
    constexpr double kHalf = 0.05; // kg in the oil that give half of the saturation pressure at the inlet
    constexpr double kLeaksBack = 0.005; // of the ballast
    const PumpAt& p = m_model.pumps[i];
    PumpState s{p.oilKelvin > 0.0 ? std::max(y[m_oilOf[i]], 0.0) : 0.0, p.pump.ultimatePa};
    if (s.oilKg > 0.0) s.reaches += m_fluid.liquidSaturation(p.oilKelvin) * s.oilKg / (s.oilKg + kHalf);
    if (p.pump.speed > 0.0)
        s.reaches += kLeaksBack * p.ballastOpen * p.ballast / p.pump.speed * m_model.roomPascal;
    return s;
}

/// What a pump with oil takes in it must push out against the room: vapour that would lie there above its
/// saturation pressure stays in the oil, and is carried off once there is gas enough. W. Gaede, Z.
/// Naturforsch. 2a (1947) 233.
void RigBalance::pumpAway(std::size_t i, std::span<const double> y, Rates& r) const {
    const PumpAt& p = m_model.pumps[i];
    if (!p.on) return;
    const VesselState& s = r.at(p.vessel);
    const PumpState now = pump(y, i);
    const Stream carried =
        stream(s, pumpMassFlow({p.pump.speed, now.reaches}, mixture(s), s.gasKelvin, s.pascal));
    r.add(p.vessel, carried, -1.0);
    r.add(kRoom, carried, 1.0);
    if (p.oilKelvin <= 0.0) return;
    const double mass = m_fluid.vapour().molarMass, saturation = m_fluid.liquidSaturation(p.oilKelvin),
                 room = m_model.roomPascalAt(r.seconds);
    if (saturation >= room) return;
    const double gas =
        (carried.air * kAirGas + p.ballastOpen * p.ballast * room / m_model.roomKelvin) / kMolarGas; // mol/s
    const double stays = carried.vapour - mass * gas * saturation / (room - saturation);
    constexpr double kLast = 1e-5; // kg, of which less leaves the oil
    r.all[m_oilOf[i]] = stays > 0.0 ? stays : stays * now.oilKg / (now.oilKg + kLast);
}

void RigBalance::touch(std::size_t i, std::span<const double> y, Rates& r) const {
    const Contact& c = m_model.contacts[i];
    if (!c.on) return;
    const double heat = contact(r.states, y, i).watt;
    const auto give = [&](int vessel, TouchedPart part, double watt) {
        if (touchesWall(vessel, part))
            r.own(vessel)[Wall] += watt;
        else
            heatContents(watt, r.at(vessel), r.own(vessel));
    };
    give(c.vessel, c.part, heat);
    if (c.other != kRoom)
        give(c.other, TouchedPart::Wall, -heat);
    else
        r.boundary(0.0, heat);
    if (c.iceKg > 0.0) r.all[m_iceOf[i]] = -heat;
}

/// Vapour that a draught carries off, straight from the surface into the room.
void RigBalance::blowOver(const Draught& d, Rates& r) const {
    const VesselState& s = r.at(d.vessel);
    if (!d.on) return;
    const auto rate = r.own(d.vessel);
    const Saturation over = saturationOver(s, s.kelvin);
    const auto carriesOff = [&](Unknown from, const RigFluid& fluid, double held, double saturation,
                                double outside) {
        const double flow = d.surface * d.transfer * fluid.vapour().molarMass / kMolarGas *
                            (lastFilm(held) * saturation / s.kelvin - outside / m_model.roomKelvin);
        const double energy = flow * fluid.vapourEnthalpy(flow > 0.0 ? s.kelvin : m_model.roomKelvin);
        rate[from] -= flow;
        rate[Contents] -= energy;
        r.boundary(-flow, -energy);
    };
    carriesOff(Condensed, m_fluid, s.liquid + s.solid, over.solvent,
               d.humidity > 0.0 ? d.humidity * m_fluid.liquidSaturation(m_model.roomKelvin) : 0.0);
    if (over.solute > 0.0) carriesOff(SoluteInLiquid, *m_model.solute->fluid(), s.solute, over.solute, 0.0);
}

void RigBalance::dry(std::size_t i, std::span<const double> y, Rates& r) const {
    const DryingDish& d = m_model.dishes[i];
    const VesselState& s = r.at(d.vessel);
    const DishState own = dish(y, i);
    const double kelvin = std::clamp(own.kelvin, m_fluid.lowestLiquidKelvin(), m_fluid.highestKelvin());
    constexpr double kSticks = 0.001; // what comes in must mix with what lies below it
    const double flow = -d.surface * chokedByAir(s) *
                        evaporationFlux(kSticks, m_fluid.vapour().molarMass, kelvin,
                                        d.agent.activity(own.waterKg) * m_fluid.liquidSaturation(kelvin),
                                        kelvin, s.vapourPascal());
    const double energy = flow * m_fluid.vapourEnthalpy(flow > 0.0 ? s.gasKelvin : kelvin);
    const double lost = d.toRoom * (own.kelvin - m_model.roomKelvin);
    r.own(d.vessel)[Vapour] -= flow;
    r.own(d.vessel)[Gas] -= energy;
    double* rate = &r.all[m_dishes + kPerDish * i];
    rate[0] += flow;
    rate[1] += energy - lost;
    r.boundary(0.0, -lost);
}

void RigBalance::stirIn(int vessel, double seconds, Rates& r) const {
    const Vessel& v = m_model.vessels[static_cast<std::size_t>(vessel)];
    if (!v.feed) return;
    const double flow = v.feed->slope(seconds),
                 energy = flow * m_model.solute->energyBefore(m_model.roomKelvin);
    r.own(vessel)[SoluteInLiquid] += flow;
    r.own(vessel)[Contents] += energy;
    r.boundary(flow, energy);
}

Result<void> RigBalance::rates(double seconds, std::span<const double> y, std::span<double> out) const {
    std::ranges::fill(out, 0.0);
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const auto s = state(seconds, y, i);
        if (!s) return tl::unexpected(s.error());
        m_states[i] = *s;
    }
    Rates r{out, m_states, room(seconds), m_perVessel, seconds};
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const VesselState& s = r.states[i];
        const auto rate = r.own(static_cast<int>(i));
        const Bubbles escaping = bubbles(i, s);
        evaporate(v, s, escaping, rate);
        letAirOut(s, escaping, rate);
        if (v.wallHeatCapacity > 0.0) condenseOnWall(v, s, rate);
        exchangeHeat(v, s, rate);
        stirIn(static_cast<int>(i), seconds, r);
        if (v.stroke) { // a plunger does work on the gas
            const double work = -s.pascal * v.stroke->slope(seconds);
            rate[Gas] += work;
            r.boundary(0.0, work);
        }
    }
    for (const Link& link : m_model.links)
        flowThrough(link, r);
    for (std::size_t i = 0; i < m_model.liquidTubes.size(); ++i)
        pushLiquid(i, r);
    for (std::size_t k = 0; k < m_model.skins.size(); ++k)
        stretch(k, y, r);
    for (std::size_t i = 0; i < m_model.pumps.size(); ++i)
        pumpAway(i, y, r);
    for (std::size_t i = 0; i < m_model.contacts.size(); ++i)
        touch(i, y, r);
    for (const Draught& draught : m_model.draughts)
        blowOver(draught, r);
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        dry(i, y, r);
    for (const Heater& h : m_model.heaters) {
        if (touchesWall(h.vessel, h.part))
            r.own(h.vessel)[Wall] += h.watt;
        else
            heatContents(h.watt, r.at(h.vessel), r.own(h.vessel));
        r.boundary(0.0, h.watt);
    }
    return {};
}

} // namespace uttrin
