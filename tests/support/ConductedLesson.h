#pragma once

#include "lesson/actcommands/ActCommands.h"
#include "lesson/actcommands/ConductCommands.h"
#include "lesson/acts/ConductView.h"
#include "support/DrivenLesson.h"

namespace uttrin::testing {

/// A lesson with a demonstration in hand, conducted as a careful teacher would.
class ConductedLesson : public DrivenLesson {
protected:
    FrozenForecasts forecasts;
    RowId id = 0; ///< of the one in hand

    /// Adds one and takes it in hand.
    void add(const std::string& rig, const std::string& variant = {},
             const std::vector<RigSetting>& values = {}) {
        Act a;
        a.kind = ActKind::Demonstration;
        a.title = rig;
        a.rig = writeActRig({rig, variant, {}, values, std::nullopt});
        const auto added = ActCommands(*s).add(a);
        ASSERT_TRUE(added);
        id = *added;
    }
    [[nodiscard]] const Act& act() const { return *s->model().act(id); }
    void begin() {
        const auto frozen = toFreeze(*s, act());
        ASSERT_TRUE(frozen) << frozen.error().message;
        ASSERT_TRUE(ConductCommands(*s).begin(id, *frozen));
    }
    void beginAndShut() {
        begin();
        for (int step = 0; step < 3; ++step)
            ASSERT_TRUE(ConductCommands(*s).confirm(id, step));
    }
};

} // namespace uttrin::testing
