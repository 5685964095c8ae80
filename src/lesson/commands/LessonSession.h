#pragma once

#include "BenchDraft.h"
#include "Selection.h"
#include "analysis/SlipCheck.h"
#include "lesson/model/Clock.h"
#include "notebook/Notebook.h"

#include <functional>
#include <optional>
#include <string>

namespace uttrin {

/// A lesson being worked on: the open notebook, what is selected in it, and what is typed at the bench. Views
/// look at it; it is changed by the commands of this room alone (SelectionCommands, LessonCommands,
/// RoomCommands, PlanCommands, RunCommands, BenchCommands, ReadingCommands).
class LessonSession {
public:
    /// Opens on the newest lesson; `hasLesson` is false where the notebook has none.
    LessonSession(Notebook notebook, const Clock& clock, int utcOffsetMin);
    LessonSession(const LessonSession&) = delete;
    LessonSession& operator=(const LessonSession&) = delete;

    [[nodiscard]] const LessonModel& model() const { return m_model; }
    [[nodiscard]] const Notebook& notebook() const { return m_notebook; }
    [[nodiscard]] const Clock& clock() const { return m_clock; }
    [[nodiscard]] int utcOffsetMin() const { return m_utcOffsetMin; }
    [[nodiscard]] const Selection& selection() const { return m_selection; }
    [[nodiscard]] const BenchDraft& draft() const { return m_draft; }

    [[nodiscard]] bool hasLesson() const { return m_selection.lessonId != 0; }
    [[nodiscard]] RowId lessonId() const { return m_selection.lessonId; }
    [[nodiscard]] RowId setupId() const { return m_selection.setupId; }
    [[nodiscard]] std::optional<RowId> runId() const { return m_selection.runId; }
    [[nodiscard]] std::optional<RowId> groupId() const;
    /// The plan in hand, and what it asks for in the known room.
    [[nodiscard]] const Plan& plan() const { return m_model.plan(setupId()); }
    [[nodiscard]] const Result<RunSheet>& sheet() const { return m_model.sheet(setupId(), groupId()); }
    /// The same at the bench: with the rig that the run in hand was taken with. The plan's before there is a
    /// run.
    [[nodiscard]] const Plan& benchPlan() const { return runId() ? m_model.planOfRun(*runId()) : plan(); }
    [[nodiscard]] const Result<RunSheet>& benchSheet() const {
        return runId() ? m_model.sheetOfRun(*runId()) : sheet();
    }
    [[nodiscard]] std::optional<RoomPressure> room() const;
    /// The station pressure, or the standard atmosphere until it is known: for scales and examples, never for
    /// readings.
    [[nodiscard]] Pressure roomOrStandard() const;
    /// The target that is next to be taken in the current run; empty when all are, or there is no sheet.
    [[nodiscard]] std::optional<Target> currentTarget() const;

    /// What is typed as it would be captured now: its time, its target, the zero that applies. The one way
    /// from the draft to a reading: strip, map, check for slips and capture all take it.
    [[nodiscard]] LiveReading draftReading() const;
    /// The pair that is at the bench now: typed, or the last one captured.
    [[nodiscard]] LiveReading liveReading() const;
    /// A reading worked out with the rig and the room of the run in hand, or of the plan before there is one.
    [[nodiscard]] ReducedReading reduceHere(const Reading& reading) const;
    /// What looks odd about the draft; nothing while it is not complete.
    [[nodiscard]] SlipFinding checkDraft() const;
    /// Whether the first half of a bracket is taken and the second is awaited.
    [[nodiscard]] bool bracketAwaitsRestart() const;

    /// Why the lesson could not be read again after the last change; what is shown is then as it was before.
    /// The change itself is on disk.
    [[nodiscard]] const std::optional<Failure>& staleBecause() const { return m_stale; }

    [[nodiscard]] bool canUndo() const { return m_notebook.canUndo(); }
    [[nodiscard]] bool canRedo() const { return m_notebook.canRedo(); }

private:
    friend class SessionCommands;
    Result<void> reload();
    void carry(LiveReading& live, bool gaugeLive, bool thermometerLive) const;

    Notebook m_notebook;
    const Clock& m_clock;
    int m_utcOffsetMin;
    LessonModel m_model;
    Selection m_selection;
    BenchDraft m_draft;
    std::optional<Failure> m_stale;
};

/// What the commands of every subject share. A command that changes the notebook is on disk when it returns,
/// recomputes the model, and can be undone; where it fails nothing is changed.
class SessionCommands {
public:
    explicit SessionCommands(LessonSession& session) : m_session(session) {}

protected:
    /// Makes a change of the notebook and looks at it anew. Where another window changed what this one shows,
    /// the failure says so and it is looked at anew too.
    [[nodiscard]] Result<void> perform(const Text& label,
                                       const std::function<void(Notebook::Editor&)>& change);
    [[nodiscard]] Result<void> reload() { return m_session.reload(); }
    [[nodiscard]] Notebook& notebook() { return m_session.m_notebook; }
    [[nodiscard]] Selection& selection() { return m_session.m_selection; }
    [[nodiscard]] BenchDraft& draft() { return m_session.m_draft; }
    [[nodiscard]] const LessonSession& session() const { return m_session; }
    /// For commands of another subject.
    [[nodiscard]] LessonSession& whole() { return m_session; }
    [[nodiscard]] const LessonModel& model() const { return m_session.model(); }
    [[nodiscard]] Milliseconds now() const { return m_session.clock().now(); }
    /// Nothing is in hand any more.
    void leaveLesson() {
        m_session.m_selection.lessonId = m_session.m_selection.setupId = 0;
        m_session.m_selection.runId.reset();
        m_session.m_model = LessonModel();
    }

    /// The rig at the bench, to be compared with that after a change: what was typed for another one goes.
    [[nodiscard]] std::optional<Rig> rigInHand() const;
    void keepDraftOnlyFor(const std::optional<Rig>& before);
    /// Stores a picture with its marks for a reading or a room record.
    void keepPhoto(Notebook::Editor& editor, const PhotoEvidence& evidence, std::optional<RowId> readingId,
                   std::optional<RowId> roomId) const;
    [[nodiscard]] RowId groupNamed(Notebook::Editor& editor, const std::string& name) const;

private:
    LessonSession& m_session;
};

/// Whether a text says anything.
[[nodiscard]] bool isBlank(const std::string& text);

} // namespace uttrin
