#include "RigArguments.h"

#include "rehearsal/library/RigLibrary.h"

#include <algorithm>

namespace uttrin::cli {

RigFile rigFrom(const std::string& word) {
    if (const Demonstration* shipped = findDemonstration(word)) return shipped->rig;
    for (Demonstration& own : ownRigs().shelf().rigs)
        if (own.id == word) return std::move(own.rig);
    return need(readRigFile(fileText(word)));
}

std::vector<RigSetting> settingsFrom(const RigFile& rig, const std::vector<std::string>& words) {
    std::vector<RigSetting> settings;
    for (const std::string& word : words) {
        const auto equals = word.find('=');
        if (equals == std::string::npos)
            throw Refusal{{Failure::BadInput,
                           Text::tr("'{}' sets nothing; accepted: \"/JSON/pointer=VALUE UNIT\"", word)}};
        const std::string what = word.substr(0, equals), value = word.substr(equals + 1);
        if (what.starts_with("/")) {
            settings.push_back({what, value});
            continue;
        }
        const auto knob = std::ranges::find(rig.knobs(), what, &RigKnob::name);
        if (knob == rig.knobs().end())
            throw Refusal{
                {Failure::BadInput, Text::tr("this rig has no knob '{}'; accepted: {}, or a JSON pointer",
                                             what, Text::list(rig.knobs(), &RigKnob::name))}};
        for (const std::string& pointer : knob->pointers)
            settings.push_back({pointer, value});
    }
    return settings;
}

} // namespace uttrin::cli
