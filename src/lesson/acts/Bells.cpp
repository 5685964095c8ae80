#include "Bells.h"

#include "OutlookTexts.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kDay = 86400.0; // s
constexpr double kThousand = 1000.0;

void startNow(BellRow& bell, const Clock& clock) {
    const Clock::Machine machine = clock.machine();
    bell.startedAt = clock.wall();
    bell.bootMs = machine.ms;
    bell.bootId = machine.bootId;
}

std::int64_t milliseconds(double seconds) { return std::llround(kThousand * seconds); }

Text timeText(const BellTime& t) {
    if (t.trust == BellTime::Unknown) return Text::set("?");
    if (!t.remaining) return Text::set("+{}", durationText(t.elapsed));
    return *t.remaining >= 0.0 ? durationText(std::ceil(*t.remaining))
                               : Text::set("−{}", durationText(-*t.remaining));
}

Text doubtText(const BellTime& t) {
    switch (t.trust) {
    case BellTime::Known:
        return {};
    case BellTime::ByTheWall:
        return Text::tr("The computer was started anew meanwhile: this is by its clock, if nobody set it. "
                        "Say how much is left if you know better.");
    case BellTime::Unknown:
        break;
    }
    return Text::tr("The computer was started anew and its clock set back: nobody can know how much is left. "
                    "Say how much it is.");
}

} // namespace

BellTime timeOf(const BellRow& bell, const Clock& clock) {
    const Clock::Machine machine = clock.machine();
    const bool sameStart = !bell.bootId.empty() && bell.bootId == machine.bootId;
    const std::int64_t elapsed =
        sameStart ? machine.ms - bell.bootMs : static_cast<std::int64_t>(clock.wall() - bell.startedAt);
    BellTime t;
    t.trust = sameStart ? BellTime::Known : elapsed >= 0 ? BellTime::ByTheWall : BellTime::Unknown;
    t.elapsed = static_cast<double>(elapsed) / kThousand;
    if (bell.lastsMs) t.remaining = static_cast<double>(*bell.lastsMs - elapsed) / kThousand;
    return t;
}

std::vector<BellView> bellsOf(const LessonSession& s) {
    std::vector<BellView> views;
    for (const BellRow& bell : s.model().data().bells) {
        if (bell.state != BellState::Running) continue;
        const BellTime t = timeOf(bell, s.clock());
        BellView v;
        v.id = bell.id;
        v.act = bell.actId;
        v.title = Text::typed(bell.title);
        v.time = timeText(t);
        v.doubt = doubtText(t);
        v.up = !t.remaining;
        v.rings = t.rings() && t.trust != BellTime::Unknown;
        v.remaining = t.remaining.value_or(t.elapsed);
        v.lasts = static_cast<double>(bell.lastsMs.value_or(0)) / kThousand;
        views.push_back(std::move(v));
    }
    std::ranges::stable_sort(views, [](const BellView& a, const BellView& b) {
        return a.up != b.up ? b.up : !a.up && a.remaining < b.remaining;
    });
    return views;
}

Text ringText(const BellView& bell) { return Text::tr("\u25B6 {}: now", bell.title); }

Result<BellRow> BellCommands::find(RowId id) const {
    const auto& bells = model().data().bells;
    const auto found = std::ranges::find(bells, id, &BellRow::id);
    if (found == bells.end()) return fail(Failure::BadInput, Text::tr("There is no such bell."));
    return *found;
}

BellRow BellCommands::rowOf(const BellDraft& draft) const {
    BellRow bell;
    bell.lessonId = session().lessonId();
    bell.actId = draft.act;
    bell.title = draft.title;
    bell.source = draft.source;
    if (draft.seconds) bell.lastsMs = milliseconds(std::clamp(*draft.seconds, 0.0, kDay));
    startNow(bell, session().clock());
    return bell;
}

Result<RowId> BellCommands::start(const std::string& title, std::optional<double> seconds,
                                  std::optional<RowId> act, BellSource source) {
    if (isBlank(title)) return fail(Failure::BadInput, Text::tr("Say in a word what it rings for."));
    if (seconds && !(*seconds >= 0.0 && *seconds <= kDay))
        return fail(Failure::BadInput, Text::tr("A bell rings within a day: type the minutes until then."));
    const BellRow bell = rowOf({title, seconds, act, source});
    RowId id = 0;
    return perform(Text::tr("Set a bell: {}", Text::typed(title)),
                   [&](Notebook::Editor& edit) { id = edit.insert(bell); })
        .map([&] { return id; });
}

Result<void> BellCommands::startAll(const std::vector<BellDraft>& drafts) {
    if (drafts.empty()) return fail(Failure::BadInput, Text::tr("There are no bells to set."));
    std::vector<BellRow> rows;
    for (const BellDraft& draft : drafts)
        rows.push_back(rowOf(draft));
    return perform(Text::tr("Set {0} {0|bell|bells}", rows.size()), [&](Notebook::Editor& edit) {
        for (const BellRow& row : rows)
            edit.insert(row);
    });
}

Result<void> BellCommands::restart(RowId id, double seconds, const Text& label) {
    const auto bell = find(id);
    if (!bell) return tl::unexpected(bell.error());
    if (!(seconds >= 0.0 && seconds <= kDay))
        return fail(Failure::BadInput, Text::tr("A bell rings within a day: type the minutes until then."));
    BellRow after = *bell;
    after.lastsMs = milliseconds(seconds);
    startNow(after, session().clock());
    return perform(label, [&](Notebook::Editor& edit) { edit.update(*bell, after); });
}

Result<void> BellCommands::snooze(RowId id, double seconds) {
    return restart(id, seconds, Text::tr("Ring later"));
}

Result<void> BellCommands::correct(RowId id, double remaining) {
    return restart(id, remaining, Text::tr("How much is left"));
}

Result<void> BellCommands::done(RowId id) {
    const auto bell = find(id);
    if (!bell) return tl::unexpected(bell.error());
    BellRow after = *bell;
    after.state = BellState::Done;
    return perform(Text::tr("Done: {}", Text::typed(bell->title)),
                   [&](Notebook::Editor& edit) { edit.update(*bell, after); });
}

} // namespace uttrin
