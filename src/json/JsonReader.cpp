#include "JsonReader.h"

#include <nlohmann/json.hpp>

#include <cmath>

namespace uttrin {

JsonReader::JsonReader(const Json& object, std::string path, std::optional<Failure>& failure)
    : m_object(object), m_path(std::move(path)), m_failure(failure) {
    if (!object.is_object()) refuse("", Text::tr("an object {{ … }"));
}

bool JsonReader::has(const char* key) const {
    m_asked.insert(key);
    return m_object.is_object() && m_object.contains(key);
}

JsonReader JsonReader::child(const char* key) const {
    static const Json empty = Json::object();
    return {has(key) ? m_object[key] : empty, pointer(key), m_failure};
}

const JsonReader::Json* JsonReader::at(const char* key) const {
    return has(key) && !m_failure ? &m_object[key] : nullptr;
}

std::string JsonReader::pointer(const char* key) const { return *key ? m_path + "/" + key : m_path; }

Text JsonReader::path(const char* key) const { return placeInFile(pointer(key)); }

void JsonReader::number(const char* key, double& into) {
    if (const Json* v = at(key)) {
        if (!v->is_number() || !std::isfinite(v->get<double>()))
            refuse(key, Text::tr("a number"));
        else
            into = v->get<double>();
    }
}

void JsonReader::count(const char* key, int& into) {
    if (const Json* v = at(key)) {
        if (!v->is_number_integer() || v->get<std::int64_t>() < 0 || v->get<std::int64_t>() > 1'000'000)
            refuse(key, Text::tr("a whole number from 0 to 1000000"));
        else
            into = v->get<int>();
    }
}

void JsonReader::moment(const char* key, std::int64_t& into) {
    const Json* value = at(key);
    if (!value || m_failure) return;
    if (value->is_number_integer())
        into = value->get<std::int64_t>();
    else
        refuse(key, Text::tr("milliseconds since 1970-01-01 UTC"));
}

void JsonReader::flag(const char* key, bool& into) {
    if (const Json* v = at(key)) {
        if (!v->is_boolean())
            refuse(key, Text::tr("true or false"));
        else
            into = v->get<bool>();
    }
}

void JsonReader::string(const char* key, std::string& into) {
    if (const Json* v = at(key)) {
        if (!v->is_string())
            refuse(key, Text::tr("a text in quotes"));
        else
            into = v->get<std::string>();
    }
}

void JsonReader::strings(const char* key, std::vector<std::string>& into) {
    const Json* list = at(key);
    if (!list) return;
    if (!list->is_array()) return refuse(key, Text::tr("a list of texts in quotes"));
    into.clear(); // as a number takes the place of the one before
    for (const Json& item : *list) {
        if (!item.is_string()) return refuse(key, Text::tr("a list of texts in quotes"));
        into.push_back(item.get<std::string>());
    }
}

void JsonReader::measure(const char* key, double& into, Dimension dimension, double low, double high) {
    parsed(key, into, [=](std::string_view word) { return measureWithin(word, dimension, low, high); });
}

void JsonReader::refuse(const char* key, const Text& accepted) const { refuseAt(pointer(key), accepted); }

void JsonReader::refuseAt(const std::string& pointer, const Text& accepted) const {
    if (!m_failure)
        m_failure = Failure{Failure::BadInput, Text::tr("{}: expected {}", placeInFile(pointer), accepted)};
}

void JsonReader::require(const char* key, const Text& what) const {
    if (!has(key)) refuse(key, what);
}

void JsonReader::onlyKnown() const {
    if (m_failure || !m_object.is_object()) return;
    for (const auto& item : m_object.items()) {
        const std::string& key = item.key();
        if (m_asked.contains(key)) continue;
        m_failure = Failure{Failure::BadInput, Text::tr("{}: '{}' is not known here; accepted: {}", path(""),
                                                        key, Text::list(m_asked))};
        return;
    }
}

Text placeInFile(const std::string& pointer) {
    return pointer.empty() ? Text::tr("the file") : Text::typed(pointer);
}

Result<double> measureWithin(std::string_view text, Dimension dimension, double low, double high) {
    const auto m = parseMeasure(text, dimension);
    if (!m) return tl::unexpected(m.error());
    const double si = m->si();
    if (std::isfinite(si) && si >= low && si <= high) return si;
    const Unit& own = *m->unit;
    const auto bound = [&](double v) { return Text::set("{:.6g} {}", own.fromSi(v), own.symbol); };
    const Text accepted = high < JsonReader::kAny ? Text::tr("{} to {}", bound(low), bound(high))
                                                  : Text::tr("{} or more", bound(low));
    return fail(Failure::BadInput, Text::tr("'{}' lies outside what is accepted: {}", text, accepted));
}

} // namespace uttrin
