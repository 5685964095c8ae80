#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string_view>

namespace uttrin {

/// A stretch of a pattern: words to be said as they stand, or the place of an argument.
///
/// A place is written {} (the next argument), {2} (the third), {:.1f} or {2:.4g} (a number so written), and
/// {0|point|points} (the word that fits the first argument, a whole number). {{ is a brace.
struct PatternPiece {
    std::string_view words; ///< as they stand; or the number's format; or the choice's forms
    enum Kind { Words, Place, Choice } kind = Words;
    std::size_t argument = 0; ///< of a place or a choice
};

/// The pieces of a pattern one after the other.
class PatternReader {
public:
    constexpr explicit PatternReader(std::string_view pattern) : m_rest(pattern) {}

    /// The next piece; empty at the end. A brace that is no place ends the pattern and sets `broken`.
    constexpr std::optional<PatternPiece> next() {
        if (m_rest.empty()) return std::nullopt;
        if (m_rest.front() != '{') return take(m_rest.find('{'));
        if (m_rest.starts_with("{{")) {
            m_rest.remove_prefix(1);
            return take(1);
        }
        const std::size_t end = m_rest.find('}');
        if (end == std::string_view::npos) {
            m_broken = true;
            return std::nullopt;
        }
        std::string_view inside = m_rest.substr(1, end - 1);
        m_rest.remove_prefix(end + 1);
        PatternPiece piece{{}, PatternPiece::Place, 0};
        std::size_t digits = 0;
        for (; digits < inside.size() && inside[digits] >= '0' && inside[digits] <= '9'; ++digits)
            piece.argument = piece.argument * 10 + static_cast<std::size_t>(inside[digits] - '0');
        if (digits == 0) piece.argument = m_next++;
        inside.remove_prefix(digits);
        if (inside.empty()) return piece;
        if (inside.front() == '|')
            piece.kind = PatternPiece::Choice;
        else if (inside.front() != ':')
            m_broken = true;
        piece.words = inside.substr(1);
        return piece;
    }
    [[nodiscard]] constexpr bool broken() const { return m_broken; }

private:
    constexpr PatternPiece take(std::size_t count) {
        const std::string_view words = m_rest.substr(0, count);
        m_rest.remove_prefix(words.size());
        return {words, PatternPiece::Words, 0};
    }

    std::string_view m_rest;
    std::size_t m_next = 0;
    bool m_broken = false;
};

/// Whether a pattern is well formed and names each of `count` arguments, and no other. Up to 64.
[[nodiscard]] constexpr bool fits(std::string_view pattern, std::size_t count) {
    constexpr std::size_t kMost = 64;
    if (count > kMost) return false;
    std::uint64_t named = 0;
    std::size_t different = 0;
    PatternReader reader(pattern);
    while (const auto piece = reader.next()) {
        if (piece->kind == PatternPiece::Words) continue;
        if (piece->argument >= count) return false;
        const std::uint64_t bit = std::uint64_t{1} << piece->argument;
        if ((named & bit) == 0) ++different;
        named |= bit;
    }
    return !reader.broken() && different == count;
}

/// Whether a pattern holds signs, figures and unit symbols only, and no word: nothing that a translator would
/// be asked for. A word is three small letters or more outside the places, but for the symbols that have
/// them.
[[nodiscard]] constexpr bool isOfSignsOnly(std::string_view pattern) {
    PatternReader reader(pattern);
    while (const auto piece = reader.next()) {
        if (piece->kind == PatternPiece::Choice) return false;
        if (piece->kind == PatternPiece::Place) continue;
        std::size_t small = 0, start = 0;
        for (std::size_t i = 0; i <= piece->words.size(); ++i) {
            const char c = i < piece->words.size() ? piece->words[i] : ' ';
            if (c >= 'a' && c <= 'z') {
                if (small++ == 0) start = i;
                continue;
            }
            const std::string_view run = piece->words.substr(start, small);
            if (small >= 3 && run != "mol" && run != "min" && run != "bar" && run != "mbar") return false;
            small = 0;
        }
    }
    return !reader.broken();
}

/// A pattern for `Args`, held against their number when the program is built.
template <typename... Args>
class Pattern {
public:
    template <std::size_t N>
    consteval Pattern(const char (&source)[N]) // NOLINT(google-explicit-constructor): a literal is a pattern
        : m_source(source) {
        if (!fits(source, sizeof...(Args))) throw "the pattern does not name each of its arguments";
    }
    [[nodiscard]] constexpr const char* source() const { return m_source; }

private:
    const char* m_source;
};

/// As `Pattern`, of signs only.
template <typename... Args>
class SignPattern {
public:
    template <std::size_t N>
    consteval SignPattern(const char (&source)[N]) // NOLINT(google-explicit-constructor): as above
        : m_source(source) {
        if (!fits(source, sizeof...(Args))) throw "the pattern does not name each of its arguments";
        if (!isOfSignsOnly(source)) throw "words are for Text::tr";
    }
    [[nodiscard]] constexpr const char* source() const { return m_source; }

private:
    const char* m_source;
};

} // namespace uttrin
