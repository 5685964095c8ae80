#include "Period.h"

#include <algorithm>
#include <array>
#include <set>

namespace uttrin {
namespace {

constexpr std::array kResources{Resource::Pump, Resource::Heater, Resource::TeachersHands, Resource::Hood};

/// The acts that take a resource at a moment.
std::vector<std::size_t> takersAt(std::span<const TimedAct> acts, Resource what, double moment) {
    std::vector<std::size_t> takers;
    for (std::size_t i = 0; i < acts.size(); ++i)
        if (std::ranges::any_of(acts[i].takes, [&](const Occupation& o) {
                return o.what == what && acts[i].starts + o.from <= moment && moment < acts[i].starts + o.to;
            }))
            takers.push_back(i);
    return takers;
}

void wanted(const Period& period, std::span<const TimedAct> acts, Resource what, std::vector<Conflict>& out) {
    std::set<double> moments; // at which anything changes
    for (const TimedAct& act : acts)
        for (const Occupation& o : act.takes)
            if (o.what == what) moments.insert({act.starts + o.from, act.starts + o.to});
    for (auto from = moments.begin(); from != moments.end(); ++from) {
        auto takers = takersAt(acts, what, *from);
        if (static_cast<int>(takers.size()) <= period.has(what)) continue;
        const double to = *std::next(from); // what is taken at a moment ends at a later one
        if (!out.empty() && out.back().kind == Conflict::Wanted && out.back().what == what &&
            out.back().to == *from && out.back().acts == takers)
            out.back().to = to;
        else
            out.push_back({Conflict::Wanted, what, std::move(takers), *from, to});
    }
}

/// From the first portion for which there is not enough.
std::optional<Conflict> iceRunsOut(const Period& period, std::span<const TimedAct> acts) {
    if (!period.iceKg) return std::nullopt;
    struct Portion {
        double at, kg;
        std::size_t act;
    };
    std::vector<Portion> portions;
    for (std::size_t i = 0; i < acts.size(); ++i)
        for (const TimedAct::Ice& ice : acts[i].ice)
            portions.push_back({acts[i].starts + ice.at, ice.kg, i});
    std::ranges::stable_sort(portions, {}, &Portion::at);
    constexpr double kNothing = 1e-9; // kg
    double left = *period.iceKg;
    std::optional<Conflict> ends;
    for (const Portion& p : portions) {
        left -= p.kg;
        if (left >= -kNothing) continue;
        if (!ends) ends = Conflict{Conflict::IceRunsOut, {}, {}, p.at, p.at};
        ends->to = std::max(p.at, acts[p.act].ends());
        if (std::ranges::find(ends->acts, p.act) == ends->acts.end()) ends->acts.push_back(p.act);
    }
    if (ends) std::ranges::sort(ends->acts);
    return ends;
}

} // namespace

int Period::has(Resource what) const {
    switch (what) {
    case Resource::Pump:
        return pumps;
    case Resource::Heater:
        return heaters;
    case Resource::TeachersHands:
    case Resource::Hood:
        break;
    }
    return 1;
}

std::vector<Conflict> conflictsOf(const Period& period, std::span<const TimedAct> acts) {
    std::vector<Conflict> all;
    for (const Resource what : kResources)
        wanted(period, acts, what, all);
    for (std::size_t i = 0; i < acts.size(); ++i) {
        const TimedAct& a = acts[i];
        if (a.fixed) continue;
        if (a.ends() > period.lasts)
            all.push_back({Conflict::AfterBell, {}, {i}, std::max(a.starts, period.lasts), a.ends()});
        if (a.starts + a.shown < 0.0)
            all.push_back({Conflict::BeforeClass, {}, {i}, a.starts + a.shown, std::min(0.0, a.ends())});
        if (a.starts < period.earliest)
            all.push_back({Conflict::TooEarly, {}, {i}, a.starts, period.earliest});
    }
    if (auto ends = iceRunsOut(period, acts)) all.push_back(std::move(*ends));
    std::ranges::stable_sort(all, {}, &Conflict::from);
    return all;
}

} // namespace uttrin
