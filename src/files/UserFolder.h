#pragma once

#include <filesystem>

namespace uttrin {

/// The folder for what a person keeps for this program, "~/.local/share/uttrin" unless XDG_DATA_HOME says
/// otherwise.
[[nodiscard]] std::filesystem::path userDataFolder();

} // namespace uttrin
