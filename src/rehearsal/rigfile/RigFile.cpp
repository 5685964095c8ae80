#include "RigFile.h"

#include "RigFileParts.h"
#include "RigLists.h"
#include "RigStory.h"
#include "RigWords.h"
#include "json/JsonReader.h"
#include "json/JsonText.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <map>
#include <mutex>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr std::size_t kMostTries = 5; // of a fault: each is played some twenty times
constexpr const char* kRoomPressure = "/room/pressure";

/// A JSON pointer into a document, or nothing if it leads nowhere.
const Json* find(const Json& document, const std::string& pointer) {
    try {
        const Json::json_pointer p(pointer);
        return document.contains(p) ? &document.at(p) : nullptr;
    } catch (const Json::exception&) {
        return nullptr;
    }
}

/// The unit of a quantity, whatever it measures.
Result<Measure> anyMeasure(const std::string& text) {
    for (const Dimension d : allDimensions())
        if (auto m = parseMeasure(splitReference(text).amount, d)) return m;
    return fail(Failure::BadInput, Text::tr("'{}' is not a quantity \"VALUE UNIT\"", text));
}

/// The quantity to which a pointer under a key leads.
Result<Measure> quantityAt(const Json& document, const std::string& pointer) {
    const Json* target = find(document, pointer);
    if (!target || !target->is_string())
        return fail(Failure::BadInput,
                    Text::tr("'{}' leads to no quantity of this file; accepted: a JSON pointer such as "
                             "\"/vessels/flask/liquid\"",
                             pointer));
    return anyMeasure(target->get<std::string>());
}

std::vector<std::string> keysOf(const Json& document, std::initializer_list<const char*> of) {
    std::vector<std::string> keys;
    for (const char* key : of)
        if (const auto at = document.find(key); at != document.end() && at->is_object())
            for (const auto& item : at->items())
                keys.push_back(item.key());
    return keys;
}

NamedByStory namedParts(const Json& document) {
    const auto moves = document.find("moves");
    return {moves != document.end() && moves->is_array() ? moves->size() : 0,
            keysOf(document, {"links", "pumps", "heaters"}), keysOf(document, {"vessels"})};
}

bool canBeSet(const Json& value) { return value.is_string() || value.is_boolean(); }

std::vector<RigSetting> readSettings(const JsonReader& r, const char* key, const Json& document,
                                     std::optional<Failure>& failure) {
    std::vector<RigSetting> settings;
    const Json* object = r.at(key);
    if (!object) return settings;
    if (!object->is_object()) {
        r.refuse(key, Text::tr("an object of JSON pointers and values"));
        return settings;
    }
    for (const auto& item : object->items()) {
        const Json* target = find(document, item.key());
        if (!target || target->type() != item.value().type() || !canBeSet(*target)) {
            failure = Failure{
                Failure::BadInput,
                Text::tr("{}: '{}' leads to no text and no true or false of this file, or its value is "
                         "not of that kind",
                         r.path(key), item.key())};
            return settings;
        }
        settings.push_back(
            {item.key(), target->is_boolean() ? item.value().dump() : item.value().get<std::string>()});
    }
    return settings;
}

/// What is slow to make, made once for each key; a failure is not remembered.
template <typename Key, typename Value>
class Remembered {
public:
    template <typename Make>
    Result<Value> get(const Key& key, Make make) {
        const std::scoped_lock lock(m_mutex);
        if (const auto known = m_made.find(key); known != m_made.end()) return known->second;
        Result<Value> value = make();
        if (value) m_made.emplace(key, *value);
        return value;
    }

private:
    std::mutex m_mutex;
    std::map<Key, Value> m_made;
};

} // namespace

Result<RigFluid> rigFluid(const std::string& substance) {
    static Remembered<std::string, RigFluid> made;
    return made.get(substance, [&]() -> Result<RigFluid> {
        return findSubstance(substance).and_then([](const Substance* s) { return RigFluid::make(*s); });
    });
}

Result<RigSolute> rigSolute(SoluteKind kind, const std::string& substance) {
    static Remembered<std::pair<SoluteKind, std::string>, RigSolute> made;
    return made.get({kind, substance}, [&]() -> Result<RigSolute> {
        return findSubstance(substance).and_then(
            [&](const Substance* s) { return RigSolute::make(kind, *s); });
    });
}

RigFile::RigFile(Json document) : m_document(std::make_shared<const Json>(std::move(document))) {}

Result<RigFile> RigFile::parse(std::string_view text) {
    auto document = parseJson(text);
    if (!document) return tl::unexpected(document.error().failure());
    RigFile file(std::move(*document));
    if (const auto plain = file.setup(); !plain) return tl::unexpected(plain.error());
    if (const auto read = file.readAround(); !read) return tl::unexpected(read.error());
    for (std::size_t i = 0; i < file.m_variants.size(); ++i)
        if (const auto other = file.setup(file.m_variants[i].settings); !other)
            return fail(other.error().kind,
                        Text::set("{}: {}", fmt::format("/variants/{}", i), other.error().message));
    return file;
}

/// What stands around the rig: its name, its story, knobs, variants, uncertainties.
Result<void> RigFile::readAround() {
    std::optional<Failure> failure;
    JsonReader r(*m_document, "", failure);
    r.require("name", Text::tr("the demonstration’s name in quotes"));
    r.string("name", m_name);
    r.string("only_looked_at", m_onlyLookedAt);
    m_story = readStory(r.child("story"), failure);
    if (failure) return tl::unexpected(*failure);
    const NamedByStory there = namedParts(*m_document);
    if (const auto wrong = wrongIn(m_story, there)) return tl::unexpected(*wrong);
    eachItem(r, "knobs", failure, [&](JsonReader& item) {
        RigKnob k;
        item.string("name", k.name);
        item.require("sets", Text::tr("a JSON pointer to a quantity of this file, or a list of them"));
        if (const Json* sets = item.at("sets"); sets && sets->is_array())
            item.strings("sets", k.pointers);
        else
            item.string("sets", k.pointers.emplace_back());
        for (const std::string& pointer : k.pointers) {
            if (failure) return;
            const auto now = quantityAt(*m_document, pointer);
            if (now && (!k.unit || k.unit->dimension == now->unit->dimension)) {
                k.unit = now->unit;
                k.reference =
                    splitReference(find(*m_document, pointer)->get_ref<const std::string&>()).reference;
                continue;
            }
            failure =
                Failure{Failure::BadInput, Text::set("{}: {}", item.path("sets"),
                                                     now ? Text::tr("all that it sets must be of one kind")
                                                         : now.error().message)};
        }
        if (!k.unit) item.refuse("sets", Text::tr("at least one JSON pointer"));
        if (failure) return;
        item.require("from", Text::tr("the lowest value as \"VALUE UNIT\""));
        item.require("to", Text::tr("the highest value as \"VALUE UNIT\""));
        item.measure("from", k.low, k.unit->dimension);
        item.measure("to", k.high, k.unit->dimension);
        if (!(k.low < k.high)) item.refuse("to", Text::tr("more than 'from'"));
        m_knobs.push_back(std::move(k));
    });
    eachItem(r, "variants", failure, [&](JsonReader& item) {
        RigVariant v;
        item.require("name", Text::tr("the variant’s name in quotes"));
        item.string("name", v.name);
        item.string("says", v.says);
        item.string("only_looked_at", v.onlyLookedAt);
        v.settings = readSettings(item, "sets", *m_document, failure);
        v.story = readStory(item.child("story"), failure, m_story);
        if (!failure) failure = wrongIn(v.story, there);
        m_variants.push_back(std::move(v));
    });
    eachItem(r, "faults", failure, [&](JsonReader& item) {
        RigFault f;
        item.require("name", Text::tr("what went wrong, in quotes"));
        item.string("name", f.name);
        item.string("says", f.says);
        item.require("tries", Text::tr("a list of objects of JSON pointers and values"));
        const Json* tries = item.at("tries");
        if (!tries || !tries->is_array() || tries->empty() || tries->size() > kMostTries)
            return item.refuse("tries", Text::tr("a list of 1 to {} objects", kMostTries));
        for (std::size_t t = 0; t < tries->size() && !failure; ++t) {
            // Each is read as the settings of a variant are.
            const Json wrapped = {{"sets", (*tries)[t]}};
            const JsonReader one(wrapped, item.pointer("tries") + "/" + std::to_string(t), failure);
            f.tries.push_back(readSettings(one, "sets", *m_document, failure));
            const auto fine = failure ? Result<RigSetup>(tl::unexpected(*failure)) : setup(f.tries.back());
            if (!fine && !failure)
                failure =
                    Failure{Failure::BadInput, Text::set("{}: {}", item.path("tries"), fine.error().message)};
        }
        m_faults.push_back(std::move(f));
    });
    eachItem(r, "uncertain", failure, [&](JsonReader& item) {
        RigUncertainty u;
        item.string("name", u.name);
        item.require("sets", Text::tr("a JSON pointer to a quantity of this file"));
        item.string("sets", u.pointer);
        item.require("u", Text::tr("a standard uncertainty, as \"VALUE UNIT\" or \"10 %\" of the value"));
        std::string word;
        item.string("u", word);
        if (failure) return;
        const auto now = quantityAt(*m_document, u.pointer);
        const auto spread = anyMeasure(word);
        if (!now || !spread) {
            failure = Failure{Failure::BadInput,
                              !now ? Text::set("{}: {}", item.path("sets"), now.error().message)
                                   : Text::set("{}: {}", item.path("u"), spread.error().message)};
            return;
        }
        u.dimension = now->unit->dimension;
        u.relative =
            spread->unit->dimension == Dimension::Fraction && now->unit->dimension != Dimension::Fraction;
        if (!u.relative && spread->unit->dimension != now->unit->dimension)
            return item.refuse("u", Text::tr("a quantity of the same kind, or a share of it in %"));
        u.standard = spread->number * spread->unit->factor; // a difference: no offset of degC
        if (!(u.standard >= 0.0)) item.refuse("u", Text::tr("zero or more"));
        if (item.at("from") || item.at("to")) {
            item.require("from", Text::tr("the lowest value that it can have, as \"VALUE UNIT\""));
            item.require("to", Text::tr("the highest value that it can have, as \"VALUE UNIT\""));
            item.measure("from", u.low, u.dimension);
            item.measure("to", u.high, u.dimension);
            if (!(u.low < u.high)) item.refuse("to", Text::tr("more than 'from'"));
        }
        item.string("source", u.source);
        m_uncertainties.push_back(std::move(u));
    });
    if (failure) return tl::unexpected(*failure);
    return {};
}

RigFile::Json RigFile::with(const std::vector<RigSetting>& settings) const {
    Json document = *m_document;
    for (const RigSetting& s : settings)
        if (find(document, s.pointer)) {
            Json& target = document.at(Json::json_pointer(s.pointer));
            target = target.is_boolean() ? Json(s.value == "true") : Json(s.value);
        }
    return document;
}

Result<RigSetup> RigFile::setup(const std::vector<RigSetting>& settings) const {
    for (const RigSetting& s : settings)
        if (!sets(s.pointer))
            return fail(Failure::BadInput, Text::tr("'{}' leads to no text of this rig file", s.pointer));
        else if (find(*m_document, s.pointer)->is_boolean() && s.value != "true" && s.value != "false")
            return fail(Failure::BadInput, Text::tr("{}: accepted: true, false", s.pointer));
    return readRigParts(settings.empty() ? *m_document : with(settings));
}

double RigFile::value(const std::string& pointer, const std::vector<RigSetting>& settings) const {
    const auto q = quantityAt(with(settings), pointer);
    if (!q) throw std::logic_error(plain(q.error().message));
    return q->si();
}

const RigStory& RigFile::story(int variant) const {
    const auto at = static_cast<std::size_t>(variant);
    return variant >= 0 && at < m_variants.size() ? m_variants[at].story : m_story;
}

const std::string& RigFile::onlyLookedAt(int variant) const {
    const auto at = static_cast<std::size_t>(variant);
    const bool own = variant >= 0 && at < m_variants.size() && !m_variants[at].onlyLookedAt.empty();
    return own ? m_variants[at].onlyLookedAt : m_onlyLookedAt;
}

std::vector<RigSetting> RigFile::roomSettings(std::optional<double> pascal,
                                              std::optional<double> celsius) const {
    std::vector<RigSetting> settings;
    if (pascal && sets(kRoomPressure))
        settings.push_back({kRoomPressure, formatMeasure(*pascal, unit("Pa"))});
    if (celsius && sets(kRoomTemperature))
        settings.push_back({kRoomTemperature, formatMeasure(*celsius, unit("degC"))});
    return settings;
}

RigSetting RigFile::setting(const std::string& pointer, double si,
                            const std::vector<RigSetting>& settings) const {
    const Json document = with(settings);
    const auto now = quantityAt(document, pointer);
    if (!now) throw std::logic_error(plain(now.error().message));
    const auto reference = splitReference(find(document, pointer)->get_ref<const std::string&>()).reference;
    return {pointer, formatMeasure(now->unit->fromSi(si), *now->unit) + std::string(suffixOf(reference))};
}

bool RigFile::sets(const std::string& pointer) const {
    const Json* target = find(*m_document, pointer);
    return target && canBeSet(*target);
}

std::string RigFile::text(const std::vector<RigSetting>& settings, const std::string& name) const {
    Json document = with(settings);
    document["name"] = name;
    return document.dump(2) + "\n";
}

} // namespace uttrin
