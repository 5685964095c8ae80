#include "TraceCsv.h"

#include "notebook/CsvColumns.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace uttrin {
namespace {

/// A column on its way into a channel.
struct Column {
    CsvQuantity quantity;
    TraceChannel channel;
    int decimals = 0;
};

Result<std::optional<Column>> columnCalled(const CsvHeader& header, std::string_view name,
                                           Dimension dimension) {
    return header.quantity(name, dimension).map([](const std::optional<CsvQuantity>& found) {
        return found ? std::optional(Column{*found, {}, 0}) : std::nullopt;
    });
}

Result<std::optional<double>> cellOf(const CsvRecord& record, const CsvQuantity& quantity,
                                     const CsvNumbers& numbers) {
    const std::string cell = csvTextAt(record, quantity.index);
    if (cell.empty()) return std::optional<double>();
    const auto number = numbers.number(cell);
    if (!number) return fail(Failure::BadInput, Text::tr("line {}: {}", record.line, number.error().message));
    const double si = quantity.unit->toSi(*number);
    if (!std::isfinite(si))
        return fail(Failure::BadInput,
                    Text::tr("line {}: '{}' is no number that can be used", record.line, cell));
    return std::optional(si);
}

/// Takes a cell into a channel; one that is empty is passed over.
Result<void> take(Column& column, double seconds, const CsvRecord& record, const CsvNumbers& numbers) {
    const auto si = cellOf(record, column.quantity, numbers);
    if (!si) return tl::unexpected(si.error());
    if (!*si) return {};
    column.decimals = std::max(column.decimals, numbers.decimals(csvTextAt(record, column.quantity.index)));
    column.channel.seconds.push_back(seconds);
    column.channel.values.push_back(**si);
    return {};
}

TraceChannel finished(std::optional<Column>&& column) {
    if (!column) return {};
    const Unit& unit = *column->quantity.unit;
    column->channel.step = std::abs(unit.toSi(std::pow(10.0, -column->decimals)) - unit.toSi(0.0));
    return std::move(column->channel);
}

} // namespace

Result<Trace> readTraceCsv(std::string_view text) {
    const auto records = parseCsv(text);
    if (records.size() < 2)
        return fail(Failure::BadInput, Text::tr("a trace needs a header and lines of readings"));
    const CsvHeader header(records.front());
    const auto time = header.quantity("time", Dimension::Time);
    auto pressure = columnCalled(header, "absolute", Dimension::Pressure);
    auto temperature = columnCalled(header, "temperature", Dimension::Temperature);
    if (!time) return tl::unexpected(time.error());
    if (!pressure) return tl::unexpected(pressure.error());
    if (!temperature) return tl::unexpected(temperature.error());
    if (!*time)
        return fail(Failure::BadInput,
                    Text::tr("no column of times; accepted: one called time_s, time_min or time_h"));
    if (!*pressure && !*temperature)
        return fail(Failure::BadInput,
                    Text::tr("no column of readings; accepted: absolute_kPa and temperature_degC, or "
                             "others with their units"));
    const CsvNumbers numbers(text, records);
    std::optional<double> last;
    for (std::size_t i = 1; i < records.size(); ++i) {
        const auto seconds = cellOf(records[i], **time, numbers);
        if (!seconds) return tl::unexpected(seconds.error());
        if (!*seconds) return fail(Failure::BadInput, Text::tr("line {}: it has no time", records[i].line));
        if (last && **seconds <= *last)
            return fail(Failure::BadInput,
                        Text::tr("line {}: its time does not lie after the one before it", records[i].line));
        last = **seconds;
        for (auto* column : {&*pressure, &*temperature})
            if (*column)
                if (const auto taken = take(**column, *last, records[i], numbers); !taken)
                    return tl::unexpected(taken.error());
    }
    return Trace{finished(std::move(*pressure)), finished(std::move(*temperature))};
}

std::string writeTraceCsv(const Trace& trace) {
    std::string text = csvLine({"time_s", "absolute_Pa", "temperature_K"});
    const auto& [pascal, kelvin] = trace;
    std::size_t p = 0, k = 0;
    while (p < pascal.size() || k < kelvin.size()) {
        const double inf = std::numeric_limits<double>::infinity();
        const double nextP = p < pascal.size() ? pascal.seconds[p] : inf,
                     nextK = k < kelvin.size() ? kelvin.seconds[k] : inf;
        const double now = std::min(nextP, nextK);
        text += csvLine({fmt::format("{}", now),
                         nextP == now ? fmt::format("{}", pascal.values[p]) : std::string(),
                         nextK == now ? fmt::format("{}", kelvin.values[k]) : std::string()});
        if (nextP == now) ++p;
        if (nextK == now) ++k;
    }
    return text;
}

} // namespace uttrin
