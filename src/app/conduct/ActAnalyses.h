#pragma once

#include "app/controller/LessonController.h"
#include "app/controller/NewestWish.h"
#include "lesson/results/ActResult.h"

#include <map>

namespace uttrin::app {

/// What is worked out of acts afterwards, on a thread of its own, and kept.
class ActAnalyses : public QObject {
    Q_OBJECT
public:
    explicit ActAnalyses(LessonController& controller, QObject* parent = nullptr);
    /// Acts that have begun, in the order of the lesson.
    [[nodiscard]] std::vector<const Act*> acts() const;
    [[nodiscard]] std::shared_ptr<const FrozenForecast> frozen(const Act& act) { return m_frozen.of(act); }
    /// Null while it is being worked out; `ready` tells when it is.
    [[nodiscard]] std::shared_ptr<const ActAnalysis> of(const Act& act);
    /// Whether something is being worked out for an act.
    [[nodiscard]] bool isBusy() const { return !m_wanted.empty(); }

signals:
    void ready();

private:
    void next();
    LessonController& m_controller;
    FrozenForecasts m_frozen;
    NewestWish m_work;
    std::map<std::string, std::shared_ptr<const ActAnalysis>> m_known; ///< by what there was to learn from
    std::vector<LearningTask> m_wanted;                               ///< the first one is under way
};

} // namespace uttrin::app
