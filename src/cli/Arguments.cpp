#include "Arguments.h"

#include "files/WholeFile.h"
#include "quantities/Units.h"

namespace uttrin::cli {

int exitCode(const Failure& failure) {
    switch (failure.kind) {
    case Failure::OutOfRange:
        return 3;
    case Failure::Storage:
        return 1;
    case Failure::BadInput:
    case Failure::TooFewPoints:
    case Failure::Unreferenced:
        return 2;
    }
    return 1;
}

double secondsFrom(const std::string& word) {
    const auto plainNumber = parseNumber(word);
    return plainNumber ? *plainNumber : need(parseMeasure(word, Dimension::Time)).si();
}

std::optional<double> roomPascalFrom(const std::string& word) {
    return word.empty() ? std::nullopt : std::optional(need(parsePressure(word)).pascal());
}

std::string fileText(const std::string& path) {
    constexpr std::size_t kMostBytes = 64 * kMebibyte;
    auto text = readWholeFile(path, kMostBytes);
    if (!text) throw Refusal{{Failure::BadInput, text.error().message}};
    return std::move(*text);
}

std::vector<std::string> withMinusValues(int argc, char** argv) {
    const auto isValue = [](std::string_view s) {
        static constexpr std::string_view kMinus = "\u2212";
        const bool ascii =
            s.size() > 1 && s[0] == '-' && (std::isdigit(static_cast<unsigned char>(s[1])) || s[1] == '.');
        return ascii || s.substr(0, kMinus.size()) == kMinus;
    };
    std::vector<std::string> out;
    for (int i = 1; i < argc; ++i) {
        const std::string word = argv[i];
        const bool afterOption =
            !out.empty() && out.back().substr(0, 2) == "--" && out.back().find('=') == std::string::npos;
        if (isValue(word) && afterOption)
            out.back() += "=" + word;
        else
            out.push_back(isValue(word) ? "\u2212" + word.substr(word[0] == '-' ? 1 : 3) : word);
    }
    return out;
}

} // namespace uttrin::cli
