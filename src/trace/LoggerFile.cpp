#include "LoggerFile.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <chrono>
#include <cmath>
#include <limits>
#include <map>
#include <tuple>

namespace uttrin {
namespace {

using Cells = std::vector<std::string>;

constexpr std::size_t kLooked = 200; // lines, by which a layout is guessed
constexpr double kDay = 86400.0, kHour = 3600.0, kMinute = 60.0;

std::string cellText(std::string_view cell) {
    const auto first = cell.find_first_not_of(" \t\r\"");
    if (first == std::string_view::npos) return {};
    return std::string(cell.substr(first, cell.find_last_not_of(" \t\r\"") - first + 1));
}

std::vector<std::string_view> linesOf(std::string_view text) {
    constexpr std::string_view kMark = "\xEF\xBB\xBF";
    if (text.starts_with(kMark)) text.remove_prefix(kMark.size());
    std::vector<std::string_view> lines;
    while (!text.empty()) {
        const auto end = text.find('\n');
        std::string_view line = text.substr(0, end);
        if (!line.empty() && line.back() == '\r') line.remove_suffix(1);
        lines.push_back(line);
        text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
    }
    return lines;
}

Cells cellsOf(std::string_view line, char separator) {
    Cells cells;
    for (std::size_t from = 0; from <= line.size();) {
        const auto end = std::min(line.find(separator, from), line.size());
        cells.push_back(cellText(line.substr(from, end - from)));
        from = end + 1;
    }
    return cells;
}

/// A whole cell as a number with this decimal sign.
std::optional<double> numberIn(std::string cell, char decimal) {
    if (decimal != '.') {
        if (cell.find('.') != std::string::npos) return std::nullopt;
        std::ranges::replace(cell, decimal, '.');
    }
    const char* first = cell.data() + (cell.starts_with('+') ? 1 : 0);
    double value = 0.0;
    const auto read = std::from_chars(first, cell.data() + cell.size(), value);
    if (read.ec != std::errc() || read.ptr != cell.data() + cell.size() || !std::isfinite(value))
        return std::nullopt;
    return value;
}

/// The whole numbers of a cell and what parts them: "29.11.2026 10:31" gives 29 11 2026 10 31 and "..  :".
std::pair<std::vector<double>, std::string> figuresOf(const std::string& cell) {
    std::vector<double> figures;
    std::string between;
    bool inside = false;
    constexpr double kTen = 10.0;
    for (const char c : cell) {
        if (c >= '0' && c <= '9') {
            if (!inside) figures.push_back(0.0);
            figures.back() = kTen * figures.back() + (c - '0');
            inside = true;
        } else {
            between += c;
            inside = false;
        }
    }
    return {figures, between};
}

/// "10:31:05", "10:31:05.5", "10:31": s since midnight.
std::optional<double> clockIn(const std::string& cell) {
    const auto colon = cell.find(':');
    if (colon == std::string::npos) return std::nullopt;
    auto [f, between] = figuresOf(cell);
    if (!(between == ":" || between == "::" || between == "::." || between == "::,")) return std::nullopt;
    if (f.size() < 2 || f[0] >= kDay / kHour || f[1] >= kMinute || (f.size() > 2 && f[2] >= kMinute))
        return std::nullopt;
    double seconds = kHour * f[0] + kMinute * f[1] + (f.size() > 2 ? f[2] : 0.0);
    if (f.size() > 3) {
        const auto decimals = cell.size() - cell.find_last_of(".,") - 1;
        seconds += f[3] / std::pow(10.0, static_cast<double>(decimals));
    }
    return seconds;
}

/// A date and a time of day, s since some day long ago.
std::optional<double> dateIn(const std::string& cell) {
    const auto part = cell.find_first_of(" T");
    if (part == std::string::npos) return std::nullopt;
    const auto [f, between] = figuresOf(cell.substr(0, part));
    const auto clock = clockIn(cellText(cell.substr(part + 1)));
    if (f.size() != 3 || !clock) return std::nullopt;
    // The year first where it stands first; else the day, unless only a month can be there.
    constexpr double kFirstYear = 1000.0, kLastYear = 9999.0, kMonths = 12.0, kDays = 31.0;
    double year = f[0], month = f[1], day = f[2];
    if (between == ".." || (between == "//" && f[1] <= kMonths) || (between == "--" && f[0] < kFirstYear)) {
        year = f[2];
        day = f[0];
    } else if (between == "//") {
        year = f[2];
        month = f[0];
        day = f[1];
    }
    if (year < kFirstYear || year > kLastYear || month < 1.0 || month > kMonths || day < 1.0 || day > kDays)
        return std::nullopt;
    const std::chrono::year_month_day date{std::chrono::year(static_cast<int>(year)),
                                           std::chrono::month(static_cast<unsigned>(month)),
                                           std::chrono::day(static_cast<unsigned>(day))};
    if (!date.ok()) return std::nullopt;
    return kDay * static_cast<double>(std::chrono::sys_days(date).time_since_epoch().count()) + *clock;
}

bool isReading(const std::string& cell, char decimal) {
    return numberIn(cell, decimal) || clockIn(cell) || dateIn(cell);
}

/// How many cells of a line can be readings.
std::size_t readingsIn(const Cells& cells, char decimal) {
    return static_cast<std::size_t>(
        std::ranges::count_if(cells, [&](const std::string& c) { return isReading(c, decimal); }));
}

std::string lower(std::string text) {
    std::ranges::transform(text, text.begin(), [](char c) {
        return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    });
    return text;
}

/// The unit that a name ends in: in brackets, after an underscore, or as its last word.
const Unit* unitIn(const std::string& name) {
    const auto open = name.find_last_of("([");
    if (open != std::string::npos) {
        const auto close = name.find_first_of(")]", open);
        if (close != std::string::npos)
            if (const Unit* u = anyUnit(cellText(std::string_view(name).substr(open + 1, close - open - 1))))
                return u;
    }
    const auto last = name.find_last_of("_ /");
    const std::string word = last == std::string::npos ? name : name.substr(last + 1);
    if (word == "C") return &unit("degC");
    if (word == "F") return &unit("degF");
    return anyUnit(word);
}

bool anyOf(const std::string& name, std::initializer_list<std::string_view> words) {
    const std::string all = lower(name);
    return std::ranges::any_of(words,
                               [&](std::string_view word) { return all.find(word) != std::string::npos; });
}

LoggerColumn columnOf(const std::string& name, const std::string& below, const std::string& cell,
                      char decimal) {
    LoggerColumn c{name, LoggerMeaning::Ignored, unitIn(name)};
    if (!c.unit && !below.empty()) c.unit = unitIn(below);
    if (dateIn(cell)) {
        c.meaning = LoggerMeaning::Date;
    } else if (clockIn(cell)) {
        c.meaning = LoggerMeaning::Clock;
    } else if (numberIn(cell, decimal) && c.unit) {
        if (c.unit->dimension == Dimension::Time) c.meaning = LoggerMeaning::Elapsed;
        if (c.unit->dimension == Dimension::Temperature) c.meaning = LoggerMeaning::Temperature;
        if (c.unit->dimension == Dimension::Pressure)
            c.meaning = anyOf(name, {"gauge", "relative", "vacuum"}) ? LoggerMeaning::GaugePressure
                                                                     : LoggerMeaning::AbsolutePressure;
    } else if (numberIn(cell, decimal) && anyOf(name, {"time", "elapsed", "second"})) {
        c.meaning = LoggerMeaning::Elapsed;
        c.unit = &unit("s");
    }
    return c;
}

struct Guess {
    char separator = ',', decimal = '.';
    std::size_t first = 0;                         ///< line of the first reading
    std::size_t columns = 0, lines = 0, whole = 0; ///< whole: lines in which all cells are readings
};

/// How well a separator and a decimal sign make readings of the lines.
Guess guessWith(const std::vector<std::string_view>& lines, char separator, char decimal) {
    Guess g{separator, decimal, lines.size(), 0, 0, 0};
    std::map<std::size_t, std::size_t> wide; // lines by how many cells they have
    for (std::size_t i = 0; i < std::min(lines.size(), kLooked); ++i) {
        const Cells cells = cellsOf(lines[i], separator);
        const std::size_t readings = readingsIn(cells, decimal);
        if (readings < 2) continue; // a time and a figure
        g.whole +=
            readings + static_cast<std::size_t>(std::ranges::count(cells, std::string())) == cells.size()
                ? 1U
                : 0U;
        g.first = std::min(g.first, i);
        ++wide[cells.size()];
    }
    for (const auto& [columns, count] : wide)
        if (count > g.lines) {
            g.columns = columns;
            g.lines = count;
        }
    return g;
}

std::optional<double> timeOf(const LoggerColumn& c, const std::string& cell, char decimal) {
    if (c.meaning == LoggerMeaning::Date) return dateIn(cell);
    if (c.meaning == LoggerMeaning::Clock) return clockIn(cell);
    const auto number = numberIn(cell, decimal);
    return number && c.unit ? std::optional(c.unit->toSi(*number)) : std::nullopt;
}

bool isTime(const LoggerColumn& c) {
    return c.meaning == LoggerMeaning::Elapsed || c.meaning == LoggerMeaning::Clock ||
           c.meaning == LoggerMeaning::Date;
}

int decimalsOf(const std::string& cell, char decimal) {
    const auto point = cell.find(decimal);
    return point == std::string::npos ? 0 : static_cast<int>(cell.size() - point - 1);
}

void add(TraceChannel& channel, double seconds, const LoggerColumn& c, const std::string& cell, char decimal,
         double above) {
    const auto number = numberIn(cell, decimal);
    if (!number || (!channel.empty() && seconds <= channel.seconds.back())) return;
    channel.seconds.push_back(seconds);
    channel.values.push_back(above + c.unit->toSi(*number));
    const double step =
        std::abs(c.unit->toSi(std::pow(10.0, -decimalsOf(cell, decimal))) - c.unit->toSi(0.0));
    channel.step = channel.step > 0.0 ? std::min(channel.step, step) : step;
}

} // namespace

Result<LoggerLayout> guessLayout(std::string_view text) {
    const auto lines = linesOf(text);
    Guess best;
    for (const char separator : {';', '\t', ',', ' '})
        for (const char decimal : {'.', ','}) {
            if (separator == decimal) continue;
            const Guess g = guessWith(lines, separator, decimal);
            // That makes readings of the most, wholly first; then the one with more columns.
            if (std::tuple(g.whole, g.lines, g.columns) > std::tuple(best.whole, best.lines, best.columns))
                best = g;
        }
    if (best.lines == 0)
        return fail(Failure::BadInput,
                    Text::tr("nothing in it looks like readings; accepted: lines of a time and at least "
                             "one figure, parted by semicolons, tabs, commas or blanks"));
    LoggerLayout layout{best.separator, best.decimal, static_cast<int>(best.first), {}};
    const auto header = [&](std::size_t up) {
        return best.first >= up ? cellsOf(lines[best.first - up], best.separator) : Cells();
    };
    // A line of units may stand under the names.
    Cells names = header(1), below;
    if (Cells above = header(2);
        above.size() == names.size() &&
        std::ranges::none_of(names, [](const std::string& n) { return n.size() > 12; }) &&
        std::ranges::any_of(names, [](const std::string& n) { return unitIn(n) != nullptr; }) &&
        std::ranges::none_of(above, [](const std::string& n) { return unitIn(n) != nullptr; })) {
        below = names;
        names = above;
    }
    const Cells cells = cellsOf(lines[best.first], best.separator);
    for (std::size_t i = 0; i < cells.size(); ++i)
        layout.columns.push_back(columnOf(i < names.size() ? names[i] : std::string(),
                                          i < below.size() ? below[i] : std::string(), cells[i],
                                          best.decimal));
    return layout;
}

Result<LoggerTrace> readLogger(std::string_view text, const LoggerLayout& layout,
                               std::optional<double> roomPascal) {
    const auto time = std::ranges::find_if(layout.columns, isTime);
    if (time == layout.columns.end())
        return fail(Failure::BadInput,
                    Text::tr("no column of it is a time; accepted: seconds, minutes or hours by their "
                             "unit, a clock or a date"));
    const auto has = [&](LoggerMeaning m) {
        return std::ranges::find(layout.columns, m, &LoggerColumn::meaning) != layout.columns.end();
    };
    if (!has(LoggerMeaning::AbsolutePressure) && !has(LoggerMeaning::GaugePressure) &&
        !has(LoggerMeaning::Temperature))
        return fail(Failure::BadInput,
                    Text::tr("no column of it is a pressure or a temperature by its unit"));
    if (has(LoggerMeaning::GaugePressure) && !roomPascal)
        return fail(Failure::Unreferenced,
                    Text::tr("its pressures count from the room’s pressure, which is not known"));
    const auto lines = linesOf(text);
    LoggerTrace read;
    std::optional<double> first, last;
    double days = 0.0;
    for (std::size_t i = static_cast<std::size_t>(std::max(layout.headerLines, 0)); i < lines.size(); ++i) {
        const Cells cells = cellsOf(lines[i], layout.separator);
        const auto place = static_cast<std::size_t>(time - layout.columns.begin());
        const auto at = place < cells.size() ? timeOf(*time, cells[place], layout.decimal) : std::nullopt;
        if (!at || !std::isfinite(*at)) {
            read.unread += cellText(lines[i]).empty() ? 0U : 1U;
            continue;
        }
        double seconds = *at + days;
        if (time->meaning == LoggerMeaning::Clock && last && seconds < *last - kDay / 2.0) {
            days += kDay;
            seconds += kDay;
        }
        if (last && seconds <= *last) {
            ++read.unread;
            continue;
        }
        last = seconds;
        if (!first) first = seconds;
        for (std::size_t k = 0; k < std::min(cells.size(), layout.columns.size()); ++k) {
            const LoggerColumn& c = layout.columns[k];
            if (c.meaning == LoggerMeaning::Temperature)
                add(read.trace.kelvin, seconds - *first, c, cells[k], layout.decimal, 0.0);
            else if (c.meaning == LoggerMeaning::AbsolutePressure ||
                     c.meaning == LoggerMeaning::GaugePressure)
                add(read.trace.pascal, seconds - *first, c, cells[k], layout.decimal,
                    c.meaning == LoggerMeaning::GaugePressure ? *roomPascal : 0.0);
        }
    }
    if (read.trace.pascal.empty() && read.trace.kelvin.empty())
        return fail(Failure::BadInput, Text::tr("none of its lines can be read with these columns"));
    return read;
}

} // namespace uttrin
