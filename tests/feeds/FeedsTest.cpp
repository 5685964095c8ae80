#include "feeds/Listener.h"
#include "live/ShippedProfiles.h"
#include "support/TempDir.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <QTcpServer>
#include <QTcpSocket>
#include <QThread>
#include <gtest/gtest.h>

#include <atomic>
#include <bit>
#include <fstream>
#include <functional>
#include <modbus.h>
#include <pty.h>
#include <termios.h>
#include <unistd.h>

namespace uttrin {
namespace {

/// Lets the event loop run until something is so, or for some seconds.
bool waitFor(const std::function<bool()>& so, qint64 ms = 5000) {
    QElapsedTimer timer;
    timer.start();
    while (!so() && timer.elapsed() < ms)
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    return so();
}

LiveProfile shipped(const char* id) { return findProfile(id)->profile; }

/// An instrument on this machine that sends what a test has it send.
class TcpInstrument {
public:
    explicit TcpInstrument(quint16 port = 0) { EXPECT_TRUE(m_server.listen(QHostAddress::LocalHost, port)); }
    [[nodiscard]] quint16 port() const { return m_server.serverPort(); }
    [[nodiscard]] Endpoint endpoint() const { return {Endpoint::Kind::Tcp, "127.0.0.1", port(), {}}; }
    bool isCalled() {
        if (!m_socket) m_socket = m_server.nextPendingConnection();
        return m_socket != nullptr;
    }
    void send(const QByteArray& bytes) {
        m_socket->write(bytes);
        m_socket->flush();
    }
    QByteArray asked() { return m_socket->readAll(); }
    void hangUp() {
        m_socket->abort();
        delete m_socket;
        m_socket = nullptr;
    }

private:
    QTcpServer m_server;
    QTcpSocket* m_socket = nullptr;
};

TEST(Feeds, LinesOverTcpInAnyPiecesAndRubbishIsTold) {
    TcpInstrument instrument;
    Listener listener(instrument.endpoint(), shipped("pressure-and-temperature-lines"), {});
    QStringList said;
    QObject::connect(&listener, &Listener::told, [&](const QString& what) { said << what; });
    listener.start();
    ASSERT_TRUE(waitFor([&] { return instrument.isCalled(); }));
    for (const char* piece : {"20.", "05 kPa 60", ".25 C\r\n\xff\xfe rub", "bish\n19.95", " 60.5\n"})
        instrument.send(piece);
    ASSERT_TRUE(
        waitFor([&] { return listener.recorder().samples() == 4 && listener.recorder().rejected() == 1; }));
    const Trace& t = listener.recorder().trace();
    EXPECT_NEAR(t.pascal.values[0], 20050.0, 1e-6);
    EXPECT_NEAR(t.kelvin.values[1], 333.65, 1e-9);
    EXPECT_EQ(said.filter(QStringLiteral("there")).size(), 1);
    EXPECT_EQ(said.filter(QStringLiteral("number")).size(), 1) << "what is wrong with the line";
}

TEST(Feeds, OneThatIsUnpluggedComesBackByItselfWithoutLosingWhatCame) {
    auto instrument = std::make_unique<TcpInstrument>();
    const quint16 port = instrument->port();
    Listener listener(instrument->endpoint(), shipped("manometer-lines"), {});
    QStringList said;
    QObject::connect(&listener, &Listener::told, [&](const QString& what) { said << what; });
    listener.start();
    ASSERT_TRUE(waitFor([&] { return instrument->isCalled(); }));
    instrument->send("943.1\n");
    ASSERT_TRUE(waitFor([&] { return listener.recorder().samples() == 1; }));
    instrument->hangUp();
    instrument.reset();
    ASSERT_TRUE(waitFor([&] { return !said.filter(QStringLiteral("not there")).isEmpty(); }));
    EXPECT_EQ(said.filter(QStringLiteral("not there")).size(), 1) << "told once";
    instrument = std::make_unique<TcpInstrument>(port);
    ASSERT_TRUE(waitFor([&] { return instrument->isCalled(); }));
    instrument->send("944.0\n");
    ASSERT_TRUE(waitFor([&] { return listener.recorder().samples() == 2; }));
    EXPECT_NEAR(listener.recorder().trace().pascal.values[0], 94310.0, 1e-6);
}

TEST(Feeds, OneThatIsAskedAnswersEachPeriod) {
    TcpInstrument instrument;
    LiveProfile profile = shipped("thermometer-asked");
    profile.period = 0.05;
    Listener listener(instrument.endpoint(), profile, {});
    listener.start();
    ASSERT_TRUE(waitFor([&] { return instrument.isCalled(); }));
    QByteArray asked;
    ASSERT_TRUE(waitFor([&] {
        const QByteArray now = instrument.asked();
        for (qsizetype i = 0; i < now.count("T?\r"); ++i)
            instrument.send("T=21.5 C\r");
        asked += now;
        return listener.recorder().samples() >= 3;
    }));
    EXPECT_GE(asked.count("T?\r"), 3);
}

TEST(Feeds, AFileIsFollowedAsItGrowsAndAnewWhenItIsAnother) {
    const testing::TempDir dir;
    const auto path = dir / "run.csv";
    Listener listener({Endpoint::Kind::File, {}, 0, path.string()}, shipped("logger-file"), {});
    QStringList said;
    QObject::connect(&listener, &Listener::told, [&](const QString& what) { said << what; });
    listener.start();
    EXPECT_EQ(said.size(), 1) << "it is not there yet";
    const auto write = [&](const char* text, std::ios::openmode mode) {
        std::ofstream(path, mode) << text << std::flush;
    };
    write("Time (s);Temperature;Pressure\n0,0;60,1;2", std::ios::trunc);
    write("0,05\n1,0;60,2;20,10\n", std::ios::app);
    ASSERT_TRUE(waitFor([&] { return listener.recorder().samples() == 4; }));
    EXPECT_NEAR(listener.recorder().trace().pascal.values[0], 20050.0, 1e-6);
    write("2,0;60,3;20,20\n", std::ios::app);
    ASSERT_TRUE(waitFor([&] { return listener.recorder().samples() == 6; }));
    EXPECT_EQ(listener.recorder().trace().kelvin.seconds[2], 2.0);
    write("3,0;60,4;20,3", std::ios::app); // its last line has no end
    ASSERT_TRUE(waitFor([] { return false; }, 300) || true);
    listener.finish();
    EXPECT_EQ(listener.recorder().samples(), 8U);
}

TEST(Feeds, LinesOverASerialPort) {
    int master = -1, slave = -1;
    char name[128] = {};
    termios raw{};
    cfmakeraw(&raw);
    ASSERT_EQ(openpty(&master, &slave, name, &raw, nullptr), 0);
    Listener listener({Endpoint::Kind::Serial, {}, 0, name}, shipped("vacuum-gauge-lines"), 94310.0);
    QStringList said;
    QObject::connect(&listener, &Listener::told, [&](const QString& what) { said << what; });
    listener.start();
    ASSERT_TRUE(waitFor([&] { return !said.isEmpty(); }));
    ASSERT_EQ(said.front(), QStringLiteral("It is there.")) << said.front().toStdString();
    ASSERT_EQ(write(master, "-70.31 kPa\r\n", 12), 12);
    ASSERT_TRUE(waitFor([&] { return listener.recorder().samples() == 1; }));
    EXPECT_NEAR(listener.recorder().trace().pascal.values[0], 24000.0, 1e-6);
    close(master); // unplugged
    ASSERT_TRUE(waitFor([&] { return !said.filter(QStringLiteral("not there")).isEmpty(); }));
    close(slave);
}

TEST(Feeds, RegistersOverModbus) {
    // libmodbus wants a port: one that the machine gives away is free a moment later.
    QTcpServer free;
    ASSERT_TRUE(free.listen(QHostAddress::LocalHost));
    const int port = free.serverPort();
    free.close();
    modbus_t* server = modbus_new_tcp("127.0.0.1", port);
    const int listening = modbus_tcp_listen(server, 1);
    ASSERT_GE(listening, 0);
    modbus_mapping_t* registers = modbus_mapping_new(0, 0, 4, 0);
    const auto bits = std::bit_cast<std::uint32_t>(94.31F); // the high word first
    registers->tab_registers[0] = static_cast<std::uint16_t>(bits >> 16);
    registers->tab_registers[1] = static_cast<std::uint16_t>(bits);
    std::atomic<bool> ends = false;
    const std::unique_ptr<QThread> thread(QThread::create([&] {
        int at = listening;
        modbus_set_indication_timeout(server, 0, 200'000);
        if (modbus_tcp_accept(server, &at) < 0) return;
        std::array<std::uint8_t, MODBUS_TCP_MAX_ADU_LENGTH> query{};
        while (!ends) {
            const int length = modbus_receive(server, query.data());
            if (length > 0) modbus_reply(server, query.data(), length, registers);
            if (length < 0 && errno != ETIMEDOUT) return;
        }
    }));
    thread->start();
    {
        LiveProfile profile = shipped("pressure-transmitter-modbus");
        profile.period = 0.05;
        Listener listener({Endpoint::Kind::Modbus, "127.0.0.1", port, {}}, profile, {});
        listener.start();
        EXPECT_TRUE(waitFor([&] { return listener.recorder().samples() >= 3; }));
        if (listener.recorder().samples() > 0) {
            EXPECT_NEAR(listener.recorder().trace().pascal.values[0], 94310.0, 0.1);
        }
    }
    ends = true;
    thread->wait();
    close(listening);
    modbus_mapping_free(registers);
    modbus_close(server);
    modbus_free(server);
}

TEST(Endpoints, AreReadAndRefusedInWords) {
    EXPECT_EQ(readEndpoint("tcp:127.0.0.1:5025")->port, 5025);
    EXPECT_EQ(readEndpoint("modbus:[::1]:502")->host, "::1");
    EXPECT_EQ(readEndpoint("file:/a:b.csv")->path, "/a:b.csv");
    EXPECT_EQ(readEndpoint("serial:/dev/ttyUSB0")->kind, Endpoint::Kind::Serial);
    for (const char* wrong :
         {"", "tcp", "tcp:", "tcp:host", "tcp::80", "tcp:h:0", "tcp:h:70000", "tcp:h:1.5", "usb:1", "file:"})
        EXPECT_FALSE(readEndpoint(wrong)) << wrong;
}

} // namespace
} // namespace uttrin

int main(int argc, char** argv) {
    QCoreApplication app(argc, argv);
    ::testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
