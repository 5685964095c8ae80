#include "Feed.h"

#include "DeviceFeed.h"
#include "ModbusFeed.h"

namespace uttrin {

void Feed::isFound() {
    if (m_there) return;
    m_there = true;
    m_told = false;
    emit found();
}

void Feed::isLost(const QString& why) {
    m_there = false;
    if (m_told) return;
    m_told = true;
    emit lost(why);
}

std::unique_ptr<Feed> makeFeed(const Endpoint& e, const LiveProfile& profile) {
    const bool registers = profile.speaks == LiveProfile::Speaks::Modbus;
    if (e.kind == Endpoint::Kind::Modbus || (registers && e.kind == Endpoint::Kind::Serial))
        return std::make_unique<ModbusFeed>(e, profile);
    if (e.kind == Endpoint::Kind::Tcp) return std::make_unique<TcpFeed>(e);
    if (e.kind == Endpoint::Kind::Serial) return std::make_unique<SerialFeed>(e, profile.serial);
    return std::make_unique<FileFeed>(e);
}

} // namespace uttrin

#include "moc_Feed.cpp"
