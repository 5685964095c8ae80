#include "TapeView.h"

#include "lesson/model/Clock.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kMinuteMs = 60'000.0;

} // namespace

TapeView tapeView(const LessonSession& s) {
    TapeView v;
    v.bell = v.period = s.benchPlan().periodMinutes;
    const auto& sheet = s.benchSheet();
    const Milliseconds start =
        s.runId() ? s.model().run(*s.runId()).startedAt - static_cast<Milliseconds>(kSetUpSeconds * 1000.0)
                  : 0;
    const auto minute = [&](Milliseconds at) { return static_cast<double>(at - start) / kMinuteMs; };
    double clock = kSetUpSeconds / 60.0;
    v.blocks.push_back({0.0, clock, Text::tr("set up, leak test")});
    int taken = 0;
    if (s.runId())
        for (const Reading& r : s.model().readingsOf(*s.runId())) {
            v.marks.push_back(
                {minute(r.takenAt), true, r.struckReason.has_value(), Text::tr("point {}", r.position)});
            if (!r.struckReason) ++taken;
            clock = std::max(clock, minute(r.takenAt));
        }
    if (s.runId()) {
        const double now = minute(s.clock().now());
        if (now >= 0.0 && now <= 3.0 * v.period) {
            v.now = now;
            v.nowText = Text::tr("now {}", clockText(s.clock().now(), s.model().lesson().utcOffsetMin));
            clock = std::max(clock, now);
        }
    }
    const auto current = s.currentTarget();
    if (sheet && current)
        for (const Target& t : sheet->targets) {
            if (t.state != TargetState::Ok || t.order < current->order) continue;
            clock += t.seconds / 60.0;
            v.marks.push_back({clock, false, false,
                               Text::tr("target {}: {}", t.order, text(s.benchPlan().rig.gauge, t.dial))});
        }
    if (sheet)
        v.blocks.push_back({clock + 0.5, clock + 0.5 + kClearUpSeconds / 60.0, Text::tr("cool, clear up")});
    v.period = std::max(v.period, std::ceil((clock + kClearUpSeconds / 60.0 + 1.0) / 5.0) * 5.0);
    v.period = std::min(v.period, kLongestTape);
    std::erase_if(v.marks, [&](const TapeView::Mark& m) { return m.minute < 0.0 || m.minute > v.period; });
    return v;
}

} // namespace uttrin
