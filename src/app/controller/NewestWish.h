#pragma once

#include <QObject>
#include <QThreadPool>

#include <atomic>
#include <functional>
#include <memory>

namespace uttrin::app {

/// Works on a thread of its own, the newest wish first: a new one ends the one before.
class NewestWish : public QObject {
    Q_OBJECT
public:
    explicit NewestWish(QObject* parent = nullptr);
    ~NewestWish() override;

    /// Hands something to this object's thread, where it is done while its wish is still the newest.
    using Tell = std::function<void(std::function<void()>)>;
    using Job = std::function<void(const std::function<bool()>& goOn, const Tell& tell)>;
    /// Runs a job as the newest wish.
    void start(Job job);
    /// Runs a job after those that are under way or wait, and ends none of them.
    void add(Job job);
    void cancel(); ///< what is under way
    [[nodiscard]] bool isBusy() const { return m_busy; }

protected:
    void setBusy(bool busy) { m_busy = busy; }

private:
    QThreadPool m_pool;
    std::shared_ptr<std::atomic<int>> m_wish = std::make_shared<std::atomic<int>>(0);
    bool m_busy = false;
};

} // namespace uttrin::app
