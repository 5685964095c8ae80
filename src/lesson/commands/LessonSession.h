#pragma once

#include "analysis/SlipCheck.h"
#include "lesson/model/Clock.h"
#include "lesson/model/LessonModel.h"
#include "lesson/model/PhotoEvidence.h"
#include "notebook/Notebook.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// What is in hand at the bench: typed, not yet captured.
struct Draft {
    std::optional<double> first, second; ///< gauge as it shows now
    std::optional<double> temperature;   ///< thermometer as it shows now
    std::optional<double> beforePull;    ///< thermometer before the pump was opened
    std::string criterion = "steady";
    std::string judge;
    std::string side = "heating";
    bool isolated = true;
    int vigour = 2;
    std::optional<PhotoEvidence> gaugePhoto, thermometerPhoto; ///< kept while the fields show their reading
};

/// What became of a capture.
struct CaptureOutcome {
    std::optional<RowId> readingId; ///< set once the reading is on disk
    SlipFinding finding;            ///< what looked odd; where readingId is empty it waits for a decision
};

/// A lesson being worked on: the notebook, what is selected in it, and every change that a person can make.
/// All changes are on disk when the call returns, recompute the model, and can be undone.
class LessonSession {
public:
    /// Opens on the newest lesson; on a new one where the notebook has none.
    LessonSession(Notebook notebook, const Clock& clock, int utcOffsetMin);

    [[nodiscard]] const LessonModel& model() const { return m_model; }
    [[nodiscard]] const Notebook& notebook() const { return m_notebook; }
    [[nodiscard]] const Clock& clock() const { return m_clock; }
    [[nodiscard]] bool hasLesson() const { return m_lessonId != 0; }

    // Selection; not recorded, not undone.
    void selectLesson(RowId id);
    void selectSetup(RowId id);
    void selectRun(RowId id);
    /// Makes a target the current one; empty goes back to the first that is not taken.
    void selectTarget(std::optional<int> place);
    [[nodiscard]] RowId lessonId() const { return m_lessonId; }
    [[nodiscard]] RowId setupId() const { return m_setupId; }
    [[nodiscard]] std::optional<RowId> runId() const { return m_runId; }
    /// Lays the curve of another substance over the map, or takes it off; not recorded.
    void layOver(const std::string& substance, bool shown);
    /// The demonstration that is being rehearsed, by its name; empty before one was chosen.
    void setRehearsing(std::string name) { m_rehearsing = std::move(name); }
    [[nodiscard]] const std::string& rehearsing() const { return m_rehearsing; }
    [[nodiscard]] bool isLaidOver(const std::string& substance) const;
    [[nodiscard]] const std::vector<std::string>& laidOver() const { return m_laidOver; }
    [[nodiscard]] std::optional<RowId> groupId() const;
    [[nodiscard]] const Plan& plan() const { return m_model.plan(m_setupId); }
    [[nodiscard]] Result<RunSheet> sheet() const { return m_model.sheet(m_setupId, groupId()); }
    [[nodiscard]] std::optional<RoomPressure> room() const;
    /// The station pressure, or the standard atmosphere until it is known: for scales and examples, never for
    /// readings.
    [[nodiscard]] Pressure roomOrStandard() const;
    /// The target that is next to be taken in the current run; empty when all are, or there is no sheet.
    [[nodiscard]] std::optional<Target> currentTarget() const;

    // Lessons.
    [[nodiscard]] Result<RowId> addLesson(Lesson lesson);
    [[nodiscard]] Result<void> changeLesson(const Lesson& lesson);

    // Room. The earlier value of the same role stays in the record.
    [[nodiscard]] Result<void> enterRoom(const RoomEntry& entry, const std::string& role,
                                         Milliseconds takenAt, std::optional<RowId> groupId = std::nullopt,
                                         const PhotoEvidence* photo = nullptr);

    // Rig and plan.
    [[nodiscard]] Result<void> changePlan(const Plan& plan, const std::string& label);
    /// Calibrates the plan's thermometer with what it showed in ice and in steam at the room's pressure now.
    /// It serves the readings from now on, or also those taken already; the earlier calibrations stay in the
    /// record.
    /// @return what changed, as a sentence. Unreferenced without a room.
    [[nodiscard]] Result<std::string> calibrate(double iceReading, double steamReading, bool alsoEarlier);
    [[nodiscard]] Result<void> moveTarget(int place, Pressure to);
    [[nodiscard]] Result<RowId> addSetup(Method method);
    /// The present plan once more, with something dissolved: the second part of a lab.
    [[nodiscard]] Result<RowId> addSolutionPart(const Solute& solute);
    [[nodiscard]] Result<void> predict(int place, std::optional<Temperature> boils);
    [[nodiscard]] Result<void> lockPredictions();

    // Run.
    [[nodiscard]] Result<RowId> startRun(const std::string& groupName);
    Draft draft; ///< edited in place by the bench's card
    /// Puts what a picture shows into the draft, and the picture with it.
    void takeFromPhoto(PhotoEvidence evidence);
    [[nodiscard]] SlipFinding checkDraft() const;
    /// Captures the draft. An odd pair is held back with its finding until it is kept on purpose.
    [[nodiscard]] Result<CaptureOutcome> capture(bool keepOddPair = false);
    /// Captures the draft as one half of a bracket about the point taken last: first where boiling stops when
    /// bleeding, then where it starts again when pulling.
    [[nodiscard]] Result<CaptureOutcome> captureBracket();
    /// Whether the first half of a bracket is taken and the second is awaited.
    [[nodiscard]] bool bracketAwaitsRestart() const;
    [[nodiscard]] Result<void> checkZero(double first, std::optional<double> second);
    [[nodiscard]] Result<void> strike(RowId readingId, const std::string& reason);
    [[nodiscard]] Result<void> restore(RowId readingId);
    /// Strikes a reading as retaken and makes its target the current one.
    [[nodiscard]] Result<void> retake(RowId readingId);
    [[nodiscard]] Result<void> useInFit(RowId readingId, bool use);
    [[nodiscard]] Result<void> addNote(const std::string& text);

    // Bringing in readings made elsewhere.
    /// Adds a lesson-independent set of readings as a new setup and run; see ReadingsCsv.h.
    [[nodiscard]] Result<RowId> addImported(const std::string& name, const Plan& plan,
                                            std::vector<Reading> readings);

    [[nodiscard]] bool canUndo() const { return m_notebook.canUndo(); }
    [[nodiscard]] bool canRedo() const { return m_notebook.canRedo(); }
    [[nodiscard]] Result<void> undo();
    [[nodiscard]] Result<void> redo();
    [[nodiscard]] Result<void> saveCopy(const std::filesystem::path& to) const {
        return m_notebook.saveCopy(to);
    }

private:
    Result<void> perform(const std::string& label, const std::function<void(Notebook::Editor&)>& change);
    void reload();
    [[nodiscard]] std::optional<Rig> rigInHand() const;
    /// Forgets what was typed for an instrument that is no longer the one in hand: another scale or unit.
    void keepDraftOnlyFor(const std::optional<Rig>& before);
    void settleSelection();
    [[nodiscard]] Reading readingFromDraft() const;
    /// Stores a picture with its marks for a reading or a room record.
    void keepPhoto(Notebook::Editor& editor, const PhotoEvidence& evidence, std::optional<RowId> readingId,
                   std::optional<RowId> roomId) const;
    [[nodiscard]] const Reading& reading(RowId id) const;
    [[nodiscard]] Result<void> changeReading(RowId id, const std::string& label,
                                             const std::function<void(Reading&)>& change);
    /// K, of the liquid in each reading of this plan's runs.
    [[nodiscard]] std::map<RowId, double> temperaturesOfThisPlan() const;
    RowId groupNamed(Notebook::Editor& editor, const std::string& name) const;

    Notebook m_notebook;
    const Clock& m_clock;
    int m_utcOffsetMin;
    LessonModel m_model;
    RowId m_lessonId = 0, m_setupId = 0;
    std::optional<RowId> m_runId;
    std::optional<int> m_targetPlace;
    std::string m_rehearsing;            ///< name of the demonstration in hand
    std::vector<std::string> m_laidOver; ///< ids of substances
};

} // namespace uttrin
