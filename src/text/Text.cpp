#include "Text.h"

#include <fmt/format.h>

#include <cctype>
#include <cmath>
#include <ostream>
#include <utility>
#include <variant>

namespace uttrin {
namespace {

constexpr std::string_view kMinus = "\u2212";

template <typename... Ts>
struct Overloaded : Ts... {
    using Ts::operator()...;
};
template <typename... Ts>
Overloaded(Ts...) -> Overloaded<Ts...>;

void replaceAll(std::string& text, const std::string& from, const std::string& to) {
    for (std::size_t at = text.find(from); at != std::string::npos; at = text.find(from, at + to.size()))
        text.replace(at, from.size(), to);
}

/// A number's figures with the face's decimal sign in place of '.'.
void appendFigures(std::string& out, std::string_view figures, const Wording& wording) {
    const auto point = figures.find('.');
    out += figures.substr(0, point);
    if (point == std::string_view::npos) return;
    out += wording.decimalPoint();
    out += figures.substr(point + 1);
}

/// The form of a choice that fits a count; the last one stands for those beyond it.
std::string_view formOf(std::string_view forms, std::size_t wanted) {
    for (;; --wanted) {
        const auto end = forms.find('|');
        if (end == std::string_view::npos || wanted == 0) return forms.substr(0, end);
        forms.remove_prefix(end + 1);
    }
}

} // namespace

std::string Wording::capitalised(std::string text) const {
    if (!text.empty()) text[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(text[0])));
    return text;
}

struct Text::Node {
    struct Sentence {
        const char* source;
        std::vector<TextArgument> arguments;
    };
    struct Signs {
        const char* source;
        std::vector<TextArgument> arguments;
    };
    struct Typed {
        std::string text;
    };
    struct Data {
        std::string text;
        std::vector<std::pair<std::string, Text>> figures;
    };
    struct Number {
        double value;
        int decimals;
        bool plusSign;
    };
    struct Joined {
        std::vector<Text> parts;
    };
    struct Capitalised {
        Text text;
    };
    std::variant<Sentence, Signs, Typed, Data, Number, Joined, Capitalised> is;

    static void append(std::string& out, std::string_view pattern, const std::vector<TextArgument>& arguments,
                       const Wording& wording) {
        PatternReader reader(pattern);
        while (const auto piece = reader.next()) {
            if (piece->kind == PatternPiece::Words) {
                out += piece->words;
                continue;
            }
            if (piece->argument >= arguments.size())
                continue; // a translation that asks for more than there is
            const TextArgument& argument = arguments[piece->argument];
            if (piece->kind == PatternPiece::Choice)
                out += formOf(piece->words, wording.pluralForm(argument.m_whole));
            else
                argument.append(out, piece->words, wording);
        }
    }
    static void append(std::string& out, const Number& n, const Wording& wording) {
        const std::string figures = fmt::format("{:.{}f}", std::abs(n.value), n.decimals);
        const bool zero = figures.find_first_not_of("0.") == std::string::npos;
        if (n.value < 0.0 && !zero) out += kMinus;
        if (n.value > 0.0 && !zero && n.plusSign) out += '+';
        appendFigures(out, figures, wording);
    }
};

void TextArgument::append(std::string& out, std::string_view format, const Wording& wording) const {
    const auto written = [&](auto number) {
        try {
            return fmt::format(fmt::runtime(fmt::format("{{:{}}}", format)), number);
        } catch (const fmt::format_error&) { // a translation may ask for what this number does not have
            return fmt::format("{}", number);
        }
    };
    if (m_kind == Words)
        m_text.append(out, wording);
    else if (m_kind == Whole)
        out += written(m_whole);
    else
        appendFigures(out, written(m_real), wording);
}

Text::Text(Node node) : m_node(std::make_shared<const Node>(std::move(node))) {}
Text::Text(Phrase phrase) {
    if (*phrase.source) *this = Text(Node{Node::Sentence{phrase.source, {}}});
}

Text Text::sentence(const char* source, Arguments arguments) {
    return Text(Node{Node::Sentence{source, arguments}});
}
Text Text::signs(const char* source, Arguments arguments) {
    return Text(Node{Node::Signs{source, arguments}});
}
Text Text::typed(std::string_view text) {
    return text.empty() ? Text() : Text(Node{Node::Typed{std::string(text)}});
}
Text Text::data(std::string_view text) {
    return text.empty() ? Text() : Text(Node{Node::Data{std::string(text), {}}});
}
Text Text::data(std::string_view text, std::vector<std::pair<std::string, Text>> figures) {
    return text.empty() ? Text() : Text(Node{Node::Data{std::string(text), std::move(figures)}});
}
Text Text::number(double value, int decimals, bool plusSign) {
    return Text(Node{Node::Number{value, decimals, plusSign}});
}
Text Text::capitalised(const Text& text) { return text.empty() ? text : Text(Node{Node::Capitalised{text}}); }

Text Text::join(const std::vector<Text>& texts, const Text& between) {
    Node::Joined joined;
    for (const Text& t : texts) {
        if (t.empty()) continue;
        if (!joined.parts.empty()) joined.parts.push_back(between);
        joined.parts.push_back(t);
    }
    return joined.parts.empty() ? Text() : Text(Node{std::move(joined)});
}
Text Text::sentences(const std::vector<Text>& texts) { return join(texts, set(" ")); }
Text Text::list(const std::vector<Text>& texts) { return join(texts, set(", ")); }

Text operator+(const Text& a, const Text& b) {
    if (a.empty()) return b;
    if (b.empty()) return a;
    return Text(Text::Node{Text::Node::Joined{{a, b}}});
}

bool operator==(const Text& a, const Text& b) { return a.m_node == b.m_node || plain(a) == plain(b); }
bool operator==(const Text& a, std::string_view english) { return plain(a) == english; }

Text::operator std::string() const { return said(Wording()); }

std::string Text::said(const Wording& wording) const {
    std::string out;
    append(out, wording);
    return out;
}

void Text::append(std::string& out, const Wording& wording) const {
    if (!m_node) return;
    std::visit(Overloaded{
                   [&](const Node::Sentence& s) {
                       Node::append(out, wording.sentence(s.source), s.arguments, wording);
                   },
                   [&](const Node::Signs& s) { Node::append(out, s.source, s.arguments, wording); },
                   [&](const Node::Typed& t) { out += t.text; },
                   [&](const Node::Data& d) {
                       std::string said = wording.data(d.text);
                       for (const auto& [name, figure] : d.figures)
                           replaceAll(said, "{" + name + "}", figure.said(wording));
                       out += said;
                   },
                   [&](const Node::Number& n) { Node::append(out, n, wording); },
                   [&](const Node::Joined& j) {
                       for (const Text& part : j.parts)
                           part.append(out, wording);
                   },
                   [&](const Node::Capitalised& c) { out += wording.capitalised(c.text.said(wording)); },
               },
               m_node->is);
}

std::string plain(const Text& text) { return static_cast<std::string>(text); }

std::ostream& operator<<(std::ostream& out, const Text& text) { return out << plain(text); }

} // namespace uttrin
