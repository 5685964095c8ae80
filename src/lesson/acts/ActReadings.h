#pragma once

#include "lesson/model/LessonModel.h"
#include "rehearsal/learning/LearnedForecast.h"

namespace uttrin {

/// A way to read something in a lesson: with an instrument of one of its plans, or with a plain one.
struct WayToRead {
    Text says;                 ///< "water thermometer"
    std::string instrument;    ///< by its name; empty of a plain one
    std::string unit;          ///< of its figures: "degC", "degF", "K", "ohm", "kPa", "g"
    std::string_view unitText; ///< "°C", "Ω"
    std::string place = {}; ///< what the figures of a plain gauge count from: "absolute", "against the room"
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
    double u = 0.0;           ///< K, standard uncertainty
    bool ofTheLiquid = false; ///< it was read there
};
/// Nothing where it has no value, or none that can be a temperature.
[[nodiscard]] std::optional<StampedTemperature> temperatureOf(const LessonModel& model, const Stamp& stamp);

/// Whether it lies in a forecast's band; nothing of what was not read in the liquid, or outside its time.
[[nodiscard]] std::optional<bool> isInBand(const ForecastBand& band, double seconds, const Stamp& stamp,
                                           const StampedTemperature& read);

/// What a stamp's value says, in pascal.
struct StampedPressure {
    double pascal = 0.0; ///< absolute
    double u = 0.0;      ///< Pa, standard uncertainty
};
/// Nothing where it has no value, or none that can be a pressure. @param room  for a gauge that counts from
/// it.
[[nodiscard]] std::optional<StampedPressure> pressureOf(const LessonModel& model, const Stamp& stamp,
                                                        const std::optional<RoomPressure>& room);

/// "Basalt: 71.2 °C" of what a group stamped of its own rig; the same of what is everybody's.
[[nodiscard]] Text byGroup(const LessonModel& model, const Stamp& stamp, const Text& what);

/// "71.2 °C, in the liquid", "under 60 °C, by hand", "hand-warm": a reading as it was taken.
[[nodiscard]] Text readingText(const Stamp& stamp);

/// Where a temperature is read; the first is in the liquid.
[[nodiscard]] const std::vector<Text>& placesRead();

} // namespace uttrin
