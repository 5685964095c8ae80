#pragma once

#include "quantities/Units.h"

#include <nlohmann/json_fwd.hpp>

#include <cstdint>
#include <limits>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// A JSON object being read, with its path for messages: "/vessels/flask/volume: '2 bar' …". The first
/// failure is kept; later reads do nothing. What a key is missing for stays as it was.
class JsonReader {
public:
    using Json = nlohmann::ordered_json;
    static constexpr double kAny = std::numeric_limits<double>::max();

    /// @param failure  where the first one goes; outlives the reader, as does the object.
    JsonReader(const Json& object, std::string path, std::optional<Failure>& failure);

    [[nodiscard]] bool has(const char* key) const;
    /// The object under a key; an empty one if there is none.
    [[nodiscard]] JsonReader child(const char* key) const;
    [[nodiscard]] const Json* at(const char* key) const;
    /// JSON pointer to what stands under a key; of the object itself with "".
    [[nodiscard]] std::string pointer(const char* key) const;
    /// The same for a message.
    [[nodiscard]] Text path(const char* key) const;
    [[nodiscard]] bool failed() const { return m_failure.has_value(); }

    void number(const char* key, double& into);
    void count(const char* key, int& into);
    /// Milliseconds since 1970-01-01 UTC.
    void moment(const char* key, std::int64_t& into);
    void flag(const char* key, bool& into);
    void string(const char* key, std::string& into);
    /// The list takes the place of what `into` holds; an empty one empties it.
    void strings(const char* key, std::vector<std::string>& into);
    /// A quantity "VALUE UNIT", in SI; with its bounds, both included.
    void measure(const char* key, double& into, Dimension dimension, double low = -kAny, double high = kAny);

    /// A text that `parse` turns into a value, e.g. "94.3 kPa" or an identifier.
    template <typename T, typename Parse>
    void parsed(const char* key, T& into, Parse parse) {
        std::string word;
        string(key, word);
        if (m_failure || !has(key)) return;
        auto value = parse(word);
        if (value)
            into = *value;
        else
            m_failure = Failure{Failure::BadInput, Text::set("{}: {}", path(key), value.error().message)};
    }

    void refuse(const char* key, const Text& accepted) const;
    /// The same of something deeper, by its JSON pointer.
    void refuseAt(const std::string& pointer, const Text& accepted) const;
    void require(const char* key, const Text& what) const;
    /// Refuses keys that nobody asked for, and names those accepted.
    void onlyKnown() const;

private:
    const Json& m_object;
    std::string m_path;
    std::optional<Failure>& m_failure;
    mutable std::set<std::string> m_asked;
};

/// A JSON pointer in a message; "the file" at the root.
[[nodiscard]] Text placeInFile(const std::string& pointer);

/// A quantity of this dimension between bounds in SI, or why it is none.
[[nodiscard]] Result<double> measureWithin(std::string_view text, Dimension dimension, double low,
                                           double high);

} // namespace uttrin
