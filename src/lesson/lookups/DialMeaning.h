#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// What the number of a typed or pasted pressure counts from.
enum class CountsFrom {
    Instrument, ///< as the rig's own gauge counts
    Gauge,      ///< from the room, negative below it
    Depth,      ///< from the room, positive below it
    Absolute
};

/// A text such as "−0.62 bar", "46 cm − 21 cm", "61.7 | 20.4" or "-0.62", understood.
struct DialText {
    PressureInstrument
        instrument; ///< the rig's gauge, or one with the unit and convention that the text implies
    GaugeReading reading;
    bool ambiguous = false; ///< a positive pressure with a unit: gauge, depth or absolute must be chosen
};

/// Understands a text. A bare number, or two, counts as the rig's gauge does; a negative pressure is a gauge
/// pressure; two lengths are the arms of the rig's U-tube, or of an open one with mercury.
/// @param from  what a pressure with a unit counts from; Instrument leaves a positive one ambiguous.
[[nodiscard]] Result<DialText> readDialText(std::string_view text, const PressureInstrument& gauge,
                                            CountsFrom from = CountsFrom::Instrument);

/// What a pressure means, as lines of text with their captions.
struct DialMeaning {
    struct Line {
        Text caption, value;
    };
    std::vector<Line> lines;
    std::optional<Pressure> absolute;
};

/// Gauge and absolute pressure, boiling points of the rig's liquid and of the substances laid over the map,
/// the height at which the standard atmosphere has this pressure. Unreferenced without a room, where the
/// reading needs it.
[[nodiscard]] Result<DialMeaning>
dialMeaning(const LessonSession& session, const PressureInstrument& instrument, const GaugeReading& reading);

/// What the rig's gauge will show when its liquid boils at this temperature here.
[[nodiscard]] Result<GaugeReading> dialForBoiling(const LessonSession& session, Temperature t);

/// The sentence for it: "Water boils at 60.0 °C at 19.9 kPa absolute: the gauge shows −0.74 bar."
[[nodiscard]] Result<Text> dialForBoilingText(const LessonSession& session, Temperature t);

} // namespace uttrin
