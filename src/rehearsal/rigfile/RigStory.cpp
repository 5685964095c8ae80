#include "RigStory.h"

#include "RigLists.h"
#include "RigWords.h"
#include "quantities/Units.h"

#include <algorithm>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

std::vector<RigConfirmation> readConfirmations(JsonReader& r, std::optional<Failure>& failure) {
    std::vector<RigConfirmation> all;
    const Json* list = r.at("confirm");
    if (!list) return all;
    if (!list->is_array() || list->size() > kMostItems) {
        r.refuse("confirm", Text::tr("a list of at most {} texts or objects", kMostItems));
        return all;
    }
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        const Json& item = (*list)[i];
        if (item.is_string()) {
            all.push_back({item.get<std::string>(), {}});
            continue;
        }
        JsonReader one(item, r.pointer("confirm") + "/" + std::to_string(i), failure);
        RigConfirmation c;
        one.require("says", Text::tr("what must be so"));
        one.string("says", c.says);
        one.require("hazard", Text::tr("what happens otherwise"));
        one.string("hazard", c.hazard);
        one.onlyKnown();
        all.push_back(std::move(c));
    }
    return all;
}

/// The places of the moves that a step makes; whether they are there is seen when the file is whole.
std::vector<int> readMoves(JsonReader& r) {
    std::vector<int> places;
    const Json* list = r.at("makes");
    if (!list) return places;
    const bool fine =
        list->is_array() && list->size() <= kMostItems && std::ranges::all_of(*list, [](const Json& place) {
            return place.is_number_unsigned() && place.get<std::uint64_t>() < kMostItems;
        });
    if (!fine) {
        r.refuse("makes", Text::tr("a list of the places of moves, counted from 0"));
        return places;
    }
    for (const Json& place : *list)
        places.push_back(place.get<int>());
    return places;
}

RigQuestion readQuestion(JsonReader r) {
    RigQuestion q;
    r.require("says", Text::tr("the question"));
    r.string("says", q.asks);
    r.string("unit", q.unit);
    r.strings("choices", q.choices);
    if (!q.unit.empty() && !anyUnit(q.unit)) r.refuse("unit", Text::tr("a unit such as \"degC\""));
    if (q.choices.size() == 1) r.refuse("choices", Text::tr("at least two"));
    r.onlyKnown();
    return q;
}

/// What the links stand at after a step.
std::vector<std::pair<std::string, bool>> readValves(JsonReader& r) {
    std::vector<std::pair<std::string, bool>> valves;
    const Json* object = r.at("valves");
    if (!object) return valves;
    if (!object->is_object() || object->size() > kMostItems) {
        r.refuse("valves", Text::tr("an object of links, pumps and heaters with what they stand at"));
        return valves;
    }
    for (const auto& [link, state] : object->items()) {
        if (state != "open" && state != "shut" && state != "on" && state != "off") {
            r.refuse("valves", Text::tr("\"open\" or \"shut\" for each link, \"on\" or \"off\" for each pump "
                                        "and heater"));
            return valves;
        }
        valves.emplace_back(link, state == "open" || state == "on");
    }
    return valves;
}

/// Steps, each a text or an object; the list takes the place of what was there.
void readSteps(const JsonReader& r, std::vector<RigStep>& steps, std::optional<Failure>& failure) {
    const Json* list = r.at("steps");
    if (!list) return;
    if (!list->is_array() || list->size() > kMostItems)
        return r.refuse("steps", Text::tr("a list of at most {} texts or objects", kMostItems));
    steps.clear();
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        RigStep step;
        if ((*list)[i].is_string()) {
            step.says = (*list)[i].get<std::string>();
        } else {
            JsonReader one((*list)[i], r.pointer("steps") + "/" + std::to_string(i), failure);
            one.require("says", Text::tr("what is done"));
            one.string("says", step.says);
            one.parsed("kind", step.kind, [](std::string_view w) { return fromWord(kStepKinds, w); });
            step.confirm = readConfirmations(one, failure);
            one.string("see", step.see);
            step.makes = readMoves(one);
            step.valves = readValves(one);
            one.string("measures", step.measures);
            if (!step.measures.empty() && !anyUnit(step.measures))
                one.refuse("measures", Text::tr("a unit such as \"g\""));
            one.flag("repeats", step.repeats);
            if (one.at("asks")) step.question = readQuestion(one.child("asks"));
            one.onlyKnown();
        }
        steps.push_back(std::move(step));
    }
}

/// The first name in braces in a story that no figure has, as a failure.
std::optional<Failure> unknownFigure(const RigStory& s) {
    std::optional<Failure> failure;
    const auto look = [&](const std::string& text) {
        for (std::size_t open = text.find('{'); open != std::string::npos && !failure;
             open = text.find('{', open + 1)) {
            const std::string name = text.substr(open + 1, text.find('}', open) - open - 1);
            if (std::ranges::find(kStoryFigures, name) == std::end(kStoryFigures))
                failure = Failure{Failure::BadInput, Text::tr("/story: '{}' is no figure; accepted: {}", name,
                                                              Text::list(kStoryFigures))};
        }
    };
    look(s.aim);
    look(s.physics);
    for (const auto* list : {&s.lookFor, &s.mistakes, &s.cautions})
        for (const std::string& text : *list)
            look(text);
    for (const RigMaterial& m : s.materials)
        look(m.says);
    for (const RigStep& step : s.steps)
        look(step.says);
    return failure;
}

/// A name that is not among those that there are, as a failure.
std::optional<Failure> unknownPart(const std::string& pointer, const std::string& name,
                                   const std::vector<std::string>& names) {
    if (std::ranges::find(names, name) != names.end()) return std::nullopt;
    return Failure{Failure::BadInput, Text::tr("{}: '{}' is not in this file; accepted: {}", pointer, name,
                                               names.empty() ? Text::tr("none: there is nothing of the kind")
                                                             : Text::list(names))};
}

/// The first link or vessel that is named and is not there, as a failure.
std::optional<Failure> unknownPart(const RigStory& s, const NamedByStory& there) {
    for (std::size_t i = 0; i < s.steps.size(); ++i)
        for (const auto& [link, open] : s.steps[i].valves)
            if (auto wrong =
                    unknownPart("/story/steps/" + std::to_string(i) + "/valves", link, there.switched))
                return wrong;
    for (const std::string& vessel : s.card.evacuated)
        if (auto wrong = unknownPart("/story/card/evacuated", vessel, there.vessels)) return wrong;
    return std::nullopt;
}

/// The first step that makes a move which is not there, as a failure.
std::optional<Failure> unknownMove(const RigStory& s, std::size_t moves) {
    for (std::size_t i = 0; i < s.steps.size(); ++i)
        for (const int place : s.steps[i].makes)
            if (static_cast<std::size_t>(place) >= moves)
                return Failure{Failure::BadInput,
                               Text::tr("/story/steps/{}/makes: there is no move {}; accepted: {}", i, place,
                                        moves == 0 ? Text::tr("none: there are no moves")
                                                   : Text::tr("0 to {}", moves - 1))};
    return std::nullopt;
}

} // namespace

RigStory readStory(JsonReader r, std::optional<Failure>& failure, RigStory s) {
    r.string("aim", s.aim);
    readMaterials(r, s.materials, failure);
    readSteps(r, s.steps, failure);
    r.strings("look_for", s.lookFor);
    r.string("physics", s.physics);
    r.strings("mistakes", s.mistakes);
    r.strings("cautions", s.cautions);
    if (r.has("card")) s.card = readCard(r.child("card"), failure, std::move(s.card));
    r.onlyKnown();
    return s;
}

std::optional<Failure> wrongIn(const RigStory& story, const NamedByStory& there) {
    if (auto figure = unknownFigure(story)) return figure;
    if (auto move = unknownMove(story, there.moves)) return move;
    return unknownPart(story, there);
}

} // namespace uttrin
