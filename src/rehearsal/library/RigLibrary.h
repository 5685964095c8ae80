#pragma once

#include "files/NamedFiles.h"
#include "rehearsal/Demonstrations.h"

namespace uttrin {

/// A teacher's own rigs with their cards, kept as rig files in a folder across lessons.
class RigLibrary {
public:
    explicit RigLibrary(std::filesystem::path folder) : m_files(std::move(folder)) {}

    struct Shelf {
        std::vector<Demonstration> rigs; ///< by their names
        std::vector<Text> troubles;      ///< files that cannot be read, and why
    };
    /// What is kept; nothing where there is no folder yet.
    [[nodiscard]] Shelf shelf() const;
    /// Keeps a rig with these values under a name, on disk before it returns; one of the same name is
    /// replaced. BadInput for a name without a letter or a figure. @return its file's name without the
    /// ending.
    [[nodiscard]] Result<std::string> keep(const RigFile& rig, const std::vector<RigSetting>& settings,
                                           const std::string& name) const;
    /// Storage says why it cannot be taken away; one that is not there is no failure.
    [[nodiscard]] Result<void> remove(const std::string& id) const;

private:
    NamedFiles m_files;
};

/// The rigs of whoever uses this program, in the user's folder for data.
[[nodiscard]] RigLibrary ownRigs();

} // namespace uttrin
