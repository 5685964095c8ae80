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
    Text also;                               ///< absolute, in the plan's second unit; may be empty
    std::optional<GaugeReading> targetGauge; ///< the same, as numbers
    std::optional<double> targetTemperature; ///< as the thermometer will show it
    Text instruction;                        ///< what to do now, in one sentence
    Text next;                               ///< the target after this one
    Text timeLeft;
    Text picture;                   ///< how it looks when it boils as agreed
    std::optional<RowId> reference; ///< the notebook's picture of that, of this run
    struct Taken {
        RowId id = 0;
        int position = 0;
        Text target, actual, temperature, deviation, marks;
        Text predicted; ///< what the class said of its target, °C, once that was locked; may be empty
        bool struck = false, inFit = true;
        bool hasPicture = false; ///< read from a picture, or with one attached, that is in the notebook
        Text struckReason;
    };
    std::vector<Taken> taken; ///< newest first
    Text repeats;             ///< mean and spread of quick repeats at one target; empty without
    Text orders;              ///< in which orders points were read, where in more than one; may be empty
    Text charge;              ///< what stands in the vessel after what was filled in; may be empty
    Text advised;             ///< what to fill in now: "120 g of ice"; may be empty
    bool fills = false;       ///< the vessel is filled between points
    bool pumpWaits = false;   ///< for somebody to say that it is on
    Text warmUp;              ///< of the pump; may be empty
    Text ice;                 ///< what ice under the thermometer says; may be empty
    bool predicted = false;   ///< the class has said something of its targets, and that is locked
    Text scald;               ///< of the liquid where it boils at the target; may be empty
    bool finished = false;
};
[[nodiscard]] RunView runView(const LessonSession& session);

/// That the machine's time of day went back, or far ahead, between the last two readings of the run: their
/// times are then not to be trusted. Empty where it did not.
[[nodiscard]] Text clockWarning(const LessonSession& session);

/// Phrases that are stamped with the time at one press.
[[nodiscard]] const std::vector<Text>& readyPhrases();

/// How the vigour numbers 1 to 5 are called.
[[nodiscard]] Text vigourName(int vigour);

} // namespace uttrin
