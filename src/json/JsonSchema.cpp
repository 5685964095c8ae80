#include "JsonSchema.h"

#include "JsonLines.h"
#include "JsonReader.h"
#include "JsonText.h"

#include <nlohmann/json.hpp>

#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validation_results.hpp>
#include <valijson/validator.hpp>

namespace uttrin {
namespace {

using Adapter = valijson::adapters::NlohmannJsonAdapter;

/// "/vessels/flask/volume" of the steps "<root>", "[vessels]", "[flask]", "[volume]".
std::string pointerOf(const std::vector<std::string>& steps) {
    std::string pointer;
    for (const std::string& step : steps)
        if (step.size() > 2 && step.front() == '[') pointer += "/" + step.substr(1, step.size() - 2);
    return pointer;
}

} // namespace

Failure withLine(Failure failure, std::string_view text) {
    const std::string message = plain(failure.message);
    if (message.empty() || message.front() != '/') return failure;
    std::string pointer = message.substr(0, message.find(':'));
    const auto lines = linesOfJson(text);
    while (!lines.contains(pointer) && !pointer.empty())
        pointer.resize(pointer.rfind('/')); // what is missing is missing from what stands around it
    if (const auto line = lines.find(pointer); line != lines.end())
        failure.message = Text::tr("line {}, {}", line->second, failure.message);
    return failure;
}

Result<void> keepsSchema(std::string_view text, std::string_view schemaText) {
    const nlohmann::json document = nlohmann::json::parse(text), rules = nlohmann::json::parse(schemaText);
    valijson::Schema schema;
    valijson::SchemaParser().populateSchema(Adapter(rules), schema);
    valijson::ValidationResults results;
    if (valijson::Validator().validate(schema, Adapter(document), &results)) return {};
    // The last complaint is the deepest: those before it say only that something within is wrong.
    valijson::ValidationResults::Error error, deepest;
    while (results.popError(error))
        if (error.context.size() >= deepest.context.size()) deepest = error;
    return tl::unexpected(
        withLine(Failure{Failure::BadInput,
                         Text::set("{}: {}", placeInFile(pointerOf(deepest.context)), deepest.description)},
                 text));
}

} // namespace uttrin
