#include "ActCommands.h"

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

Result<void> check(const Act& act) {
    if (isBlank(act.title)) return fail(Failure::BadInput, Text::tr("Give the act a title."));
    if (act.lastsS && *act.lastsS <= 0)
        return fail(Failure::BadInput,
                    Text::tr("An act lasts longer than 0 min; leave the length empty to take the model’s."));
    return {};
}

} // namespace

Result<Act> ActCommands::find(RowId id) const {
    const Act* act = model().act(id);
    if (!act) return fail(Failure::BadInput, Text::tr("There is no such act in this lesson."));
    return *act;
}

Result<RowId> ActCommands::add(const Act& act) {
    if (const auto ok = check(act); !ok) return tl::unexpected(ok.error());
    Act added = act;
    added.lessonId = session().lessonId();
    RowId id = 0;
    const auto done = perform(Text::tr("Add {}", Text::typed(act.title)),
                              [&](Notebook::Editor& edit) { id = edit.insert(added); });
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<void> ActCommands::change(const Act& after, const Text& label) {
    if (auto ok = check(after); !ok) return ok;
    const auto before = find(after.id);
    if (!before) return tl::unexpected(before.error());
    return perform(label, [&](Notebook::Editor& edit) { edit.update(*before, after); });
}

Result<void> ActCommands::moveTo(RowId id, int startsS) {
    auto act = find(id);
    if (!act) return tl::unexpected(act.error());
    act->startsS = startsS;
    return change(*act, Text::tr("Move {}", Text::typed(act->title)));
}

Result<void> ActCommands::moveBy(const std::vector<std::pair<RowId, int>>& minutes) {
    std::vector<std::pair<Act, Act>> moved;
    for (const auto& [id, by] : minutes) {
        const auto act = find(id);
        if (!act) return tl::unexpected(act.error());
        Act after = *act;
        after.startsS += 60 * by;
        moved.emplace_back(*act, after);
    }
    return perform(Text::tr("Move {} {0|act|acts}", moved.size()), [&](Notebook::Editor& edit) {
        for (const auto& [before, after] : moved)
            edit.update(before, after);
    });
}

Result<void> ActCommands::remove(RowId id) {
    const auto act = find(id);
    if (!act) return tl::unexpected(act.error());
    return perform(Text::tr("Take {} away", Text::typed(act->title)),
                   [&](Notebook::Editor& edit) { edit.remove(*act); });
}

Result<void> ActCommands::skip(RowId id, const std::string& why) {
    auto act = find(id);
    if (!act) return tl::unexpected(act.error());
    if (isBlank(why))
        return fail(Failure::BadInput, Text::tr("Say in a word why it is skipped: the record keeps it."));
    act->state = ActState::Skipped;
    act->whySkipped = why;
    return change(*act, Text::tr("Skip {}", Text::typed(act->title)));
}

Result<void> ActCommands::setState(RowId id, ActState state) {
    auto act = find(id);
    if (!act) return tl::unexpected(act.error());
    act->state = state;
    act->whySkipped.reset();
    return change(*act, Text::tr("Change {}", Text::typed(act->title)));
}

Result<int> ActCommands::addImported(const std::vector<ImportedAct>& acts) {
    if (acts.empty()) return fail(Failure::BadInput, Text::tr("There are no acts to add."));
    const auto put = [&](Notebook::Editor& edit) {
        for (const ImportedAct& whole : acts) {
            Act act = whole.act;
            act.lessonId = session().lessonId();
            act.setupId.reset();
            const RowId id = edit.insert(act);
            for (std::size_t i = 0; i < whole.stamps.size(); ++i) {
                Stamp stamp = whole.stamps[i];
                stamp.actId = id;
                if (i < whole.groups.size() && !isBlank(whole.groups[i]))
                    stamp.groupId = groupNamed(edit, whole.groups[i]);
                edit.insert(stamp);
            }
            for (const auto& [asked, answers] : whole.questions) {
                Question question = asked;
                question.actId = id;
                const RowId of = edit.insert(question);
                for (Answer answer : answers) {
                    answer.questionId = of;
                    answer.groupId.reset();
                    edit.insert(answer);
                }
            }
        }
    };
    const auto count = static_cast<int>(acts.size());
    return perform(Text::tr("Bring in {0} {0|act|acts}", count), put).map([count] { return count; });
}

Result<int> ActCommands::takeOver(const PlannedLesson& earlier) {
    if (earlier.acts.empty()) return fail(Failure::BadInput, Text::tr("That lesson has no acts."));
    const auto put = [&](Notebook::Editor& edit) {
        std::map<RowId, RowId> here; // by the id that a set-up has there
        const auto setupFor = [&](RowId there) {
            if (const auto known = here.find(there); known != here.end()) return known->second;
            const auto of = std::ranges::find(earlier.setups, there, &Setup::id);
            if (of == earlier.setups.end()) return session().setupId();
            const auto& own = model().data().setups;
            const auto same = std::ranges::find(own, of->plan, &Setup::plan);
            const RowId id =
                same != own.end()
                    ? same->id
                    : edit.insert(Setup{0, session().lessonId(), of->name, of->plan, std::nullopt});
            return here[there] = id;
        };
        for (Act act : earlier.acts) {
            act.lessonId = session().lessonId();
            act.state = ActState::Planned;
            act.frozen.clear();
            act.whySkipped.reset();
            if (act.kind == ActKind::Lab) act.rig.clear(); // the card by which it was led then
            if (act.setupId) act.setupId = setupFor(*act.setupId);
            edit.insert(act);
        }
    };
    const auto count = static_cast<int>(earlier.acts.size());
    return perform(Text::tr("Take {0} {0|act|acts} over", count), put).map([count] { return count; });
}

Result<RowId> ActCommands::addGroup(const std::string& name) {
    if (isBlank(name)) return fail(Failure::BadInput, Text::tr("Give the group a name."));
    const auto& groups = model().data().groups;
    if (const auto known = std::ranges::find(groups, name, &Group::name); known != groups.end())
        return known->id;
    RowId id = 0;
    return perform(Text::tr("Add the group {}", Text::typed(name)),
                   [&](Notebook::Editor& edit) { id = groupNamed(edit, name); })
        .map([&] { return id; });
}

Result<void> ActCommands::setPeriod(const PeriodRow& period) {
    constexpr int kDay = 24 * 3600; // s
    if (period.lastsS <= 0 || period.lastsS > kDay)
        return fail(Failure::BadInput, Text::tr("A period lasts more than 0 min and at most a day."));
    if (period.pumps < 0 || period.heaters < 0)
        return fail(Failure::BadInput, Text::tr("The room has no fewer than 0 pumps and 0 heaters."));
    constexpr int kMostPeople = 1000, kMostIceG = 1'000'000;
    if (const int people = period.people.value_or(1); people < 1 || people > kMostPeople)
        return fail(Failure::BadInput, Text::tr("There are 1 to {} people in a room.", kMostPeople));
    if (const int ice = period.iceG.value_or(0); ice < 0 || ice > kMostIceG)
        return fail(Failure::BadInput, Text::tr("Of ice there are 0 to {} g.", kMostIceG));
    const auto before = model().data().period;
    PeriodRow after = period;
    after.lessonId = session().lessonId();
    if (before) after.id = before->id;
    return perform(Text::tr("Change the period"), [&](Notebook::Editor& edit) {
        if (before)
            edit.update(*before, after);
        else
            edit.insert(after);
    });
}

} // namespace uttrin
