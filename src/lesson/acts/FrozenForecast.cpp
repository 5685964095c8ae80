#include "FrozenForecast.h"

namespace uttrin {

Result<FrozenForecast> frozenForecast(const std::string& frozen, bool drawn) {
    auto rig = readActRig(frozen);
    if (!rig) return tl::unexpected(rig.error());
    if (!rig->liquidKnown)
        return fail(Failure::BadInput, Text::tr("The liquid is unknown: nothing is forecast for it."));
    auto played = rehearse(*rig->rig(), rig->settings());
    if (!played) return tl::unexpected(played.error());
    FrozenForecast forecast{std::move(*rig), std::move(*played), {}};
    if (!drawn) return forecast;
    if (auto outlook = outlookOf(*forecast.rig.rig(), forecast.rig.settings()))
        forecast.outlook = std::move(*outlook);
    return forecast;
}

std::shared_ptr<const FrozenForecast> FrozenForecasts::of(const Act& act) {
    if (act.frozen.empty()) return nullptr;
    if (const auto known = m_known.find(act.frozen); known != m_known.end()) return known->second;
    auto forecast = frozenForecast(act.frozen);
    return m_known[act.frozen] =
               forecast ? std::make_shared<const FrozenForecast>(std::move(*forecast)) : nullptr;
}

} // namespace uttrin
