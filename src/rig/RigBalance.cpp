#include "RigBalance.h"

#include "physics/Constants.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kAirMolarMass = 0.0289652; // kg/mol
constexpr double kAirCp = 1005.0;           // J/(kg K)
constexpr double kAirGas = kMolarGas / kAirMolarMass;
constexpr double kBoilingArea = 20.0; // times the surface, where it boils
constexpr double kFilm = 5000.0;      // W/(m2 K), of a condensed film
constexpr double kAirChokes = 200.0;  // half at 0.5 % of air, Othmer (1929)
constexpr double kLastFilm = 1e-7;    // kg; below it what is left evaporates ever more slowly
enum Unknown : std::size_t { Condensed, Vapour, Air, Contents, Wall };

} // namespace

double RigBalance::airEnthalpy(double kelvin) const { return kAirCp * (kelvin - m_fluid.tripleKelvin()); }

/// J, of contents at one temperature, all of what is condensed liquid or all of it frozen.
double RigBalance::energyOf(double condensed, bool frozen, double vapour, double air, double kelvin) const {
    return condensed * (frozen ? m_fluid.solidEnergy(kelvin) : m_fluid.liquidEnergy(kelvin)) +
           vapour * m_fluid.vapourEnergy(kelvin) + air * (airEnthalpy(kelvin) - kAirGas * kelvin);
}

std::vector<double> RigBalance::start() const {
    std::vector<double> y(size(), 0.0);
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const bool frozen = v.kelvin < m_fluid.tripleKelvin() && m_fluid.hasSolid();
        const double gas = v.volume - v.condensed / m_fluid.liquidDensity(), t = v.kelvin;
        const double saturation =
            v.condensed > 0.0 ? (frozen ? m_fluid.solidSaturation(t) : m_fluid.liquidSaturation(t)) : 0.0;
        const double vapour = saturation * gas * m_fluid.vapour().molarMass / (kMolarGas * t),
                     air = v.airPascal * gas / (kAirGas * t);
        double* own = &y[kPerVessel * i];
        own[Condensed] = v.condensed;
        own[Vapour] = vapour;
        own[Air] = air;
        own[Contents] = energyOf(v.condensed, frozen, vapour, air, t);
        own[Wall] = v.wallHeatCapacity * (t - m_fluid.tripleKelvin());
    }
    return y;
}

/// Temperature of contents from their energy; where they freeze, the triple point and how much is solid.
double RigBalance::temperatureOf(double condensed, double vapour, double air, double energy,
                                 double& solid) const {
    const double triple = m_fluid.tripleKelvin();
    const double atTriple = energyOf(condensed, false, vapour, air, triple);
    solid = 0.0;
    const bool below = m_fluid.hasSolid() && energy < atTriple;
    if (below && energy >= atTriple - condensed * m_fluid.fusion()) {
        solid = (atTriple - energy) / m_fluid.fusion();
        return triple;
    }
    if (below) solid = condensed;
    const double heat = condensed * (below ? m_fluid.solidHeatCapacity() : m_fluid.liquidHeatCapacity()) +
                        air * (kAirCp - kAirGas);
    double t = triple;
    constexpr int kSteps = 12;
    for (int i = 0; i < kSteps; ++i) {
        const double step = (energy - energyOf(condensed, below, vapour, air, t)) /
                            (heat + vapour * m_fluid.vapourHeatCapacity(t));
        t += step;
        if (t < m_fluid.lowestKelvin() || t > m_fluid.highestKelvin() || std::abs(step) < 1e-11 * t) break;
    }
    return t;
}

Result<VesselState> RigBalance::state(std::span<const double> y, std::size_t i) const {
    const Vessel& v = m_model.vessels[i];
    const auto own = y.subspan(kPerVessel * i, kPerVessel);
    const auto left = [&](const std::string& what) {
        return fail(Failure::OutOfRange, fmt::format("{}: {}", v.name, what));
    };
    VesselState s;
    const double condensed = std::max(own[Condensed], 0.0); // a rounding below nothing is nothing
    s.vapour = own[Vapour];
    s.air = own[Air];
    s.kelvin = temperatureOf(condensed, s.vapour, s.air, own[Contents], s.solid);
    if (!(s.kelvin >= m_fluid.lowestKelvin() && s.kelvin <= m_fluid.highestKelvin()))
        return left(fmt::format("its contents came to {:.1f} K; the model covers {:.1f} to {:.1f} K",
                                s.kelvin, m_fluid.lowestKelvin(), m_fluid.highestKelvin()));
    s.liquid = condensed - s.solid;
    s.wallKelvin =
        v.wallHeatCapacity > 0.0 ? m_fluid.tripleKelvin() + own[Wall] / v.wallHeatCapacity : s.kelvin;
    if (!(s.wallKelvin >= m_fluid.lowestKelvin() && s.wallKelvin <= m_fluid.highestKelvin()))
        return left(fmt::format("its wall came to {:.1f} K; the model covers {:.1f} to {:.1f} K",
                                s.wallKelvin, m_fluid.lowestKelvin(), m_fluid.highestKelvin()));
    const double gas = v.volume - condensed / m_fluid.liquidDensity();
    if (!(gas > 1e-3 * v.volume)) return left("it is full of liquid; the model needs some gas above it");
    const double vapourPascal = s.vapour * kMolarGas * s.kelvin / (m_fluid.vapour().molarMass * gas);
    s.airPascal = s.air * kAirGas * s.kelvin / gas;
    s.pascal = vapourPascal + s.airPascal;
    return s;
}

FlowingGas RigBalance::mixture(const VesselState& s) const {
    const double vapour = s.pascal > 0.0 ? 1.0 - s.airPascal / s.pascal : 0.0;
    const FlowingGas air, &own = m_fluid.vapour();
    const auto mixed = [vapour](double of, double ofAir) { return vapour * of + (1.0 - vapour) * ofAir; };
    return {mixed(own.molarMass, air.molarMass), mixed(own.viscosity, air.viscosity),
            mixed(own.heatRatio, air.heatRatio)};
}

RigBalance::Stream RigBalance::stream(const VesselState& from, double massFlow) const {
    const double whole = from.vapour + from.air;
    if (whole <= 0.0) return {};
    Stream out;
    out.vapour = massFlow * from.vapour / whole;
    out.air = massFlow * from.air / whole;
    out.energy = out.vapour * m_fluid.vapourEnthalpy(from.kelvin) + out.air * airEnthalpy(from.kelvin);
    return out;
}

VesselState RigBalance::room() const {
    VesselState s;
    s.air = 1.0; // of nothing else
    s.kelvin = m_model.roomKelvin;
    s.pascal = s.airPascal = m_model.roomPascal;
    return s;
}

/// How much of what condenses on a wall freezes there; changes over a fifth of a kelvin below the triple
/// point.
double RigBalance::frostShare(double wallKelvin) const {
    constexpr double kOver = 0.2; // K
    return m_fluid.hasSolid() ? std::clamp((m_fluid.tripleKelvin() - wallKelvin) / kOver, 0.0, 1.0) : 0.0;
}

/// What passes between liquid, gas and wall of one vessel.
void RigBalance::exchangeWithin(const Vessel& v, const VesselState& s, std::span<double> rate) const {
    const double vapourPascal = s.pascal - s.airPascal, mass = m_fluid.vapour().molarMass;
    if (const double condensed = s.liquid + s.solid; condensed > 0.0 || vapourPascal > 0.0) {
        const bool icy = s.liquid <= 0.0 && m_fluid.hasSolid() && s.kelvin <= m_fluid.tripleKelvin();
        const double saturation = icy ? m_fluid.solidSaturation(std::min(s.kelvin, m_fluid.tripleKelvin()))
                                      : m_fluid.liquidSaturation(s.kelvin);
        double flux = evaporationFlux(v.sticking, mass, s.kelvin, saturation, s.kelvin, vapourPascal);
        if (!icy) { // bubbles: then the whole liquid has a surface
            const double bubble =
                m_fluid.liquidSaturation(std::max(s.kelvin - v.nucleation, m_fluid.lowestLiquidKelvin()));
            if (bubble > s.pascal)
                flux +=
                    kBoilingArea * evaporationFlux(v.sticking, mass, s.kelvin, bubble, s.kelvin, s.pascal);
        }
        if (flux > 0.0) flux *= condensed / (condensed + kLastFilm);
        rate[Condensed] -= flux * v.surface;
        rate[Vapour] += flux * v.surface;
    }
    if (!(v.wallHeatCapacity > 0.0)) return;
    const double conducted = v.wallToContents * (s.wallKelvin - s.kelvin);
    rate[Contents] += conducted;
    rate[Wall] -= conducted;
    if (v.dryWall <= 0.0 || vapourPascal <= 0.0) return;
    const double frost = frostShare(s.wallKelvin);
    const double onWall = frost > 0.0
                              ? m_fluid.solidSaturation(std::min(s.wallKelvin, m_fluid.tripleKelvin()))
                              : m_fluid.liquidSaturation(s.wallKelvin);
    if (onWall >= vapourPascal) return;
    // Kinetics and film in a row; what condenses warms the film by its heat.
    const double condensate =
        std::lerp(m_fluid.liquidEnergy(s.wallKelvin), m_fluid.solidEnergy(s.wallKelvin), frost);
    const double heat = m_fluid.vapourEnthalpy(s.kelvin) - condensate;
    const double kinetic = -evaporationFlux(1.0, mass, s.wallKelvin, onWall, s.kelvin, vapourPascal);
    const double film = kFilm / (1.0 + kAirChokes * s.airPascal / s.pascal) *
                        std::max(0.0, m_fluid.boilingKelvin(vapourPascal) - s.wallKelvin) / heat;
    const double condenses = film > 0.0 && kinetic > 0.0 ? v.dryWall / (1.0 / film + 1.0 / kinetic) : 0.0;
    rate[Condensed] += condenses;
    rate[Vapour] -= condenses;
    rate[Contents] -= condenses * heat;
    rate[Wall] += condenses * heat;
}

Result<void> RigBalance::rates(std::span<const double> y, std::span<double> out) const {
    const std::size_t count = m_model.vessels.size();
    std::ranges::fill(out, 0.0);
    std::vector<VesselState> states;
    states.reserve(count);
    for (std::size_t i = 0; i < count; ++i) {
        auto s = state(y, i);
        if (!s) return tl::unexpected(s.error());
        states.push_back(*s);
    }
    const auto own = [&](int vessel) {
        return out.subspan(kPerVessel * static_cast<std::size_t>(vessel), kPerVessel);
    };
    double &massIn = out[size() - 2], &energyIn = out[size() - 1];
    for (std::size_t i = 0; i < count; ++i)
        exchangeWithin(m_model.vessels[i], states[i], own(static_cast<int>(i)));
    const VesselState outside = room();
    const auto add = [&](int vessel, const Stream& stream, double sign) {
        if (vessel == kRoom) {
            massIn -= sign * (stream.vapour + stream.air);
            energyIn -= sign * stream.energy;
            return;
        }
        const auto rate = own(vessel);
        rate[Vapour] += sign * stream.vapour;
        rate[Air] += sign * stream.air;
        rate[Contents] += sign * stream.energy;
    };
    const auto at = [&](int vessel) -> const VesselState& {
        return vessel == kRoom ? outside : states[static_cast<std::size_t>(vessel)];
    };
    for (const Link& link : m_model.links) {
        const VesselState &a = at(link.from), &b = at(link.to);
        const bool forward = a.pascal >= b.pascal;
        const VesselState& upstream = forward ? a : b;
        const double flow = tubeMassFlow(link.tube, mixture(upstream), upstream.kelvin, a.pascal, b.pascal);
        const Stream carried = stream(upstream, flow);
        add(link.from, carried, -1.0);
        add(link.to, carried, 1.0);
    }
    for (const PumpAt& p : m_model.pumps) {
        const VesselState& s = at(p.vessel);
        const Stream carried = stream(s, pumpMassFlow(p.pump, mixture(s), s.kelvin, s.pascal));
        add(p.vessel, carried, -1.0);
        add(kRoom, carried, 1.0);
    }
    for (const Contact& c : m_model.contacts) {
        const VesselState& s = at(c.vessel);
        const bool wall = c.part == TouchedPart::Wall &&
                          m_model.vessels[static_cast<std::size_t>(c.vessel)].wallHeatCapacity > 0.0;
        const double heat = c.conductance * (c.kelvin - (wall ? s.wallKelvin : s.kelvin));
        own(c.vessel)[wall ? Wall : Contents] += heat;
        energyIn += heat;
    }
    for (const Heater& h : m_model.heaters) {
        own(h.vessel)[Contents] += h.watt;
        energyIn += h.watt;
    }
    return {};
}

double RigBalance::totalMass(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        total += y[kPerVessel * i + Condensed] + y[kPerVessel * i + Vapour] + y[kPerVessel * i + Air];
    return total;
}

double RigBalance::totalEnergy(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        total += y[kPerVessel * i + Contents] + y[kPerVessel * i + Wall];
    return total;
}

} // namespace uttrin
