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
constexpr double kGasFilm = 10.0;       // W/(m2 K), of still gas in a small vessel
constexpr double kSteadyBubbles = 0.05; // K of superheat with which boiling goes on once it has begun
constexpr double kQuietRelease = 1.0 / 600.0, kBubbleRelease = 1.0 / 15.0, // 1/s, of dissolved air
    kBoilingRelease = 1.0 / 3.0;

/// Of a ball of this volume: about what a vessel has of wall.
double wallAround(double volume) {
    const double side = std::cbrt(volume);
    return 4.84 * side * side;
}

/// kg/(m2 s) from a quiet surface: the kinetics of the molecules and the heat that comes up through the
/// liquid, one after the other. It is the second that lets a liquid boil under a cold lid before its surface
/// alone could feed the lid. @param saturation  over the surface, Pa. @param activity  by what it is lowered
/// there.
double quietFlux(const RigFluid& fluid, double sticking, const VesselState& s, double saturation,
                 double activity, double vapourPascal) {
    // Next to the surface the vapour has the surface's temperature, whatever it has further away.
    const double kinetic =
        evaporationFlux(sticking, fluid.vapour().molarMass, s.kelvin, saturation, s.kelvin, vapourPascal);
    if (vapourPascal <= 0.0) return kinetic;
    constexpr double kLeastActivity = 1e-9;
    const double heat = kQuietSurface *
                        (s.kelvin - fluid.boilingKelvin(vapourPascal / std::max(activity, kLeastActivity))) /
                        fluid.vaporisation(s.kelvin);
    return kinetic * heat > 0.0 ? kinetic * heat / (kinetic + heat) : 0.0;
}

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
    double t = m_fluid.boilingKelvin(pascal);
    if (s.solute <= 0.0) return t;
    // The logarithm of the pressure is nearly straight in temperature: a few steps of the secant.
    const double low = m_fluid.lowestLiquidKelvin(), high = m_fluid.highestKelvin();
    const auto excess = [&](double kelvin) {
        const Saturation over = saturationOver(s, kelvin);
        return std::log((over.solvent + over.solute) / pascal);
    };
    constexpr int kSteps = 20;
    constexpr double kNear = 0.01, kClose = 1e-10; // K
    for (int i = 0; i < kSteps; ++i) {
        const double here = excess(t), slope = (here - excess(std::max(t - kNear, low))) / kNear;
        const double next = std::clamp(t - here / slope, low, high);
        const bool close = std::abs(next - t) < kClose;
        t = next;
        if (close) break;
    }
    return t;
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

void RigBalance::evaporate(const Vessel& v, const VesselState& s, const Bubbles& b,
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
                 film = lastFilm(condensed);
    leaves(Condensed, Vapour, m_fluid,
           v.surface * quietFlux(m_fluid, v.sticking, s, film * over.solvent, film * lowered, vapourPascal) +
               film * inBubbles(b.inside.solvent, m_fluid));
    const RigFluid* fluid = m_model.solute ? m_model.solute->fluid() : nullptr;
    if (!fluid) return;
    const double soluteFilm = lastFilm(s.solute + s.undissolved),
                 pure = fluid->liquidSaturation(
                     std::clamp(s.kelvin, fluid->lowestLiquidKelvin(), fluid->highestKelvin()));
    leaves(SoluteInLiquid, SoluteInGas, *fluid,
           v.surface * quietFlux(*fluid, v.sticking, s, over.solute * soluteFilm,
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

void RigBalance::condenseOnWall(const Vessel& v, const VesselState& s, std::span<double> rate) const {
    if (v.dryWall <= 0.0) return;
    const auto condenses = [&](Unknown from, Unknown to, const RigFluid& fluid, double pascal, double frost) {
        if (pascal <= 0.0) return;
        const double onWall =
            frost > 0.0 ? fluid.solidSaturation(std::min(s.wallKelvin, fluid.tripleKelvin()))
                        : fluid.liquidSaturation(
                              std::clamp(s.wallKelvin, fluid.lowestLiquidKelvin(), fluid.highestKelvin()));
        if (onWall >= pascal) return;
        // Kinetics and film in a row; what condenses warms the film by its heat.
        const double condensate =
            frost > 0.0 ? std::lerp(fluid.liquidEnergy(s.wallKelvin), fluid.solidEnergy(s.wallKelvin), frost)
                        : fluid.liquidEnergy(s.wallKelvin);
        const double brings = fluid.vapourEnthalpy(s.gasKelvin), heat = brings - condensate;
        const double kinetic =
            -evaporationFlux(1.0, fluid.vapour().molarMass, s.wallKelvin, onWall, s.wallKelvin, pascal);
        const double film =
            kFilm * chokedByAir(s) * std::max(0.0, fluid.boilingKelvin(pascal) - s.wallKelvin) / heat;
        if (!(film > 0.0 && kinetic > 0.0)) return;
        const double flow = v.dryWall / (1.0 / film + 1.0 / kinetic);
        rate[to] += flow;
        rate[from] -= flow;
        rate[Gas] -= flow * brings;
        rate[Wall] += flow * heat;
        rate[Contents] += flow * condensate;
    };
    condenses(Vapour, Condensed, m_fluid, s.vapourPascal(), frostShare(s.wallKelvin));
    if (s.solutePascal > 0.0)
        condenses(SoluteInGas, SoluteInLiquid, *m_model.solute->fluid(), s.solutePascal, 0.0);
}

/// Gas takes the temperature of what it touches.
void RigBalance::exchangeHeat(const Vessel& v, const VesselState& s, std::span<double> rate) const {
    // A vessel that has no wall of its own is as warm all round as what is in it.
    const double around = kGasFilm * wallAround(s.volume),
                 toContents = kGasFilm * v.surface + (v.wallHeatCapacity > 0.0 ? 0.0 : around * wetness(s));
    const double warmsGas = toContents * (s.kelvin - s.gasKelvin);
    rate[Gas] += warmsGas;
    rate[Contents] -= warmsGas;
    if (v.wallHeatCapacity <= 0.0) return;
    const double fromWall = around * (s.wallKelvin - s.gasKelvin),
                 conducted = v.wallToContents * (s.wallKelvin - s.kelvin);
    rate[Gas] += fromWall;
    rate[Contents] += conducted;
    rate[Wall] -= fromWall + conducted;
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
        s.force = v.mouth * (m_model.roomPascalAt(seconds) - s.pascal);
        if (s.pascal <= 0.0) return s;
        s.margin = s.kelvin - boilingKelvin(s, s.pascal);
        s.marginAtBottom = s.kelvin - boilingKelvin(s, s.pascal + headOf(v, s));
        if (v.surface > 0.0) s.vigour = bubbles(i, s).moles * kMolarGas * s.kelvin / (s.pascal * v.surface);
        if (const double stays = airEquilibrium(s); stays > 0.0 && s.liquid > 0.0)
            s.supersaturation = s.dissolved / stays - 1.0;
        std::array<double, kMostPerVessel> rate{};
        if (v.wallHeatCapacity > 0.0) condenseOnWall(v, s, rate);
        s.condensing = rate[Condensed] + rate[SoluteInLiquid];
        return s;
    });
}

} // namespace uttrin
