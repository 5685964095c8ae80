#include "RigLibrary.h"

#include "files/UserFolder.h"
#include "files/WholeFile.h"

#include <algorithm>
#include <cctype>

namespace uttrin {
namespace {

namespace fs = std::filesystem;

constexpr const char* kEnding = ".json";

/// A file's name of a rig's: its letters and figures, with dashes between; letters beyond ASCII as they are.
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

RigLibrary ownRigs() { return RigLibrary(userDataFolder() / "rigs"); }

RigLibrary::Shelf RigLibrary::shelf() const {
    Shelf shelf;
    std::vector<fs::path> files;
    std::error_code none;
    for (const auto& entry : fs::directory_iterator(m_folder, none))
        if (entry.path().extension() == kEnding) files.push_back(entry.path());
    std::ranges::sort(files);
    for (const fs::path& file : files) {
        const auto text = readWholeFile(file, kMebibyte);
        auto rig = text ? readRigFile(*text) : Result<RigFile>(tl::unexpected(text.error()));
        if (rig)
            shelf.rigs.push_back({file.stem().string(), std::move(*rig)});
        else
            shelf.troubles.push_back(
                Text::tr("{}: {}", Text::typed(file.filename().string()), rig.error().message));
    }
    std::ranges::stable_sort(shelf.rigs, {}, [](const Demonstration& d) { return d.rig.name(); });
    return shelf;
}

Result<std::string> RigLibrary::keep(const RigFile& rig, const std::vector<RigSetting>& settings,
                                     const std::string& name) const {
    const std::string id = fileNameOf(name);
    if (id.empty())
        return fail(Failure::BadInput, Text::tr("Give the rig a name with a letter or a figure in it."));
    std::error_code why; // what is wrong is said when it is written
    fs::create_directories(m_folder, why);
    const auto done = writeWholeFile(m_folder / (id + kEnding), rig.text(settings, name));
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<void> RigLibrary::remove(const std::string& id) const {
    std::error_code why;
    fs::remove(m_folder / (fs::path(id).filename().string() + kEnding), why); // never out of the folder
    if (why) return fail(Failure::Storage, Text::tr("'{}' cannot be taken away: {}", id, why.message()));
    return {};
}

} // namespace uttrin
