// What flows through the tubes of a rig.
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
    return tubeMassFlow(open, upstream.gas, upstream.gasKelvin, a.pascal, b.pascal);
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
    const FlowingGas& gas = upstream.gas;
    const double g = gas.heatRatio, critical = std::pow(2.0 / (g + 1.0), g / (g - 1.0));
    const double speed = std::sqrt(2.0 * g / (g - 1.0) * kMolarGas * upstream.gasKelvin / gas.molarMass *
                                   (1.0 - std::pow(std::max(low / high, critical), (g - 1.0) / g)));
    s.jet = std::abs(s.flow) * speed;
    return s;
}

/// What flows along carries the mixture of where it comes from; vapour and air spread along the tube besides.
void RigBalance::flowThrough(std::size_t i, Rates& r) const {
    const Link& link = m_model.links[i];
    if (link.opening <= 0.0) return;
    const VesselState &a = r.at(link.from), &b = r.at(link.to), &upstream = upstreamOf(a, b);
    const double flow = r.flows[i] / upstream.gas.molarMass;
    double spreads = 0.0;
    if (link.reliefPascal <= 0.0 && a.pascal > 0.0 && b.pascal > 0.0) {
        const double pascal = 0.5 * (a.pascal + b.pascal), kelvin = 0.5 * (a.gasKelvin + b.gasKelvin);
        spreads = spreading({link.tube.diameter * std::sqrt(link.opening), link.tube.length},
                            m_fluid.vapour(), m_vapourInAir.diffusivity(kelvin, pascal), kelvin, pascal);
    }
    const CounterFlow through = counterFlow(flow, spreads);
    const auto carry = [&](const VesselState& from, double moles, double sign) {
        if (moles <= 0.0) return;
        const Stream carried = stream(from, moles * from.gas.molarMass);
        r.add(link.from, carried, -sign);
        r.add(link.to, carried, sign);
    };
    carry(a, through.forth, 1.0);
    carry(b, through.back, -1.0);
}

double RigBalance::sweepOf(std::size_t vessel, const Rates& r) const {
    const VesselState& s = r.states[vessel];
    if (s.pascal <= 0.0) return 0.0;
    const int own = static_cast<int>(vessel);
    double in = 0.0, out = 0.0; // kg/s
    for (std::size_t l = 0; l < m_model.links.size(); ++l) {
        const Link& link = m_model.links[l];
        if (link.from != own && link.to != own) continue;
        (((link.to == own) == (r.flows[l] > 0.0)) ? in : out) += std::abs(r.flows[l]);
    }
    const FlowingGas& gas = s.gas;
    const double density = s.pascal * gas.molarMass / (kMolarGas * s.gasKelvin), width = std::cbrt(s.space);
    return std::max(in, out) / density / (width * width);
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
                   ? open * tubeMassFlow(t.tube, states[from].gas, states[from].gasKelvin,
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

} // namespace uttrin
