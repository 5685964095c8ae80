#include "Driver.h"
#include "app/conduct/ClassWindow.h"
#include "app/controller/Dialogs.h"
#include "app/live/LiveBench.h"
#include "app/live/TraceChart.h"
#include "feeds/Outlets.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/live/KeptTrace.h"
#include "lesson/live/RigTestView.h"
#include "live/ShippedProfiles.h"
#include "register/InstrumentRegister.h"
#include "support/StillInstruments.h"

#include <QAction>
#include <QComboBox>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QSlider>
#include <QTableView>
#include <QThread>

#include <fstream>
#include <memory>

namespace uttrin {
namespace {

using app::LiveBench;
using app::TraceChart;
using testing::Driver;

/// Still instruments, sent as lines to whoever listens on this machine, each 20 ms.
class LineInstrument {
public:
    LineInstrument() { plugIn(0); }
    /// @param faults  from then on.
    void plugIn(int port, std::vector<StandInFault> faults = {}) {
        m_shown = std::make_unique<testing::StillInstruments>(std::move(faults));
        OutletSettings settings;
        settings.tcpPort = port;
        settings.every = 0.02;
        m_outlets = std::make_unique<Outlets>(*m_shown, settings);
        const auto where = m_outlets->open();
        ASSERT_TRUE(where) << (where ? Text() : where.error().message);
        m_address = QString::fromStdString(where->front()).mid(4);
    }
    void unplug() { m_outlets.reset(); }
    [[nodiscard]] int port() const { return m_address.section(QLatin1Char(':'), -1).toInt(); }
    [[nodiscard]] QString address() const { return m_address; }

private:
    std::unique_ptr<testing::StillInstruments> m_shown;
    std::unique_ptr<Outlets> m_outlets;
    QString m_address;
};

class LiveRun : public testing::NewLesson {
protected:
    void SetUp() override {
        enterRoom("981.0");
        goTo(Station::Rig);
        d.press("gaugeConvention_2");
        auto* unit = d.find<QComboBox>("gaugeUnit");
        unit->setCurrentIndex(unit->findData(QStringLiteral("kPa")));
        goTo(Station::Run);
        d.type("newGroup", QStringLiteral("Ember"), Qt::Key_Return);
    }

    /// Listens to the instrument, its first number the pressure, its second the temperature.
    void listen(const LineInstrument& instrument) {
        d.press("liveConnect");
        d.type("listenAddress", instrument.address());
        auto* profiles = d.find<QComboBox>("listenProfile");
        profiles->setCurrentIndex(profiles->count() - 1); // another one
        emit profiles->activated(profiles->count() - 1);
        d.press("listenLook");
        ASSERT_TRUE(
            QTest::qWaitFor([&] { return d.window.findChild<QPushButton*>("number2") != nullptr; }, 8000));
        d.press("number1");
        d.press("number2");
        ASSERT_TRUE(
            QTest::qWaitFor([&] { return d.text("listenSays").contains(QStringLiteral("79.82 °C")); }, 8000))
            << d.text("listenSays").toStdString();
        EXPECT_TRUE(d.text("listenSays").contains(QStringLiteral("47.37 kPa")));
        d.press("listenStart");
    }
    bool waitForDraft() {
        return QTest::qWaitFor([&] { return d.session().draftReading().isComplete(); }, 8000);
    }
};

TEST_F(LiveRun, AnInstrumentIsTaughtByClickingItsNumbersAndCaptured) {
    const LineInstrument instrument;
    listen(instrument);
    ASSERT_TRUE(waitForDraft());
    EXPECT_EQ(d.find<QLineEdit>("readFirst")->text(), QStringLiteral("47.37"));
    EXPECT_EQ(d.find<QLineEdit>("readTemperature")->text(), QStringLiteral("79.82"));
    d.capture();
    if (d.session().notebook().count("reading") == 0) d.press("keep"); // it does not boil there
    ASSERT_EQ(d.session().notebook().count("reading"), 1);
    const Reading& reading = d.session().model().data().readings.back();
    ASSERT_TRUE(reading.live);
    EXPECT_TRUE(reading.live->uPascal && reading.live->uKelvin);
    EXPECT_FALSE(reading.live->madeUp);
    // What came is on disk within a second or so, and goes on.
    ASSERT_TRUE(QTest::qWaitFor([&] { return *d.session().notebook().count("live_chunk") >= 2; }, 6000));
    d.press("liveStop");
    const auto kept = keptTraces(d.session());
    ASSERT_TRUE(kept && kept->size() == 1U);
    EXPECT_GT(kept->front().trace.kelvin.size(), 20U);
    EXPECT_TRUE(d.find<QLineEdit>("readFirst")->text().isEmpty());
}

// The line says kPa: whoever takes it for hPa is told.
TEST_F(LiveRun, AUnitThatTheLineWritesItselfIsTakenAndMinded) {
    const LineInstrument instrument;
    d.press("liveConnect");
    d.type("listenAddress", instrument.address());
    auto* profiles = d.find<QComboBox>("listenProfile");
    profiles->setCurrentIndex(profiles->count() - 1);
    emit profiles->activated(profiles->count() - 1);
    d.press("listenLook");
    ASSERT_TRUE(
        QTest::qWaitFor([&] { return d.window.findChild<QPushButton*>("number2") != nullptr; }, 8000));
    d.press("number2"); // the temperature first: its C says so
    EXPECT_EQ(d.find<QComboBox>("numberUnit")->currentText(), QStringLiteral("°C"));
    d.press("number1");
    auto* units = d.find<QComboBox>("numberUnit");
    EXPECT_EQ(units->currentText(), QStringLiteral("kPa"));
    EXPECT_EQ(d.text("numberIs"), QStringLiteral("Number 1 of the line is:"));
    const int hectopascal = units->findText(QStringLiteral("hPa"));
    units->setCurrentIndex(hectopascal);
    emit units->activated(hectopascal);
    EXPECT_TRUE(
        d.text("numberIs").contains(QStringLiteral("The line itself says kPa behind number 1, not hPa")))
        << d.text("numberIs").toStdString();
    d.key(Qt::Key_Escape);
}

TEST_F(LiveRun, AnUnpluggedInstrumentIsToldAndComesBackByItself) {
    LineInstrument instrument;
    const int port = instrument.port();
    listen(instrument);
    ASSERT_TRUE(waitForDraft());
    auto* bench = d.window.findChild<LiveBench*>();
    instrument.unplug();
    ASSERT_TRUE(
        QTest::qWaitFor([&] { return d.text("liveTrouble").contains(QStringLiteral("not there")); }, 6000));
    ASSERT_TRUE(QTest::qWaitFor([&] { return !d.session().draft().first.has_value(); }, 8000));
    const std::size_t before = bench->trail().temperature().size();
    EXPECT_GT(before, 5U); // what came is still there
    instrument.plugIn(port);
    ASSERT_TRUE(QTest::qWaitFor([&] { return bench->trail().temperature().size() > before + 5; }, 8000));
    EXPECT_TRUE(QTest::qWaitFor([&] { return d.text("liveTrouble").isEmpty(); }, 3000));
    instrument.unplug();
    instrument.plugIn(port, {{StandInFault::Kind::Rubbish, 0.0, 3.0}});
    ASSERT_TRUE(QTest::qWaitFor(
        [&] { return d.text("liveTrouble").contains(QStringLiteral("cannot be read")); }, 6000));
    ASSERT_TRUE(QTest::qWaitFor([&] { return d.text("liveTrouble").isEmpty(); }, 9000));
}

// What an instrument's thread said last arrives when it is listened to no more: it is nobody's then.
TEST_F(LiveRun, StoppedWhileItSpeaksItIsHeardNoMore) {
    const LineInstrument instrument;
    auto* live = d.window.findChild<LiveBench*>();
    const auto where = readEndpoint("tcp:" + instrument.address().toStdString());
    ASSERT_TRUE(where);
    for (int again = 0; again < 5; ++again) {
        live->listenTo(QStringLiteral("gauge"), *where,
                       findProfile("pressure-and-temperature-lines")->profile);
        ASSERT_TRUE(QTest::qWaitFor([&] { return !live->trail().empty(); }, 8000));
        QThread::msleep(250); // it goes on speaking while nobody looks
        live->stop();
        Driver::settle();
        EXPECT_TRUE(live->states().empty());
        EXPECT_FALSE(d.session().draftReading().hasGauge);
    }
}

TEST_F(LiveRun, CapturesByItselfOnceBothStandStill) {
    const LineInstrument instrument;
    goTo(Station::Rig);
    auto* order = d.find<QComboBox>("readOrder");
    order->setCurrentIndex(1);
    emit order->activated(1);
    Driver::settle();
    d.controller.carryOut(&PlanCommands::correctRun, *d.session().runId());
    goTo(Station::Run);
    EXPECT_TRUE(d.text("readStep").contains(QStringLiteral("1 of 3: Shut the pump off")));
    d.press("readStepDone");
    EXPECT_TRUE(d.find<QAbstractButton>("pumpState_0")->isChecked());
    d.press("readStepDone");
    listen(instrument);
    d.press("liveBySelf");
    ASSERT_TRUE(
        QTest::qWaitFor([&] { return d.text("liveVerdict").contains(QStringLiteral("steady for")); }, 20000));
    ASSERT_TRUE(QTest::qWaitFor(
        [&] {
            return *d.session().notebook().count("reading") == 1 || d.find<QPushButton>("keep")->isVisible();
        },
        4000));
    if (*d.session().notebook().count("reading") == 0) d.press("keep");
    QTest::qWait(12'000); // it stands still on: nothing is captured twice
    ASSERT_EQ(*d.session().notebook().count("reading"), 1);
    EXPECT_EQ(d.session().model().data().readings.back().readOrder, "isolate plateau both");
    EXPECT_TRUE(d.session().model().data().readings.back().live->steady);
}

TEST_F(LiveRun, ASimulatedRigIsWorkedByHandAndLabelledMadeUp) {
    d.press("liveSimulate");
    ASSERT_TRUE(waitForDraft());
    const double before = *d.session().draft().first;
    d.press("simulated1"); // the pump
    d.find<QSlider>("simulated0")->setValue(0);
    ASSERT_TRUE(QTest::qWaitFor(
        [&] {
            const auto& first = d.session().draft().first;
            return first && *first < 0.7 * before;
        },
        15000));
    EXPECT_TRUE(d.text("simulatedName0").contains(QStringLiteral("0 %")));
    d.capture();
    if (*d.session().notebook().count("reading") == 0) d.press("keep");
    ASSERT_EQ(*d.session().notebook().count("reading"), 1);
    EXPECT_TRUE(d.session().model().data().readings.back().live->madeUp);
    auto* shown = d.window.findChild<QAction*>(QStringLiteral("actionClass"));
    shown->trigger();
    Driver::settle();
    app::ClassWindow* window = nullptr;
    for (QWidget* top : QApplication::topLevelWidgets())
        if (auto* classWindow = qobject_cast<app::ClassWindow*>(top)) window = classWindow;
    ASSERT_NE(window, nullptr);
    EXPECT_TRUE(window->spokenValue().contains(QStringLiteral("kPa")));
    shown->trigger();
    d.press("simulatedEnd");
    EXPECT_FALSE(d.window.findChild<LiveBench*>()->isLive());
    EXPECT_TRUE(d.find<QPushButton>("liveSimulate")->isVisible());
}

TEST_F(LiveRun, ALoggersFileIsBroughtInByItsColumnsAndAPointTakenFromIt) {
    const auto file = dir / "logger.csv";
    {
        std::ofstream out(file);
        out << "Zeit (s);Temperature (\xC2\xB0"
               "C);Druck (kPa)\n";
        for (int i = 0; i < 120; ++i)
            out << i << ";" << (i % 2 == 0 ? "79,81" : "79,83") << ";" << (i % 2 == 0 ? "47,36" : "47,38")
                << "\n";
    }
    d.window.findChild<QAction*>(QStringLiteral("actionTrace"))->trigger();
    Driver::settle();
    EXPECT_TRUE(d.find<QLabel>("traceEmpty")->isVisible());
    app::dialogs::answerNext(QString::fromStdString(file.string()));
    d.press("traceFile");
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("120 temperatures")))
        << d.text("loggerState").toStdString();
    auto* third = d.find<QComboBox>("loggerColumn3"); // what it is named says nothing to the program, or does
    third->setCurrentIndex(4);
    emit third->activated(4);
    Driver::settle();
    auto* unit = d.find<QComboBox>("loggerUnit3");
    unit->setCurrentIndex(unit->findData(QStringLiteral("kPa")));
    emit unit->activated(unit->currentIndex());
    Driver::settle();
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("120 pressures")))
        << d.text("loggerState").toStdString();
    d.type("loggerBegun", QStringLiteral("25:99"));
    d.press("loggerBringIn");
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("no time of day")));
    d.type("loggerBegun", QStringLiteral("10:31"));
    d.press("loggerBringIn");
    EXPECT_EQ(*d.session().notebook().count("live_stream"), 2);
    ASSERT_GT(d.find<QListWidget>("tracePlaces")->count(), 0);
    EXPECT_TRUE(d.text("traceMoment").contains(QStringLiteral("steady for")));
    auto* chart = d.find<TraceChart>("traceChart");
    const double at = *chart->cursor();
    chart->setFocus();
    QTest::keyClick(chart, Qt::Key_Right);
    EXPECT_GT(*chart->cursor(), at);
    QTest::keyClick(chart, Qt::Key_Plus);
    EXPECT_LT(chart->view().to - chart->view().from, 119.0);
    d.press("traceTake");
    EXPECT_NEAR(*d.session().draft().first, 47.37, 0.01);
    EXPECT_NEAR(*d.session().draft().temperature, 79.82, 0.01);
    // A second file of the same heading is laid out as the first was.
    app::dialogs::answerNext(QString::fromStdString(file.string()));
    d.press("traceFile");
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("as last time")));
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("120 pressures")));
}

class RigTestPages : public testing::NewLesson {};

TEST_F(RigTestPages, ALeakTestIsTypedWorkedOutAndCompared) {
    enterRoom("1002");
    goTo(Station::Rig);
    d.press("rigFace_1");
    auto* typed = d.find<QPlainTextEdit>("testTyped");
    typed->setPlainText(QStringLiteral("0 -0.80\n30"));
    d.press("testKeep");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("Line 2")));
    QStringList lines;
    for (int i = 0; i < 14; ++i)
        lines << QStringLiteral("%1 %2").arg(20 * i).arg(-0.80 + 0.004 * i, 0, 'f', 3);
    typed->setPlainText(lines.join(QLatin1Char('\n')));
    d.type("testNote", QStringLiteral("as it was"));
    d.press("testKeep");
    EXPECT_TRUE(d.text("testVerdict").contains(QStringLiteral("leaks too much")))
        << d.text("testVerdict").toStdString();
    EXPECT_TRUE(d.text("testRate").contains(QStringLiteral("20"))); // 400 Pa in 20 s
    EXPECT_GT(d.find<QTableView>("testTargets")->model()->rowCount(), 5);
    EXPECT_TRUE(typed->toPlainText().isEmpty());
    lines.replaceInStrings(QRegularExpression(QStringLiteral(" -0.*")), QStringLiteral(" -0.800"));
    typed->setPlainText(lines.join(QLatin1Char('\n')));
    d.press("testKeep");
    EXPECT_TRUE(d.text("testVerdict").contains(QStringLiteral("It holds")));
    EXPECT_TRUE(d.text("testComparison").contains(QStringLiteral("It helped")));
    EXPECT_EQ(d.find<QComboBox>("testChoice")->count(), 2);
    d.press("testRemove");
    EXPECT_EQ(d.find<QComboBox>("testChoice")->count(), 1);
    // What is stamped by Enter counts from the first.
    d.type("testReading", QStringLiteral("-0.8"), Qt::Key_Return);
    d.clock.time += 12'500;
    d.type("testReading", QStringLiteral("-0.79"), Qt::Key_Return);
    EXPECT_EQ(typed->toPlainText().split(QLatin1Char('\n')).last(), QStringLiteral("12.5 −0.79"));
    d.press("testKind_1");
    EXPECT_TRUE(d.text("testVerdict").contains(QStringLiteral("No pump-down yet")));
}

TEST_F(RigTestPages, InstrumentsAreKeptForOtherLessons) {
    enterRoom("1002");
    goTo(Station::Rig);
    d.type("gaugeName", QStringLiteral("Dial seven"));
    d.press("registerKeepGauge");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("Dial seven")));
    EXPECT_TRUE(d.text("registerRemark").contains(QStringLiteral("Never calibrated")));
    d.press("registerCalibrated");
    EXPECT_TRUE(d.find<QLabel>("registerRemark")->isHidden());
    d.type("gaugeName", QStringLiteral("another"));
    d.press("gaugeConvention_2");
    ASSERT_EQ(d.session().plan().rig.gauge.convention, PressureConvention::Absolute);
    d.press("registerUse");
    EXPECT_EQ(d.session().plan().rig.gauge.name, "Dial seven");
    EXPECT_NE(d.session().plan().rig.gauge.convention, PressureConvention::Absolute);
    EXPECT_FALSE(d.find<QPushButton>("registerKeepHere")->isVisible());
    d.press("registerRemove");
    EXPECT_TRUE(ownInstruments().shelf().instruments.empty());
}

// The notebook goes to another machine, whose register is empty.
TEST_F(RigTestPages, TheNotebookBringsItsInstrumentsToAnotherMachine) {
    enterRoom("1002");
    goTo(Station::Rig);
    d.type("gaugeName", QStringLiteral("Dial seven"));
    d.press("registerKeepGauge");
    d.press("registerCalibrated");
    goTo(Station::Run);
    d.type("newGroup", QStringLiteral("Ember"), Qt::Key_Return);
    for (const char* shows : {"0.01", "0.03"}) {
        d.clock.time += 60'000;
        d.type("readFirst", QLatin1String(shows));
        d.press("zeroCheck");
    }
    goTo(Station::Rig);
    const QString history = d.text("registerHistory");
    EXPECT_TRUE(history.contains(QStringLiteral("Its zero: 0.01 bar on"))) << history.toStdString();
    EXPECT_TRUE(history.contains(QStringLiteral("Compared on"))) << history.toStdString();
    const auto before = ownInstruments().shelf().instruments;
    ASSERT_EQ(before.size(), 1U);
    ASSERT_EQ(before[0].zeros.size(), 2U);
    goTo(Station::Run);
    ASSERT_TRUE(ownInstruments().remove(before[0].id));
    goTo(Station::Rig);
    EXPECT_TRUE(
        d.find<QComboBox>("registerList")->currentText().contains(QStringLiteral("of this notebook")));
    EXPECT_FALSE(d.find<QPushButton>("registerCalibrated")->isVisible());
    d.press("registerKeepHere");
    const auto after = ownInstruments().shelf().instruments;
    ASSERT_EQ(after.size(), 1U);
    EXPECT_EQ(after[0].zeros, before[0].zeros);
    EXPECT_EQ(after[0].calibratedMs, before[0].calibratedMs);
    EXPECT_EQ(after[0].gauge, before[0].gauge);
    EXPECT_FALSE(d.find<QPushButton>("registerKeepHere")->isVisible());
    // It was compared at the other machine meanwhile: taking it, this one learns that too.
    KnownInstrument older = after[0];
    older.calibratedMs.reset();
    ASSERT_TRUE(ownInstruments().keep(older));
    goTo(Station::Run);
    goTo(Station::Rig);
    d.press("registerUse");
    EXPECT_EQ(ownInstruments().shelf().instruments.front().calibratedMs, before[0].calibratedMs);
}

TEST_F(RigTestPages, AReadOrderOfOnesOwnStepsIsCheckedAsItIsTyped) {
    goTo(Station::Rig);
    auto* order = d.find<QComboBox>("readOrder");
    order->setCurrentIndex(order->count() - 1);
    emit order->activated(order->count() - 1);
    d.type("readOrderWords", QStringLiteral("isolate tea both"));
    EXPECT_TRUE(d.text("readOrderWrong").contains(QStringLiteral("'tea' is no step")));
    EXPECT_TRUE(d.session().plan().rig.readOrder.empty());
    d.type("readOrderWords", QStringLiteral("pressure isolate temperature"));
    EXPECT_EQ(wordsOf(d.session().plan().rig.readOrder), "pressure isolate temperature");
    EXPECT_TRUE(d.text("readOrderSays").contains(QStringLiteral("2. Shut the pump off.")));
}

} // namespace
} // namespace uttrin
