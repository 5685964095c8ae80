#include "Listener.h"

namespace uttrin {

Listener::Listener(const Endpoint& endpoint, LiveProfile profile, std::optional<double> roomPascal)
    : m_profile(std::move(profile)), m_recorder(m_profile, roomPascal), m_splitter(m_profile.terminator),
      m_feed(makeFeed(endpoint, m_profile)) {
    connect(m_feed.get(), &Feed::received, this, [this](const QByteArray& bytes) {
        for (const std::string& line :
             m_splitter.feed(std::string_view(bytes.data(), static_cast<std::size_t>(bytes.size()))))
            take(line);
    });
    connect(m_feed.get(), &Feed::read, this, [this](const std::vector<HeardReading>& readings) {
        tell(m_recorder.take(readings, seconds()));
    });
    connect(m_feed.get(), &Feed::unreadable, this, [this](const QString& why) {
        m_recorder.reject();
        emit unreadable(why);
        emit told(why);
    });
    connect(m_feed.get(), &Feed::found, this, [this] {
        emit found();
        emit told(tr("It is there."));
    });
    connect(m_feed.get(), &Feed::lost, this, [this](const QString& why) {
        emit lost(why);
        emit told(tr("It is not there: %1").arg(why));
    });
    connect(&m_asks, &QTimer::timeout, this,
            [this] { m_feed->ask(QByteArray::fromStdString(m_profile.poll)); });
}

void Listener::start() {
    if (!m_begun) m_begun = std::chrono::steady_clock::now();
    m_feed->start();
    constexpr double kMs = 1000.0;
    if (!m_profile.poll.empty()) m_asks.start(static_cast<int>(kMs * m_profile.period));
}

void Listener::finish() {
    m_asks.stop();
    if (const std::string rest = m_splitter.rest(); !rest.empty()) take(rest);
    m_recorder.finish(seconds());
    m_feed.reset();
}

double Listener::seconds() const {
    return m_begun ? std::chrono::duration<double>(std::chrono::steady_clock::now() - *m_begun).count() : 0.0;
}

void Listener::take(const std::string& line) {
    emit arrived(QString::fromUtf8(line.data(), static_cast<qsizetype>(line.size())));
    tell(m_recorder.take(line, seconds()));
}

void Listener::tell(const Result<void>& taken) {
    if (taken) {
        emit sampled();
    } else {
        const QString why = QString::fromStdString(plain(taken.error().message));
        emit unreadable(why);
        emit told(why);
    }
}

} // namespace uttrin

#include "moc_Listener.cpp"
