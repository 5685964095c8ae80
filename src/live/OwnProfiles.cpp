#include "OwnProfiles.h"

#include "files/UserFolder.h"

#include <algorithm>

namespace uttrin {

OwnProfiles ownProfiles() { return OwnProfiles(userDataFolder() / "instruments-live"); }

OwnProfiles::Shelf OwnProfiles::shelf() const {
    Shelf shelf;
    shelf.troubles = m_files.read([&](const std::string& id, const std::string& text) {
        return readProfileFile(text).map([&](auto one) { shelf.profiles.push_back({id, std::move(one)}); });
    });
    std::ranges::stable_sort(shelf.profiles, {}, [](const ShippedProfile& p) { return p.profile.name; });
    return shelf;
}

Result<std::string> OwnProfiles::keep(const LiveProfile& profile) const {
    const std::string text = writeLiveProfile(profile);
    if (const auto back = readProfileFile(text); !back) return tl::unexpected(back.error());
    return m_files.keep(profile.name, text);
}

Result<LiveProfile> profileWithId(std::string_view id) {
    for (const ShippedProfile& own : ownProfiles().shelf().profiles)
        if (own.id == id) return own.profile;
    if (const ShippedProfile* shipped = findProfile(id)) return shipped->profile;
    return fail(Failure::BadInput, Text::tr("There is no profile '{}' any more.", Text::typed(id)));
}

Result<std::string> idToFindAgain(const LiveProfile& profile) {
    const std::string text = writeLiveProfile(profile);
    std::vector<ShippedProfile> known = ownProfiles().shelf().profiles;
    known.insert(known.end(), shippedProfiles().begin(), shippedProfiles().end());
    for (const ShippedProfile& one : known)
        if (writeLiveProfile(one.profile) == text) return one.id;
    return ownProfiles().keep(profile);
}

} // namespace uttrin
