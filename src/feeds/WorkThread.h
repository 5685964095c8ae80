#pragma once

#include <QObject>
#include <QThread>

#include <functional>

namespace uttrin {

/// A thread with an event loop, for what has timers and sockets: these begin, work and end on it.
class WorkThread {
public:
    WorkThread() { m_there.moveToThread(&m_thread); }
    WorkThread(const WorkThread&) = delete;
    WorkThread& operator=(const WorkThread&) = delete;
    ~WorkThread() {
        end([] {});
    }

    void start(const std::function<void()>& first);
    /// Done there, after what was posted before.
    void post(const std::function<void()>& work);
    /// Waits until what was posted, and this, is done. What lives there has to be gone then. Nothing where it
    /// was not started, or has ended.
    void end(const std::function<void()>& last);

private:
    QThread m_thread;
    QObject m_there; ///< lives on it
};

} // namespace uttrin
