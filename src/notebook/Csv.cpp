#include "Csv.h"

#include <algorithm>

namespace uttrin {
namespace {

constexpr std::string_view kByteOrderMark = "\xEF\xBB\xBF";

char separatorOf(std::string_view text) {
    const auto first = text.substr(0, text.find_first_of("\r\n"));
    return std::count(first.begin(), first.end(), ';') > std::count(first.begin(), first.end(), ',') ? ';'
                                                                                                     : ',';
}

/// Whether a text begins like a formula, behind any apostrophes.
bool beginsLikeAFormula(std::string_view text) {
    const auto first = text.find_first_not_of('\'');
    return first != std::string_view::npos &&
           std::string_view("=+-@\t\r").find(text[first]) != std::string_view::npos;
}

} // namespace

std::string csvText(const std::string& text) { return beginsLikeAFormula(text) ? "'" + text : text; }

std::string textOfCsv(std::string_view cell) {
    const bool marked = !cell.empty() && cell.front() == '\'' && beginsLikeAFormula(cell);
    return std::string(marked ? cell.substr(1) : cell);
}

char separatorOfCsv(std::string_view text) {
    if (text.substr(0, kByteOrderMark.size()) == kByteOrderMark) text.remove_prefix(kByteOrderMark.size());
    std::size_t start = 0; // that of the first line that is not a comment
    while (start < text.size() && text[start] == '#')
        start = std::min(text.size(), text.find('\n', start)) + 1;
    return separatorOf(text.substr(std::min(start, text.size())));
}

std::vector<CsvRecord> parseCsv(std::string_view text) {
    if (text.substr(0, kByteOrderMark.size()) == kByteOrderMark) text.remove_prefix(kByteOrderMark.size());
    const char separator = separatorOfCsv(text);

    std::vector<CsvRecord> records;
    CsvRecord record{1, {""}};
    int line = 1;
    bool quoted = false, firstWasQuoted = false;
    const auto finish = [&] {
        const bool empty =
            record.fields.size() == 1 && record.fields.front().find_first_not_of(" \t") == std::string::npos;
        if (!empty && (firstWasQuoted || !record.fields.front().starts_with('#')))
            records.push_back(std::move(record));
        record = {line, {""}};
        firstWasQuoted = false;
    };
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (c == '\n') ++line;
        std::string& field = record.fields.back();
        if (quoted) {
            if (c != '"')
                field += c;
            else if (i + 1 < text.size() && text[i + 1] == '"')
                field += text[++i];
            else
                quoted = false;
        } else if (c == '"' && field.empty()) {
            quoted = true;
            firstWasQuoted = firstWasQuoted || record.fields.size() == 1;
        } else if (c == separator) {
            record.fields.emplace_back();
        } else if (c == '\n') {
            finish();
        } else if (c != '\r') {
            field += c;
        }
    }
    finish();
    return records;
}

std::string csvLine(const std::vector<std::string>& fields) {
    std::string line;
    for (const std::string& field : fields) {
        if (&field != &fields.front()) line += ',';
        if (field.find_first_of(",;\"\r\n#") == std::string::npos) {
            line += field;
            continue;
        }
        line += '"';
        for (const char c : field)
            line += c == '"' ? std::string("\"\"") : std::string(1, c);
        line += '"';
    }
    return line + "\r\n";
}

} // namespace uttrin
