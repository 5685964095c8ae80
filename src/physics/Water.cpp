#include "Water.h"

#include "Constants.h"

#include <fmt/format.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kTripleK = 273.16;
constexpr double kCriticalK = 647.096;
constexpr double kLowestK = 50.0; // R14-08, lower end of the sublimation equation
constexpr double kIceDensity =
    916.7; // kg/m3 at the triple point, IAPWS R10-06(2009); changes by 2 % down to 190 K

// R7-97 reproduces IAPWS-95, which states 0.025 % (about 95 % confidence) for the saturation pressure; half
// is standard.
constexpr double kLiquidRelativeU = 0.000125;
// R14-08 section 4: 0.1 % at 200 K and above (about 95 % confidence), growing to 1 % at 130 K and more below.
constexpr double kIceRelativeU = 0.0005;
constexpr double kColdIceRelativeU = 0.005;
constexpr double kColdIceK = 200.0;

class Water final : public Substance {
public:
    Water() {
        // One number on each branch closes the gap of less than 1e-6 between the two formulations at the
        // triple point.
        m_tripleLiquid = iapws::region4Pressure(kTripleK);
        m_tripleIce = iapws::sublimationPressure(kTripleK);
        m_lowestPressure = iapws::sublimationPressure(kLowestK);
        m_critical = iapws::region4Pressure(kCriticalK);
    }

    const SubstanceFacts& facts() const override {
        static const SubstanceFacts facts{
            "water",
            "water",
            "H2O",
            0.018015268,
            Temperature::fromKelvin(kTripleK),
            Pressure::fromPascal(611.657),
            Temperature::fromKelvin(iapws::region4Temperature(kStandardAtmospherePascal)),
            Temperature::fromKelvin(kCriticalK),
            Pressure::fromPascal(22.064e6),
            Temperature::fromKelvin(kLowestK),
            {"IAPWS R7-97(2012)", "IAPWS R14-08(2011)", "IAPWS SR1-86(1992)"}};
        return facts;
    }

    Result<Pressure> vapourPressure(Temperature t) const override {
        if (!inRange(t)) return outOfRange(t);
        return Pressure::fromPascal(pressureAt(t.kelvin()));
    }

    Result<Temperature> boilingPoint(Pressure p) const override {
        const double pa = p.pascal();
        if (!(pa >= m_lowestPressure && pa <= m_critical))
            return fail(
                Failure::OutOfRange,
                fmt::format("water's vapour pressure covers {:.3g} Pa to {:.4g} Pa; {:.6g} Pa lies outside",
                            m_lowestPressure, m_critical, pa));
        if (pa >= m_tripleLiquid) return Temperature::fromKelvin(iapws::region4Temperature(pa));
        if (pa < m_tripleIce) return Temperature::fromKelvin(iapws::sublimationTemperature(pa));
        return Temperature::fromKelvin(kTripleK);
    }

    Result<Saturation> saturationAt(Temperature t) const override {
        if (!inRange(t)) return outOfRange(t);
        const double k = t.kelvin();
        const Phases phases = phasesAt(k);
        const double p = pressureAt(k);
        return Saturation{t, Pressure::fromPascal(p), phases, relativeU(k), slopeAt(k)};
    }

    Result<double> enthalpyOfVaporisation(Temperature t) const override {
        if (!inRange(t)) return outOfRange(t);
        const double k = t.kelvin();
        if (phasesAt(k) == Phases::LiquidVapour) {
            const auto s = iapws::saturatedProperties(k);
            return s.vapourEnthalpy - s.liquidEnthalpy;
        }
        return k * slopeAt(k) * (1.0 / idealVapourDensity(k) - 1.0 / kIceDensity); // Clapeyron's equation
    }

    Result<double> condensedDensity(Temperature t) const override {
        if (!inRange(t)) return outOfRange(t);
        if (phasesAt(t.kelvin()) == Phases::SolidVapour) return kIceDensity;
        return iapws::saturatedProperties(t.kelvin()).liquidDensity;
    }

    Result<double> vapourDensity(Temperature t) const override {
        if (!inRange(t)) return outOfRange(t);
        if (phasesAt(t.kelvin()) == Phases::SolidVapour) return idealVapourDensity(t.kelvin());
        return iapws::saturatedProperties(t.kelvin()).vapourDensity;
    }

    std::string_view source(Phases phases) const override {
        return phases == Phases::LiquidVapour
                   ? "IAPWS R7-97(2012) region 4; densities and enthalpies IAPWS SR1-86(1992)"
                   : "IAPWS R14-08(2011); vapour as an ideal gas, enthalpy by Clapeyron's equation";
    }

private:
    static bool inRange(Temperature t) { return t.kelvin() >= kLowestK && t.kelvin() <= kCriticalK; }
    static Phases phasesAt(double k) { return k < kTripleK ? Phases::SolidVapour : Phases::LiquidVapour; }

    static tl::unexpected<Failure> outOfRange(Temperature t) {
        return fail(Failure::OutOfRange,
                    fmt::format("water's vapour pressure covers {} K to {} K; {:.6g} K lies outside",
                                kLowestK, kCriticalK, t.kelvin()));
    }

    static double pressureAt(double k) {
        return k < kTripleK ? iapws::sublimationPressure(k) : iapws::region4Pressure(k);
    }

    /// dp/dT by a central difference that stays on one branch; the step balances rounding against curvature.
    static double slopeAt(double k) {
        constexpr double kStep = 1e-4; // relative; error below 1e-7 of the slope
        const double h = k * kStep;
        if (k < kTripleK) {
            const double low = std::max(k - h, kLowestK);
            return (iapws::sublimationPressure(k + h) - iapws::sublimationPressure(low)) / (k + h - low);
        }
        const double high = std::min(k + h, kCriticalK);
        return (iapws::region4Pressure(high) - iapws::region4Pressure(k - h)) / (high - k + h);
    }

    static double relativeU(double k) {
        if (k >= kTripleK) return kLiquidRelativeU;
        return k >= kColdIceK ? kIceRelativeU : kColdIceRelativeU;
    }

    double idealVapourDensity(double k) const { return pressureAt(k) * facts().molarMass / (kMolarGas * k); }

    double m_tripleLiquid, m_tripleIce, m_lowestPressure, m_critical;
};

} // namespace

const Substance& water() {
    static const Water instance;
    return instance;
}

} // namespace uttrin
