#include "NewestWish.h"

namespace uttrin::app {

NewestWish::NewestWish(QObject* parent) : QObject(parent) { m_pool.setMaxThreadCount(1); }

NewestWish::~NewestWish() {
    cancel();
    m_pool.waitForDone();
}

void NewestWish::cancel() {
    ++*m_wish;
    m_busy = false;
}

void NewestWish::start(Job job) {
    ++*m_wish;
    m_busy = true;
    add(std::move(job));
}

void NewestWish::add(Job job) {
    const int mine = *m_wish;
    const Tell tell = [this, mine, wish = m_wish](std::function<void()> what) {
        QMetaObject::invokeMethod(
            this,
            [mine, wish, what = std::move(what)] {
                if (wish->load() == mine) what();
            },
            Qt::QueuedConnection);
    };
    m_pool.start([job = std::move(job), tell, mine, wish = m_wish] {
        const auto goOn = [wish, mine] { return wish->load() == mine; };
        if (goOn()) job(goOn, tell);
    });
}

} // namespace uttrin::app

#include "moc_NewestWish.cpp"
