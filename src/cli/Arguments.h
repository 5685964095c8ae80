#pragma once

#include "quantities/Failure.h"

#include <nlohmann/json.hpp>

#include <optional>
#include <string>

namespace uttrin::cli {

using Json = nlohmann::ordered_json;

/// What a verb gives: values for --json, a text for people.
// NOLINTNEXTLINE(bugprone-exception-escape): the JSON that is moved is valid
struct Answer {
    Json json;
    std::string text;
};

/// Exit codes of the command line (cli.md): 2 bad input, 3 outside what the model covers, 1 failure of the
/// program.
[[nodiscard]] int exitCode(const Failure& failure);

/// Carries a failed Result out of a verb; caught in one place.
struct Refusal {
    Failure failure;
};

/// The value of a result, or the verb ends with its failure.
template <typename T>
T need(Result<T> result) {
    if (!result) throw Refusal{result.error()};
    return std::move(*result);
}
inline void need(const Result<void>& result) {
    if (!result) throw Refusal{result.error()};
}

/// Seconds as a plain number, or a time with its unit; SI. @throws Refusal for what is neither.
[[nodiscard]] double secondsFrom(const std::string& word);
/// The room's absolute pressure, Pa; nothing where no word was given. @throws Refusal for what is no
/// pressure.
[[nodiscard]] std::optional<double> roomPascalFrom(const std::string& word);

/// The whole of a file that a person named, within bounds. @throws Refusal if it cannot be read.
[[nodiscard]] std::string fileText(const std::string& path);

/// The arguments with every value that begins with a minus sign joined to its option ("--pressure -0.7"
/// becomes
/// "--pressure=-0.7"), so that it is not taken for an option.
[[nodiscard]] std::vector<std::string> withMinusValues(int argc, char** argv);

} // namespace uttrin::cli
