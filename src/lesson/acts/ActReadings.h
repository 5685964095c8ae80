#pragma once

#include "lesson/model/LessonModel.h"

namespace uttrin {

/// A way to read a temperature in a lesson: with a thermometer of one of its plans, or with a plain one.
struct WayToRead {
    Text says;              ///< "water thermometer"
    std::string instrument; ///< by its name; empty of a plain one
    std::string unit;       ///< of its figures: "degC", "degF", "K", "ohm"
    std::string_view unitText; ///< "°C", "Ω"
    [[nodiscard]] bool isTemperature() const;
};
/// The plain ones first: in °C, °F, K.
/// @param measures  unit of what the step in hand measures: before them, where it is no temperature's.
[[nodiscard]] std::vector<WayToRead> waysToRead(const LessonModel& model, const std::string& measures = {});
/// A unit as it is shown beside a figure: "°C", "g", "Ω". The view lives as long as the symbol.
[[nodiscard]] std::string_view shownUnit(const std::string& symbol);

/// What a stamp's value says, in kelvin.
struct StampedTemperature {
    double kelvin = 0.0;
    double u = 0.0;         ///< K, standard uncertainty
    bool ofTheLiquid = false; ///< it was read there
};
/// Nothing where it has no value, or none that can be a temperature.
[[nodiscard]] std::optional<StampedTemperature> temperatureOf(const LessonModel& model, const Stamp& stamp);

/// "71.2 °C, in the liquid", "under 60 °C, by hand", "hand-warm": a reading as it was taken.
[[nodiscard]] Text readingText(const Stamp& stamp);

/// Where a temperature is read; the first is in the liquid.
[[nodiscard]] const std::vector<Text>& placesRead();

} // namespace uttrin
