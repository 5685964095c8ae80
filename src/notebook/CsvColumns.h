#pragma once

#include "Csv.h"
#include "quantities/Units.h"

#include <optional>

namespace uttrin {

/// A quantity's column with its unit.
struct CsvQuantity {
    std::size_t index = 0;
    const Unit* unit = nullptr;
    int decimals = 0; ///< most decimals seen, which tell the instrument's division
};

/// The first line of a CSV text, whose names carry units: `temperature_degC`.
class CsvHeader {
public:
    /// @param record  outlives this.
    explicit CsvHeader(const CsvRecord& record) : m_record(record) {}

    /// The column "name_UNIT"; empty if there is none, a failure if its unit is not known.
    [[nodiscard]] Result<std::optional<CsvQuantity>> quantity(std::string_view name,
                                                              Dimension dimension) const;
    /// The place of a column by its whole name.
    [[nodiscard]] std::optional<std::size_t> plain(std::string_view name) const;

private:
    const CsvRecord& m_record;
};

/// How numbers are written in a CSV text: where semicolons part the columns, a comma may stand in them.
class CsvNumbers {
public:
    CsvNumbers() = default;
    /// @param records  of the text, its header first.
    CsvNumbers(std::string_view text, const std::vector<CsvRecord>& records);

    /// A number as the file writes it. BadInput where it is none, or can be read as thousands too.
    [[nodiscard]] Result<double> number(std::string field) const;
    /// So many decimals a number is written with.
    [[nodiscard]] int decimals(std::string field) const;

private:
    bool m_semicolons = false; ///< part the columns
    bool m_commaSeen = false;  ///< before decimals, so that a point may part thousands
};

/// The text in a record's place; empty if there is none.
[[nodiscard]] std::string csvTextAt(const CsvRecord& record, std::optional<std::size_t> index);

} // namespace uttrin
