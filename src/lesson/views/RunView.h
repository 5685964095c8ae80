#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// The working card of the Run station.
struct RunView {
    Text heading;                            ///< "Target 6 of 11"
    Text dial, unit;                         ///< what the instrument will show
    std::optional<GaugeReading> targetGauge; ///< the same, as numbers
    std::optional<double> targetTemperature; ///< as the thermometer will show it
    Text instruction;                        ///< what to do now, in one sentence
    Text next;                               ///< the target after this one
    Text timeLeft;
    Text picture; ///< how it looks when it boils as agreed
    struct Taken {
        RowId id = 0;
        int position = 0;
        Text target, actual, temperature, deviation, marks;
        Text predicted; ///< what the class said of its target, °C, once that was locked; may be empty
        bool struck = false, inFit = true;
        bool hasPicture = false; ///< read from a picture that is in the notebook
        Text struckReason;
    };
    std::vector<Taken> taken; ///< newest first
    Text repeats;             ///< mean and spread of quick repeats at one target; empty without
    Text drift;               ///< room drift or zero, a line; may be empty
    bool predicted = false;   ///< the class has said something of its targets, and that is locked
    Text scald;               ///< of the liquid where it boils at the target; may be empty
    bool finished = false;
};
[[nodiscard]] RunView runView(const LessonSession& session);

/// That the machine's time of day went back, or far ahead, between the last two readings of the run: their
/// times are then not to be trusted. Empty where it did not.
[[nodiscard]] Text clockWarning(const LessonSession& session);

/// That the last zero check of the run lies off the one before by more than the gauge's limits of error.
/// Empty where it does not.
[[nodiscard]] Text zeroJump(const LessonSession& session);

/// What to add so that the liquid comes to the temperature of the target in hand: ice or hot water, and
/// whether that is too much for the vessel. Of plain water whose temperature is known, where the temperature
/// is held; else empty.
[[nodiscard]] Text refillText(const LessonSession& session);

/// That the liquid is hotter than it boils at the target in hand: it will flash there. Empty where it is not,
/// or nothing is known of it.
[[nodiscard]] Text flashWarning(const LessonSession& session);

/// Phrases that are stamped with the time at one press.
[[nodiscard]] const std::vector<Text>& readyPhrases();

/// How the vigour numbers 1 to 5 are called.
[[nodiscard]] Text vigourName(int vigour);

} // namespace uttrin
