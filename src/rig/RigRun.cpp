#include "RigSimulation.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

RigRun runOf(RigSimulator& rig, double seconds, double every, const std::function<bool()>& goOn,
             const std::function<void(const RigRun&)>& soFar) {
    RigRun run;
    run.samples.push_back(rig.sample());
    for (std::size_t i = 1; run.samples.back().seconds < seconds; ++i) {
        if (goOn && !goOn()) break;
        const auto done = rig.advance(std::min(every * static_cast<double>(i), seconds));
        if (!done) {
            run.stopped = done.error();
            const bool gaveWay = !rig.events().empty() && rig.events().back().kind == RigEventKind::GaveWay;
            if (gaveWay) run.samples.push_back(rig.sample()); // the moment at which it did
            break;
        }
        run.samples.push_back(rig.sample());
        if (soFar) soFar(run);
    }
    recordOutcome(rig, run);
    return run;
}

} // namespace

void recordOutcome(const RigSimulator& rig, RigRun& run) {
    run.events = rig.events();
    run.massDrift = rig.massDrift();
    run.energyDrift = rig.energyDrift();
}

Result<RigRun> simulate(const RigModel& model, const RigFluid& fluid, double seconds, double every,
                        const std::vector<RigMove>& moves, const std::function<bool()>& goOn,
                        const std::function<void(const RigRun&)>& soFar, RigSimulator::Accuracy accuracy) {
    if (!(seconds > 0.0 && every > 0.0 && std::isfinite(seconds)))
        return fail(Failure::BadInput, Text::tr("a run and its samples need a time"));
    auto rig = RigSimulator::make(model, fluid, moves);
    if (!rig) return tl::unexpected(rig.error());
    rig->setAccuracy(accuracy);
    RigRun run = runOf(*rig, seconds, every, goOn, soFar);
    // A rig that holds next to no energy may miss the mark: then it is gone through once more, closely.
    constexpr double kCloses = 1e-6;
    if (std::max(run.massDrift, run.energyDrift) < kCloses) return run;
    rig = RigSimulator::make(model, fluid, moves);
    rig->setAccuracy(RigSimulator::Accuracy::Close);
    return runOf(*rig, seconds, every, goOn, {});
}

} // namespace uttrin
