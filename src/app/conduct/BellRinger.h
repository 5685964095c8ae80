#pragma once

#include "app/controller/LessonController.h"

#include <functional>
#include <set>

class QSoundEffect;

namespace uttrin::app {

/// Rings bells when they are due, wherever in the window one is: by sound, unless it is muted or there is no
/// device, and by telling everyone.
class BellRinger : public QObject {
    Q_OBJECT
public:
    explicit BellRinger(LessonController& controller, QObject* parent = nullptr);
    [[nodiscard]] bool isMuted() const { return m_muted; }
    void setMuted(bool muted); ///< kept for the next time

signals:
    /// A bell is due now, with the words to say.
    void rang(const QString& words);

private:
    void look();
    void sound();
    LessonController& m_controller;
    std::set<std::pair<RowId, Milliseconds>> m_rung; ///< by bell and when it was started
    QSoundEffect* m_sound = nullptr;
    bool m_muted = false;
};

} // namespace uttrin::app
