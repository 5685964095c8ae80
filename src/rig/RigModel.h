#pragma once

#include "rig/matter/DryingAgent.h"
#include "rig/matter/Flow.h"
#include "rig/matter/RigSolute.h"

#include <cmath>
#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A value that goes evenly from one number to another and stays there.
struct Ramp {
    double from = 0.0, to = 0.0;
    double begin = 0.0, end = 0.0; ///< s

    [[nodiscard]] double at(double seconds) const;
    [[nodiscard]] double slope(double seconds) const; ///< per second
    /// Per second, of what follows it with a time constant in s, from its beginning on.
    [[nodiscard]] double slope(double seconds, double constant) const;
};

/// m2, that enclose a volume: those of a ball.
[[nodiscard]] inline double wallAround(double volume) {
    const double side = std::cbrt(volume);
    return 4.84 * side * side;
}

/// The most walls that a vessel has.
inline constexpr std::size_t kMostWalls = 3;

/// A part of what encloses a vessel that has one temperature: its glass, its lid.
struct Wall {
    std::string name = "wall";
    double heatCapacity = 0.0; ///< J/K, above zero
    double toContents = 0.0;   ///< W/K
    double dry = 0.0;          ///< m2 beside the gas, on which vapour may condense and drain back
    bool swept = false;        ///< as a condenser's, along which the stream carries the air away
};

/// A pressure at which a closed vessel gives way.
struct GivesWay {
    double overRoom = 0.0; ///< Pa
    std::string says;      ///< what happens then: "the stopper is out"
};

/// A vessel with some of the rig's substance in it, liquid or frozen, and above it vapour and air.
struct Vessel {
    std::string name = "vessel";
    double volume = 1e-3;  ///< m3, of all that it holds
    double surface = 5e-3; ///< m2, of the liquid towards the gas
    /// Without one nothing condenses beside the gas, contacts reach the contents, and what lies around the
    /// gas is as warm as the contents. The first lies around all the gas that the others leave.
    std::vector<Wall> walls = {};
    double sticking = 0.02;    ///< share of the molecules that stick to the liquid, see evaporationFlux
    double nucleation = 0.05;  ///< K above boiling at which bubbles form: little at boiling chips, several in
                               ///< clean, smooth glass
    double supercooling = 0.0; ///< K below the triple point to which it stays liquid before ice appears
    double mouth = 0.0;        ///< m2 that a stopper, a lid or a plunger closes
    // At the start.
    double condensed = 0.0;    ///< kg of liquid; of ice, if the start lies below the triple point
    double solute = 0.0;       ///< kg of what is dissolved, in the liquid
    double airPascal = 0.0;    ///< partial pressure of the air
    double kelvin = 293.15;    ///< of the contents and of the wall; the vapour is saturated over a liquid
    double airDissolved = 0.0; ///< share of the air that the liquid would hold under the room's air
    std::optional<double> vapourPascal = {}; ///< of the vapour, where it is not saturated
    std::optional<Ramp> stroke = {};         ///< of the volume, m3, where a plunger moves
    std::optional<Ramp> feed = {};           ///< of solute that is stirred in, kg, at the room's temperature
    double dissolving = 0.0;                 ///< s, time constant with which what is stirred in dissolves
    std::vector<GivesWay> givesWay = {};     ///< by rising pressure; at the last of them the run ends

    [[nodiscard]] double volumeAt(double seconds) const { return stroke ? stroke->at(seconds) : volume; }
};

/// An end of a link that is not a vessel: the room.
inline constexpr int kRoom = -1;

/// Vessels, or a vessel and the room, joined by a tube, a valve as far as it is open, or a leak.
struct Link {
    int from = 0, to = kRoom; ///< indices of vessels, or kRoom
    Tube tube;
    std::string name = {};
    double opening = 1.0;      ///< share of its area that is open, 0 to 1
    double reliefPascal = 0.0; ///< above zero: lets gas out of `from` only, from this difference on
};

/// A tube between the bottoms of two vessels: liquid is pushed through it, and gas once there is no liquid at
/// its end.
struct LiquidTube {
    int from = 0, to = 1; ///< vessels
    Tube tube;
    double rise = 0.0;       ///< m, by which the bottom of `to` lies above that of `from`
    double viscosity = 1e-3; ///< Pa s, of the liquid
    std::string name = {};
};

/// How a skin or a foam withstands being stretched.
enum class SkinLaw {
    Sheet,  ///< a thin rubber ball: R. S. Rivlin, D. W. Saunders, Phil. Trans. R. Soc. A 243 (1951) 251
    Cells,  ///< closed cells in a soft solid: neo-Hookean thick shells, as a whole
    Plunger ///< moves freely but for its friction; a hand holds it where the vessel has a stroke
};

/// The wall of a vessel that gives way: its volume follows from the pressures inside and around it.
struct Skin {
    int inside = 0, around = kRoom; ///< a vessel in another, or in the room
    SkinLaw law = SkinLaw::Sheet;
    double shear = 0.0;      ///< Pa, modulus of the rubber, or of the solid between the cells
    double solidShare = 0.0; ///< Sheet: thickness by radius at rest. Cells: solid by the whole volume
    double rest = 0.0;       ///< m3, at which it is not stretched; 0: as at the start
    double viscosity = 2e3;  ///< Pa s: how slowly it gives way
    double holds = 1e3;      ///< times its volume at rest up to which no cell bursts
    double bursting = 0.0;   ///< 1/s: share of the gas that is lost beyond, for each time it is exceeded
    std::string name = {};
    double friction = 0.0; ///< Pa, within which a plunger stays where it is

    /// Pressure inside over that around which holds it at a ratio of volumes, Pa.
    [[nodiscard]] double pressure(double ratio) const;
};

/// A pump at a vessel.
struct PumpAt {
    int vessel = 0;
    Pump pump;
    std::string name = {};
    bool on = true;
    /// K, above zero: it is sealed with oil of this temperature, in which vapour that it compresses beyond
    /// its saturation pressure stays behind as liquid.
    double oilKelvin = 0.0;
    double ballast = 0.0;     ///< m3/s of the room's air let into the compression, to carry vapour along
    double ballastOpen = 0.0; ///< share of it
};

/// What a contact touches.
enum class TouchedPart { Contents, Wall };

/// Something that touches a vessel: the room's air, a hand, a bath, all of a steady temperature; or ice; or
/// another vessel.
struct Contact {
    int vessel = 0;
    TouchedPart part = TouchedPart::Wall;
    /// W/K; of ice as long as there is enough of it: a lump in a liquid shrinks as its surface, what lies on
    /// a wall covers it until hardly any is left.
    double conductance = 0.0;
    double kelvin = 293.15; ///< of ice its melting point
    std::string name = {};
    bool on = true;
    double iceKg = 0.0; ///< above zero: ice that melts as it works and is gone then
    int other = kRoom;  ///< another vessel, whose wall (its contents, if it has none) it touches
    int wall = 0;       ///< which of the vessel's walls
};

/// Heat put into the contents, or as by a lamp into the wall.
struct Heater {
    int vessel = 0;
    double watt = 0.0;
    std::string name = {};
    TouchedPart part = TouchedPart::Contents;
    int wall = 0; ///< which of the vessel's walls
};

/// A surface of the contents that lies open to the room's moving air.
struct Draught {
    int vessel = 0;
    double surface = 0.0;  ///< m2
    double transfer = 0.0; ///< m/s, of vapour through the layer of air: 0.003 in still air, 0.02 fanned
    double humidity = 0.0; ///< of the room, where the substance is water; 0 to 1
    std::string name = {};
    bool on = true;
};

/// A dish of drying agent that stands in a vessel.
struct DryingDish {
    int vessel = 0;
    DryingAgent agent;
    double surface = 0.0; ///< m2
    double toRoom = 0.0;  ///< W/K
    std::string name = {};
    double waterKg = 0.0; ///< that it has taken up before
};

/// A rig as a network.
struct RigModel {
    double roomPascal = 101325.0, roomKelvin = 293.15; ///< dry air
    std::vector<Vessel> vessels;
    std::optional<RigSolute> solute = {}; ///< what is dissolved in its substance, in any of the vessels
    std::vector<Link> links;
    std::vector<LiquidTube> liquidTubes;
    std::vector<Skin> skins;
    std::vector<PumpAt> pumps;
    std::vector<Contact> contacts;
    std::vector<Heater> heaters;
    std::vector<Draught> draughts;
    std::vector<DryingDish> dishes;
    std::optional<Ramp> climb = {}; ///< of the room's pressure, Pa

    [[nodiscard]] double roomPascalAt(double seconds) const {
        return climb ? climb->at(seconds) : roomPascal;
    }
};

/// Whether what is condensed in a vessel is solid at the start.
[[nodiscard]] bool startsFrozen(const RigModel& model, const RigFluid& fluid, const Vessel& vessel);
/// Vapour pressures over what is in a vessel at the start, Pa; of nothing where it is empty.
[[nodiscard]] RigSolute::Saturation startingSaturation(const RigModel& model, const RigFluid& fluid,
                                                       const Vessel& vessel);

/// Where what is in a vessel at the start boils under a pressure, K; an empty one: the substance.
[[nodiscard]] double startingBoilingKelvin(const RigModel& model, const RigFluid& fluid, const Vessel& vessel,
                                           double pascal);

/// Names the first thing in a model that makes no sense, as BadInput.
[[nodiscard]] Result<void> check(const RigModel& model);

} // namespace uttrin
