#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A lesson longer than this is not drawn to scale: the clock of the machine has jumped.
inline constexpr double kLongestTape = 240.0; // min

/// The minute tape.
struct TapeView {
    struct Mark {
        double minute = 0.0;
        bool done = false, struck = false;
        Text tip;
        friend bool operator==(const Mark&, const Mark&) = default;
    };
    struct Block {
        double from = 0.0, to = 0.0;
        Text label;
        friend bool operator==(const Block&, const Block&) = default;
    };
    double period = 0.0; ///< min, at most kLongestTape
    double bell = 0.0;   ///< min, at which the period ends; more may stand on the tape
    std::optional<double> now;
    Text nowText;
    std::vector<Mark> marks;
    std::vector<Block> blocks;
};
[[nodiscard]] TapeView tapeView(const LessonSession& session);

} // namespace uttrin
