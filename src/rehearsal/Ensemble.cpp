#include "Ensemble.h"

#include "InParallel.h"
#include "UncertainValues.h"
#include "rig/Random.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// One playing through: what was drawn, and what came of it.
struct Member {
    std::vector<double> drawn; ///< in standard deviations
    std::vector<float> kelvin; ///< of the watched vessel, sample by sample
    bool played = false, met = false;
};

/// s between samples: a band needs no more than some hundred of them.
double stepOf(const RigSetup& setup) {
    constexpr double kPoints = 250.0;
    return std::max(setup.every, setup.seconds / kPoints);
}

Member play(const RigFile& rig, const UncertainValues& uncertain, std::uint64_t seed,
            const std::function<bool()>& goOn) {
    Member m;
    NormalNumbers normal(seed);
    for (std::size_t i = 0; i < uncertain.size(); ++i)
        m.drawn.push_back(normal.next());
    const auto setup = rig.setup(uncertain.at(m.drawn));
    const auto fluid = setup ? rigFluid(setup->substance) : tl::unexpected(setup.error());
    if (!fluid) return m;
    const auto run = simulate(setup->model, *fluid, setup->seconds, stepOf(*setup), setup->moves, goOn, {},
                              RigSimulator::Accuracy::Coarse);
    if (!run || (goOn && !goOn())) return m;
    m.played = true;
    m.met = goalMet(setup->goal, setup->watched, *run).has_value();
    for (const RigSample& sample : run->samples)
        m.kelvin.push_back(
            static_cast<float>(sample.vessels[static_cast<std::size_t>(setup->watched)].kelvin));
    return m;
}

std::pair<double, double> middle90(std::vector<float>& values) {
    const auto at = [&](double share) {
        const std::ptrdiff_t k = std::lround(share * static_cast<double>(values.size() - 1));
        std::nth_element(values.begin(), values.begin() + k, values.end());
        return static_cast<double>(values[static_cast<std::size_t>(k)]);
    };
    constexpr double kLow = 0.05, kHigh = 0.95;
    return {at(kLow), at(kHigh)};
}

EnsembleBand bandOf(const std::vector<Member>& members, double every) {
    EnsembleBand band;
    std::size_t longest = 0;
    for (const Member& m : members)
        longest = std::max(longest, m.kelvin.size());
    std::vector<float> kelvin;
    for (std::size_t i = 0; i < longest; ++i) {
        kelvin.clear();
        for (const Member& m : members)
            if (i < m.kelvin.size()) kelvin.push_back(m.kelvin[i]);
        const auto [low, high] = middle90(kelvin);
        band.seconds.push_back(every * static_cast<double>(i));
        band.lowKelvin.push_back(low);
        band.highKelvin.push_back(high);
    }
    return band;
}

/// The uncertainty whose mean differs most between members that failed and the others.
std::optional<Text> reasonFor(const RigFile& rig, const std::vector<Member>& members) {
    std::optional<Text> reason;
    double most = 0.5; // standard deviations; less is no reason
    for (std::size_t u = 0; u < rig.uncertainties().size(); ++u) {
        double sum[2] = {0.0, 0.0};
        int count[2] = {0, 0};
        for (const Member& m : members) {
            if (!m.played) continue;
            sum[m.met] += m.drawn[u];
            ++count[m.met];
        }
        if (count[0] == 0) return std::nullopt;
        const double difference = sum[0] / count[0] - (count[1] > 0 ? sum[1] / count[1] : 0.0);
        if (std::abs(difference) <= most) continue;
        most = std::abs(difference);
        const Text name = Text::data(rig.uncertainties()[u].name);
        reason = difference < 0.0 ? Text::tr("{}: less than expected", name)
                                  : Text::tr("{}: more than expected", name);
    }
    return reason;
}

} // namespace

Text chanceText(const EnsembleOutcome& o) {
    // Where none of n fails (or succeeds), the chance lies beyond 0.05^(1/n) with 95 % confidence.
    const double all = o.members > 0 ? std::pow(0.05, 1.0 / o.members) : 0.0;
    if (o.members > 0 && o.met == o.members) return Text::set("> {:.0f} %", std::floor(100.0 * all));
    if (o.members > 0 && o.met == 0) return Text::set("< {:.0f} %", std::ceil(100.0 * (1.0 - all)));
    return Text::set("{:.0f} %", std::clamp(100.0 * o.chance(), 1.0, 99.0));
}

Result<EnsembleOutcome> playEnsemble(const RigFile& rig, const std::vector<RigSetting>& settings, int members,
                                     std::uint64_t seed, const std::function<bool()>& goOn,
                                     const std::function<bool(const EnsembleOutcome&)>& firstFifth) {
    const auto setup = rig.setup(settings);
    if (!setup) return tl::unexpected(setup.error());
    const UncertainValues uncertain(rig, settings);
    std::vector<Member> all(static_cast<std::size_t>(std::max(members, 0)));
    const auto playUpTo = [&](std::size_t first, std::size_t end) {
        inParallel(first, end, goOn, [&](std::size_t i) { all[i] = play(rig, uncertain, seed + i, goOn); });
    };
    const auto soFar = [&] {
        EnsembleOutcome result;
        for (const Member& m : all) {
            result.members += m.played ? 1 : 0;
            result.met += m.met ? 1 : 0;
        }
        result.band = bandOf(all, stepOf(*setup));
        result.mainReason = reasonFor(rig, all);
        return result;
    };
    std::size_t played = 0;
    if (firstFifth) {
        playUpTo(0, played = all.size() / 5);
        if (EnsembleOutcome first = soFar(); !firstFifth(first)) return first;
    }
    playUpTo(played, all.size());
    return soFar();
}

} // namespace uttrin
