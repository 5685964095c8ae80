#pragma once

#include "ActRig.h"
#include "notebook/Records.h"
#include "rehearsal/learning/LearnedForecast.h"

#include <map>
#include <memory>

namespace uttrin {

/// The forecast of an act as it stood when it went live.
struct FrozenForecast {
    ActRig rig;
    Rehearsal rehearsal;
    Outlook outlook; ///< empty where it could not be drawn
};

/// The forecast of what is frozen of an act. BadInput where its rig cannot be played.
/// @param drawn  with the outlook too, which takes as long as forty rehearsals.
[[nodiscard]] Result<FrozenForecast> frozenForecast(const std::string& frozen, bool drawn = true);

/// Frozen forecasts, worked out once for each. Not thread-safe.
class FrozenForecasts {
public:
    /// Null for an act that has none, or whose rig cannot be played.
    [[nodiscard]] std::shared_ptr<const FrozenForecast> of(const Act& act);

private:
    std::map<std::string, std::shared_ptr<const FrozenForecast>> m_known; ///< by what is frozen
};

} // namespace uttrin
