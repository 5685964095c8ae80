#pragma once

#include "PlanJson.h"
#include "json/JsonReader.h"

#include <nlohmann/json_fwd.hpp>

#include <functional>
#include <optional>
#include <string_view>

/// The room's part of a plan file, and what its parts share.
namespace uttrin {

[[nodiscard]] nlohmann::ordered_json roomToJson(const RoomEntry& room);
void readRoomFrom(JsonReader reader, RoomEntry& room);

/// Parses the text and lets `read` take what it wants from the root; checks nothing else.
[[nodiscard]] Result<void> readObject(std::string_view text,
                                      const std::function<void(JsonReader, std::optional<Failure>&)>& read);

/// A parser of pressures as one of pascals.
template <typename T>
auto inPascal(T (*parse)(std::string_view)) {
    return [parse](std::string_view s) { return parse(s).map([](auto p) { return p.pascal(); }); };
}

} // namespace uttrin
