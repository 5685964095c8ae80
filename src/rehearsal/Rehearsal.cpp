#include "Rehearsal.h"

#include "Appearance.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <algorithm>

namespace uttrin {
namespace {

/// Whether heat goes into a vessel at some time and nothing lets its pressure out.
bool isClosedAndHeated(const RigSetup& setup, int vessel) {
    for (const Link& l : setup.model.links)
        if (l.from == vessel && l.reliefPascal > 0.0) return false;
    bool heated = false;
    for (std::size_t h = 0; h < setup.model.heaters.size(); ++h) {
        if (setup.model.heaters[h].vessel != vessel) continue;
        heated = heated || setup.model.heaters[h].watt > 0.0;
        for (const RigMove& move : setup.moves)
            for (const RigAction& a : move.actions)
                heated =
                    heated || (a.what == RigAction::Heat && a.part == static_cast<int>(h) && a.value > 0.0);
    }
    return heated;
}

/// Whether the last boiling ended while something cold still took heat from the vessel.
bool airStopsIt(const Rehearsal& r) {
    const auto spells = boilingSpells(r);
    if (spells.empty()) return false;
    const std::size_t after = r.sampleAt(spells.back().second) + 1;
    if (after >= r.run.samples.size()) return false;
    constexpr double kTakes = 0.5; // W
    const RigSample& s = r.run.samples[after];
    for (std::size_t c = 0; c < s.contacts.size(); ++c)
        if (const Contact& contact = r.setup.model.contacts[c];
            contact.vessel == r.setup.watched && !isOfTheRoom(contact) && s.contacts[c].watt < -kTakes)
            return true;
    return false;
}

} // namespace

bool isLeak(const Link& link) {
    constexpr double kValve = 0.5e-3; // m; a finer hole no hand turns
    return (link.from == kRoom || link.to == kRoom) && link.tube.diameter < kValve;
}

bool isOpenTop(const RigSetup& setup, const Link& link) {
    if (link.from != kRoom && link.to != kRoom) return false;
    const VesselShape shape = setup.shapes[static_cast<std::size_t>(std::max(link.from, link.to))];
    return shape == VesselShape::Pan || shape == VesselShape::Bath || shape == VesselShape::Film;
}

bool isOfTheRoom(const Contact& contact) { return contact.name.starts_with("room"); }

std::size_t Rehearsal::sampleAt(double seconds) const {
    const auto after = std::ranges::upper_bound(run.samples, seconds + 1e-9, {}, &RigSample::seconds);
    return after == run.samples.begin() ? 0 : static_cast<std::size_t>(after - run.samples.begin()) - 1;
}

Result<Rehearsal> rehearse(const RigFile& rig, const std::vector<RigSetting>& settings,
                           const std::function<bool()>& goOn,
                           const std::function<void(const RigSetup&, const RigRun&)>& soFar) {
    auto setup = rig.setup(settings);
    if (!setup) return tl::unexpected(setup.error());
    const auto fluid = rigFluid(setup->substance);
    if (!fluid) return tl::unexpected(fluid.error());
    auto run = simulate(setup->model, *fluid, setup->seconds, setup->every, setup->moves, goOn,
                        [&](const RigRun& part) {
                            if (soFar) soFar(*setup, part);
                        });
    if (!run) return tl::unexpected(run.error());
    return rehearsalOf(std::move(*setup), std::move(*run));
}

Rehearsal rehearsalOf(RigSetup setup, RigRun run) {
    Rehearsal r{std::move(setup), std::move(run), {}, {}};
    readInstruments(r);
    return r;
}

void readInstruments(Rehearsal& r) {
    r.shown.clear();
    std::uint64_t seed = 1;
    for (const RigInstrument& i : r.setup.instruments)
        r.shown.push_back(shownBy(i, r.run.samples, seed++));
}

const std::vector<double>* shownOf(const Rehearsal& r, RigInstrument::Kind kind, int vessel) {
    for (std::size_t i = 0; i < r.setup.instruments.size(); ++i)
        if (r.setup.instruments[i].kind == kind && r.setup.instruments[i].vessel == vessel)
            return &r.shown[i];
    return nullptr;
}

RigModel modelAt(const Rehearsal& r, double seconds) {
    if (r.now) return *r.now;
    RigModel model = r.setup.model;
    for (const RigEvent& e : r.run.events) {
        if (e.seconds > seconds) break;
        if (e.kind == RigEventKind::IceGone) model.contacts[static_cast<std::size_t>(e.part)].on = false;
        if (e.kind != RigEventKind::Moved || e.part < 0) continue;
        for (const RigAction& a : r.setup.moves[static_cast<std::size_t>(e.part)].actions)
            carryOut(a, e.seconds, model);
    }
    return model;
}

std::optional<double> goalMet(const RigGoal& goal, int watched, const RigRun& run) {
    switch (goal.kind) {
    case RigGoal::None:
        return 0.0;
    case RigGoal::Happens:
        for (const RigEvent& e : run.events)
            if (e.kind == goal.event && e.vessel == watched) return e.seconds;
        return std::nullopt;
    case RigGoal::BoilsBelow:
        for (const RigSample& s : run.samples) {
            const VesselState& v = s.vessels[static_cast<std::size_t>(watched)];
            if (v.kelvin < goal.kelvin && v.vigour > kFirstBubbles) return s.seconds;
        }
        return std::nullopt;
    }
    return std::nullopt;
}

Text goalText(const RigGoal& goal) {
    if (goal.kind == RigGoal::BoilsBelow)
        return Text::tr("boils below {} °C", fixed(goal.kelvin - kIcePointKelvin, 0));
    return Text::data(goal.says);
}

Text eventText(const RigSetup& setup, const RigEvent& e) {
    switch (e.kind) {
    case RigEventKind::BoilingStarts:
        return Text::tr("boiling starts");
    case RigEventKind::BoilingStops:
        return Text::tr("boiling stops");
    case RigEventKind::IceAppears:
        return Text::tr("ice appears");
    case RigEventKind::FrozenThrough:
        return Text::tr("frozen through");
    case RigEventKind::Melted:
        return Text::tr("all ice melted");
    case RigEventKind::Dry:
        return Text::tr("dry");
    case RigEventKind::AboveRoom:
        return Text::tr("pressure above the room’s");
    case RigEventKind::IceGone:
        return Text::tr("ice gone");
    case RigEventKind::GaveWay:
        return Text::data(setup.model.vessels[static_cast<std::size_t>(e.vessel)]
                              .givesWay[static_cast<std::size_t>(e.part)]
                              .says);
    case RigEventKind::Moved:
        if (e.part >= 0 && static_cast<std::size_t>(e.part) < setup.moves.size())
            return Text::data(setup.moves[static_cast<std::size_t>(e.part)].says);
        return Text::tr("by hand");
    }
    return {};
}

std::vector<std::pair<double, double>> boilingSpells(const Rehearsal& r) {
    std::vector<std::pair<double, double>> spells;
    bool before = false;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i) {
        const bool now = boils(appearanceOf(r.watched(), r.watchedAt(i)));
        const double at = r.run.samples[i].seconds;
        if (now && !before) spells.emplace_back(at, at);
        if (now) spells.back().second = at;
        before = now;
    }
    return spells;
}

std::optional<double> movedAt(const Rehearsal& r, int move) {
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::Moved && e.part == move) return e.seconds;
    return std::nullopt;
}

std::optional<double> lowestBoiling(const Rehearsal& r) {
    std::optional<double> lowest;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        if (const VesselState& s = r.watchedAt(i);
            boils(appearanceOf(r.watched(), s)) && (!lowest || s.kelvin < *lowest))
            lowest = s.kelvin;
    return lowest;
}

RehearsalFacts factsOf(const Rehearsal& r) {
    RehearsalFacts f;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i) {
        const VesselState& s = r.watchedAt(i);
        f.strongestForce = std::max(f.strongestForce, s.force);
        f.highestPascal = std::max(f.highestPascal, s.pascal);
    }
    f.lowestBoilingKelvin = lowestBoiling(r);
    f.airStoppedIt = airStopsIt(r);
    const VesselState& last = r.watchedAt(r.run.samples.size() - 1);
    if (last.pascal > 0.0) f.airShare = last.airPascal / last.pascal;
    const double all = last.liquid + last.solid + last.vapour;
    if (all > 0.0) f.vapourQuality = last.vapour / all;
    if (r.watched().condensed > 0.0) f.lostShare = 1.0 - (last.liquid + last.solid) / r.watched().condensed;
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::AboveRoom && isClosedAndHeated(r.setup, e.vessel))
            f.warnings.push_back(Text::tr(
                "{}: closed and heated, its pressure rises above the room’s and came to {:.0f} kPa. Glass "
                "bursts: never do this; this rehearsal shows why.",
                Text::data(r.setup.model.vessels[static_cast<std::size_t>(e.vessel)].name),
                f.highestPascal / 1000.0));
    if (r.run.stopped) f.warnings.push_back(Text::tr("The rehearsal ends here: {}.", r.run.stopped->message));
    return f;
}

} // namespace uttrin
