#pragma once

namespace uttrin {

/// What a person would call out.
enum class RigEventKind {
    BoilingStarts,
    BoilingStops,
    IceAppears,
    FrozenThrough,
    Melted,
    Dry,
    AboveRoom, ///< a vessel came to hold more than the room's pressure by a twentieth
    IceGone,   ///< the ice that lay on it has melted; `part` is the contact
    GaveWay,   ///< a closed vessel came to a pressure at which it gives way; `part` is the place in its list
    Moved      ///< a move was made; `part` is its place in the procedure, -1 by hand
};

struct RigEvent {
    double seconds = 0.0;
    int vessel = 0;
    RigEventKind kind = RigEventKind::BoilingStarts;
    int part = -1;
};

} // namespace uttrin
