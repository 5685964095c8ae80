#pragma once

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A thing to fetch.
struct RigMaterial {
    /// How much of it: a number of things, what the model says, or what the file says.
    enum Amount { Thing, Ice, Liquid, Mass, Volume } amount = Thing;
    std::string says;  ///< what is added up by its words
    double of = 1.0;   ///< Thing: how many; Mass: kg; Volume: m3
    bool each = false; ///< for every person in the room
};

/// What a vessel is made for.
enum class VesselMaking {
    Vacuum,     ///< its maker says so
    Laboratory, ///< for heat and for chemicals; for vacuum only where it is small and round
    Household   ///< for neither
};

/// What a rig needs of the room as long as it goes on, beside pump, heater and hands, which its model knows.
enum class RigNeed { Sink, CoolingWater, Hood, Power, Dark, OpenWindow };

/// Who may do it, where local rules say nothing else.
enum class RigDoer {
    Teacher, ///< behind a screen
    Pupils   ///< under the teacher's eyes
};

/// How it is set up in a respect that the model does not know, to be chosen and kept.
struct RigCondition {
    std::string name;                 ///< "boiling chips"
    std::vector<std::string> choices; ///< the first is the usual one
};

/// How a pump is treated.
struct RigPumpCare {
    std::string side; ///< where its suction side leads: "through a cold trap"
    std::vector<std::string> start, stop;
    std::string drain; ///< what is to be done with liquid in the line
    [[nodiscard]] bool empty() const {
        return side.empty() && start.empty() && stop.empty() && drain.empty();
    }
};

/// What a lesson has to know of a rig beside how it goes (docs/rig-format.md, The card).
struct RigCard {
    RigDoer who = RigDoer::Teacher;
    std::vector<RigNeed> needs;
    std::vector<std::string> evacuated; ///< vessels that stand under vacuum, by their names
    std::string control;                ///< what stands outside to compare with
    std::vector<RigCondition> conditions;
    RigPumpCare pump;
    std::vector<std::string> handOver; ///< what is done before the next group has it
    std::optional<double> coldHands;   ///< s for which bare hands may hold what is cold
};

} // namespace uttrin
