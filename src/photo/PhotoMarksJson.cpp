#include "PhotoMarks.h"
#include "json/JsonText.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr double kFarthest = 1e6; // px, beyond any picture

Json json(PhotoPoint p) { return Json::array({p.x, p.y}); }

/// @throws Failure
[[noreturn]] void refuse(const std::string& path, const Text& accepted) {
    throw Failure{Failure::BadInput, Text::tr("{}: expected {}", path, accepted)};
}

double number(const Json& value, const std::string& path) {
    if (!value.is_number() || !std::isfinite(value.get<double>())) refuse(path, Text::tr("a number"));
    return value.get<double>();
}

PhotoPoint point(const Json& value, const std::string& path) {
    if (!value.is_array() || value.size() != 2) refuse(path, Text::tr("two numbers [x, y], px"));
    const PhotoPoint p{number(value[0], path + "[0]"), number(value[1], path + "[1]")};
    if (std::abs(p.x) > kFarthest || std::abs(p.y) > kFarthest)
        refuse(path, Text::tr("a point of the picture, px"));
    return p;
}

const Json& list(const Json& marks, const char* key) {
    static const Json none = Json::array();
    constexpr std::size_t kMost = 8;
    if (!marks.contains(key)) return none;
    if (!marks[key].is_array() || marks[key].size() > kMost)
        refuse(key, Text::tr("a list of at most 8 marks"));
    return marks[key];
}

bool flag(const Json& marks, const char* key, bool absent) {
    if (!marks.contains(key)) return absent;
    if (!marks[key].is_boolean()) refuse(key, Text::tr("true or false"));
    return marks[key].get<bool>();
}

PhotoMarks parsed(const Json& j) {
    if (!j.is_object()) refuse("marks", Text::tr("an object {{ … }"));
    PhotoMarks m;
    if (!j.contains("shape") || !j["shape"].is_string()) refuse("shape", Text::tr("straight or round"));
    const auto shape = scaleShapeFromId(j["shape"].get<std::string>());
    if (!shape) throw shape.error();
    m.shape = *shape;
    m.tilted = flag(j, "tilted", m.tilted);
    m.clockwise = flag(j, "clockwise", m.clockwise);
    if (j.contains("centre")) m.centre = point(j["centre"], "centre");
    const Json& graduations = list(j, "graduations");
    for (std::size_t i = 0; i < graduations.size(); ++i) {
        const Json& g = graduations[i];
        const std::string path = fmt::format("graduations[{}]", i);
        if (!g.is_object() || !g.contains("value") || !g.contains("at"))
            refuse(path, Text::tr("an object with value and at"));
        GraduationMark mark{number(g["value"], path + ".value"), point(g["at"], path + ".at"), std::nullopt};
        if (g.contains("otherEnd")) mark.otherEnd = point(g["otherEnd"], path + ".otherEnd");
        m.graduations.push_back(mark);
    }
    const Json& sights = list(j, "sights");
    for (std::size_t i = 0; i < sights.size(); ++i)
        m.sights.push_back(point(sights[i], fmt::format("sights[{}]", i)));
    if (j.contains("placingPx")) m.placingPx = number(j["placingPx"], "placingPx");
    return m;
}

} // namespace

std::string writePhotoMarks(const PhotoMarks& m) {
    Json j{{"shape", id(m.shape)}, {"tilted", m.tilted}};
    if (m.shape == ScaleShape::Round) j["clockwise"] = m.clockwise;
    if (m.centre) j["centre"] = json(*m.centre);
    j["graduations"] = Json::array();
    for (const GraduationMark& g : m.graduations) {
        Json mark{{"value", g.value}, {"at", json(g.at)}};
        if (g.otherEnd) mark["otherEnd"] = json(*g.otherEnd);
        j["graduations"].push_back(std::move(mark));
    }
    j["sights"] = Json::array();
    for (const PhotoPoint& s : m.sights)
        j["sights"].push_back(json(s));
    j["placingPx"] = m.placingPx;
    return j.dump();
}

Result<PhotoMarks> photoMarksFromJson(std::string_view text) {
    const auto j = parseJson(text);
    if (!j)
        return fail(Failure::BadInput, Text::tr("The marks of a picture are not JSON: {}", j.error().what));
    try {
        return parsed(*j);
    } catch (const Failure& failure) {
        return tl::unexpected(failure);
    }
}

} // namespace uttrin
