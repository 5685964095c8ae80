#include "ValveTable.h"

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

/// What stands at what in a model.
using Standing = std::map<std::string, bool>;

Standing standingOf(const RigModel& model) {
    Standing all;
    for (const Link& l : model.links)
        if (l.reliefPascal == 0.0) all[l.name] = l.opening > 0.0;
    for (const PumpAt& p : model.pumps)
        all[p.name] = p.on;
    for (const Heater& h : model.heaters)
        all[h.name] = h.watt > 0.0;
    return all;
}

/// The part that an action sets, by its name; nothing for what has no valve and no switch.
std::optional<std::string> touchedBy(const RigAction& a, const RigModel& model) {
    const auto part = static_cast<std::size_t>(a.part);
    switch (a.what) {
    case RigAction::Open:
        return model.links[part].name;
    case RigAction::RunPump:
        return model.pumps[part].name;
    case RigAction::Heat:
        return model.heaters[part].name;
    default:
        return std::nullopt;
    }
}

} // namespace

ValveTable valveTable(const RigStory& story, const RigSetup& setup) {
    RigModel model = setup.model;
    Standing now = standingOf(model);
    std::vector<Standing> after;
    std::vector<std::string> touched;
    for (const RigStep& step : story.steps) {
        for (const int move : step.makes)
            for (const RigAction& action : setup.moves[static_cast<std::size_t>(move)].actions)
                if (const auto name = touchedBy(action, model)) {
                    carryOut(action, 0.0, model);
                    touched.push_back(*name);
                    now[*name] = standingOf(model)[*name];
                }
        for (const auto& [name, open] : step.valves) {
            touched.push_back(name);
            now[name] = open;
        }
        after.push_back(now);
    }
    ValveTable table;
    const auto add = [&](const std::string& name, bool link) {
        if (std::ranges::find(touched, name) == touched.end()) return;
        table.names.push_back(name);
        table.links.push_back(link);
    };
    for (const Link& l : model.links)
        add(l.name, true);
    for (const PumpAt& p : model.pumps)
        add(p.name, false);
    for (const Heater& h : model.heaters)
        add(h.name, false);
    for (const Standing& standing : after) {
        auto& row = table.after.emplace_back();
        for (const std::string& name : table.names)
            row.push_back(standing.at(name));
    }
    return table;
}

Text valveAfter(const ValveTable& t, std::size_t step, std::size_t name) {
    const bool on = t.after[step][name];
    if (t.links[name]) return on ? Text::tr("open") : Text::tr("shut");
    return on ? Text::tr("on") : Text::tr("off");
}

Text valvesAfter(const ValveTable& t, std::size_t step) {
    std::vector<Text> all;
    for (std::size_t i = 0; i < t.names.size(); ++i)
        all.push_back(Text::set("{} {}", Text::data(t.names[i]), valveAfter(t, step, i)));
    return Text::join(all, Text::set(", "));
}

} // namespace uttrin
