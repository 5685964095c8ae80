#include "ActCourse.h"

#include "ActReadings.h"
#include "ConductView.h"
#include "rehearsal/CoolingFit.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

bool laysIce(const RigMove& move) {
    return std::ranges::any_of(move.actions, [](const RigAction& a) { return a.what == RigAction::Ice; });
}

} // namespace

ActCourse::ActCourse(const LessonModel& model, const Act& act, const FrozenForecast& frozen,
                     std::optional<RowId> group)
    : m_model(model), m_frozen(frozen.rehearsal), m_clockStart(clockStart(m_frozen)) {
    for (const Stamp& stamp : model.data().stamps)
        if (stamp.actId == act.id && (!stamp.groupId || stamp.groupId == group)) {
            m_stamps.push_back(&stamp);
            if (stamp.kind == StampKind::Begun) m_begun = stamp.takenAt;
        }
    collectMoves(frozen.rig.story());
    const int clock = m_frozen.setup.clockMove;
    const auto reference = clock >= 0 ? std::ranges::find(m_made, clock, &Made::move) : m_made.begin();
    if (reference == m_made.end()) return;
    m_at = reference->at;
    m_planned = plannedFor(reference->move);
}

/// When the forecast has a move, s from its clock; at the clock's start where it has it never.
double ActCourse::plannedFor(int move) const {
    const auto at = movedAt(m_frozen, move);
    return at ? *at - m_clockStart : 0.0;
}

/// Moves that were made with steps that are done, and ice that was seen laid on.
void ActCourse::collectMoves(const RigStory& story) {
    constexpr Milliseconds kSame = 60'000; // a step and what is seen of it are one move
    const auto& moves = m_frozen.setup.moves;
    const auto isMade = [&](int move) {
        return std::ranges::find(m_made, move, &Made::move) != m_made.end();
    };
    std::optional<Milliseconds> lastIce;
    for (const Stamp* stamp : m_stamps) {
        if (stamp->kind == StampKind::Confirmed && stamp->step) {
            const auto step = static_cast<std::size_t>(*stamp->step);
            if (step >= story.steps.size()) continue;
            for (const int move : story.steps[step].makes) {
                if (isMade(move)) continue;
                m_made.push_back({move, stamp->takenAt});
                if (laysIce(moves[static_cast<std::size_t>(move)])) lastIce = stamp->takenAt;
            }
        } else if (stamp->kind == StampKind::Seen && stamp->what == plain(thingsSeen()[kIceOn])) {
            if (lastIce && stamp->takenAt - *lastIce < kSame) continue;
            for (int move = std::max(m_frozen.setup.clockMove, -1) + 1; move < static_cast<int>(moves.size());
                 ++move)
                if (!isMade(move) && laysIce(moves[static_cast<std::size_t>(move)])) {
                    m_made.push_back({move, stamp->takenAt});
                    break;
                }
            lastIce = stamp->takenAt;
        }
    }
    std::ranges::sort(m_made, {}, &Made::move);
}

double ActCourse::fromClock(Milliseconds at) const {
    const auto since = [&](Milliseconds from) { return static_cast<double>(at - from) / 1000.0; };
    if (m_at) return m_planned + since(*m_at);
    const double usual = since(m_begun.value_or(at)) - m_clockStart;
    // Until its first move is stamped it waits just before it.
    const int clock = m_frozen.setup.clockMove;
    const double waits = clock >= 0 ? 0.0 : m_frozen.setup.moves.empty() ? usual : plannedFor(0);
    return std::min(usual, waits);
}

Milliseconds ActCourse::momentOf(double fromClock) const {
    const auto ms = [](double seconds) { return static_cast<Milliseconds>(std::llround(1000.0 * seconds)); };
    if (m_at) return *m_at + ms(fromClock - m_planned);
    return m_begun.value_or(0) + ms(fromClock + m_clockStart);
}

std::optional<Milliseconds> ActCourse::madeAt(int move) const {
    const auto made = std::ranges::find(m_made, move, &Made::move);
    return made == m_made.end() ? std::nullopt : std::optional(made->at);
}

Observed ActCourse::observed(Milliseconds now) const {
    Observed o;
    if (!clockRuns() && m_frozen.setup.clockMove >= 0) return o;
    o.now = std::max(0.0, fromClock(now));
    for (const Made& made : m_made)
        if (made.move > m_frozen.setup.clockMove) o.moves.push_back({made.move, fromClock(made.at)});
    for (const Stamp* stamp : m_stamps)
        if (const auto begins = seenBoiling(*stamp))
            o.boiling.push_back({fromClock(stamp->takenAt), *begins});
    for (const Stamp* stamp : m_stamps) {
        const auto read = temperatureOf(m_model, *stamp);
        const double seconds = fromClock(stamp->takenAt);
        if (!read || !read->ofTheLiquid || seconds < 0.0) continue;
        o.readings.push_back({stamp->bound == StampBound::Below   ? Observed::Reading::AtMost
                              : stamp->bound == StampBound::Above ? Observed::Reading::AtLeast
                                                                  : Observed::Reading::Is,
                              seconds, read->kelvin, read->u});
    }
    return o;
}

} // namespace uttrin
