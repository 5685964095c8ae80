#pragma once

#include "json/JsonReader.h"

#include <nlohmann/json.hpp>

namespace uttrin {

/// Of anything that a rig file lists.
inline constexpr std::size_t kMostItems = 200;

/// Calls something with each object of a list under a key; what it does not ask for is refused.
/// @param failure  the first thing that cannot be read, which ends it.
template <typename Use>
void eachItem(const JsonReader& r, const char* key, std::optional<Failure>& failure, Use use) {
    const JsonReader::Json* list = r.at(key);
    if (!list) return;
    if (!list->is_array() || list->size() > kMostItems)
        return r.refuse(key, Text::tr("a list of at most {} objects", kMostItems));
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        JsonReader item((*list)[i], r.pointer(key) + "/" + std::to_string(i), failure);
        use(item);
        item.onlyKnown();
    }
}

} // namespace uttrin
