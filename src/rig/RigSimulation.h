#pragma once

#include "RigFluid.h"
#include "RigModel.h"

#include <optional>
#include <vector>

namespace uttrin {

/// What is in a vessel at one moment.
struct VesselState {
    double liquid = 0.0, solid = 0.0, vapour = 0.0, air = 0.0; ///< kg
    double kelvin = 0.0, wallKelvin = 0.0;
    double pascal = 0.0, airPascal = 0.0; ///< of the whole gas, and of the air in it
    /// K, the contents' temperature less the one at which they boil under this gas, at the surface; below
    /// zero nothing boils.
    double margin = 0.0;
};

struct RigSample {
    double seconds = 0.0;
    std::vector<VesselState> vessels;
};

/// What a person would call out.
enum class RigEventKind { BoilingStarts, BoilingStops, IceAppears, FrozenThrough, Melted, Dry };

struct RigEvent {
    double seconds = 0.0;
    int vessel = 0;
    RigEventKind kind = RigEventKind::BoilingStarts;
};

/// A run of a rig: samples at even times, and events at theirs.
struct RigRun {
    std::vector<RigSample> samples;
    std::vector<RigEvent> events;
    /// What the balance misses at the end, by the largest amount that was in the rig or went through its
    /// bounds.
    double massDrift = 0.0, energyDrift = 0.0;
    /// Why it ended before its time: a state left what the model covers.
    std::optional<Failure> stopped;
};

/// Lets a rig go by itself.
///
/// Per vessel: mass of what is condensed, of vapour and of air, energy of the contents, energy of the wall.
/// Contents have one temperature; below the triple point they freeze by their energy, at the triple
/// temperature. Vapour leaves and joins the surface by `evaporationFlux`, twenty times the area where it
/// boils; on the dry wall it condenses through a film (5 kW/(m2 K)) that air beside it chokes (D. F. Othmer,
/// Ind. Eng. Chem. 21 (1929) 576: half at half a per cent by volume) and drains back. Gases mix ideally and
/// flow together. Integrated by CVODE (BDF, Newton's method, dense), with the flows through the bounds of the
/// rig as further unknowns, so that both balances are measured.
/// @param every  s, between samples. BadInput names what in the model makes no sense.
[[nodiscard]] Result<RigRun> simulate(const RigModel& model, const RigFluid& fluid, double seconds,
                                      double every);

} // namespace uttrin
