#include "Thermometer.h"

#include <fmt/format.h>

#include <cmath>
#include <numbers>

namespace uttrin {

double LiquidTemperature::u() const { return std::hypot(uIndependent, uShared); }

std::string_view id(SensorPlace place) {
    switch (place) {
    case SensorPlace::Liquid:
        return "liquid";
    case SensorPlace::NearChips:
        return "near-chips";
    case SensorPlace::Vapour:
        return "vapour";
    case SensorPlace::OutsideWall:
        return "outside-wall";
    }
    return "";
}

Result<SensorPlace> sensorPlaceFromId(std::string_view wanted) {
    for (const auto p :
         {SensorPlace::Liquid, SensorPlace::NearChips, SensorPlace::Vapour, SensorPlace::OutsideWall})
        if (id(p) == wanted) return p;
    return fail(
        Failure::BadInput,
        fmt::format(
            "'{}' is not a place for a thermometer; accepted: liquid, near-chips, vapour, outside-wall",
            wanted));
}

bool readsTheLiquid(SensorPlace place) {
    return place == SensorPlace::Liquid || place == SensorPlace::NearChips;
}

Result<void> check(const Thermometer& t) {
    if (const auto u = findUnit(t.unit, Dimension::Temperature); !u) return tl::unexpected(u.error());
    if (!(t.division > 0.0) || !std::isfinite(t.division))
        return fail(Failure::BadInput, "the smallest division of the thermometer must be above zero");
    if (!(t.accuracy >= 0.0) || !std::isfinite(t.accuracy))
        return fail(Failure::BadInput, "the accuracy of the thermometer must be zero or above");
    return {};
}

Result<LiquidTemperature> toTemperature(const Thermometer& t, double reading) {
    const Unit& u = unit(t.unit);
    const double kelvin = u.toSi(reading);
    if (!(kelvin > 0.0) || !std::isfinite(kelvin))
        return fail(Failure::BadInput, fmt::format("{} {} is not above absolute zero", reading, u.symbol));
    return LiquidTemperature{Temperature::fromKelvin(kelvin),
                             0.5 * t.division * u.factor / std::numbers::sqrt3,
                             t.accuracy * u.factor / std::numbers::sqrt3};
}

double toReading(const Thermometer& t, Temperature temperature) {
    return unit(t.unit).fromSi(temperature.kelvin());
}

} // namespace uttrin
