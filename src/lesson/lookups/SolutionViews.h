#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace uttrin {

/// What a solution is asked about.
enum class SolutionTopic {
    SaltBath,      ///< ice with salt: temperature against composition, to the eutectic
    Syrup,         ///< sugar in water: boiling point and the stages of the stove
    EthanolWater,  ///< bubble and dew points against composition
    MethanolWater, ///< the same
    AcetoneWater   ///< the same
};

/// A chart and a table of one topic at this room's pressure, with what they mean.
struct SolutionChart {
    struct Curve {
        Text label;
        std::vector<std::pair<double, double>> points;
        bool dashed = false;
    };
    struct Mark {
        double x = 0.0, y = 0.0;
        Text text;
        bool chosen = false; ///< the composition asked for; else a fact of the curve
    };
    Text horizontal, vertical; ///< names of the axes with their units
    std::vector<Curve> curves;
    std::vector<Mark> marks;
    std::vector<Text> columns;
    std::vector<std::vector<Text>> rows;
    Text answer; ///< for the composition asked for, one sentence
    Text advice; ///< what to know, with the caution that belongs to it
    Text source;
};

/// @param percent  composition asked for, % by mass of what is dissolved or mixed in.
/// @param room  the standard atmosphere where it is not known. OutOfRange where the topic's model does not
/// reach it; the message gives the range.
[[nodiscard]] Result<SolutionChart> solutionChart(SolutionTopic topic, std::optional<Pressure> room,
                                                  double percent);

} // namespace uttrin
