#pragma once

#include "RigModel.h"

#include <array>
#include <optional>
#include <vector>

namespace uttrin {

/// What is in a vessel at one moment.
struct VesselState {
    [[nodiscard]] double wallKelvin() const { return wallKelvins[0]; } ///< of the first wall
    /// Of the solute in what is liquid, by mass.
    [[nodiscard]] double share() const { return solute > 0.0 ? solute / (solute + liquid) : 0.0; }
    [[nodiscard]] double vapourPascal() const { return pascal - airPascal - solutePascal; }

    double liquid = 0.0, solid = 0.0, vapour = 0.0, air = 0.0, dissolved = 0.0; ///< kg; dissolved: of air
    double solute = 0.0, soluteVapour = 0.0; ///< kg, in the liquid, in the gas
    double undissolved = 0.0; ///< kg of solute among the ice, at the coldest that the brine can be
    double kelvin = 0.0, gasKelvin = 0.0;         ///< of what is condensed; of the gas
    std::array<double, kMostWalls> wallKelvins{}; ///< wall by wall; of the contents where there is none
    double pascal = 0.0, airPascal = 0.0, solutePascal = 0.0; ///< of the whole gas, of the air, of the solute
    double volume = 0.0, space = 0.0;                         ///< m3: in all; of the gas
    FlowingGas gas = {};                                      ///< as it flows
    // What can be seen of it.
    /// K, the contents' temperature less the one at which they boil under this gas, at the surface; below
    /// zero nothing boils. Nothing where there is no liquid.
    std::optional<double> margin;
    std::optional<double> marginAtBottom; ///< K, the same under the weight of the liquid
    double vigour = 0.0;          ///< m/s: m3 of bubbles of vapour that break each second, by m2 of surface
    double supersaturation = 0.0; ///< dissolved air by what could stay, less 1
    double force = 0.0;           ///< N, inwards, on what closes the mouth; outwards below zero
    double condensing = 0.0;      ///< kg/s, of vapour on the dry wall
};

/// What touches a vessel at one moment.
struct ContactState {
    double watt = 0.0;  ///< into the vessel
    double iceKg = 0.0; ///< left of its ice
};

/// What goes through a link at one moment.
struct LinkState {
    double flow = 0.0; ///< kg/s, from its first end to its second
    double jet = 0.0;  ///< N, with which the stream pushes at what stands before its end
};

/// What goes through a tube for liquid at one moment, from its first end to its second.
struct TubeState {
    double liquid = 0.0, gas = 0.0; ///< kg/s
};

/// A pump at one moment.
struct PumpState {
    double oilKg = 0.0;    ///< of the rig's substance in its oil
    double reaches = 0.0;  ///< Pa, below which it pumps nothing now
    double pumpedKg = 0.0; ///< out of its vessel so far
};

/// A dish of drying agent at one moment.
struct DishState {
    double waterKg = 0.0; ///< taken up
    double kelvin = 0.0;
};

/// A rig at one moment.
struct RigSample {
    double seconds = 0.0;
    std::vector<VesselState> vessels;
    std::vector<ContactState> contacts;
    std::vector<DishState> dishes;
    std::vector<LinkState> links = {};
    std::vector<PumpState> pumps = {};
    std::vector<TubeState> liquidTubes = {};
};

} // namespace uttrin
