#pragma once

#include "text/Text.h"

#include <QString>

#include <optional>
#include <string>
#include <string_view>

namespace uttrin::app {

/// How the window says the core's texts: in the language of the loaded catalogue, numbers as the locale
/// writes them.
class ScreenWording : public Wording {
public:
    [[nodiscard]] std::string sentence(const char* source) const override;
    [[nodiscard]] std::string data(const std::string& source) const override;
    [[nodiscard]] std::string capitalised(std::string text) const override;
    [[nodiscard]] std::string language() const override;
    [[nodiscard]] std::string decimalPoint() const override;
    [[nodiscard]] std::size_t pluralForm(long long count) const override;
};

/// A text of the core as the window says it.
[[nodiscard]] QString onScreen(const Text& text);

/// What is no text of the program: a unit's symbol, an identifier, a name that was typed.
[[nodiscard]] QString asIs(std::string_view text);

/// A number as this locale writes it, with a real minus sign.
[[nodiscard]] QString onScreen(double value, int decimals);

/// Whether what was typed is a number with thousands, or one with a decimal sign that is not this language's:
/// then the person must say which.
[[nodiscard]] bool canBeReadTwoWays(const QString& text);
/// A number as a person typed it: '.' or this locale's decimal sign, any minus sign. Empty if it is not one.
[[nodiscard]] std::optional<double> typedNumber(const QString& text);

/// A unit in which temperatures are said as well, for a class that knows another one.
enum class SecondUnit { None, Kelvin, Fahrenheit };
void useSecondUnit(SecondUnit unit);
[[nodiscard]] SecondUnit secondUnit();
/// "204.8 °F", to a tenth; empty where no second unit is wanted.
[[nodiscard]] QString inSecondUnit(double kelvin);

/// Shortest text for a number in an input field.
[[nodiscard]] QString fieldText(double value);

} // namespace uttrin::app
