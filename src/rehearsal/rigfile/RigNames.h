#pragma once

#include "RigFile.h"
#include "RigWords.h"
#include "json/JsonReader.h"

#include <map>
#include <optional>
#include <string>

namespace uttrin {

/// The parts of a rig file by the names that it gives them.
class RigNames {
public:
    /// @param setup  into which the parts are read. @param failure  where what is refused is noted.
    RigNames(const RigSetup& setup, std::optional<Failure>& failure) : m_setup(setup), m_failure(failure) {}

    /// Whether no other part has the name.
    [[nodiscard]] bool add(const std::string& name, RigPart part);
    /// The index of a part of one kind by its name; refuses others and names those that there are.
    [[nodiscard]] int part(const JsonReader& reader, const char* key, const std::string& name,
                           RigPart::Kind kind) const;
    /// The vessel that a key names; the first one without it.
    [[nodiscard]] int vessel(JsonReader& reader, const char* key = "vessel") const;
    /// A vessel, or the room.
    [[nodiscard]] int end(JsonReader& reader, const char* key) const;

private:
    const RigSetup& m_setup;
    std::optional<Failure>& m_failure;
    std::map<std::string, RigPart> m_parts;
};

} // namespace uttrin
