#pragma once

#include "Feed.h"

#include <QThread>

#include <atomic>

namespace uttrin {

/// The holding registers of an instrument, over TCP or a serial port, read each period on a thread of its
/// own.
class ModbusFeed : public Feed {
    Q_OBJECT
public:
    ModbusFeed(Endpoint endpoint, const LiveProfile& profile);
    ~ModbusFeed() override;
    void start() override;
    void ask(const QByteArray&) override {}

private:
    void work();
    void listenTo(void* context);
    Endpoint m_endpoint;
    const LiveProfile& m_profile;
    std::unique_ptr<QThread> m_thread;
    std::atomic<bool> m_ends = false;
};

} // namespace uttrin
