#include "Driver.h"
#include "app/shell/GuardedApplication.h"
#include "support/FaultyDisk.h"

#include <QTimer>
#include <gtest/gtest.h>
#include <sqlite3.h>

#include <ctime>
#include <fstream>
#include <iterator>
#include <random>

namespace uttrin::testing {
namespace {

namespace fs = std::filesystem;

class Faults : public NewLesson {
protected:
    void startRun() {
        enterRoom("850.6");
        goTo(Station::Run);
        d.type("newGroup", QStringLiteral("Dune"), Qt::Key_Return);
    }
    void typePair(const char* gauge, const char* thermometer) {
        d.type("readFirst", QLatin1String(gauge));
        d.type("readTemperature", QLatin1String(thermometer));
    }
};

TEST_F(Faults, AnExceptionThatReachesTheEventLoopIsToldAndTheWindowGoesOn) {
    startRun();
    typePair("-0.45", "75");
    QTimer::singleShot(0, [] { throw std::runtime_error("a fault made for this test"); });
    Driver::settle();
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("a fault made for this test")))
        << d.text("message").toStdString();
    EXPECT_EQ(d.session().draft().first, -0.45);
    d.capture();
    EXPECT_EQ(d.session().notebook().count("reading"), 1);
}

TEST_F(Faults, ADiskThatFailsAtTheCaptureKeepsWhatIsTypedAndSaysWhy) {
    const fs::path path = d.session().notebook().path();
    startRun();
    FaultyDisk disk; // for what is opened from now on
    ASSERT_TRUE(d.controller.create(QString::fromStdString((dir / "b.uttrin").string())));
    startRun();
    for (const auto& [operation, code] : {std::pair{FaultyDisk::Write, SQLITE_FULL},
                                          {FaultyDisk::Sync, SQLITE_IOERR_FSYNC},
                                          {FaultyDisk::Read, SQLITE_IOERR_READ}}) {
        SCOPED_TRACE(nameOf(operation));
        const int before = *d.session().notebook().count("reading");
        typePair("-0.45", "74.8");
        disk.breakAt(operation, 1, code, true);
        d.capture();
        EXPECT_TRUE(disk.hasFailed());
        disk.mend();
        if (*d.session().notebook().count("reading") == before) {
            EXPECT_FALSE(d.text("message").isEmpty());
            EXPECT_EQ(d.find<QLineEdit>("readFirst")->text(), QStringLiteral("−0.45")) << "typed values stay";
            d.capture();
        }
        EXPECT_EQ(*d.session().notebook().count("reading"), before + 1);
        d.controller.refresh();
        Driver::settle();
    }
    ASSERT_TRUE(d.window.openNotebook(QString::fromStdString(path.string()))); // before the disk goes
}

TEST_F(Faults, TheClockMayJumpAYearAheadOrBack) {
    startRun();
    typePair("-0.45", "74.8");
    d.capture();
    constexpr Milliseconds kYear = 365LL * 24 * 3600 * 1000;
    for (const Milliseconds jump : {kYear, -2 * kYear, kYear}) {
        d.clock.time += jump;
        typePair("-0.35", "81.4");
        const std::clock_t from = std::clock();
        d.capture();
        EXPECT_TRUE(d.text("message").contains(jump < 0 ? QStringLiteral("clock went back by 17520")
                                                        : QStringLiteral("clock went ahead by")))
            << d.text("message").toStdString();
        (void)d.window.grab();
        EXPECT_LT(static_cast<double>(std::clock() - from) / CLOCKS_PER_SEC, 2.0)
            << "one tick a minute took seconds";
    }
    EXPECT_EQ(d.session().notebook().count("reading"), 4);
}

// 26 of 334 damaged notebooks ended the program.
TEST(DamagedNotebooks, FiveHundredOfThemEndInAWindowOrASentence) {
    const TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "sound.uttrin"));
    std::ifstream file(dir / "sound.uttrin", std::ios::binary);
    const std::string sound{std::istreambuf_iterator<char>(file), {}};
    std::mt19937 chance(7);
    const auto below = [&](std::size_t n) {
        return std::uniform_int_distribution<std::size_t>(0, n - 1)(chance);
    };
    Driver d;
    int opened = 0;
    for (int i = 0; i < 500; ++i) {
        SCOPED_TRACE(i);
        std::string bytes = sound;
        switch (i % 4) {
        case 0: // single bytes
            for (std::size_t k = 0, n = 1 + below(30); k < n; ++k)
                bytes[below(bytes.size())] = static_cast<char>(below(256));
            break;
        case 1: // a page of nothing
            std::fill_n(bytes.begin() + static_cast<std::ptrdiff_t>(4096 * below(bytes.size() / 4096)), 4096,
                        '\0');
            break;
        case 2: // cut short
            bytes.resize(below(bytes.size()));
            break;
        default: // a stretch from elsewhere
            std::copy_n(sound.begin() + static_cast<std::ptrdiff_t>(below(sound.size() - 600)), 600,
                        bytes.begin() + static_cast<std::ptrdiff_t>(below(sound.size() - 600)));
        }
        const fs::path path = dir / ("n" + std::to_string(i) + ".uttrin");
        std::ofstream(path, std::ios::binary) << bytes;
        const std::clock_t from = std::clock();
        if (d.window.openNotebook(QString::fromStdString(path.string()))) {
            ++opened;
            d.window.goTo(i % 2 ? Station::WorkUp : Station::Run);
            Driver::settle();
        } else {
            EXPECT_FALSE(d.text("message").isEmpty());
        }
        EXPECT_LT(static_cast<double>(std::clock() - from) / CLOCKS_PER_SEC, 1.0);
        for (auto* offer : d.window.findChildren<QPushButton*>(QStringLiteral("salvage")))
            delete offer;
        fs::remove(path);
    }
    EXPECT_GT(opened, 20) << "some bytes do not matter";
    EXPECT_LT(opened, 400);
}

} // namespace
} // namespace uttrin::testing
