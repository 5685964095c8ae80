#include "ActSteps.h"

#include "lesson/actcommands/ConductCommands.h"
#include "lesson/model/Clock.h"

#include <algorithm>

namespace uttrin {
namespace {

using Stamps = std::span<const Stamp* const>;

Text kindText(RigStep::Kind kind) {
    switch (kind) {
    case RigStep::Prepare:
        return Text::tr("prepare");
    case RigStep::Do:
        return Text::tr("do");
    case RigStep::Ask:
        return Text::tr("ask");
    case RigStep::Look:
        return Text::tr("look");
    case RigStep::Measure:
        return Text::tr("measure");
    case RigStep::Vent:
        return Text::tr("let air in");
    case RigStep::CloseDown:
        return Text::tr("close down");
    case RigStep::ClearAway:
        break;
    }
    return Text::tr("clear away");
}

bool isAgain(const Stamp& s) { return s.kind == StampKind::Confirmed && s.what == kAgain; }

/// Steps that are repeated one after the other, from and to, the last not included.
struct Round {
    std::size_t from = 0, to = 0;
    [[nodiscard]] bool has(int step) const {
        return step >= static_cast<int>(from) && step < static_cast<int>(to);
    }
};
Round roundOf(const RigStory& story, std::size_t step) {
    Round r{step, step};
    if (!story.steps[step].repeats) return {step, step + 1};
    while (r.from > 0 && story.steps[r.from - 1].repeats)
        --r.from;
    while (r.to < story.steps.size() && story.steps[r.to].repeats)
        ++r.to;
    return r;
}

/// What ended a step: its own stamp, or of a round the last of all of them. Null while it is to be done.
const Stamp* endOf(const Round& round, std::size_t step, Stamps stamps) {
    const Stamp* end = nullptr;
    for (const Stamp* s : stamps) {
        if (!s->step || isAgain(*s)) continue;
        if (*s->step == static_cast<int>(step)) return s;
        if (s->kind == StampKind::Confirmed && round.has(*s->step)) end = s;
    }
    return end;
}

/// The step of a round whose turn it is.
std::size_t turnOf(const Round& round, Stamps stamps) {
    const auto gone = std::ranges::count_if(
        stamps, [&](const Stamp* s) { return s->step && isAgain(*s) && round.has(*s->step); });
    return round.from + static_cast<std::size_t>(gone) % (round.to - round.from);
}

int timesOf(std::size_t step, Stamps stamps) {
    return static_cast<int>(std::ranges::count_if(stamps, [&](const Stamp* s) {
        return s->step == static_cast<int>(step) && s->kind == StampKind::Confirmed;
    }));
}

ConductView::Step stepOf(const RigStep& step) {
    ConductView::Step s;
    s.kind = kindText(step.kind);
    if (!step.see.empty()) s.see = Text::data(step.see);
    for (const RigConfirmation& c : step.confirm)
        s.confirm.push_back(Text::data(c.says));
    s.repeats = step.repeats;
    s.measures = step.measures;
    return s;
}

} // namespace

void addSteps(ConductView& v, const RigStory& story, const ToldStory& told, const ValveTable& valves,
              Stamps stamps, int offset) {
    for (std::size_t i = 0; i < story.steps.size(); ++i) {
        const RigStep& step = story.steps[i];
        const Round round = roundOf(story, i);
        ConductView::Step s = stepOf(step);
        s.says = told.steps[i];
        s.valves = valvesAfter(valves, i);
        s.times = timesOf(i, stamps);
        if (const Stamp* end = endOf(round, i, stamps)) {
            const bool skipped = end->kind == StampKind::Skipped;
            s.state = skipped ? ConductView::Step::Skipped : ConductView::Step::Done;
            s.when = Text::typed(clockText(end->takenAt, offset));
            for (const RigConfirmation& c : step.confirm)
                if (skipped && !c.hazard.empty() && v.hazard.empty()) v.hazard = Text::data(c.hazard);
        } else if (!v.current && v.live) {
            v.current = static_cast<int>(turnOf(round, stamps));
        }
        v.steps.push_back(std::move(s));
    }
    if (!v.hazard.empty()) v.current.reset(); // led no further
    if (v.current) v.steps[static_cast<std::size_t>(*v.current)].state = ConductView::Step::Current;
}

} // namespace uttrin
