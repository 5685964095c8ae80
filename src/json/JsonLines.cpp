#include "JsonLines.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <iterator>
#include <vector>

namespace uttrin {
namespace {

/// How far the parser has read. A number ends with the character after it, which may be the end of its line:
/// what counts is the line before the last character.
struct Place {
    int line = 1, beforeLast = 1;
};

/// A character iterator that counts the lines which the parser has read.
class CountingIterator {
public:
    using iterator_category = std::input_iterator_tag;
    using value_type = char;
    using difference_type = std::ptrdiff_t;
    using pointer = const char*;
    using reference = const char&;

    CountingIterator(const char* at, Place* place) : m_at(at), m_place(place) {}
    reference operator*() const { return *m_at; }
    CountingIterator& operator++() {
        m_place->beforeLast = m_place->line;
        if (*m_at == '\n') ++m_place->line;
        ++m_at;
        return *this;
    }
    CountingIterator operator++(int) {
        CountingIterator before = *this;
        ++*this;
        return before;
    }
    friend bool operator==(const CountingIterator& a, const CountingIterator& b) { return a.m_at == b.m_at; }

private:
    const char* m_at;
    Place* m_place;
};

/// Notes the line of every value while the text is parsed.
class LineNoter : public nlohmann::json_sax<nlohmann::json> {
public:
    explicit LineNoter(const Place& place) : m_place(place) {}
    std::map<std::string, int> lines;

    bool null() override { return value(); }
    bool boolean(bool) override { return value(); }
    bool number_integer(number_integer_t) override { return value(); }
    bool number_unsigned(number_unsigned_t) override { return value(); }
    bool number_float(number_float_t, const string_t&) override { return value(); }
    bool string(string_t&) override { return value(); }
    bool binary(binary_t&) override { return value(); }
    bool start_object(std::size_t) override { return open(false); }
    bool end_object() override { return close(); }
    bool start_array(std::size_t) override { return open(true); }
    bool end_array() override { return close(); }
    bool key(string_t& name) override {
        m_open.back().step = "/" + name;
        return true;
    }
    bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception&) override {
        return false;
    }

private:
    struct Level {
        bool array;
        std::string step;
        int index = 0;
    };

    bool value() {
        std::string pointer;
        if (!m_open.empty() && m_open.back().array)
            m_open.back().step = "/" + std::to_string(m_open.back().index++);
        for (const Level& level : m_open)
            pointer += level.step;
        lines.emplace(std::move(pointer), m_place.beforeLast);
        return true;
    }
    bool open(bool array) {
        value();
        m_open.push_back({array, {}});
        return true;
    }
    bool close() {
        m_open.pop_back();
        return true;
    }

    const Place& m_place;
    std::vector<Level> m_open;
};

} // namespace

std::map<std::string, int> linesOfJson(std::string_view text) {
    Place place;
    LineNoter noter(place);
    nlohmann::json::sax_parse(CountingIterator(text.data(), &place),
                              CountingIterator(text.data() + text.size(), &place), &noter);
    return std::move(noter.lines);
}

int lineOfOffset(std::string_view text, std::size_t offset) {
    const auto end = text.begin() + static_cast<std::ptrdiff_t>(std::min(offset, text.size()));
    return 1 + static_cast<int>(std::count(text.begin(), end, '\n'));
}

} // namespace uttrin
