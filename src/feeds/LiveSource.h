#pragma once

#include "Listener.h"
#include "WorkThread.h"

namespace uttrin {

/// Listens to an instrument on a thread of its own, and hands over ten times a second what came. Its signals
/// come in the thread in which it lives itself.
class LiveSource : public QObject {
    Q_OBJECT
public:
    /// Pressures against the room are handed over as they are sent.
    /// @param begun  from which its seconds count.
    LiveSource(Endpoint endpoint, LiveProfile profile, std::chrono::steady_clock::time_point begun);
    ~LiveSource() override;
    void start();

signals:
    void heard(const uttrin::Trace& came);
    void found();
    void lost(const QString& why);
    void unreadable(const QString& why);
    void arrived(const QString& line);

private:
    void begin();
    Endpoint m_endpoint;
    LiveProfile m_profile;
    std::chrono::steady_clock::time_point m_begun;
    std::unique_ptr<Listener> m_listener; ///< on the thread, as is the next
    std::unique_ptr<QTimer> m_hands;
    WorkThread m_thread;
};

} // namespace uttrin
