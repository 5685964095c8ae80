#include "ReadingCommands.h"

#include <fmt/format.h>

#include <algorithm>

namespace uttrin {

const Reading* ReadingCommands::find(RowId id) const {
    const auto& all = model().data().readings;
    const auto found = std::find_if(all.begin(), all.end(), [id](const Reading& r) { return r.id == id; });
    return found == all.end() ? nullptr : &*found;
}

Result<void> ReadingCommands::change(RowId id, const std::string& label,
                                     const std::function<void(Reading&)>& change) {
    const Reading* before = find(id);
    if (!before) return fail(Failure::BadInput, "This point is no longer in the lesson.");
    Reading changed = *before;
    change(changed);
    return perform(fmt::format("{} point {}", label, changed.position),
                   [&](Notebook::Editor& edit) { edit.update(*before, changed); });
}

Result<void> ReadingCommands::strike(RowId id, const std::string& reason) {
    if (isBlank(reason))
        return fail(Failure::BadInput, "A struck point needs its reason: it stays in the record with it.");
    return change(id, "Strike", [&](Reading& r) { r.struckReason = reason; });
}

Result<void> ReadingCommands::restore(RowId id) {
    return change(id, "Restore", [](Reading& r) { r.struckReason.reset(); });
}

Result<void> ReadingCommands::retake(RowId id) {
    const Reading* reading = find(id);
    const auto place = reading ? reading->place : std::nullopt;
    auto done = change(id, "Retake", [](Reading& r) { r.struckReason = "retaken"; });
    if (done && place) selection().targetPlace = place;
    return done;
}

Result<void> ReadingCommands::useInFit(RowId id, bool use) {
    return change(id, use ? "Put into the fit" : "Leave out of the fit",
                  [use](Reading& r) { r.useInFit = use; });
}

} // namespace uttrin
