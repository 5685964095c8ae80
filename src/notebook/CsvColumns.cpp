#include "CsvColumns.h"

#include <algorithm>
#include <cctype>

namespace uttrin {
namespace {

std::string lower(std::string_view s) {
    std::string out(s);
    std::transform(out.begin(), out.end(), out.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    const auto first = out.find_first_not_of(' ');
    return first == std::string::npos ? std::string()
                                      : out.substr(first, out.find_last_not_of(' ') - first + 1);
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

} // namespace

Result<std::optional<CsvQuantity>> CsvHeader::quantity(std::string_view name, Dimension dimension) const {
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
        return std::optional(CsvQuantity{i, *unit, 0});
    }
    return std::optional<CsvQuantity>();
}

std::optional<std::size_t> CsvHeader::plain(std::string_view name) const {
    for (std::size_t i = 0; i < m_record.fields.size(); ++i)
        if (lower(m_record.fields[i]) == name) return i;
    return std::nullopt;
}

CsvNumbers::CsvNumbers(std::string_view text, const std::vector<CsvRecord>& records)
    : m_semicolons(separatorOfCsv(text) == ';'),
      m_commaSeen(m_semicolons && !records.empty() && hasDecimalComma(records)) {}

Result<double> CsvNumbers::number(std::string field) const {
    if ((m_semicolons && canBeReadTwoWays(field, ',')) || (m_commaSeen && canBeReadTwoWays(field, '.'))) {
        std::string whole = field;
        std::erase_if(whole, [](char c) { return c == ',' || c == '.'; });
        std::ranges::replace(field, '.', ',');
        return fail(Failure::BadInput,
                    Text::tr("can be read two ways: write {} or, with one more decimal, {}0", whole, field));
    }
    if (m_semicolons) std::ranges::replace(field, ',', '.');
    return parseNumber(field);
}

int CsvNumbers::decimals(std::string field) const {
    if (m_semicolons) std::ranges::replace(field, ',', '.');
    const auto point = field.find('.');
    return point == std::string::npos ? 0 : static_cast<int>(field.find_last_not_of(" \t") - point);
}

std::string csvTextAt(const CsvRecord& record, std::optional<std::size_t> index) {
    return index && *index < record.fields.size() ? textOfCsv(record.fields[*index]) : std::string();
}

} // namespace uttrin
