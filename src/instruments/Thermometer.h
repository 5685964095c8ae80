#pragma once

#include "quantities/Failure.h"
#include "quantities/Units.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// Where the thermometer's sensor sits.
enum class SensorPlace { Liquid, NearChips, Vapour, OutsideWall };

/// Identifiers in files: "liquid", "near-chips", "vapour", "outside-wall".
[[nodiscard]] std::string_view id(SensorPlace place);
[[nodiscard]] Result<SensorPlace> sensorPlaceFromId(std::string_view id);

/// Whether readings from there are the liquid's temperature. Those from the vapour or the outside wall enter
/// a fit only when a person says so.
[[nodiscard]] bool readsTheLiquid(SensorPlace place);

/// How it turns heat into a number.
enum class ThermometerKind {
    Plain,    ///< shows the temperature in figures: digital, thermocouple
    Dial,     ///< shows it with a needle: kitchen, bimetal
    Mercury,  ///< mercury in glass, with a stem that may stand out
    Spirit,   ///< an organic liquid in glass
    Platinum, ///< a platinum sensor read in ohms, IEC 60751
    Copper,   ///< a copper coil read in ohms
    Infrared  ///< aimed at the outside of the wall
};
[[nodiscard]] std::string_view
id(ThermometerKind kind); ///< "plain", "dial", "mercury", "spirit", "platinum", "copper", "infrared"
/// For people.
[[nodiscard]] Text nameOf(ThermometerKind kind);
[[nodiscard]] Result<ThermometerKind> thermometerKindFromId(std::string_view id);

/// What it showed in melting ice and in the steam over boiling water, when the room's pressure was known.
struct ThermometerCalibration {
    double iceReading = 0.0, steamReading = 0.0; ///< as shown
    double roomPascal = 0.0, roomU = 0.0; ///< when the steam was read: water boils there, not at 100 degC
    std::int64_t atMs = 0; ///< used for readings from then on; milliseconds since 1970-01-01 UTC
    friend bool operator==(const ThermometerCalibration&, const ThermometerCalibration&) = default;
};

/// A thermometer as a person declares it once.
struct Thermometer {
    std::string name = "thermometer";
    std::string unit = "degC";
    double division = 1.0; ///< smallest division, in `unit`
    double accuracy = 1.0; ///< limits of error, plus or minus, in `unit`
    SensorPlace place = SensorPlace::Liquid;
    ThermometerKind kind = ThermometerKind::Plain;
    double nominalOhm = 100.0;      ///< Platinum: at 0 degC; Copper: at `referenceCelsius`
    double coilPerKelvin = 3.93e-3; ///< Copper: temperature coefficient of the coil at 20 degC, 1/K
    double referenceCelsius = 20.0; ///< Copper: of the coil when `nominalOhm` was measured
    double referenceU = 0.0;        ///< Copper: standard uncertainty of that, K
    std::optional<double> emergentFromCelsius =
        std::nullopt; ///< Mercury, Spirit: where the column leaves the liquid; empty: wholly immersed
    double stemCelsius = 22.0;                      ///< of the air beside the stem that stands out
    double emissivitySet = 0.95, emissivity = 0.95; ///< Infrared: as it is set, and of the wall
    double reflectedCelsius = 22.0;                 ///< Infrared: of what the wall mirrors
    double wallMillimetre = 0.0; ///< Infrared: thickness of the glass between it and the liquid
    std::vector<ThermometerCalibration> calibrations = {}; ///< by time
    double lagSeconds = 0.0; ///< time constant with which it follows, in the liquid
};

/// A temperature worked out from a reading, with standard uncertainties in kelvin as for a pressure.
struct LiquidTemperature {
    Temperature temperature = Temperature::fromKelvin(0.0);
    double uIndependent = 0.0;
    double uShared = 0.0;
    [[nodiscard]] double u() const;
};

[[nodiscard]] Result<void> check(const Thermometer& thermometer);

/// Whether it is read in ohms; `division` and `accuracy` are then ohms too.
[[nodiscard]] bool readsOhms(const Thermometer& thermometer);
/// Whether what it shows is the temperature of its sensor, with nothing to work out but its calibration.
[[nodiscard]] bool readsDirectly(const Thermometer& thermometer);
/// What stands beside its reading: "°C", "Ω".
[[nodiscard]] std::string_view readingUnit(const Thermometer& thermometer);

/// The calibration that serves a reading of this time: the last one made before it; null if there is none.
[[nodiscard]] const ThermometerCalibration* calibrationAt(const Thermometer& thermometer,
                                                          std::optional<std::int64_t> atMs);

/// Standard uncertainty of one reading by eye, to half a division either way, in the unit of the reading.
[[nodiscard]] double readingU(const Thermometer& thermometer);

/// The temperature that a reading means; it must be above absolute zero. Emergent stem, platinum, copper,
/// emissivity and wall are worked in by its kind, then the calibration of that time, by the straight line
/// through its two points.
/// @param atMs  when it was read; empty: now, by the latest calibration.
[[nodiscard]] Result<LiquidTemperature> toTemperature(const Thermometer& thermometer, double reading,
                                                      std::optional<std::int64_t> atMs = std::nullopt);

/// What one point alone says: the same correction at both. Of `ice` and `steam` one is there, or both.
/// BadInput where neither is.
[[nodiscard]] Result<ThermometerCalibration> calibrationFrom(const Thermometer& thermometer,
                                                             std::optional<double> ice,
                                                             std::optional<double> steam, double roomPascal,
                                                             double roomU, std::int64_t atMs);

/// An infrared thermometer with the emissivity of the wall that makes a reading mean what another thermometer
/// said inside at the same time; its wall's heat loss is as declared. OutOfRange where none from 0.1 to 1
/// does.
[[nodiscard]] Result<Thermometer> correctedByPair(const Thermometer& infrared, double shown,
                                                  Temperature inside);

/// How far the thermometer was off at the ice and at the steam point, K, as it was calibrated.
struct CalibrationResiduals {
    double ice, steam;
    Temperature steamTrue; ///< boiling point of water at the room's pressure
};
[[nodiscard]] Result<CalibrationResiduals> residualsOf(const Thermometer& thermometer,
                                                       const ThermometerCalibration& calibration);

/// What the thermometer shows at a temperature: the inverse of `toTemperature`.
[[nodiscard]] double toReading(const Thermometer& thermometer, Temperature t,
                               std::optional<std::int64_t> atMs = std::nullopt);

} // namespace uttrin
