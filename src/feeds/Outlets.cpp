#include "Outlets.h"

#include "ModbusOutlet.h"
#include "live/Endpoint.h"
#include "quantities/Quantities.h"

#include <QHostAddress>
#include <QTcpServer>
#include <QTcpSocket>

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <pty.h>
#include <termios.h>
#include <unistd.h>

namespace uttrin {
namespace {

constexpr const char* kHere = "127.0.0.1";

} // namespace

Outlets::Outlets(ShownInstruments& stand, OutletSettings settings)
    : m_stand(stand), m_settings(std::move(settings)) {
    connect(&m_ticks, &QTimer::timeout, this, &Outlets::tick);
}

Outlets::~Outlets() {
    for (QTcpSocket* caller : m_callers) // they hang up as they go, when what they would tell is gone
        caller->disconnect(this);
    for (const int end : {m_master, m_slave})
        if (end >= 0) ::close(end);
}

Result<void> Outlets::openTcp(int port) {
    m_server = std::make_unique<QTcpServer>();
    if (!m_server->listen(QHostAddress::LocalHost, static_cast<quint16>(port)))
        return fail(Failure::BadInput, Text::tr("port {} of this machine cannot be used: {}", port,
                                                m_server->errorString().toStdString()));
    m_port = m_server->serverPort();
    connect(m_server.get(), &QTcpServer::newConnection, this, [this] {
        QTcpSocket* caller = m_server->nextPendingConnection();
        m_callers.push_back(caller);
        connect(caller, &QTcpSocket::disconnected, this, [this, caller] {
            std::erase(m_callers, caller);
            caller->deleteLater();
        });
    });
    return {};
}

Result<std::vector<std::string>> Outlets::open() {
    std::vector<std::string> where;
    if (m_settings.tcpPort) {
        if (const auto opened = openTcp(*m_settings.tcpPort); !opened) return tl::unexpected(opened.error());
        where.push_back(writeEndpoint({Endpoint::Kind::Tcp, kHere, m_port, {}}));
    }
    if (!m_settings.file.empty()) {
        std::ofstream file(m_settings.file, std::ios::binary | std::ios::trunc);
        file << ShownInstruments::fileHeader();
        if (!file.flush())
            return fail(Failure::Storage, Text::tr("'{}' cannot be written", m_settings.file.string()));
        where.push_back(writeEndpoint({Endpoint::Kind::File, {}, 0, m_settings.file.string()}));
    }
    if (m_settings.pty) {
        termios raw{};
        cfmakeraw(&raw);
        std::array<char, 128> name{};
        if (openpty(&m_master, &m_slave, name.data(), &raw, nullptr) != 0)
            return fail(Failure::Storage,
                        Text::tr("this machine gives no serial port: {}", std::string(std::strerror(errno))));
        fcntl(m_master, F_SETFL, fcntl(m_master, F_GETFL) | O_NONBLOCK); // nobody has to read it
        where.push_back(writeEndpoint({Endpoint::Kind::Serial, {}, 0, name.data()}));
    }
    if (m_settings.modbusPort) {
        auto outlet = ModbusOutlet::open(*m_settings.modbusPort);
        if (!outlet) return tl::unexpected(outlet.error());
        m_modbus = std::move(*outlet);
        where.push_back(writeEndpoint({Endpoint::Kind::Modbus, kHere, m_modbus->port(), {}}));
    }
    if (where.empty())
        return fail(Failure::BadInput,
                    Text::tr("nobody could hear it; accepted: --tcp, --csv, --pty or --modbus"));
    constexpr double kMs = 1000.0;
    m_clock.start();
    m_ticks.start(std::max(1, static_cast<int>(kMs * m_settings.every)));
    return where;
}

/// What the clock has reached since, each reading in its turn.
void Outlets::tick() {
    constexpr double kMs = 1000.0;
    const double now = m_settings.speed * static_cast<double>(m_clock.elapsed()) / kMs;
    const double step = m_settings.speed * m_settings.every;
    std::ofstream file;
    if (!m_settings.file.empty()) file.open(m_settings.file, std::ios::binary | std::ios::app);
    for (; m_next <= std::min(now, m_stand.lasts()); m_next += step) {
        if (m_modbus) {
            const auto shown = m_stand.shownAt(m_next);
            constexpr double kPa = 1e3;
            m_modbus->show(static_cast<float>(shown.pascal / kPa),
                           static_cast<float>(shown.kelvin - kIcePointKelvin));
        }
        sendToAll(m_stand.lineAt(m_next));
        if (file.is_open()) file << m_stand.fileLineAt(m_next);
    }
    const bool unplugged = m_stand.suffers(StandInFault::Kind::Unplugged, now);
    if (m_server && unplugged && m_server->isListening()) {
        m_server->close();
        for (QTcpSocket* caller : std::vector(m_callers))
            caller->abort();
    } else if (m_server && !unplugged && !m_server->isListening()) {
        (void)m_server->listen(QHostAddress::LocalHost, m_port);
    }
    if (m_next > m_stand.lasts()) {
        m_ticks.stop();
        emit ended();
    }
}

void Outlets::sendToAll(const std::string& line) {
    if (line.empty()) return;
    for (QTcpSocket* caller : m_callers) {
        caller->write(line.data(), static_cast<qint64>(line.size()));
        caller->flush();
    }
    // A port that nobody reads is full in time: what does not fit is lost, as on a real one.
    if (m_master >= 0 && ::write(m_master, line.data(), line.size()) < 0 && errno != EAGAIN) m_master = -1;
}

} // namespace uttrin

#include "moc_Outlets.cpp"
