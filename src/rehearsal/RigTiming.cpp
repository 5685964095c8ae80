#include "RigTiming.h"

#include "CoolingFit.h"
#include "InParallel.h"
#include "UncertainValues.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kBefore = 30.0, kAfter = 30.0; // s, for which a move takes the hands
constexpr double kSettingUp = 60.0;             // s, for which they are taken at the beginning
constexpr double kAfterTheLast = 60.0;          // s, for looking at what came of it

constexpr double kAtOnce = 1.5, kAtTheBeginning = 15.0; // s, within which moves are one

/// Joins a spell to the last one if they touch.
void add(std::vector<RigTiming::Spell>& spells, double from, double to) {
    if (to <= from) return;
    if (!spells.empty() && from <= spells.back().to)
        spells.back().to = std::max(spells.back().to, to);
    else
        spells.push_back({from, to});
}

double endOf(const Rehearsal& r) {
    const auto spells = boilingSpells(r);
    const double whole = r.run.samples.back().seconds;
    if (!spells.empty() && spells.back().second >= whole) return whole; // it still boils
    double last = spells.empty() ? 0.0 : spells.back().second;
    for (const RigEvent& e : r.run.events)
        last = std::max(last, e.seconds);
    return last > 0.0 ? std::min(whole, last + kAfterTheLast) : whole;
}

} // namespace

std::vector<IcePortion> iceOf(const Rehearsal& r) {
    std::vector<IcePortion> all;
    const auto add = [&](double at, double kg) {
        if (kg > 0.0) all.push_back({at, kg});
    };
    for (const Contact& c : r.setup.model.contacts)
        if (c.on) add(0.0, c.iceKg);
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::Moved && e.part >= 0)
            for (const RigAction& a : r.setup.moves[static_cast<std::size_t>(e.part)].actions)
                if (a.what == RigAction::Ice) add(e.seconds, a.value);
    return all;
}

RigTiming timingOf(const Rehearsal& r) {
    RigTiming t;
    t.clock = clockStart(r);
    t.lasts = endOf(r);
    t.ice = iceOf(r);
    /// A move, or several at once: from when, and when all of it is done.
    struct Moment {
        double from = 0.0, done = 0.0;
        Text says;
        int move = -1;
    };
    std::vector<Moment> moves{{}};
    for (const RigEvent& e : r.run.events) {
        if (e.kind != RigEventKind::Moved || e.seconds >= t.lasts) continue;
        const Text says = eventText(r.setup, e);
        // What follows at once is one move; what begins within seconds belongs to setting it up.
        Moment& last = moves.back();
        if (e.seconds <= last.done + (moves.size() == 1 ? kAtTheBeginning : kAtOnce)) {
            last.done = e.seconds;
            last.says = last.says.empty() ? says : Text::tr("{}, {}", last.says, says);
        } else {
            moves.push_back({e.seconds, e.seconds, says, e.part});
        }
    }
    add(t.hands, 0.0, std::min(kSettingUp, t.lasts));
    for (std::size_t i = 0; i < moves.size(); ++i) {
        const double from = moves[i].from, to = i + 1 < moves.size() ? moves[i + 1].from : t.lasts;
        t.parts.push_back({from, to, moves[i].says, moves[i].move});
        if (i > 0) add(t.hands, std::max(0.0, from - kBefore), std::min(t.lasts, from + kAfter));
        const RigModel model = modelAt(r, moves[i].done);
        if (std::ranges::any_of(model.pumps, &PumpAt::on)) add(t.pump, from, to);
        if (std::ranges::any_of(model.heaters, [](const Heater& h) { return h.watt > 0.0; }))
            add(t.heater, from, to);
        if (t.shown == 0.0 && r.setup.clockMove >= 0 && from > t.clock + 1.0) t.shown = from;
    }
    return t;
}

std::vector<double> spreadOfEnds(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const RigTiming& timing) {
    const UncertainValues uncertain(rig, settings);
    using Parts = std::vector<RigTiming::Part>;
    std::vector<Parts> played(2 * uncertain.size()); // of each value: late, early
    inParallel(0, played.size(), {}, [&](std::size_t i) {
        auto setup = rig.setup(uncertain.beside(i / 2, i % 2 == 0 ? 0.5 : -0.5));
        const auto fluid =
            setup ? rigFluid(setup->substance) : Result<RigFluid>(tl::unexpected(setup.error()));
        if (!fluid) return;
        auto run = simulate(setup->model, *fluid, setup->seconds, setup->every, setup->moves, {}, {},
                            RigSimulator::Accuracy::Coarse);
        if (run) played[i] = timingOf(Rehearsal{std::move(*setup), std::move(*run), {}, {}}).parts;
    });
    std::vector<double> squares(timing.parts.size(), 0.0);
    for (std::size_t i = 0; i < played.size(); i += 2) {
        const Parts &late = played[i], &early = played[i + 1];
        // One that comes to pass in only one of them says nothing of when; the last ends when people have
        // seen it.
        const std::size_t both = std::min({squares.size(), late.size(), early.size()});
        for (std::size_t k = 0; k + 1 < both; ++k)
            squares[k] += std::pow(late[k].to - early[k].to, 2);
    }
    for (double& s : squares)
        s = std::sqrt(s);
    return squares;
}

} // namespace uttrin
