#include "NamedFiles.h"

#include "WholeFile.h"

#include <algorithm>
#include <cctype>

namespace uttrin {
namespace {

namespace fs = std::filesystem;

constexpr const char* kEnding = ".json";

/// The name of a file for a name: its letters and figures, with dashes between; letters beyond ASCII as they
/// are.
std::string fileNameOf(const std::string& name) {
    constexpr std::size_t kLongest = 100;
    std::string id;
    for (const char c : name) {
        const auto byte = static_cast<unsigned char>(c);
        if (byte >= 0x80 || std::isalnum(byte) != 0)
            id += static_cast<char>(byte < 0x80 ? std::tolower(byte) : byte);
        else if (!id.empty() && id.back() != '-')
            id += '-';
    }
    while (!id.empty() && (id.back() == '-' || id.size() > kLongest))
        id.pop_back();
    // Not in the middle of a letter.
    while (!id.empty() && id.size() == kLongest && (static_cast<unsigned char>(id.back()) & 0xC0U) == 0x80U)
        id.pop_back();
    return id;
}

} // namespace

std::vector<Text> NamedFiles::read(
    const std::function<Result<void>(const std::string& id, const std::string& text)>& take) const {
    std::vector<fs::path> paths;
    std::error_code none;
    for (const auto& entry : fs::directory_iterator(m_folder, none))
        if (entry.path().extension() == kEnding) paths.push_back(entry.path());
    std::ranges::sort(paths);
    std::vector<Text> troubles;
    for (const fs::path& path : paths) {
        const auto text = readWholeFile(path, kMebibyte);
        const auto taken =
            text ? take(path.stem().string(), *text) : Result<void>(tl::unexpected(text.error()));
        if (!taken)
            troubles.push_back(
                Text::tr("{}: {}", Text::typed(path.filename().string()), taken.error().message));
    }
    return troubles;
}

Result<std::string> NamedFiles::keep(const std::string& name, const std::string& text) const {
    const std::string id = fileNameOf(name);
    if (id.empty())
        return fail(Failure::BadInput, Text::tr("Give it a name with a letter or a figure in it."));
    std::error_code why; // what is wrong is said when it is written
    fs::create_directories(m_folder, why);
    const auto done = writeWholeFile(m_folder / (id + kEnding), text);
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<void> NamedFiles::remove(const std::string& id) const {
    std::error_code why;
    fs::remove(m_folder / (fs::path(id).filename().string() + kEnding), why); // never out of the folder
    if (why) return fail(Failure::Storage, Text::tr("'{}' cannot be taken away: {}", id, why.message()));
    return {};
}

} // namespace uttrin
