#pragma once

#include "Failure.h"
#include "Quantities.h"

#include <span>
#include <string>
#include <string_view>

namespace uttrin {

/// What a unit measures.
enum class Dimension {
    Pressure,
    Temperature,
    Length,
    Area,
    Volume,
    Mass,
    Time,
    Power,
    PumpingSpeed,
    ThermalConductance,
    HeatCapacity,
    Fraction
};

/// Every dimension.
[[nodiscard]] std::span<const Dimension> allDimensions();

/// A unit by its exact definition: SI value = (number + offset) * factor.
struct Unit {
    std::string_view symbol;  ///< as written in files and on the command line, e.g. "degC"
    std::string_view display; ///< as shown to people, e.g. "°C"
    Dimension dimension;
    double factor;               ///< SI units in one of this unit
    double offset;               ///< added to the number first; zero but for degC and degF
    std::string_view definition; ///< where the factor comes from

    [[nodiscard]] constexpr double toSi(double number) const { return (number + offset) * factor; }
    [[nodiscard]] constexpr double fromSi(double si) const { return si / factor - offset; }
};

/// All units of one dimension, in the order in which they are offered.
[[nodiscard]] std::span<const Unit> unitsOf(Dimension dimension);

/// The unit with this symbol (or display form), or a failure that names those accepted.
[[nodiscard]] Result<const Unit*> findUnit(std::string_view symbol, Dimension dimension);

/// A unit by its symbol, whatever it measures; null if there is none.
[[nodiscard]] const Unit* anyUnit(std::string_view symbol);

/// As findUnit, for symbols that the program itself supplies. @throws std::logic_error if there is none.
[[nodiscard]] const Unit& unit(std::string_view symbol);

/// A number with its unit, as a person wrote it.
struct Measure {
    double number;
    const Unit* unit;
    [[nodiscard]] double si() const { return unit->toSi(number); }
};

/// Whether a number with one separator can mean thousands as well as decimals: one to three digits, not begun
/// by 0, the separator, three digits: 1,200 but not 0,200 or 1,20.
[[nodiscard]] bool canBeReadTwoWays(std::string_view number, char separator);
/// A text without the white space at its ends.
[[nodiscard]] std::string_view trimmed(std::string_view text);
/// Parses a whole text as a finite number with '.' as the decimal sign; '-' may be the real minus sign.
[[nodiscard]] Result<double> parseNumber(std::string_view text);

/// Parses "VALUE UNIT" ("-0.7 bar", "21.4 degC"); the space may be missing. A bare number is a failure that
/// names the units accepted.
[[nodiscard]] Result<Measure> parseMeasure(std::string_view text, Dimension dimension);

/// "VALUE UNIT" as an absolute pressure, which must be above zero.
[[nodiscard]] Result<Pressure> parsePressure(std::string_view text);
/// "VALUE UNIT" as a gauge pressure of either sign.
[[nodiscard]] Result<GaugePressure> parseGaugePressure(std::string_view text);
/// "VALUE UNIT" as a difference of pressures, e.g. an uncertainty.
[[nodiscard]] Result<PressureDifference> parsePressureDifference(std::string_view text);
/// "VALUE UNIT" as a temperature above absolute zero.
[[nodiscard]] Result<Temperature> parseTemperature(std::string_view text);
/// "VALUE UNIT" as a difference of temperatures: "0.1 K", "0.1 degC" and "0.18 degF" are the same.
[[nodiscard]] Result<TemperatureDifference> parseTemperatureDifference(std::string_view text);
/// "VALUE UNIT" as a length.
[[nodiscard]] Result<Length> parseLength(std::string_view text);

/// "VALUE UNIT" that parses back to the same number: shortest digits, '.' as decimal sign, ASCII minus.
[[nodiscard]] std::string formatMeasure(double number, const Unit& unit);

} // namespace uttrin
