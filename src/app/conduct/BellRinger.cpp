#include "BellRinger.h"

#include "app/controls/OnScreen.h"
#include "lesson/acts/Bells.h"

#include <QAudioDevice>
#include <QMediaDevices>
#include <QSettings>
#include <QSoundEffect>
#include <QTimer>
#include <QUrl>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kLookMs = 250;
const QString kMutedKey = QStringLiteral("bells/muted");

} // namespace

BellRinger::BellRinger(LessonController& controller, QObject* parent)
    : QObject(parent), m_controller(controller), m_muted(QSettings().value(kMutedKey, false).toBool()) {
    auto* clock = new QTimer(this);
    connect(clock, &QTimer::timeout, this, &BellRinger::look);
    clock->start(kLookMs);
}

void BellRinger::setMuted(bool muted) {
    m_muted = muted;
    QSettings().setValue(kMutedKey, muted);
}

void BellRinger::look() {
    if (!m_controller.isOpen()) return;
    const auto& rows = m_controller.session().model().data().bells;
    if (std::ranges::none_of(rows, [](const BellRow& b) { return b.state == BellState::Running; })) return;
    for (const BellView& bell : bellsOf(m_controller.session())) {
        if (!bell.rings) continue;
        const auto row = std::ranges::find(rows, bell.id, &BellRow::id);
        if (!m_rung.emplace(bell.id, row->startedAt).second) continue;
        sound();
        emit rang(onScreen(ringText(bell)));
    }
}

/// Without a device, or muted, there is no fuss: the words are said all the same.
void BellRinger::sound() {
    if (m_muted || QMediaDevices::defaultAudioOutput().isNull()) return;
    if (!m_sound) {
        m_sound = new QSoundEffect(this);
        m_sound->setSource(QUrl(QStringLiteral("qrc:/sounds/bell.wav")));
    }
    m_sound->play();
}

} // namespace uttrin::app

#include "moc_BellRinger.cpp"
