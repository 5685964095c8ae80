#pragma once

#include <array>
#include <cmath>

/// Water by IAPWS R6-95(2018), the reference that the explicit equations of the product stand for: written
/// for the tests alone, from the release's tables 1 and 2, so that nothing here is shared with what is
/// tested.
namespace uttrin::testing::iapws95 {

inline constexpr double kCriticalK = 647.096, kCriticalDensity = 322.0; // K, kg/m3
inline constexpr double kGas = 461.51805;                               // J/(kg K)

struct Polynomial {
    double n, d, t, c; ///< coefficient; exponents of delta, tau and of delta inside exp(-delta^c), 0 for none
};
struct Gaussian {
    double n, d, t, alpha, beta, gamma;
};
struct Nonanalytic {
    double n, a, b, bigB, bigC, bigD, bigA, beta;
};

// clang-format off
inline constexpr Polynomial kPolynomials[] = {
    {0.12533547935523e-1, 1, -0.5, 0}, {0.78957634722828e1, 1, 0.875, 0},
    {-0.87803203303561e1, 1, 1, 0}, {0.31802509345418, 2, 0.5, 0}, {-0.26145533859358, 2, 0.75, 0},
    {-0.78199751687981e-2, 3, 0.375, 0}, {0.88089493102134e-2, 4, 1, 0}, {-0.66856572307965, 1, 4, 1},
    {0.20433810950965, 1, 6, 1}, {-0.66212605039687e-4, 1, 12, 1}, {-0.19232721156002, 2, 1, 1},
    {-0.25709043003438, 2, 5, 1}, {0.16074868486251, 3, 4, 1}, {-0.40092828925807e-1, 4, 2, 1},
    {0.39343422603254e-6, 4, 13, 1}, {-0.75941377088144e-5, 5, 9, 1}, {0.56250979351888e-3, 7, 3, 1},
    {-0.15608652257135e-4, 9, 4, 1}, {0.11537996422951e-8, 10, 11, 1}, {0.36582165144204e-6, 11, 4, 1},
    {-0.13251180074668e-11, 13, 13, 1}, {-0.62639586912454e-9, 15, 1, 1}, {-0.10793600908932, 1, 7, 2},
    {0.17611491008752e-1, 2, 1, 2}, {0.22132295167546, 2, 9, 2}, {-0.40247669763528, 2, 10, 2},
    {0.58083399985759, 3, 10, 2}, {0.49969146990806e-2, 4, 3, 2}, {-0.31358700712549e-1, 4, 7, 2},
    {-0.74315929710341, 4, 10, 2}, {0.47807329915480, 5, 10, 2}, {0.20527940895948e-1, 6, 6, 2},
    {-0.13636435110343, 6, 10, 2}, {0.14180634400617e-1, 7, 10, 2}, {0.83326504880713e-2, 9, 1, 2},
    {-0.29052336009585e-1, 9, 2, 2}, {0.38615085574206e-1, 9, 3, 2}, {-0.20393486513704e-1, 9, 4, 2},
    {-0.16554050063734e-2, 9, 8, 2}, {0.19955571979541e-2, 10, 6, 2}, {0.15870308324157e-3, 10, 9, 2},
    {-0.16388568342530e-4, 12, 8, 2}, {0.43613615723811e-1, 3, 16, 3}, {0.34994005463765e-1, 4, 22, 3},
    {-0.76788197844621e-1, 4, 23, 3}, {0.22446277332006e-1, 5, 23, 3}, {-0.62689710414685e-4, 14, 10, 4},
    {-0.55711118565645e-9, 3, 50, 6}, {-0.19905718354408, 6, 44, 6}, {0.31777497330738, 6, 46, 6},
    {-0.11841182425981, 6, 50, 6}};
inline constexpr Gaussian kGaussians[] = {{-0.31306260323435e2, 3, 0, 20, 150, 1.21},
                                          {0.31546140237781e2, 3, 1, 20, 150, 1.21},
                                          {-0.25213154341695e4, 3, 4, 20, 250, 1.25}};
inline constexpr Nonanalytic kNonanalytic[] = {
    {-0.14874640856724, 3.5, 0.85, 0.2, 28, 700, 0.32, 0.3},
    {0.31806110878444, 3.5, 0.95, 0.2, 32, 800, 0.32, 0.3}};
// clang-format on

struct Residual {
    double phi, byDelta; ///< residual Helmholtz energy over RT, and its derivative by delta
};

inline Residual residual(double kelvin, double density) {
    const double delta = density / kCriticalDensity, tau = kCriticalK / kelvin;
    Residual r{0.0, 0.0};
    for (const auto& p : kPolynomials) {
        const double power = p.c > 0 ? std::pow(delta, p.c) : 0.0;
        const double term = p.n * std::pow(delta, p.d) * std::pow(tau, p.t) * std::exp(-power);
        r.phi += term;
        r.byDelta += term * (p.d - p.c * power) / delta;
    }
    for (const auto& g : kGaussians) {
        const double term =
            g.n * std::pow(delta, g.d) * std::pow(tau, g.t) *
            std::exp(-g.alpha * (delta - 1) * (delta - 1) - g.beta * (tau - g.gamma) * (tau - g.gamma));
        r.phi += term;
        r.byDelta += term * (g.d / delta - 2 * g.alpha * (delta - 1));
    }
    for (const auto& a : kNonanalytic) {
        const double s = (delta - 1) * (delta - 1);
        const double theta = (1 - tau) + a.bigA * std::pow(s, 1 / (2 * a.beta));
        const double distance = theta * theta + a.bigB * std::pow(s, a.a);
        const double psi = std::exp(-a.bigC * s - a.bigD * (tau - 1) * (tau - 1));
        const double psiByDelta = -2 * a.bigC * (delta - 1) * psi;
        const double distanceByDelta =
            (delta - 1) * (a.bigA * theta * 2 / a.beta * std::pow(s, 1 / (2 * a.beta) - 1) +
                           2 * a.bigB * a.a * std::pow(s, a.a - 1));
        const double power = std::pow(distance, a.b);
        const double powerByDelta = a.b * std::pow(distance, a.b - 1) * distanceByDelta;
        r.phi += a.n * power * delta * psi;
        r.byDelta += a.n * (power * (psi + delta * psiByDelta) + powerByDelta * delta * psi);
    }
    return r;
}

inline double pressure(double kelvin, double density) {
    const double delta = density / kCriticalDensity;
    return density * kGas * kelvin * (1 + delta * residual(kelvin, density).byDelta);
}

struct Saturation {
    double pressure, liquid, vapour; ///< Pa, kg/m3, kg/m3
};

/// Equal pressure and equal Gibbs energy in both phases, by Newton's method in both densities.
/// @param liquid, vapour  kg/m3, to begin from.
inline Saturation saturation(double kelvin, double liquid, double vapour) {
    constexpr double kStep = 1e-6;
    const auto mismatch = [kelvin](double l, double v) {
        const auto scaled = [kelvin](double rho) { return pressure(kelvin, rho) / (kGas * kelvin); };
        const auto gibbs = [kelvin](double rho) {
            const auto r = residual(kelvin, rho);
            return r.phi + rho / kCriticalDensity * r.byDelta + std::log(rho);
        };
        return std::array{scaled(l) - scaled(v), gibbs(l) - gibbs(v)};
    };
    for (int i = 0; i < 40; ++i) {
        const auto f = mismatch(liquid, vapour);
        const double hl = liquid * kStep, hv = vapour * kStep;
        const auto fl = mismatch(liquid + hl, vapour), bl = mismatch(liquid - hl, vapour);
        const auto fv = mismatch(liquid, vapour + hv), bv = mismatch(liquid, vapour - hv);
        const double a = (fl[0] - bl[0]) / (2 * hl), b = (fv[0] - bv[0]) / (2 * hv),
                     c = (fl[1] - bl[1]) / (2 * hl), d = (fv[1] - bv[1]) / (2 * hv);
        const double determinant = a * d - b * c;
        const double dl = -(f[0] * d - b * f[1]) / determinant, dv = -(a * f[1] - c * f[0]) / determinant;
        liquid += dl;
        vapour += dv;
        if (std::abs(dl / liquid) + std::abs(dv / vapour) < 1e-13) break;
    }
    return {pressure(kelvin, vapour), liquid, vapour};
}

} // namespace uttrin::testing::iapws95
