#include "LearnedForecast.h"

#include "rehearsal/CoolingFit.h"
#include "rehearsal/InParallel.h"
#include "rehearsal/UncertainValues.h"
#include "rig/Random.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using Eigen::Index, Eigen::MatrixXd, Eigen::VectorXd;

constexpr double kMiddle90 = 1.6449; // standard deviations on either side hold 90 % of a normal distribution

/// One playing through.
struct Drawn {
    std::vector<double> kelvin; ///< at the band's times
    std::optional<double> boilsDownTo;
    double lasts = 0.0;                   ///< s from when the clock starts
    bool played = false, stopped = false; ///< before its time
};

/// Normal numbers, a column each, whose spread is that of the whole, not only near it: few tell as much as
/// many where all is straight.
MatrixXd evenNumbers(Index count, Index columns, std::uint64_t seed) {
    NormalNumbers normal(seed);
    MatrixXd drawn(count, columns);
    for (Index c = 0; c < columns; ++c)
        for (Index i = 0; i < count; ++i)
            drawn(i, c) = normal.next();
    if (columns <= count) return drawn;
    const MatrixXd spread = drawn * drawn.transpose() / static_cast<double>(columns);
    return spread.llt().matrixL().solve(drawn);
}

/// Draws in pairs on either side, so that their mean is that of what they are drawn from.
std::vector<std::vector<double>> drawsAbout(const std::vector<double>& moved,
                                            const std::vector<double>& covariance, int members,
                                            std::uint64_t seed) {
    const auto count = static_cast<Index>(moved.size());
    const VectorXd middle = VectorXd::Map(moved.data(), count);
    const MatrixXd root = MatrixXd::Map(covariance.data(), count, count).llt().matrixL();
    const MatrixXd by = root * evenNumbers(count, (members + 1) / 2, seed);
    std::vector<std::vector<double>> draws;
    for (Index c = 0; c < by.cols(); ++c)
        for (const VectorXd& there : {VectorXd(middle + by.col(c)), VectorXd(middle - by.col(c))})
            draws.emplace_back(there.data(), there.data() + count);
    return draws;
}

/// Of what may lie in several heaps: a flask that has had its ice and one that has not. Between places at
/// which as many lie as so many drawn let expect.
Interval90 middle90(std::vector<double> values) {
    std::ranges::sort(values);
    const auto at = [&](double share) {
        const auto count = static_cast<double>(values.size());
        const double place = std::clamp(share * (count + 1.0) - 1.0, 0.0, count - 1.0);
        const auto below = static_cast<std::size_t>(place);
        return std::lerp(values[below], values[std::min(below + 1, values.size() - 1)],
                         place - static_cast<double>(below));
    };
    return {at(0.5), at(0.05), at(0.95)};
}

ForecastBand bandOfDrawn(const std::vector<Drawn>& members, const std::vector<double>& seconds) {
    ForecastBand band;
    band.seconds = seconds;
    std::vector<double> kelvin;
    for (std::size_t i = 0; i < seconds.size(); ++i) {
        kelvin.clear();
        for (const Drawn& m : members)
            if (m.played) kelvin.push_back(m.kelvin[i]);
        const Interval90 k = middle90(kelvin);
        band.kelvin.push_back(k.value);
        band.lowKelvin.push_back(k.low);
        band.highKelvin.push_back(k.high);
    }
    return band;
}

std::vector<Interval90> valuesAt(const UncertainValues& uncertain, const std::vector<double>& moved,
                                 const std::vector<double>& covariance) {
    std::vector<Interval90> values;
    for (std::size_t i = 0; i < uncertain.size(); ++i) {
        const double half = kMiddle90 * std::sqrt(covariance[i * uncertain.size() + i]);
        values.push_back({uncertain.value(i, moved[i]), uncertain.value(i, moved[i] - half),
                          uncertain.value(i, moved[i] + half)});
    }
    return values;
}

std::vector<double> unitMatrix(std::size_t count) {
    std::vector<double> unit(count * count, 0.0);
    for (std::size_t i = 0; i < count; ++i)
        unit[i * count + i] = 1.0;
    return unit;
}

/// What may become of it with values drawn about `moved` with a covariance (row by row), both in standard
/// uncertainties.
Result<Outlook> drawOutlook(const RigFile& rig, const std::vector<RigSetting>& settings,
                            const Observed& observed, const std::vector<double>& moved,
                            const std::vector<double>& covariance, int members, std::uint64_t seed,
                            const std::function<bool()>& goOn) {
    const UncertainValues uncertain(rig, settings);
    const auto usual = setupAsObserved(rig, uncertain.at(moved), observed);
    if (!usual) return tl::unexpected(usual.error());
    const auto fluid = rigFluid(usual->substance);
    if (!fluid) return tl::unexpected(fluid.error());
    std::vector<double> seconds; // a band needs no more than some hundred moments
    constexpr double kPoints = 250.0;
    const double step = std::max(usual->every, usual->seconds / kPoints);
    for (int i = 0; step * i <= usual->seconds; ++i)
        seconds.push_back(step * i);
    const auto draws = drawsAbout(moved, covariance, members, seed);
    std::vector<Drawn> all(draws.size());
    const auto play = [&](std::size_t i) {
        auto setup = setupAsObserved(rig, uncertain.at(draws[i]), observed);
        if (!setup) return;
        auto run = simulate(setup->model, *fluid, setup->seconds, step, setup->moves, goOn, {},
                            RigSimulator::Accuracy::Coarse);
        if (!run || (goOn && !goOn())) return;
        const Rehearsal r{std::move(*setup), std::move(*run), {}, {}};
        for (const double s : seconds)
            all[i].kelvin.push_back(kelvinFromClock(r, s));
        all[i].boilsDownTo = lowestBoiling(r);
        all[i].lasts = r.run.samples.back().seconds - clockStart(r);
        all[i].stopped = r.run.stopped.has_value();
        all[i].played = true;
    };
    inParallel(0, all.size(), goOn, play);
    if (std::ranges::none_of(all, &Drawn::played))
        return fail(Failure::OutOfRange, Text::tr("none of what is likely can be played through"));
    for (const Drawn& d : all) // a band goes as far as all that are played to their end
        if (d.played && !d.stopped) std::erase_if(seconds, [&](double at) { return at > d.lasts; });
    Outlook outlook;
    outlook.band = bandOfDrawn(all, seconds);
    outlook.values = valuesAt(uncertain, moved, covariance);
    std::vector<double> lowest;
    for (const Drawn& m : all)
        if (m.boilsDownTo) lowest.push_back(*m.boilsDownTo);
    if (!lowest.empty()) outlook.boilsDownTo = middle90(lowest);
    return outlook;
}

} // namespace

std::optional<Interval90> ForecastBand::at(double when) const {
    if (seconds.empty() || when < seconds.front() || when > seconds.back()) return std::nullopt;
    const auto after = std::ranges::lower_bound(seconds, when);
    const auto i = static_cast<std::size_t>(after - seconds.begin());
    if (i == 0) return Interval90{kelvin[0], lowKelvin[0], highKelvin[0]};
    const double share = (when - seconds[i - 1]) / (seconds[i] - seconds[i - 1]);
    return Interval90{std::lerp(kelvin[i - 1], kelvin[i], share),
                      std::lerp(lowKelvin[i - 1], lowKelvin[i], share),
                      std::lerp(highKelvin[i - 1], highKelvin[i], share)};
}

Result<Outlook> outlookOf(const RigFile& rig, const std::vector<RigSetting>& settings,
                          const Observed& observed, int members, std::uint64_t seed,
                          const std::function<bool()>& goOn) {
    const std::size_t count = rig.uncertainties().size();
    return drawOutlook(rig, settings, observed, std::vector<double>(count, 0.0), unitMatrix(count), members,
                       seed, goOn);
}

Result<LearnedForecast> learn(const RigFile& rig, const std::vector<RigSetting>& settings,
                              const Observed& observed, int members, std::uint64_t seed,
                              const std::function<bool()>& goOn) {
    auto likeliest = likeliestValues(rig, settings, observed, RigSimulator::Accuracy::Coarse, goOn);
    if (!likeliest) return tl::unexpected(likeliest.error());
    auto now =
        drawOutlook(rig, settings, observed, likeliest->moved, likeliest->covariance, members, seed, goOn);
    if (!now) return tl::unexpected(now.error());
    return LearnedForecast{std::move(*now), likeliest->rmsKelvin, std::move(likeliest->rehearsal),
                           observed.now};
}

} // namespace uttrin
