#include "CoolingFit.h"

#include "Observed.h"
#include "UncertainValues.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
double clockStart(const Rehearsal& r) {
    // -1, the beginning, is the part of no move of the procedure, but of those by hand.
    return r.setup.clockMove < 0 ? 0.0 : movedAt(r, r.setup.clockMove).value_or(0.0);
}

Result<CoolingFit> fitToReadings(const RigFile& rig, const std::vector<RigSetting>& settings,
                                 const std::vector<MeasuredMoment>& readings, double readingU,
                                 const std::function<bool()>& goOn) {
    if (readings.empty()) return fail(Failure::TooFewPoints, Text::tr("a fit needs at least one reading"));
    Observed observed;
    for (const MeasuredMoment& m : readings)
        observed.readings.push_back({Observed::Reading::Is, m.seconds, m.kelvin, readingU});
    auto likeliest = likeliestValues(rig, settings, observed, RigSimulator::Accuracy::Usual, goOn);
    if (!likeliest) return tl::unexpected(likeliest.error());
    const UncertainValues uncertain(rig, settings);
    CoolingFit fit;
    for (std::size_t i = 0; i < uncertain.size(); ++i) {
        const RigUncertainty& u = rig.uncertainties()[i];
        const double variance = likeliest->covariance[i * uncertain.size() + i];
        fit.values.push_back({u.name, u.pointer, uncertain.mean(i), uncertain.value(i, likeliest->moved[i]),
                              uncertain.spread(i) * std::sqrt(variance)});
    }
    fit.rmsKelvin = likeliest->rmsKelvin;
    constexpr double kExplains = 10.0; // times what a reading is good for, on average
    if (fit.rmsKelvin > kExplains * readingU)
        return fail(Failure::BadInput, Text::tr("no likely value of this rig explains these readings: the "
                                                "best still lies {} K off on average. "
                                                "Were they read off this rig, and counted from its clock?",
                                                fixed(fit.rmsKelvin, 1)));
    fit.rehearsal = std::move(likeliest->rehearsal);
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
        const auto watched = static_cast<std::size_t>(setup->watched);
        bool shut = setup->clockMove < 0, cold = false; // it is enough to know when it gets there
        auto run = simulate(
            setup->model, *fluid, kPatience * setup->seconds, setup->every, setup->moves,
            [&] { return !cold; },
            [&](const RigRun& soFar) {
                for (const RigEvent& e : soFar.events)
                    shut = shut || (e.kind == RigEventKind::Moved && e.part == setup->clockMove);
                cold = shut && soFar.samples.back().vessels[watched].kelvin <= kelvin;
            });
        if (!run) return tl::unexpected(run.error());
        const Rehearsal r{std::move(*setup), std::move(*run), {}, {}};
        const double start = clockStart(r);
        if (r.watchedAt(r.sampleAt(start)).kelvin <= kelvin)
            return LeadTime{0.0, start, 0.0}; // it is so at once
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
        const auto late = timed(uncertain.beside(i, 0.5)), early = timed(uncertain.beside(i, -0.5));
        if (late && early) variance += std::pow(late->fromClock - early->fromClock, 2);
    }
    lead->u = std::sqrt(variance);
    return lead;
}

} // namespace uttrin
