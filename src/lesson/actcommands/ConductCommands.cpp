#include "ConductCommands.h"

#include "SpokenBound.h"
#include "quantities/Units.h"

#include <algorithm>
#include <utility>

namespace uttrin {

Result<Act> ConductCommands::goingOn(RowId id) const {
    const Act* at = model().act(id);
    if (!at) return fail(Failure::BadInput, Text::tr("There is no such act in this lesson."));
    if (at->state != ActState::GoingOn)
        return fail(Failure::BadInput,
                    Text::tr("{} is not going on: begin it first.", Text::typed(at->title)));
    return *at;
}

Result<void> ConductCommands::stamp(const Act& act, Stamp stamp, const Text& label) {
    stamp.actId = act.id;
    stamp.takenAt = now();
    return perform(label, [&](Notebook::Editor& edit) { edit.insert(stamp); });
}

Result<void> ConductCommands::begin(RowId id, const std::string& frozen) {
    const Act* at = model().act(id);
    if (!at) return fail(Failure::BadInput, Text::tr("There is no such act in this lesson."));
    if (at->state != ActState::Planned && at->state != ActState::Prepared)
        return fail(Failure::BadInput,
                    Text::tr("{} has begun already, or will not be done.", Text::typed(at->title)));
    const Act before = *at;
    Act live = before;
    live.state = ActState::GoingOn;
    (live.kind == ActKind::Lab ? live.rig : live.frozen) = frozen;
    Stamp stamp;
    stamp.actId = id;
    stamp.takenAt = now();
    stamp.kind = StampKind::Begun;
    return perform(Text::tr("Begin {}", Text::typed(before.title)), [&](Notebook::Editor& edit) {
        edit.update(before, live);
        edit.insert(stamp);
    });
}

Result<void> ConductCommands::confirm(RowId id, int step, bool again) {
    const auto act = goingOn(id);
    if (!act) return tl::unexpected(act.error());
    Stamp s;
    s.kind = StampKind::Confirmed;
    s.step = step;
    if (again) s.what = kAgain;
    return stamp(*act, s, Text::tr("Confirm step {}", step + 1));
}

Result<void> ConductCommands::skip(RowId id, int step, const std::string& why) {
    const auto act = goingOn(id);
    if (!act) return tl::unexpected(act.error());
    if (isBlank(why))
        return fail(Failure::BadInput, Text::tr("Say in a word why it is skipped: the record keeps it."));
    Stamp s;
    s.kind = StampKind::Skipped;
    s.step = step;
    s.what = why;
    return stamp(*act, s, Text::tr("Skip step {}", step + 1));
}

Result<void> ConductCommands::checkGroup(std::optional<RowId> group) const {
    const auto& groups = model().data().groups;
    if (!group || std::ranges::find(groups, *group, &Group::id) != groups.end()) return {};
    return fail(Failure::BadInput, Text::tr("There is no such group in this lesson."));
}

Result<void> ConductCommands::see(RowId id, const std::string& what, std::optional<RowId> group) {
    const auto act = goingOn(id);
    if (!act) return tl::unexpected(act.error());
    if (const auto fine = checkGroup(group); !fine) return fine;
    if (isBlank(what)) return fail(Failure::BadInput, Text::tr("Say in a word what is seen."));
    Stamp s;
    s.kind = StampKind::Seen;
    s.what = what;
    s.groupId = group;
    return stamp(*act, s, Text::tr("Stamp {}", Text::typed(what)));
}

Result<void> ConductCommands::read(RowId id, const TypedTemperature& typed) {
    const auto act = goingOn(id);
    if (!act) return tl::unexpected(act.error());
    if (!typed.value && isBlank(typed.words))
        return fail(Failure::BadInput,
                    Text::tr("Type what the thermometer shows, or in a word how warm it is."));
    Stamp s;
    s.kind = StampKind::Read;
    s.value = typed.value;
    s.what = typed.words;
    s.place = typed.place;
    s.instrument = typed.instrument;
    if (const auto fine = checkGroup(typed.group); !fine) return fine;
    s.groupId = typed.group;
    if (const auto bound = boundIn(typed.words); bound && !s.value) {
        s.value = bound->value;
        s.bound = bound->bound;
    }
    if (s.value) s.unit = typed.unit;
    constexpr double kHottest = 1273.15; // K
    const auto in = findUnit(typed.unit, Dimension::Temperature);
    if (const double k = s.value && in ? (*in)->toSi(*s.value) : 1.0; !(k > 0.0 && k <= kHottest))
        return fail(Failure::BadInput, Text::tr("A temperature lies between −273.15 and 1000 °C."));
    if (const auto mass = findUnit(typed.unit, Dimension::Mass); mass && s.value.value_or(0.0) < 0.0)
        return fail(Failure::BadInput, Text::tr("A mass is zero or more."));
    return stamp(*act, s, in ? Text::tr("Read a temperature") : Text::tr("Measure"));
}

Result<void> ConductCommands::finish(RowId id) {
    const auto act = goingOn(id);
    if (!act) return tl::unexpected(act.error());
    Act done = *act;
    done.state = ActState::Done;
    Stamp s;
    s.actId = id;
    s.takenAt = now();
    s.kind = StampKind::Finished;
    return perform(Text::tr("Finish {}", Text::typed(act->title)), [&](Notebook::Editor& edit) {
        edit.update(*act, done);
        edit.insert(s);
    });
}

} // namespace uttrin
