#include "SubstanceReader.h"

#include "json/JsonLines.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace uttrin {

SubstanceReader::SubstanceReader(std::string_view text, std::string file)
    : m_file(std::move(file)), m_lines(linesOfJson(text)) {}

void SubstanceReader::complain(const std::string& pointer, Text what) {
    std::string at = pointer;
    while (!m_lines.contains(at) && !at.empty())
        at.resize(at.rfind('/'));
    const auto found = m_lines.find(at);
    problems.push_back({m_file, found == m_lines.end() ? 0 : found->second, std::move(what)});
}

const SubstanceReader::Json* SubstanceReader::find(const Json& in, const std::string& at, const char* key,
                                                   bool needed) {
    if (in.is_object() && in.contains(key)) return &in[key];
    if (needed) complain(at, Text::tr("'{}' is missing", key));
    return nullptr;
}

double SubstanceReader::number(const Json& in, const std::string& at, const char* key, double low,
                               double high) {
    const Json* value = find(in, at, key);
    return value ? numberOf(*value, at + "/" + key, key, low, high) : std::nan("");
}

double SubstanceReader::numberOf(const Json& value, const std::string& at, std::string_view name, double low,
                                 double high) {
    if (!value.is_number()) {
        complain(at, Text::tr("'{}' must be a number", name));
        return std::nan("");
    }
    const auto v = value.get<double>();
    if (!(v >= low && v <= high))
        complain(at, low == kTiny ? Text::tr("'{}' must be above zero, not {}", name, v)
                                  : Text::tr("'{}' must lie from {:g} to {:g}, not {}", name, low, high, v));
    return v;
}

std::string SubstanceReader::text(const Json& in, const std::string& at, const char* key) {
    const Json* value = find(in, at, key);
    if (value && value->is_string() && !value->get<std::string>().empty()) return value->get<std::string>();
    if (value) complain(at + "/" + key, Text::tr("'{}' must be a text", key));
    return {};
}

std::vector<std::vector<double>> SubstanceReader::rows(const Json& in, const std::string& at, const char* key,
                                                       std::size_t width) {
    std::vector<std::vector<double>> result;
    const Json* value = find(in, at, key);
    if (!value) return result;
    const std::string here = at + "/" + key;
    if (!value->is_array() || value->empty()) {
        complain(here, Text::tr("'{}' must be a list of lists of {} numbers", key, width));
        return result;
    }
    for (std::size_t i = 0; i < value->size(); ++i) {
        const Json& row = (*value)[i];
        const std::string there = fmt::format("{}/{}", here, i);
        if (!row.is_array() || row.size() != width) {
            complain(there, Text::tr("each of '{}' must be {} numbers", key, width));
            continue;
        }
        result.emplace_back();
        for (std::size_t j = 0; j < width; ++j)
            result.back().push_back(numberOf(row[j], fmt::format("{}/{}", there, j), key));
    }
    return result;
}

std::vector<double> SubstanceReader::numbers(const Json& in, const std::string& at, const char* key) {
    std::vector<double> result;
    const Json* value = find(in, at, key);
    for (std::size_t i = 0; value && i < value->size(); ++i)
        result.push_back(numberOf((*value)[i], fmt::format("{}/{}/{}", at, key, i), key));
    if (value && result.empty()) complain(at + "/" + key, Text::tr("'{}' must be a list of numbers", key));
    return result;
}

std::vector<CurveTerm> SubstanceReader::terms(const Json& in, const std::string& at) {
    std::vector<CurveTerm> result;
    for (const auto& row : rows(in, at, "terms", 2))
        result.push_back({row[0], row[1]});
    return result;
}

std::pair<double, double> SubstanceReader::range(const Json& in, const std::string& at) {
    const Json* value = find(in, at, "range_k");
    if (!value) return {std::nan(""), std::nan("")};
    if (!value->is_array() || value->size() != 2 || !(*value)[0].is_number() || !(*value)[1].is_number() ||
        !((*value)[0].get<double>() > 0.0 && (*value)[0].get<double>() < (*value)[1].get<double>())) {
        complain(at + "/range_k", Text::tr("'range_k' must be two temperatures in K, the lower first"));
        return {std::nan(""), std::nan("")};
    }
    return {(*value)[0].get<double>(), (*value)[1].get<double>()};
}

} // namespace uttrin
