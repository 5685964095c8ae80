#include "LessonCommands.h"

#include "SelectionCommands.h"
#include "lesson/model/StartingPlan.h"
#include "plan/PlanJson.h"

#include <algorithm>

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

Result<RowId> LessonCommands::addImported(const std::string& name, const Plan& plan,
                                          std::vector<Reading> readings) {
    RowId run = 0;
    const auto done = perform(Text::tr("Import {}", name), [&](Notebook::Editor& edit) {
        const std::string text = writePlan(plan);
        const RowId setup = edit.insert(Setup{0, session().lessonId(), plan.title, text, now()});
        run = edit.insert(Run{0, setup, groupNamed(edit, name), 1, now(), now()});
        edit.insert(RunRig{0, run, text, now(), {}});
        for (Reading& r : readings) {
            r.runId = run;
            edit.insert(r);
        }
    });
    if (!done) return tl::unexpected(done.error());
    (void)SelectionCommands(whole()).selectRun(run);
    return run;
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
    auto done = notebook().undo();
    (void)lookAfterStep();
    return done;
}

Result<void> LessonCommands::redo() {
    auto done = notebook().redo();
    (void)lookAfterStep();
    return done;
}

} // namespace uttrin
