#include "LiveDecoder.h"

#include <algorithm>
#include <bit>
#include <charconv>
#include <cmath>

namespace uttrin {
namespace {

bool isFigure(char c) { return c >= '0' && c <= '9'; }
bool isOfAWord(char c) { return isFigure(c) || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_'; }

constexpr std::string_view kMinus = "\xE2\x88\x92"; // U+2212

/// A number at the beginning of a text; how many bytes it takes, 0 for none.
std::size_t numberAt(std::string_view text, char decimal, FoundNumber& found) {
    std::string plain;
    int places = 0, power = 0;
    std::size_t at = 0;
    if (text.starts_with(kMinus)) {
        plain = "-";
        at = kMinus.size();
    } else if (!text.empty() && (text[0] == '-' || text[0] == '+')) {
        if (text[0] == '-') plain = "-";
        at = 1;
    }
    bool point = false, figures = false;
    for (; at < text.size(); ++at) {
        if (isFigure(text[at])) {
            plain += text[at];
            figures = true;
            if (point) ++places;
        } else if (text[at] == decimal && !point && at + 1 < text.size() && isFigure(text[at + 1])) {
            plain += '.';
            point = true;
        } else {
            break;
        }
    }
    if (!figures) return 0;
    if (at + 1 < text.size() && (text[at] == 'e' || text[at] == 'E')) {
        const bool sign = text[at + 1] == '-' || text[at + 1] == '+';
        const std::size_t first = at + (sign ? 2 : 1);
        std::size_t end = first;
        while (end < text.size() && isFigure(text[end]))
            ++end;
        if (end > first) {
            plain += 'e';
            if (text[at + 1] == '-') plain += '-';
            plain += text.substr(first, end - first);
            std::from_chars(text.data() + first, text.data() + end, power);
            if (text[at + 1] == '-') power = -power;
            at = end;
        }
    }
    const auto read = std::from_chars(plain.data(), plain.data() + plain.size(), found.value);
    if (read.ec != std::errc())
        found.value = std::numeric_limits<double>::quiet_NaN(); // too great for a number
    found.step = std::pow(10.0, static_cast<double>(power) - places);
    return at;
}

Result<double> siOf(double figure, double scale, double offset, const Unit& unit) {
    const double si = unit.toSi(figure * scale + offset);
    if (!std::isfinite(si))
        return fail(Failure::BadInput, Text::tr("its figure is too great to be a reading"));
    return si;
}

double stepOf(double figures, double scale, const Unit& unit) {
    const double si = std::abs(unit.toSi(figures * scale) - unit.toSi(0.0));
    return std::isfinite(si) ? si : 0.0;
}

} // namespace

std::vector<FoundNumber> findNumbers(std::string_view text, char decimal) {
    std::vector<FoundNumber> numbers;
    for (std::size_t at = 0; at < text.size();) {
        FoundNumber found;
        const bool free = at == 0 || !isOfAWord(text[at - 1]);
        const std::size_t taken = free ? numberAt(text.substr(at), decimal, found) : 0;
        if (taken > 0) {
            found.at = at;
            found.length = taken;
            numbers.push_back(found);
        }
        at += std::max<std::size_t>(taken, 1);
    }
    return numbers;
}

const Unit* unitBehind(std::string_view text, const FoundNumber& number) {
    constexpr std::string_view kSpace = " \t", kEnds = " \t\r\n,;:|";
    std::string_view word = text.substr(std::min(text.size(), number.at + number.length));
    word.remove_prefix(std::min(word.size(), word.find_first_not_of(kSpace)));
    word = word.substr(0, word.find_first_of(kEnds));
    if (word == "C") return &unit("degC");
    if (word == "F") return &unit("degF");
    for (const Dimension dimension : {Dimension::Pressure, Dimension::Temperature})
        if (const auto known = findUnit(word, dimension)) return *known;
    return nullptr;
}

std::vector<double> numbersIn(std::string_view text, char decimal) {
    std::vector<double> values;
    for (const FoundNumber& found : findNumbers(text, decimal))
        values.push_back(found.value);
    return values;
}

Result<LiveLine> decodeLine(const LiveProfile& profile, std::string_view line) {
    for (const std::string& word : profile.overrange)
        if (line.find(word) != std::string_view::npos)
            return fail(Failure::BadInput, Text::tr("out of its range: it shows '{}'", word));
    LiveLine found;
    for (const LiveValue& v : profile.values) {
        const auto begins = v.begins.empty() ? 0 : line.find(v.begins);
        if (begins == std::string_view::npos)
            return fail(Failure::BadInput, Text::tr("nothing in it begins with '{}'", v.begins));
        const auto numbers = findNumbers(line.substr(begins + v.begins.size()), profile.decimal);
        if (numbers.size() < static_cast<std::size_t>(v.number))
            return fail(Failure::BadInput,
                        Text::tr("it has {} {0|number|numbers}; the value wanted is number {}",
                                 numbers.size(), v.number));
        const FoundNumber& number = numbers[static_cast<std::size_t>(v.number) - 1];
        const auto si = siOf(number.value, v.scale, v.offset, *v.unit);
        if (!si) return tl::unexpected(si.error());
        found.readings.push_back({v.quantity, *si, stepOf(number.step, v.scale, *v.unit)});
    }
    if (profile.timeNumber) {
        constexpr double kLatest = 1e9; // s: some thirty years
        const auto numbers = numbersIn(line, profile.decimal);
        const auto place = static_cast<std::size_t>(*profile.timeNumber) - 1;
        if (numbers.size() <= place || !(std::abs(numbers[place]) <= kLatest))
            return fail(Failure::BadInput, Text::tr("it has no time"));
        found.seconds = numbers[place];
    }
    return found;
}

int registersOf(LiveRegister::Type type) {
    return type == LiveRegister::Type::Int32 || type == LiveRegister::Type::Float32 ? 2 : 1;
}

Result<HeardReading> decodeRegisters(const LiveRegister& v, std::span<const std::uint16_t> registers) {
    if (registers.size() < static_cast<std::size_t>(registersOf(v.type)))
        return fail(Failure::BadInput, Text::tr("it has too few registers"));
    const auto both = [&] {
        const std::uint32_t high = registers[v.lowWordFirst ? 1 : 0], low = registers[v.lowWordFirst ? 0 : 1];
        return high << 16 | low;
    };
    double figure = 0.0;
    switch (v.type) {
    case LiveRegister::Type::Int16:
        figure = static_cast<std::int16_t>(registers[0]);
        break;
    case LiveRegister::Type::Uint16:
        figure = registers[0];
        break;
    case LiveRegister::Type::Int32:
        figure = static_cast<std::int32_t>(both());
        break;
    case LiveRegister::Type::Float32:
        figure = std::bit_cast<float>(both());
        break;
    }
    if (!std::isfinite(figure)) return fail(Failure::BadInput, Text::tr("its registers hold no number"));
    const auto si = siOf(figure, v.scale, v.offset, *v.unit);
    if (!si) return tl::unexpected(si.error());
    const bool whole = v.type != LiveRegister::Type::Float32;
    return HeardReading{v.quantity, *si, whole ? stepOf(1.0, v.scale, *v.unit) : 0.0};
}

} // namespace uttrin
