#pragma once

#include "lesson/model/LessonModel.h"
#include "notebook/Records.h"
#include "rehearsal/rigfile/RigFile.h"

#include <map>
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
    std::map<std::string, std::string> conditions =
        {};                  ///< of its card, as it is set up; the usual where none is given
    bool liquidKnown = true; ///< else nothing is forecast that needs its curve; what is read and seen is kept

    /// The file; null if it names one that does not ship.
    [[nodiscard]] const RigFile* rig() const;
    /// Of the variant; -1 for the file as it is, or if it has no such variant.
    [[nodiscard]] int variantPlace() const;
    /// Of the variant.
    [[nodiscard]] const RigStory& story() const { return rig()->story(variantPlace()); }
    /// The room, the variant's settings, this teacher's own: later ones win.
    [[nodiscard]] std::vector<RigSetting> settings() const;
    void set(const RigSetting& value);
    /// Of a condition of its card; what is usual is not kept.
    void choose(const std::string& condition, const std::string& chosen);
    /// Why it cannot be an act; empty if it can.
    [[nodiscard]] Text refused() const;
};

/// Of the third way of a lab, sealed cooling: a flask for each group.
[[nodiscard]] ActRig sealedCoolingLab();

/// As it is kept in a notebook (docs/notebook-format.md, The rig of an act).
[[nodiscard]] std::string writeActRig(const ActRig& rig);
/// BadInput says what cannot be read and what is accepted.
[[nodiscard]] Result<ActRig> readActRig(const std::string& json);
/// The rig of an act: as it was frozen when it went live, before that as it is planned.
[[nodiscard]] Result<ActRig> rigOf(const Act& act);
/// The rig by whose card an act is led: its own; of a lab that of its method and its pump, as it was when it
/// began, before that as it is planned. BadInput for an act that has none.
[[nodiscard]] Result<ActRig> cardOf(const LessonModel& model, const Act& act);

} // namespace uttrin
