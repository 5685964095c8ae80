#include "Substance.h"

#include "Constants.h"
#include "Water.h"

#include <fmt/format.h>

#include <array>

namespace uttrin {

std::string_view name(Phases phases) {
    return phases == Phases::LiquidVapour ? "liquid-vapour" : "solid-vapour";
}

Result<Saturation> Substance::saturationAt(Pressure p) const {
    return boilingPoint(p).and_then([this](Temperature t) { return saturationAt(t); });
}

Result<double> Substance::molarEnthalpyOfVaporisation(Temperature t) const {
    return enthalpyOfVaporisation(t).map(
        [this](double perKilogram) { return perKilogram * facts().molarMass; });
}

Result<TemperatureDifference> Substance::boilingPointRiseAtDepth(Pressure p, Length depth) const {
    const auto surface = boilingPoint(p);
    if (!surface) return tl::unexpected(surface.error());
    const auto density = condensedDensity(*surface);
    if (!density) return tl::unexpected(density.error());
    const auto column = PressureDifference::fromPascal(*density * kStandardGravity * depth.metre());
    return boilingPoint(p + column).map([&](Temperature below) { return below - *surface; });
}

std::span<const Substance* const> substances() {
    static const std::array<const Substance*, 1> all{&water()};
    return all;
}

Result<const Substance*> findSubstance(std::string_view id) {
    std::string known;
    for (const Substance* s : substances()) {
        if (s->facts().id == id) return s;
        known += (known.empty() ? "" : ", ") + s->facts().id;
    }
    return fail(Failure::BadInput,
                fmt::format("'{}' is not a fluid that Uttrin knows; accepted: {}", id, known));
}

} // namespace uttrin
