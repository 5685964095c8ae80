#include "Liquid.h"

#include "BinaryMixture.h"
#include "SodiumChloride.h"
#include "SolventActivity.h"
#include "Sucrose.h"
#include "physics/Constants.h"
#include "quantities/Identifiers.h"

#include <boost/math/tools/roots.hpp>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

struct KindText {
    SoluteKind kind;
    std::string_view id;
    Phrase name;
};
constexpr KindText kKinds[] = {
    KindText{SoluteKind::None, "none", {}},
    KindText{SoluteKind::SodiumChloride, "nacl", Text::phrase("sodium chloride")},
    KindText{SoluteKind::Sucrose, "sucrose", Text::phrase("sucrose")},
    KindText{SoluteKind::Ideal, "ideal", Text::phrase("an ideal solute")},
    KindText{SoluteKind::Ethanol, "ethanol", Text::phrase("ethanol")},
    KindText{SoluteKind::Methanol, "methanol", Text::phrase("methanol")},
    KindText{SoluteKind::Acetone, "acetone", Text::phrase("acetone")},
};

const KindText& textOf(SoluteKind kind) {
    return *std::find_if(std::begin(kKinds), std::end(kKinds),
                         [kind](const KindText& k) { return k.kind == kind; });
}

constexpr double kHighestIdealParticles = 5.0; // mol/kg of particles, far beyond dilute
constexpr double kMostElevation = 90.0;        // K, of any solution here

/// Where a rising function crosses zero.
template <typename F>
Result<double> solve(F f, double low, double high) {
    constexpr int kBits = 48;
    const double atLow = f(low), atHigh = f(high);
    if (atLow == 0.0) return low;
    if (!(atLow < 0.0 && atHigh > 0.0))
        return fail(Failure::OutOfRange, Text::tr("that lies outside the range of the solution’s model"));
    std::uintmax_t most = 100;
    const auto ends = boost::math::tools::toms748_solve(
        f, low, high, atLow, atHigh, boost::math::tools::eps_tolerance<double>(kBits), most);
    return 0.5 * (ends.first + ends.second);
}

} // namespace

std::string_view id(SoluteKind kind) { return textOf(kind).id; }
Text nameOf(SoluteKind kind) { return textOf(kind).name; }

Result<SoluteKind> soluteKindFromId(std::string_view wanted) {
    return fromId(wanted,
                  std::array{SoluteKind::SodiumChloride, SoluteKind::Sucrose, SoluteKind::Ideal,
                             SoluteKind::Ethanol, SoluteKind::Methanol, SoluteKind::Acetone,
                             SoluteKind::None},
                  Text::tr("a solute that Uttrin knows"));
}

bool byMassFraction(SoluteKind kind) {
    return kind == SoluteKind::Sucrose || kind == SoluteKind::Ethanol || kind == SoluteKind::Methanol ||
           kind == SoluteKind::Acetone;
}

Result<Liquid> Liquid::make(const Substance& solvent, const Solute& solute) {
    if (solute.kind == SoluteKind::None) return Liquid(solvent);
    if (solute.kind != SoluteKind::Ideal && solvent.facts().id != "water")
        return fail(Failure::BadInput, Text::tr("{} is known in water only, not in {}",
                                                textOf(solute.kind).name, solvent.facts().name));
    const auto within = [&](double most, const char* unit) -> Result<Liquid> {
        if (solute.amount >= 0.0 && solute.amount <= most) return Liquid(solvent, solute);
        return fail(Failure::OutOfRange,
                    Text::tr("{} in {} is known from 0 to {:g} {}, not at {:g}", textOf(solute.kind).name,
                             solvent.facts().name, most, unit, solute.amount));
    };
    switch (solute.kind) {
    case SoluteKind::SodiumChloride:
        return within(sodiumChloride::kHighestMolality, "mol/kg");
    case SoluteKind::Sucrose:
        return within(sucrose::kHighestMassFraction, "by mass");
    case SoluteKind::Ideal:
        if (!(solute.factor > 0.0 && solute.factor <= 10.0))
            return fail(
                Failure::BadInput,
                Text::tr("van 't Hoff’s factor lies above 0 and up to 10, not at {:g}", solute.factor));
        return within(kHighestIdealParticles / solute.factor, "mol/kg");
    default:
        return within(1.0, "by mass");
    }
}

bool Liquid::isMixture() const {
    return m_solute.kind == SoluteKind::Ethanol || m_solute.kind == SoluteKind::Methanol ||
           m_solute.kind == SoluteKind::Acetone;
}

Text Liquid::name() const {
    if (pure()) return m_solvent->facts().name;
    if (byMassFraction(m_solute.kind))
        return Text::tr("{} with {:.3g} % {} by mass", m_solvent->facts().name, 100.0 * m_solute.amount,
                        textOf(m_solute.kind).name);
    return Text::tr("{} with {:.3g} mol/kg {}", m_solvent->facts().name, m_solute.amount,
                    textOf(m_solute.kind).name);
}

Text Liquid::source() const {
    const std::string pureSource = m_solvent->source(Phases::LiquidVapour);
    switch (m_solute.kind) {
    case SoluteKind::SodiumChloride:
        return Text::set("{}; {}", Text::data(pureSource), sodiumChloride::kBoilingSource);
    case SoluteKind::Sucrose:
        return Text::set("{}; {}", Text::data(pureSource), sucrose::kSource);
    case SoluteKind::Ideal:
        return Text::tr("{}; ideal dilute solution", Text::data(pureSource));
    case SoluteKind::None:
        return Text::data(pureSource);
    default:
        return (*findWaterMixture(id(m_solute.kind)))->source();
    }
}

Result<double> Liquid::activity(Temperature t) const {
    switch (m_solute.kind) {
    case SoluteKind::SodiumChloride:
        return sodiumChloride::waterActivity(m_solute.amount, t);
    case SoluteKind::Sucrose:
        return sucrose::waterActivity(m_solute.amount);
    case SoluteKind::Ideal:
        return std::exp(-m_solute.factor * m_solute.amount * m_solvent->facts().molarMass);
    default:
        return 1.0;
    }
}

Result<Pressure> Liquid::vapourPressure(Temperature t) const {
    if (isMixture()) {
        const BinaryMixture& mixture = **findWaterMixture(id(m_solute.kind));
        return mixture.bubblePressure(mixture.amountFraction(m_solute.amount), t);
    }
    if (pure()) return m_solvent->vapourPressure(t);
    return activity(t).and_then([&](double a) { return pressureAtActivity(*m_solvent, t, a); });
}

Result<Temperature> Liquid::boilingPoint(Pressure p) const {
    const auto alone = m_solvent->boilingPoint(p);
    if (!alone || pure() || m_solute.amount == 0.0) return alone;
    if (isMixture()) {
        const BinaryMixture& mixture = **findWaterMixture(id(m_solute.kind));
        return mixture.bubblePoint(mixture.amountFraction(m_solute.amount), p).map([](const MixtureState& s) {
            return s.temperature;
        });
    }
    if (*alone < m_solvent->facts().triple)
        return fail(Failure::OutOfRange,
                    Text::tr("at {:.4g} kPa the pure {} sublimes: the solution freezes before it boils",
                             p.kilopascal(), m_solvent->facts().name));
    std::optional<Failure> outside;
    const auto excess = [&](double kelvin) {
        const auto over = vapourPressure(Temperature::fromKelvin(kelvin));
        if (!over) outside = over.error();
        return over ? std::log(over->pascal() / p.pascal()) : -1.0;
    };
    // Upwards until the solution's pressure is passed, so that no model is asked beyond its range without
    // need.
    double low = alone->kelvin(), step = 1.0;
    while (excess(low + step) < 0.0 && step < kMostElevation && !outside)
        step *= 2.0;
    if (outside) return tl::unexpected(*outside);
    return solve(excess, low, low + step).map([](double kelvin) { return Temperature::fromKelvin(kelvin); });
}

double Liquid::soluteU(double elevationKelvin) const {
    constexpr double kSaltRelative = 0.002,
                     kIdealRelative = 0.03; // of the elevation: osmotic coefficient; neglect of it
    switch (m_solute.kind) {
    case SoluteKind::SodiumChloride:
        return kSaltRelative * elevationKelvin;
    case SoluteKind::Sucrose:
        return sucrose::elevationU(m_solute.amount);
    case SoluteKind::Ideal:
        return kIdealRelative * elevationKelvin;
    case SoluteKind::None:
        return 0.0;
    default:
        return (*findWaterMixture(id(m_solute.kind)))->temperatureU();
    }
}

Result<Saturation> Liquid::saturationAt(Pressure p) const {
    const auto alone = m_solvent->saturationAt(p);
    if (!alone || pure()) return alone;
    const auto boils = boilingPoint(p);
    if (!boils) return tl::unexpected(boils.error());
    constexpr double kStep = 1e-3; // relative in pressure
    const auto above = boilingPoint(Pressure::fromPascal(p.pascal() * (1.0 + kStep)));
    if (!above) return tl::unexpected(above.error());
    const double slope = p.pascal() * kStep / (above->kelvin() - boils->kelvin());
    const double u = std::hypot(alone->relativePressureU * p.pascal() / slope,
                                soluteU(std::abs(boils->kelvin() - alone->temperature.kelvin())));
    return Saturation{*boils, p, Phases::LiquidVapour, u * slope / p.pascal(), slope};
}

Result<TemperatureDifference> Liquid::elevation(Pressure p) const {
    const auto alone = m_solvent->boilingPoint(p);
    if (!alone) return tl::unexpected(alone.error());
    return boilingPoint(p).map([&](Temperature t) { return t - *alone; });
}

Result<TemperatureDifference> Liquid::boilingPointRiseAtDepth(Pressure p, Length depth) const {
    const auto surface = boilingPoint(p);
    if (!surface) return tl::unexpected(surface.error());
    const auto density = m_solvent->condensedDensity(*surface);
    if (!density) return tl::unexpected(density.error());
    const auto column = PressureDifference::fromPascal(*density * kStandardGravity * depth.metre());
    return boilingPoint(p + column).map([&](Temperature below) { return below - *surface; });
}

Result<TemperatureDifference> Liquid::freezingPointDepression() const {
    if (pure()) return TemperatureDifference::fromKelvin(0.0);
    if (m_solute.kind == SoluteKind::SodiumChloride)
        return sodiumChloride::freezingPointDepression(m_solute.amount);
    const auto& fusion = m_solvent->properties().enthalpyOfFusion;
    if (m_solute.kind != SoluteKind::Ideal || !fusion)
        return fail(Failure::OutOfRange, Text::tr("the freezing point of {} is not known", name()));
    // ln a = L/R (1/T0 - 1/T), the enthalpy of fusion taken as constant.
    const double t0 = m_solvent->facts().triple.kelvin();
    return activity(m_solvent->facts().triple).map([&](double a) {
        return TemperatureDifference::fromKelvin(t0 -
                                                 1.0 / (1.0 / t0 - kMolarGas * std::log(a) / fusion->value));
    });
}

Result<double> ebullioscopicConstant(const Substance& solvent, Pressure p) {
    const auto boils = solvent.boilingPoint(p);
    if (!boils) return tl::unexpected(boils.error());
    return solvent.enthalpyOfVaporisation(*boils).map(
        [&](double perKilogram) { return kMolarGas * boils->kelvin() * boils->kelvin() / perKilogram; });
}

Result<double> molalityFromBoiling(const Substance& solvent, SoluteKind kind, Temperature boils, Pressure p) {
    const auto solventsActivity = solventActivity(solvent, boils, p);
    if (!solventsActivity) return tl::unexpected(solventsActivity.error());
    const double logActivity = std::log(*solventsActivity);
    if (kind == SoluteKind::Ideal) return -logActivity / solvent.facts().molarMass;
    if (kind != SoluteKind::SodiumChloride)
        return fail(Failure::BadInput,
                    Text::tr("the amount dissolved is worked out for sodium chloride and for ideal solutes"));
    const auto excess = [&](double m) {
        const auto a = sodiumChloride::waterActivity(m, boils);
        return a ? logActivity - std::log(*a) : -1.0;
    };
    // Below the pure solvent, where noise may put a thin solution: the ideal line, so that a mean is not
    // bent.
    constexpr double kIons = 2.0;
    if (logActivity >= 0.0) return -logActivity / (kIons * solvent.facts().molarMass);
    return solve(excess, 0.0, sodiumChloride::kHighestMolality);
}

} // namespace uttrin
