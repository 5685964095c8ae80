#include "ActInHand.h"

#include "lesson/acts/LearningTask.h"
#include "rehearsal/CoolingFit.h"

#include <QTimer>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kTickMs = 500;

bool canBeConducted(const Act& act) {
    return act.kind != ActKind::PlainBlock && act.state != ActState::Skipped;
}

} // namespace

ActInHand::ActInHand(LessonController& controller, KeptForecasts& forecasts, QObject* parent)
    : QObject(parent), m_controller(controller), m_forecasts(forecasts), m_clock(new QTimer(this)) {
    connect(&controller, &LessonController::changed, this, &ActInHand::lookAgain);
    connect(&forecasts, &KeptForecasts::drawn, this, [this] {
        m_stale = true;
        emit changed();
    });
    m_clock->setInterval(kTickMs);
    connect(m_clock, &QTimer::timeout, this, &ActInHand::tick);
    m_clock->start();
}

void ActInHand::lookAgain() {
    m_stale = true;
    if (isLive()) learn();
}

void ActInHand::chooseGroup(std::optional<RowId> group) {
    if (group == m_group) return;
    m_group = group;
    m_stale = true;
    m_learned.reset();
    m_learnedKey.clear();
    if (isLive()) learn();
    emit changed();
}

void ActInHand::choose(RowId id) {
    m_chosen = id;
    m_group.reset();
    m_stale = true;
    m_learned.reset();
    m_learnedKey.clear();
    if (isLive()) learn();
    emit changed();
}

std::vector<const Act*> ActInHand::acts() const {
    std::vector<const Act*> acts;
    if (!m_controller.isOpen()) return acts;
    for (const Act& act : m_controller.session().model().data().acts)
        if (canBeConducted(act)) acts.push_back(&act);
    return acts;
}

const Act* ActInHand::act() const {
    const auto all = acts();
    const auto first = [&](auto is) {
        const auto found = std::ranges::find_if(all, is);
        return found == all.end() ? nullptr : *found;
    };
    if (const Act* chosen = first([this](const Act* a) { return a->id == m_chosen; })) return chosen;
    if (const Act* live = first([](const Act* a) { return a->state == ActState::GoingOn; })) return live;
    if (const Act* next = first([](const Act* a) { return a->state != ActState::Done; })) return next;
    return all.empty() ? nullptr : all.front();
}

bool ActInHand::isLive() const {
    const Act* now = act();
    return now && now->state == ActState::GoingOn;
}

std::shared_ptr<const FrozenForecast> ActInHand::frozen() const {
    const Act* now = act();
    return now ? m_forecasts.of(*now) : nullptr;
}

std::shared_ptr<const LearnedForecast> ActInHand::learned() const {
    const Act* now = act();
    return now && now->id == m_learnedAct ? m_learned : nullptr;
}

KnownCourse ActInHand::courseOf(const Act& act) const {
    return {m_forecasts.of(act), act.id == m_learnedAct ? m_learned : nullptr};
}

void ActInHand::learn() {
    const Act* now = act();
    const auto forecast = frozen();
    if (!now || !forecast) return;
    auto task = learningTask(m_controller.session(), *now, *forecast, learned().get(), m_group);
    if (m_learnedAct != now->id || !task) m_learned.reset();
    m_learnedAct = now->id;
    if (!task) {
        m_learning.cancel();
        m_learnedKey.clear();
        return;
    }
    if (task->key == m_learnedKey) return;
    m_learnedKey = task->key;
    m_learning.start([this, of = now->id, task = std::move(*task)](const std::function<bool()>& goOn,
                                                                   const NewestWish::Tell& tell) {
        auto learned = learnFrom(task, goOn);
        if (!learned || !goOn()) return;
        tell([this, of, forecast = std::make_shared<const LearnedForecast>(std::move(*learned))] {
            if (m_learnedAct != of) return;
            m_learned = forecast;
            m_stale = true;
            emit changed();
        });
    });
}

const ConductView& ActInHand::view() {
    if (!m_stale) return m_view;
    m_stale = false;
    const Act* now = act();
    m_view = now ? conductView(m_controller.session(), *now, frozen().get(), learned().get()) : ConductView();
    return m_view;
}

const Rehearsal* ActInHand::course() {
    if (const auto since = learned()) return &since->likeliest;
    const auto forecast = frozen();
    return forecast ? &forecast->rehearsal : nullptr;
}

double ActInHand::courseSeconds() {
    const Rehearsal* r = course();
    return r ? std::max(0.0, clockStart(*r) + view().seconds.value_or(-clockStart(*r))) : 0.0;
}

void ActInHand::tick() {
    if (!m_controller.isOpen() || !isLive()) return;
    const Act* now = act();
    if (!m_stale) follow(m_view, m_controller.session(), *now, frozen().get(), learned().get());
    learn();
    emit moved();
}

} // namespace uttrin::app

#include "moc_ActInHand.cpp"
