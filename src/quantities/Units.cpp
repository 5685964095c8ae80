#include "Units.h"

#include "Rounding.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <optional>
#include <stdexcept>

namespace uttrin {
namespace {

constexpr double kStandardGravity = 9.80665;                             // m/s2, CGPM 1901, exact
constexpr double kMillimetreMercury = 13595.1 * kStandardGravity * 1e-3; // Pa, conventional
constexpr double kInch = 0.0254;                                         // m, exact
constexpr double kInchWater = 1000.0 * kStandardGravity * kInch;         // Pa, conventional
constexpr double kPsi = 0.45359237 * kStandardGravity / (kInch * kInch); // Pa, pound-force an inch squared

constexpr std::array kPressure{
    Unit{"Pa", "Pa", Dimension::Pressure, 1.0, 0.0, "SI"},
    Unit{"hPa", "hPa", Dimension::Pressure, 1e2, 0.0, "SI"},
    Unit{"kPa", "kPa", Dimension::Pressure, 1e3, 0.0, "SI"},
    Unit{"MPa", "MPa", Dimension::Pressure, 1e6, 0.0, "SI"},
    Unit{"mbar", "mbar", Dimension::Pressure, 1e2, 0.0, "exact"},
    Unit{"bar", "bar", Dimension::Pressure, 1e5, 0.0, "exact"},
    Unit{"atm", "atm", Dimension::Pressure, 101325.0, 0.0, "exact"},
    Unit{"Torr", "Torr", Dimension::Pressure, 101325.0 / 760.0, 0.0, "exact: atm/760"},
    Unit{"mmHg", "mmHg", Dimension::Pressure, kMillimetreMercury, 0.0,
         "conventional: 13595.1 kg/m3 at 9.80665 m/s2"},
    Unit{"cmHg", "cmHg", Dimension::Pressure, 10.0 * kMillimetreMercury, 0.0, "conventional: 10 mmHg"},
    Unit{"inHg", "inHg", Dimension::Pressure, 25.4 * kMillimetreMercury, 0.0, "conventional: 25.4 mmHg"},
    Unit{"inH2O", "inH₂O", Dimension::Pressure, kInchWater, 0.0, "conventional: 1000 kg/m3 at 9.80665 m/s2"},
    Unit{"psi", "psi", Dimension::Pressure, kPsi, 0.0, "pound-force an inch squared"},
};

constexpr std::array kTemperature{
    Unit{"K", "K", Dimension::Temperature, 1.0, 0.0, "SI"},
    Unit{"degC", "°C", Dimension::Temperature, 1.0, kIcePointKelvin, "exact"},
    Unit{"degF", "°F", Dimension::Temperature, 5.0 / 9.0, 459.67, "exact"},
};

constexpr std::array kLength{
    Unit{"m", "m", Dimension::Length, 1.0, 0.0, "SI"},
    Unit{"cm", "cm", Dimension::Length, 1e-2, 0.0, "SI"},
    Unit{"mm", "mm", Dimension::Length, 1e-3, 0.0, "SI"},
    Unit{"km", "km", Dimension::Length, 1e3, 0.0, "SI"},
    Unit{"in", "in", Dimension::Length, kInch, 0.0, "exact"},
    Unit{"ft", "ft", Dimension::Length, 12.0 * kInch, 0.0, "exact"},
};

constexpr std::array kArea{
    Unit{"m2", "m²", Dimension::Area, 1.0, 0.0, "SI"},
    Unit{"cm2", "cm²", Dimension::Area, 1e-4, 0.0, "SI"},
    Unit{"mm2", "mm²", Dimension::Area, 1e-6, 0.0, "SI"},
};

constexpr std::array kVolume{
    Unit{"m3", "m³", Dimension::Volume, 1.0, 0.0, "SI"},
    Unit{"L", "L", Dimension::Volume, 1e-3, 0.0, "exact"},
    Unit{"mL", "mL", Dimension::Volume, 1e-6, 0.0, "exact"},
    Unit{"cm3", "cm³", Dimension::Volume, 1e-6, 0.0, "SI"},
};

constexpr std::array kMass{
    Unit{"kg", "kg", Dimension::Mass, 1.0, 0.0, "SI"},
    Unit{"g", "g", Dimension::Mass, 1e-3, 0.0, "SI"},
    Unit{"mg", "mg", Dimension::Mass, 1e-6, 0.0, "SI"},
};

constexpr std::array kTime{
    Unit{"s", "s", Dimension::Time, 1.0, 0.0, "SI"},
    Unit{"min", "min", Dimension::Time, 60.0, 0.0, "exact"},
    Unit{"h", "h", Dimension::Time, 3600.0, 0.0, "exact"},
};

constexpr std::array kPower{
    Unit{"W", "W", Dimension::Power, 1.0, 0.0, "SI"},
    Unit{"kW", "kW", Dimension::Power, 1e3, 0.0, "SI"},
};

constexpr std::array kPumpingSpeed{
    Unit{"m3/s", "m³/s", Dimension::PumpingSpeed, 1.0, 0.0, "SI"},
    Unit{"L/s", "L/s", Dimension::PumpingSpeed, 1e-3, 0.0, "exact"},
    Unit{"L/min", "L/min", Dimension::PumpingSpeed, 1e-3 / 60.0, 0.0, "exact"},
    Unit{"m3/h", "m³/h", Dimension::PumpingSpeed, 1.0 / 3600.0, 0.0, "exact"},
};

constexpr std::array kThermalConductance{
    Unit{"W/K", "W/K", Dimension::ThermalConductance, 1.0, 0.0, "SI"},
};

constexpr std::array kHeatCapacity{
    Unit{"J/K", "J/K", Dimension::HeatCapacity, 1.0, 0.0, "SI"},
};

constexpr std::array kFraction{
    Unit{"%", "%", Dimension::Fraction, 1e-2, 0.0, "exact"},
};

/// How a dimension is spoken of, an example of it, and its units.
struct DimensionWords {
    Text name;
    std::string_view example;
    std::span<const Unit> units;
};

const DimensionWords& wordsOf(Dimension dimension) {
    static const std::array all{
        DimensionWords{Text::tr("pressure"), "\"94.3 kPa\"", kPressure},
        DimensionWords{Text::tr("temperature"), "\"21.4 degC\"", kTemperature},
        DimensionWords{Text::tr("length"), "\"612 m\"", kLength},
        DimensionWords{Text::tr("surface"), "\"50 cm2\"", kArea},
        DimensionWords{Text::tr("volume"), "\"1.2 L\"", kVolume},
        DimensionWords{Text::tr("mass"), "\"450 g\"", kMass},
        DimensionWords{Text::tr("time"), "\"12 min\"", kTime},
        DimensionWords{Text::tr("power"), "\"300 W\"", kPower},
        DimensionWords{Text::tr("pumping speed"), "\"20 L/min\"", kPumpingSpeed},
        DimensionWords{Text::tr("thermal conductance"), "\"0.8 W/K\"", kThermalConductance},
        DimensionWords{Text::tr("heat capacity"), "\"150 J/K\"", kHeatCapacity},
        DimensionWords{Text::tr("fraction"), "\"45 %\"", kFraction},
    };
    return all[static_cast<std::size_t>(dimension)];
}

Text acceptedUnits(Dimension dimension) { return Text::list(unitsOf(dimension), &Unit::symbol); }

/// The real minus sign U+2212 as people paste it becomes the ASCII one.
std::string asciiMinus(std::string_view text) {
    static constexpr std::string_view kMinus = "\u2212";
    std::string out(text);
    for (auto at = out.find(kMinus); at != std::string::npos; at = out.find(kMinus))
        out.replace(at, kMinus.size(), "-");
    return out;
}

/// Reads a leading number; gives it and how many characters it took.
std::optional<std::pair<double, std::size_t>> leadingNumber(std::string_view text) {
    const std::size_t skip = !text.empty() && text.front() == '+' ? 1 : 0;
    double value = 0.0;
    const auto [end, error] = std::from_chars(text.data() + skip, text.data() + text.size(), value);
    if (error != std::errc{} || !std::isfinite(value)) return std::nullopt;
    return std::pair{value, static_cast<std::size_t>(end - text.data())};
}

} // namespace

std::string_view trimmed(std::string_view text) {
    const auto first = text.find_first_not_of(" \t\r\n");
    if (first == std::string_view::npos) return {};
    return text.substr(first, text.find_last_not_of(" \t\r\n") - first + 1);
}

std::span<const Dimension> allDimensions() {
    static constexpr std::array all{Dimension::Pressure,     Dimension::Temperature,
                                    Dimension::Length,       Dimension::Area,
                                    Dimension::Volume,       Dimension::Mass,
                                    Dimension::Time,         Dimension::Power,
                                    Dimension::PumpingSpeed, Dimension::ThermalConductance,
                                    Dimension::HeatCapacity, Dimension::Fraction};
    return all;
}

std::span<const Unit> unitsOf(Dimension dimension) { return wordsOf(dimension).units; }

Result<const Unit*> findUnit(std::string_view symbol, Dimension dimension) {
    for (const Unit& u : unitsOf(dimension))
        if (u.symbol == symbol || u.display == symbol) return &u;
    return fail(Failure::BadInput, Text::tr("'{}' is not a unit of {}; accepted: {}", shortened(symbol),
                                            wordsOf(dimension).name, acceptedUnits(dimension)));
}

const Unit* anyUnit(std::string_view symbol) {
    for (const auto dimension : allDimensions())
        for (const Unit& u : unitsOf(dimension))
            if (u.symbol == symbol || u.display == symbol) return &u;
    return nullptr;
}

const Unit& unit(std::string_view symbol) {
    for (const auto dimension : allDimensions())
        for (const Unit& u : unitsOf(dimension))
            if (u.symbol == symbol) return u;
    throw std::logic_error(fmt::format("no unit '{}'", symbol));
}

bool canBeReadTwoWays(std::string_view number, char separator) {
    const std::string clean = asciiMinus(trimmed(number));
    std::string_view digits = clean;
    if (digits.starts_with('-') || digits.starts_with('+')) digits.remove_prefix(1);
    constexpr std::size_t kGroup = 3;
    const std::size_t at = digits.find(separator);
    if (at == std::string_view::npos || at == 0 || at > kGroup || digits.size() != at + 1 + kGroup)
        return false;
    if (digits.front() == '0') return false; // no thousands begin so
    return std::ranges::all_of(
        digits, [&](const char& c) { return &c == digits.data() + at || (c >= '0' && c <= '9'); });
}

Result<double> parseNumber(std::string_view text) {
    const std::string clean = asciiMinus(trimmed(text));
    const auto number = leadingNumber(clean);
    if (!number || number->second != clean.size())
        return fail(Failure::BadInput,
                    Text::tr("'{}' is not a number; accepted: digits with '.' before the decimals, e.g. -0.7",
                             shortened(text)));
    return number->first;
}

Result<Measure> parseMeasure(std::string_view text, Dimension dimension) {
    const std::string clean = asciiMinus(trimmed(text));
    const auto example = wordsOf(dimension).example;
    const auto number = leadingNumber(clean);
    if (!number)
        return fail(Failure::BadInput,
                    Text::tr("'{}' does not begin with a number; a {} is written as \"VALUE UNIT\", e.g. {}",
                             shortened(text), wordsOf(dimension).name, example));
    const std::string_view symbol = trimmed(std::string_view(clean).substr(number->second));
    if (symbol.empty())
        return fail(
            Failure::BadInput,
            Text::tr("'{}' has no unit; a {} is written as \"VALUE UNIT\", e.g. {}; accepted units: {}",
                     shortened(text), wordsOf(dimension).name, example, acceptedUnits(dimension)));
    if (symbol.starts_with(','))
        return fail(Failure::BadInput,
                    Text::tr("'{}' has a comma; a {} is written with '.' before its decimals and nothing "
                             "between thousands, e.g. {}",
                             shortened(text), wordsOf(dimension).name, example));
    const auto found = findUnit(symbol, dimension);
    if (!found) return tl::unexpected(found.error());
    return Measure{number->first, *found};
}

Result<Pressure> parsePressure(std::string_view text) {
    const auto m = parseMeasure(text, Dimension::Pressure);
    if (!m) return tl::unexpected(m.error());
    if (!(m->si() > 0.0) || !std::isfinite(m->si()))
        return fail(Failure::BadInput,
                    Text::tr("'{}' is not an absolute pressure: it must be above zero", shortened(text)));
    return Pressure::fromPascal(m->si());
}

Result<GaugePressure> parseGaugePressure(std::string_view text) {
    return parseMeasure(text, Dimension::Pressure).map([](const Measure& m) {
        return GaugePressure::fromPascal(m.si());
    });
}

Result<PressureDifference> parsePressureDifference(std::string_view text) {
    return parseMeasure(text, Dimension::Pressure).map([](const Measure& m) {
        return PressureDifference::fromPascal(m.si());
    });
}

Result<Temperature> parseTemperature(std::string_view text) {
    const auto m = parseMeasure(text, Dimension::Temperature);
    if (!m) return tl::unexpected(m.error());
    if (!(m->si() > 0.0) || !std::isfinite(m->si()))
        return fail(Failure::BadInput,
                    Text::tr("'{}' is not above absolute zero (0 K, -273.15 degC)", shortened(text)));
    return Temperature::fromKelvin(m->si());
}

Result<TemperatureDifference> parseTemperatureDifference(std::string_view text) {
    return parseMeasure(text, Dimension::Temperature).map([](const Measure& m) {
        return TemperatureDifference::fromKelvin(m.number * m.unit->factor);
    });
}

Result<Length> parseLength(std::string_view text) {
    return parseMeasure(text, Dimension::Length).map([](const Measure& m) {
        return Length::fromMetre(m.si());
    });
}

std::string formatMeasure(double number, const Unit& unit) {
    return fmt::format("{} {}", number, unit.symbol);
}

} // namespace uttrin
