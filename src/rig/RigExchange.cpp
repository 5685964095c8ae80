// What passes between the contents of a vessel, the gas above them and its wall.
#include "RigRates.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kBoilingArea = 20.0;   // times the surface, where it boils
constexpr double kQuietSurface = 500.0; // W/(m2 K), from a liquid to its surface that is cooled from above
constexpr double kFilm = 5000.0;        // W/(m2 K), of a condensed film
constexpr double kSteadyBubbles = 0.05; // K of superheat with which boiling goes on once it has begun
constexpr double kQuietRelease = 1.0 / 600.0, kBubbleRelease = 1.0 / 15.0, // 1/s, of dissolved air
    kBoilingRelease = 1.0 / 3.0;

} // namespace

bool RigBalance::isIcy(const VesselState& s) const {
    return s.liquid <= 0.0 && m_fluid.hasSolid() && s.kelvin <= m_fluid.tripleKelvin();
}

RigBalance::Saturation RigBalance::saturationOver(const VesselState& s, double kelvin) const {
    if (isIcy(s)) { // traces of a volatile solute lie in it as in the brine that was last
        Saturation over{m_fluid.solidSaturation(kelvin), 0.0};
        if (s.undissolved > 0.0 && m_model.solute->fluid()) {
            const RigSolute& solute = *m_model.solute;
            const double known = std::max(kelvin, solute.coldestKelvin());
            over.solute = solute.saturation(m_fluid, solute.shareBesideIce(known), known).solute;
        }
        return over;
    }
    if (s.solute <= 0.0) return {m_fluid.liquidSaturation(kelvin), 0.0};
    return m_model.solute->saturation(m_fluid, s.share(), kelvin);
}

double RigBalance::boilingKelvin(const VesselState& s, double pascal) const {
    return s.solute > 0.0 ? m_model.solute->boilingKelvin(m_fluid, s.share(), pascal)
                          : m_fluid.boilingKelvin(pascal);
}

/// How much of what condenses on a wall freezes there; changes over a fifth of a kelvin below the triple
/// point.
double RigBalance::frostShare(double wallKelvin) const {
    constexpr double kOver = 0.2; // K
    return m_fluid.hasSolid() ? std::clamp((m_fluid.tripleKelvin() - wallKelvin) / kOver, 0.0, 1.0) : 0.0;
}

double RigBalance::bubbleThreshold(std::size_t i) const {
    const double own = m_model.vessels[i].nucleation;
    return m_flags[i].bubbling ? std::min(own, kSteadyBubbles) : own;
}

/// The part of the liquid that is superheated under the weight above it has twenty times the surface; less
/// where little of it is left among ice.
RigBalance::Bubbles RigBalance::bubbles(std::size_t i, const VesselState& s) const {
    const Vessel& v = m_model.vessels[i];
    if (s.liquid <= 0.0 || isIcy(s)) return {};
    const Saturation inside =
        saturationOver(s, std::max(s.kelvin - bubbleThreshold(i), m_fluid.lowestLiquidKelvin()));
    const double bubble = inside.solvent + inside.solute;
    if (bubble <= s.pascal) return {};
    double share = std::min(1.0, (bubble - s.pascal) / std::max(headOf(v, s), 1.0));
    // The last of the liquid among the ice fades out: a jump here would mislead the integration.
    constexpr double kSlush = 0.05;
    const double liquid = s.liquid + s.solute;
    share *= std::min(1.0, liquid / (kSlush * (liquid + s.solid)));
    constexpr double kNoRoom = 1e-5; // kg: a mere film has no depth for bubbles
    share *= liquid / (liquid + kNoRoom);
    const double mass = m_fluid.vapour().molarMass;
    return {kBoilingArea * v.surface * share *
                evaporationFlux(v.sticking, mass, s.kelvin, bubble, s.kelvin, s.pascal) / mass,
            inside};
}

/// kg of air that the liquid can hold under this gas.
double RigBalance::airEquilibrium(const VesselState& s) const {
    return s.liquid * m_fluid.airSolubility(s.kelvin) * std::max(s.airPascal, 0.0);
}

double RigBalance::dewKelvin(const RigFluid& fluid, bool icy, double pascal) const {
    return icy ? fluid.sublimationKelvin(pascal) : fluid.boilingKelvin(pascal);
}

/// The gas above the contents, as far as vapour of the solvent must pass through it.
VapourFilm RigBalance::filmOver(const Vessel& v, const VesselState& s, const Bubbles& b, double saturation,
                                double sweep) const {
    VapourFilm film;
    if (!(s.airPascal > 0.0 && s.pascal > 0.0 && v.surface > 0.0)) return film;
    const FlowingGas &gas = s.gas, &own = m_fluid.vapour();
    film.diffusivity = m_vapourInAir.diffusivity(s.gasKelvin, s.pascal);
    film.gap = gapOf(s.space);
    film.viscosity = gas.viscosity;
    film.density = s.pascal * gas.molarMass / (kMolarGas * s.gasKelvin);
    // At the surface the vapour is saturated, and as warm as the surface.
    const double share = std::min(saturation / s.pascal, 1.0), airMass = FlowingGas{}.molarMass;
    const double there = s.pascal * std::lerp(airMass, own.molarMass, share) / (kMolarGas * s.kelvin);
    film.lighter = 1.0 - there / film.density;
    film.sweep = sweep;
    film.reach = std::sqrt(v.surface);
    film.bubbles = b.moles * kMolarGas * s.kelvin / (s.pascal * v.surface);
    return film;
}

/// kg/(m2 s) from a quiet surface: the kinetics of the molecules and the film of air over it, and the heat
/// that comes up through the liquid. It is the second that lets a liquid boil under a cold lid before its
/// surface alone could feed the lid. @param saturation  over the surface, Pa. @param activity  by what it is
/// lowered there.
double RigBalance::quietFlux(const RigFluid& fluid, const Vessel& v, const VesselState& s, VapourFilm film,
                             double saturation, double activity, double vapourPascal) const {
    // Next to the surface the vapour has the surface's temperature, whatever it has further away.
    const double mass = fluid.vapour().molarMass,
                 kinetic = evaporationFlux(v.sticking, mass, s.kelvin, 1.0, s.kelvin, 0.0);
    double leaves = kinetic * (saturation - vapourPascal);
    const bool nothing = saturation <= 0.0 && vapourPascal <= 0.0; // there a trial step has left the rig
    if (film.gap > 0.0 && s.airPascal > 0.0 && !nothing) {
        if (&fluid != &m_fluid) film.diffusivity = m_soluteInAir->diffusivity(s.gasKelvin, s.pascal);
        const double through = vapourTransfer(film) * s.pascal * mass / (kMolarGas * s.gasKelvin);
        leaves = stefanFlux(kinetic, through, saturation, vapourPascal, s.airPascal);
    }
    if (vapourPascal <= 0.0) return leaves;
    constexpr double kLeastActivity = 1e-9;
    const bool icy = &fluid == &m_fluid && isIcy(s);
    const double takes = fluid.vaporisation(s.kelvin) + (icy ? fluid.fusion() : 0.0);
    const double heat =
        kQuietSurface *
        (s.kelvin - dewKelvin(fluid, icy, vapourPascal / std::max(activity, kLeastActivity))) / takes;
    return leaves * heat > 0.0 ? leaves * heat / (leaves + heat) : 0.0;
}

void RigBalance::evaporate(const Vessel& v, const VesselState& s, const Bubbles& b, double sweep,
                           std::span<double> rate) const {
    const double condensed = s.liquid + s.solid, vapourPascal = s.vapourPascal();
    const auto leaves = [&](Unknown from, Unknown to, const RigFluid& fluid, double flow) {
        const double energy = flow * fluid.vapourEnthalpy(flow > 0.0 ? s.kelvin : s.gasKelvin);
        rate[from] -= flow;
        rate[to] += flow;
        rate[Contents] -= energy;
        rate[Gas] += energy;
    };
    const double bubble = b.inside.solvent + b.inside.solute;
    const auto inBubbles = [&](double part, const RigFluid& fluid) {
        return b.moles > 0.0 ? b.moles * part / bubble * fluid.vapour().molarMass : 0.0;
    };
    const Saturation over = saturationOver(s, s.kelvin);
    const double lowered =
                     s.solute > 0.0 && !isIcy(s) ? over.solvent / m_fluid.liquidSaturation(s.kelvin) : 1.0,
                 wet = lastFilm(condensed);
    const VapourFilm film = v.surface > 0.0 ? filmOver(v, s, b, over.solvent, sweep) : VapourFilm{};
    leaves(Condensed, Vapour, m_fluid,
           v.surface * quietFlux(m_fluid, v, s, film, wet * over.solvent, wet * lowered, vapourPascal) +
               wet * inBubbles(b.inside.solvent, m_fluid));
    const RigFluid* fluid = m_model.solute ? m_model.solute->fluid() : nullptr;
    if (!fluid) return;
    const double soluteFilm = lastFilm(s.solute + s.undissolved),
                 pure = fluid->liquidSaturation(
                     std::clamp(s.kelvin, fluid->lowestLiquidKelvin(), fluid->highestKelvin()));
    leaves(SoluteInLiquid, SoluteInGas, *fluid,
           v.surface * quietFlux(*fluid, v, s, film, over.solute * soluteFilm,
                                 over.solute / pure * soluteFilm, s.solutePascal) +
               soluteFilm * inBubbles(b.inside.solute, *fluid));
}

/// Dissolved air goes slowly from a quiet surface, faster in bubbles on the wall where there is too much of
/// it, at once where the liquid boils.
void RigBalance::letAirOut(const VesselState& s, const Bubbles& b, std::span<double> rate) const {
    if (s.liquid <= 0.0 || (s.dissolved <= 0.0 && s.airPascal <= 0.0)) return;
    const double full = s.liquid * m_fluid.airSolubility(s.kelvin) * m_model.roomPascal;
    if (full <= 0.0) return;
    const double stays = airEquilibrium(s);
    const double excess = std::max(0.0, (s.dissolved - stays) / (stays + 0.01 * full));
    const double boils = b.moles * m_fluid.vapour().molarMass;
    const double speed = kQuietRelease + kBubbleRelease * excess * excess / (1.0 + excess * excess) +
                         kBoilingRelease * boils / (boils + 1e-6);
    const double released = speed * (s.dissolved - stays);
    const double energy = released * airEnergy(s.kelvin);
    rate[Dissolved] -= released;
    rate[Air] += released;
    rate[Contents] -= energy;
    rate[Gas] += energy;
}

void RigBalance::condenseOnWall(const Wall& wall, double wallKelvin, const VesselState& s, double frosted,
                                std::span<double> rate, double& wallRate) const {
    if (wall.dry <= 0.0) return;
    const auto condenses = [&](Unknown from, Unknown to, const RigFluid& fluid, double pascal, double frost) {
        if (pascal <= 0.0) return;
        const double onWall = frost > 0.0
                                  ? fluid.solidSaturation(std::min(wallKelvin, fluid.tripleKelvin()))
                                  : fluid.liquidSaturation(std::clamp(wallKelvin, fluid.lowestLiquidKelvin(),
                                                                      fluid.highestKelvin()));
        if (onWall >= pascal) return;
        // Kinetics and film in a row; what condenses warms the film by its heat.
        const double condensate =
            frost > 0.0 ? std::lerp(fluid.liquidEnergy(wallKelvin), fluid.solidEnergy(wallKelvin), frost)
                        : fluid.liquidEnergy(wallKelvin);
        const double brings = fluid.vapourEnthalpy(s.gasKelvin), heat = brings - condensate;
        const double kinetic =
            -evaporationFlux(1.0, fluid.vapour().molarMass, wallKelvin, onWall, wallKelvin, pascal);
        // Frost of 300 kg/m3 that conducts 0.2 W/(m K), as it grows in vapour: Y. Hayashi et al., J. Heat
        // Transfer 99 (1977) 239.
        constexpr double kFrost = 300.0 * 0.2;
        const double layer = frost > 0.0 ? frosted / (wall.dry * kFrost) : 0.0, // m2 K/W
            bare = kFilm * (wall.swept ? sweptByVapour(s) : chokedByAir(s)),
                     film = bare / (1.0 + bare * layer) *
                            std::max(0.0, fluid.boilingKelvin(pascal) - wallKelvin) / heat;
        if (!(film > 0.0 && kinetic > 0.0)) return;
        const double flow = wall.dry / (1.0 / film + 1.0 / kinetic);
        rate[to] += flow;
        rate[from] -= flow;
        rate[Gas] -= flow * brings;
        wallRate += flow * heat;
        rate[Contents] += flow * condensate;
    };
    condenses(Vapour, Condensed, m_fluid, s.vapourPascal(), frostShare(wallKelvin));
    if (s.solutePascal > 0.0)
        condenses(SoluteInGas, SoluteInLiquid, *m_model.solute->fluid(), s.solutePascal, 0.0);
}

/// Gas takes the temperature of what it touches.
void RigBalance::exchangeHeat(std::size_t i, const VesselState& s, std::span<double> all) const {
    const Vessel& v = m_model.vessels[i];
    const auto rate = all.subspan(m_perVessel * i, m_perVessel);
    const double around = s.volume == v.volume ? m_around[i] : wallAround(s.volume), gap = gapOf(s.space);
    const FlowingGas& gas = s.gas;
    const auto warms = [&](double area, double kelvin) {
        const double flow = area > 0.0 && s.pascal > 0.0
                                ? area * heatTransfer(gas, s.gasKelvin, s.pascal, gap, kelvin - s.gasKelvin) *
                                      (kelvin - s.gasKelvin)
                                : 0.0;
        rate[Gas] += flow;
        return flow;
    };
    // A vessel that has no wall of its own is as warm all round as what is in it.
    rate[Contents] -= warms(v.surface + (v.walls.empty() ? around * wetness(s) : 0.0), s.kelvin);
    double others = 0.0;
    for (std::size_t w = 1; w < v.walls.size(); ++w)
        others += v.walls[w].dry;
    for (std::size_t w = 0; w < v.walls.size(); ++w) {
        const Wall& wall = v.walls[w];
        const double area = w > 0 ? wall.dry : std::max(around - others, wall.dry),
                     conducted = wall.toContents * (s.wallKelvins[w] - s.kelvin);
        rate[Contents] += conducted;
        all[wallUnknown(i, w)] -= warms(area, s.wallKelvins[w]) + conducted;
    }
}

/// Heat for what is in a vessel: where nothing is condensed, for its gas.
void RigBalance::heatContents(double watt, const VesselState& s, std::span<double> rate) const {
    const double wet = wetness(s);
    rate[Contents] += wet * watt;
    rate[Gas] += (1.0 - wet) * watt;
}

Result<VesselState> RigBalance::observed(double seconds, std::span<const double> y, std::size_t i) const {
    return state(seconds, y, i).map([&](VesselState s) {
        const Vessel& v = m_model.vessels[i];
        // What the integration leaves of nothing, within its tolerance.
        constexpr double kRounding = 2e-9; // kg
        const double tiny = kRounding * kAirGas * s.gasKelvin / s.space;
        double vapourPascal = s.vapourPascal();
        for (double* kg : {&s.vapour, &s.air, &s.dissolved, &s.soluteVapour})
            if (*kg < 0.0 && *kg > -kRounding) *kg = 0.0;
        for (double* pascal : {&vapourPascal, &s.airPascal, &s.solutePascal})
            if (*pascal < 0.0 && *pascal > -2.0 * tiny) *pascal = 0.0;
        s.pascal = vapourPascal + s.airPascal + s.solutePascal;
        s.force = v.mouth * (m_model.roomPascalAt(seconds) - s.pascal);
        for (std::size_t w = 0; w < v.walls.size(); ++w) {
            std::array<double, kMostPerVessel> rate{};
            double ofWall = 0.0;
            condenseOnWall(v.walls[w], s.wallKelvins[w], s, frostOf(v, s), rate, ofWall);
            s.condensing += rate[Condensed] + rate[SoluteInLiquid];
        }
        constexpr double kSome = 1e-6; // kg: what has no liquid neither boils nor is short of it
        if (s.pascal <= 0.0 || s.liquid + s.solute < kSome || isIcy(s)) return s;
        s.margin = s.kelvin - boilingKelvin(s, s.pascal);
        s.marginAtBottom = s.kelvin - boilingKelvin(s, s.pascal + headOf(v, s));
        if (v.surface > 0.0) s.vigour = bubbles(i, s).moles * kMolarGas * s.kelvin / (s.pascal * v.surface);
        if (const double stays = airEquilibrium(s); stays > 0.0 && s.liquid > 0.0)
            s.supersaturation = s.dissolved / stays - 1.0;
        return s;
    });
}

} // namespace uttrin
