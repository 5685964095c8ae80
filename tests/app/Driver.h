#pragma once

#include "app/LessonController.h"
#include "app/MainWindow.h"
#include "app/Theme.h"
#include "demo/DemoNotebook.h"
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

    QString text(const char* label) {
        auto* l = find<QLabel>(label);
        return l ? l->text() : QString();
    }

    LessonSession& session() { return controller.session(); }

    FakeClock clock;
    app::LessonController controller;
    app::MainWindow window;
};

/// An application for the tests of a program, with the shipped fonts and look.
class AppEnvironment : public ::testing::Environment {
public:
    void SetUp() override {
        QCoreApplication::setOrganizationName(QStringLiteral("uttrin-test"));
        QCoreApplication::setApplicationName(QStringLiteral("uttrin-test"));
        app::loadFonts();
        app::applyTheme(app::Theme::light());
    }
};

} // namespace uttrin::testing
