#include "UserFolder.h"

#include <cstdlib>

namespace uttrin {

std::filesystem::path userDataFolder() {
    const char* data = std::getenv("XDG_DATA_HOME"); // NOLINT(concurrency-mt-unsafe): read at the start only
    const char* home = std::getenv("HOME");          // NOLINT(concurrency-mt-unsafe)
    const std::filesystem::path base = data && *data
                                           ? std::filesystem::path(data)
                                           : std::filesystem::path(home ? home : ".") / ".local" / "share";
    return base / "uttrin";
}

} // namespace uttrin
