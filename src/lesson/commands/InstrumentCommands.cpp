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
    auto kept = notebook().keepInstrument(now);
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

Text historyOf(const KnownInstrument& known, int utcOffsetMin) {
    constexpr std::size_t kTold = 3; // zeros
    std::vector<Text> said;
    if (known.gauge && !known.zeros.empty()) {
        std::vector<Text> zeros;
        const auto& all = known.zeros;
        for (std::size_t i = all.size() > kTold ? all.size() - kTold : 0; i < all.size(); ++i)
            zeros.push_back(Text::tr("{} {} on {}", uttrin::text(*known.gauge, all[i].reading),
                                     unitText(*known.gauge), dateText(all[i].atMs, utcOffsetMin)));
        said.push_back(Text::tr("Its zero: {}.", Text::list(zeros)));
    }
    if (known.calibratedMs)
        said.push_back(Text::tr("Compared on {}.", dateText(*known.calibratedMs, utcOffsetMin)));
    if (known.thermometer && !known.thermometer->calibrations.empty())
        said.push_back(Text::tr("Calibrated on {}.",
                                dateText(known.thermometer->calibrations.back().atMs, utcOffsetMin)));
    return Text::sentences(said);
}

} // namespace uttrin
