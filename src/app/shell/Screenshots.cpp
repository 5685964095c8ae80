#include "Screenshots.h"

#include "MainWindow.h"
#include "app/controls/Theme.h"
#include "app/photo/PhotoReader.h"
#include "app/rehearse/RehearseStation.h"
#include "app/stations/plan/PeriodTimeline.h"
#include "app/tools/DialReader.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/commands/SelectionCommands.h"

#include <QAction>
#include <QApplication>
#include <QDir>
#include <QElapsedTimer>
#include <QLineEdit>
#include <QTableView>

#include <algorithm>

namespace uttrin::app {
namespace {

/// Lets the window do what it has to, for so long, ms.
void settle(qint64 wait = 250) {
    QElapsedTimer timer;
    timer.start();
    while (timer.elapsed() < wait)
        QApplication::processEvents(QEventLoop::AllEvents, 50);
}

void type(MainWindow& window, const char* field, const QString& text) {
    auto* edit = window.findChild<QLineEdit*>(QLatin1String(field));
    edit->setFocus();
    edit->setText(text);
    emit edit->textEdited(text);
}

RowId runOf(const LessonController& controller, const char* group, int number) {
    for (const Run& r : controller.session().model().data().runs)
        if (controller.session().model().group(r.groupId).name == group && r.number == number) return r.id;
    return 0;
}

} // namespace

bool takeScreenshots(MainWindow& window, LessonController& controller, const QString& folder) {
    QDir().mkpath(folder);
    window.resize(1280, 800);
    bool written = true;
    const auto shoot = [&](const char* name) {
        settle();
        written = window.grab().save(QStringLiteral("%1/%2.png").arg(folder, QLatin1String(name))) && written;
    };
    const auto at = [&](Station station) {
        window.goTo(station);
        settle();
    };
    at(Station::Room);
    shoot("room");
    at(Station::Rig);
    shoot("rig");
    window.findChild<QAbstractButton*>(QStringLiteral("rigFace_1"))->click();
    shoot("rig-tests");
    window.findChild<QAbstractButton*>(QStringLiteral("rigFaceTests_0"))->click();
    at(Station::Plan);
    shoot("plan");
    window.findChild<QAbstractButton*>(QStringLiteral("planFaceLadder_1"))->click();
    settle();
    auto* lanes = window.findChild<PeriodTimeline*>();
    for (const Act& act : controller.session().model().data().acts)
        if (act.readyS) emit lanes->chosen(act.id);
    shoot("lesson");
    window.findChild<QAbstractButton*>(QStringLiteral("planFace_0"))->click();
    at(Station::Rehearse);
    auto* rehearse = window.findChild<RehearseStation*>();
    const auto rehearsed = [&](std::string_view id, double seconds, const char* name) {
        rehearse->choose(static_cast<int>(findDemonstration(id) - demonstrations().data()));
        QElapsedTimer waited;
        waited.start();
        constexpr qint64 kLongest = 60'000; // ms
        while (!rehearse->isReady() && waited.elapsed() < kLongest)
            QApplication::processEvents(QEventLoop::AllEvents, 50);
        rehearse->goTo(seconds);
        shoot(name);
    };
    rehearsed("freeze-by-boiling", 75.0, "rehearse-freezing");
    rehearsed("sealed-flask", 1300.0, "rehearse");
    at(Station::Run);
    type(window, "readFirst", QStringLiteral("57.9"));
    type(window, "readSecond", QStringLiteral("24.2"));
    type(window, "readTemperature", QStringLiteral("79.4"));
    shoot("run");
    window.findChild<QAction*>(QStringLiteral("actionProjector"))->trigger();
    shoot("run-projector");
    window.findChild<QAction*>(QStringLiteral("actionProjector"))->trigger();
    controller.setDraft(BenchDraft{});
    const auto press = [&](const char* button) {
        window.findChild<QAbstractButton*>(QLatin1String(button))->click();
        settle();
    };
    press("runFace_1");
    constexpr qint64 kLearning = 4000, kWorkingOut = 15'000; // ms
    settle(kLearning);
    shoot("conduct");
    window.findChild<QAction*>(QStringLiteral("actionClass"))->trigger();
    settle();
    for (QWidget* top : QApplication::topLevelWidgets())
        if (top->objectName() == QLatin1String("classWindow")) {
            top->resize(1280, 720);
            settle();
            written = top->grab().save(QStringLiteral("%1/class.png").arg(folder)) && written;
            top->close();
        }
    press("runFaceActs_0");
    controller.carryOut(&SelectionCommands::selectRun, runOf(controller, "Ember", 1));
    at(Station::WorkUp);
    window.findChild<QTableView*>(QStringLiteral("workTable"))->selectRow(3);
    shoot("work-up");
    press("workFace_1");
    settle(kWorkingOut);
    shoot("work-up-act");
    press("workFaceActs_0");
    at(Station::Report);
    shoot("report");
    controller.carryOut(&RunCommands::startRun, std::string("Ember"));
    at(Station::Run);
    press("liveSimulate");
    settle(kLearning);
    press("liveGauge");
    press("simulated1");
    constexpr qint64 kPumping = 25'000; // ms
    settle(kPumping);
    shoot("run-live");
    press("liveStop");
    const auto shootWindow = [&](const char* action, const char* widget, const char* name) {
        window.findChild<QAction*>(QLatin1String(action))->trigger();
        settle();
        auto* opened = window.findChild<QWidget*>(QLatin1String(widget));
        if (auto* reader = qobject_cast<DialReader*>(opened))
            reader->read(QStringLiteral("57.9 cm \u2212 24.2 cm"));
        if (auto* reader = qobject_cast<PhotoReader*>(opened)) {
            reader->openSample();
            reader->markSample();
        }
        settle();
        written =
            opened->grab().save(QStringLiteral("%1/%2.png").arg(folder, QLatin1String(name))) && written;
        opened->hide();
    };
    shootWindow("actionDialReader", "dialReader", "dial-reader");
    shootWindow("actionAltitudes", "altitudeWindow", "heights");
    shootWindow("actionSolutions", "solutionsWindow", "solutions");
    shootWindow("actionPhotoReader", "photoReader", "photo-reader");
    return written;
}

} // namespace uttrin::app
