#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>

namespace uttrin {

/// When a picture was taken, as its camera wrote it into the file (EXIF 2.3: DateTimeOriginal, with
/// OffsetTimeOriginal where the camera knew that), in milliseconds since 1970-01-01 UTC. Nothing where the
/// file does not say it, or says what is no time.
/// @param utcOffsetMin  of the place where it was taken, for cameras that do not know it.
[[nodiscard]] std::optional<std::int64_t> pictureTime(std::span<const std::byte> file, int utcOffsetMin);

} // namespace uttrin
