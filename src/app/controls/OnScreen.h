#pragma once

#include <QString>

#include <optional>
#include <string>
#include <string_view>

namespace uttrin::app {

/// A text of the core with its decimal points as this locale writes them.
[[nodiscard]] QString onScreen(std::string_view text);

/// A number as this locale writes it, with a real minus sign.
[[nodiscard]] QString onScreen(double value, int decimals);

/// A number as a person typed it: '.' or this locale's decimal sign, any minus sign. Empty if it is not one.
[[nodiscard]] std::optional<double> typedNumber(const QString& text);

/// Shortest text for a number in an input field.
[[nodiscard]] QString fieldText(double value);

} // namespace uttrin::app
