#include "RigCardReader.h"

#include "RigLists.h"
#include "RigWords.h"

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

/// "ice", "liquid", "20 g", "50 mL" or "3".
Result<void> readAmount(std::string_view word, RigMaterial& m) {
    if (word == "ice" || word == "liquid") {
        m.amount = word == "ice" ? RigMaterial::Ice : RigMaterial::Liquid;
        return {};
    }
    constexpr double kMostThings = 1000.0;
    if (const auto count = parseNumber(word); count && *count > 0.0 && *count <= kMostThings) {
        m.of = *count;
        return {};
    }
    for (const auto& [kind, dimension] :
         {std::pair(RigMaterial::Mass, Dimension::Mass), std::pair(RigMaterial::Volume, Dimension::Volume)})
        if (const auto q = parseMeasure(word, dimension); q && q->si() > 0.0) {
            m.amount = kind;
            m.of = q->si();
            return {};
        }
    return fail(
        Failure::BadInput,
        Text::tr("'{}' is no amount; accepted: \"ice\", \"liquid\", a number of things, a mass or a volume "
                 "such as \"20 g\"",
                 word));
}

RigMaterial readMaterial(JsonReader& r) {
    RigMaterial m;
    r.require("says", Text::tr("the thing in words"));
    r.string("says", m.says);
    Result<void> fine;
    std::string word;
    r.string("amount", word);
    if (!word.empty()) fine = readAmount(word, m);
    if (!fine) r.refuse("amount", fine.error().message);
    r.flag("each", m.each);
    r.onlyKnown();
    return m;
}

template <typename E, std::size_t N>
void readWords(const JsonReader& r, const char* key, const std::pair<E, std::string_view> (&words)[N],
               std::vector<E>& into) {
    const Json* list = r.at(key);
    if (!list) return;
    if (!list->is_array() || list->size() > N)
        return r.refuse(key, Text::tr("a list of at most {} words", N));
    into.clear();
    for (const Json& item : *list) {
        const auto value = fromWord(words, item.is_string() ? item.get<std::string>() : item.dump());
        if (!value) return r.refuse(key, value.error().message);
        into.push_back(*value);
    }
}

RigPumpCare readPumpCare(JsonReader r, RigPumpCare care) {
    r.string("side", care.side);
    r.strings("start", care.start);
    r.strings("stop", care.stop);
    r.string("drain", care.drain);
    r.onlyKnown();
    return care;
}

} // namespace

void readMaterials(const JsonReader& r, std::vector<RigMaterial>& materials,
                   std::optional<Failure>& failure) {
    const Json* list = r.at("materials");
    if (!list) return;
    if (!list->is_array() || list->size() > kMostItems)
        return r.refuse("materials", Text::tr("a list of at most {} texts or objects", kMostItems));
    materials.clear();
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        const Json& item = (*list)[i];
        if (item.is_string()) {
            RigMaterial thing;
            thing.says = item.get<std::string>();
            materials.push_back(std::move(thing));
            continue;
        }
        JsonReader one(item, r.pointer("materials") + "/" + std::to_string(i), failure);
        materials.push_back(readMaterial(one));
    }
}

RigCard readCard(JsonReader r, std::optional<Failure>& failure, RigCard card) {
    r.parsed("who", card.who, [](std::string_view w) { return fromWord(kDoers, w); });
    readWords(r, "needs", kNeeds, card.needs);
    r.strings("evacuated", card.evacuated);
    r.string("control", card.control);
    if (r.has("conditions")) card.conditions.clear();
    eachItem(r, "conditions", failure, [&](JsonReader& one) {
        RigCondition c;
        one.require("name", Text::tr("what is chosen, in quotes"));
        one.string("name", c.name);
        one.require("choices", Text::tr("a list of texts, the usual one first"));
        one.strings("choices", c.choices);
        if (c.choices.empty()) one.refuse("choices", Text::tr("at least one"));
        card.conditions.push_back(std::move(c));
    });
    if (r.has("pump")) card.pump = readPumpCare(r.child("pump"), card.pump);
    r.strings("hand_over", card.handOver);
    if (r.has("cold_hands")) {
        constexpr double kLongest = 3600.0;
        r.measure("cold_hands", card.coldHands.emplace(), Dimension::Time, 1.0, kLongest);
    }
    r.onlyKnown();
    return card;
}

} // namespace uttrin
