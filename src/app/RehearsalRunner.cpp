#include "RehearsalRunner.h"

#include "OnScreen.h"

namespace uttrin::app {
namespace {

constexpr int kMembers = 200; // of the band
constexpr std::uint64_t kSeed = 20;

} // namespace

RehearsalRunner::RehearsalRunner(QObject* parent) : QObject(parent) { m_pool.setMaxThreadCount(1); }

RehearsalRunner::~RehearsalRunner() {
    cancel();
    m_pool.waitForDone();
}

void RehearsalRunner::cancel() {
    ++*m_wish;
    m_busy = false;
}

void RehearsalRunner::play(const RigFile& rig, const std::vector<RigSetting>& settings,
                           const std::optional<std::vector<RigSetting>>& other) {
    const int mine = ++*m_wish;
    m_busy = true;
    const auto tell = [this, mine, wish = m_wish](auto emitIt) {
        QMetaObject::invokeMethod(
            this,
            [mine, wish, emitIt] {
                if (wish->load() == mine) emitIt();
            },
            Qt::QueuedConnection);
    };
    m_pool.start([this, rig, settings, other, tell, mine, wish = m_wish] {
        const auto goOn = [wish, mine] { return wish->load() == mine; };
        if (!goOn()) return;
        auto played = rehearse(rig, settings, goOn);
        if (!goOn()) return;
        if (!played) {
            const QString why = onScreen(played.error().message);
            tell([this, why] {
                m_busy = false;
                emit failed(why);
            });
            return;
        }
        const auto main = std::make_shared<const Rehearsal>(std::move(*played));
        tell([this, main] { emit this->played(main); });
        std::shared_ptr<const Rehearsal> beside;
        if (other)
            if (auto second = rehearse(rig, *other, goOn); second && goOn())
                beside = std::make_shared<const Rehearsal>(std::move(*second));
        tell([this, beside] { emit playedOther(beside); });
        const auto chance = chanceOf(rig, settings, kMembers, kSeed, goOn);
        if (!chance || !goOn()) return;
        const auto weighed = std::make_shared<const RehearsalChance>(*chance);
        tell([this, weighed] {
            m_busy = false;
            emit this->weighed(weighed);
        });
    });
}

} // namespace uttrin::app
