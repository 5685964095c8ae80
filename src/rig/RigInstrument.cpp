#include "RigInstrument.h"

#include "Random.h"

#include <cmath>

namespace uttrin {
namespace {

double truth(const RigInstrument& i, const RigSample& s) {
    const VesselState& v = s.vessels[static_cast<std::size_t>(i.vessel)];
    switch (i.kind) {
    case RigInstrument::Gauge:
        return v.pascal;
    case RigInstrument::Thermometer:
        return v.kelvin;
    case RigInstrument::Infrared:
        return v.wallKelvins[static_cast<std::size_t>(i.wall)];
    }
    return 0.0;
}

/// A lagging value a time later, while what it follows goes straight from one value to another.
double followed(double lagging, double from, double to, double seconds, double lag) {
    if (lag <= 0.0 || seconds <= 0.0) return to;
    const double slope = (to - from) / seconds;
    // y' = (x - y) / lag with x = from + slope t.
    return to - slope * lag + (lagging - from + slope * lag) * std::exp(-seconds / lag);
}

} // namespace

std::vector<double> shownBy(const RigInstrument& i, std::span<const RigSample> samples, std::uint64_t seed) {
    std::vector<double> shown;
    shown.reserve(samples.size());
    NormalNumbers noise(seed);
    double lagging = samples.empty() ? 0.0 : truth(i, samples.front());
    for (std::size_t k = 0; k < samples.size(); ++k) {
        if (k > 0)
            lagging = followed(lagging, truth(i, samples[k - 1]), truth(i, samples[k]),
                               samples[k].seconds - samples[k - 1].seconds, i.lag);
        const double value = lagging + i.zero + (i.noise > 0.0 ? i.noise * noise.next() : 0.0);
        shown.push_back(i.resolution > 0.0 ? i.resolution * std::round(value / i.resolution) : value);
    }
    return shown;
}

} // namespace uttrin
