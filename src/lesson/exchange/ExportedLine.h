#pragma once

#include "notebook/Csv.h"
#include "notebook/Records.h"
#include "quantities/Units.h"

#include <cmath>
#include <optional>
#include <string>

namespace uttrin {

/// A line of an own export by the names of its columns; the first thing that cannot be read is kept.
class ExportedLine {
public:
    /// @param header, record  outlive this.
    ExportedLine(const CsvRecord& header, const CsvRecord& record) : m_header(header), m_record(record) {}

    [[nodiscard]] int number() const { return m_record.line; }
    [[nodiscard]] std::string text(std::string_view name) const {
        for (std::size_t i = 0; i < m_header.fields.size() && i < m_record.fields.size(); ++i)
            if (m_header.fields[i] == name) return textOfCsv(m_record.fields[i]);
        return {};
    }
    /// A number, or nothing where the cell is empty; what is no number is kept as the failure.
    [[nodiscard]] std::optional<double> value(std::string_view name) {
        const std::string cell = text(name);
        if (cell.empty()) return std::nullopt;
        const auto number = parseNumber(cell);
        if (!number) return refuse(name, number.error().message), std::nullopt;
        return *number;
    }
    /// A whole number of at most seven digits.
    [[nodiscard]] std::optional<int> whole(std::string_view name) {
        constexpr double kMost = 1e7;
        const auto number = value(name);
        if (!number) return std::nullopt;
        if (!(std::abs(*number) < kMost)) return refuse(name, Text::tr("at most {}", kMost)), std::nullopt;
        return static_cast<int>(*number);
    }
    /// A moment in milliseconds.
    [[nodiscard]] std::optional<Milliseconds> moment(std::string_view name) {
        constexpr double kFarthest = 1e14; // ms
        const auto number = value(name);
        if (!number) return std::nullopt;
        if (!(std::abs(*number) < kFarthest))
            return refuse(name, Text::tr("at most {}", kFarthest)), std::nullopt;
        return static_cast<Milliseconds>(*number);
    }
    template <typename E>
    void identified(std::string_view name, E& into) {
        const std::string cell = text(name);
        if (cell.empty()) return;
        const auto known = valueOf<E>(cell);
        if (known)
            into = *known;
        else
            refuse(name, known.error().message);
    }
    void flag(std::string_view name, bool& into) {
        const std::string cell = text(name);
        if (cell == "yes" || cell == "true")
            into = true;
        else if (cell == "no" || cell == "false")
            into = false;
        else if (!cell.empty())
            refuse(name, Text::tr("'{}' is neither yes nor no", shortened(cell)));
    }
    void refuse(std::string_view name, const Text& why) {
        if (!m_failure) m_failure = Text::tr("line {}, column '{}': {}", m_record.line, name, why);
    }
    [[nodiscard]] const std::optional<Text>& failure() const { return m_failure; }

private:
    const CsvRecord& m_header;
    const CsvRecord& m_record;
    std::optional<Text> m_failure;
};

} // namespace uttrin
