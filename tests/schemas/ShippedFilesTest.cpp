#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <filesystem>
#include <fstream>
#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validation_results.hpp>
#include <valijson/validator.hpp>

namespace uttrin {
namespace {

namespace fs = std::filesystem;
using Json = nlohmann::json;
using Adapter = valijson::adapters::NlohmannJsonAdapter;

Json readJson(const fs::path& path) {
    std::ifstream file(path);
    return Json::parse(file);
}

/// What a document breaks of a schema, with the path to it; empty if nothing.
std::string complaints(const Json& schemaText, const Json& document) {
    valijson::Schema schema;
    valijson::SchemaParser().populateSchema(Adapter(schemaText), schema);
    valijson::ValidationResults results;
    std::string out;
    if (valijson::Validator().validate(schema, Adapter(document), &results)) return out;
    valijson::ValidationResults::Error error;
    while (results.popError(error)) {
        for (const std::string& step : error.context)
            out += step;
        out += ": " + error.description + "\n";
    }
    return out.empty() ? "refused" : out;
}

class ShippedFiles : public ::testing::TestWithParam<std::pair<const char*, const char*>> {};

TEST_P(ShippedFiles, KeepTheirSchema) {
    const fs::path folder = fs::path(DATA_DIR) / GetParam().first;
    const Json schema = readJson(folder / GetParam().second);
    int files = 0;
    for (const auto& entry : fs::directory_iterator(folder)) {
        const std::string name = entry.path().filename();
        if (entry.path().extension() != ".json" || name.ends_with(".schema.json")) continue;
        ++files;
        EXPECT_EQ(complaints(schema, readJson(entry.path())), "") << name;
    }
    EXPECT_GT(files, 4);
}

TEST_P(ShippedFiles, AWrongOneIsRefused) {
    const fs::path folder = fs::path(DATA_DIR) / GetParam().first;
    const Json schema = readJson(folder / GetParam().second);
    for (const Json& wrong : {Json::array(), Json{{"name", 7}}, Json::object()})
        EXPECT_NE(complaints(schema, wrong), "") << wrong;
}

INSTANTIATE_TEST_SUITE_P(Data, ShippedFiles,
                         ::testing::Values(std::pair{"substances", "substance.schema.json"},
                                           std::pair{"rigs", "rig.schema.json"},
                                           std::pair{"instruments-live", "profile.schema.json"}),
                         [](const auto& row) {
                             std::string name = row.param.first;
                             std::erase(name, '-');
                             return name;
                         });

} // namespace
} // namespace uttrin
