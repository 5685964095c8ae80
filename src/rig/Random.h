#pragma once

#include <cmath>
#include <cstdint>
#include <numbers>
#include <random>

namespace uttrin {

/// Normal numbers (mean 0, deviation 1) that are the same on every machine for a seed; the standard library's
/// distribution is not.
class NormalNumbers {
public:
    explicit NormalNumbers(std::uint64_t seed) : m_engine(seed) {}

    double next() { // G. E. P. Box, M. E. Muller (1958)
        const double radius = std::sqrt(-2.0 * std::log(uniform()));
        return radius * std::cos(2.0 * std::numbers::pi * uniform());
    }

private:
    double uniform() { // above 0, to 1
        constexpr double kStep = 0x1p-53;
        return (static_cast<double>(m_engine() >> 11) + 1.0) * kStep;
    }
    std::mt19937_64 m_engine;
};

} // namespace uttrin
