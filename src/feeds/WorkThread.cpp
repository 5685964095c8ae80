#include "WorkThread.h"

namespace uttrin {

void WorkThread::start(const std::function<void()>& first) {
    m_thread.start();
    post(first);
}

void WorkThread::post(const std::function<void()>& work) { QMetaObject::invokeMethod(&m_there, work); }

void WorkThread::end(const std::function<void()>& last) {
    if (!m_thread.isRunning()) return;
    QMetaObject::invokeMethod(&m_there, last, Qt::BlockingQueuedConnection);
    m_thread.quit();
    m_thread.wait();
}

} // namespace uttrin
