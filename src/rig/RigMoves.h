#pragma once

#include "RigEvents.h"
#include "RigModel.h"

#include <string>
#include <vector>

namespace uttrin {

/// What a hand does to a part of a rig.
struct RigAction {
    enum What {
        Open,         ///< a link, to this share of its area
        RunPump,      ///< 1 on, 0 off
        Touch,        ///< a contact lies on (1) or is taken away (0)
        Ice,          ///< a contact of ice gets this much fresh ice, kg, and lies on
        BathKelvin,   ///< what a contact is comes to this temperature
        Heat,         ///< a heater, W
        Volume,       ///< a vessel's plunger is pulled or pushed, m3
        LetGo,        ///< of a vessel's plunger: it goes where it is pushed
        RoomPressure, ///< Pa: the rig is carried up or down
        Fan,          ///< a draught lies on (1) or off (0)
        StirIn,       ///< solute into a vessel, kg
        Ballast       ///< of a pump, open to this share
    };
    What what = Open;
    int part = 0; ///< index among parts of its kind; of a vessel for Volume and StirIn; of no meaning for
                  ///< RoomPressure
    double value = 0.0;
    double over = 0.0; ///< s that it takes: Volume, RoomPressure and StirIn
};

/// When a move is due, once those before it are made.
struct RigTrigger {
    enum Kind {
        AtTime,       ///< s from the start
        After,        ///< s after the move before
        WarmerThan,   ///< a vessel's contents, K
        CoolerThan,   ///< a vessel's contents, K
        PressureOver, ///< in a vessel, Pa
        PressureUnder,
        OnEvent ///< in a vessel, from the move before on
    };
    Kind kind = AtTime;
    int vessel = 0;
    double value = 0.0;
    RigEventKind event = RigEventKind::BoilingStarts;
    double delay = 0.0;    ///< s after that
    double earliest = 0.0; ///< s after the move before; not sooner, whatever is waited for
};

/// A step of a procedure.
struct RigMove {
    RigTrigger when;
    std::vector<RigAction> actions;
    std::string says; ///< to people
};

/// Carries an action out on a model at a time. REQUIRES: the part exists.
void carryOut(const RigAction& action, double seconds, RigModel& model);

/// Names the first move that makes no sense in a model, as BadInput.
[[nodiscard]] Result<void> check(const RigModel& model, const std::vector<RigMove>& moves);

} // namespace uttrin
