#include "ActAnalyses.h"

namespace uttrin::app {

ActAnalyses::ActAnalyses(LessonController& controller, KeptForecasts& forecasts, QObject* parent)
    : QObject(parent), m_controller(controller), m_forecasts(forecasts) {
    connect(&forecasts, &KeptForecasts::drawn, this, &ActAnalyses::ready);
}

std::vector<const Act*> ActAnalyses::acts() const {
    std::vector<const Act*> acts;
    if (!m_controller.isOpen()) return acts;
    for (const Act& act : m_controller.session().model().data().acts)
        if (!act.frozen.empty()) acts.push_back(&act);
    return acts;
}

std::shared_ptr<const ActAnalysis> ActAnalyses::of(const Act& act) {
    static const auto kNothing = std::make_shared<const ActAnalysis>();
    const auto forecast = frozen(act);
    auto task = forecast ? analysisTask(m_controller.session(), act, *forecast) : std::nullopt;
    if (!task) return kNothing;
    if (const auto known = m_known.find(task->key); known != m_known.end()) return known->second;
    if (!m_wanted.insert(task->key).second) return nullptr;
    m_work.add(
        [this, task = std::move(*task)](const std::function<bool()>& goOn, const NewestWish::Tell& tell) {
            auto analysis = std::make_shared<const ActAnalysis>(analyse(task, goOn));
            tell([this, analysis] {
                m_known[analysis->key] = analysis;
                m_wanted.erase(analysis->key);
                emit ready();
            });
        });
    return nullptr;
}

} // namespace uttrin::app

#include "moc_ActAnalyses.cpp"
