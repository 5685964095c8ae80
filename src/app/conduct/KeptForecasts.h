#pragma once

#include "app/controller/NewestWish.h"
#include "lesson/acts/FrozenForecast.h"

#include <map>

namespace uttrin::app {

/// Frozen forecasts for all who show acts, each worked out once: its course at once, how far it may be off on
/// a thread of its own.
class KeptForecasts : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    /// Null for an act that has none, or whose rig cannot be played.
    [[nodiscard]] std::shared_ptr<const FrozenForecast> of(const Act& act);

signals:
    void drawn(); ///< the outlook of one of them is there now

private:
    NewestWish m_work;
    std::map<std::string, std::shared_ptr<const FrozenForecast>> m_known; ///< by what is frozen
};

} // namespace uttrin::app
