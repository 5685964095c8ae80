#pragma once

#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"
#include "solutions/Liquid.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// What a pair of readings looks like against the substance's curve.
enum class SlipKind {
    None,
    Impossible,    ///< below zero absolute or far above the room, and no single slip explains it
    Sign,          ///< minus sign missing or one too many
    TenFold,       ///< decimal point one or two places off
    SwappedDigits, ///< two neighbours exchanged
    DigitMissing,
    DigitTwice,
    ArmsSwapped,
    OtherZero,    ///< an absolute pressure typed where the gauge counts from the room, or the other way round
    PressureUnit, ///< typed in another unit of pressure
    TemperatureUnit, ///< degF typed for degC or the other way round
    TargetForActual, ///< the target's dial reading typed instead of the one read
    Superheated,
    BelowBoiling,
    Disagrees ///< off the curve, for a reason that cannot be named
};

/// One way of mending a pair, and how likely it is.
struct SlipOffer {
    SlipKind kind = SlipKind::None;
    Text sentence;                     ///< what happened, and what was meant
    Text meant;                        ///< as it was meant, with its unit: "−0.74 bar"
    std::optional<GaugeReading> gauge; ///< as it was meant, if the pressure was written wrongly
    std::optional<double> temperature; ///< as it was meant, if the temperature was
    double share = 0.0;                ///< its probability, given that something is odd
};

/// What is odd about a pair, with what may have been meant, the likeliest first.
struct SlipFinding {
    SlipKind kind = SlipKind::None; ///< what is likeliest: a slip of the pen, or one of the bench
    Text sentence;
    std::vector<SlipOffer> offers; ///< retypings that would mend it; not more than three
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

/// Names a likely slip before a point is taken. Every way in which one slip of writing turns a pair that lies
/// on the curve into the one typed is weighed by how usual it is and how well it then fits, beside superheat
/// and beside bubbles below boiling, which reach as far as they do at the bench. Without a room pressure only
/// an absolute instrument can be checked.
[[nodiscard]] SlipFinding checkForSlip(const CapturePair& pair, const Liquid& liquid);

} // namespace uttrin
