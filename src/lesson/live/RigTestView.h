#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"
#include "trace/Trace.h"

#include <vector>

namespace uttrin {

/// A test of a rig, for people: what it says, in kelvin of the boiling points that are to be measured with
/// it.
struct RigTestView {
    Text heading; ///< "Leak test at 10:31, dry, 1.2 L"
    Text verdict; ///< one sentence
    bool passes = false;
    Text rate; ///< "rises by 12.3 ± 0.4 Pa/s, a leak by odds of 140 to 1"
    /// By how much the boiling point at a target moves while a point is captured.
    struct Line {
        Text target, kelvin;
        bool tooMuch = false;
    };
    std::vector<Line> targets;
    Text enthalpy;                 ///< what it does to the result of a lab
    Text advice;                   ///< what to do; empty where nothing needs it
    Text comparison;               ///< with the test before it, of the same kind; empty without
    Text trouble;                  ///< why it says nothing; all else is empty then
    Trace trace;                   ///< its readings
    std::vector<double> explained; ///< Pa, at the times of the pressures: what the fit says; may be empty
    double ultimatePascal = 0.0, litrePerMinute = 0.0; ///< of a pump; 0 where nothing was fitted
};

/// What a test has to keep to.
struct RigTestLimits {
    double captureSeconds = 30.0; ///< that a point takes
    double kelvin = 0.1;          ///< by which it may move meanwhile
};
/// What a test is called, without working it out: see RigTestView::heading.
[[nodiscard]] Text rigTestHeading(const LessonSession& session, const RigTest& test);
[[nodiscard]] RigTestView rigTestView(const LessonSession& session, const RigTest& test,
                                      const RigTestLimits& limits = {});

/// Those of the set-up in hand, newest first.
[[nodiscard]] std::vector<const RigTest*> testsInHand(const LessonSession& session);

/// Commands on tests of a rig.
class RigTestCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Keeps a test of the set-up in hand. BadInput where its readings do not say enough to be a test.
    [[nodiscard]] Result<RowId> keepTest(RigTest test);
    [[nodiscard]] Result<void> removeTest(RowId id);
    /// Takes the ultimate pressure and the speed of a pump-down for the plan's pump.
    [[nodiscard]] Result<void> usePump(RowId id);

private:
    [[nodiscard]] Result<RigTest> find(RowId id) const;
};

} // namespace uttrin
