#include "Demonstrations.h"

#include "ShippedRigs.h"
#include "json/JsonSchema.h"

#include <fmt/format.h>

#include <algorithm>
#include <stdexcept>

namespace uttrin {

const std::vector<Demonstration>& demonstrations() {
    static const std::vector<Demonstration> all = [] {
        std::vector<Demonstration> list;
        for (const ShippedText& shipped : shippedRigs()) {
            auto rig = RigFile::parse(shipped.text);
            if (!rig) throw std::logic_error(fmt::format("{}: {}", shipped.file, plain(rig.error().message)));
            list.push_back({std::string(shipped.file.substr(0, shipped.file.rfind('.'))), std::move(*rig)});
        }
        return list;
    }();
    return all;
}

const Demonstration* findDemonstration(std::string_view id) {
    const auto& all = demonstrations();
    const auto at = std::ranges::find(all, id, &Demonstration::id);
    return at == all.end() ? nullptr : &*at;
}

Result<RigFile> readRigFile(std::string_view text) {
    auto rig = RigFile::parse(text);
    if (!rig) return tl::unexpected(withLine(rig.error(), text));
    if (const auto kept = keepsSchema(text, shippedRigSchema().front().text); !kept)
        return tl::unexpected(kept.error());
    return rig;
}

} // namespace uttrin
