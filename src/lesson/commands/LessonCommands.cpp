#include "LessonCommands.h"

#include "SelectionCommands.h"
#include "lesson/model/StartingPlan.h"
#include "plan/PlanJson.h"

#include <algorithm>
#include <map>

namespace uttrin {

Result<RowId> LessonCommands::addLesson(Lesson lesson) {
    lesson.utcOffsetMin = session().utcOffsetMin();
    if (lesson.heldOn.empty()) lesson.heldOn = isoText(now(), lesson.utcOffsetMin).substr(0, 10);
    RowId id = 0;
    const auto done = notebook().perform(Text::tr("Add a lesson"), [&](Notebook::Editor& edit) {
        id = edit.insert(lesson);
        for (const Method method : {Method::HoldPressure, Method::HoldTemperature}) {
            const Plan plan = startingPlan(method);
            edit.insert(Setup{0, id, plan.title, writePlan(plan), std::nullopt});
        }
    });
    if (!done) return tl::unexpected(done.error());
    selection().lessonId = id;
    selection().setupId = 0;
    selection().runId.reset();
    selection().targetPlace.reset();
    (void)reload(); // it is on disk; see staleBecause()
    return id;
}

Result<void> LessonCommands::changeLesson(const Lesson& lesson) {
    return perform(Text::tr("Change the lesson"),
                   [&](Notebook::Editor& edit) { edit.update(model().lesson(), lesson); });
}

Result<RowId> LessonCommands::addImported(const std::string& name, const std::vector<ImportedRun>& runs) {
    RowId last = 0;
    const auto done = perform(Text::tr("Import {}", name), [&](Notebook::Editor& edit) {
        std::map<std::string, RowId> setups; // by plan
        for (const ImportedRun& from : runs) {
            const std::string text = writePlan(from.plan);
            auto& setup = setups[text];
            if (setup == 0) setup = edit.insert(Setup{0, session().lessonId(), from.plan.title, text, {}});
            const Milliseconds began = from.readings.empty() ? now() : from.readings.front().takenAt;
            last = edit.insert(Run{0, setup, groupNamed(edit, from.group.empty() ? name : from.group),
                                   from.number, began > 0 ? began : now(), now()});
            edit.insert(RunRig{0, last, text, now(), {}});
            if (from.start) edit.insert(LiquidStart{0, last, from.start->takenAt, from.start->temperature});
            std::vector<RowId> zeros;
            for (ZeroCheck zero : from.zeros) {
                zero.runId = last;
                zeros.push_back(edit.insert(zero));
            }
            for (Reading r : from.readings) {
                r.runId = last;
                if (r.zeroId) r.zeroId = zeros.at(static_cast<std::size_t>(*r.zeroId) - 1);
                edit.insert(r);
            }
        }
    });
    if (!done) return tl::unexpected(done.error());
    (void)SelectionCommands(whole()).selectRun(last);
    return last;
}

Result<void> LessonCommands::lookAfterStep() {
    const auto lessons = notebook().lessons();
    if (!lessons) return reload();
    const bool here = std::any_of(lessons->begin(), lessons->end(),
                                  [this](const Lesson& l) { return l.id == session().lessonId(); });
    if (here) return reload();
    if (!lessons->empty()) return SelectionCommands(whole()).selectLesson(lessons->front().id);
    leaveLesson();
    return {};
}

Result<void> LessonCommands::undo() {
    const auto rig = rigInHand();
    auto done = notebook().undo();
    (void)lookAfterStep();
    keepDraftOnlyFor(rig); // what was typed for the instrument of before
    return done;
}

Result<void> LessonCommands::redo() {
    const auto rig = rigInHand();
    auto done = notebook().redo();
    (void)lookAfterStep();
    keepDraftOnlyFor(rig);
    return done;
}

} // namespace uttrin
