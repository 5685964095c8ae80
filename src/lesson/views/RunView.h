#pragma once

#include "lesson/commands/LessonSession.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// The working card of the Run station.
struct RunView {
    std::string heading;                     ///< "Target 6 of 11"
    std::string dial, unit;                  ///< what the instrument will show
    std::optional<GaugeReading> targetGauge; ///< the same, as numbers
    std::optional<double> targetTemperature; ///< as the thermometer will show it
    std::string instruction;                 ///< what to do now, in one sentence
    std::string next;                        ///< the target after this one
    std::string timeLeft;
    std::string picture; ///< how it looks when it boils as agreed
    struct Taken {
        RowId id = 0;
        int position = 0;
        std::string target, actual, temperature, deviation, marks;
        bool struck = false, inFit = true;
        bool hasPicture = false; ///< read from a picture that is in the notebook
        std::string struckReason;
    };
    std::vector<Taken> taken; ///< newest first
    std::string repeats;      ///< mean and spread of quick repeats at one target; empty without
    std::string drift;        ///< room drift or zero, a line; may be empty
    bool finished = false;
};
[[nodiscard]] RunView runView(const LessonSession& session);

/// That the machine's time of day went back, or far ahead, between the last two readings of the run: their
/// times are then not to be trusted. Empty where it did not.
[[nodiscard]] std::string clockWarning(const LessonSession& session);

/// Phrases that are stamped with the time at one press.
[[nodiscard]] const std::vector<std::string>& readyPhrases();

/// How the vigour numbers 1 to 5 are called.
[[nodiscard]] std::string_view vigourName(int vigour);

} // namespace uttrin
