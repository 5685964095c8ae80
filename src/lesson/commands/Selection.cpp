#include "Selection.h"

#include <algorithm>

namespace uttrin {

bool Selection::isLaidOver(const std::string& substance) const {
    return std::find(laidOver.begin(), laidOver.end(), substance) != laidOver.end();
}

void Selection::settle(const LessonModel& model) {
    const auto& d = model.data();
    const auto has = [](const auto& rows, RowId id) {
        return std::any_of(rows.begin(), rows.end(), [id](const auto& r) { return r.id == id; });
    };
    if (!has(d.setups, setupId)) setupId = d.setups.empty() ? 0 : d.setups.front().id;
    if (runId && !has(d.runs, *runId)) runId.reset();
    if (runId && model.run(*runId).setupId != setupId) runId.reset();
    if (runId) return;
    const auto runs = model.runsOf(setupId);
    if (!runs.empty()) runId = runs.front().id;
}

} // namespace uttrin
