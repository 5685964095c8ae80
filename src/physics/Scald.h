#pragma once

#include "quantities/Quantities.h"
#include "text/Text.h"

namespace uttrin {

/// How soon water of a temperature scalds skin.
enum class Scald {
    None,      ///< below 43 °C
    InLong,    ///< by lying in it for minutes to hours, 43 to 49 °C
    InMinutes, ///< 49 to 55 °C
    InSeconds, ///< 55 to 65 °C
    AtOnce     ///< from 65 °C
};

/// Grades by the times after which skin was burnt: 9 min at 49 °C, half a minute at 55 °C, 5 s at 60 °C, 1 to
/// 2 s at 65 °C.
/// Source: A. R. Moritz and F. C. Henriques, Am. J. Pathol. 23 (1947) 695. Times of grown-ups' skin, shorter
/// for children.
[[nodiscard]] Scald scaldBy(Temperature t);

/// "Scalds within seconds." for people; empty below 43 °C.
[[nodiscard]] Text scaldText(Temperature t);

/// What boiling at a temperature does not do: it does not sterilise, and cooks no faster. Empty from 99 °C
/// on.
[[nodiscard]] Text coolBoilingText(Temperature t);

} // namespace uttrin
