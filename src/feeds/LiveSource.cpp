#include "LiveSource.h"

namespace uttrin {

LiveSource::LiveSource(Endpoint endpoint, LiveProfile profile, std::chrono::steady_clock::time_point begun)
    : m_endpoint(std::move(endpoint)), m_profile(std::move(profile)), m_begun(begun) {}

LiveSource::~LiveSource() {
    m_thread.end([this] {
        m_hands.reset();
        m_listener.reset();
    });
}

void LiveSource::start() {
    m_thread.start([this] { begin(); });
}

void LiveSource::begin() {
    constexpr int kHandsOver = 100; // ms
    m_listener = std::make_unique<Listener>(m_endpoint, m_profile, 0.0);
    m_listener->countFrom(m_begun);
    connect(m_listener.get(), &Listener::found, this, &LiveSource::found);
    connect(m_listener.get(), &Listener::lost, this, &LiveSource::lost);
    connect(m_listener.get(), &Listener::unreadable, this, &LiveSource::unreadable);
    connect(m_listener.get(), &Listener::arrived, this, &LiveSource::arrived);
    m_hands = std::make_unique<QTimer>();
    connect(m_hands.get(), &QTimer::timeout, m_listener.get(), [this] {
        const Trace came = m_listener->takeAway();
        if (!came.pascal.empty() || !came.kelvin.empty()) emit heard(came);
    });
    m_hands->start(kHandsOver);
    m_listener->start();
}

} // namespace uttrin

#include "moc_LiveSource.cpp"
