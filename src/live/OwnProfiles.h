#pragma once

#include "ShippedProfiles.h"
#include "files/NamedFiles.h"

namespace uttrin {

/// Profiles that a person made, kept as files in a folder across lessons.
class OwnProfiles {
public:
    explicit OwnProfiles(std::filesystem::path folder) : m_files(std::move(folder)) {}
    struct Shelf {
        std::vector<ShippedProfile> profiles; ///< by their names
        std::vector<Text> troubles;           ///< files that cannot be read, and why
    };
    [[nodiscard]] Shelf shelf() const;
    /// Keeps one under its name, on disk before it returns; one of the same name is replaced. BadInput for a
    /// name without a letter or a figure. @return its id.
    [[nodiscard]] Result<std::string> keep(const LiveProfile& profile) const;

private:
    NamedFiles m_files;
};

/// Those of whoever uses this program, in the user's folder for data.
[[nodiscard]] OwnProfiles ownProfiles();

/// A profile by its id, among those of whoever uses this program first, then among those that ship. BadInput
/// where there is none.
[[nodiscard]] Result<LiveProfile> profileWithId(std::string_view id);
/// The id under which a profile is to be had again; it is kept among one's own where it is not yet.
[[nodiscard]] Result<std::string> idToFindAgain(const LiveProfile& profile);

} // namespace uttrin
