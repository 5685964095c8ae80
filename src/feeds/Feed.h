#pragma once

#include "live/Endpoint.h"
#include "live/LiveDecoder.h"

#include <QByteArray>
#include <QObject>

#include <memory>

namespace uttrin {

/// What an instrument sends, as it comes. One that cannot be reached, or is lost, is tried again each second
/// by itself.
class Feed : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    virtual void start() = 0;
    /// Asks for a reading; nothing while it is not reached.
    virtual void ask(const QByteArray& words) = 0;

signals:
    void received(const QByteArray& bytes);
    void read(const std::vector<uttrin::HeardReading>& readings); ///< of one that speaks Modbus
    void unreadable(const QString& why);
    void found();                  ///< it can be reached now
    void lost(const QString& why); ///< it cannot, or no longer; told once until it is found

protected:
    // Of the one thread on which it listens.
    [[nodiscard]] bool isThere() const { return m_there; }
    void isFound();
    void isLost(const QString& why);

private:
    bool m_there = false, m_told = false;
};

/// Connects to nothing but what is named there, once it is started. @param profile  outlives the feed.
[[nodiscard]] std::unique_ptr<Feed> makeFeed(const Endpoint& endpoint, const LiveProfile& profile);

} // namespace uttrin
