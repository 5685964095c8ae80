#pragma once

#include "app/accessibility/Spoken.h"
#include "app/controller/LessonController.h"
#include "app/controls/Theme.h"
#include "app/shell/MainWindow.h"
#include "demo/DemoNotebook.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/views/NavigationView.h"
#include "quantities/KeptTogether.h"
#include "resources/Fonts.h"
#include "support/FakeClock.h"
#include "support/TempDir.h"

#include <QAbstractButton>
#include <QApplication>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTest>
#include <gtest/gtest.h>

#include <memory>
#include <utility>
#include <vector>

namespace uttrin::testing {

/// The real window with hands: finds controls by their names, types and clicks as a person does.
class Driver {
public:
    /// The window as it is when the program starts with no file.
    Driver() : controller(clock), window(controller) {
        window.resize(1280, 800);
        window.show();
        window.activateWindow();
        settle();
    }

    /// @param notebook  opened if it exists, else made.
    explicit Driver(const std::filesystem::path& notebook) : Driver() {
        const QString path = QString::fromStdString(notebook.string());
        if (std::filesystem::exists(notebook))
            window.openNotebook(path);
        else
            window.createNotebook(path);
        settle();
    }

    static void settle() {
        QApplication::processEvents();
        QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        QApplication::processEvents();
    }

    /// Until nothing moves any more: a bar that appears makes its column narrower, and that its page wider;
    /// and what a thread has worked out arrives whenever it will.
    static void settleWhole(const QWidget& top) {
        constexpr int kMost = 100, kQuiet = 3; // turns
        const auto places = [&top] {
            std::vector<std::pair<const QWidget*, QRect>> all;
            for (const QWidget* w : top.findChildren<QWidget*>())
                if (w->isVisible()) all.emplace_back(w, w->geometry());
            return all;
        };
        auto before = places();
        for (int turn = 0, quiet = 0; turn < kMost && quiet < kQuiet; ++turn) {
            settle();
            auto now = places();
            quiet = now == before ? quiet + 1 : 0;
            before = std::move(now);
        }
    }

    /// The control of this name at the present station, else anywhere in the window.
    template <typename Widget>
    Widget* find(const char* name) {
        Widget* hidden = nullptr;
        for (Widget* w : window.findChildren<Widget*>(QLatin1String(name))) {
            if (w->isVisible()) return w;
            hidden = w;
        }
        if (!hidden) ADD_FAILURE() << "no control " << name;
        return hidden;
    }

    void press(const char* name) {
        auto* button = find<QAbstractButton>(name);
        ASSERT_NE(button, nullptr);
        ASSERT_TRUE(button->isEnabled()) << name;
        QTest::mouseClick(button, Qt::LeftButton);
        settle();
    }

    /// Replaces what a field holds, key by key, and leaves it with Tab.
    void type(const char* name, const QString& text, Qt::Key last = Qt::Key_Tab) {
        auto* edit = find<QLineEdit>(name);
        ASSERT_NE(edit, nullptr);
        edit->setFocus();
        edit->selectAll();
        QTest::keyClick(edit, Qt::Key_Delete);
        QTest::keyClicks(edit, text);
        QTest::keyClick(edit, last);
        settle();
    }

    void key(Qt::Key k, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QWidget* at = QApplication::focusWidget() ? QApplication::focusWidget() : &window;
        QTest::keyClick(at, k, modifiers);
        settle();
    }

    /// Captures a point that was read with the pump shut off.
    void capture() {
        press("pumpState_0");
        press("capture");
    }

    /// What a label says, as it was written: without the signs that keep numbers and units on one line.
    static QString wordsOf(const QLabel& label) {
        return QString::fromStdString(asWritten(label.text().toStdString()));
    }

    /// What a drawn widget says.
    QString said(const char* name) {
        const auto* spoken = dynamic_cast<app::Spoken*>(find<QWidget>(name));
        return spoken ? spoken->spokenValue() : QString();
    }

    QString text(const char* label) {
        auto* l = find<QLabel>(label);
        return l ? wordsOf(*l) : QString();
    }

    const LessonSession& session() { return controller.session(); }

    FakeClock clock;
    app::LessonController controller;
    app::MainWindow window;
};

/// A new notebook, with the window at its first station.
class NewLesson : public ::testing::Test {
protected:
    TempDir dir;
    Driver d{dir / "a.uttrin"};

    /// Enters a barometer reading at the Room station.
    void enterRoom(const char* hPa = "943.1") {
        d.window.goTo(Station::Room);
        d.press("roomMethod_0");
        d.type("roomValue", QLatin1String(hPa));
        d.type("roomUncertainty", QStringLiteral("0.3"));
        d.press("roomEnter");
    }

    void goTo(Station station) {
        d.window.goTo(station);
        Driver::settle();
    }
};

/// The sample lesson in the window.
class SampleLesson : public ::testing::Test {
protected:
    TempDir dir;
    std::unique_ptr<Driver> d;

    void SetUp() override {
        ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
        d = std::make_unique<Driver>(dir / "demo.uttrin");
    }

    void goTo(Station station) {
        d->window.goTo(station);
        Driver::settle();
    }

    void select(const char* group) {
        for (const uttrin::Run& r : d->session().model().data().runs)
            if (d->session().model().group(r.groupId).name == group)
                d->controller.carryOut(&SelectionCommands::selectRun, r.id);
        d->controller.refresh();
        Driver::settle();
    }

    [[nodiscard]] QString path(const char* name) const {
        return QString::fromStdString((dir / name).string());
    }
};

/// An application for the tests of a program, with the shipped fonts and look.
class AppEnvironment : public ::testing::Environment {
public:
    void SetUp() override {
        QCoreApplication::setOrganizationName(QStringLiteral("uttrin-test"));
        QCoreApplication::setApplicationName(QStringLiteral("uttrin-test"));
        loadFonts();
        app::applyTheme(app::Theme::paper());
    }
};

} // namespace uttrin::testing
