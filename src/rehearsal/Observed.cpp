#include "Observed.h"

#include "CoolingFit.h"
#include "UncertainValues.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using Eigen::Index, Eigen::MatrixXd, Eigen::VectorXd;

constexpr double kFar = 4.5; // standard uncertainties: further than this no value is moved
// Files are written by people: what readings say nothing of may lie this many times further off.
constexpr double kDoubt = 1.05;
// What they tell of, by how curved the cost is at one place: it may lie this many times further off.
constexpr double kCurved = 1.3;

std::vector<double> listOf(const VectorXd& v) { return {v.data(), v.data() + v.size()}; }

/// Plays the rig with its values moved, and finds what readings say against it.
class Fit {
public:
    Fit(const RigFile& rig, const std::vector<RigSetting>& settings, const Observed& observed,
        RigSimulator::Accuracy accuracy, const std::function<bool()>& goOn)
        : m_rig(rig), m_uncertain(rig, settings), m_observed(observed), m_accuracy(accuracy), m_goOn(goOn) {}

    [[nodiscard]] Index values() const { return static_cast<Index>(m_uncertain.size()); }

    [[nodiscard]] Result<Rehearsal> play(const VectorXd& moved) const {
        auto setup = setupAsObserved(m_rig, m_uncertain.at(listOf(moved)), m_observed);
        if (!setup) return tl::unexpected(setup.error());
        const auto fluid = rigFluid(setup->substance);
        if (!fluid) return tl::unexpected(fluid.error());
        auto run = simulate(setup->model, *fluid, setup->seconds, setup->every, setup->moves, m_goOn, {},
                            m_accuracy);
        if (!run) return tl::unexpected(run.error());
        return rehearsalOf(std::move(*setup), std::move(*run));
    }

    /// Simulated less read, in standard uncertainties.
    [[nodiscard]] VectorXd off(const Rehearsal& r) const {
        const auto readings = static_cast<Index>(m_observed.readings.size());
        const auto early = seenBefore(r);
        VectorXd out(readings + static_cast<Index>(early.size()));
        for (std::size_t i = 0; i < early.size(); ++i)
            out[readings + static_cast<Index>(i)] = early[i];
        for (Index i = 0; i < readings; ++i) {
            const Observed::Reading& read = m_observed.readings[static_cast<std::size_t>(i)];
            const double by = kelvinFromClock(r, read.seconds) - read.kelvin;
            out[i] = (read.kind == Observed::Reading::AtMost    ? std::max(by, 0.0)
                      : read.kind == Observed::Reading::AtLeast ? std::min(by, 0.0)
                                                                : by) /
                     read.u;
        }
        return out;
    }

    /// When it begins or ceases to boil before the clock, less when that was seen, in standard uncertainties.
    [[nodiscard]] std::vector<double> seenBefore(const Rehearsal& r) const {
        constexpr double kSeenU = 6.0, kFarthest = 5.0; // s; standard uncertainties
        std::vector<double> off;
        for (const auto& seen : m_observed.boiling) {
            if (seen.seconds >= 0.0) continue;
            double nearest = kFarthest;
            for (const RigEvent& e : r.run.events) {
                const double by = (e.seconds - clockStart(r) - seen.seconds) / kSeenU;
                const bool same =
                    e.kind == (seen.begins ? RigEventKind::BoilingStarts : RigEventKind::BoilingStops);
                if (same && std::abs(by) < std::abs(nearest)) nearest = by;
            }
            off.push_back(nearest);
        }
        return off;
    }

    [[nodiscard]] Result<MatrixXd> slopes(const VectorXd& moved, const VectorXd& off) const {
        constexpr double kStep = 0.2; // standard uncertainties
        MatrixXd out(off.size(), values());
        for (Index i = 0; i < values(); ++i) {
            VectorXd beside = moved;
            const double step = moved[i] > 0.0 ? -kStep : kStep; // towards what is likely
            beside[i] += step;
            const auto there = play(beside);
            if (!there) return tl::unexpected(there.error());
            out.col(i) = (this->off(*there) - off) / step;
        }
        return out;
    }

private:
    const RigFile& m_rig;
    UncertainValues m_uncertain;
    const Observed& m_observed;
    RigSimulator::Accuracy m_accuracy;
    const std::function<bool()>& m_goOn;
};

double costOf(const VectorXd& off, const VectorXd& moved) { return off.squaredNorm() + moved.squaredNorm(); }

/// Where a fit has come to.
struct Place {
    VectorXd moved, off;
    Rehearsal rehearsal;
    [[nodiscard]] double cost() const { return costOf(off, moved); }
};

Result<Place> placeAt(const Fit& fit, const VectorXd& moved) {
    return fit.play(moved).map([&](Rehearsal r) {
        VectorXd off = fit.off(r);
        return Place{moved, std::move(off), std::move(r)};
    });
}

/// One step of Levenberg and Marquardt, which goes shorter and straighter downhill until it gets lower.
/// @param normal  of the place, filled. @return how far it went, standard uncertainties; 0 if nowhere is
/// lower.
Result<double> stepDown(const Fit& fit, Place& at, MatrixXd& normal) {
    constexpr double kFirst = 1.0, kMore = 4.0, kMost = 5e3; // of the diagonal
    const auto slopes = fit.slopes(at.moved, at.off);
    if (!slopes) return tl::unexpected(slopes.error());
    normal = slopes->transpose() * *slopes + MatrixXd::Identity(fit.values(), fit.values());
    const VectorXd downhill = -(slopes->transpose() * at.off + at.moved);
    for (double damping = 0.0; damping < kMost; damping = damping == 0.0 ? kFirst : kMore * damping) {
        MatrixXd damped = normal;
        damped.diagonal() *= 1.0 + damping;
        const VectorXd step = damped.ldlt().solve(downhill);
        auto next = placeAt(fit, (at.moved + step).cwiseMax(-kFar).cwiseMin(kFar));
        if (!next) return tl::unexpected(next.error());
        if (next->cost() >= at.cost()) continue;
        const double far = (next->moved - at.moved).cwiseAbs().maxCoeff();
        at = std::move(*next);
        return far;
    }
    return 0.0;
}

LikeliestValues valuesOf(Place place, const Observed& observed) {
    LikeliestValues found;
    found.moved = listOf(place.moved);
    found.cost = place.cost();
    double squares = 0.0;
    for (std::size_t i = 0; i < observed.readings.size(); ++i)
        squares += std::pow(place.off[static_cast<Index>(i)] * observed.readings[i].u, 2);
    found.rmsKelvin =
        std::sqrt(squares / static_cast<double>(std::max<std::size_t>(observed.readings.size(), 1)));
    found.rehearsal = std::move(place.rehearsal);
    return found;
}

Result<void> checkTimes(const Rehearsal& r, const Observed& observed) {
    for (const auto& read : observed.readings)
        if (!(read.seconds >= 0.0 && clockStart(r) + read.seconds <= r.run.samples.back().seconds))
            return fail(Failure::OutOfRange,
                        Text::tr("a reading at {:.0f} min lies outside the rehearsal", read.seconds / 60.0));
    return {};
}

} // namespace

Result<RigSetup> setupAsObserved(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const Observed& observed) {
    auto setup = rig.setup(settings);
    if (!setup) return setup;
    const bool hasClock = setup->clockMove >= 0;
    int next = setup->clockMove + 1; // the first that is not made
    double last = 0.0;               // when the one before it was
    for (const Observed::Made& made : observed.moves) {
        if (made.move < next || made.move >= static_cast<int>(setup->moves.size())) continue;
        for (; next <= made.move; ++next) { // what was passed over was made with it
            RigTrigger& when = setup->moves[static_cast<std::size_t>(next)].when;
            const double after = std::max(0.0, made.seconds - last);
            when = hasClock || next > 0 ? RigTrigger{.kind = RigTrigger::After, .value = after}
                                        : RigTrigger{.kind = RigTrigger::AtTime, .value = after};
            last = std::max(last, made.seconds);
        }
    }
    if (next < static_cast<int>(setup->moves.size()))
        setup->moves[static_cast<std::size_t>(next)].when.earliest = std::max(0.0, observed.now - last);
    double far = observed.until;
    for (const Observed::Reading& read : observed.readings)
        far = std::max(far, read.seconds);
    constexpr double kDay = 86400.0;
    far = std::min(far, kDay);
    // The clock starts within the first half of a demonstration.
    if (far > 0.5 * setup->seconds) setup->seconds = std::max(setup->seconds, far + 0.5 * setup->seconds);
    return setup;
}

double kelvinFromClock(const Rehearsal& r, double seconds) {
    const double at = clockStart(r) + seconds;
    const std::size_t i = r.sampleAt(at);
    const double t0 = r.run.samples[i].seconds, k0 = r.watchedAt(i).kelvin;
    if (i + 1 >= r.run.samples.size()) return k0;
    const double t1 = r.run.samples[i + 1].seconds;
    return std::lerp(k0, r.watchedAt(i + 1).kelvin, std::clamp((at - t0) / (t1 - t0), 0.0, 1.0));
}

Result<LikeliestValues> likeliestValues(const RigFile& rig, const std::vector<RigSetting>& settings,
                                        const Observed& observed, RigSimulator::Accuracy accuracy,
                                        const std::function<bool()>& goOn) {
    const Fit fit(rig, settings, observed, accuracy, goOn);
    const Index count = fit.values();
    auto at = placeAt(fit, VectorXd::Zero(count));
    if (!at) return tl::unexpected(at.error());
    if (const auto fine = checkTimes(at->rehearsal, observed); !fine) return tl::unexpected(fine.error());
    MatrixXd normal = MatrixXd::Identity(count, count);
    constexpr int kRounds = 8;
    constexpr double kEnough = 0.03; // standard uncertainties
    const bool learns = count > 0 && at->off.size() > 0;
    for (int round = 0; round < kRounds && learns; ++round) {
        const auto far = stepDown(fit, *at, normal);
        if (!far) return tl::unexpected(far.error());
        if (*far < kEnough) break;
    }
    LikeliestValues found = valuesOf(std::move(*at), observed);
    MatrixXd covariance = normal.inverse();
    // In a direction that readings tell of it is small, and its square next to nothing; in another both
    // are 1.
    if (learns)
        covariance =
            kCurved * kCurved * covariance + (kDoubt * kDoubt - kCurved * kCurved) * covariance * covariance;
    found.covariance.assign(covariance.data(), covariance.data() + covariance.size());
    return found;
}

Result<LikeliestValues> valuesMoved(const RigFile& rig, const std::vector<RigSetting>& settings,
                                    const Observed& observed, const std::vector<double>& moved,
                                    RigSimulator::Accuracy accuracy, const std::function<bool()>& goOn) {
    const Fit fit(rig, settings, observed, accuracy, goOn);
    return placeAt(fit, VectorXd::Map(moved.data(), static_cast<Index>(moved.size()))).map([&](Place at) {
        return valuesOf(std::move(at), observed);
    });
}

} // namespace uttrin
