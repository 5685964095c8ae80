#include "Iapws.h"

#include "CurveTerm.h"

#include <boost/math/tools/roots.hpp>

#include <array>
#include <cmath>
#include <cstdint>
#include <tuple>

namespace uttrin::iapws {
namespace {

// R7-97(2012), table 34.
constexpr std::array kRegion4{
    0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.12020824702470e5, -0.32325550322333e7,
    0.14915108613530e2, -0.48232657361591e4, 0.40511340542057e6,  -0.23855557567849,  0.65017534844798e3};

constexpr double kTripleK = 273.16;   // R14-08, table 1
constexpr double kTriplePa = 611.657; // R14-08, table 1
constexpr double kIceLowestK = 50.0;  // R14-08, range of eq. 6
// R14-08(2011), table 5.
constexpr std::array kSublimation{CurveTerm{-0.212144006e2, 0.333333333e-2},
                                  CurveTerm{0.273203819e2, 0.120666667e1},
                                  CurveTerm{-0.610598130e1, 0.170333333e1}};

constexpr double kCriticalK = 647.096;     // SR1-86(1992)
constexpr double kCriticalPa = 22.064e6;   // SR1-86(1992)
constexpr double kCriticalDensity = 322.0; // kg/m3, SR1-86(1992)
// SR1-86(1992), eq. 1 to 4.
constexpr std::array kVapourPressure{CurveTerm{-7.85951783, 1.0}, CurveTerm{1.84408259, 1.5},
                                     CurveTerm{-11.7866497, 3.0}, CurveTerm{22.6807411, 3.5},
                                     CurveTerm{-15.9618719, 4.0}, CurveTerm{1.80122502, 7.5}};
constexpr std::array kLiquidDensity{CurveTerm{1.99274064, 1.0 / 3},   CurveTerm{1.09965342, 2.0 / 3},
                                    CurveTerm{-0.510839303, 5.0 / 3}, CurveTerm{-1.75493479, 16.0 / 3},
                                    CurveTerm{-45.5170352, 43.0 / 3}, CurveTerm{-6.74694450e5, 110.0 / 3}};
constexpr std::array kVapourDensity{CurveTerm{-2.03150240, 2.0 / 6},  CurveTerm{-2.68302940, 4.0 / 6},
                                    CurveTerm{-5.38626492, 8.0 / 6},  CurveTerm{-17.2991605, 18.0 / 6},
                                    CurveTerm{-44.7586581, 37.0 / 6}, CurveTerm{-63.9201063, 71.0 / 6}};
constexpr double kAlphaScale = 1000.0; // J/kg
constexpr double kAlphaConstant = -1135.905627715;
constexpr std::array kAlpha{CurveTerm{-5.65134998e-8, -19.0}, CurveTerm{2690.66631, 1.0},
                            CurveTerm{127.287297, 4.5}, CurveTerm{-135.003439, 5.0},
                            CurveTerm{0.981825814, 54.5}};

double sumOfDerivatives(std::span<const CurveTerm> terms, double x) {
    double total = 0.0;
    for (const CurveTerm& term : terms)
        total += term.factor * term.power * std::pow(x, term.power - 1.0);
    return total;
}

} // namespace

double region4Pressure(double t) {
    const auto& n = kRegion4;
    const double theta = t + n[8] / (t - n[9]);
    const double a = theta * theta + n[0] * theta + n[1];
    const double b = n[2] * theta * theta + n[3] * theta + n[4];
    const double c = n[5] * theta * theta + n[6] * theta + n[7];
    const double root = 2.0 * c / (-b + std::sqrt(b * b - 4.0 * a * c));
    return 1e6 * (root * root) * (root * root);
}

double region4Temperature(double p) {
    const auto& n = kRegion4;
    const double beta = std::sqrt(std::sqrt(p * 1e-6));
    const double e = beta * beta + n[2] * beta + n[5];
    const double f = n[0] * beta * beta + n[3] * beta + n[6];
    const double g = n[1] * beta * beta + n[4] * beta + n[7];
    const double d = 2.0 * g / (-f - std::sqrt(f * f - 4.0 * e * g));
    const double s = n[9] + d;
    return 0.5 * (s - std::sqrt(s * s - 4.0 * (n[8] + n[9] * d)));
}

double sublimationPressure(double t) {
    const double theta = t / kTripleK;
    return kTriplePa * std::exp(sumOf(kSublimation, theta) / theta);
}

double sublimationTemperature(double p) {
    const double wanted = std::log(p / kTriplePa);
    // ln p against 1/theta is nearly a straight line, so Newton's method in 1/theta needs few steps.
    const auto mismatch = [wanted](double inverse) {
        const double theta = 1.0 / inverse;
        const double s = sumOf(kSublimation, theta);
        return std::tuple{inverse * s - wanted, s - sumOfDerivatives(kSublimation, theta) * theta};
    };
    constexpr double kSlope = -22.5; // d(ln p)/d(1/theta) near the triple point, for the start only
    constexpr int kBits = 50;
    std::uintmax_t most = 60;
    const double inverse = boost::math::tools::newton_raphson_iterate(
        mismatch, 1.0 + wanted / kSlope, 1.0 - 1e-9, kTripleK / kIceLowestK, kBits, most);
    return kTripleK / inverse;
}

SaturatedProperties saturatedProperties(double t) {
    const double theta = t / kCriticalK;
    const double tau = 1.0 - theta;
    SaturatedProperties s{};
    const double f = sumOf(kVapourPressure, tau);
    s.pressure = kCriticalPa * std::exp(f / theta);
    s.slope = -s.pressure / t * (f / theta + sumOfDerivatives(kVapourPressure, tau));
    s.liquidDensity = kCriticalDensity * (1.0 + sumOf(kLiquidDensity, tau));
    s.vapourDensity = kCriticalDensity * std::exp(sumOf(kVapourDensity, tau));
    const double alpha = kAlphaScale * (kAlphaConstant + sumOf(kAlpha, theta));
    s.liquidEnthalpy = alpha + t / s.liquidDensity * s.slope;
    s.vapourEnthalpy = alpha + t / s.vapourDensity * s.slope;
    return s;
}

} // namespace uttrin::iapws
