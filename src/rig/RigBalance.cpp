// What passes between the vessels of a rig, and through its bounds.
#include "RigRates.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
bool RigBalance::touchesWall(int vessel, TouchedPart part) const {
    return part == TouchedPart::Wall && !m_model.vessels[static_cast<std::size_t>(vessel)].walls.empty();
}

double RigBalance::iceLeft(std::span<const double> y, std::size_t i) const {
    constexpr double kFusion = 333.4e3; // J/kg: water's, whatever is in the rig
    const double whole = m_model.contacts[i].iceKg;
    return whole > 0.0 ? std::clamp(whole - y[m_iceOf[i]] / kFusion, 0.0, whole) : 0.0;
}

ContactState RigBalance::contact(std::span<const VesselState> states, std::span<const double> y,
                                 std::size_t i) const {
    const Contact& c = m_model.contacts[i];
    const auto kelvinOf = [&](int vessel, TouchedPart part, int wall) {
        const VesselState& s = states[static_cast<std::size_t>(vessel)];
        return touchesWall(vessel, part) ? s.wallKelvins[static_cast<std::size_t>(wall)]
                                         : std::lerp(s.gasKelvin, s.kelvin, wetness(s));
    };
    ContactState s{0.0, iceLeft(y, i)};
    double share = 1.0, kelvin = c.kelvin;
    if (c.iceKg > 0.0) {
        constexpr double kMelts = 273.15, kCovers = 0.03; // K; share of the ice that still covers its place
        const double left = s.iceKg / c.iceKg, edge = std::cbrt(left);
        share = touchesWall(c.vessel, c.part) ? std::min(1.0, left / kCovers) : edge * edge;
        kelvin = kMelts;
    }
    if (c.other != kRoom) kelvin = kelvinOf(c.other, TouchedPart::Wall, 0);
    if (c.on) s.watt = share * c.conductance * (kelvin - kelvinOf(c.vessel, c.part, c.wall));
    return s;
}

DishState RigBalance::dish(std::span<const double> y, std::size_t i) const {
    const DryingAgent& agent = m_model.dishes[i].agent;
    const double* own = &y[m_dishes + kPerDish * i];
    return {own[0],
            m_fluid.tripleKelvin() + (own[1] + agent.heat(own[0])) /
                                         (agent.dryHeatCapacity() + own[0] * m_fluid.liquidHeatCapacity())};
}

/// Of all that is in the gas.
FlowingGas RigBalance::mixture(const VesselState& s) const {
    const FlowingGas air, &own = m_fluid.vapour();
    if (s.pascal <= 0.0) return air;
    // A trial step may hold less than nothing of one.
    const double ofSolute = std::clamp(s.solutePascal / s.pascal, 0.0, 1.0),
                 ofAir = std::clamp(s.airPascal / s.pascal, 0.0, 1.0 - ofSolute);
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

/// A skin gives way as fast as its viscosity lets it; what it is stretched by is stored, what it resists with
/// beyond that warms its contents; cells that are stretched too far lose their gas.
void RigBalance::stretch(std::size_t k, std::span<const double> y, Rates& r) const {
    const Skin& skin = m_model.skins[k];
    const VesselState &in = r.at(skin.inside), &out = r.at(skin.around);
    const double volume = y[m_skins + kPerSkin * k],
                 rest = skin.rest > 0.0 ? skin.rest
                                        : m_model.vessels[static_cast<std::size_t>(skin.inside)].volume;
    const double ratio = std::max(volume / rest, 1e-3), holds = skin.pressure(ratio);
    const std::optional<Ramp>& hand = m_model.vessels[static_cast<std::size_t>(skin.inside)].stroke;
    const double pushes = in.pascal - out.pascal - holds,
                 excess = std::copysign(std::max(std::abs(pushes) - skin.friction, 0.0), pushes),
                 widens = isHeld(skin) ? hand->slope(r.seconds) : volume * excess / skin.viscosity;
    double* rate = &r.all[m_skins + kPerSkin * k];
    constexpr double kFollows = 0.05; // s: what is held is where the hand is
    rate[0] += widens + (isHeld(skin) ? (hand->at(r.seconds) - volume) / kFollows : 0.0);
    rate[1] += holds * widens;
    r.own(skin.inside)[Gas] -= in.pascal * widens;
    if (isHeld(skin))
        r.boundary(0.0, -pushes * widens);
    else
        heatContents(pushes * widens, in, r.own(skin.inside));
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
    PumpState s{p.oilKelvin > 0.0 ? std::max(y[m_oilOf[i]], 0.0) : 0.0, p.pump.ultimatePa, y[m_pumped + i]};
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
    const Stream carried = stream(s, pumpMassFlow({p.pump.speed, now.reaches}, s.gas, s.gasKelvin, s.pascal));
    r.add(p.vessel, carried, -1.0);
    r.add(kRoom, carried, 1.0);
    r.all[m_pumped + i] = carried.vapour + carried.air + carried.solute;
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

/// Heat for the contents of a vessel, or for one of its walls if it has any.
void RigBalance::giveHeat(int vessel, TouchedPart part, int wall, double watt, Rates& r) const {
    if (touchesWall(vessel, part))
        r.all[wallUnknown(static_cast<std::size_t>(vessel), static_cast<std::size_t>(wall))] += watt;
    else
        heatContents(watt, r.at(vessel), r.own(vessel));
}

void RigBalance::touch(std::size_t i, std::span<const double> y, Rates& r) const {
    const Contact& c = m_model.contacts[i];
    if (!c.on) return;
    const double heat = contact(r.states, y, i).watt;
    giveHeat(c.vessel, c.part, c.wall, heat, r);
    if (!touchesWall(c.vessel, c.part)) { // a place where nothing lies any more is as warm as the gas over it
        constexpr double kBarePlace = 0.05; // W/K
        const VesselState& s = r.at(c.vessel);
        const double bare = kBarePlace * (1.0 - wetness(s)) * (s.gasKelvin - s.kelvin);
        r.own(c.vessel)[Contents] += bare;
        r.own(c.vessel)[Gas] -= bare;
    }
    if (c.other != kRoom)
        giveHeat(c.other, TouchedPart::Wall, 0, -heat, r);
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
    const double flow = -d.surface * chokedByAir(s) *
                        evaporationFlux(d.agent.uptake(own.waterKg), m_fluid.vapour().molarMass, kelvin,
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
    const double flow = v.feed->slope(seconds, v.dissolving),
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
    Rates r{out, m_states, room(seconds), m_flows, m_perVessel, seconds};
    for (std::size_t i = 0; i < m_flows.size(); ++i) {
        const Link& link = m_model.links[i];
        m_flows[i] = flowIn(link, r.at(link.from), r.at(link.to));
    }
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const VesselState& s = r.states[i];
        const auto rate = r.own(static_cast<int>(i));
        const Bubbles escaping = bubbles(i, s);
        evaporate(v, s, escaping, sweepOf(i, r), rate);
        letAirOut(s, escaping, rate);
        for (std::size_t w = 0; w < v.walls.size(); ++w)
            condenseOnWall(v.walls[w], s.wallKelvins[w], s, frostOf(v, s), rate, r.all[wallUnknown(i, w)]);
        exchangeHeat(i, s, r.all);
        stirIn(static_cast<int>(i), seconds, r);
        if (v.stroke && !hasPlunger(i)) { // what moves its bottom does work on the gas
            const double work = -s.pascal * v.stroke->slope(seconds);
            rate[Gas] += work;
            r.boundary(0.0, work);
        }
    }
    for (std::size_t i = 0; i < m_model.links.size(); ++i)
        flowThrough(i, r);
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
        giveHeat(h.vessel, h.part, h.wall, h.watt, r);
        r.boundary(0.0, h.watt);
    }
    return {};
}

} // namespace uttrin
