#include "LearningTask.h"

#include "rehearsal/CoolingFit.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// Whether the move after those that were made is due by a forecast, and not stamped; or was, and is held
/// back.
bool isOverdue(const Rehearsal& r, const Observed& observed, double heldUntil) {
    constexpr double kAtOnce = 1.0; // s
    const int made = observed.moves.empty() ? r.setup.clockMove : observed.moves.back().move;
    const double clock = clockStart(r);
    return std::ranges::any_of(r.run.events, [&](const RigEvent& e) {
        const double at = e.seconds - clock;
        return e.kind == RigEventKind::Moved && e.part > made &&
               (at < observed.now || std::abs(at - heldUntil) < kAtOnce);
    });
}

} // namespace

LearningTask taskOf(const Act& act, const FrozenForecast& frozen, const ActCourse& course, Milliseconds by) {
    LearningTask task{frozen.rig, course.observed(by), act.frozen};
    for (const auto& r : task.observed.readings)
        task.key += fmt::format(" {}:{}:{}", static_cast<int>(r.kind), r.seconds, r.kelvin);
    for (const auto& b : task.observed.boiling)
        task.key += fmt::format(" {}{}", b.begins ? '+' : '-', b.seconds);
    for (const auto& m : task.observed.moves)
        task.key += fmt::format(" {}@{}", m.move, m.seconds);
    return task;
}

std::optional<LearningTask> learningTask(const LessonSession& s, const Act& act, const FrozenForecast& frozen,
                                         const LearnedForecast* learned, std::optional<RowId> group) {
    const ActCourse course(s.model(), act, frozen, group);
    if (!course.clockRuns()) return std::nullopt;
    LearningTask task = taskOf(act, frozen, course, s.clock().now());
    const bool overdue = learned ? isOverdue(learned->likeliest, task.observed, learned->heldUntil)
                                 : isOverdue(frozen.rehearsal, task.observed, -1.0);
    if (task.observed.readings.empty() && task.observed.moves.empty() && !overdue) return std::nullopt;
    if (!overdue) return task;
    // What is overdue is expected later and later: worked out each half minute, for the next two.
    constexpr double kStep = 30.0;
    const double step = std::floor(task.observed.now / kStep);
    task.observed.now = kStep * (step + 2.0);
    task.key += fmt::format(" now {}", step);
    return task;
}

Result<LearnedForecast> learnFrom(const LearningTask& task, const std::function<bool()>& goOn) {
    constexpr int kMembers = 40;
    constexpr std::uint64_t kSeed = 1;
    return learn(*task.rig.rig(), task.rig.settings(), task.observed, kMembers, kSeed, goOn);
}

} // namespace uttrin
