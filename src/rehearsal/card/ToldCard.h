#pragma once

#include "ValveTable.h"
#include "rehearsal/Rehearsal.h"

#include <map>

namespace uttrin {

/// A card of a rig for people: what stands under which heading, in the order in which it is wanted.
struct ToldCard {
    enum Kind { Who, Vessels, Needs, SetUp, Control, Valves, Pump, Floor, Hands, HandOver };
    struct Section {
        Kind kind = Who;
        Text title;
        std::vector<Text> lines;
    };
    std::vector<Section> sections; ///< those that say something
    ValveTable valves;
};

/// @param chosen  how it is set up, condition by condition; the usual where nothing is chosen.
[[nodiscard]] ToldCard toldCard(const RigStory& story, const RigSetup& setup,
                                const std::map<std::string, std::string>& chosen = {});

/// "teacher, behind a screen".
[[nodiscard]] Text doerText(RigDoer who);
/// "a sink".
[[nodiscard]] Text needText(RigNeed need);
/// "made for vacuum", and what it is for.
[[nodiscard]] Text makingText(VesselMaking making);
[[nodiscard]] Text makingAdvice(VesselMaking making);
/// "boiling chips: fresh", condition by condition.
[[nodiscard]] std::vector<Text> conditionTexts(const RigCard& card,
                                               const std::map<std::string, std::string>& chosen);

/// Why a rig cannot be an act with the vessels that it has: of household glass under vacuum. Empty if it can.
[[nodiscard]] Text vesselRefused(const RigCard& card, const RigSetup& setup);

} // namespace uttrin
