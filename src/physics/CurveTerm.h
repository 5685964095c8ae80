#pragma once

#include <cmath>
#include <span>

namespace uttrin {

/// factor * x^power, one term of a correlation.
struct CurveTerm {
    double factor = 0.0, power = 0.0;
};

[[nodiscard]] inline double sumOf(std::span<const CurveTerm> terms, double x) {
    double total = 0.0;
    for (const CurveTerm& term : terms)
        total += term.factor * std::pow(x, term.power);
    return total;
}

} // namespace uttrin
