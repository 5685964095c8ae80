#pragma once

#include "notebook/Records.h"

namespace uttrin {

/// A bound that somebody said in words: "under 60", "< 60", "above 40 °C". Nothing for other words.
struct SpokenBound {
    StampBound bound = StampBound::None;
    double value = 0.0;
};
[[nodiscard]] std::optional<SpokenBound> boundIn(const std::string& words);

} // namespace uttrin
