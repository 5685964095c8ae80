#include "SelectionCommands.h"

#include <algorithm>

namespace uttrin {
namespace {

template <typename Record>
bool has(const std::vector<Record>& rows, RowId id) {
    return std::any_of(rows.begin(), rows.end(), [id](const Record& r) { return r.id == id; });
}

} // namespace

Result<void> SelectionCommands::selectLesson(RowId id) {
    const Selection before = selection();
    selection().lessonId = id;
    selection().setupId = 0;
    selection().runId.reset();
    selection().targetPlace.reset();
    auto seen = reload();
    if (!seen) selection() = before;
    return seen;
}

Result<void> SelectionCommands::selectSetup(RowId id) {
    if (id == session().setupId()) return {};
    if (!has(model().data().setups, id))
        return fail(Failure::BadInput, Text::tr("This plan is no longer in the lesson."));
    const auto before = rigInHand();
    selection().setupId = id;
    selection().runId.reset();
    selection().targetPlace.reset();
    selection().settle(model());
    keepDraftOnlyFor(before);
    draft().criterion = session().plan().criterion;
    return {};
}

Result<void> SelectionCommands::selectRun(RowId id) {
    if (!has(model().data().runs, id))
        return fail(Failure::BadInput, Text::tr("This run is no longer in the lesson."));
    const auto before = rigInHand();
    selection().runId = id;
    selection().setupId = model().run(id).setupId;
    selection().targetPlace.reset();
    keepDraftOnlyFor(before);
    draft().criterion = session().plan().criterion;
    return {};
}

Result<void> SelectionCommands::selectTarget(std::optional<int> place) {
    selection().targetPlace = place;
    return {};
}

Result<void> SelectionCommands::stepTarget(int by) {
    const auto& sheet = session().benchSheet();
    if (!sheet) return {};
    const auto now = session().currentTarget();
    const int order = (now ? now->order : static_cast<int>(sheet->targets.size()) + 1) + by;
    for (const Target& t : sheet->targets)
        if (t.order == order) selection().targetPlace = t.place;
    return {};
}

Result<void> SelectionCommands::layOver(const std::string& substance, bool shown) {
    std::erase(selection().laidOver, substance);
    if (shown) selection().laidOver.push_back(substance);
    return {};
}

Result<void> SelectionCommands::hideResults(bool hide) {
    selection().resultsHidden = hide;
    return {};
}

Result<void> SelectionCommands::setRehearsing(const std::string& name) {
    selection().rehearsing = name;
    return {};
}

} // namespace uttrin
