#include "RigSolute.h"

#include "HermiteTable.h"
#include "solutions/BinaryMixture.h"
#include "solutions/SodiumChloride.h"
#include "solutions/Sucrose.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace uttrin {
namespace {

constexpr double kShareStep = 0.0025, kKelvinStep = 0.25; // of the tables
constexpr double kFreezing = 273.15, kSteam = 373.15;     // K
constexpr double kHottest = 1.1; // of the way from the one to the other, as far as the line is continued

/// Where a falling function passes through zero.
template <typename Function>
double falling(Function function, double low, double high) {
    constexpr int kHalvings = 55;
    for (int i = 0; i < kHalvings; ++i) {
        const double half = 0.5 * (low + high);
        (function(half) > 0.0 ? low : high) = half;
    }
    return 0.5 * (low + high);
}

} // namespace

struct RigSolute::Tables {
    /// What is known of a solid that dissolves, beside its activity: data of the CRC Handbook of Chemistry
    /// and Physics, rounded.
    struct Solid {
        double density;        ///< kg/m3, of its share in a strong solution
        double inLiquid, cp;   ///< J/(kg K), in a strong solution and by itself
        double heatOfSolution; ///< J/kg that it takes up, at infinite dilution and 25 degC
    };
    static constexpr Solid kSaltSolid{2500.0, 450.0, 864.0, 66.4e3},
        kSugarSolid{1590.0, 1800.0, 1240.0, 16.8e3};

    SoluteKind kind = SoluteKind::None;
    double triple = 0.0;
    std::optional<RigFluid> fluid;
    const BinaryMixture* mixture = nullptr;
    Solid solid{};
    double highest = 1.0, coldest = 0.0;
    std::optional<HermiteTable> cold, hot;           ///< ln(activity of the solvent) against the share
    std::optional<HermiteTable> besideIce, freezing; ///< share against K, and the other way round

    [[nodiscard]] Activities activities(double share, double kelvin) const;
};

RigSolute::Activities RigSolute::Tables::activities(double share, double kelvin) const {
    if (mixture) {
        constexpr double kEdge = 1e-12;
        const double x = std::clamp(mixture->amountFraction(share), kEdge, 1.0 - kEdge);
        const auto gamma = mixture->activityCoefficients(x, Temperature::fromKelvin(kelvin));
        return {gamma.second * (1.0 - x), share > 0.0 ? gamma.first * x : 0.0};
    }
    const double at = std::clamp(share, 0.0, highest);
    const double whenCold = (*cold)(at);
    if (!hot) return {std::exp(whenCold), 0.0};
    const double towardsHot = std::clamp((kelvin - kFreezing) / (kSteam - kFreezing), 0.0, kHottest);
    return {std::exp(std::lerp(whenCold, (*hot)(at), towardsHot)), 0.0};
}

Result<RigSolute> RigSolute::make(SoluteKind kind, const Substance& solvent) {
    if (solvent.facts().id != "water")
        return fail(Failure::BadInput,
                    Text::tr("what dissolves in {} is not known; accepted: water", solvent.facts().name));
    const auto water = RigFluid::make(solvent);
    if (!water) return tl::unexpected(water.error());
    Tables t;
    t.kind = kind;
    t.triple = water->tripleKelvin();
    const auto iceByLiquid = [&](double kelvin) {
        return std::log(water->solidSaturation(kelvin) / water->liquidSaturation(kelvin));
    };
    const auto logarithm = [](const Result<double>& a) {
        return a.map([](double x) { return std::log(x); });
    };
    switch (kind) {
    case SoluteKind::SodiumChloride: {
        using namespace sodiumChloride;
        t.solid = Tables::kSaltSolid;
        t.highest = massFraction(kHighestMolality);
        const auto pitzer = [](double share, double celsius) {
            return waterActivity(std::min(molalityOf(share), kHighestMolality),
                                 Temperature::fromCelsius(celsius));
        };
        const auto measured =
            [&](double share) -> Result<double> { // by its freezing point, while there is one
            const double known = std::min(share, kEutecticMassFraction);
            const auto drop = freezingPointDepression(molalityOf(known));
            if (!drop) return tl::unexpected(drop.error());
            const double a = std::exp(iceByLiquid(t.triple - drop->kelvin()));
            return share <= known ? a : a * *pitzer(share, 0.0) / *pitzer(known, 0.0);
        };
        const auto cold =
            tabulated(0.0, t.highest, kShareStep, [&](double w) { return logarithm(measured(w)); });
        const auto hot =
            tabulated(0.0, t.highest, kShareStep, [&](double w) { return logarithm(pitzer(w, 100.0)); });
        if (!cold || !hot) return tl::unexpected((cold ? hot : cold).error());
        t.cold = *cold;
        t.hot = *hot;
        t.coldest = t.triple + kEutecticCelsius;
        break;
    }
    case SoluteKind::Sucrose: {
        t.solid = Tables::kSugarSolid;
        t.highest = sucrose::kHighestMassFraction;
        const auto cold = tabulated(0.0, t.highest, kShareStep,
                                    [&](double w) { return logarithm(sucrose::waterActivity(w)); });
        if (!cold) return tl::unexpected(cold.error());
        t.cold = *cold;
        t.coldest = water->lowestLiquidKelvin();
        break;
    }
    case SoluteKind::Ethanol:
    case SoluteKind::Methanol:
    case SoluteKind::Acetone: {
        const auto mixture = findWaterMixture(id(kind));
        if (!mixture) return tl::unexpected(mixture.error());
        auto fluid = RigFluid::make((*mixture)->first());
        if (!fluid) return tl::unexpected(fluid.error());
        t.mixture = *mixture;
        t.fluid = std::move(*fluid);
        t.coldest = std::max(water->lowestLiquidKelvin(), t.fluid->lowestLiquidKelvin());
        break;
    }
    default:
        return fail(Failure::BadInput, Text::tr("a rig knows what is dissolved by its kind; accepted: nacl, "
                                                "sucrose, ethanol, methanol, acetone"));
    }
    const auto besideIce = tabulated(t.coldest, t.triple, kKelvinStep, [&](double kelvin) -> Result<double> {
        if (kelvin >= t.triple) return 0.0;
        const double wanted = iceByLiquid(kelvin);
        const auto missing = [&](double share) {
            return std::log(t.activities(share, kelvin).solvent) - wanted;
        };
        const double most = 0.999 * t.highest;
        return missing(most) > 0.0 ? most : falling(missing, 0.0, most);
    });
    if (!besideIce) return tl::unexpected(besideIce.error());
    t.besideIce = *besideIce;
    const auto freezing =
        tabulated(0.0, (*besideIce)(t.coldest), kShareStep, [&](double share) -> Result<double> {
            return falling([&](double kelvin) { return (*besideIce)(kelvin)-share; }, t.coldest, t.triple);
        });
    if (!freezing) return tl::unexpected(freezing.error());
    t.freezing = *freezing;
    return RigSolute(std::make_shared<const Tables>(std::move(t)));
}

SoluteKind RigSolute::kind() const { return m_tables->kind; }
Text RigSolute::name() const {
    switch (m_tables->kind) {
    case SoluteKind::SodiumChloride:
        return Text::tr("salt");
    case SoluteKind::Sucrose:
        return Text::tr("sugar");
    default:
        return nameOf(m_tables->kind);
    }
}
const RigFluid* RigSolute::fluid() const { return m_tables->fluid ? &*m_tables->fluid : nullptr; }
double RigSolute::highestShare() const { return m_tables->highest; }
double RigSolute::density() const {
    return m_tables->fluid ? m_tables->fluid->liquidDensity() : m_tables->solid.density;
}
double RigSolute::heatCapacity() const {
    return m_tables->fluid ? m_tables->fluid->liquidHeatCapacity() : m_tables->solid.inLiquid;
}
double RigSolute::energy(double kelvin) const {
    if (m_tables->fluid) return m_tables->fluid->liquidEnergy(kelvin);
    return m_tables->solid.heatOfSolution + m_tables->solid.inLiquid * (kelvin - m_tables->triple);
}
double RigSolute::energyBefore(double kelvin) const {
    if (m_tables->fluid) return m_tables->fluid->liquidEnergy(kelvin);
    return m_tables->solid.cp * (kelvin - m_tables->triple);
}
RigSolute::Activities RigSolute::activities(double share, double kelvin) const {
    return m_tables->activities(share, kelvin);
}
RigSolute::Saturation RigSolute::saturation(const RigFluid& solvent, double share, double kelvin) const {
    const Activities a = activities(share, kelvin);
    Saturation over{a.solvent * solvent.liquidSaturation(kelvin), 0.0};
    if (const RigFluid* own = fluid(); own && a.solute > 0.0)
        over.solute = a.solute * own->liquidSaturation(
                                     std::clamp(kelvin, own->lowestLiquidKelvin(), own->highestKelvin()));
    return over;
}
bool RigSolute::hasEutectic() const { return m_tables->kind == SoluteKind::SodiumChloride; }
double RigSolute::boilingKelvin(const RigFluid& solvent, double share, double pascal) const {
    // The logarithm of the pressure is nearly straight in temperature: a few steps of the secant.
    const double low = solvent.lowestLiquidKelvin(), high = solvent.highestKelvin();
    const auto excess = [&](double kelvin) {
        const Saturation over = saturation(solvent, share, kelvin);
        return std::log((over.solvent + over.solute) / pascal);
    };
    double t = solvent.boilingKelvin(pascal);
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

double RigSolute::coldestKelvin() const { return m_tables->coldest; }
double RigSolute::shareBesideIce(double kelvin) const { return (*m_tables->besideIce)(kelvin); }
double RigSolute::shareBesideIceSlope(double kelvin) const { return m_tables->besideIce->prime(kelvin); }

double RigSolute::freezingKelvin(double share) const {
    const auto [low, high] = m_tables->freezing->domain();
    return share >= high ? m_tables->coldest : (*m_tables->freezing)(std::max(share, low));
}

} // namespace uttrin
