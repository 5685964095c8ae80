#include "ReadingCommands.h"

#include <algorithm>

namespace uttrin {

const Reading* ReadingCommands::find(RowId id) const {
    const auto& all = model().data().readings;
    const auto found = std::find_if(all.begin(), all.end(), [id](const Reading& r) { return r.id == id; });
    return found == all.end() ? nullptr : &*found;
}

int ReadingCommands::number(RowId id) const {
    const Reading* reading = find(id);
    return reading ? reading->position : 0;
}

Result<void> ReadingCommands::change(RowId id, const Text& label,
                                     const std::function<void(Reading&)>& change) {
    const Reading* before = find(id);
    if (!before) return fail(Failure::BadInput, Text::tr("This point is no longer in the lesson."));
    Reading changed = *before;
    change(changed);
    return perform(label, [&](Notebook::Editor& edit) { edit.update(*before, changed); });
}

Result<void> ReadingCommands::strike(RowId id, const std::string& reason) {
    if (isBlank(reason))
        return fail(Failure::BadInput,
                    Text::tr("A struck point needs its reason: it stays in the record with it."));
    return change(id, Text::tr("Strike point {}", number(id)), [&](Reading& r) { r.struckReason = reason; });
}

Result<void> ReadingCommands::restore(RowId id) {
    return change(id, Text::tr("Restore point {}", number(id)), [](Reading& r) { r.struckReason.reset(); });
}

Result<void> ReadingCommands::retake(RowId id) {
    const Reading* reading = find(id);
    const auto place = reading ? reading->place : std::nullopt;
    auto done = change(id, Text::tr("Retake point {}", number(id)),
                       [](Reading& r) { r.struckReason = Text::phrase("retaken").source; });
    if (done && place) selection().targetPlace = place;
    return done;
}

Result<void> ReadingCommands::useLatestZero(RowId id) {
    const Reading* reading = find(id);
    std::optional<RowId> zero;
    if (reading)
        for (const ZeroCheck& z : model().data().zeros)
            if (z.runId == reading->runId) zero = z.id;
    if (!zero) return fail(Failure::BadInput, Text::tr("This run has no zero check yet: make one first."));
    return change(id, Text::tr("Take the last zero for point {}", number(id)),
                  [&](Reading& r) { r.zeroId = zero; });
}

Result<void> ReadingCommands::useInFit(RowId id, bool use) {
    return change(id,
                  use ? Text::tr("Put point {} into the fit", number(id))
                      : Text::tr("Leave point {} out of the fit", number(id)),
                  [use](Reading& r) { r.useInFit = use; });
}

} // namespace uttrin
