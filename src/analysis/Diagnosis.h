#pragma once

#include "ClausiusClapeyron.h"
#include "quantities/Identifiers.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// What would bend the data.
enum class Cause { None, PressureOffset, TemperatureOffset, GaugeScale, SuperheatedPoints };

template <>
struct Identifiers<Cause> {
    static Text what() { return Text::tr("a cause"); }
    static constexpr std::array table{
        std::pair{Cause::None, std::string_view("none")},
        std::pair{Cause::PressureOffset, std::string_view("pressure-offset")},
        std::pair{Cause::TemperatureOffset, std::string_view("temperature-offset")},
        std::pair{Cause::GaugeScale, std::string_view("gauge-scale")},
        std::pair{Cause::SuperheatedPoints, std::string_view("superheated-points")}};
};

/// A cause, with how much of it the data ask for.
struct CauseEstimate {
    Cause cause = Cause::None;
    Text sentence;                   ///< for people, with the amount
    double amount = 0.0;             ///< Pa, K or a factor, as the cause has it
    double weight = 0.0;             ///< corrected Akaike weight among the candidates, 0 to 1
    std::vector<std::size_t> points; ///< SuperheatedPoints: which
};

/// Ranks the usual causes of a wrong result by corrected Akaike weight: each is fitted against the
/// substance's own curve, in kelvin, because the bent line alone gives back only about half of a pressure
/// offset.
/// @param room  needed for the GaugeScale candidate.
/// Empty with fewer than six points: that is not enough data to tell.
[[nodiscard]] std::vector<CauseEstimate> diagnose(std::span<const BoilingDatum> data,
                                                  const Substance& substance, std::optional<Pressure> room);

/// The sentence for points that lie above the curve, by the numbers under which people know them.
[[nodiscard]] Text superheatSentence(const std::vector<int>& points, double kelvin);

/// Whether the first of the ranked causes stands out enough to be named (weight above two thirds, "none"
/// below a twentieth).
[[nodiscard]] bool isTelling(const std::vector<CauseEstimate>& ranked);

} // namespace uttrin
