#include "RigBalance.h"

#include "physics/Constants.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kAirMolarMass = 0.0289652; // kg/mol
constexpr double kAirCp = 1005.0;           // J/(kg K)
constexpr double kAirGas = kMolarGas / kAirMolarMass;
constexpr double kBoilingArea = 20.0;   // times the surface, where it boils
constexpr double kQuietSurface = 500.0; // W/(m2 K), from a liquid to its surface that is cooled from above
constexpr double kFilm = 5000.0;        // W/(m2 K), of a condensed film
constexpr double kAirChokes = 200.0;    // half at 0.5 % of air, Othmer (1929)
constexpr double kLastFilm = 1e-7;      // kg; below it what is left evaporates ever more slowly
constexpr double kGravity = 9.81;       // m/s2
constexpr double kSteadyBubbles = 0.05; // K of superheat with which boiling goes on once it has begun
constexpr double kQuietRelease = 1.0 / 600.0, kBubbleRelease = 1.0 / 15.0, // 1/s, of dissolved air
    kBoilingRelease = 1.0 / 3.0;
enum Unknown : std::size_t { Condensed, Vapour, Air, Dissolved, Contents, Wall };

} // namespace

double RigBalance::airEnthalpy(double kelvin) const { return kAirCp * (kelvin - m_fluid.tripleKelvin()); }

/// J, of contents at one temperature, all of what is condensed liquid or all of it frozen.
double RigBalance::energyOf(double condensed, bool frozen, double vapour, double air, double kelvin) const {
    return condensed * (frozen ? m_fluid.solidEnergy(kelvin) : m_fluid.liquidEnergy(kelvin)) +
           vapour * m_fluid.vapourEnergy(kelvin) + air * (airEnthalpy(kelvin) - kAirGas * kelvin);
}

RigBalance::RigBalance(const RigModel& model, const RigFluid& fluid)
    : m_model(model), m_fluid(fluid), m_moods(model.vessels.size()), m_states(model.vessels.size()),
      m_dishes(kPerVessel * model.vessels.size()) {
    for (const Contact& c : model.contacts)
        m_iceOf.push_back(c.iceKg > 0.0 ? m_dishes++ : 0);
    for (std::size_t i = 0; i < m_moods.size(); ++i) {
        const Vessel& v = model.vessels[i];
        m_moods[i].seeded = v.supercooling <= 0.0 || v.kelvin < fluid.tripleKelvin();
    }
}

bool RigBalance::isMass(std::size_t i) const {
    if (i < kPerVessel * m_model.vessels.size()) return i % kPerVessel < Contents;
    if (i < m_dishes) return false;
    return (i - m_dishes) % kPerDish == 0; // the bounds come as a pair too
}

std::vector<double> RigBalance::start() const {
    std::vector<double> y(size(), 0.0);
    const double triple = m_fluid.tripleKelvin();
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const bool frozen = v.kelvin < triple && m_fluid.hasSolid();
        const double gas = v.volumeAt(0.0) - v.condensed / m_fluid.liquidDensity(), t = v.kelvin;
        const double saturation =
            v.condensed > 0.0 ? (frozen ? m_fluid.solidSaturation(t) : m_fluid.liquidSaturation(t)) : 0.0;
        const double vapour = v.vapourPascal.value_or(saturation) * gas * m_fluid.vapour().molarMass /
                              (kMolarGas * t),
                     air = v.airPascal * gas / (kAirGas * t),
                     dissolved = frozen ? 0.0
                                        : v.airDissolved * v.condensed * m_fluid.airSolubility(t) *
                                              m_model.roomPascalAt(0.0);
        double* own = &y[kPerVessel * i];
        own[Condensed] = v.condensed;
        own[Vapour] = vapour;
        own[Air] = air;
        own[Dissolved] = dissolved;
        own[Contents] = energyOf(v.condensed, frozen, vapour, air + dissolved, t);
        own[Wall] = v.wallHeatCapacity * (t - triple);
    }
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        y[m_dishes + kPerDish * i + 1] =
            m_model.dishes[i].agent.dryHeatCapacity() * (m_model.roomKelvin - triple);
    return y;
}

/// Temperature of contents from their energy; where they freeze, the triple point and how much is solid.
double RigBalance::temperatureOf(double condensed, double vapour, double air, double energy, bool seeded,
                                 double& solid) const {
    const double triple = m_fluid.tripleKelvin();
    const double atTriple = energyOf(condensed, false, vapour, air, triple);
    solid = 0.0;
    const bool below = seeded && m_fluid.hasSolid() && energy < atTriple;
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

Result<VesselState> RigBalance::state(double seconds, std::span<const double> y, std::size_t i) const {
    const Vessel& v = m_model.vessels[i];
    const auto own = y.subspan(kPerVessel * i, kPerVessel);
    const auto left = [&](const std::string& what) {
        return fail(Failure::OutOfRange, fmt::format("{}: {}", v.name, what));
    };
    VesselState s;
    const double condensed = std::max(own[Condensed], 0.0); // a rounding below nothing is nothing
    s.vapour = own[Vapour];
    s.air = own[Air];
    s.dissolved = own[Dissolved];
    const bool seeded = m_moods[i].seeded;
    s.kelvin = temperatureOf(condensed, s.vapour, s.air + s.dissolved, own[Contents], seeded, s.solid);
    s.liquid = condensed - s.solid;
    // A trial step may hold liquid where there is none: then a shorter one is tried.
    const double lowest = seeded && s.liquid <= 0.0 ? m_fluid.lowestKelvin() : m_fluid.lowestLiquidKelvin();
    if (!(s.kelvin >= lowest && s.kelvin <= m_fluid.highestKelvin()))
        return left(fmt::format("its contents came to {:.1f} K; the model covers {:.1f} to {:.1f} K",
                                s.kelvin, lowest, m_fluid.highestKelvin()));
    s.wallKelvin =
        v.wallHeatCapacity > 0.0 ? m_fluid.tripleKelvin() + own[Wall] / v.wallHeatCapacity : s.kelvin;
    if (!(s.wallKelvin >= m_fluid.lowestKelvin() && s.wallKelvin <= m_fluid.highestKelvin()))
        return left(fmt::format("its wall came to {:.1f} K; the model covers {:.1f} to {:.1f} K",
                                s.wallKelvin, m_fluid.lowestKelvin(), m_fluid.highestKelvin()));
    s.volume = v.volumeAt(seconds);
    const double gas = s.volume - condensed / m_fluid.liquidDensity();
    if (!(gas > 1e-3 * s.volume)) return left("it is full of liquid; the model needs some gas above it");
    const double vapourPascal = s.vapour * kMolarGas * s.kelvin / (m_fluid.vapour().molarMass * gas);
    s.airPascal = s.air * kAirGas * s.kelvin / gas;
    s.pascal = vapourPascal + s.airPascal;
    return s;
}

Result<VesselState> RigBalance::observed(double seconds, std::span<const double> y, std::size_t i) const {
    return state(seconds, y, i).map([&](VesselState s) {
        const Vessel& v = m_model.vessels[i];
        s.force = v.mouth * (m_model.roomPascalAt(seconds) - s.pascal);
        if (s.pascal <= 0.0) return s;
        s.margin = s.kelvin - m_fluid.boilingKelvin(s.pascal);
        const double below = s.pascal + m_fluid.liquidDensity() * kGravity * depthOf(v, s);
        s.marginAtBottom = s.kelvin - m_fluid.boilingKelvin(below);
        if (v.surface > 0.0)
            s.vigour =
                bubbleFlow(i, s) * kMolarGas * s.kelvin / (m_fluid.vapour().molarMass * s.pascal * v.surface);
        if (const double stays = airEquilibrium(s); stays > 0.0 && s.liquid > 0.0)
            s.supersaturation = s.dissolved / stays - 1.0;
        std::array<double, kPerVessel> rate{};
        if (v.wallHeatCapacity > 0.0) condenseOnWall(v, s, rate);
        s.condensing = rate[Condensed];
        return s;
    });
}

ContactState RigBalance::contact(const VesselState& touched, std::span<const double> y, std::size_t i) const {
    const Contact& c = m_model.contacts[i];
    const double at = touchesWall(c) ? touched.wallKelvin : touched.kelvin;
    ContactState s;
    double share = 1.0, kelvin = c.kelvin;
    if (c.iceKg > 0.0) {
        constexpr double kFusion = 333.4e3, kMelts = 273.15; // J/kg, K: water's, whatever is in the rig
        s.iceKg = std::clamp(c.iceKg - y[m_iceOf[i]] / kFusion, 0.0, c.iceKg);
        share = std::cbrt(s.iceKg / c.iceKg);
        share *= share; // as its surface
        kelvin = kMelts;
    }
    if (c.on) s.watt = share * c.conductance * (kelvin - at);
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

VesselState RigBalance::room(double seconds) const {
    VesselState s;
    s.air = 1.0; // of nothing else
    s.kelvin = m_model.roomKelvin;
    s.pascal = s.airPascal = m_model.roomPascalAt(seconds);
    return s;
}

/// How much of what condenses on a wall freezes there; changes over a fifth of a kelvin below the triple
/// point.
double RigBalance::frostShare(double wallKelvin) const {
    constexpr double kOver = 0.2; // K
    return m_fluid.hasSolid() ? std::clamp((m_fluid.tripleKelvin() - wallKelvin) / kOver, 0.0, 1.0) : 0.0;
}

bool RigBalance::isIcy(const VesselState& s) const {
    return s.liquid <= 0.0 && m_fluid.hasSolid() && s.kelvin <= m_fluid.tripleKelvin();
}

/// Pa, over what is condensed.
double RigBalance::saturationOver(const VesselState& s) const {
    return isIcy(s) ? m_fluid.solidSaturation(s.kelvin) : m_fluid.liquidSaturation(s.kelvin);
}

/// Whether a contact reaches the wall; without a wall it reaches the contents.
bool RigBalance::touchesWall(const Contact& c) const {
    return c.part == TouchedPart::Wall &&
           m_model.vessels[static_cast<std::size_t>(c.vessel)].wallHeatCapacity > 0.0;
}

double RigBalance::depthOf(const Vessel& v, const VesselState& s) const {
    return v.surface > 0.0 ? s.liquid / (m_fluid.liquidDensity() * v.surface) : 0.0;
}

double RigBalance::bubbleThreshold(std::size_t i) const {
    const double own = m_model.vessels[i].nucleation;
    return m_moods[i].bubbling ? std::min(own, kSteadyBubbles) : own;
}

/// kg/s that leaves the liquid in bubbles: the part of it that is superheated under the weight above it has
/// twenty times the surface; less where little of it is left among ice.
double RigBalance::bubbleFlow(std::size_t i, const VesselState& s) const {
    const Vessel& v = m_model.vessels[i];
    if (s.liquid <= 0.0 || isIcy(s)) return 0.0;
    const double colder = std::max(s.kelvin - bubbleThreshold(i), m_fluid.lowestLiquidKelvin());
    const double bubble = m_fluid.liquidSaturation(colder);
    if (bubble <= s.pascal) return 0.0;
    const double weight = m_fluid.liquidDensity() * kGravity * depthOf(v, s);
    double share = std::min(1.0, (bubble - s.pascal) / std::max(weight, 1.0));
    // The last of the liquid among the ice fades out: a jump here would mislead the integration.
    constexpr double kSlush = 0.05;
    share *= std::min(1.0, s.liquid / (kSlush * (s.liquid + s.solid)));
    constexpr double kNoRoom = 1e-5; // kg: a mere film has no depth for bubbles
    share *= s.liquid / (s.liquid + kNoRoom);
    return kBoilingArea * v.surface * share *
           evaporationFlux(v.sticking, m_fluid.vapour().molarMass, s.kelvin, bubble, s.kelvin, s.pascal);
}

/// kg of air that the liquid can hold under this gas.
double RigBalance::airEquilibrium(const VesselState& s) const {
    return s.liquid * m_fluid.airSolubility(s.kelvin) * std::max(s.airPascal, 0.0);
}

void RigBalance::evaporate(std::size_t i, const VesselState& s, std::span<double> rate) const {
    const Vessel& v = m_model.vessels[i];
    const double condensed = s.liquid + s.solid, vapourPascal = s.pascal - s.airPascal;
    if (condensed <= 0.0 && vapourPascal <= 0.0) return;
    const double saturation = saturationOver(s);
    // The kinetics of the molecules and the heat that comes up through the liquid, one after the other: it is
    // the second that lets a liquid boil under a cold lid before its surface alone could feed the lid.
    const double kinetic =
        evaporationFlux(v.sticking, m_fluid.vapour().molarMass, s.kelvin, saturation, s.kelvin, vapourPascal);
    const double heat = vapourPascal > 0.0
                            ? kQuietSurface * (s.kelvin - m_fluid.boilingKelvin(vapourPascal)) /
                                  m_fluid.vaporisation(s.kelvin)
                            : kinetic;
    const double quiet = kinetic * heat > 0.0 ? kinetic * heat / (kinetic + heat) : 0.0;
    double flow = v.surface * quiet + bubbleFlow(i, s);
    if (flow > 0.0) flow *= condensed / (condensed + kLastFilm);
    rate[Condensed] -= flow;
    rate[Vapour] += flow;
}

/// Dissolved air goes slowly from a quiet surface, faster in bubbles on the wall where there is too much of
/// it, at once where the liquid boils.
void RigBalance::letAirOut(std::size_t i, const VesselState& s, std::span<double> rate) const {
    if (s.liquid <= 0.0 || (s.dissolved <= 0.0 && s.airPascal <= 0.0)) return;
    const double full = s.liquid * m_fluid.airSolubility(s.kelvin) * m_model.roomPascal;
    if (full <= 0.0) return;
    const double stays = airEquilibrium(s);
    const double excess = std::max(0.0, (s.dissolved - stays) / (stays + 0.01 * full));
    const double boils = bubbleFlow(i, s);
    const double speed = kQuietRelease + kBubbleRelease * excess * excess / (1.0 + excess * excess) +
                         kBoilingRelease * boils / (boils + 1e-6);
    const double released = speed * (s.dissolved - stays);
    rate[Dissolved] -= released;
    rate[Air] += released;
}

void RigBalance::condenseOnWall(const Vessel& v, const VesselState& s, std::span<double> rate) const {
    const double vapourPascal = s.pascal - s.airPascal;
    if (v.dryWall <= 0.0 || vapourPascal <= 0.0) return;
    const double frost = frostShare(s.wallKelvin);
    const double onWall =
        frost > 0.0 ? m_fluid.solidSaturation(std::min(s.wallKelvin, m_fluid.tripleKelvin()))
                    : m_fluid.liquidSaturation(std::max(s.wallKelvin, m_fluid.lowestLiquidKelvin()));
    if (onWall >= vapourPascal) return;
    // Kinetics and film in a row; what condenses warms the film by its heat.
    const double condensate =
        std::lerp(m_fluid.liquidEnergy(s.wallKelvin), m_fluid.solidEnergy(s.wallKelvin), frost);
    const double heat = m_fluid.vapourEnthalpy(s.kelvin) - condensate;
    const double kinetic =
        -evaporationFlux(1.0, m_fluid.vapour().molarMass, s.wallKelvin, onWall, s.kelvin, vapourPascal);
    const double film = kFilm / (1.0 + kAirChokes * s.airPascal / s.pascal) *
                        std::max(0.0, m_fluid.boilingKelvin(vapourPascal) - s.wallKelvin) / heat;
    const double condenses = film > 0.0 && kinetic > 0.0 ? v.dryWall / (1.0 / film + 1.0 / kinetic) : 0.0;
    rate[Condensed] += condenses;
    rate[Vapour] -= condenses;
    rate[Contents] -= condenses * heat;
    rate[Wall] += condenses * heat;
}

/// Where the rates of one moment are gathered.
struct RigBalance::Rates {
    std::span<double> all;
    std::span<const VesselState> states;
    VesselState outside;

    [[nodiscard]] std::span<double> own(int vessel) const {
        return all.subspan(kPerVessel * static_cast<std::size_t>(vessel), kPerVessel);
    }
    [[nodiscard]] const VesselState& at(int vessel) const {
        return vessel == kRoom ? outside : states[static_cast<std::size_t>(vessel)];
    }
    void boundary(double mass, double energy) const {
        all[all.size() - 2] += mass;
        all[all.size() - 1] += energy;
    }
    void add(int vessel, const Stream& stream, double sign) const {
        if (vessel == kRoom) return boundary(-sign * (stream.vapour + stream.air), -sign * stream.energy);
        const auto rate = own(vessel);
        rate[Vapour] += sign * stream.vapour;
        rate[Air] += sign * stream.air;
        rate[Contents] += sign * stream.energy;
    }
};

void RigBalance::flowThrough(const Link& link, Rates& r) const {
    if (link.opening <= 0.0) return;
    const VesselState &a = r.at(link.from), &b = r.at(link.to);
    double opening = link.opening;
    if (link.reliefPascal > 0.0) { // lifts over a twentieth of its pressure
        constexpr double kLift = 0.05;
        opening *=
            std::clamp((a.pascal - b.pascal - link.reliefPascal) / (kLift * link.reliefPascal), 0.0, 1.0);
        if (opening <= 0.0) return;
    }
    const VesselState& upstream = a.pascal >= b.pascal ? a : b;
    const Tube open{link.tube.diameter * std::sqrt(opening), link.tube.length};
    const Stream carried =
        stream(upstream, tubeMassFlow(open, mixture(upstream), upstream.kelvin, a.pascal, b.pascal));
    r.add(link.from, carried, -1.0);
    r.add(link.to, carried, 1.0);
}

void RigBalance::pumpAway(const PumpAt& pump, Rates& r) const {
    if (!pump.on) return;
    const VesselState& s = r.at(pump.vessel);
    const Stream carried = stream(s, pumpMassFlow(pump.pump, mixture(s), s.kelvin, s.pascal));
    r.add(pump.vessel, carried, -1.0);
    r.add(kRoom, carried, 1.0);
}

void RigBalance::touch(std::size_t i, std::span<const double> y, Rates& r) const {
    const Contact& c = m_model.contacts[i];
    if (!c.on) return;
    const double heat = contact(r.at(c.vessel), y, i).watt;
    r.own(c.vessel)[touchesWall(c) ? Wall : Contents] += heat;
    r.boundary(0.0, heat);
    if (c.iceKg > 0.0) r.all[m_iceOf[i]] = -heat;
}

/// Vapour that a draught carries off, straight from the surface into the room.
void RigBalance::blowOver(const Draught& d, Rates& r) const {
    const VesselState& s = r.at(d.vessel);
    const double condensed = s.liquid + s.solid;
    if (!d.on || condensed <= 0.0) return;
    const double mass = m_fluid.vapour().molarMass;
    const double saturation = saturationOver(s);
    const double outside = d.humidity > 0.0 ? d.humidity * m_fluid.liquidSaturation(m_model.roomKelvin) : 0.0;
    double flow =
        d.surface * d.transfer * mass / kMolarGas * (saturation / s.kelvin - outside / m_model.roomKelvin);
    if (flow > 0.0) flow *= condensed / (condensed + kLastFilm);
    const double energy = flow * m_fluid.vapourEnthalpy(flow > 0.0 ? s.kelvin : m_model.roomKelvin);
    r.own(d.vessel)[Condensed] -= flow;
    r.own(d.vessel)[Contents] -= energy;
    r.boundary(-flow, -energy);
}

void RigBalance::dry(std::size_t i, std::span<const double> y, Rates& r) const {
    const DryingDish& d = m_model.dishes[i];
    const VesselState& s = r.at(d.vessel);
    const DishState own = dish(y, i);
    const double kelvin = std::clamp(own.kelvin, m_fluid.lowestLiquidKelvin(), m_fluid.highestKelvin());
    constexpr double kSticks = 0.001; // what comes in must mix with what lies below it
    const double choked = 1.0 / (1.0 + kAirChokes * s.airPascal / std::max(s.pascal, 1.0));
    const double flow = -d.surface * choked *
                        evaporationFlux(kSticks, m_fluid.vapour().molarMass, kelvin,
                                        d.agent.activity(own.waterKg) * m_fluid.liquidSaturation(kelvin),
                                        s.kelvin, s.pascal - s.airPascal);
    const double energy = flow * m_fluid.vapourEnthalpy(flow > 0.0 ? s.kelvin : kelvin);
    const double lost = d.toRoom * (own.kelvin - m_model.roomKelvin);
    r.own(d.vessel)[Vapour] -= flow;
    r.own(d.vessel)[Contents] -= energy;
    double* rate = &r.all[m_dishes + kPerDish * i];
    rate[0] += flow;
    rate[1] += energy - lost;
    r.boundary(0.0, -lost);
}

Result<void> RigBalance::rates(double seconds, std::span<const double> y, std::span<double> out) const {
    std::ranges::fill(out, 0.0);
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const auto s = state(seconds, y, i);
        if (!s) return tl::unexpected(s.error());
        m_states[i] = *s;
    }
    Rates r{out, m_states, room(seconds)};
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const VesselState& s = r.states[i];
        const auto rate = r.own(static_cast<int>(i));
        evaporate(i, s, rate);
        letAirOut(i, s, rate);
        if (v.wallHeatCapacity > 0.0) {
            const double conducted = v.wallToContents * (s.wallKelvin - s.kelvin);
            rate[Contents] += conducted;
            rate[Wall] -= conducted;
            condenseOnWall(v, s, rate);
        }
        if (v.stroke) { // a plunger does work on the gas
            const double work = -s.pascal * v.stroke->slope(seconds);
            rate[Contents] += work;
            r.boundary(0.0, work);
        }
    }
    for (const Link& link : m_model.links)
        flowThrough(link, r);
    for (const PumpAt& pump : m_model.pumps)
        pumpAway(pump, r);
    for (std::size_t i = 0; i < m_model.contacts.size(); ++i)
        touch(i, y, r);
    for (const Draught& draught : m_model.draughts)
        blowOver(draught, r);
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        dry(i, y, r);
    for (const Heater& h : m_model.heaters) {
        r.own(h.vessel)[Contents] += h.watt;
        r.boundary(0.0, h.watt);
    }
    return {};
}

double RigBalance::totalMass(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        for (const auto part : {Condensed, Vapour, Air, Dissolved})
            total += y[kPerVessel * i + part];
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        total += y[m_dishes + kPerDish * i];
    return total;
}

double RigBalance::totalEnergy(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        total += y[kPerVessel * i + Contents] + y[kPerVessel * i + Wall];
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        total += y[m_dishes + kPerDish * i + 1];
    return total;
}

} // namespace uttrin
