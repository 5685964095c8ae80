#include "InstrumentCommands.h"

#include "PlanCommands.h"

#include <algorithm>

namespace uttrin {
namespace {

/// Calls `use` with each row of the notebook that can be read and what it says.
template <typename Use>
void eachKept(const LessonModel& model, Use use) {
    for (const InstrumentRow& row : model.data().instruments)
        if (const auto known = readKnown(row.known)) use(row, *known);
}

} // namespace

std::vector<KnownInstrument> notebookInstruments(const LessonModel& model) {
    std::vector<KnownInstrument> all;
    eachKept(model, [&](const InstrumentRow&, const KnownInstrument& known) { all.push_back(known); });
    std::ranges::stable_sort(all, {}, &KnownInstrument::name);
    return all;
}

Result<void> InstrumentCommands::take(const KnownInstrument& known) {
    Plan plan = session().plan();
    if (known.gauge) plan.rig.gauge = *known.gauge;
    if (known.thermometer) plan.rig.thermometer = *known.thermometer;
    const auto taken =
        PlanCommands(whole()).changePlan(plan, known.gauge ? Text::tr("Take a gauge of the school")
                                                           : Text::tr("Take a thermometer of the school"));
    return taken ? keep(known) : taken;
}

Result<void> InstrumentCommands::keep(const KnownInstrument& known) {
    InstrumentRow now{0, writeKnown(known)};
    bool isNews = true;
    eachKept(model(), [&](const InstrumentRow& row, const KnownInstrument& before) {
        if (!isSame(known, before)) return;
        now = {row.id, writeKnown(merged(known, before))};
        isNews = now.known != row.known;
    });
    if (!isNews) return {};
    const auto kept = notebook().keepInstrument(now);
    if (kept) (void)reload(); // it is on disk; see staleBecause()
    return kept;
}

Result<void> InstrumentCommands::addZero(const std::string& name, const KnownInstrument::Zero& zero) {
    for (KnownInstrument known : notebookInstruments(model()))
        if (known.gauge && known.name == name) {
            known.zeros.push_back(zero);
            return keep(known);
        }
    return {};
}

} // namespace uttrin
