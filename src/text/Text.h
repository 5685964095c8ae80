#pragma once

#include "Pattern.h"

#include <concepts>
#include <functional>
#include <initializer_list>
#include <iosfwd>
#include <memory>
#include <string>
#include <string_view>
#include <type_traits>
#include <utility>
#include <vector>

namespace uttrin {

/// A word or sentence of the program that stands in a constant table, made by Text::phrase.
struct Phrase {
    const char* source = "";
};

/// How a face says a text: its language and its way of writing numbers. The base says plain English with '.'.
class Wording {
public:
    virtual ~Wording() = default;
    /// The pattern of a sentence of the program in the face's language.
    [[nodiscard]] virtual std::string sentence(const char* source) const { return source; }
    /// A text of a data file that ships with the program in the face's language; unknown ones as they are.
    [[nodiscard]] virtual std::string data(const std::string& source) const { return source; }
    /// A text whose first letter is made a capital.
    [[nodiscard]] virtual std::string capitalised(std::string text) const;
    [[nodiscard]] virtual std::string language() const { return "en"; } ///< as HTML names it
    [[nodiscard]] virtual std::string decimalPoint() const { return "."; }
    /// Which form of a word goes with so many: 0 is the singular in English.
    [[nodiscard]] virtual std::size_t pluralForm(long long count) const { return count == 1 ? 0 : 1; }
};

class TextArgument;

/// Something said to people, before it is said: a pattern with arguments that stay values until a face with
/// its language and its number format renders it. Whatever the core says to people is one. Cheap to copy.
///
///   Text::tr("{} boils at {} °C in this room.", substance, fixed(celsius, 1))
///   Text::tr("{0} {0|reading|readings} imported", count)
class Text {
public:
    /// Nothing.
    Text() = default;
    Text(Phrase phrase); // NOLINT(google-explicit-constructor): a table's phrase is a text

    /// A sentence or word of the program, for translators. `{0|point|points}` is the form for a whole number.
    template <typename... Args>
    [[nodiscard]] static Text tr(std::type_identity_t<Pattern<Args...>> pattern, const Args&... args);
    /// As `tr`, for constant tables.
    [[nodiscard]] static consteval Phrase phrase(Pattern<> pattern) { return {pattern.source()}; }
    /// Signs, figures and unit symbols around arguments ("{} ± {} kPa"): alike in every language.
    template <typename... Args>
    [[nodiscard]] static Text set(std::type_identity_t<SignPattern<Args...>> pattern, const Args&... args);
    /// What a person typed, a file's name, an identifier, a formula: said as it is.
    [[nodiscard]] static Text typed(std::string_view text);
    /// A text of a data file: translated if it is one of those that ship with the program.
    [[nodiscard]] static Text data(std::string_view text);
    /// The same with texts in place of names in braces: "cools it by {kelvin}".
    [[nodiscard]] static Text data(std::string_view text, std::vector<std::pair<std::string, Text>> figures);
    /// A number with fixed decimals, the real minus sign and no "−0.0".
    [[nodiscard]] static Text number(double value, int decimals, bool plusSign = false);
    /// A text as the beginning of a sentence.
    [[nodiscard]] static Text capitalised(const Text& text);
    /// Texts with a separator between them; empty ones are passed over.
    [[nodiscard]] static Text join(const std::vector<Text>& texts, const Text& between);
    /// Sentences one after the other.
    [[nodiscard]] static Text sentences(const std::vector<Text>& texts);
    /// A list of texts, or of strings and whole numbers as they are: "a, b, c".
    /// @param of  what of each thing is listed: `&Unit::symbol`.
    [[nodiscard]] static Text list(const std::vector<Text>& texts);
    template <typename Range, typename Projection = std::identity>
    [[nodiscard]] static Text list(const Range& range, Projection of = {});

    [[nodiscard]] bool empty() const { return !m_node; }

    Text& operator+=(const Text& after) { return *this = *this + after; }
    friend Text operator+(const Text& a, const Text& b);

    /// Whether both read alike in plain English.
    friend bool operator==(const Text& a, const Text& b);
    friend bool operator==(const Text& a, std::string_view english);

    /// Plain English with '.'.
    explicit operator std::string() const;

    /// The text as a face says it.
    [[nodiscard]] std::string said(const Wording& wording) const;

private:
    friend class TextArgument;
    struct Node;
    using Arguments = std::initializer_list<TextArgument>;

    explicit Text(Node node);
    [[nodiscard]] static Text sentence(const char* source, Arguments arguments);
    [[nodiscard]] static Text signs(const char* source, Arguments arguments);
    void append(std::string& out, const Wording& wording) const;

    std::shared_ptr<const Node> m_node;
};

/// What a pattern is filled with: a whole number, a number or a text.
class TextArgument {
public:
    // NOLINTBEGIN(google-explicit-constructor): the arguments of Text::tr
    TextArgument(const Text& text) : m_kind(Words), m_text(text) {}
    TextArgument(Phrase phrase) : m_kind(Words), m_text(phrase) {}
    TextArgument(std::string_view text) : m_kind(Words), m_text(Text::typed(text)) {}
    TextArgument(const std::string& text) : m_kind(Words), m_text(Text::typed(text)) {}
    TextArgument(const char* text) : m_kind(Words), m_text(Text::typed(text)) {}
    TextArgument(std::integral auto number) : m_kind(Whole), m_whole(static_cast<long long>(number)) {}
    TextArgument(double number) : m_kind(Real), m_real(number) {}
    /// A literal would slip past the translators: make a Text of it.
    template <std::size_t N>
    TextArgument(const char (&)[N]) = delete;
    TextArgument(bool) = delete;
    // NOLINTEND(google-explicit-constructor)

private:
    friend class Text; // and its nodes
    void append(std::string& out, std::string_view format, const Wording& wording) const;

    enum { Whole, Real, Words } m_kind;
    long long m_whole = 0;
    double m_real = 0.0;
    Text m_text;
};

template <typename... Args>
Text Text::tr(std::type_identity_t<Pattern<Args...>> pattern, const Args&... args) {
    return sentence(pattern.source(), {TextArgument(args)...});
}

template <typename... Args>
Text Text::set(std::type_identity_t<SignPattern<Args...>> pattern, const Args&... args) {
    return signs(pattern.source(), {TextArgument(args)...});
}

template <typename Range, typename Projection>
Text Text::list(const Range& range, Projection of) {
    std::vector<Text> texts;
    for (const auto& one : range)
        texts.push_back(set("{}", std::invoke(of, one)));
    return list(texts);
}

/// A text in plain English with '.', as the command line and files have it.
[[nodiscard]] std::string plain(const Text& text);

/// A text in plain English, for messages of tests.
std::ostream& operator<<(std::ostream& out, const Text& text);

} // namespace uttrin
