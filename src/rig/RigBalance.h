#pragma once

#include "RigFluid.h"
#include "RigModel.h"
#include "RigState.h"

#include <span>
#include <vector>

namespace uttrin {

/// What a vessel is doing that its amounts and energies do not tell; changes at events only.
struct VesselMood {
    bool bubbling = false; ///< bubbles have formed: they go on with little superheat
    bool seeded = true;    ///< there is, or was, ice in it: it does not stay liquid below the triple point
};

/// The rates of change of everything in a rig: the equations behind `RigSimulator`.
///
/// Unknowns, vessel by vessel: condensed kg, vapour kg, air kg, dissolved air kg, J of the contents, J of the
/// wall; for each contact of ice the heat that it has taken, J; for each drying dish water kg and J;
/// then the mass and the energy that came in through the bounds of the rig so far.
class RigBalance {
public:
    static constexpr std::size_t kPerVessel = 6, kPerDish = 2;

    /// REQUIRES: `check(model)` holds; the model may change between steps, not in its counts.
    RigBalance(const RigModel& model, const RigFluid& fluid);

    [[nodiscard]] std::size_t size() const { return m_dishes + kPerDish * m_model.dishes.size() + 2; }
    [[nodiscard]] bool isMass(std::size_t unknown) const; ///< kg; J otherwise
    [[nodiscard]] std::vector<double> start() const;
    /// What is in a vessel; OutOfRange names the vessel and what left the model.
    [[nodiscard]] Result<VesselState> state(double seconds, std::span<const double> unknowns,
                                            std::size_t vessel) const;
    /// As `state`, with what a person would see of it: margins, bubbles, force.
    [[nodiscard]] Result<VesselState> observed(double seconds, std::span<const double> unknowns,
                                               std::size_t vessel) const;
    [[nodiscard]] ContactState contact(const VesselState& touched, std::span<const double> unknowns,
                                       std::size_t contact) const;
    [[nodiscard]] DishState dish(std::span<const double> unknowns, std::size_t dish) const;
    /// Rates of change of all unknowns, per second.
    [[nodiscard]] Result<void> rates(double seconds, std::span<const double> unknowns,
                                     std::span<double> rates) const;
    [[nodiscard]] double totalMass(std::span<const double> unknowns) const;   ///< kg, in the rig
    [[nodiscard]] double totalEnergy(std::span<const double> unknowns) const; ///< J, in the rig
    /// K above boiling from which on a vessel bubbles, or below which it stops.
    [[nodiscard]] double bubbleThreshold(std::size_t vessel) const;

    std::vector<VesselMood>& moods() { return m_moods; }
    [[nodiscard]] const std::vector<VesselMood>& moods() const { return m_moods; }
    /// Where the heat that a contact's ice has taken stands. REQUIRES: it is of ice.
    [[nodiscard]] std::size_t iceUnknown(std::size_t contact) const { return m_iceOf[contact]; }

private:
    /// A stream from one place into another, with what it carries.
    struct Stream {
        double vapour = 0.0, air = 0.0, energy = 0.0; ///< kg/s, kg/s, W
    };
    struct Rates;
    [[nodiscard]] Stream stream(const VesselState& from, double massFlow) const;
    [[nodiscard]] FlowingGas mixture(const VesselState& s) const;
    [[nodiscard]] double airEnthalpy(double kelvin) const;
    [[nodiscard]] double energyOf(double condensed, bool frozen, double vapour, double air,
                                  double kelvin) const;
    [[nodiscard]] double temperatureOf(double condensed, double vapour, double air, double energy,
                                       bool seeded, double& solid) const;
    [[nodiscard]] double frostShare(double wallKelvin) const;
    [[nodiscard]] bool isIcy(const VesselState& s) const;
    [[nodiscard]] double saturationOver(const VesselState& s) const;
    [[nodiscard]] bool touchesWall(const Contact& contact) const;
    [[nodiscard]] double depthOf(const Vessel& v, const VesselState& s) const;
    [[nodiscard]] double bubbleFlow(std::size_t vessel, const VesselState& s) const;
    [[nodiscard]] double airEquilibrium(const VesselState& s) const;
    void evaporate(std::size_t vessel, const VesselState& s, std::span<double> rate) const;
    void letAirOut(std::size_t vessel, const VesselState& s, std::span<double> rate) const;
    void condenseOnWall(const Vessel& v, const VesselState& s, std::span<double> rate) const;
    void flowThrough(const Link& link, Rates& r) const;
    void pumpAway(const PumpAt& pump, Rates& r) const;
    void touch(std::size_t contact, std::span<const double> unknowns, Rates& r) const;
    void blowOver(const Draught& draught, Rates& r) const;
    void dry(std::size_t dish, std::span<const double> unknowns, Rates& r) const;
    [[nodiscard]] VesselState room(double seconds) const;

    const RigModel& m_model;
    const RigFluid& m_fluid;
    std::vector<VesselMood> m_moods;
    mutable std::vector<VesselState> m_states; ///< of the moment in hand; no two threads share a balance
    std::size_t m_dishes;                      ///< where their unknowns begin
    std::vector<std::size_t> m_iceOf;          ///< contact by contact; of no meaning where there is no ice
};

} // namespace uttrin
