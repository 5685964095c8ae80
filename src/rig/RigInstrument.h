#pragma once

#include "RigState.h"

#include <cstdint>
#include <span>
#include <string>
#include <vector>

namespace uttrin {

/// An instrument on a vessel as it is, not as one would wish.
struct RigInstrument {
    enum Kind {
        Gauge,       ///< Pa absolute, of the gas in the vessel
        Thermometer, ///< K, in the contents
        Infrared     ///< K, of the wall that it is aimed at
    };
    Kind kind = Gauge;
    int vessel = 0;
    std::string name;
    double lag = 0.0;        ///< s, time constant of first order
    double zero = 0.0;       ///< Pa or K that it shows too much
    double resolution = 0.0; ///< Pa or K, of its display
    double noise = 0.0;      ///< Pa or K, standard deviation
    int wall = 0;            ///< that an infrared thermometer is aimed at
};

/// What an instrument shows at each sample of a run, SI. It starts as the vessel is; between samples the true
/// value is taken to go straight. Equal seeds give equal noise.
[[nodiscard]] std::vector<double> shownBy(const RigInstrument& instrument, std::span<const RigSample> samples,
                                          std::uint64_t seed);

} // namespace uttrin
