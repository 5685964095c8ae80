#include "KeptTogether.h"

#include "Units.h"

#include <algorithm>
#include <array>

namespace uttrin {
namespace {

constexpr std::string_view kNoBreak = "\u00A0", kJoiner = "\u2060", kPlusMinus = "±", kArms = "|";

/// What is counted and has no place in the table of units.
constexpr std::array<std::string_view, 6> kOthers = {"J", "kJ", "mol", "Hz", "V", "px"};

bool isUnit(std::string_view symbol) {
    if (std::ranges::find(kOthers, symbol) != kOthers.end()) return true;
    return anyUnit(symbol) != nullptr;
}

/// A word without the marks of a sentence around it.
std::string_view bare(std::string_view word) {
    constexpr std::string_view kMarks = ".,;:!?()[]\"";
    while (!word.empty() && kMarks.find(word.front()) != std::string_view::npos)
        word.remove_prefix(1);
    while (!word.empty() && kMarks.find(word.back()) != std::string_view::npos)
        word.remove_suffix(1);
    return word;
}

/// A unit, or a quotient that begins with one: "kJ/mol", "K/div".
bool beginsWithUnit(std::string_view word) {
    word = bare(word);
    return isUnit(word) || isUnit(word.substr(0, word.find('/')));
}

bool endsInDigit(std::string_view word) { return !word.empty() && word.back() >= '0' && word.back() <= '9'; }

bool startsWithNumber(std::string_view word) {
    word = bare(word);
    return !word.empty() && word.front() >= '0' && word.front() <= '9';
}

bool staysTogether(std::string_view left, std::string_view right) {
    if (left.ends_with(kPlusMinus) || right == kPlusMinus) return true;
    if (left == kArms) return startsWithNumber(right);
    if (right == kArms) return endsInDigit(left);
    return endsInDigit(left) && beginsWithUnit(right);
}

std::string joined(std::string_view word) {
    const auto slash = word.find('/');
    std::string out(word);
    if (slash == std::string_view::npos || slash + 1 == word.size()) return out;
    const char next = word[slash + 1];
    const bool letter = (next >= 'a' && next <= 'z') || (next >= 'A' && next <= 'Z');
    if (letter && beginsWithUnit(word)) out.insert(slash + 1, kJoiner);
    return out;
}

} // namespace

std::string keptTogether(std::string_view sentence) {
    std::string out;
    std::string_view before;
    while (true) {
        const auto end = std::min(sentence.find_first_of(" \n"), sentence.size());
        const std::string_view word = sentence.substr(0, end);
        if (!out.empty() && out.back() == ' ' && staysTogether(before, word))
            out.replace(out.size() - 1, 1, kNoBreak);
        out += joined(word);
        if (end == sentence.size()) return out;
        out += sentence[end];
        before = word;
        sentence.remove_prefix(end + 1);
    }
}

std::string asWritten(std::string_view sentence) {
    std::string out(sentence);
    for (const auto& [sign, plain] : {std::pair(kNoBreak, " "), std::pair(kJoiner, "")})
        for (auto at = out.find(sign); at != std::string::npos; at = out.find(sign, at))
            out.replace(at, sign.size(), plain);
    return out;
}

} // namespace uttrin
