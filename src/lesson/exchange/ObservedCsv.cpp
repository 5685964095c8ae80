#include "ObservedCsv.h"

#include "notebook/CsvColumns.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

struct ObservedLayout {
    std::size_t time = 0;
    CsvQuantity temperature;
    std::optional<std::size_t> bound, made;
    CsvNumbers numbers;
};

Result<ObservedLayout> layoutOf(std::string_view text, const std::vector<CsvRecord>& records) {
    const CsvHeader header(records.front());
    ObservedLayout l;
    const auto time = header.plain("time_s");
    const auto temperature = header.quantity("temperature", Dimension::Temperature);
    if (!temperature) return tl::unexpected(temperature.error());
    if (!time || !*temperature)
        return fail(Failure::BadInput,
                    Text::tr("no column '{}' in the first line; accepted: time_s,temperature_degC",
                             !time ? "time_s" : "temperature_UNIT"));
    l.time = *time;
    l.temperature = **temperature;
    l.bound = header.plain("bound");
    l.made = header.plain("made");
    l.numbers = CsvNumbers(text, records);
    return l;
}

Result<Observed::Reading> readingOf(const CsvRecord& record, const ObservedLayout& l, double seconds,
                                    double u) {
    Observed::Reading r;
    r.seconds = seconds;
    r.u = u;
    const auto number = l.numbers.number(csvTextAt(record, l.temperature.index));
    if (!number)
        return fail(Failure::BadInput,
                    Text::tr("line {}: temperature {}", record.line, number.error().message));
    r.kelvin = l.temperature.unit->toSi(*number);
    if (!(r.kelvin > 0.0))
        return fail(Failure::BadInput,
                    Text::tr("line {}: the temperature is below absolute zero", record.line));
    const std::string bound = csvTextAt(record, l.bound);
    if (!bound.empty() && bound != "<" && bound != ">" && bound != "=")
        return fail(Failure::BadInput, Text::tr("line {}: the bound '{}' is not known; accepted: <, >, =",
                                                record.line, shortened(bound)));
    r.kind = bound == "<"   ? Observed::Reading::AtMost
             : bound == ">" ? Observed::Reading::AtLeast
                            : Observed::Reading::Is;
    return r;
}

Result<int> moveCalled(const std::string& says, const std::vector<RigMove>& moves, int line) {
    const auto found = std::ranges::find(moves, says, &RigMove::says);
    if (found != moves.end()) return static_cast<int>(found - moves.begin());
    return fail(Failure::BadInput, Text::tr("line {}: this rig makes no move '{}'; accepted: {}", line,
                                            shortened(says), Text::list(moves, &RigMove::says)));
}

Result<void> readLine(const CsvRecord& record, const ObservedLayout& l, double u,
                      const std::vector<RigMove>& moves, Observed& into) {
    const auto seconds = l.numbers.number(csvTextAt(record, l.time));
    if (!seconds)
        return fail(Failure::BadInput, Text::tr("line {}: time {}", record.line, seconds.error().message));
    const std::string made = csvTextAt(record, l.made);
    if (!made.empty()) {
        const auto move = moveCalled(made, moves, record.line);
        if (!move) return tl::unexpected(move.error());
        into.moves.push_back({*move, *seconds});
        if (csvTextAt(record, l.temperature.index).empty()) return {};
    }
    auto reading = readingOf(record, l, *seconds, u);
    if (!reading) return tl::unexpected(reading.error());
    into.readings.push_back(*reading);
    return {};
}

} // namespace

Result<ObservedFile> readObservedCsv(std::string_view text, double u, const std::vector<RigMove>& moves) {
    constexpr std::size_t kMostComplaints = 200, kMostReadings = 10000;
    const auto records = parseCsv(text);
    if (records.empty())
        return fail(Failure::BadInput, Text::tr("the file is empty; its first line must name the columns: "
                                                "time_s,temperature_degC"));
    if (records.size() > kMostReadings)
        return fail(Failure::BadInput,
                    Text::tr("{} lines are too many; accepted: at most {}", records.size(), kMostReadings));
    const auto layout = layoutOf(text, records);
    if (!layout) return tl::unexpected(layout.error());
    ObservedFile file;
    for (std::size_t i = 1; i < records.size(); ++i)
        if (const auto read = readLine(records[i], *layout, u, moves, file.observed);
            !read && file.complaints.size() < kMostComplaints)
            file.complaints.push_back(read.error().message);
    if (file.observed.readings.empty() && file.observed.moves.empty())
        return fail(Failure::BadInput,
                    file.complaints.empty()
                        ? Text::tr("there are no readings below the first line")
                        : Text::tr("no line can be read; the first: {}", file.complaints.front()));
    std::ranges::stable_sort(file.observed.moves, {}, &Observed::Made::move);
    return file;
}

} // namespace uttrin
