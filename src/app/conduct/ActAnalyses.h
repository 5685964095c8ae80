#pragma once

#include "KeptForecasts.h"
#include "app/controller/LessonController.h"
#include "lesson/results/ActResult.h"

#include <set>

namespace uttrin::app {

/// What is worked out of acts afterwards, on a thread of its own, and kept.
class ActAnalyses : public QObject {
    Q_OBJECT
public:
    /// @param forecasts  outlive this.
    ActAnalyses(LessonController& controller, KeptForecasts& forecasts, QObject* parent = nullptr);
    /// Acts that have begun, in the order of the lesson.
    [[nodiscard]] std::vector<const Act*> acts() const;
    [[nodiscard]] std::shared_ptr<const FrozenForecast> frozen(const Act& act) { return m_forecasts.of(act); }
    /// Null while it is being worked out; `ready` tells when it is.
    [[nodiscard]] std::shared_ptr<const ActAnalysis> of(const Act& act);

signals:
    void ready(); ///< an analysis, or the outlook of a forecast

private:
    LessonController& m_controller;
    KeptForecasts& m_forecasts;
    NewestWish m_work;
    std::map<std::string, std::shared_ptr<const ActAnalysis>> m_known; ///< by what there was to learn from
    std::set<std::string> m_wanted;                                    ///< of those that are being worked out
};

} // namespace uttrin::app
