#include "SpokenBound.h"

#include "quantities/Units.h"

#include <algorithm>
#include <cctype>

namespace uttrin {
std::optional<SpokenBound> boundIn(const std::string& words) {
    static const std::pair<const char*, StampBound> kWords[] = {
        {"<", StampBound::Below},         {">", StampBound::Above},     {"≤", StampBound::Below},
        {"≥", StampBound::Above},         {"under", StampBound::Below}, {"below", StampBound::Below},
        {"less than", StampBound::Below}, {"over", StampBound::Above},  {"above", StampBound::Above},
        {"more than", StampBound::Above}};
    const std::string_view text = trimmed(words);
    for (const auto& [word, bound] : kWords) {
        const std::string_view w = word;
        if (text.size() < w.size() ||
            !std::equal(w.begin(), w.end(), text.begin(),
                        [](unsigned char a, unsigned char b) { return std::tolower(a) == std::tolower(b); }))
            continue;
        std::string rest(trimmed(text.substr(w.size())));
        for (const char* end : {"°C", "degC", "°"}) // it is a figure of the field's unit
            if (rest.ends_with(end))
                rest = trimmed(std::string_view(rest).substr(0, rest.size() - std::string_view(end).size()));
        std::ranges::replace(rest, ',', '.');
        if (const auto number = parseNumber(rest)) return SpokenBound{bound, *number};
    }
    return std::nullopt;
}

} // namespace uttrin
