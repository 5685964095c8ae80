#include "SlipOfThePen.h"

#include "quantities/Rounding.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdlib>
#include <functional>
#include <string>

namespace uttrin {
namespace {

// Of so many other scales that a person may have read, each is as likely as the next.
constexpr double kOtherUnits = 6.0, kOtherScales = 2.0;

/// How usual each kind of slip is beside the others: a judgement. Only their order of size matters, since a
/// curve that fits decides between slips that are about as usual.
double usual(SlipKind kind) {
    switch (kind) {
    case SlipKind::Sign:
    case SlipKind::SwappedDigits:
    case SlipKind::TenFold:
    case SlipKind::ArmsSwapped:
        return 0.15;
    default:
        return 0.1;
    }
}

bool isDigit(char c) { return c >= '0' && c <= '9'; }

int decimalsOf(const std::string& number) {
    const auto point = number.find('.');
    return point == std::string::npos ? 0 : int(number.size() - point - 1);
}

/// Figures as a person would have typed them: with the decimals that the scale has, or more if they were
/// typed.
std::string figures(double value, int decimals) {
    const std::string shortest = fmt::format("{}", value);
    if (shortest.find('e') != std::string::npos) return fmt::format("{:.{}f}", value, decimals);
    return decimalsOf(shortest) >= decimals ? shortest : fmt::format("{:.{}f}", value, decimals);
}

/// Two neighbouring digits exchanged; the decimal point stays where it is.
std::vector<std::string> withNeighboursSwapped(const std::string& typed) {
    std::vector<std::string> all;
    for (std::size_t i = 0; i + 1 < typed.size(); ++i) {
        const std::size_t next = typed[i + 1] == '.' ? i + 2 : i + 1;
        if (next >= typed.size() || !isDigit(typed[i]) || typed[i] == typed[next]) continue;
        std::string other = typed;
        std::swap(other[i], other[next]);
        all.push_back(other);
    }
    return all;
}

/// A digit put in that was left out.
std::vector<std::string> withADigitMore(const std::string& typed, int decimals) {
    std::vector<std::string> all;
    const bool whole = typed.find('.') == std::string::npos;
    for (char digit = '0'; digit <= '9'; ++digit) {
        for (std::size_t at = 0; at <= typed.size(); ++at)
            all.push_back(std::string(typed).insert(at, 1, digit));
        if (whole) all.push_back(typed + '.' + digit);
    }
    std::erase_if(all, [&](const std::string& other) { return decimalsOf(other) > decimals; });
    return all;
}

/// A digit taken off that was typed twice.
std::vector<std::string> withADigitLess(const std::string& typed) {
    std::vector<std::string> all;
    for (std::size_t i = 0; i + 1 < typed.size(); ++i)
        if (isDigit(typed[i]) && typed[i] == typed[i + 1]) all.push_back(std::string(typed).erase(i, 1));
    return all;
}

/// What one number may have been before a slip of its figures.
struct Before {
    SlipKind kind;
    double meant;
    double chance; ///< that a slip of this kind, made in what was meant, gives just what was typed
};

/// How likely people are to write such a number of a scale that can be read in these steps.
double chanceOfReading(double number, double step) {
    const double steps = number / step;
    if (std::abs(steps - std::round(steps)) < 1e-6) return 1.0;
    return decimalsOf(figures(std::abs(number), 0)) <= decimalsForDivision(step) ? 0.1 : 0.001;
}

/// @param step  the smallest difference that can be read
std::vector<Before> beforeASlip(double value, double step) {
    std::vector<Before> all;
    const int decimals = decimalsForDivision(step);
    const double magnitude = std::abs(value), sign = value < 0.0 ? -1.0 : 1.0;
    const auto add = [&](SlipKind kind, double meant, double chance) {
        const bool known = std::ranges::any_of(
            all, [&](const Before& other) { return other.meant == sign * meant; }); // the first kind has it
        if (meant != magnitude && !known)
            all.push_back({kind, sign * meant, chance * chanceOfReading(meant, step)});
    };
    const auto addAll = [&](SlipKind kind, const std::vector<std::string>& texts) {
        for (const std::string& text : texts)
            add(kind, std::strtod(text.c_str(), nullptr), 1.0 / double(std::ranges::count_if(text, isDigit)));
    };
    constexpr double kOnePlace = 0.4, kTwoPlaces = 0.1;
    for (const auto& [factor, chance] : {std::pair(10.0, kOnePlace), std::pair(0.1, kOnePlace),
                                         std::pair(100.0, kTwoPlaces), std::pair(0.01, kTwoPlaces)})
        add(SlipKind::TenFold, std::strtod(fmt::format("{:.12g}", magnitude * factor).c_str(), nullptr),
            chance);
    addAll(SlipKind::SwappedDigits, withNeighboursSwapped(figures(magnitude, decimals)));
    addAll(SlipKind::DigitTwice, withADigitLess(figures(magnitude, 0)));
    addAll(SlipKind::DigitMissing, withADigitMore(figures(magnitude, 0), decimals));
    return all;
}

Text whatHappened(SlipKind kind, double typed, double meant) {
    switch (kind) {
    case SlipKind::SwappedDigits:
        return Text::tr("Two digits look swapped.");
    case SlipKind::DigitMissing:
        return Text::tr("A digit looks left out.");
    case SlipKind::DigitTwice:
        return Text::tr("A digit looks typed twice.");
    case SlipKind::TenFold: {
        const double factor = typed != 0.0 ? std::abs(meant / typed) : 1.0;
        if (factor > 50.0) return Text::tr("A hundred times too small, it seems.");
        if (factor > 1.0) return Text::tr("Ten times too small, it seems.");
        if (factor > 0.05) return Text::tr("Ten times too large, it seems.");
        return Text::tr("A hundred times too large, it seems.");
    }
    default:
        return {};
    }
}

class Collector {
public:
    explicit Collector(const CapturePair& pair) : m_pair(pair) {}

    void gauge(SlipKind kind, const GaugeReading& meant, const Text& why, double chance = 1.0) {
        if (!canShow(meant.first) || (meant.second && !canShow(*meant.second))) return;
        const Text shown = Text::set("{} {}", text(m_pair.gauge, meant), Text::typed(unitText(m_pair.gauge)));
        add({kind, false, meant, m_pair.temperatureReading, chance, {}, shown}, why);
    }

    void temperature(SlipKind kind, double meant, const Text& why, double chance = 1.0) {
        const double division = m_pair.thermometer.division;
        const int decimals = std::min(decimalsOf(figures(std::abs(meant), decimalsForDivision(division))),
                                      decimalsForDivision(division / 2.0));
        const Text shown =
            Text::set("{} {}", fixed(meant, decimals), Text::typed(readingUnit(m_pair.thermometer)));
        add({kind, true, m_pair.reading, meant, chance, {}, shown}, why);
    }

    std::vector<SlipOfThePen> all() { return std::move(m_all); }

private:
    /// Whether the dial has such a place; one whose ends are not known has any.
    [[nodiscard]] bool canShow(double value) const {
        const auto [low, high] = std::minmax(m_pair.gauge.spanLow, m_pair.gauge.spanHigh);
        const double step = m_pair.gauge.division;
        return low == high || (value >= low - step && value <= high + step);
    }

    void add(SlipOfThePen slip, const Text& why) {
        slip.sentence = Text::sentences({why, Text::tr("Did you mean {}?", slip.meant)});
        slip.weight *= usual(slip.kind);
        m_all.push_back(std::move(slip));
    }

    const CapturePair& m_pair;
    std::vector<SlipOfThePen> m_all;
};

/// Slips of an instrument with one number: its sign, its unit, what it counts from.
void addSlipsOfScale(const CapturePair& pair, Collector& to) {
    const PressureInstrument& gauge = pair.gauge;
    const double typed = pair.reading.first;
    const bool negative = gauge.convention == PressureConvention::GaugeNegative;
    if (typed != 0.0)
        to.gauge(SlipKind::Sign, {-typed, {}},
                 negative && typed > 0.0 ? Text::tr("The minus sign is missing.")
                                         : Text::tr("There is a minus sign too many."));
    const Unit& own = unit(gauge.unit);
    for (const std::string_view other : {"kPa", "mbar", "bar", "mmHg", "cmHg", "inHg", "psi"})
        if (std::abs(unit(other).factor / own.factor - 1.0) > 0.01)
            to.gauge(SlipKind::PressureUnit, {typed * unit(other).factor / own.factor, {}},
                     Text::tr("That looks like a reading in {}.", unit(other).display), 1.0 / kOtherUnits);
    if (!pair.room) return;
    const double room = pair.room->station.pascal() / own.factor, step = readableStep(gauge);
    const auto readable = [&](double value) { return std::round(value / step) * step; };
    if (countsFromRoom(gauge.convention)) {
        to.gauge(SlipKind::OtherZero, {readable(negative ? typed - room : room - typed), {}},
                 Text::tr("That looks like an absolute pressure; this gauge counts from the room."));
    } else {
        to.gauge(SlipKind::OtherZero, {readable(typed < 0.0 ? room + typed : room - typed), {}},
                 Text::tr("That looks counted from the room; this gauge counts from a perfect vacuum."));
    }
}

void addSlipsOfFigures(const CapturePair& pair, Collector& to) {
    const double step = readableStep(pair.gauge);
    for (const Before& b : beforeASlip(pair.reading.first, step))
        to.gauge(b.kind, {b.meant, pair.reading.second}, whatHappened(b.kind, pair.reading.first, b.meant),
                 b.chance);
    if (pair.reading.second)
        for (const Before& b : beforeASlip(*pair.reading.second, step))
            to.gauge(b.kind, {pair.reading.first, b.meant},
                     whatHappened(b.kind, *pair.reading.second, b.meant), b.chance);
}

void addSlipsOfTemperature(const CapturePair& pair, Collector& to) {
    const double typed = pair.temperatureReading;
    for (const Before& b : beforeASlip(typed, pair.thermometer.division / 2.0))
        to.temperature(b.kind, b.meant, whatHappened(b.kind, typed, b.meant), b.chance);
    if (readsOhms(pair.thermometer)) return;
    const Unit& scale = unit(pair.thermometer.unit);
    if (typed < 0.0 && scale.symbol != "K")
        to.temperature(SlipKind::Sign, -typed, Text::tr("There is a minus sign too many."));
    for (const std::string_view symbol : {"degC", "degF", "K"})
        if (const Unit& other = unit(symbol); other.symbol != scale.symbol)
            to.temperature(SlipKind::TemperatureUnit, scale.fromSi(other.toSi(typed)),
                           Text::tr("That looks like a temperature in {}.", other.display),
                           1.0 / kOtherScales);
}

} // namespace

std::vector<SlipOfThePen> slipsOfThePen(const CapturePair& pair) {
    Collector found(pair);
    if (pair.reading.second)
        found.gauge(
            SlipKind::ArmsSwapped, {*pair.reading.second, pair.reading.first},
            Text::tr("The arms look swapped: the arm towards the vessel stands above the other once it is "
                     "pumped."));
    else
        addSlipsOfScale(pair, found);
    addSlipsOfFigures(pair, found);
    addSlipsOfTemperature(pair, found);
    return found.all();
}

} // namespace uttrin
