#pragma once

#include "Identifiers.h"

namespace uttrin {

/// What a person takes for boiling when a point is read. The first four are agreed on for a plan; the two
/// halves of a bracket are taken about one point.
enum class BoilingCriterion {
    FirstBubbles,        ///< that rise to the surface
    Steady,              ///< slow and steady: the class's chosen picture
    ThroughBulk,         ///< bubbles through the whole of the liquid, not at the chips alone
    StopsAfterIsolating, ///< the moment that it stops after the pump was closed off
    BracketStops,        ///< it stops while air is bled in
    BracketStarts        ///< it starts again while the pump pulls
};

template <>
struct Identifiers<BoilingCriterion> {
    static Text what() { return Text::tr("a boiling criterion"); }
    static constexpr std::array table{
        std::pair{BoilingCriterion::FirstBubbles, std::string_view("first-bubbles")},
        std::pair{BoilingCriterion::Steady, std::string_view("steady")},
        std::pair{BoilingCriterion::ThroughBulk, std::string_view("through-bulk")},
        std::pair{BoilingCriterion::StopsAfterIsolating, std::string_view("stops-after-isolating")},
        std::pair{BoilingCriterion::BracketStops, std::string_view("bracket-stops")},
        std::pair{BoilingCriterion::BracketStarts, std::string_view("bracket-starts")}};
};

[[nodiscard]] constexpr bool isBracket(BoilingCriterion c) {
    return c == BoilingCriterion::BracketStops || c == BoilingCriterion::BracketStarts;
}

/// From which side a temperature was come to.
enum class ApproachSide { Heating, Cooling };

template <>
struct Identifiers<ApproachSide> {
    static Text what() { return Text::tr("a side"); }
    static constexpr std::array table{std::pair{ApproachSide::Heating, std::string_view("heating")},
                                      std::pair{ApproachSide::Cooling, std::string_view("cooling")}};
};

} // namespace uttrin
