#include "RunCommands.h"

#include "SelectionCommands.h"
#include "plan/PlanJson.h"

#include <fmt/format.h>

#include <algorithm>

namespace uttrin {

Result<RowId> RunCommands::startRun(const std::string& groupName) {
    if (isBlank(groupName)) return fail(Failure::BadInput, Text::tr("A run needs the group’s name."));
    RowId id = 0;
    const auto done = perform(Text::tr("Start a run of {}", groupName), [&](Notebook::Editor& edit) {
        const RowId group = groupNamed(edit, groupName);
        const auto runs = model().runsOf(session().setupId());
        const auto earlier =
            std::count_if(runs.begin(), runs.end(), [=](const Run& r) { return r.groupId == group; });
        id = edit.insert(
            Run{0, session().setupId(), group, static_cast<int>(earlier) + 1, now(), std::nullopt});
        const Setup setup = model().setup(session().setupId());
        edit.insert(RunRig{0, id, setup.plan, now(), {}});
        // What the class expects counts only when it was said before.
        if (setup.predictionsLockedAt || model().predictionsOf(setup.id).empty()) return;
        Setup locked = setup;
        locked.predictionsLockedAt = now();
        edit.update(setup, locked);
    });
    if (!done) return tl::unexpected(done.error());
    (void)SelectionCommands(whole()).selectRun(id);
    return id;
}

Result<void> RunCommands::checkZero(double first, std::optional<double> second) {
    const auto run = session().runId();
    if (!run) return fail(Failure::BadInput, Text::tr("A zero check belongs to a run: start one first."));
    if (hasTwoArms(session().benchPlan().rig.gauge.convention) && !second)
        return fail(Failure::BadInput, Text::tr("Type both arms, open to the room."));
    return perform(Text::tr("Check the gauge’s zero"), [&](Notebook::Editor& edit) {
        edit.insert(ZeroCheck{0, *run, now(), first, second});
    });
}

Result<void> RunCommands::stampStart(double temperature) {
    const auto run = session().runId();
    if (!run)
        return fail(Failure::BadInput, Text::tr("The liquid’s start belongs to a run: start one first."));
    const Plan& plan = session().benchPlan();
    const auto t = toTemperature(plan.rig.thermometer, temperature);
    if (!t) return tl::unexpected(t.error());
    Plan started = plan;
    started.startCelsius = t->temperature.celsius();
    if (const auto possible = check(started); !possible) return tl::unexpected(possible.error());
    return perform(Text::tr("Stamp the liquid’s start temperature"), [&](Notebook::Editor& edit) {
        edit.insert(LiquidStart{0, *run, now(), temperature});
    });
}

Result<void> RunCommands::addNote(const std::string& text) {
    const auto run = session().runId();
    if (!run) return fail(Failure::BadInput, Text::tr("A note belongs to a run: start one first."));
    if (isBlank(text)) return fail(Failure::BadInput, Text::tr("The note is empty."));
    return perform(Text::tr("Add a note"), [&](Notebook::Editor& edit) {
        edit.insert(Note{0, *run, now(), text});
    });
}

Result<void> RunCommands::stampStage(BoilingStage stage) {
    const NamedStage& named = boilingStages()[static_cast<std::size_t>(stage)];
    Text text = named.name;
    const LiveReading live = session().liveReading();
    if (const auto off =
            live.isComplete() ? session().reduceHere(live.reading).superheatKelvin : std::nullopt)
        text = *off < 0.0 ? Text::tr("{}, {} K below boiling", named.name, Text::number(-*off, 1))
                          : Text::tr("{}, {} K above boiling", named.name, Text::number(*off, 1));
    return addNote(plain(text));
}

Result<void> RunCommands::insulate(bool wrapped) { return addNote(wrapped ? kWrapped : kUnwrapped); }

Result<void> RunCommands::stampHeater() {
    const auto run = session().runId();
    if (!run || !draft().heaterSetting) return {};
    const std::string stands = fmt::format("{}{:g}", kHeaterAt, *draft().heaterSetting);
    std::string before;
    for (const Note& note : model().data().notes)
        if (note.runId == *run && note.text.starts_with(kHeaterAt)) before = note.text;
    return stands == before ? Result<void>() : addNote(stands);
}

Result<void> RunCommands::topUp() { return addNote(kToppedUp); }

Result<void> RunCommands::pumpOn() { return addNote(kPumpOn); }

Result<void> RunCommands::fill(const Filling& filling) {
    const double most = session().hasLesson() ? session().benchPlan().rig.vesselLitre : 0.0;
    constexpr double kGrams = 1000.0;
    if (!(filling.kilograms * kGrams >= 1.0 && filling.kilograms <= most))
        return fail(Failure::BadInput,
                    Text::tr("What is filled in: {} g; accepted: 1 g to the {} g that "
                             "the vessel holds.",
                             Text::number(filling.kilograms * kGrams, 0), Text::number(most * kGrams, 0)));
    return addNote(noteOf(filling));
}

} // namespace uttrin
