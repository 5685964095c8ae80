#include "Mend.h"

#include "LeastShifts.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace uttrin {
namespace {

constexpr double kMinute = 60.0; // s
constexpr double kHair = 1e-6;   // s, by which times that touch may overlap

int upToMinutes(double seconds) { return static_cast<int>(std::ceil(seconds / kMinute - kHair)); }
int downToMinutes(double seconds) { return static_cast<int>(std::floor(seconds / kMinute + kHair)); }

/// Looks for the cheapest way out by taking conflicts one after the other: of two acts that want the same,
/// one has to wait for the other. What a choice costs at least is known from the bounds that it adds, so most
/// ways are not gone.
class Search {
public:
    Search(const Period& period, std::span<const TimedAct> acts) : m_period(period), m_acts(acts) {
        for (std::size_t i = 0; i < acts.size(); ++i)
            bound(i);
    }

    std::optional<Mend> go() {
        descend();
        return m_best;
    }

private:
    void bound(std::size_t i) {
        const TimedAct& a = m_acts[i];
        const int act = static_cast<int>(i);
        if (a.fixed) {
            m_bounds.push_back({-1, act, 0});
            m_bounds.push_back({act, -1, 0});
            return;
        }
        m_bounds.push_back({-1, act, upToMinutes(std::max(m_period.earliest, -a.shown) - a.starts)});
        m_bounds.push_back({act, -1, -downToMinutes(m_period.lasts - a.ends())});
    }

    void descend() {
        const auto shifts = leastShifts(static_cast<int>(m_acts.size()), m_bounds);
        if (!shifts) return;
        const Mend mend{*shifts};
        if (m_best && mend.sum() >= m_best->sum()) return;
        std::vector<TimedAct> moved(m_acts.begin(), m_acts.end());
        for (std::size_t i = 0; i < moved.size(); ++i)
            moved[i].starts += kMinute * mend.minutes[i];
        const auto conflicts = conflictsOf(m_period, moved);
        const auto first = std::ranges::find_if(conflicts, [&](const Conflict& c) { return canBeMended(c); });
        if (first == conflicts.end()) {
            m_best = mend;
            return;
        }
        part(*first, moved);
    }

    /// What is going on already is as it is.
    [[nodiscard]] bool canBeMended(const Conflict& conflict) const {
        return conflict.kind == Conflict::Wanted &&
               std::ranges::any_of(conflict.acts, [&](std::size_t i) { return !m_acts[i].fixed; });
    }

    /// One of those that want it at once has to wait for another, or to be done before it.
    void part(Conflict conflict, const std::vector<TimedAct>& moved) {
        std::stable_partition(conflict.acts.begin(), conflict.acts.end(),
                              [&](std::size_t i) { return !m_acts[i].fixed; });
        const std::size_t enough = static_cast<std::size_t>(m_period.has(conflict.what)) + 1;
        for (std::size_t i = 0; i < enough; ++i)
            for (std::size_t j = 0; j < enough; ++j)
                if (i != j) wait(conflict, moved, conflict.acts[i], conflict.acts[j]);
    }

    void wait(const Conflict& conflict, const std::vector<TimedAct>& moved, std::size_t first,
              std::size_t second) {
        const Occupation *before = takenAt(conflict, moved[first]), *after = takenAt(conflict, moved[second]);
        const double overlap = m_acts[first].starts + before->to - m_acts[second].starts - after->from;
        m_bounds.push_back({static_cast<int>(first), static_cast<int>(second), upToMinutes(overlap)});
        descend();
        m_bounds.pop_back();
    }

    static const Occupation* takenAt(const Conflict& conflict, const TimedAct& act) {
        return &*std::ranges::find_if(act.takes, [&](const Occupation& o) {
            return o.what == conflict.what && act.starts + o.from <= conflict.from &&
                   conflict.from < act.starts + o.to;
        });
    }

    const Period& m_period;
    std::span<const TimedAct> m_acts;
    std::vector<ShiftBound> m_bounds;
    std::optional<Mend> m_best;
};

} // namespace

int Mend::sum() const {
    return std::accumulate(minutes.begin(), minutes.end(), 0, [](int so, int d) { return so + std::abs(d); });
}

std::optional<Mend> mendOf(const Period& period, std::span<const TimedAct> acts) {
    return Search(period, acts).go();
}

} // namespace uttrin
