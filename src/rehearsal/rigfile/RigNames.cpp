#include "RigNames.h"

namespace uttrin {

bool RigNames::add(const std::string& name, RigPart part) { return m_parts.emplace(name, part).second; }

int RigNames::part(const JsonReader& r, const char* key, const std::string& name, RigPart::Kind kind) const {
    const auto found = m_parts.find(name);
    if (found != m_parts.end() && found->second.kind == kind) return found->second.index;
    Text what;
    std::vector<std::string> known;
    for (const auto& [k, word] : kPartNames)
        if (k == kind) what = word;
    for (const auto& [other, p] : m_parts)
        if (p.kind == kind) known.push_back(other);
    if (!m_failure)
        m_failure =
            Failure{Failure::BadInput,
                    Text::tr("{}: there is no {} '{}'; accepted: {}", r.path(key), what, name,
                             known.empty() ? Text::tr("there is none in this file") : Text::list(known))};
    return 0;
}

int RigNames::vessel(JsonReader& r, const char* key) const {
    std::string name = m_setup.model.vessels.empty() ? "" : m_setup.model.vessels.front().name;
    r.string(key, name);
    return m_failure ? 0 : part(r, key, name, RigPart::Vessel);
}

int RigNames::end(JsonReader& r, const char* key) const {
    std::string name = "room";
    r.string(key, name);
    return name == "room" || m_failure ? kRoom : part(r, key, name, RigPart::Vessel);
}

} // namespace uttrin
