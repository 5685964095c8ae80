#include "feeds/LiveSource.h"

#include "feeds/Outlets.h"
#include "live/ShippedProfiles.h"
#include "support/StillInstruments.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <gtest/gtest.h>

#include <cstdlib>
#include <fstream>
#include <functional>

namespace uttrin {
namespace {

using testing::StillInstruments;

bool comesTrue(const std::function<bool()>& so, qint64 ms = 8000) {
    QElapsedTimer timer;
    timer.start();
    while (!so() && timer.elapsed() < ms)
        QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 20);
    return so();
}

/// Memory of this process, MB.
double residentMegabytes() {
    std::ifstream status("/proc/self/statm");
    double total = 0.0, resident = 0.0;
    status >> total >> resident;
    constexpr double kPage = 4096.0, kMegabyte = 1024.0 * 1024.0;
    return resident * kPage / kMegabyte;
}

/// Sends what the instruments show each 20 ms to a port of this machine. @return where.
std::unique_ptr<Outlets> sending(StillInstruments& instruments, OutletSettings settings, Endpoint& where) {
    settings.every = 0.02;
    auto outlets = std::make_unique<Outlets>(instruments, settings);
    const auto opened = outlets->open();
    EXPECT_TRUE(opened) << (opened ? Text() : opened.error().message);
    if (opened) where = *readEndpoint(opened->front());
    return outlets;
}

/// What a source hands over, counted.
struct Heard {
    explicit Heard(LiveSource& source) {
        QObject::connect(&source, &LiveSource::heard, &source, [this](const Trace& came) {
            for (const double s : came.kelvin.seconds) {
                rising = rising && s > last;
                last = s;
            }
            samples += came.kelvin.size();
            pressures += came.pascal.size();
            if (!came.pascal.empty()) pascal = came.pascal.values.back();
        });
        QObject::connect(&source, &LiveSource::found, &source, [this] { ++found; });
        QObject::connect(&source, &LiveSource::lost, &source, [this] { ++lost; });
    }
    std::size_t samples = 0, pressures = 0;
    int found = 0, lost = 0;
    double last = -1.0, pascal = 0.0;
    bool rising = true;
};

TEST(LiveSource, HandsOverWhatComesInItsOrderAndWithItsStep) {
    StillInstruments instruments;
    Endpoint where;
    const auto outlets = sending(instruments, {.tcpPort = 0}, where);
    LiveSource source(where, findProfile("pressure-and-temperature-lines")->profile,
                      std::chrono::steady_clock::now());
    Heard heard(source);
    source.start();
    ASSERT_TRUE(comesTrue([&] { return heard.samples >= 50; }));
    EXPECT_TRUE(heard.rising);
    EXPECT_EQ(heard.samples, heard.pressures);
    EXPECT_EQ(heard.found, 1);
    EXPECT_NEAR(heard.pascal, 47'370.0, 1e-6);
}

TEST(LiveSource, AStandInIsReadByModbusAsAnInstrumentWouldBe) {
    StillInstruments instruments;
    Endpoint where;
    const auto outlets = sending(instruments, {.modbusPort = 0}, where);
    ASSERT_EQ(where.kind, Endpoint::Kind::Modbus);
    LiveProfile profile = findProfile("pressure-transmitter-modbus")->profile;
    profile.period = 0.05;
    LiveSource source(where, profile, std::chrono::steady_clock::now());
    Heard heard(source);
    source.start();
    ASSERT_TRUE(comesTrue([&] { return heard.pressures >= 5; }));
    EXPECT_NEAR(heard.pascal, 47'370.0, 1.0); // a float32
    EXPECT_FALSE(readEndpoint("modbus:127.0.0.1"));
    OutletSettings taken{.modbusPort = where.port};
    Outlets second(instruments, taken);
    EXPECT_FALSE(second.open()); // the port is another's
}

// UTTRIN_CYCLES=1000 for a thousand of them, which takes an hour and more: it is looked for once a second.
TEST(LiveSource, UnpluggedAndPluggedInAgainItComesBackEachTime) {
    const char* wanted = std::getenv("UTTRIN_CYCLES");
    const int cycles = wanted ? std::atoi(wanted) : 3;
    StillInstruments instruments;
    Endpoint where;
    auto outlets = sending(instruments, {.tcpPort = 0}, where);
    LiveSource source(where, findProfile("pressure-and-temperature-lines")->profile,
                      std::chrono::steady_clock::now());
    Heard heard(source);
    source.start();
    double before = 0.0;
    for (int cycle = 1; cycle <= cycles; ++cycle) {
        const std::size_t so = heard.samples;
        ASSERT_TRUE(comesTrue([&] { return heard.samples > so + 3; })) << cycle;
        outlets.reset();
        ASSERT_TRUE(comesTrue([&] { return heard.lost == cycle; })) << cycle;
        Endpoint again;
        outlets = sending(instruments, {.tcpPort = where.port}, again);
        if (cycle == cycles / 10) before = residentMegabytes();
    }
    ASSERT_TRUE(comesTrue([&] { return heard.found == cycles + 1; }));
    EXPECT_TRUE(heard.rising);
    if (cycles >= 100) {
        EXPECT_LT(residentMegabytes() - before, 5.0);
    }
}

} // namespace
} // namespace uttrin
