#include "Dissolved.h"

#include "LineFit.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <vector>

namespace uttrin {
namespace {

constexpr double kConfidence = 0.95;

using Amount = std::function<Result<double>(Temperature, Pressure)>;

/// One point's amount with its independent uncertainty and its change when all temperatures or pressures move
/// by their shared uncertainty.
struct Contribution {
    double value, u, byTemperature, byPressure;
};

Result<std::vector<Contribution>> contributions(std::span<const BoilingDatum> data, const Amount& amount) {
    constexpr double kStepKelvin = 1e-3, kStepRelative = 1e-5;
    std::vector<Contribution> out;
    for (const BoilingDatum& d : data) {
        const auto here = amount(d.temperature, d.pressure);
        if (!here) return tl::unexpected(here.error());
        const auto warmer =
                       amount(d.temperature + TemperatureDifference::fromKelvin(kStepKelvin), d.pressure),
                   denser = amount(d.temperature,
                                   Pressure::fromPascal(d.pressure.pascal() * (1.0 + kStepRelative)));
        if (!warmer) return tl::unexpected(warmer.error());
        if (!denser) return tl::unexpected(denser.error());
        const double perKelvin = (*warmer - *here) / kStepKelvin,
                     perPascal = (*denser - *here) / (d.pressure.pascal() * kStepRelative);
        out.push_back({*here, std::hypot(perKelvin * d.temperatureU, perPascal * d.pressureU),
                       perKelvin * d.temperatureSharedU, perPascal * d.pressureSharedU});
    }
    return out;
}

Estimate weightedMean(const std::vector<Contribution>& points) {
    double weights = 0.0, sum = 0.0, temperature = 0.0, pressure = 0.0;
    for (const Contribution& c : points) {
        const double w = 1.0 / (c.u * c.u);
        weights += w;
        sum += w * c.value;
        temperature += w * c.byTemperature;
        pressure += w * c.byPressure;
    }
    const double mean = sum / weights;
    double chiSquare = 0.0;
    for (const Contribution& c : points)
        chiSquare += std::pow((c.value - mean) / c.u, 2);
    const int freedom = static_cast<int>(points.size()) - 1;
    const double scale = std::max(1.0, std::sqrt(chiSquare / freedom));
    const double u = std::hypot(scale / std::sqrt(weights), temperature / weights, pressure / weights);
    const double reach = studentFactor(kConfidence, freedom) * u;
    return {mean, u, mean - reach, mean + reach};
}

} // namespace

Result<DissolvedEstimate> estimateDissolved(std::span<const BoilingDatum> data, const Substance& solvent,
                                            SoluteKind kind) {
    constexpr std::size_t kFewest = 2;
    if (data.size() < kFewest)
        return fail(Failure::TooFewPoints,
                    Text::tr("two boiling points at least are needed to say how much is dissolved"));
    const auto by = [&](SoluteKind model) {
        return contributions(data, [&solvent, model](Temperature t, Pressure p) {
            return molalityFromBoiling(solvent, model, t, p);
        });
    };
    const auto particles = by(SoluteKind::Ideal);
    if (!particles) return tl::unexpected(particles.error());
    DissolvedEstimate out;
    out.points = static_cast<int>(data.size());
    out.particles = weightedMean(*particles);
    for (const BoilingDatum& d : data) {
        const auto pure = solvent.boilingPoint(d.pressure);
        if (!pure) return tl::unexpected(pure.error());
        out.meanElevationKelvin += (d.temperature - *pure).kelvin() / static_cast<double>(data.size());
    }
    if (kind == SoluteKind::SodiumChloride)
        if (const auto molality = by(kind)) out.molality = weightedMean(*molality);
    return out;
}

} // namespace uttrin
