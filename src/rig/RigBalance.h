#pragma once

#include "RigModel.h"
#include "RigState.h"
#include "rig/matter/GasFilm.h"
#include "rig/matter/RigFluid.h"

#include <optional>
#include <span>
#include <vector>

namespace uttrin {

/// What a vessel is doing that its amounts and energies do not tell; changes at events only.
struct VesselFlags {
    bool bubbling = false; ///< bubbles have formed: they go on with little superheat
    bool seeded = true;    ///< there is, or was, ice in it: it does not stay liquid below its freezing point
};

/// The rates of change of everything in a rig: the equations behind `RigSimulator`.
///
/// Unknowns, vessel by vessel: kg condensed, vapour, air, dissolved air; J of the contents (all that is
/// condensed) and of the gas; kg of solute in the liquid and in the gas. For each wall its J; for each
/// contact of ice the heat that it has taken, J; for each skin the volume in it, m3, and the work stored in
/// it, J; for each drying dish water kg and J; for each pump kg pumped, and with oil kg of the substance in
/// it; then the mass and the energy that came in through the bounds of the rig so far.
class RigBalance {
public:
    /// REQUIRES: `check(model)` holds; the model may change between steps, not in its counts.
    RigBalance(const RigModel& model, const RigFluid& fluid);

    [[nodiscard]] std::size_t size() const { return m_end + 2; }
    [[nodiscard]] bool isEnergy(std::size_t unknown) const; ///< J; kg or m3 otherwise
    [[nodiscard]] std::vector<double> start() const;
    /// What is in a vessel; OutOfRange names the vessel and what left the model.
    [[nodiscard]] Result<VesselState> state(double seconds, std::span<const double> unknowns,
                                            std::size_t vessel) const;
    /// As `state`, with what a person would see of it: margins, bubbles, force.
    [[nodiscard]] Result<VesselState> observed(double seconds, std::span<const double> unknowns,
                                               std::size_t vessel) const;
    /// @param states  of all vessels.
    [[nodiscard]] ContactState contact(std::span<const VesselState> states, std::span<const double> unknowns,
                                       std::size_t contact) const;
    [[nodiscard]] LinkState link(double seconds, std::span<const VesselState> states, std::size_t link) const;
    [[nodiscard]] TubeState liquidTube(std::span<const VesselState> states, std::size_t tube) const;
    [[nodiscard]] PumpState pump(std::span<const double> unknowns, std::size_t pump) const;
    [[nodiscard]] DishState dish(std::span<const double> unknowns, std::size_t dish) const;
    /// kg left of the ice of a contact.
    [[nodiscard]] double iceLeft(std::span<const double> unknowns, std::size_t contact) const;
    /// Rates of change of all unknowns, per second.
    [[nodiscard]] Result<void> rates(double seconds, std::span<const double> unknowns,
                                     std::span<double> rates) const;
    [[nodiscard]] double totalMass(std::span<const double> unknowns) const;   ///< kg, in the rig
    [[nodiscard]] double totalEnergy(std::span<const double> unknowns) const; ///< J, in the rig
    /// K above boiling from which on a vessel bubbles, or below which it stops.
    [[nodiscard]] double bubbleThreshold(std::size_t vessel) const;
    /// Where what is in a vessel boils under a pressure, K.
    [[nodiscard]] double boilingKelvin(const VesselState& contents, double pascal) const;
    /// Where what is in a vessel begins to freeze, K.
    [[nodiscard]] double freezingKelvin(const VesselState& contents) const;

    std::vector<VesselFlags>& flags() { return m_flags; }
    [[nodiscard]] const std::vector<VesselFlags>& flags() const { return m_flags; }
    [[nodiscard]] bool hasPlunger(std::size_t vessel) const;
    /// m3, that a vessel holds now. REQUIRES: as many unknowns as `size`.
    [[nodiscard]] double volumeOf(double seconds, std::span<const double> unknowns, std::size_t vessel) const;
    /// Where the heat that a contact's ice has taken stands. REQUIRES: it is of ice.
    [[nodiscard]] std::size_t iceUnknown(std::size_t contact) const { return m_iceOf[contact]; }

private:
    enum Unknown : std::size_t {
        Condensed,
        Vapour,
        Air,
        Dissolved,
        Contents,
        Gas,
        SoluteInLiquid, ///< solute in the liquid
        SoluteInGas
    };
    static constexpr std::size_t kWithoutSolute = 6, kMostPerVessel = 8, kPerSkin = 2, kPerDish = 2;

    /// A stream of gas from one place into another, with what it carries: kg/s, W.
    struct Stream {
        double vapour = 0.0, air = 0.0, solute = 0.0, energy = 0.0;
    };
    using Saturation = RigSolute::Saturation; ///< over what is condensed
    /// What leaves a liquid in bubbles, mol/s, and the saturation in them.
    struct Bubbles {
        double moles = 0.0;
        Saturation inside;
    };
    struct Rates;

    // Energies and states.
    [[nodiscard]] double airEnthalpy(double kelvin) const; ///< J/kg
    [[nodiscard]] double airEnergy(double kelvin) const;   ///< J/kg
    [[nodiscard]] double contentsEnergy(const VesselState& amounts, double kelvin) const;
    [[nodiscard]] double contentsCapacity(const VesselState& amounts) const;
    [[nodiscard]] double gasEnergy(const VesselState& amounts, double kelvin) const;
    void divideContents(double energy, bool seeded, VesselState& s) const;
    void freezeThrough(double energy, VesselState& s) const;
    void divideBrine(double energy, VesselState& s) const;
    [[nodiscard]] double straight(double energy, const VesselState& s) const;
    [[nodiscard]] double gasKelvin(double energy, const VesselState& s) const;
    [[nodiscard]] double gasVolume(const VesselState& s) const;
    [[nodiscard]] double liquidVolume(const VesselState& s) const;
    /// Whether a hand holds or moves a plunger.
    [[nodiscard]] bool isHeld(const Skin& skin) const {
        return skin.law == SkinLaw::Plunger && m_model.vessels[static_cast<std::size_t>(skin.inside)].stroke;
    }
    [[nodiscard]] double depthOf(const Vessel& v, const VesselState& s) const;
    /// Where the energy of a wall stands.
    [[nodiscard]] std::size_t wallUnknown(std::size_t vessel, std::size_t wall) const {
        return m_wallsOf[vessel] + wall;
    }
    [[nodiscard]] VesselState room(double seconds) const;

    // Between what is condensed, gas and wall of one vessel.
    [[nodiscard]] bool isIcy(const VesselState& s) const;
    [[nodiscard]] Saturation saturationOver(const VesselState& s, double kelvin) const;
    [[nodiscard]] double frostShare(double wallKelvin) const;
    /// K, at which vapour of this pressure joins what is condensed without loss or gain.
    [[nodiscard]] double dewKelvin(const RigFluid& fluid, bool icy, double pascal) const;
    [[nodiscard]] VapourFilm filmOver(const Vessel& v, const VesselState& s, const Bubbles& b,
                                      double saturation, double sweep) const;
    [[nodiscard]] Bubbles bubbles(std::size_t vessel, const VesselState& s) const;
    [[nodiscard]] double airEquilibrium(const VesselState& s) const;
    void evaporate(const Vessel& v, const VesselState& s, const Bubbles& b, double sweep,
                   std::span<double> rate) const;
    [[nodiscard]] double quietFlux(const RigFluid& fluid, const Vessel& v, const VesselState& s,
                                   VapourFilm film, double saturation, double activity,
                                   double vapourPascal) const;
    void letAirOut(const VesselState& s, const Bubbles& b, std::span<double> rate) const;
    /// @param frosted  kg of frost on it. @param wallRate  where the wall's rate goes.
    void condenseOnWall(const Wall& wall, double wallKelvin, const VesselState& s, double frosted,
                        std::span<double> rate, double& wallRate) const;
    void exchangeHeat(std::size_t vessel, const VesselState& s, std::span<double> all) const;
    void heatContents(double watt, const VesselState& s, std::span<double> rate) const;

    // Between vessels, and through the bounds of the rig.
    [[nodiscard]] Stream stream(const VesselState& from, double massFlow) const;
    [[nodiscard]] FlowingGas mixture(const VesselState& s) const;
    [[nodiscard]] double flowIn(const Link& link, const VesselState& a, const VesselState& b) const;
    [[nodiscard]] bool touchesWall(int vessel, TouchedPart part) const;
    /// Gas that streams through a vessel, m/s by the width of its space. @param flows  link by link, kg/s.
    [[nodiscard]] double sweepOf(std::size_t vessel, const Rates& r) const;
    void flowThrough(std::size_t link, Rates& r) const;
    void pushLiquid(std::size_t tube, Rates& r) const;
    void stretch(std::size_t skin, std::span<const double> y, Rates& r) const;
    void pumpAway(std::size_t pump, std::span<const double> y, Rates& r) const;
    void giveHeat(int vessel, TouchedPart part, int wall, double watt, Rates& r) const;
    void touch(std::size_t contact, std::span<const double> y, Rates& r) const;
    void blowOver(const Draught& draught, Rates& r) const;
    void dry(std::size_t dish, std::span<const double> y, Rates& r) const;
    void stirIn(int vessel, double seconds, Rates& r) const;

    const RigModel& m_model;
    const RigFluid& m_fluid;
    std::vector<VesselFlags> m_flags;
    mutable std::vector<VesselState> m_states; ///< of the moment in hand; no two threads share a balance
    mutable std::vector<double> m_flows;       ///< kg/s, link by link, of the moment in hand
    std::vector<std::size_t> m_wallsOf;        ///< vessel by vessel, where the energies of its walls begin
    std::vector<std::size_t> m_iceOf;          ///< contact by contact; of no meaning where there is no ice
    std::vector<std::size_t> m_oilOf;          ///< pump by pump; of no meaning where there is no oil
    std::vector<double> m_around; ///< m2, vessel by vessel, around the volume that it has at first
    std::size_t m_perVessel;      ///< no more than its contents need
    std::size_t m_skins, m_dishes, m_pumped, m_end; ///< where their unknowns begin, and where all end
    VapourInAir m_vapourInAir;
    std::optional<VapourInAir> m_soluteInAir;
};

} // namespace uttrin
