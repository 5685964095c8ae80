#include "LessonSession.h"

#include "CalibrationText.h"
#include "lesson/model/StartingPlan.h"
#include "physics/Constants.h"
#include "plan/PlanJson.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <utility>

namespace uttrin {
LessonSession::LessonSession(Notebook notebook, const Clock& clock, int utcOffsetMin)
    : m_notebook(std::move(notebook)), m_clock(clock), m_utcOffsetMin(utcOffsetMin) {
    const auto lessons = m_notebook.lessons();
    if (!lessons.empty()) selectLesson(lessons.front().id);
}

void LessonSession::selectLesson(RowId id) {
    m_lessonId = id;
    m_setupId = 0;
    m_runId.reset();
    m_targetPlace.reset();
    reload();
}

std::optional<Rig> LessonSession::rigInHand() const {
    if (m_setupId == 0) return std::nullopt;
    return plan().rig;
}

void LessonSession::keepDraftOnlyFor(const std::optional<Rig>& before) {
    const auto now = rigInHand();
    if (!before || !now) return;
    if (before->gauge.convention != now->gauge.convention || before->gauge.unit != now->gauge.unit) {
        draft.first.reset();
        draft.second.reset();
        draft.gaugePhoto.reset();
    }
    if (readingUnit(before->thermometer) != readingUnit(now->thermometer)) {
        draft.temperature.reset();
        draft.beforePull.reset();
        draft.thermometerPhoto.reset();
    }
}

void LessonSession::selectSetup(RowId id) {
    if (id == m_setupId) return;
    const auto before = rigInHand();
    m_setupId = id;
    m_runId.reset();
    m_targetPlace.reset();
    settleSelection();
    keepDraftOnlyFor(before);
    draft.criterion = plan().criterion;
}

void LessonSession::selectRun(RowId id) {
    const auto before = rigInHand();
    m_runId = id;
    m_setupId = m_model.run(id).setupId;
    m_targetPlace.reset();
    keepDraftOnlyFor(before);
    draft.criterion = plan().criterion;
}

void LessonSession::layOver(const std::string& substance, bool shown) {
    std::erase(m_laidOver, substance);
    if (shown) m_laidOver.push_back(substance);
}

bool LessonSession::isLaidOver(const std::string& substance) const {
    return std::find(m_laidOver.begin(), m_laidOver.end(), substance) != m_laidOver.end();
}

void LessonSession::selectTarget(std::optional<int> place) { m_targetPlace = place; }

std::optional<RowId> LessonSession::groupId() const {
    return m_runId ? std::optional(m_model.run(*m_runId).groupId) : std::nullopt;
}

std::optional<RoomPressure> LessonSession::room() const {
    return m_model.room(groupId(), m_runId ? std::optional(m_clock.now()) : std::nullopt);
}

Pressure LessonSession::roomOrStandard() const {
    const auto known = room();
    return known ? known->station : Pressure::fromPascal(kStandardAtmospherePascal);
}

std::optional<Target> LessonSession::currentTarget() const {
    const auto s = sheet();
    if (!s) return std::nullopt;
    std::set<int> taken;
    if (m_runId)
        for (const Reading& r : m_model.readingsOf(*m_runId))
            if (!r.struckReason && r.place) taken.insert(*r.place);
    for (const Target& t : s->targets) {
        if (m_targetPlace ? t.place == *m_targetPlace
                          : t.state == TargetState::Ok && !taken.contains(t.place))
            return t;
    }
    return std::nullopt;
}

void LessonSession::reload() {
    m_model = LessonModel(m_notebook.load(m_lessonId));
    settleSelection();
}

void LessonSession::settleSelection() {
    const auto& d = m_model.data();
    const auto has = [](const auto& rows, RowId id) {
        return std::any_of(rows.begin(), rows.end(), [id](const auto& r) { return r.id == id; });
    };
    if (!has(d.setups, m_setupId)) m_setupId = d.setups.empty() ? 0 : d.setups.front().id;
    if (m_runId && !has(d.runs, *m_runId)) m_runId.reset();
    if (m_runId && m_model.run(*m_runId).setupId != m_setupId) m_runId.reset();
    if (m_runId) return;
    const auto runs = m_model.runsOf(m_setupId);
    if (!runs.empty()) m_runId = runs.front().id;
}

Result<void> LessonSession::perform(const std::string& label,
                                    const std::function<void(Notebook::Editor&)>& change) {
    auto done = m_notebook.perform(label, change);
    if (done && m_lessonId != 0) reload();
    return done;
}

Result<void> LessonSession::undo() {
    auto done = m_notebook.undo();
    if (const auto lessons = m_notebook.lessons(); done && !lessons.empty()) {
        const bool here = std::any_of(lessons.begin(), lessons.end(),
                                      [this](const Lesson& l) { return l.id == m_lessonId; });
        if (here)
            reload();
        else
            selectLesson(lessons.front().id);
    } else if (done) {
        m_lessonId = m_setupId = 0;
        m_runId.reset();
        m_model = LessonModel();
    }
    return done;
}

Result<void> LessonSession::redo() {
    auto done = m_notebook.redo();
    const auto lessons = m_notebook.lessons();
    if (done && m_lessonId == 0 && !lessons.empty())
        selectLesson(lessons.front().id);
    else if (done && m_lessonId != 0)
        reload();
    return done;
}

Result<RowId> LessonSession::addLesson(Lesson lesson) {
    lesson.utcOffsetMin = m_utcOffsetMin;
    if (lesson.heldOn.empty()) lesson.heldOn = isoText(m_clock.now(), m_utcOffsetMin).substr(0, 10);
    RowId id = 0;
    const auto done = m_notebook.perform("Add a lesson", [&](Notebook::Editor& edit) {
        id = edit.insert(lesson);
        for (const Method method : {Method::HoldPressure, Method::HoldTemperature}) {
            const Plan plan = startingPlan(method);
            edit.insert(Setup{0, id, plan.title, writePlan(plan), std::nullopt});
        }
    });
    if (!done) return tl::unexpected(done.error());
    selectLesson(id);
    return id;
}

Result<void> LessonSession::changeLesson(const Lesson& lesson) {
    return perform("Change the lesson", [&](Notebook::Editor& edit) { edit.update(lesson); });
}

Result<void> LessonSession::enterRoom(const RoomEntry& entry, const std::string& role, Milliseconds takenAt,
                                      std::optional<RowId> group, const PhotoEvidence* photo) {
    const auto room = stationPressure(entry);
    if (!room) return tl::unexpected(room.error());
    const RoomRecord* before = m_model.roomRecord(group, role);
    const bool corrects = before && before->groupId == group;
    return perform(corrects ? "Correct the room's pressure" : "Enter the room's pressure",
                   [&](Notebook::Editor& edit) {
                       if (corrects) {
                           RoomRecord old = *before;
                           old.current = false;
                           edit.update(old);
                       }
                       const RowId id = edit.insert(RoomRecord{0, m_lessonId, group, role, takenAt,
                                                               m_clock.now(), writeRoom(entry), true});
                       if (photo) keepPhoto(edit, *photo, std::nullopt, id);
                   });
}

Result<void> LessonSession::changePlan(const Plan& plan, const std::string& label) {
    if (auto sound = check(plan); !sound) return sound;
    Setup setup = m_model.setup(m_setupId);
    setup.plan = writePlan(plan);
    setup.name = plan.title;
    const auto before = rigInHand();
    auto done = perform(label, [&](Notebook::Editor& edit) { edit.update(setup); });
    if (done) keepDraftOnlyFor(before);
    return done;
}

std::map<RowId, double> LessonSession::temperaturesOfThisPlan() const {
    std::map<RowId, double> kelvin;
    for (const Run& run : m_model.runsOf(m_setupId))
        for (const ReducedReading& r : m_model.reduce(run.id))
            kelvin[r.raw.id] = r.liquid.temperature.kelvin();
    return kelvin;
}

Result<std::string> LessonSession::calibrate(double iceReading, double steamReading, bool alsoEarlier) {
    const auto here = room();
    if (!here)
        return fail(Failure::Unreferenced,
                    "The steam point depends on the room's pressure: enter that first (Ctrl+1).");
    const auto before = temperaturesOfThisPlan();
    Milliseconds first = m_clock.now();
    if (alsoEarlier)
        for (const auto& [id, kelvin] : before)
            first = std::min(first, reading(id).takenAt);
    Plan calibrated = plan();
    const ThermometerCalibration c{iceReading, steamReading, here->station.pascal(), here->uPa, first};
    const auto residuals = residualsOf(calibrated.rig.thermometer, c);
    if (!residuals) return tl::unexpected(residuals.error());
    calibrated.rig.thermometer.calibrations.push_back(c);
    if (const auto done = changePlan(calibrated, "Calibrate the thermometer"); !done)
        return tl::unexpected(done.error());
    return calibrationText(*residuals, before, temperaturesOfThisPlan());
}

Result<void> LessonSession::moveTarget(int place, Pressure to) {
    Plan moved = plan();
    if (place == -1)
        moved.ladder.trialPa = to.pascal();
    else
        moved.ladder.moved[place] = to.pascal();
    return changePlan(moved, place == -1 ? "Move the trial point" : fmt::format("Move target {}", place + 1));
}

Result<RowId> LessonSession::addSetup(Method method) {
    const Plan plan = startingPlan(method);
    RowId id = 0;
    const auto done = perform("Add a plan", [&](Notebook::Editor& edit) {
        id = edit.insert(Setup{0, m_lessonId, plan.title, writePlan(plan), std::nullopt});
    });
    if (!done) return tl::unexpected(done.error());
    selectSetup(id);
    return id;
}

Result<RowId> LessonSession::addSolutionPart(const Solute& solute) {
    Plan part = plan();
    part.solute = solute;
    part.ladder.moved.clear();
    if (const auto ok = check(part); !ok) return tl::unexpected(ok.error());
    part.title = liquidOf(part).name();
    RowId id = 0;
    const auto done = perform("Add a part with a solution", [&](Notebook::Editor& edit) {
        id = edit.insert(Setup{0, m_lessonId, part.title, writePlan(part), std::nullopt});
    });
    if (!done) return tl::unexpected(done.error());
    selectSetup(id);
    return id;
}

Result<void> LessonSession::predict(int place, std::optional<Temperature> boils) {
    if (m_model.setup(m_setupId).predictionsLockedAt)
        return fail(Failure::BadInput,
                    "The predictions are locked: the run has begun. They stay as the class made them.");
    return perform("Change a prediction", [&](Notebook::Editor& edit) {
        for (const Prediction& p : m_model.data().predictions)
            if (p.setupId == m_setupId && p.place == place) edit.remove(p);
        if (boils) edit.insert(Prediction{0, m_setupId, place, boils->kelvin()});
    });
}

Result<void> LessonSession::lockPredictions() {
    Setup setup = m_model.setup(m_setupId);
    if (setup.predictionsLockedAt) return {};
    setup.predictionsLockedAt = m_clock.now();
    return perform("Lock the predictions", [&](Notebook::Editor& edit) { edit.update(setup); });
}

RowId LessonSession::groupNamed(Notebook::Editor& edit, const std::string& name) const {
    for (const Group& g : m_model.data().groups)
        if (g.name == name) return g.id;
    return edit.insert(Group{0, m_lessonId, name});
}

Result<RowId> LessonSession::startRun(const std::string& groupName) {
    if (groupName.find_first_not_of(" \t") == std::string::npos)
        return fail(Failure::BadInput, "A run needs the group's name.");
    RowId id = 0;
    const auto done = perform(fmt::format("Start a run of {}", groupName), [&](Notebook::Editor& edit) {
        const RowId group = groupNamed(edit, groupName);
        const auto runs = m_model.runsOf(m_setupId);
        const auto earlier =
            std::count_if(runs.begin(), runs.end(), [=](const Run& r) { return r.groupId == group; });
        id =
            edit.insert(Run{0, m_setupId, group, static_cast<int>(earlier) + 1, m_clock.now(), std::nullopt});
        Setup setup = m_model.setup(m_setupId);
        if (!setup.predictionsLockedAt) { // what the class expects counts only when it was said before
            setup.predictionsLockedAt = m_clock.now();
            edit.update(setup);
        }
    });
    if (!done) return tl::unexpected(done.error());
    selectRun(id);
    return id;
}

Reading LessonSession::readingFromDraft() const {
    Reading r;
    const auto target = currentTarget();
    const auto readings = m_model.readingsOf(*m_runId);
    r.runId = *m_runId;
    r.position = readings.empty() ? 1 : readings.back().position + 1;
    if (target) r.place = target->place;
    r.takenAt = m_clock.now();
    r.first = draft.first.value_or(0.0);
    r.second = draft.second;
    r.temperature = draft.temperature.value_or(0.0);
    r.beforePull = draft.beforePull;
    r.criterion = draft.criterion;
    r.judge = draft.judge;
    r.isolated = draft.isolated;
    r.side = draft.side;
    r.vigour = std::clamp(draft.vigour, 1, 5);
    for (const ZeroCheck& z : m_model.data().zeros)
        if (z.runId == *m_runId) r.zeroId = z.id;
    return r;
}

void LessonSession::keepPhoto(Notebook::Editor& edit, const PhotoEvidence& evidence,
                              std::optional<RowId> readingId, std::optional<RowId> roomId) const {
    const RowId picture = edit.insert(Picture{0, evidence.bytes});
    edit.insert(Photo{0, m_lessonId, readingId, roomId, evidence.shows, m_clock.now(), picture,
                      writePhotoMarks(evidence.marks), evidence.uFirst, evidence.uSecond});
}

void LessonSession::takeFromPhoto(PhotoEvidence evidence) {
    if (evidence.shows == "temperature") {
        draft.temperature = evidence.reading.first;
        draft.thermometerPhoto = std::move(evidence);
    } else {
        draft.first = evidence.reading.first;
        draft.second = evidence.reading.second;
        draft.gaugePhoto = std::move(evidence);
    }
}

SlipFinding LessonSession::checkDraft() const {
    const Plan& p = plan();
    const bool twoArm = hasTwoArms(p.rig.gauge.convention);
    if (!m_runId || !draft.first || !draft.temperature || (twoArm && !draft.second)) return {};
    const Reading r = readingFromDraft();
    CapturePair pair{
        p.rig.gauge,       {r.first, r.second}, m_model.zeroOf(r), m_model.room(groupId(), r.takenAt),
        p.rig.thermometer, r.temperature,       std::nullopt};
    if (const auto target = currentTarget()) pair.targetReading = target->dial;
    return checkForSlip(pair, liquidOf(p));
}

Result<CaptureOutcome> LessonSession::capture(bool keepOddPair) {
    const bool twoArm = hasTwoArms(plan().rig.gauge.convention);
    if (!m_runId) return fail(Failure::BadInput, "No run has been started: choose the group first.");
    if (!draft.first || (twoArm && !draft.second))
        return fail(Failure::BadInput,
                    twoArm ? "Type both arms as they stand now." : "Type the gauge as it shows now.");
    if (!draft.temperature) return fail(Failure::BadInput, "Type the thermometer as it shows now.");
    if (const auto t = toTemperature(plan().rig.thermometer, *draft.temperature); !t)
        return tl::unexpected(t.error());
    CaptureOutcome outcome;
    outcome.finding = checkDraft();
    if (outcome.finding.kind != SlipKind::None && !keepOddPair) return outcome;
    RowId id = 0;
    const Reading reading = readingFromDraft();
    const auto done = perform(fmt::format("Capture point {}", reading.position), [&](Notebook::Editor& edit) {
        id = edit.insert(reading);
        // A picture speaks for a reading only if that was not typed over.
        const GaugeReading gauge{reading.first, reading.second};
        if (draft.gaugePhoto && draft.gaugePhoto->reading == gauge)
            keepPhoto(edit, *draft.gaugePhoto, id, std::nullopt);
        if (draft.thermometerPhoto && draft.thermometerPhoto->reading.first == reading.temperature)
            keepPhoto(edit, *draft.thermometerPhoto, id, std::nullopt);
    });
    if (!done) return tl::unexpected(done.error());
    outcome.readingId = id;
    m_targetPlace.reset();
    draft.first.reset();
    draft.second.reset();
    draft.temperature.reset();
    draft.beforePull.reset();
    draft.gaugePhoto.reset();
    draft.thermometerPhoto.reset();
    return outcome;
}

bool LessonSession::bracketAwaitsRestart() const {
    if (!m_runId) return false;
    const auto readings = m_model.readingsOf(*m_runId);
    return !readings.empty() && !readings.back().struckReason && readings.back().criterion == "bracket-stops";
}

Result<CaptureOutcome> LessonSession::captureBracket() {
    if (m_runId)
        for (const Reading& r : m_model.readingsOf(*m_runId))
            if (r.place) m_targetPlace = r.place; // ordered by taking: the last one stays
    const std::string criterion =
        std::exchange(draft.criterion, bracketAwaitsRestart() ? "bracket-starts" : "bracket-stops");
    auto outcome = capture(true);
    draft.criterion = criterion;
    return outcome;
}

Result<void> LessonSession::checkZero(double first, std::optional<double> second) {
    if (!m_runId) return fail(Failure::BadInput, "A zero check belongs to a run: start one first.");
    if (hasTwoArms(plan().rig.gauge.convention) && !second)
        return fail(Failure::BadInput, "Type both arms, open to the room.");
    return perform("Check the gauge's zero", [&](Notebook::Editor& edit) {
        edit.insert(ZeroCheck{0, *m_runId, m_clock.now(), first, second});
    });
}

const Reading& LessonSession::reading(RowId id) const {
    const auto& all = m_model.data().readings;
    const auto found = std::find_if(all.begin(), all.end(), [id](const Reading& r) { return r.id == id; });
    if (found == all.end()) throw std::logic_error(fmt::format("no reading {}", id));
    return *found;
}

Result<void> LessonSession::changeReading(RowId id, const std::string& label,
                                          const std::function<void(Reading&)>& change) {
    Reading changed = reading(id);
    change(changed);
    return perform(fmt::format("{} point {}", label, changed.position),
                   [&](Notebook::Editor& edit) { edit.update(changed); });
}

Result<void> LessonSession::strike(RowId id, const std::string& reason) {
    if (reason.find_first_not_of(" \t") == std::string::npos)
        return fail(Failure::BadInput, "A struck point needs its reason: it stays in the record with it.");
    return changeReading(id, "Strike", [&](Reading& r) { r.struckReason = reason; });
}

Result<void> LessonSession::restore(RowId id) {
    return changeReading(id, "Restore", [](Reading& r) { r.struckReason.reset(); });
}

Result<void> LessonSession::retake(RowId id) {
    const auto place = reading(id).place;
    auto done = changeReading(id, "Retake", [](Reading& r) { r.struckReason = "retaken"; });
    if (done && place) m_targetPlace = place;
    return done;
}

Result<void> LessonSession::useInFit(RowId id, bool use) {
    return changeReading(id, use ? "Put into the fit" : "Leave out of the fit",
                         [use](Reading& r) { r.useInFit = use; });
}

Result<void> LessonSession::addNote(const std::string& text) {
    if (!m_runId) return fail(Failure::BadInput, "A note belongs to a run: start one first.");
    if (text.find_first_not_of(" \t") == std::string::npos)
        return fail(Failure::BadInput, "The note is empty.");
    return perform("Add a note", [&](Notebook::Editor& edit) {
        edit.insert(Note{0, *m_runId, m_clock.now(), text});
    });
}

Result<RowId> LessonSession::addImported(const std::string& name, const Plan& plan,
                                         std::vector<Reading> readings) {
    RowId run = 0;
    const auto done = perform(fmt::format("Import {}", name), [&](Notebook::Editor& edit) {
        const RowId setup = edit.insert(Setup{0, m_lessonId, plan.title, writePlan(plan), m_clock.now()});
        run = edit.insert(Run{0, setup, groupNamed(edit, name), 1, m_clock.now(), m_clock.now()});
        for (Reading& r : readings) {
            r.runId = run;
            edit.insert(r);
        }
    });
    if (!done) return tl::unexpected(done.error());
    selectRun(run);
    return run;
}

} // namespace uttrin
