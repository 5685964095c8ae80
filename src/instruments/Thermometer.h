#pragma once

#include "quantities/Failure.h"
#include "quantities/Units.h"

#include <string>
#include <string_view>

namespace uttrin {

/// Where the thermometer's sensor sits.
enum class SensorPlace { Liquid, NearChips, Vapour, OutsideWall };

/// Identifiers in files: "liquid", "near-chips", "vapour", "outside-wall".
[[nodiscard]] std::string_view id(SensorPlace place);
[[nodiscard]] Result<SensorPlace> sensorPlaceFromId(std::string_view id);

/// Whether readings from there are the liquid's temperature. Those from the vapour or the outside wall enter
/// a fit only when a person says so.
[[nodiscard]] bool readsTheLiquid(SensorPlace place);

/// A thermometer as a person declares it once.
struct Thermometer {
    std::string name = "thermometer";
    std::string unit = "degC";
    double division = 1.0; ///< smallest division, in `unit`
    double accuracy = 1.0; ///< limits of error, plus or minus, in `unit`
    SensorPlace place = SensorPlace::Liquid;
};

/// A temperature worked out from a reading, with standard uncertainties in kelvin as for a pressure.
struct LiquidTemperature {
    Temperature temperature = Temperature::fromKelvin(0.0);
    double uIndependent = 0.0;
    double uShared = 0.0;
    [[nodiscard]] double u() const;
};

[[nodiscard]] Result<void> check(const Thermometer& thermometer);

/// The temperature that a reading in the thermometer's unit means; it must be above absolute zero.
[[nodiscard]] Result<LiquidTemperature> toTemperature(const Thermometer& thermometer, double reading);

/// What the thermometer shows at a temperature.
[[nodiscard]] double toReading(const Thermometer& thermometer, Temperature t);

} // namespace uttrin
