#pragma once

#include "RigEvents.h"
#include "RigModel.h"
#include "RigMoves.h"
#include "RigState.h"
#include "rig/matter/RigFluid.h"

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace uttrin {

/// A rig that goes on in time, and that hands may reach into.
///
/// Per vessel: mass of what is condensed, of vapour, of air and of dissolved air, of a solute and its vapour;
/// energies of the contents, of the gas, of the wall, each with a temperature of its own. Contents freeze by
/// their energy, at the triple temperature or beside a solution where it says, once there is a seed. Gas
/// takes the temperature of what it touches by `heatTransfer`. Vapour leaves and joins the surface by
/// `evaporationFlux`, through the film of air over it (`stefanFlux`) and as the liquid below can bring heat
/// (500 W/(m2 K), free convection under a cooled surface); where the liquid is superheated under the weight
/// above it, bubbles give it twenty times the surface. On the dry wall vapour condenses through a film (5
/// kW/(m2 K)) that air beside it chokes (D. F. Othmer, Ind. Eng. Chem. 21 (1929) 576: half at half a per cent
/// by volume) and drains back, or stays as frost, which grows and insulates. Dissolved air goes by Henry's
/// law. Gases mix ideally, flow together and spread along tubes
/// (`counterFlow`). Integrated by CVODE (BDF, Newton's method,
/// dense), with the flows through the bounds of the rig as further unknowns, so that both balances are
/// measured. Each move starts the integration anew from where it stands. Equal inputs give equal bytes.
class RigSimulator {
public:
    /// BadInput names what in the model or in its moves makes no sense.
    [[nodiscard]] static Result<RigSimulator> make(RigModel model, RigFluid fluid,
                                                   std::vector<RigMove> moves = {});
    RigSimulator(RigSimulator&&) noexcept;
    RigSimulator& operator=(RigSimulator&&) noexcept;
    ~RigSimulator();

    [[nodiscard]] double seconds() const;
    /// Lets it go until this time, with the moves that fall due; OutOfRange says why it could not, and it
    /// stands where it last was well.
    [[nodiscard]] Result<void> advance(double until);
    /// How closely it is followed from now on. Usual: within 5e-6. Coarse: within 1e-4, for one of many that
    /// are drawn as a band. Close: within 1e-8, slower, and closer to its balances.
    enum class Accuracy { Coarse, Usual, Close };
    void setAccuracy(Accuracy accuracy);
    /// A move by hand, now.
    void apply(const RigAction& action);
    [[nodiscard]] const RigModel& model() const; ///< as the moves have made it
    [[nodiscard]] RigSample sample() const;
    /// Where what is in a vessel now boils under a pressure, K. REQUIRES: there is such a vessel.
    [[nodiscard]] double boilingKelvin(int vessel, double pascal) const;
    [[nodiscard]] const std::vector<RigEvent>& events() const; ///< so far
    /// What the balance misses, by the largest amount that was in the rig or went through its bounds.
    [[nodiscard]] double massDrift() const;
    [[nodiscard]] double energyDrift() const;

private:
    struct Engine;
    explicit RigSimulator(std::unique_ptr<Engine> engine);
    std::unique_ptr<Engine> m_engine;
};

/// A run of a rig: samples at even times, and events at theirs.
struct RigRun {
    std::vector<RigSample> samples;
    std::vector<RigEvent> events;
    double massDrift = 0.0, energyDrift = 0.0; ///< see RigSimulator
    /// Why it ended before its time: a state left what the model covers.
    std::optional<Failure> stopped;
};

/// Notes the events of a rig and what its balances miss, up to now.
void recordOutcome(const RigSimulator& rig, RigRun& run);

/// Lets a rig go through its moves.
/// @param every  s, between samples. @param goOn  asked between samples; false ends the run there. @param
/// soFar  gets to see the run after each sample.
[[nodiscard]] Result<RigRun> simulate(const RigModel& model, const RigFluid& fluid, double seconds,
                                      double every, const std::vector<RigMove>& moves = {},
                                      const std::function<bool()>& goOn = {},
                                      const std::function<void(const RigRun&)>& soFar = {},
                                      RigSimulator::Accuracy accuracy = RigSimulator::Accuracy::Usual);

} // namespace uttrin
