#include "DensityCurve.h"

#include "Constants.h"
#include "Iapws.h"

#include <cmath>

namespace uttrin {
namespace {

/// Density with Z = 1 + B p / (R T). @param virial  B, m3/mol.
double virialDensity(double kelvin, double pascal, double molarMass, double virial) {
    const double perVolume = pascal / (kMolarGas * kelvin);
    return perVolume * molarMass / (1.0 + virial * perVolume);
}

/// B Pc / (R Tc) = f0 + omega f1, Tsonopoulos (1974), eq. 2 to 4.
double correspondingVirial(const CorrespondingVapour& f, double kelvin) {
    const double x = f.criticalKelvin / kelvin;
    const double x2 = x * x, x3 = x2 * x, x8 = x3 * x3 * x2;
    const double simple = 0.1445 - 0.330 * x - 0.1385 * x2 - 0.0121 * x3 - 0.000607 * x8;
    const double acentric = 0.0637 + 0.331 * x2 - 0.423 * x3 - 0.008 * x8;
    return kMolarGas * f.criticalKelvin / f.criticalPascal * (simple + f.acentric * acentric);
}

} // namespace

double idealGasDensity(double kelvin, double pascal, double molarMass) {
    return pascal * molarMass / (kMolarGas * kelvin);
}

double DensityCurve::operator()(double t, double pascal, double molarMass) const {
    struct Evaluate {
        double t, pascal, molarMass;
        double operator()(const ExponentialDensity& f) const {
            const double sum = sumOf(f.terms, 1.0 - t / f.criticalKelvin);
            return f.reference * std::exp(f.overTemperature ? sum * f.criticalKelvin / t : sum);
        }
        double operator()(const LinearDensity& f) const {
            return f.reference * (1.0 + sumOf(f.terms, 1.0 - t / f.criticalKelvin));
        }
        double operator()(const RackettDensity& f) const {
            const auto part = [&f](double kelvin) {
                return std::pow(1.0 - kelvin / f.criticalKelvin, 2.0 / 7.0);
            };
            return f.reference * std::pow(f.factor, part(f.referenceKelvin) - part(t));
        }
        double operator()(const ConstantDensity& f) const { return f.value; }
        double operator()(const VirialVapour& f) const {
            constexpr double kReferenceKelvin = 298.15, kCubicCentimetre = 1e-6;
            const double x = kReferenceKelvin / t - 1.0;
            double virial = 0.0;
            for (auto c = f.coefficients.rbegin(); c != f.coefficients.rend(); ++c)
                virial = virial * x + *c;
            return virialDensity(t, pascal, molarMass, virial * kCubicCentimetre);
        }
        double operator()(const CorrespondingVapour& f) const {
            return virialDensity(t, pascal, molarMass, correspondingVirial(f, t));
        }
        double operator()(const IapwsLiquid&) const { return iapws::saturatedProperties(t).liquidDensity; }
        double operator()(const IapwsVapour&) const { return iapws::saturatedProperties(t).vapourDensity; }
    };
    return std::visit(Evaluate{t, pascal, molarMass}, m_form);
}

} // namespace uttrin
