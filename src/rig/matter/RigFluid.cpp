#include "RigFluid.h"

#include "HermiteTable.h"
#include "physics/Constants.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <optional>
#include <utility>
#include <vector>

namespace uttrin {
namespace {

constexpr double kStep = 0.125;          // K, of the tables
constexpr double kHottestReduced = 0.75; // of the critical temperature: above it the vapour is no ideal gas
constexpr double kLeastHeat = 3.0;       // gas constants, of the vapour's heat capacity at constant pressure
constexpr double kColdestReduced = 0.55; // of the triple point: as far as a demonstration goes with a solid

/// The part of a range about the normal boiling point in which the enthalpy of vaporisation is known, K.
std::pair<double, double> knownHeat(const Substance& s, double low, double high) {
    const auto known = [&s](double t) {
        return s.enthalpyOfVaporisation(Temperature::fromKelvin(t)).has_value();
    };
    const double middle = std::clamp(s.facts().normalBoilingPoint.kelvin(), low, high);
    if (!known(middle)) return {middle, middle};
    const auto end = [&](double towards) {
        if (known(towards)) return towards;
        double inside = middle, outside = towards;
        constexpr double kClose = 1e-6; // K
        while (std::abs(outside - inside) > kClose) {
            const double half = 0.5 * (inside + outside);
            (known(half) ? inside : outside) = half;
        }
        return inside;
    };
    return {end(low), end(high)};
}

/// Enthalpies of the vapour, J/kg: of the liquid (constant heat capacity, zero at the triple point) with the
/// enthalpy of vaporisation, but rising by at least so much with each kelvin. Where a vapour is far from an
/// ideal gas, that sum hardly rises, and a gas that took up no heat as it warmed would have no temperature.
HermiteTable vapourEnthalpies(const HermiteTable& vaporisation, double liquidCp, double triple, double least,
                              double anchorKelvin) {
    const double low = vaporisation.domain().first, high = vaporisation.domain().second;
    const auto points = static_cast<std::size_t>(std::ceil((high - low) / kStep)) + 1;
    const double step = (high - low) / static_cast<double>(points - 1);
    const auto at = [&](std::size_t i) { return std::min(high, low + step * static_cast<double>(i)); };
    const auto sum = [&](std::size_t i) { return liquidCp * (at(i) - triple) + vaporisation(at(i)); };
    std::vector<double> y(points), slope(points);
    const auto anchor = static_cast<std::size_t>(
        std::clamp((anchorKelvin - low) / step, 0.0, static_cast<double>(points - 1)));
    y[anchor] = sum(anchor);
    for (std::size_t i = anchor + 1; i < points; ++i)
        y[i] = y[i - 1] + std::max(sum(i) - sum(i - 1), least * step);
    for (std::size_t i = anchor; i > 0; --i)
        y[i - 1] = y[i] - std::max(sum(i) - sum(i - 1), least * step);
    for (std::size_t i = 0; i < points; ++i)
        slope[i] = std::max(liquidCp + vaporisation.prime(at(i)), least);
    return {std::move(y), std::move(slope), low, step};
}

} // namespace

struct RigFluid::Tables {
    double low, high, liquidLow, triple;
    double liquidCp, solidCp, fusion, density, gasConstant;
    FlowingGas vapour;
    HermiteTable logLiquid, vaporisation;
    std::optional<HermiteTable> logSolid;
    HermiteTable boiling;                    ///< K against ln(Pa)
    std::pair<double, double> boilingEnds;   ///< of the table: asking it takes as long as a value
    std::optional<HermiteTable> sublimation; ///< K against ln(Pa)
    std::pair<double, double> sublimationEnds;
    double vaporisationAtLow, vaporisationSlopeAtLow; ///< continued below the liquid's range
    HermiteTable vapourEnthalpy;                      ///< J/kg; a straight line beyond its ends
    std::pair<double, double> enthalpyEnds;
    bool dissolvesAir; ///< as water does; others are not known
};

std::optional<FlowingGas> vapourOf(const Substance& substance) {
    const SubstanceProperties& p = substance.properties();
    if (!p.vapourViscosity) return std::nullopt;
    FlowingGas vapour;
    vapour.molarMass = substance.facts().molarMass;
    vapour.viscosity = p.vapourViscosity->value;
    const double gas = kMolarGas / vapour.molarMass;
    const double cp = p.vapourHeatCapacity ? p.vapourHeatCapacity->value / vapour.molarMass : 0.0;
    if (cp > gas) vapour.heatRatio = cp / (cp - gas);
    return vapour;
}

Result<RigFluid> RigFluid::make(const Substance& s) {
    const auto& facts = s.facts();
    const auto& p = s.properties();
    const auto missing = [&](const Text& what) {
        return fail(Failure::BadInput,
                    Text::tr("{} cannot be put into a rig: its data file gives no {}", facts.name, what));
    };
    if (!p.liquidHeatCapacity) return missing(Text::tr("heat capacity of the liquid"));
    if (!p.vapourHeatCapacity) return missing(Text::tr("heat capacity of the vapour"));
    if (!p.vapourViscosity) return missing(Text::tr("viscosity of the vapour"));
    const double triple = facts.triple.kelvin();
    const bool solid = p.enthalpyOfFusion && p.solidHeatCapacity && facts.lowest.kelvin() < triple;
    const double liquidLow = std::min(s.lowestMetastable().kelvin(), triple);
    // Just above the triple point, so that it is the liquid's and not the solid's.
    constexpr double kAbove = 1e-6;
    const auto [lowestStable, high] =
        knownHeat(s, std::max(triple + kAbove, facts.lowest.kelvin()),
                  std::min(facts.highest.kelvin(), kHottestReduced * facts.critical.kelvin()));
    if (!(high > lowestStable))
        return missing(Text::tr("density of the vapour, from which its heat follows"));
    // Without a known solid it goes on as liquid, with its heat continued, some way below where that is
    // known.
    constexpr double kBelow = 60.0; // K
    const double metastable = solid
                                  ? std::min(liquidLow, lowestStable)
                                  : std::max({triple + kAbove, facts.lowest.kelvin(), lowestStable - kBelow});

    const auto logLiquid = tabulated(metastable, high, kStep, [&](double t) {
        const auto at = Temperature::fromKelvin(t);
        const auto pressure = t < triple ? s.metastableLiquidPressure(at) : s.vapourPressure(at);
        return pressure.map([](Pressure q) { return std::log(q.pascal()); });
    });
    if (!logLiquid) return tl::unexpected(logLiquid.error());
    const auto vaporisation = tabulated(lowestStable, high, kStep, [&](double t) {
        return s.enthalpyOfVaporisation(Temperature::fromKelvin(t));
    });
    if (!vaporisation) return tl::unexpected(vaporisation.error());
    std::optional<HermiteTable> logSolid;
    const double coldest = std::max(facts.lowest.kelvin(), kColdestReduced * triple);
    if (solid) {
        auto table = tabulated(coldest, triple, kStep, [&](double t) {
            return s.vapourPressure(Temperature::fromKelvin(t)).map([](Pressure q) {
                return std::log(q.pascal());
            });
        });
        if (!table) return tl::unexpected(table.error());
        logSolid = std::move(*table);
    }
    const auto boiling = inverse(*logLiquid, kStep);
    std::optional<HermiteTable> sublimation;
    if (logSolid) sublimation = inverse(*logSolid, kStep);
    const auto sublimationEnds = sublimation ? sublimation->domain() : std::pair<double, double>{};
    const auto density = s.condensedDensity(Temperature::fromKelvin(lowestStable));
    if (!density) return tl::unexpected(density.error());

    const double mass = facts.molarMass, gas = kMolarGas / mass;
    const auto enthalpies = vapourEnthalpies(*vaporisation, p.liquidHeatCapacity->value / mass, triple,
                                             kLeastHeat * gas, facts.normalBoilingPoint.kelvin());
    const double first = (*vaporisation)(lowestStable + kAbove),
                 slope = vaporisation->prime(lowestStable + kAbove);
    return RigFluid(std::make_shared<const Tables>(
        Tables{.low = solid ? coldest : metastable,
               .high = high,
               .liquidLow = metastable,
               .triple = triple,
               .liquidCp = p.liquidHeatCapacity->value / mass,
               .solidCp = p.solidHeatCapacity ? p.solidHeatCapacity->value / mass : 0.0,
               .fusion = p.enthalpyOfFusion ? p.enthalpyOfFusion->value / mass : 0.0,
               .density = *density,
               .gasConstant = gas,
               .vapour = *vapourOf(s),
               .logLiquid = *logLiquid,
               .vaporisation = *vaporisation,
               .logSolid = std::move(logSolid),
               .boiling = boiling,
               .boilingEnds = boiling.domain(),
               .sublimation = std::move(sublimation),
               .sublimationEnds = sublimationEnds,
               .vaporisationAtLow = first,
               .vaporisationSlopeAtLow = slope,
               .vapourEnthalpy = enthalpies,
               .enthalpyEnds = enthalpies.domain(),
               .dissolvesAir = facts.id == "water"}));
}

double RigFluid::lowestKelvin() const { return m_tables->low; }
double RigFluid::highestKelvin() const { return m_tables->high; }
double RigFluid::lowestLiquidKelvin() const { return m_tables->liquidLow; }
bool RigFluid::hasSolid() const { return m_tables->logSolid.has_value(); }
double RigFluid::tripleKelvin() const { return m_tables->triple; }

double RigFluid::liquidSaturation(double t) const { return std::exp(m_tables->logLiquid(t)); }
double RigFluid::solidSaturation(double t) const { return std::exp((*m_tables->logSolid)(t)); }

double RigFluid::boilingKelvin(double pascal) const {
    const auto [low, high] = m_tables->boilingEnds;
    return m_tables->boiling(std::clamp(std::log(pascal), low, high));
}

double RigFluid::sublimationKelvin(double pascal) const {
    const auto [low, high] = m_tables->sublimationEnds;
    return (*m_tables->sublimation)(std::clamp(std::log(pascal), low, high));
}

double RigFluid::vaporisation(double t) const {
    const double low = m_tables->vaporisation.domain().first;
    if (t >= low) return m_tables->vaporisation(t);
    return m_tables->vaporisationAtLow + m_tables->vaporisationSlopeAtLow * (t - low);
}

double RigFluid::fusion() const { return m_tables->fusion; }
double RigFluid::liquidEnergy(double t) const { return m_tables->liquidCp * (t - m_tables->triple); }
double RigFluid::solidEnergy(double t) const {
    return m_tables->solidCp * (t - m_tables->triple) - m_tables->fusion;
}
double RigFluid::vapourEnthalpy(double t) const {
    const auto [low, high] = m_tables->enthalpyEnds;
    const double inside = std::clamp(t, low, high);
    const double known = m_tables->vapourEnthalpy(inside);
    return t == inside ? known : known + m_tables->vapourEnthalpy.prime(inside) * (t - inside);
}
double RigFluid::vapourEnergy(double t) const { return vapourEnthalpy(t) - m_tables->gasConstant * t; }
double RigFluid::vapourHeatCapacity(double t) const {
    const auto [low, high] = m_tables->enthalpyEnds;
    return m_tables->vapourEnthalpy.prime(std::clamp(t, low, high)) - m_tables->gasConstant;
}
double RigFluid::liquidHeatCapacity() const { return m_tables->liquidCp; }
double RigFluid::solidHeatCapacity() const { return m_tables->solidCp; }
double RigFluid::liquidDensity() const { return m_tables->density; }
double RigFluid::airSolubility(double t) const {
    if (!m_tables->dissolvesAir) return 0.0;
    // Henry's constant of air in water, 1e9 Pa, every ten degrees from 0 to 100 degC: International Critical
    // Tables, vol. III (1928) 257.
    static constexpr std::array kHenry{4.38, 5.56, 6.73, 7.81, 8.82, 9.59, 10.2, 10.6, 10.8, 10.9, 10.8};
    constexpr double kIce = 273.15, kEvery = 10.0, kAirMass = 0.0289652, kWaterMass = 0.0180153;
    const double at = std::clamp((t - kIce) / kEvery, 0.0, static_cast<double>(kHenry.size()) - 1.0 - 1e-9);
    const auto i = static_cast<std::size_t>(at);
    return kAirMass / kWaterMass / (1e9 * std::lerp(kHenry[i], kHenry[i + 1], at - static_cast<double>(i)));
}
const FlowingGas& RigFluid::vapour() const { return m_tables->vapour; }

double evaporationFlux(double coefficient, double molarMass, double surfaceKelvin, double saturationPascal,
                       double vapourKelvin, double vapourPascal) {
    const double leaves = saturationPascal / std::sqrt(surfaceKelvin),
                 comes = vapourPascal / std::sqrt(vapourKelvin);
    return 2.0 * coefficient / (2.0 - coefficient) *
           std::sqrt(molarMass / (2.0 * std::numbers::pi * kMolarGas)) * (leaves - comes);
}

} // namespace uttrin
