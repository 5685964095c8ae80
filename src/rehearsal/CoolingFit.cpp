#include "CoolingFit.h"

#include "UncertainValues.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

std::vector<RigSetting> settingsAt(const UncertainValues& uncertain, const Eigen::VectorXd& moved) {
    return uncertain.at({moved.data(), uncertain.size()});
}

/// The watched vessel's temperature at a time, straight between samples.
double kelvinAt(const Rehearsal& r, double seconds) {
    const std::size_t i = r.sampleAt(seconds);
    const double t0 = r.run.samples[i].seconds, k0 = r.watchedAt(i).kelvin;
    if (i + 1 >= r.run.samples.size()) return k0;
    const double t1 = r.run.samples[i + 1].seconds;
    return std::lerp(k0, r.watchedAt(i + 1).kelvin, std::clamp((seconds - t0) / (t1 - t0), 0.0, 1.0));
}

/// Simulated less measured, K.
Eigen::VectorXd residuals(const Rehearsal& r, const std::vector<MeasuredMoment>& readings) {
    Eigen::VectorXd out(static_cast<Eigen::Index>(readings.size()));
    const double start = clockStart(r);
    for (std::size_t i = 0; i < readings.size(); ++i)
        out[static_cast<Eigen::Index>(i)] = kelvinAt(r, start + readings[i].seconds) - readings[i].kelvin;
    return out;
}

} // namespace

double clockStart(const Rehearsal& r) {
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::Moved && e.part == r.setup.clockMove) return e.seconds;
    return 0.0;
}

Result<CoolingFit> fitToReadings(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const std::vector<MeasuredMoment>& readings, double readingU,
                                 const std::function<bool()>& goOn) {
    if (readings.empty()) return fail(Failure::TooFewPoints, Text::tr("a fit needs at least one reading"));
    const UncertainValues uncertain(rig, settings);
    const auto count = static_cast<Eigen::Index>(uncertain.size());
    Eigen::VectorXd moved = Eigen::VectorXd::Zero(count);
    auto now = rehearse(rig, settingsAt(uncertain, moved), goOn);
    if (!now) return tl::unexpected(now.error());
    for (const MeasuredMoment& m : readings)
        if (!(m.seconds >= 0.0 && clockStart(*now) + m.seconds <= now->run.samples.back().seconds))
            return fail(Failure::OutOfRange,
                        Text::tr("a reading at {:.0f} min lies outside the rehearsal", m.seconds / 60.0));
    Eigen::MatrixXd normal = Eigen::MatrixXd::Identity(count, count);
    constexpr int kRounds = 5;
    constexpr double kStep = 0.1, kFar = 3.0, kEnough = 0.01; // standard uncertainties
    for (int round = 0; round < kRounds && count > 0; ++round) {
        const Eigen::VectorXd off = residuals(*now, readings);
        Eigen::MatrixXd slopes(off.size(), count);
        for (Eigen::Index i = 0; i < count; ++i) {
            Eigen::VectorXd beside = moved;
            beside[i] += kStep;
            const auto there = rehearse(rig, settingsAt(uncertain, beside), goOn);
            if (!there) return tl::unexpected(there.error());
            slopes.col(i) = (residuals(*there, readings) - off) / kStep;
        }
        normal =
            slopes.transpose() * slopes / (readingU * readingU) + Eigen::MatrixXd::Identity(count, count);
        const Eigen::VectorXd step =
            normal.ldlt().solve(-(slopes.transpose() * off / (readingU * readingU) + moved));
        moved = (moved + step).cwiseMax(-kFar).cwiseMin(kFar);
        auto next = rehearse(rig, settingsAt(uncertain, moved), goOn);
        if (!next) return tl::unexpected(next.error());
        now = std::move(next);
        if (step.cwiseAbs().maxCoeff() < kEnough) break;
    }
    CoolingFit fit;
    const Eigen::MatrixXd covariance = normal.inverse();
    for (Eigen::Index i = 0; i < count; ++i) {
        const auto at = static_cast<std::size_t>(i);
        const RigUncertainty& u = rig.uncertainties()[at];
        fit.values.push_back({u.name, u.pointer, uncertain.mean(at), uncertain.value(at, moved[i]),
                              uncertain.spread(at) * std::sqrt(covariance(i, i))});
    }
    fit.rmsKelvin = std::sqrt(residuals(*now, readings).squaredNorm() / static_cast<double>(readings.size()));
    constexpr double kExplains = 10.0; // times what a reading is good for, on average
    if (fit.rmsKelvin > kExplains * readingU)
        return fail(Failure::BadInput, Text::tr("no likely value of this rig explains these readings: the "
                                                "best still lies {} K off on average. "
                                                "Were they read off this rig, and counted from its clock?",
                                                fixed(fit.rmsKelvin, 1)));
    fit.rehearsal = std::move(*now);
    return fit;
}

Result<LeadTime> leadTimeFor(const RigFile& rig, const std::vector<RigSetting>& settings, double kelvin) {
    const auto whole = rig.setup(settings);
    if (!whole) return tl::unexpected(whole.error());
    const auto fluid = rigFluid(whole->substance);
    if (!fluid) return tl::unexpected(fluid.error());
    const auto timed = [&](const std::vector<RigSetting>& with) -> Result<LeadTime> {
        auto setup = rig.setup(with);
        if (!setup) return tl::unexpected(setup.error());
        setup->moves.resize(std::min(setup->moves.size(), static_cast<std::size_t>(setup->clockMove + 1)));
        constexpr double kPatience = 3.0; // times as long as the demonstration
        auto run = simulate(setup->model, *fluid, kPatience * setup->seconds, setup->every, setup->moves);
        if (!run) return tl::unexpected(run.error());
        const Rehearsal r{std::move(*setup), std::move(*run), {}, {}};
        const double start = clockStart(r);
        for (std::size_t i = r.sampleAt(start) + 1; i < r.run.samples.size(); ++i) {
            const double before = r.watchedAt(i - 1).kelvin, after = r.watchedAt(i).kelvin;
            if (after > kelvin) continue;
            const double at =
                std::lerp(r.run.samples[i - 1].seconds, r.run.samples[i].seconds,
                          before > after ? std::clamp((before - kelvin) / (before - after), 0.0, 1.0) : 1.0);
            return LeadTime{at - start, at, 0.0};
        }
        return fail(Failure::OutOfRange,
                    Text::tr("it does not cool to {:.1f} °C by itself", kelvin - kIcePointKelvin));
    };
    auto lead = timed(settings);
    if (!lead) return lead;
    const UncertainValues uncertain(rig, settings);
    double variance = 0.0;
    for (std::size_t i = 0; i < uncertain.size(); ++i) { // each by half of its uncertainty up and down
        std::vector<double> moved(uncertain.size(), 0.0);
        moved[i] = 0.5;
        const auto late = timed(uncertain.at(moved));
        moved[i] = -0.5;
        const auto early = timed(uncertain.at(moved));
        if (late && early) variance += std::pow(late->fromClock - early->fromClock, 2);
    }
    lead->u = std::sqrt(variance);
    return lead;
}

} // namespace uttrin
