#include "ShippedProfiles.h"

#include "json/JsonSchema.h"

#include <algorithm>
#include <stdexcept>

namespace uttrin {

const std::vector<ShippedProfile>& shippedProfiles() {
    static const std::vector<ShippedProfile> all = [] {
        std::vector<ShippedProfile> list;
        for (const ShippedText& shipped : shippedProfileTexts()) {
            auto profile = readLiveProfile(shipped.text);
            if (!profile)
                throw std::logic_error(std::string(shipped.file) + ": " + plain(profile.error().message));
            list.push_back(
                {std::string(shipped.file.substr(0, shipped.file.rfind('.'))), std::move(*profile)});
        }
        return list;
    }();
    return all;
}

const ShippedProfile* findProfile(std::string_view id) {
    const auto& all = shippedProfiles();
    const auto at = std::ranges::find(all, id, &ShippedProfile::id);
    return at == all.end() ? nullptr : &*at;
}

Result<LiveProfile> readProfileFile(std::string_view text) {
    auto profile = readLiveProfile(text);
    if (!profile) return profile;
    if (const auto kept = keepsSchema(text, shippedProfileSchema().front().text); !kept)
        return tl::unexpected(kept.error());
    return profile;
}

} // namespace uttrin
