#pragma once

#include "quantities/Failure.h"

#include <cstddef>
#include <filesystem>
#include <functional>
#include <string>
#include <string_view>

/// Files that are read within bounds, and written whole or not at all.
namespace uttrin {

inline constexpr std::size_t kMebibyte = std::size_t{1} << 20;

/// The bytes of a regular file of at most `mostBytes`. Storage if it cannot be read, is no regular file (a
/// folder, a device, a pipe) or is longer; the message names the file and the limit.
[[nodiscard]] Result<std::string> readWholeFile(const std::filesystem::path& path, std::size_t mostBytes);

/// Writes a file beside its place, on disk and looked at again, then puts it there in one step. What was
/// there before stays until then, and stays if it fails. Storage says why.
[[nodiscard]] Result<void> writeWholeFile(const std::filesystem::path& path, std::string_view bytes);

/// The same for what another library writes: `write` is given the place beside, and says why it could not.
/// @param replace  whether a file that is there already is replaced; if not, that is a failure.
[[nodiscard]] Result<void>
writeBeside(const std::filesystem::path& path,
            const std::function<Result<void>(const std::filesystem::path& beside)>& write,
            bool replace = true);

/// What to do about an error of the system when a file is written or read: "the disk is full; free some
/// space, or choose another folder".
[[nodiscard]] Text adviceFor(int systemError);

} // namespace uttrin
