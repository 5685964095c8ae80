#pragma once

#include "Feed.h"

#include <QTimer>

class QIODevice;
class QSerialPort;
class QTcpSocket;

namespace uttrin {

/// What comes out of a device that can be opened again: the part that all of them share.
class DeviceFeed : public Feed {
    Q_OBJECT
public:
    DeviceFeed();
    void start() override;
    void ask(const QByteArray& words) override;

protected:
    virtual void tryToOpen() = 0;
    [[nodiscard]] virtual QIODevice* device() = 0;
    void takeAll();

private:
    QTimer m_again;
};

/// Lines over TCP.
class TcpFeed : public DeviceFeed {
    Q_OBJECT
public:
    explicit TcpFeed(Endpoint endpoint);

protected:
    void tryToOpen() override;
    QIODevice* device() override;

private:
    Endpoint m_endpoint;
    QTcpSocket* m_socket;
};

/// Lines over a serial port.
class SerialFeed : public DeviceFeed {
    Q_OBJECT
public:
    SerialFeed(const Endpoint& endpoint, const SerialSettings& settings);

protected:
    void tryToOpen() override;
    QIODevice* device() override;

private:
    QSerialPort* m_port;
};

/// A file that a logger is writing: what is appended is read, from its beginning on; a shorter one is
/// another.
class FileFeed : public Feed {
    Q_OBJECT
public:
    explicit FileFeed(const Endpoint& endpoint);
    void start() override;
    void ask(const QByteArray&) override {}

private:
    void look();
    QString m_path;
    QTimer m_looks;
    qint64 m_read = 0;
};

} // namespace uttrin
