#pragma once

#include "notebook/Records.h"
#include "rehearsal/rigfile/RigFile.h"

#include <optional>
#include <string>

namespace uttrin {

/// The rig of an act: which one, which of its variants, and the values that this teacher set otherwise.
struct ActRig {
    std::string id;               ///< of one that ships; empty of one that a person brought
    std::string variant;          ///< its name; empty: as the file has it
    std::vector<RigSetting> room; ///< in which it stands; empty: as the file has it
    std::vector<RigSetting> values;
    std::optional<RigFile> file; ///< that a person brought

    /// The file; null if it names one that does not ship.
    [[nodiscard]] const RigFile* rig() const;
    /// Of the variant; -1 for the file as it is, or if it has no such variant.
    [[nodiscard]] int variantPlace() const;
    /// Of the variant.
    [[nodiscard]] const RigStory& story() const { return rig()->story(variantPlace()); }
    /// The room, the variant's settings, this teacher's own: later ones win.
    [[nodiscard]] std::vector<RigSetting> settings() const;
    /// Why it cannot be an act; empty if it can.
    [[nodiscard]] Text refused() const;
};

/// As it is kept in a notebook (docs/notebook-format.md, The rig of an act).
[[nodiscard]] std::string writeActRig(const ActRig& rig);
/// BadInput says what cannot be read and what is accepted.
[[nodiscard]] Result<ActRig> readActRig(const std::string& json);
/// The rig of an act: as it was frozen when it went live, before that as it is planned.
[[nodiscard]] Result<ActRig> rigOf(const Act& act);

} // namespace uttrin
