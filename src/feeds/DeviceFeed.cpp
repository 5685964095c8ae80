#include "DeviceFeed.h"

#include <QFile>
#include <QHostAddress>
#include <QSerialPort>
#include <QTcpSocket>

namespace uttrin {
namespace {

constexpr int kAgain = 1000; // ms, between two attempts
constexpr int kLooks = 100;  // ms, between two looks at a file

QSerialPort::Parity parityOf(SerialSettings::Parity parity) {
    switch (parity) {
    case SerialSettings::Parity::Even:
        return QSerialPort::EvenParity;
    case SerialSettings::Parity::Odd:
        return QSerialPort::OddParity;
    case SerialSettings::Parity::None:
        break;
    }
    return QSerialPort::NoParity;
}

} // namespace

DeviceFeed::DeviceFeed() {
    m_again.setInterval(kAgain);
    connect(&m_again, &QTimer::timeout, this, [this] {
        if (!isThere()) tryToOpen();
    });
}

void DeviceFeed::start() {
    tryToOpen();
    m_again.start();
}

void DeviceFeed::ask(const QByteArray& words) {
    if (isThere()) device()->write(words);
}

void DeviceFeed::takeAll() {
    if (const QByteArray bytes = device()->readAll(); !bytes.isEmpty()) emit received(bytes);
}

TcpFeed::TcpFeed(Endpoint endpoint) : m_endpoint(std::move(endpoint)), m_socket(new QTcpSocket(this)) {
    connect(m_socket, &QTcpSocket::connected, this, [this] {
        // Where nothing listens on this machine, a connection may by chance be given the very port that it is
        // to reach: it is then connected to itself, and nobody else can have the port any more.
        if (m_socket->localPort() != m_socket->peerPort() ||
            m_socket->localAddress() != m_socket->peerAddress())
            return isFound();
        m_socket->abort();
    });
    connect(m_socket, &QTcpSocket::readyRead, this, &TcpFeed::takeAll);
    connect(m_socket, &QTcpSocket::errorOccurred, this, [this] {
        takeAll(); // what came before it ended
        isLost(m_socket->errorString());
    });
}

void TcpFeed::tryToOpen() {
    if (m_socket->state() != QAbstractSocket::UnconnectedState) m_socket->abort();
    m_socket->connectToHost(QString::fromStdString(m_endpoint.host), static_cast<quint16>(m_endpoint.port));
}

QIODevice* TcpFeed::device() { return m_socket; }

SerialFeed::SerialFeed(const Endpoint& endpoint, const SerialSettings& settings)
    : m_port(new QSerialPort(this)) {
    m_port->setPortName(QString::fromStdString(endpoint.path));
    m_port->setBaudRate(settings.speed);
    m_port->setDataBits(static_cast<QSerialPort::DataBits>(settings.bits));
    m_port->setStopBits(settings.stopBits == 2 ? QSerialPort::TwoStop : QSerialPort::OneStop);
    m_port->setParity(parityOf(settings.parity));
    connect(m_port, &QSerialPort::readyRead, this, &SerialFeed::takeAll);
    connect(m_port, &QSerialPort::errorOccurred, this, [this](QSerialPort::SerialPortError error) {
        if (error == QSerialPort::NoError) return;
        const QString why = m_port->errorString();
        if (m_port->isOpen()) m_port->close();
        isLost(why);
    });
}

void SerialFeed::tryToOpen() {
    if (m_port->isOpen()) m_port->close();
    if (m_port->open(QIODevice::ReadWrite)) isFound();
}

QIODevice* SerialFeed::device() { return m_port; }

FileFeed::FileFeed(const Endpoint& endpoint) : m_path(QString::fromStdString(endpoint.path)) {
    m_looks.setInterval(kLooks);
    connect(&m_looks, &QTimer::timeout, this, &FileFeed::look);
}

void FileFeed::start() {
    look();
    m_looks.start();
}

void FileFeed::look() {
    QFile file(m_path);
    if (!file.open(QIODevice::ReadOnly)) {
        isLost(file.errorString());
        return;
    }
    isFound();
    if (file.size() < m_read) m_read = 0;
    if (file.size() == m_read || !file.seek(m_read)) return;
    constexpr qint64 kAtOnce = 1 << 20; // bytes
    const QByteArray bytes = file.read(kAtOnce);
    m_read += bytes.size();
    if (!bytes.isEmpty()) emit received(bytes);
}

} // namespace uttrin

#include "moc_DeviceFeed.cpp"
