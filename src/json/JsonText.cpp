#include "JsonText.h"

#include "JsonLines.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace uttrin {
namespace {

/// How deep objects and lists stand within each other, strings passed over. Read before the parser is, since
/// what goes through a parsed document goes through it by recursion.
int depthOf(std::string_view text) {
    int depth = 0, deepest = 0;
    bool quoted = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            if (c == '\\')
                ++i;
            else if (c == '"')
                quoted = false;
        } else if (c == '"') {
            quoted = true;
        } else if (c == '{' || c == '[') {
            deepest = std::max(deepest, ++depth);
        } else if (c == '}' || c == ']') {
            --depth;
        }
    }
    return deepest;
}

} // namespace

Failure JsonProblem::failure() const {
    return {Failure::BadInput, line > 0 ? Text::tr("the file is not JSON: line {}: {}", line, what)
                                        : Text::tr("the file cannot be read: {}", what)};
}

tl::expected<nlohmann::ordered_json, JsonProblem> parseJson(std::string_view text) {
    if (text.size() > kMostJsonBytes)
        return tl::unexpected(
            JsonProblem{0, Text::tr("it is over {} MiB, the most that is read here", kMostJsonBytes >> 20)});
    if (depthOf(text) > kDeepestJson)
        return tl::unexpected(
            JsonProblem{0, Text::tr("more than {} objects and lists stand within each other", kDeepestJson)});
    try {
        return nlohmann::ordered_json::parse(text);
    } catch (const nlohmann::json::parse_error& e) {
        return tl::unexpected(JsonProblem{lineOfOffset(text, e.byte > 0 ? e.byte - 1 : 0),
                                          Text::tr("a comma, bracket or quote is wrong"), true});
    } catch (const nlohmann::json::out_of_range& e) {
        // "… number overflow parsing '1e999'": the number stands in the text as it stands there.
        const std::string what = e.what();
        const auto from = what.find('\''), to = what.rfind('\'');
        const auto at = from < to ? text.find(what.substr(from + 1, to - from - 1)) : std::string_view::npos;
        return tl::unexpected(JsonProblem{
            lineOfOffset(text, at == std::string_view::npos ? 0 : at),
            Text::tr("this number is larger than any computer’s; numbers up to 1e308 are accepted")});
    }
}

} // namespace uttrin
