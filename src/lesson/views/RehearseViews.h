#pragma once

#include "MapView.h"
#include "StripView.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/Rehearsal.h"
#include "text/Text.h"

#include <string>
#include <vector>

namespace uttrin {

/// A vessel of a rig as it is drawn at one moment.
struct SceneVessel {
    VesselShape shape = VesselShape::Jar;
    Text name;
    double fill = 0.0;         ///< share of its volume that liquid and ice take
    double frozen = 0.0;       ///< share of that which is ice
    double bubbling = 0.0;     ///< 0 quiet to 1 violent, by the logarithm of the vigour
    double boilingDepth = 1.0; ///< share of the liquid, from the surface down, in which vapour forms
    bool airBubbles = false, frost = false, drops = false, boiling = false;
    double plunger = 1.0; ///< share of a syringe that is drawn out
    int within = kRoom;   ///< the vessel in which it swells
    double size = 0.0;    ///< cube root of its volume by that of the vessel around it
    double stream = 0.0;  ///< gas that comes out of a tube at its bottom: 0 none to 1 a gush
    Text note;            ///< under its name
};

/// Something at a vessel: what it is and how it stands.
struct ScenePart {
    enum Kind { Valve, Tube, Pump, Heater, Ice, Warm, Cold, Draught, Dish };
    Kind kind = Valve;
    int vessel = 0, other = kRoom; ///< the other end of a tube between vessels
    bool active = false;           ///< open, running, lying on
    double left = 1.0;             ///< share of its ice that is left
    Text name, state;              ///< "clamp", "shut"
    bool onDryGlass = false;       ///< of ice, a bath or a hand: above the liquid, not beside it
    bool grains = false;           ///< of a drying agent: a salt in grains, not a liquid
    bool fromBelow = false; ///< a tube for liquid, up from the bottom into the other, which stands above
};

/// A rig as it is drawn at one moment.
struct RigScene {
    std::vector<SceneVessel> vessels;
    std::vector<ScenePart> parts;
    Text thermometer, gauge; ///< as they show, with units; empty without one
    int watched = 0;
    std::vector<Text> lines; ///< what cannot be drawn: force on a stopper, share of vapour
};

[[nodiscard]] RigScene sceneOf(const Rehearsal& rehearsal, std::size_t sample);

/// The bench strip over a rehearsal.
/// @param temperatureKnown  whether somebody read the room's temperature, or set it; else it is only assumed.
[[nodiscard]] StripView rehearsalStrip(const Rehearsal& rehearsal, std::size_t sample,
                                       bool temperatureKnown = true);

/// The phase map with a rehearsed path, and the one that it is compared with.
/// @param base  of the lesson: its gauge stands at the right edge.
[[nodiscard]] MapView rehearsalMap(MapView base, const Rehearsal& rehearsal, const Text& name,
                                   const Rehearsal* other, const Text& otherName, std::size_t sample);

/// What is said beside the picture at one moment.
struct RehearsalCard {
    Text see;  ///< what you will see
    Text next; ///< what comes next, and when
    Text note; ///< what it comes to in the whole
};
[[nodiscard]] RehearsalCard rehearsalCard(const Rehearsal& rehearsal, std::size_t sample);

/// The tape under a rehearsal: what goes on when.
struct RehearsalTapeView {
    struct Span {
        double from = 0.0, to = 0.0; ///< s
    };
    struct Mark {
        double seconds = 0.0;
        Text text;
        bool move = false; ///< by a hand; else something that happened
    };
    double seconds = 0.0; ///< of the whole
    std::vector<double> times, celsius, boilsCelsius, vigour;
    std::vector<Span> cooling; ///< ice, a bath or a hand lies on
    std::vector<Mark> marks;
};
[[nodiscard]] RehearsalTapeView rehearsalTape(const Rehearsal& rehearsal);

/// "1:05", "12 min", as a moment of a rehearsal.
[[nodiscard]] Text momentText(double seconds);

} // namespace uttrin
