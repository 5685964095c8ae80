#pragma once

#include "ClausiusClapeyron.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A cause that would bend the data, with how much of it the data ask for.
struct CauseEstimate {
    std::string id; ///< "none", "pressure-offset", "temperature-offset", "gauge-scale", "superheated-points"
    std::string sentence;            ///< for people, with the amount
    double amount = 0.0;             ///< Pa, K or a factor, as the cause has it
    double weight = 0.0;             ///< corrected Akaike weight among the candidates, 0 to 1
    std::vector<std::size_t> points; ///< superheated-points: which
};

/// Ranks the usual causes of a wrong result by corrected Akaike weight: each is fitted against the
/// substance's own curve, in kelvin, because the bent line alone gives back only about half of a pressure
/// offset.
/// @param room  needed for the gauge-scale candidate.
/// Empty with fewer than six points: that is not enough data to tell.
[[nodiscard]] std::vector<CauseEstimate> diagnose(std::span<const BoilingDatum> data,
                                                  const Substance& substance, std::optional<Pressure> room);

/// The sentence for points that lie above the curve, by the numbers under which people know them.
[[nodiscard]] std::string superheatSentence(const std::string& list, bool one, double kelvin);

/// Whether the first of the ranked causes stands out enough to be named (weight above two thirds, "none"
/// below a twentieth).
[[nodiscard]] bool isTelling(const std::vector<CauseEstimate>& ranked);

} // namespace uttrin
