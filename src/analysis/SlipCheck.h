#pragma once

#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"
#include "solutions/Liquid.h"

#include <optional>
#include <string>

namespace uttrin {

/// What a pair of readings looks like against the substance's curve.
enum class SlipKind {
    None,
    Impossible, ///< below zero absolute or far above the room, and no single slip explains it
    Sign,       ///< minus sign missing or one too many
    TenFold,    ///< decimal point one place off
    ArmsSwapped,
    PressureUnit,    ///< typed in another unit of pressure
    TemperatureUnit, ///< degF typed for degC or the other way round
    TargetForActual, ///< the target's dial reading typed instead of the one read
    Superheated,
    BelowBoiling,
    Disagrees ///< off the curve, for a reason that cannot be named
};

/// A likely slip with its sentence, and the readings that would mend it where a retyping mends it.
struct SlipFinding {
    SlipKind kind = SlipKind::None;
    Text sentence;
    std::optional<GaugeReading> mendedGauge;
    std::optional<double> mendedTemperature;
    double superheatKelvin =
        0.0; ///< measured temperature less boiling point at the measured pressure; 0 if impossible
    double superheatU = 0.0; ///< its standard uncertainty, K
};

/// The readings to check and what is known about them.
struct CapturePair {
    PressureInstrument gauge;
    GaugeReading reading;
    std::optional<GaugeReading> zero;
    std::optional<RoomPressure> room;
    Thermometer thermometer;
    double temperatureReading = 0.0;
    std::optional<GaugeReading> targetReading; ///< what the dial was to show, if this is for a target
};

/// Names a likely slip before a point is taken. Without a room pressure only an absolute instrument can be
/// checked.
[[nodiscard]] SlipFinding checkForSlip(const CapturePair& pair, const Liquid& liquid);

} // namespace uttrin
