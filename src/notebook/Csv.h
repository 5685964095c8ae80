#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// One record of a CSV text, with the line on which it begins.
struct CsvRecord {
    int line = 0;
    std::vector<std::string> fields;
};

/// The separator of a text: comma, or semicolon where its first record has more of them.
[[nodiscard]] char separatorOfCsv(std::string_view text);

/// Splits RFC 4180 text: comma or semicolon (whichever the first record has more of), quoted fields, any line
/// ends, an optional byte-order mark. Empty lines and lines that begin with an unquoted '#'
/// are passed over. Never fails:
/// an unclosed quote ends with the text.
[[nodiscard]] std::vector<CsvRecord> parseCsv(std::string_view text);

/// One line of CSV with its end, fields quoted where they must be.
[[nodiscard]] std::string csvLine(const std::vector<std::string>& fields);

/// A text as a cell that no spreadsheet takes for a formula: what begins like one gets an apostrophe before
/// it.
[[nodiscard]] std::string csvText(const std::string& text);

/// The text of a cell that `csvText` wrote.
[[nodiscard]] std::string textOfCsv(std::string_view cell);

} // namespace uttrin
