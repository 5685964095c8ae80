#include "ReadingsCsv.h"

#include "ExportedReadings.h"
#include "json/JsonText.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

namespace uttrin {
namespace {

/// A quantity's column with its unit.
struct Column {
    std::size_t index = 0;
    const Unit* unit = nullptr;
    int decimals = 0; ///< most decimals seen, which tell the instrument's division
};

std::string lower(std::string_view s) {
    std::string out(s);
    std::transform(out.begin(), out.end(), out.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    const auto first = out.find_first_not_of(' ');
    return first == std::string::npos ? std::string()
                                      : out.substr(first, out.find_last_not_of(' ') - first + 1);
}

class Header {
public:
    explicit Header(const CsvRecord& record) : m_record(record) {}

    /// The column "name_UNIT"; empty if there is none, a failure if its unit is not known.
    [[nodiscard]] Result<std::optional<Column>> quantity(std::string_view name, Dimension dimension) const {
        for (std::size_t i = 0; i < m_record.fields.size(); ++i) {
            const std::string& field = m_record.fields[i];
            const auto at = field.find_first_not_of(' ');
            if (at == std::string::npos || lower(field).substr(0, name.size() + 1) != std::string(name) + "_")
                continue;
            const std::string symbol =
                field.substr(at + name.size() + 1, field.find_last_not_of(' ') - at - name.size());
            const auto unit = findUnit(symbol, dimension);
            if (!unit)
                return fail(Failure::BadInput, Text::tr("line {}, column '{}': {}", m_record.line,
                                                        shortened(field), unit.error().message));
            return std::optional(Column{i, *unit, 0});
        }
        return std::optional<Column>();
    }

    [[nodiscard]] std::optional<std::size_t> plain(std::string_view name) const {
        for (std::size_t i = 0; i < m_record.fields.size(); ++i)
            if (lower(m_record.fields[i]) == name) return i;
        return std::nullopt;
    }

private:
    const CsvRecord& m_record;
};

/// The columns that a text has.
struct Layout {
    Column temperature, first, second;
    PressureConvention convention = PressureConvention::GaugeNegative;
    std::optional<std::size_t> vigour, time, struck, judge;
    std::size_t width = 0;
    bool semicolons = false; ///< part the columns, so that a comma may stand in numbers
    bool commaSeen = false;  ///< before decimals, so that a point may part thousands
};

Result<Layout> layoutOf(const CsvRecord& record) {
    const Header header(record);
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

int decimalsOf(std::string_view number) {
    const auto point = number.find('.');
    return point == std::string_view::npos ? 0 : static_cast<int>(number.find_last_not_of(" \t") - point);
}

/// A number as the file writes it. One that can be read as thousands too is not taken for decimals.
Result<double> numberIn(std::string field, const Layout& l) {
    if ((l.semicolons && canBeReadTwoWays(field, ',')) || (l.commaSeen && canBeReadTwoWays(field, '.'))) {
        std::string whole = field;
        std::erase_if(whole, [](char c) { return c == ',' || c == '.'; });
        std::ranges::replace(field, '.', ',');
        return fail(Failure::BadInput,
                    Text::tr("can be read two ways: write {} or, with one more decimal, {}0", whole, field));
    }
    if (l.semicolons) std::ranges::replace(field, ',', '.');
    return parseNumber(field);
}

Result<double> cell(const CsvRecord& record, Column& column, const Layout& l, const Text& name) {
    if (column.index >= record.fields.size())
        return fail(Failure::BadInput, Text::tr("line {}: there is no {} (only {} fields)", record.line, name,
                                                record.fields.size()));
    std::string field = record.fields[column.index];
    const auto number = numberIn(field, l);
    if (!number)
        return fail(Failure::BadInput, Text::tr("line {}: {} {}", record.line, name, number.error().message));
    if (l.semicolons) std::ranges::replace(field, ',', '.');
    column.decimals = std::max(column.decimals, std::min(decimalsOf(field), 6));
    return *number;
}

std::string textAt(const CsvRecord& record, std::optional<std::size_t> index) {
    return index && *index < record.fields.size() ? textOfCsv(record.fields[*index]) : std::string();
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
    if (const std::string vigour = textAt(record, l.vigour); !vigour.empty()) {
        const auto v = numberIn(vigour, l);
        if (!v || !(*v >= 1.0 && *v <= 5.0))
            return fail(Failure::BadInput, Text::tr("line {}: vigour '{}' is not a number from 1 to 5",
                                                    record.line, shortened(vigour)));
        r.vigour = static_cast<int>(*v);
    }
    if (const std::string time = textAt(record, l.time); !time.empty()) {
        constexpr double kLongestSeconds = 1e8;
        const auto seconds = numberIn(time, l);
        if (!seconds || !(std::abs(*seconds) < kLongestSeconds))
            return fail(Failure::BadInput, Text::tr("line {}: time_s '{}' is not a number of seconds",
                                                    record.line, shortened(time)));
        r.takenAt = static_cast<Milliseconds>(*seconds * 1000.0);
    }
    if (const std::string struck = textAt(record, l.struck); !struck.empty()) r.struckReason = struck;
    r.judge = textAt(record, l.judge);
    return r;
}

/// Whether a comma stands before decimals somewhere: where no thousands can be meant.
bool hasDecimalComma(const std::vector<CsvRecord>& records) {
    const auto hasOne = [](const std::string& field) {
        std::string pointed = field;
        std::ranges::replace(pointed, ',', '.');
        return pointed != field && !canBeReadTwoWays(field, ',') && parseNumber(pointed).has_value();
    };
    return std::any_of(records.begin() + 1, records.end(),
                       [&](const CsvRecord& record) { return std::ranges::any_of(record.fields, hasOne); });
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
    layout->semicolons = separatorOfCsv(text) == ';';
    layout->commaSeen = layout->semicolons && hasDecimalComma(records);
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
