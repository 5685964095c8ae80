#include "PhotoMarks.h"
#include "json/JsonReader.h"
#include "json/JsonText.h"

#include <nlohmann/json.hpp>

#include <cmath>
#include <optional>
#include <string>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr double kFarthest = 1e6; // px, beyond any picture

Json json(PhotoPoint p) { return Json::array({p.x, p.y}); }

double number(JsonReader& r, const Json& value, const std::string& pointer) {
    if (value.is_number() && std::isfinite(value.get<double>())) return value.get<double>();
    r.refuseAt(pointer, Text::tr("a number"));
    return 0.0;
}

PhotoPoint point(JsonReader& r, const Json& value, const std::string& pointer) {
    if (!value.is_array() || value.size() != 2) {
        r.refuseAt(pointer, Text::tr("two numbers [x, y], px"));
        return {};
    }
    const PhotoPoint p{number(r, value[0], pointer + "/0"), number(r, value[1], pointer + "/1")};
    if (std::abs(p.x) > kFarthest || std::abs(p.y) > kFarthest)
        r.refuseAt(pointer, Text::tr("a point of the picture, px"));
    return p;
}

/// Calls something with each item of a list of marks, and its pointer.
template <typename Use>
void eachMark(JsonReader& r, const char* key, Use use) {
    constexpr std::size_t kMost = 8;
    const Json* list = r.at(key);
    if (!list) return;
    if (!list->is_array() || list->size() > kMost)
        return r.refuse(key, Text::tr("a list of at most 8 marks"));
    for (std::size_t i = 0; i < list->size() && !r.failed(); ++i)
        use((*list)[i], r.pointer(key) + "/" + std::to_string(i));
}

Result<PhotoMarks> parsed(const Json& document) {
    std::optional<Failure> failure;
    PhotoMarks m;
    JsonReader r(document, "marks", failure);
    r.require("shape", Text::tr("straight or round"));
    r.parsed("shape", m.shape, scaleShapeFromId);
    r.flag("tilted", m.tilted);
    r.flag("clockwise", m.clockwise);
    if (const Json* centre = r.at("centre")) m.centre = point(r, *centre, r.pointer("centre"));
    eachMark(r, "graduations", [&](const Json& value, const std::string& pointer) {
        JsonReader g(value, pointer, failure);
        GraduationMark mark;
        g.require("value", Text::tr("a number"));
        g.require("at", Text::tr("two numbers [x, y], px"));
        g.number("value", mark.value);
        if (const Json* at = g.at("at")) mark.at = point(g, *at, g.pointer("at"));
        if (const Json* end = g.at("otherEnd")) mark.otherEnd = point(g, *end, g.pointer("otherEnd"));
        m.graduations.push_back(mark);
    });
    eachMark(r, "sights", [&](const Json& value, const std::string& pointer) {
        m.sights.push_back(point(r, value, pointer));
    });
    r.number("placingPx", m.placingPx);
    if (failure) return tl::unexpected(*failure);
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
    const auto document = parseJson(text);
    if (!document)
        return fail(Failure::BadInput,
                    Text::tr("The marks of a picture are not JSON: {}", document.error().what));
    return parsed(*document);
}

} // namespace uttrin
