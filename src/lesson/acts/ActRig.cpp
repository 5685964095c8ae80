#include "ActRig.h"

#include "json/JsonReader.h"
#include "json/JsonText.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/card/ToldCard.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr const char* kUnknown = "unknown";
constexpr const char* kForEachGroup = "a flask for each group"; // a variant of the sealed flask
constexpr const char* kHandPump = "hand pump";                  // the variant of a lab's card

Json settingsJson(const std::vector<RigSetting>& settings) {
    Json json = Json::object();
    for (const RigSetting& s : settings)
        json[s.pointer] = s.value;
    return json;
}

void readSettings(const JsonReader& r, const char* key, std::vector<RigSetting>& into) {
    const Json* settings = r.at(key);
    if (!settings) return;
    if (!settings->is_object()) return r.refuse(key, Text::tr("an object of JSON pointers and values"));
    for (const auto& [pointer, value] : settings->items())
        if (value.is_string())
            into.push_back({pointer, value.get<std::string>()});
        else
            r.refuse(key, Text::tr("values as texts, such as \"300 g\""));
}

} // namespace

const RigFile* ActRig::rig() const {
    if (file) return &*file;
    const Demonstration* shipped = findDemonstration(id);
    return shipped ? &shipped->rig : nullptr;
}

int ActRig::variantPlace() const {
    const RigFile* of = rig();
    if (!of || variant.empty()) return -1;
    const auto at = std::ranges::find(of->variants(), variant, &RigVariant::name);
    return at == of->variants().end() ? -1 : static_cast<int>(at - of->variants().begin());
}

std::vector<RigSetting> ActRig::settings() const {
    std::vector<RigSetting> all = room;
    if (const int place = variantPlace(); place >= 0) {
        const auto& own = rig()->variants()[static_cast<std::size_t>(place)].settings;
        all.insert(all.end(), own.begin(), own.end());
    }
    all.insert(all.end(), values.begin(), values.end());
    return all;
}

void ActRig::set(const RigSetting& value) {
    std::erase_if(values, [&](const RigSetting& s) { return s.pointer == value.pointer; });
    values.push_back(value);
}

void ActRig::choose(const std::string& condition, const std::string& chosen) {
    const auto& all = story().card.conditions;
    const auto at = std::ranges::find(all, condition, &RigCondition::name);
    if (chosen.empty() || (at != all.end() && at->choices.front() == chosen))
        conditions.erase(condition);
    else
        conditions[condition] = chosen;
}

Text ActRig::refused() const {
    const RigFile* of = rig();
    if (!of) return Text::tr("there is no rig '{}'", id);
    const std::string& why = of->onlyLookedAt(variantPlace());
    if (!why.empty()) return Text::tr("only to be rehearsed: {}", Text::data(why));
    const auto setup = of->setup(settings());
    return setup ? vesselRefused(story().card, *setup) : Text();
}

ActRig sealedCoolingLab() { return {"sealed-flask", kForEachGroup, {}, {}, std::nullopt}; }

std::string writeActRig(const ActRig& rig) {
    Json json = Json::object();
    if (rig.file)
        json["file"] = Json::parse(rig.file->text({}, rig.file->name()));
    else
        json["rig"] = rig.id;
    if (!rig.variant.empty()) json["variant"] = rig.variant;
    if (!rig.room.empty()) json["room"] = settingsJson(rig.room);
    json["values"] = settingsJson(rig.values);
    if (!rig.conditions.empty()) json["conditions"] = rig.conditions;
    if (!rig.liquidKnown) json["liquid"] = kUnknown;
    return json.dump();
}

Result<ActRig> readActRig(const std::string& text) {
    const auto json = parseJson(text);
    if (!json) return tl::unexpected(json.error().failure());
    std::optional<Failure> failure;
    JsonReader r(*json, "", failure);
    ActRig rig;
    r.string("rig", rig.id);
    r.string("variant", rig.variant);
    if (const Json* file = r.at("file")) {
        auto own = RigFile::parse(file->dump());
        if (!own) return tl::unexpected(own.error());
        rig.file = std::move(*own);
    }
    readSettings(r, "room", rig.room);
    readSettings(r, "values", rig.values);
    if (const Json* conditions = r.at("conditions"); conditions && conditions->is_object()) {
        for (const auto& [name, chosen] : conditions->items())
            if (chosen.is_string()) rig.conditions[name] = chosen.get<std::string>();
    } else if (conditions) {
        r.refuse("conditions", Text::tr("an object of conditions and what was chosen"));
    }
    std::string liquid;
    r.string("liquid", liquid);
    if (!liquid.empty() && liquid != kUnknown)
        r.refuse("liquid", Text::tr("\"unknown\", or nothing where it is the rig file’s"));
    rig.liquidKnown = liquid.empty();
    r.onlyKnown();
    if (failure) return tl::unexpected(*failure);
    const RigFile* of = rig.rig();
    if (!of) return fail(Failure::BadInput, Text::tr("there is no rig '{}'", rig.id));
    for (const auto* settings : {&rig.room, &rig.values})
        for (const RigSetting& s : *settings)
            if (!of->sets(s.pointer))
                return fail(Failure::BadInput, Text::tr("'{}' leads to no text of this rig file", s.pointer));
    return rig;
}

Result<ActRig> cardOf(const LessonModel& model, const Act& act) {
    if (act.kind != ActKind::Lab || !act.rig.empty()) return rigOf(act);
    if (!act.setupId || !model.hasPlan(*act.setupId))
        return fail(Failure::BadInput, Text::tr("its plan is not in this notebook"));
    const Plan& plan = model.plan(*act.setupId);
    ActRig card;
    card.id = plan.method == Method::HoldPressure ? "lab-held-pressure" : "lab-held-temperature";
    if (plan.rig.pump == PumpKind::Hand) card.variant = kHandPump;
    return card;
}

Result<ActRig> rigOf(const Act& act) { return readActRig(act.frozen.empty() ? act.rig : act.frozen); }

} // namespace uttrin
