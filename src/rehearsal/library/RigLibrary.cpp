#include "RigLibrary.h"

#include "files/UserFolder.h"

#include <algorithm>

namespace uttrin {

RigLibrary ownRigs() { return RigLibrary(userDataFolder() / "rigs"); }

RigLibrary::Shelf RigLibrary::shelf() const {
    Shelf shelf;
    auto kept = m_files.shelf();
    shelf.troubles = std::move(kept.troubles);
    for (const NamedFiles::File& file : kept.files)
        if (auto rig = readRigFile(file.text))
            shelf.rigs.push_back({file.id, std::move(*rig)});
        else
            shelf.troubles.push_back(Text::tr("{}: {}", Text::typed(file.id + ".json"), rig.error().message));
    std::ranges::stable_sort(shelf.rigs, {}, [](const Demonstration& d) { return d.rig.name(); });
    return shelf;
}

Result<std::string> RigLibrary::keep(const RigFile& rig, const std::vector<RigSetting>& settings,
                                     const std::string& name) const {
    return m_files.keep(name, rig.text(settings, name));
}

Result<void> RigLibrary::remove(const std::string& id) const { return m_files.remove(id); }

} // namespace uttrin
