// What is in a vessel, from its amounts and energies.
#include "RigRates.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kAirCp = 1005.0; // J/(kg K)
// J/K: of the place where contents lie, which they keep when all of them have gone (as 5 mg of water would);
// and of what hangs in a gas however thin it is.
constexpr double kThinContents = 0.02, kThinGas = 1e-5;
/// Of a solute, what keeps ice from freezing through: of a trace, as the integration leaves it, none.
double traceless(double kg) {
    constexpr double kTrace = 1e-9, kNone = 1e-12; // kg
    if (kg <= 0.0) return 0.0;
    const double left = kg * kg * kg / (kg * kg + kTrace * kTrace);
    return left > kNone ? left : 0.0;
}

constexpr double kColdestGas = 60.0, kHottestGas = 2000.0; // K

} // namespace

double RigBalance::airEnthalpy(double kelvin) const { return kAirCp * (kelvin - m_fluid.tripleKelvin()); }
double RigBalance::airEnergy(double kelvin) const { return airEnthalpy(kelvin) - kAirGas * kelvin; }

/// J, of all that is condensed, at one temperature.
double RigBalance::contentsEnergy(const VesselState& s, double kelvin) const {
    return s.liquid * m_fluid.liquidEnergy(kelvin) + s.solid * m_fluid.solidEnergy(kelvin) +
           (s.solute > 0.0 ? s.solute * m_model.solute->energy(kelvin) : 0.0) +
           (s.undissolved > 0.0 ? s.undissolved * m_model.solute->energyBefore(kelvin) : 0.0) +
           s.dissolved * airEnergy(kelvin) + kThinContents * (kelvin - m_fluid.tripleKelvin());
}

/// J/K, of all that is condensed, nothing of it melting.
double RigBalance::contentsCapacity(const VesselState& s) const {
    return s.liquid * m_fluid.liquidHeatCapacity() + s.solid * m_fluid.solidHeatCapacity() +
           (s.solute > 0.0 ? s.solute * m_model.solute->heatCapacity() : 0.0) +
           s.dissolved * (kAirCp - kAirGas) + kThinContents;
}

double RigBalance::gasEnergy(const VesselState& s, double kelvin) const {
    return s.vapour * m_fluid.vapourEnergy(kelvin) + s.air * airEnergy(kelvin) +
           (s.soluteVapour != 0.0 ? s.soluteVapour * m_model.solute->fluid()->vapourEnergy(kelvin) : 0.0) +
           kThinGas * (kelvin - m_fluid.tripleKelvin());
}

double RigBalance::liquidVolume(const VesselState& s) const {
    return s.liquid / m_fluid.liquidDensity() + (s.solute > 0.0 ? s.solute / m_model.solute->density() : 0.0);
}

double RigBalance::gasVolume(const VesselState& s) const {
    return s.volume - liquidVolume(s) - s.solid / m_fluid.liquidDensity();
}

double RigBalance::depthOf(const Vessel& v, const VesselState& s) const {
    return v.surface > 0.0 ? liquidVolume(s) / v.surface : 0.0;
}

/// Inside a skin what it holds now; less what swells within it.
double RigBalance::volumeOf(double seconds, std::span<const double> y, std::size_t vessel) const {
    double volume = m_model.vessels[vessel].volumeAt(seconds);
    for (std::size_t k = 0; k < m_model.skins.size(); ++k) {
        const Skin& skin = m_model.skins[k];
        const double held = y[m_skins + kPerSkin * k];
        if (skin.inside == static_cast<int>(vessel) && !isHeld(skin)) volume = held;
        if (skin.around == static_cast<int>(vessel)) volume -= held;
    }
    return volume;
}

bool RigBalance::hasPlunger(std::size_t vessel) const {
    return std::ranges::any_of(m_model.skins, [&](const Skin& s) {
        return s.law == SkinLaw::Plunger && s.inside == static_cast<int>(vessel);
    });
}

RigBalance::RigBalance(const RigModel& model, const RigFluid& fluid)
    : m_model(model), m_fluid(fluid), m_flags(model.vessels.size()), m_states(model.vessels.size()),
      m_flows(model.links.size()), m_perVessel(!model.solute            ? kWithoutSolute
                                               : !model.solute->fluid() ? kWithoutSolute + 1
                                                                        : kMostPerVessel),
      m_skins(m_perVessel * model.vessels.size()), m_vapourInAir(fluid.vapour(), fluid.liquidDensity()) {
    if (const RigFluid* second = model.solute ? model.solute->fluid() : nullptr)
        m_soluteInAir.emplace(second->vapour(), second->liquidDensity());
    for (const Vessel& v : model.vessels) {
        m_around.push_back(wallAround(v.volume));
        m_wallsOf.push_back(m_skins);
        m_skins += v.walls.size();
    }
    for (const Contact& c : model.contacts)
        m_iceOf.push_back(c.iceKg > 0.0 ? m_skins++ : 0);
    m_dishes = m_skins + kPerSkin * model.skins.size();
    m_end = m_dishes + kPerDish * model.dishes.size();
    m_pumped = m_end;
    m_end += model.pumps.size();
    for (const PumpAt& p : model.pumps)
        m_oilOf.push_back(p.oilKelvin > 0.0 ? m_end++ : 0);
    for (std::size_t i = 0; i < m_flags.size(); ++i) {
        const Vessel& v = model.vessels[i];
        m_flags[i].seeded = v.supercooling <= 0.0 || v.kelvin < fluid.tripleKelvin();
    }
}

bool RigBalance::isEnergy(std::size_t i) const {
    if (i < m_perVessel * m_model.vessels.size())
        return i % m_perVessel == Contents || i % m_perVessel == Gas;
    if (i < m_skins) return true;
    if (i >= m_dishes + kPerDish * m_model.dishes.size()) return i + 1 == size(); // oil, mass, energy
    return (i < m_dishes ? i - m_skins : i - m_dishes) % 2 == 1;                  // both come in such pairs
}

std::vector<double> RigBalance::start() const {
    std::vector<double> y(size(), 0.0);
    const double triple = m_fluid.tripleKelvin();
    for (std::size_t k = 0; k < m_model.skins.size(); ++k)
        y[m_skins + kPerSkin * k] = m_model.vessels[static_cast<std::size_t>(m_model.skins[k].inside)].volume;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i) {
        const Vessel& v = m_model.vessels[i];
        const double t = v.kelvin;
        VesselState s;
        const bool frozen = startsFrozen(m_model, m_fluid, v);
        (frozen ? s.solid : s.liquid) = v.condensed;
        s.solute = v.solute;
        s.volume = volumeOf(0.0, y, i);
        s.kelvin = s.gasKelvin = t;
        const double gas = gasVolume(s);
        const Saturation over = startingSaturation(m_model, m_fluid, v);
        s.vapour = v.vapourPascal.value_or(over.solvent) * gas * m_fluid.vapour().molarMass / (kMolarGas * t);
        if (over.solute > 0.0)
            s.soluteVapour =
                over.solute * gas * m_model.solute->fluid()->vapour().molarMass / (kMolarGas * t);
        s.air = v.airPascal * gas / (kAirGas * t);
        s.dissolved =
            frozen ? 0.0
                   : v.airDissolved * v.condensed * m_fluid.airSolubility(t) * m_model.roomPascalAt(0.0);
        const std::array<double, kMostPerVessel> own{
            v.condensed,          s.vapour,        s.air,    s.dissolved,
            contentsEnergy(s, t), gasEnergy(s, t), v.solute, s.soluteVapour};
        std::copy_n(own.begin(), m_perVessel, y.begin() + static_cast<std::ptrdiff_t>(m_perVessel * i));
        for (std::size_t w = 0; w < v.walls.size(); ++w)
            y[wallUnknown(i, w)] = v.walls[w].heatCapacity * (t - triple);
    }
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i) {
        const DryingDish& d = m_model.dishes[i];
        const double capacity = d.agent.dryHeatCapacity() + d.waterKg * m_fluid.liquidHeatCapacity();
        y[m_dishes + kPerDish * i] = d.waterKg;
        y[m_dishes + kPerDish * i + 1] = capacity * (m_model.roomKelvin - triple) - d.agent.heat(d.waterKg);
    }
    return y;
}

/// K, of contents of which none melts: capacities are constant.
double RigBalance::straight(double energy, const VesselState& s) const {
    const double triple = m_fluid.tripleKelvin();
    return triple + (energy - contentsEnergy(s, triple)) / contentsCapacity(s);
}

/// Divides what is condensed into liquid and solid, and finds its temperature. REQUIRES: all of it is given
/// as liquid.
void RigBalance::divideContents(double energy, bool seeded, VesselState& s) const {
    const double triple = m_fluid.tripleKelvin(), condensed = s.liquid;
    s.kelvin = straight(energy, s);
    if (!seeded || !m_fluid.hasSolid() || s.kelvin >= triple || condensed <= 0.0) return;
    if (s.solute > 0.0) return divideBrine(energy, s);
    freezeThrough(energy, s);
}

/// Ice beside the pure liquid, at the triple point until all of it is frozen.
void RigBalance::freezeThrough(double energy, VesselState& s) const {
    const double triple = m_fluid.tripleKelvin(), condensed = s.liquid;
    const double frozen = (contentsEnergy(s, triple) - energy) / m_fluid.fusion();
    s.solid = std::min(frozen, condensed);
    s.liquid = condensed - s.solid;
    s.kelvin = frozen < condensed ? triple : straight(energy, s);
}

/// Ice beside a solution: at each temperature so much liquid stays that its solute keeps it from freezing.
void RigBalance::divideBrine(double energy, VesselState& s) const {
    const RigSolute& solute = *m_model.solute;
    const double condensed = s.liquid;
    if (s.share() >= solute.shareBesideIce(std::max(s.kelvin, solute.coldestKelvin())))
        return; // none freezes
    const double all = s.solute;
    s.solute = traceless(all);
    s.undissolved = all - s.solute;
    if (s.solute <= 0.0) return freezeThrough(energy, s);
    const auto divide = [&](double kelvin) {
        s.kelvin = kelvin;
        const double share = solute.shareBesideIce(kelvin);
        s.liquid = s.solute * (1.0 - share) / share;
        s.solid = condensed - s.liquid;
        return share;
    };
    divide(solute.coldestKelvin());
    if (const double brine = contentsEnergy(s, s.kelvin); energy < brine) {
        // Colder than any brine can be: some of the salt stays undissolved among the ice.
        const VesselState whole = s;
        s.liquid = s.solute = 0.0;
        s.solid = condensed;
        s.undissolved = all;
        const double none = contentsEnergy(s, s.kelvin), part = (energy - none) / (brine - none);
        constexpr double kUnnoticed = 1e-3; // of the ice, where it makes no difference what becomes of it
        const bool unnoticed = all < kUnnoticed * condensed;
        if (part <= 0.0 && unnoticed) {
            s.kelvin += (energy - none) / contentsCapacity(s);
            return;
        }
        if (part <= 0.0 || !(unnoticed || solute.hasEutectic())) {
            s = whole;
            s.kelvin -= 1.0; // beyond what is known: `state` says so
            return;
        }
        s.liquid = part * whole.liquid;
        s.solid = condensed - s.liquid;
        s.solute = part * whole.solute;
        s.undissolved = all - s.solute;
        return;
    }
    // More energy, warmer: Newton's method between bounds that close in, and bisection where its steps do not
    // halve from one to the next (of a trace of solute, next to the triple point).
    double low = solute.coldestKelvin(), high = m_fluid.tripleKelvin(), before = high - low;
    double t = solute.freezingKelvin(s.solute / (s.solute + condensed)); // of all of it as liquid
    constexpr int kSteps = 100;
    for (int i = 0; i < kSteps; ++i) {
        const double share = divide(t), missing = energy - contentsEnergy(s, t);
        (missing > 0.0 ? low : high) = t;
        const double melting = -s.solute / (share * share) * solute.shareBesideIceSlope(t); // kg/K
        const double capacity =
            contentsCapacity(s) + melting * (m_fluid.liquidEnergy(t) - m_fluid.solidEnergy(t));
        double next = t + missing / capacity;
        if (!(next > low && next < high) || 2.0 * std::abs(next - t) > before) next = 0.5 * (low + high);
        before = std::abs(next - t);
        const bool close = before < 1e-12 * t;
        t = next;
        if (close) break;
    }
    divide(t);
}

double RigBalance::gasKelvin(double energy, const VesselState& s) const {
    double t = std::clamp(s.kelvin, kColdestGas, kHottestGas);
    constexpr int kSteps = 12;
    for (int i = 0; i < kSteps; ++i) {
        const double capacity =
            s.vapour * m_fluid.vapourHeatCapacity(t) + s.air * (kAirCp - kAirGas) +
            (s.soluteVapour != 0.0 ? s.soluteVapour * m_model.solute->fluid()->vapourHeatCapacity(t) : 0.0) +
            kThinGas;
        const double step = (energy - gasEnergy(s, t)) / capacity;
        t += step;
        if (!(t > kColdestGas && t < kHottestGas) || std::abs(step) < 1e-11 * t) break;
    }
    return t;
}

Result<VesselState> RigBalance::state(double seconds, std::span<const double> y, std::size_t i) const {
    const Vessel& v = m_model.vessels[i];
    const auto own = y.subspan(m_perVessel * i, m_perVessel);
    const auto left = [&](const Text& what) {
        return fail(Failure::OutOfRange, Text::set("{}: {}", Text::data(v.name), what));
    };
    VesselState s;
    s.liquid = std::max(own[Condensed], 0.0); // a rounding below nothing is nothing
    s.vapour = own[Vapour];
    s.air = own[Air];
    s.dissolved = own[Dissolved];
    if (m_model.solute) {
        s.solute = std::max(own[SoluteInLiquid], 0.0);
        if (m_model.solute->fluid()) s.soluteVapour = own[SoluteInGas];
    }
    const bool seeded = m_flags[i].seeded;
    divideContents(own[Contents], seeded, s);
    // A trial step may hold liquid where there is none: then a shorter one is tried.
    double lowest = seeded && s.liquid <= 0.0 ? m_fluid.lowestKelvin() : m_fluid.lowestLiquidKelvin(),
           highest = m_fluid.highestKelvin();
    constexpr double kSome = 1e-9; // kg
    if (s.solute > kSome) {
        lowest = m_model.solute->coldestKelvin();
        if (const RigFluid* fluid = m_model.solute->fluid())
            highest = std::min(highest, fluid->highestKelvin());
        if (s.share() > m_model.solute->highestShare())
            return left(Text::tr("the {} in it came to {:.1f} % by mass; the model covers up to {:.1f} %",
                                 m_model.solute->name(), 100.0 * s.share(),
                                 100.0 * m_model.solute->highestShare()));
    }
    if (!(s.kelvin >= lowest && s.kelvin <= highest))
        return left(Text::tr("its contents came to {:.1f} K; the model covers {:.1f} to {:.1f} K", s.kelvin,
                             lowest, highest));
    s.gasKelvin = gasKelvin(own[Gas], s);
    if (!(s.gasKelvin > kColdestGas && s.gasKelvin < kHottestGas))
        return left(Text::tr("its gas came to {:.1f} K; the model covers {:.0f} to {:.0f} K", s.gasKelvin,
                             kColdestGas, kHottestGas));
    s.wallKelvins.fill(s.kelvin);
    for (std::size_t w = 0; w < v.walls.size(); ++w) {
        double& wall = s.wallKelvins[w];
        wall = m_fluid.tripleKelvin() + y[wallUnknown(i, w)] / v.walls[w].heatCapacity;
        if (!(wall >= m_fluid.lowestKelvin() && wall <= m_fluid.highestKelvin()))
            return left(Text::tr("its {} came to {:.1f} K; the model covers {:.1f} to {:.1f} K",
                                 Text::data(v.walls[w].name), wall, m_fluid.lowestKelvin(),
                                 m_fluid.highestKelvin()));
    }
    s.volume = volumeOf(seconds, y, i);
    const double gas = s.space = gasVolume(s);
    if (!(gas > 1e-3 * s.volume))
        return left(Text::tr("it is full; the model needs some gas above what is in it"));
    const double perKg = kMolarGas * s.gasKelvin / gas;
    s.airPascal = s.air * kAirGas * s.gasKelvin / gas;
    if (s.soluteVapour != 0.0)
        s.solutePascal = s.soluteVapour * perKg / m_model.solute->fluid()->vapour().molarMass;
    s.pascal = s.vapour * perKg / m_fluid.vapour().molarMass + s.airPascal + s.solutePascal;
    s.gas = mixture(s);
    return s;
}

VesselState RigBalance::room(double seconds) const {
    VesselState s;
    s.air = 1.0; // of nothing else
    s.kelvin = s.gasKelvin = m_model.roomKelvin;
    s.pascal = s.airPascal = m_model.roomPascalAt(seconds);
    return s;
}

double RigBalance::freezingKelvin(const VesselState& s) const {
    return s.solute > 0.0 ? m_model.solute->freezingKelvin(s.share()) : m_fluid.tripleKelvin();
}

double RigBalance::totalMass(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        for (const auto part : {Condensed, Vapour, Air, Dissolved, SoluteInLiquid, SoluteInGas})
            if (part < m_perVessel) total += y[m_perVessel * i + part];
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        total += y[m_dishes + kPerDish * i];
    return total;
}

double RigBalance::totalEnergy(std::span<const double> y) const {
    double total = 0.0;
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        for (const auto part : {Contents, Gas})
            total += y[m_perVessel * i + part];
    for (std::size_t i = 0; i < m_model.vessels.size(); ++i)
        for (std::size_t w = 0; w < m_model.vessels[i].walls.size(); ++w)
            total += y[wallUnknown(i, w)];
    for (std::size_t i = 0; i < m_model.skins.size(); ++i)
        total += y[m_skins + kPerSkin * i + 1];
    for (std::size_t i = 0; i < m_model.dishes.size(); ++i)
        total += y[m_dishes + kPerDish * i + 1];
    return total;
}

} // namespace uttrin
