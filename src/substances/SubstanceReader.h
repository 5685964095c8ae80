#pragma once

#include "SubstanceFile.h"
#include "physics/CurveTerm.h"

#include <nlohmann/json_fwd.hpp>

#include <limits>
#include <map>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace uttrin {

/// Reads the parts of a substance's file; whatever is wrong is noted with its line and reading goes on.
class SubstanceReader {
public:
    using Json = nlohmann::ordered_json;
    static constexpr double kAny = std::numeric_limits<double>::max();
    static constexpr double kTiny = std::numeric_limits<double>::min(); ///< as a lower bound: above zero

    SubstanceReader(std::string_view text, std::string file);

    std::vector<SubstanceProblem> problems;

    /// @param pointer  JSON pointer to what is wrong, or to what it is missing from.
    void complain(const std::string& pointer, Text what);
    const Json* find(const Json& in, const std::string& at, const char* key, bool needed = true);
    double number(const Json& in, const std::string& at, const char* key, double low = -kAny,
                  double high = kAny);
    double numberOf(const Json& value, const std::string& at, std::string_view name, double low = -kAny,
                    double high = kAny);
    std::string text(const Json& in, const std::string& at, const char* key);
    /// A list of lists of so many numbers.
    std::vector<std::vector<double>> rows(const Json& in, const std::string& at, const char* key,
                                          std::size_t width);
    std::vector<double> numbers(const Json& in, const std::string& at, const char* key);
    std::vector<CurveTerm> terms(const Json& in, const std::string& at);
    /// 'range_k': the lower temperature first.
    std::pair<double, double> range(const Json& in, const std::string& at);

private:
    std::string m_file;
    std::map<std::string, int> m_lines;
};

} // namespace uttrin
