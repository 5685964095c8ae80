#pragma once

#include "lesson/commands/BenchCommands.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/ReadingCommands.h"
#include "lesson/commands/RoomCommands.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/commands/SelectionCommands.h"

#include <gtest/gtest.h>

#include <functional>

namespace uttrin::testing {

/// A session with the commands of every subject at hand.
class HandledSession : public LessonSession {
public:
    using LessonSession::LessonSession;

    auto selectLesson(RowId id) { return SelectionCommands(*this).selectLesson(id); }
    void selectSetup(RowId id) { ASSERT_TRUE(SelectionCommands(*this).selectSetup(id)); }
    void selectRun(RowId id) { ASSERT_TRUE(SelectionCommands(*this).selectRun(id)); }
    void selectTarget(std::optional<int> place) { ASSERT_TRUE(SelectionCommands(*this).selectTarget(place)); }
    void layOver(const std::string& id, bool on) { ASSERT_TRUE(SelectionCommands(*this).layOver(id, on)); }
    void setRehearsing(const std::string& name) { ASSERT_TRUE(SelectionCommands(*this).setRehearsing(name)); }
    auto addLesson(const Lesson& lesson) { return LessonCommands(*this).addLesson(lesson); }
    auto changeLesson(const Lesson& lesson) { return LessonCommands(*this).changeLesson(lesson); }
    auto addImported(const std::string& name, const std::vector<ImportedRun>& runs) {
        return LessonCommands(*this).addImported(name, runs);
    }
    auto undo() { return LessonCommands(*this).undo(); }
    auto redo() { return LessonCommands(*this).redo(); }
    auto saveCopy(const std::filesystem::path& to) { return LessonCommands(*this).saveCopy(to); }
    auto enterRoom(const RoomEntry& entry, RoomRole role, Milliseconds at, std::optional<RowId> group = {},
                   const PhotoEvidence* photo = nullptr) {
        return RoomCommands(*this).enterRoom(entry, role, at, group, photo);
    }
    auto changePlan(const Plan& plan, const Text& label) {
        return PlanCommands(*this).changePlan(plan, label);
    }
    auto correctRun(RowId id) { return PlanCommands(*this).correctRun(id); }
    auto calibrate(std::optional<double> ice, std::optional<double> steam, bool earlier) {
        return PlanCommands(*this).calibrate(ice, steam, earlier);
    }
    auto moveTarget(int place, Pressure to) { return PlanCommands(*this).moveTarget(place, to); }
    auto addSetup(Method method) { return PlanCommands(*this).addSetup(method); }
    auto addSolutionPart(const Solute& solute) { return PlanCommands(*this).addSolutionPart(solute); }
    auto predict(int place, std::optional<Temperature> t) { return PlanCommands(*this).predict(place, t); }
    auto lockPredictions() { return PlanCommands(*this).lockPredictions(); }
    auto unlockPredictions() { return PlanCommands(*this).unlockPredictions(); }
    auto startRun(const std::string& group) { return RunCommands(*this).startRun(group); }
    auto checkZero(double first, std::optional<double> second) {
        return RunCommands(*this).checkZero(first, second);
    }
    auto stampStart(double temperature) { return RunCommands(*this).stampStart(temperature); }
    auto addNote(const std::string& text) { return RunCommands(*this).addNote(text); }
    /// Types at the bench.
    void edit(const std::function<void(BenchDraft&)>& typing) {
        BenchDraft typed = draft();
        typing(typed);
        ASSERT_TRUE(BenchCommands(*this).setDraft(typed));
    }
    void takeFromPhoto(PhotoEvidence e) { ASSERT_TRUE(BenchCommands(*this).takeFromPhoto(std::move(e))); }
    /// As a careful person: says that the pump was shut off, unless something else was said.
    Result<CaptureOutcome> capture(bool keepOddPair = false) {
        if (!draft().isolated) edit([](BenchDraft& d) { d.isolated = true; });
        return BenchCommands(*this).capture(keepOddPair);
    }
    auto captureBracket() { return BenchCommands(*this).captureBracket(); }
    auto strike(RowId id, const std::string& reason) { return ReadingCommands(*this).strike(id, reason); }
    auto restore(RowId id) { return ReadingCommands(*this).restore(id); }
    auto retake(RowId id) { return ReadingCommands(*this).retake(id); }
    auto useInFit(RowId id, bool use) { return ReadingCommands(*this).useInFit(id, use); }
};

} // namespace uttrin::testing
