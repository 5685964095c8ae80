#include "LeastShifts.h"

#include <algorithm>
#include <limits>

namespace uttrin {
namespace {

constexpr int kEndless = std::numeric_limits<int>::max();

/// What may still flow along an arc of the circulation, and what a unit of it brings.
struct Arc {
    int from, to, room, profit;
};

/// The circulation: node 0 is what never moves, arc 2k+1 goes back along arc 2k.
class Circulation {
public:
    explicit Circulation(int nodes) : m_nodes(nodes) {}

    void add(int from, int to, int room, int profit) {
        m_arcs.push_back({from, to, room, profit});
        m_arcs.push_back({to, from, 0, -profit});
    }

    /// Sends as much as brings profit. @return false if there is no end to it.
    bool fill() {
        while (true) {
            const std::vector<std::size_t> cycle = profitableCycle();
            if (cycle.empty()) return true;
            int most = kEndless;
            for (const std::size_t a : cycle)
                most = std::min(most, m_arcs[a].room);
            if (most == kEndless) return false;
            for (const std::size_t a : cycle)
                send(a, most);
        }
    }

    /// The longest way from node 0 to each, once it is filled.
    [[nodiscard]] std::vector<int> longestWays() const {
        std::vector<int> far(static_cast<std::size_t>(m_nodes), 0);
        // Each node is reached from 0 by an arc of room; as no cycle brings profit, this ends.
        constexpr int kUnreached = std::numeric_limits<int>::min() / 2;
        std::fill(far.begin() + 1, far.end(), kUnreached);
        for (bool changed = true; changed;) {
            changed = false;
            for (const Arc& a : m_arcs) {
                const int there = far[node(a.from)] + a.profit;
                if (a.room == 0 || far[node(a.from)] == kUnreached || there <= far[node(a.to)]) continue;
                far[node(a.to)] = there;
                changed = true;
            }
        }
        return far;
    }

private:
    static std::size_t node(int n) { return static_cast<std::size_t>(n); }

    void send(std::size_t arc, int amount) {
        if (m_arcs[arc].room != kEndless) m_arcs[arc].room -= amount;
        Arc& back = m_arcs[arc ^ 1U];
        if (back.room != kEndless) back.room += amount;
    }

    /// Arcs of a cycle whose profit is above zero (Bellman and Ford); empty if there is none.
    [[nodiscard]] std::vector<std::size_t> profitableCycle() const {
        std::vector<int> far(node(m_nodes), 0);
        std::vector<std::size_t> by(node(m_nodes), m_arcs.size());
        int last = -1;
        for (int round = 0; round < m_nodes; ++round) {
            last = -1;
            for (std::size_t i = 0; i < m_arcs.size(); ++i) {
                const Arc& a = m_arcs[i];
                if (a.room == 0 || far[node(a.from)] + a.profit <= far[node(a.to)]) continue;
                far[node(a.to)] = far[node(a.from)] + a.profit;
                by[node(a.to)] = i;
                last = a.to;
            }
            if (last < 0) return {};
        }
        for (int step = 0; step < m_nodes; ++step) // back into the cycle
            last = m_arcs[by[node(last)]].from;
        std::vector<std::size_t> cycle;
        int at = last;
        do {
            cycle.push_back(by[node(at)]);
            at = m_arcs[by[node(at)]].from;
        } while (at != last);
        return cycle;
    }

    int m_nodes;
    std::vector<Arc> m_arcs;
};

} // namespace

std::optional<std::vector<int>> leastShifts(int count, const std::vector<ShiftBound>& bounds) {
    Circulation flow(count + 1);
    for (int i = 1; i <= count; ++i) { // the slopes of |d|: one up, one down
        flow.add(0, i, 1, 0);
        flow.add(i, 0, 1, 0);
    }
    for (const ShiftBound& b : bounds)
        flow.add(b.earlier + 1, b.later + 1, kEndless, b.by);
    if (!flow.fill()) return std::nullopt;
    std::vector<int> far = flow.longestWays();
    far.erase(far.begin());
    return far;
}

} // namespace uttrin
