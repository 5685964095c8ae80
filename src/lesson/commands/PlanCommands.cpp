#include "PlanCommands.h"

#include "CalibrationText.h"
#include "SelectionCommands.h"
#include "lesson/model/StartingPlan.h"
#include "plan/PlanJson.h"

#include <algorithm>

namespace uttrin {

void PlanCommands::followPlan(Notebook::Editor& edit, const Plan& plan) const {
    for (const Run& run : model().runsOf(session().setupId()))
        if (model().readingsOf(run.id).empty()) edit.insert(RunRig{0, run.id, writePlan(plan), now(), {}});
}

Result<void> PlanCommands::changePlan(const Plan& plan, const Text& label) {
    if (auto sound = check(plan); !sound) return sound;
    const Setup setup = model().setup(session().setupId());
    Setup changed = setup;
    changed.plan = writePlan(plan);
    changed.name = plan.title;
    const auto before = rigInHand();
    auto done = perform(label, [&](Notebook::Editor& edit) {
        if (changed.plan == setup.plan && changed.name == setup.name) return;
        edit.update(setup, changed);
        followPlan(edit, plan);
    });
    if (done) keepDraftOnlyFor(before);
    return done;
}

Result<void> PlanCommands::correctRun(RowId runId) {
    const Run& run = model().run(runId);
    const auto before = rigInHand();
    const std::string name = model().group(run.groupId).name;
    auto done =
        perform(Text::tr("Correct the set-up of {}, run {}", name, run.number), [&](Notebook::Editor& edit) {
            edit.insert(RunRig{0, runId, model().setup(run.setupId).plan, now(),
                               Text::phrase("set-up corrected").source});
        });
    if (done) keepDraftOnlyFor(before);
    return done;
}

std::map<RowId, double> PlanCommands::temperaturesOfThisPlan() const {
    std::map<RowId, double> kelvin;
    for (const Run& run : model().runsOf(session().setupId()))
        for (const ReducedReading& r : model().reduce(run.id))
            kelvin[r.raw.id] = r.liquid.temperature.kelvin();
    return kelvin;
}

std::vector<Run> PlanCommands::runsToCalibrate(bool alsoEarlier) const {
    if (alsoEarlier) return model().runsOf(session().setupId());
    return session().runId() ? std::vector{model().run(*session().runId())} : std::vector<Run>{};
}

Result<Text> PlanCommands::calibrate(std::optional<double> iceReading, std::optional<double> steamReading,
                                     bool alsoEarlier) {
    const auto here = session().room();
    if (!here)
        return fail(Failure::Unreferenced,
                    Text::tr("The steam point depends on the room’s pressure: enter that first (Ctrl+1)."));
    const auto before = temperaturesOfThisPlan();
    Milliseconds first = now();
    if (alsoEarlier)
        for (const Reading& r : model().data().readings)
            if (before.contains(r.id)) first = std::min(first, r.takenAt);
    Plan calibrated = session().plan();
    const auto made = calibrationFrom(calibrated.rig.thermometer, iceReading, steamReading,
                                      here->station.pascal(), here->uPa, first);
    if (!made) return tl::unexpected(made.error());
    const ThermometerCalibration& c = *made;
    const auto residuals = residualsOf(calibrated.rig.thermometer, c);
    if (!residuals) return tl::unexpected(residuals.error());
    calibrated.rig.thermometer.calibrations.push_back(c);
    if (const auto sound = check(calibrated); !sound) return tl::unexpected(sound.error());
    const Setup setup = model().setup(session().setupId());
    Setup changed = setup;
    changed.plan = writePlan(calibrated);
    const auto runs = runsToCalibrate(alsoEarlier);
    std::vector<Text> names;
    const auto done = perform(Text::tr("Calibrate the thermometer"), [&](Notebook::Editor& edit) {
        edit.update(setup, changed);
        for (const Run& run : runs) {
            Plan own = model().planOfRun(run.id);
            own.rig.thermometer.calibrations.push_back(c);
            const bool taken = !model().readingsOf(run.id).empty();
            edit.insert(RunRig{0, run.id, writePlan(own), now(),
                               taken ? Text::phrase("thermometer calibrated").source : ""});
            names.push_back(Text::tr("{}, run {}", model().group(run.groupId).name, run.number));
        }
    });
    if (!done) return tl::unexpected(done.error());
    std::vector<Text> sentences{calibrationText(*residuals, before, temperaturesOfThisPlan(), names)};
    const Thermometer& thermometer = calibrated.rig.thermometer;
    if (!iceReading || !steamReading)
        sentences.push_back(Text::tr("One point alone: the same correction is taken everywhere."));
    if (iceReading && readsDirectly(thermometer) && std::abs(residuals->ice) > thermometer.accuracy)
        sentences.push_back(
            Text::tr("In ice it is off by more than its limits of error: is the ice crushed, stirred "
                     "and drained, and the sensor deep in it?"));
    return Text::sentences(sentences);
}

Result<void> PlanCommands::moveTarget(int place, Pressure to) {
    Plan moved = session().plan();
    if (place == -1)
        moved.ladder.trialPa = to.pascal();
    else
        moved.ladder.moved[place] = to.pascal();
    return changePlan(moved,
                      place == -1 ? Text::tr("Move the trial point") : Text::tr("Move target {}", place + 1));
}

Result<RowId> PlanCommands::addPlan(const Plan& plan, const Text& label) {
    RowId id = 0;
    const auto done = perform(label, [&](Notebook::Editor& edit) {
        id = edit.insert(Setup{0, session().lessonId(), plan.title, writePlan(plan), std::nullopt});
    });
    if (!done) return tl::unexpected(done.error());
    (void)SelectionCommands(whole()).selectSetup(id);
    return id;
}

Result<RowId> PlanCommands::addSetup(Method method) {
    return addPlan(startingPlan(method), Text::tr("Add a plan"));
}

Result<RowId> PlanCommands::addSolutionPart(const Solute& solute) {
    Plan part = session().plan();
    part.solute = solute;
    part.ladder.moved.clear();
    if (const auto ok = check(part); !ok) return tl::unexpected(ok.error());
    part.title = plain(liquidOf(part).name());
    return addPlan(part, Text::tr("Add a part with a solution"));
}

Result<RowId> PlanCommands::splitOffSolution() {
    const Solute solute = session().plan().solute;
    Plan pure = session().plan();
    pure.solute = {};
    if (const auto changed = changePlan(pure, Text::tr("Change the rig")); !changed)
        return tl::unexpected(changed.error());
    return addSolutionPart(solute);
}

Result<void> PlanCommands::predict(int place, std::optional<Temperature> boils) {
    if (model().setup(session().setupId()).predictionsLockedAt)
        return fail(Failure::BadInput, Text::tr("The predictions are locked. They stay as the class made "
                                                "them, at their pressures; unlock them to "
                                                "change one, and the report says so."));
    const auto& sheet = session().sheet();
    if (!sheet) return tl::unexpected(sheet.error());
    const auto target = std::ranges::find(sheet->targets, place, &Target::place);
    if (target == sheet->targets.end()) return fail(Failure::BadInput, Text::tr("There is no such target."));
    const double pascal = target->absolute.pascal();
    return perform(Text::tr("Change a prediction"), [&](Notebook::Editor& edit) {
        for (const Prediction& p : model().predictionsOf(session().setupId()))
            if (belongs(p, *target)) edit.remove(p);
        if (boils) edit.insert(Prediction{0, session().setupId(), place, boils->kelvin(), pascal});
    });
}

Result<void> PlanCommands::lockPredictions() {
    const Setup setup = model().setup(session().setupId());
    if (setup.predictionsLockedAt) return {};
    if (model().predictionsOf(setup.id).empty())
        return fail(
            Failure::BadInput,
            Text::tr(
                "There is no prediction to lock yet: type what the class expects into the sheet first."));
    Setup locked = setup;
    locked.predictionsLockedAt = now();
    return perform(Text::tr("Lock the predictions"),
                   [&](Notebook::Editor& edit) { edit.update(setup, locked); });
}

Result<void> PlanCommands::unlockPredictions() {
    const Setup setup = model().setup(session().setupId());
    if (!setup.predictionsLockedAt) return {};
    Setup open = setup;
    open.predictionsLockedAt.reset();
    return perform(Text::tr("Unlock the predictions"), [&](Notebook::Editor& edit) {
        edit.update(setup, open);
        edit.insert(Unlocking{0, setup.id, now()});
    });
}

} // namespace uttrin
