#include "FaultSearch.h"

#include "rehearsal/Appearance.h"
#include "rehearsal/CoolingFit.h"

#include <boost/math/distributions/chi_squared.hpp>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kPrice = 6.0;     // of a fault
constexpr double kTogether = 4.0;  // within which of the best others are not told from it
constexpr double kWithin = 0.995;  // of what readings of a rig as foreseen leave
constexpr double kAMinute = 60.0;  // s, in which one boils and the other does not: costs one
constexpr double kReaction = 20.0; // s, within which what is seen is stamped

/// Whether it was seen to boil at a time; nothing before anybody looked, and close to a change.
std::optional<bool> seenBoiling(const Observed& observed, double seconds) {
    std::optional<bool> state;
    for (const auto& seen : observed.boiling) {
        if (std::abs(seen.seconds - seconds) < kReaction) return std::nullopt;
        if (seen.seconds > seconds) return state ? state : std::optional(!seen.begins);
        state = seen.begins;
    }
    return state;
}

/// Whether it was seen to boil where the model has it well below, or quiet where that has it lively: between,
/// a few bubbles more or less decide.
bool plainlyDiffers(bool seenToBoil, const VesselState& model) {
    constexpr double kBelow = 0.5; // K
    constexpr double kLively = 3.0 * kFirstBubbles;
    return seenToBoil ? !model.margin || *model.margin < -kBelow : model.vigour > kLively;
}

/// Minutes after the clock in which it boils in one and not in the other.
double boilingCost(const Rehearsal& r, const Observed& observed) {
    const double clock = clockStart(r);
    double seconds = 0.0;
    for (std::size_t i = 1; i < r.run.samples.size(); ++i) {
        const double at = r.run.samples[i].seconds - clock;
        if (at < 0.0 || at > observed.now) continue;
        const auto seen = seenBoiling(observed, at);
        if (seen && plainlyDiffers(*seen, r.watchedAt(i)))
            seconds += r.run.samples[i].seconds - r.run.samples[i - 1].seconds;
    }
    return seconds / kAMinute;
}

Result<double> costOfAll(const RigFile& rig, const std::vector<RigSetting>& settings,
                         const Observed& observed, const std::function<bool()>& goOn) {
    constexpr auto kCoarse = RigSimulator::Accuracy::Coarse;
    const auto fitted = likeliestValues(rig, settings, observed, kCoarse, goOn);
    if (!fitted) return tl::unexpected(fitted.error());
    double best = fitted->cost + boilingCost(fitted->rehearsal, observed);
    // Of what temperatures tell nothing, such as the air left, what was seen to boil may tell.
    constexpr double kUntold = 0.6; // of its spread by the file
    std::vector<double> moved = fitted->moved;
    for (std::size_t i = 0; i < moved.size() && best > fitted->cost + 1.0; ++i) {
        if (fitted->covariance[i * moved.size() + i] < kUntold) continue;
        const double before = moved[i];
        double there = before;
        for (const double by : {-2.0, -1.0, 1.0, 2.0}) {
            moved[i] = before + by;
            const auto tried = valuesMoved(rig, settings, observed, moved, kCoarse, goOn);
            const double cost = tried ? tried->cost + boilingCost(tried->rehearsal, observed) : best;
            if (cost < best) {
                best = cost;
                there = moved[i];
            }
        }
        moved[i] = there;
    }
    return best;
}

double allowedFor(const Observed& observed) {
    const auto count = static_cast<double>(observed.readings.size());
    // What is seen has its own scatter: a minute each, and as much as a reading before the clock.
    const auto before = static_cast<double>(
        std::ranges::count_if(observed.boiling, [](const Observed::Boiling& b) { return b.seconds < 0.0; }));
    const auto after = static_cast<double>(observed.boiling.size()) - before;
    const boost::math::chi_squared spread(std::max(1.0, count + before));
    return boost::math::quantile(spread, kWithin) + after;
}

} // namespace

Result<FaultFinding> searchFault(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const Observed& observed, const std::function<bool()>& goOn) {
    FaultFinding found;
    const auto none = costOfAll(rig, settings, observed, goOn);
    if (!none) return tl::unexpected(none.error());
    found.cost = *none;
    found.allowed = allowedFor(observed);
    for (const RigFault& fault : rig.faults()) {
        FaultFinding::Candidate best{fault.name, fault.says, -1e9};
        for (const auto& settingsOfIt : fault.tries) {
            std::vector<RigSetting> with = settings;
            with.insert(with.end(), settingsOfIt.begin(), settingsOfIt.end());
            if (const auto cost = costOfAll(rig, with, observed, goOn))
                best.gain = std::max(best.gain, *none - *cost - kPrice);
        }
        found.candidates.push_back(best);
    }
    std::ranges::stable_sort(found.candidates, std::greater<>(), &FaultFinding::Candidate::gain);
    const bool explained = !found.candidates.empty() && found.candidates.front().gain > 0.0;
    found.asForeseen = found.cost <= found.allowed && !explained;
    const double least = explained ? std::max(0.0, found.candidates.front().gain - kTogether) : 1e9;
    std::erase_if(found.candidates, [&](const FaultFinding::Candidate& c) { return c.gain <= least; });
    return found;
}

} // namespace uttrin
