#pragma once

#include "RigCard.h"
#include "json/JsonReader.h"

namespace uttrin {

/// What stands under "materials" of a story: texts or objects; the list takes the place of what was there.
void readMaterials(const JsonReader& story, std::vector<RigMaterial>& materials,
                   std::optional<Failure>& failure);

/// A card with what is said anew: what a key is missing for stays.
[[nodiscard]] RigCard readCard(JsonReader reader, std::optional<Failure>& failure, RigCard before);

} // namespace uttrin
