#pragma once

#include "standin/ShownInstruments.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include <filesystem>
#include <memory>
#include <optional>

class QTcpServer;
class QTcpSocket;

namespace uttrin {

class ModbusOutlet;

/// Where a stand-in sends what it shows.
struct OutletSettings {
    std::optional<int> tcpPort = {}; ///< on this machine only; 0: any that is free
    std::filesystem::path file = {}; ///< that grows; empty: none
    bool pty = false;                ///< a serial port of this machine
    std::optional<int> modbusPort =
        {};             ///< on this machine only; 0: any that is free. Registers 0 and 1 hold the
                        ///< absolute pressure in kPa, 2 and 3 the temperature in °C, as float32
    double every = 0.1; ///< s of the clock, between two readings
    double speed = 1.0; ///< s of the rig in each of the clock
};

/// Sends what a stand-in shows, to this machine only.
class Outlets : public QObject {
    Q_OBJECT
public:
    /// @param stand  outlives this.
    Outlets(ShownInstruments& stand, OutletSettings settings);
    ~Outlets() override;
    /// BadInput or Storage says which outlet cannot be opened. @return where it can be heard, one a line:
    /// "tcp:…".
    [[nodiscard]] Result<std::vector<std::string>> open();

signals:
    void ended(); ///< the rig has come to its end

private:
    void tick();
    void sendToAll(const std::string& line);
    [[nodiscard]] Result<void> openTcp(int port);
    ShownInstruments& m_stand;
    OutletSettings m_settings;
    QTimer m_ticks;
    QElapsedTimer m_clock;
    std::unique_ptr<QTcpServer> m_server;
    std::unique_ptr<ModbusOutlet> m_modbus;
    std::vector<QTcpSocket*> m_callers;
    quint16 m_port = 0;
    int m_master = -1, m_slave = -1;
    double m_next = 0.0; ///< s of the rig, of the next reading
};

} // namespace uttrin
