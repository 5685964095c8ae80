#pragma once

#include "RigFluid.h"
#include "RigModel.h"
#include "RigSimulation.h"

#include <span>
#include <vector>

namespace uttrin {

/// The rates of change of everything in a rig: the equations behind `simulate`.
///
/// Unknowns, vessel by vessel: condensed kg, vapour kg, air kg, J of the contents, J of the wall; then the
/// mass and the energy that came in through the bounds of the rig so far.
class RigBalance {
public:
    static constexpr std::size_t kPerVessel = 5;

    RigBalance(const RigModel& model, const RigFluid& fluid) : m_model(model), m_fluid(fluid) {}

    [[nodiscard]] std::size_t size() const { return kPerVessel * m_model.vessels.size() + 2; }
    [[nodiscard]] std::vector<double> start() const;
    /// What is in a vessel; OutOfRange names the vessel and what left the model.
    [[nodiscard]] Result<VesselState> state(std::span<const double> unknowns, std::size_t vessel) const;
    /// Rates of change of all unknowns, per second.
    [[nodiscard]] Result<void> rates(std::span<const double> unknowns, std::span<double> rates) const;
    [[nodiscard]] double totalMass(std::span<const double> unknowns) const;   ///< kg, in the rig
    [[nodiscard]] double totalEnergy(std::span<const double> unknowns) const; ///< J, in the rig

private:
    /// A stream from one place into another, with what it carries.
    struct Stream {
        double vapour = 0.0, air = 0.0, energy = 0.0; ///< kg/s, kg/s, W
    };
    [[nodiscard]] Stream stream(const VesselState& from, double massFlow) const;
    [[nodiscard]] FlowingGas mixture(const VesselState& s) const;
    [[nodiscard]] double airEnthalpy(double kelvin) const;
    [[nodiscard]] double energyOf(double condensed, bool frozen, double vapour, double air,
                                  double kelvin) const;
    [[nodiscard]] double temperatureOf(double condensed, double vapour, double air, double energy,
                                       double& solid) const;
    [[nodiscard]] double frostShare(double wallKelvin) const;
    void exchangeWithin(const Vessel& v, const VesselState& s, std::span<double> rate) const;
    [[nodiscard]] VesselState room() const;

    const RigModel& m_model;
    const RigFluid& m_fluid;
};

} // namespace uttrin
