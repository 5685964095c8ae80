#pragma once

#include "Flow.h"

#include <string>
#include <vector>

namespace uttrin {

/// A vessel with some of the rig's substance in it, liquid or frozen, and above it vapour and air.
struct Vessel {
    std::string name = "vessel";
    double volume = 1e-3;          ///< m3, of all that it holds
    double surface = 5e-3;         ///< m2, of the liquid towards the gas
    double dryWall = 0.0;          ///< m2 of wall beside the gas, on which vapour may condense and drain back
    double wallHeatCapacity = 0.0; ///< J/K; without a wall nothing condenses and contacts reach the contents
    double wallToContents = 0.0;   ///< W/K
    double sticking = 0.02;        ///< share of the molecules that stick to the liquid, see evaporationFlux
    double nucleation = 0.05; ///< K above boiling at which bubbles form: little at boiling chips, several in
                              ///< clean, smooth glass
    // At the start.
    double condensed = 0.0; ///< kg of liquid; of ice, if the start lies below the triple point
    double airPascal = 0.0; ///< partial pressure of the air
    double kelvin = 293.15; ///< of the contents and of the wall; the vapour is saturated
};

/// An end of a link that is not a vessel: the room.
inline constexpr int kRoom = -1;

/// Vessels, or a vessel and the room, joined by a tube, a valve as far as it is open, or a leak.
struct Link {
    int from = 0, to = kRoom; ///< indices of vessels, or kRoom
    Tube tube;
};

/// A pump at a vessel.
struct PumpAt {
    int vessel = 0;
    Pump pump;
};

/// What a contact touches.
enum class TouchedPart { Contents, Wall };

/// Something of a steady temperature that touches a vessel: the room's air, a hand, ice, a bath.
struct Contact {
    int vessel = 0;
    TouchedPart part = TouchedPart::Wall;
    double conductance = 0.0; ///< W/K
    double kelvin = 293.15;
};

/// Heat put into the contents.
struct Heater {
    int vessel = 0;
    double watt = 0.0;
};

/// A rig as a network, with nothing in it that moves yet.
struct RigModel {
    double roomPascal = 101325.0, roomKelvin = 293.15; ///< dry air
    std::vector<Vessel> vessels;
    std::vector<Link> links;
    std::vector<PumpAt> pumps;
    std::vector<Contact> contacts;
    std::vector<Heater> heaters;
};

} // namespace uttrin
