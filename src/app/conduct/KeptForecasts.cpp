#include "KeptForecasts.h"

namespace uttrin::app {

std::shared_ptr<const FrozenForecast> KeptForecasts::of(const Act& act) {
    if (act.frozen.empty()) return nullptr;
    if (const auto known = m_known.find(act.frozen); known != m_known.end()) return known->second;
    auto course = frozenForecast(act.frozen, false);
    auto& kept = m_known[act.frozen];
    if (!course) return nullptr;
    kept = std::make_shared<const FrozenForecast>(std::move(*course));
    m_work.add([this, what = act.frozen](const std::function<bool()>& goOn, const NewestWish::Tell& tell) {
        auto whole = frozenForecast(what);
        if (!whole || !goOn()) return;
        tell([this, what, forecast = std::make_shared<const FrozenForecast>(std::move(*whole))] {
            m_known[what] = forecast;
            emit drawn();
        });
    });
    return kept;
}

} // namespace uttrin::app

#include "moc_KeptForecasts.cpp"
