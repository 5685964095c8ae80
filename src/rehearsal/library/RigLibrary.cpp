#include "RigLibrary.h"

#include "files/UserFolder.h"

#include <algorithm>

namespace uttrin {

RigLibrary ownRigs() { return RigLibrary(userDataFolder() / "rigs"); }

RigLibrary::Shelf RigLibrary::shelf() const {
    Shelf shelf;
    shelf.troubles = m_files.read([&](const std::string& id, const std::string& text) {
        return readRigFile(text).map([&](auto one) { shelf.rigs.push_back({id, std::move(one)}); });
    });
    std::ranges::stable_sort(shelf.rigs, {}, [](const Demonstration& d) { return d.rig.name(); });
    return shelf;
}

Result<std::string> RigLibrary::keep(const RigFile& rig, const std::vector<RigSetting>& settings,
                                     const std::string& name) const {
    return m_files.keep(name, rig.text(settings, name));
}

Result<void> RigLibrary::remove(const std::string& id) const { return m_files.remove(id); }

} // namespace uttrin
