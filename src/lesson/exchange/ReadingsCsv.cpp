#include "ReadingsCsv.h"

#include "ExportedReadings.h"
#include "json/JsonText.h"
#include "notebook/CsvColumns.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

namespace uttrin {
namespace {

/// The columns that a text has.
struct Layout {
    CsvQuantity temperature, first, second;
    PressureConvention convention = PressureConvention::GaugeNegative;
    std::optional<std::size_t> vigour, time, struck, judge;
    std::size_t width = 0;
    CsvNumbers numbers;
};

Result<Layout> layoutOf(const CsvRecord& record) {
    const CsvHeader header(record);
    Layout l;
    l.width = record.fields.size();
    const auto temperature = header.quantity("temperature", Dimension::Temperature);
    if (!temperature) return tl::unexpected(temperature.error());
    if (!*temperature)
        return fail(
            Failure::BadInput,
            Text::tr("no column 'temperature_UNIT' (for instance temperature_degC) in the first line"));
    l.temperature = **temperature;
    const std::pair<const char*, PressureConvention> kinds[] = {{"gauge", PressureConvention::GaugeNegative},
                                                                {"vacuum", PressureConvention::VacuumDepth},
                                                                {"absolute", PressureConvention::Absolute}};
    bool found = false;
    for (const auto& [name, convention] : kinds) {
        const auto column = header.quantity(name, Dimension::Pressure);
        if (!column) return tl::unexpected(column.error());
        if (!*column || found) continue;
        l.first = **column;
        l.convention = convention;
        found = true;
    }
    const auto left = header.quantity("left", Dimension::Length),
               right = header.quantity("right", Dimension::Length);
    if (!left) return tl::unexpected(left.error());
    if (!right) return tl::unexpected(right.error());
    if (!found && *left && *right) {
        if ((*left)->unit != (*right)->unit)
            return fail(
                Failure::BadInput,
                Text::tr("the columns left_… and right_… must have one unit: they are read on one ruler"));
        l.first = **left;
        l.second = **right;
        l.convention = PressureConvention::TwoArm;
        found = true;
    }
    if (!found)
        return fail(Failure::BadInput, Text::tr("no pressure column in the first line; accepted: gauge_UNIT, "
                                                "vacuum_UNIT, absolute_UNIT, or left_UNIT with right_UNIT"));
    l.vigour = header.plain("vigour");
    l.time = header.plain("time_s");
    l.struck = header.plain("struck");
    l.judge = header.plain("judge");
    return l;
}

Result<double> cell(const CsvRecord& record, CsvQuantity& column, const Layout& l, const Text& name) {
    if (column.index >= record.fields.size())
        return fail(Failure::BadInput, Text::tr("line {}: there is no {} (only {} fields)", record.line, name,
                                                record.fields.size()));
    const std::string& field = record.fields[column.index];
    const auto number = l.numbers.number(field);
    if (!number)
        return fail(Failure::BadInput, Text::tr("line {}: {} {}", record.line, name, number.error().message));
    column.decimals = std::max(column.decimals, std::min(l.numbers.decimals(field), 6));
    return *number;
}

Result<Reading> readingOf(const CsvRecord& record, Layout& l) {
    Reading r;
    if (record.fields.size() > l.width)
        return fail(Failure::BadInput, Text::tr("line {}: {} fields under {} columns; a decimal comma parts "
                                                "a number: write 60.5, or separate "
                                                "columns by ';'",
                                                record.line, record.fields.size(), l.width));
    const auto temperature = cell(record, l.temperature, l, Text::tr("temperature"));
    if (!temperature) return tl::unexpected(temperature.error());
    r.temperature = *temperature;
    if (!(l.temperature.unit->toSi(r.temperature) > 0.0))
        return fail(Failure::BadInput,
                    Text::tr("line {}: the temperature is below absolute zero", record.line));
    const auto first =
        cell(record, l.first, l,
             l.convention == PressureConvention::TwoArm ? Text::tr("left arm") : Text::tr("pressure"));
    if (!first) return tl::unexpected(first.error());
    r.first = *first;
    if (l.convention == PressureConvention::Absolute && !(r.first > 0.0))
        return fail(Failure::BadInput,
                    Text::tr("line {}: an absolute pressure must be above zero", record.line));
    if (l.convention == PressureConvention::TwoArm) {
        const auto second = cell(record, l.second, l, Text::tr("right arm"));
        if (!second) return tl::unexpected(second.error());
        r.second = *second;
    }
    if (const std::string vigour = csvTextAt(record, l.vigour); !vigour.empty()) {
        const auto v = l.numbers.number(vigour);
        if (!v || !(*v >= 1.0 && *v <= 5.0))
            return fail(Failure::BadInput, Text::tr("line {}: vigour '{}' is not a number from 1 to 5",
                                                    record.line, shortened(vigour)));
        r.vigour = static_cast<int>(*v);
    }
    if (const std::string time = csvTextAt(record, l.time); !time.empty()) {
        constexpr double kLongestSeconds = 1e8;
        const auto seconds = l.numbers.number(time);
        if (!seconds || !(std::abs(*seconds) < kLongestSeconds))
            return fail(Failure::BadInput, Text::tr("line {}: time_s '{}' is not a number of seconds",
                                                    record.line, shortened(time)));
        r.takenAt = static_cast<Milliseconds>(*seconds * 1000.0);
    }
    if (const std::string struck = csvTextAt(record, l.struck); !struck.empty()) r.struckReason = struck;
    r.judge = csvTextAt(record, l.judge);
    return r;
}

/// Instruments as the columns and their decimals imply them.
Plan impliedPlan(const Layout& l, const std::vector<Reading>& readings) {
    Plan plan;
    plan.title = "Imported readings";
    auto& gauge = plan.rig.gauge;
    gauge.name = l.convention == PressureConvention::TwoArm ? "U-tube" : "gauge";
    gauge.convention = l.convention;
    gauge.unit = std::string(l.first.unit->symbol);
    gauge.division = gauge.accuracy = std::pow(10.0, -std::max(l.first.decimals, l.second.decimals));
    if (l.convention == PressureConvention::TwoArm) {
        gauge.armSum = readings.front().first + *readings.front().second;
        if (!(gauge.armSum > 0.0))
            gauge.armSum = 1.0 / l.first.unit->factor; // a metre: only the drawing of targets uses it
    }
    plan.rig.thermometer.unit = std::string(l.temperature.unit->symbol);
    plan.rig.thermometer.division = plan.rig.thermometer.accuracy = std::pow(10.0, -l.temperature.decimals);
    return plan;
}

} // namespace

Result<ImportedReadings> readReadingsCsv(std::string_view text) {
    constexpr std::size_t kMostComplaints = 200;
    const auto records = parseCsv(text);
    if (records.empty())
        return fail(
            Failure::BadInput,
            Text::tr(
                "the file is empty; its first line must name the columns, e.g. temperature_degC,gauge_kPa"));
    if (isOwnExport(records.front())) return readOwnExport(records);
    auto layout = layoutOf(records.front());
    if (!layout) return tl::unexpected(layout.error());
    layout->numbers = CsvNumbers(text, records);
    ImportedReadings out;
    ImportedRun run;
    for (std::size_t i = 1; i < records.size(); ++i) {
        auto reading = readingOf(records[i], *layout);
        if (reading) {
            reading->position = static_cast<int>(run.readings.size()) + 1;
            run.readings.push_back(std::move(*reading));
        } else if (out.complaints.size() < kMostComplaints) {
            out.complaints.push_back(reading.error().message);
        }
    }
    if (run.readings.empty())
        return fail(Failure::BadInput,
                    out.complaints.empty()
                        ? Text::tr("there are no readings below the first line")
                        : Text::tr("no line can be read; the first: {}", out.complaints.front()));
    run.plan = impliedPlan(*layout, run.readings);
    out.runs.push_back(std::move(run));
    return out;
}

std::size_t ImportedReadings::count() const {
    std::size_t all = 0;
    for (const ImportedRun& run : runs)
        all += run.readings.size();
    return all;
}

Result<ImportedReadings> readReadingsJson(std::string_view text) {
    const auto document = parseJson(text);
    if (!document) return tl::unexpected(document.error().failure());
    const auto list = document->is_object() ? document->find("readings") : document->end();
    if (list == document->end() || !list->is_array() || list->empty())
        return fail(Failure::BadInput,
                    Text::tr("there are no 'readings' in this file; accepted: a lesson exported as JSON"));
    // As lines under the names of the first one's keys.
    std::vector<CsvRecord> records(1);
    for (const auto& item : list->front().items())
        records.front().fields.push_back(item.key());
    int line = 1;
    for (const auto& reading : *list) {
        CsvRecord& record = records.emplace_back();
        record.line = ++line;
        for (const std::string& name : records.front().fields) {
            const auto value = reading.is_object() ? reading.find(name) : reading.end();
            record.fields.push_back(value == reading.end() || value->is_null() ? std::string()
                                    : value->is_string() ? csvText(value->get<std::string>())
                                                         : value->dump());
        }
    }
    if (!isOwnExport(records.front()))
        return fail(Failure::BadInput, Text::tr("these readings are not those of a lesson exported as JSON"));
    return readOwnExport(records);
}

} // namespace uttrin
