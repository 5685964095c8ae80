#include "ActAnalyses.h"

#include <algorithm>

namespace uttrin::app {

ActAnalyses::ActAnalyses(LessonController& controller, QObject* parent)
    : QObject(parent), m_controller(controller) {}

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
    if (std::ranges::find(m_wanted, task->key, &LearningTask::key) != m_wanted.end()) return nullptr;
    m_wanted.push_back(std::move(*task));
    if (m_wanted.size() == 1) next();
    return nullptr;
}

void ActAnalyses::next() {
    if (m_wanted.empty()) return;
    m_work.start([this, task = m_wanted.front()](const std::function<bool()>& goOn, const NewestWish::Tell& tell) {
        auto analysis = std::make_shared<const ActAnalysis>(analyse(task, goOn));
        tell([this, analysis] {
            m_known[analysis->key] = analysis;
            m_wanted.erase(m_wanted.begin());
            next();
            emit ready();
        });
    });
}

} // namespace uttrin::app

#include "moc_ActAnalyses.cpp"
