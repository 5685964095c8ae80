#include "RehearsalRunner.h"

#include "app/controls/OnScreen.h"

#include <QElapsedTimer>
#include <QThread>

namespace uttrin::app {
namespace {

constexpr qint64 kFirstPathMs = 5, kNextPathMs = 100; // the path of a slow one appears bit by bit
constexpr int kCalmMs = 120, kLookMs = 10;            // before the band
constexpr int kMembers = 200;                         // of the band
constexpr qint64 kLongMs = 1500; // a rig whose first members took longer is not played more often
constexpr std::uint64_t kSeed = 20;
constexpr double kReadingU = 0.3; // K, of a temperature read in a lesson

} // namespace

RehearsalRunner::RehearsalRunner(QObject* parent) : NewestWish(parent) {}

void RehearsalRunner::done(const QString& why) {
    setBusy(false);
    if (!why.isEmpty()) emit failed(why);
}

void RehearsalRunner::play(const RigFile& rig, const std::vector<RigSetting>& settings,
                           const std::optional<std::vector<RigSetting>>& other) {
    start([this, rig, settings, other](const std::function<bool()>& goOn, const Tell& tell) {
        const auto show = [&tell, this](Rehearsal&& r) {
            tell([this, shown = std::make_shared<const Rehearsal>(std::move(r))] { emit played(shown); });
        };
        qint64 due = kFirstPathMs;
        QElapsedTimer since;
        since.start();
        auto played = rehearse(rig, settings, goOn, [&](const RigSetup& setup, const RigRun& run) {
            if (since.elapsed() < due) return;
            show(rehearsalOf(setup, run));
            due = since.elapsed() + kNextPathMs;
        });
        if (!goOn()) return;
        if (!played) return tell([this, why = onScreen(played.error().message)] { done(why); });
        show(std::move(*played));
        std::shared_ptr<const Rehearsal> beside;
        if (other)
            if (auto second = rehearse(rig, *other, goOn); second && goOn())
                beside = std::make_shared<const Rehearsal>(std::move(*second));
        tell([this, beside] { emit playedOther(beside); });
        // The picture is drawn first: the band would take all processors, and its value may change again.
        for (int waited = 0; waited < kCalmMs && goOn(); waited += kLookMs)
            QThread::msleep(kLookMs);
        since.restart();
        const auto tellChance = [&](const EnsembleOutcome& chance) {
            tell([this, weighed = std::make_shared<const EnsembleOutcome>(chance)] {
                emit this->weighed(weighed);
            });
        };
        const auto chance =
            playEnsemble(rig, settings, kMembers, kSeed, goOn, [&](const EnsembleOutcome& first) {
                if (goOn()) tellChance(first);
                return since.elapsed() <= kLongMs;
            });
        if (!chance || !goOn()) return;
        tellChance(*chance);
        tell([this] { done({}); });
    });
}

void RehearsalRunner::fit(const RigFile& rig, const std::vector<RigSetting>& settings,
                          const std::vector<MeasuredMoment>& readings) {
    start([this, rig, settings, readings](const std::function<bool()>& goOn, const Tell& tell) {
        auto found = fitToReadings(rig, settings, readings, kReadingU, goOn);
        if (!found) return tell([this, why = onScreen(found.error().message)] { done(why); });
        tell([this, fit = std::make_shared<const CoolingFit>(std::move(*found))] {
            done({});
            emit fitted(fit);
        });
    });
}

void RehearsalRunner::workOut(const std::function<std::vector<Text>()>& sentences) {
    start([this, sentences](const std::function<bool()>&, const Tell& tell) {
        tell([this, lines = sentences()] {
            done({});
            emit workedOut(lines);
        });
    });
}

} // namespace uttrin::app

#include "moc_RehearsalRunner.cpp"
