#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <optional>
#include <string>

namespace uttrin {

/// One of the figures along the top: what it is, its number with unit, and a line under it. An empty number
/// shows as a dash.
struct StripFigure {
    Text label, number, unit, under;
    bool missing = false;              ///< a gap that costs data if it stays
    std::optional<double> kelvin = {}; ///< of a temperature, to be said in another unit too
};

/// The bench strip: room, gauge, liquid, boiling point here, margin.
struct StripView {
    StripFigure room, gauge, liquid, boils;
    StripFigure pressure;               ///< the absolute pressure in one number, for the back row
    std::optional<double> marginKelvin; ///< liquid less boiling point: below zero not boiling yet
    double marginU = 0.0;               ///< K
    bool boiling = false;               ///< as far as that can be told
    Text marginText;                    ///< "1.5 K to go", "boiling, 0.3 K above"
    Text marginUnder;
};

/// The strip from the draft at the bench, or from the last captured reading where nothing is typed.
[[nodiscard]] StripView stripView(const LessonSession& session);

} // namespace uttrin
