#include "Driver.h"
#include "SeenWhole.h"
#include "app/accessibility/Spoken.h"
#include "app/controls/MessageLine.h"
#include "app/controls/Segments.h"
#include "app/map/PhaseMap.h"
#include "app/rehearse/RehearseStation.h"
#include "app/shell/NavigationColumn.h"
#include "app/tools/KeySheet.h"
#include "quantities/Rounding.h"
#include "rehearsal/Demonstrations.h"

#include <QAccessible>
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QElapsedTimer>
#include <QScrollArea>
#include <QSlider>
#include <QTableView>
#include <QTextBrowser>
#include <QTimer>
#include <QWheelEvent>

#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <set>
#include <sstream>
#include <tuple>

namespace uttrin {
namespace {

using testing::called;
using testing::Driver;
using Accessibility = testing::SampleLesson;

QAccessibleInterface* spokenOf(QWidget* w) { return QAccessible::queryAccessibleInterface(w); }

/// Every visible control that takes the keyboard, and every drawn widget, has a fitting role and a name.
void expectSpoken(QWidget* root) {
    const auto all = root->findChildren<QWidget*>();
    std::set<std::pair<QAccessible::Role, QString>> seen;
    for (QWidget* w : all) {
        if (!w->isVisible() || !w->window()->isVisible()) continue;
        auto* drawn = dynamic_cast<app::Spoken*>(w);
        const bool focusable = (w->focusPolicy() & Qt::TabFocus) != 0 && w->isEnabled();
        if (!drawn && !focusable) continue;
        if (qobject_cast<QScrollArea*>(w)) continue; // it scrolls, and stands for what is in it
        auto* spoken = spokenOf(w);
        ASSERT_TRUE(spoken) << called(w);
        EXPECT_NE(spoken->role(), QAccessible::Client) << called(w);
        EXPECT_NE(spoken->role(), QAccessible::NoRole) << called(w);
        EXPECT_FALSE(spoken->text(QAccessible::Name).trimmed().isEmpty()) << called(w);
        if (drawn) {
            EXPECT_FALSE(spoken->text(QAccessible::Value).isEmpty()) << called(w);
            for (int i = 0; i < spoken->childCount(); ++i) {
                ASSERT_TRUE(spoken->child(i)) << called(w);
                if (spoken->child(i)->object()) continue;
                EXPECT_FALSE(spoken->child(i)->text(QAccessible::Name).isEmpty())
                    << called(w) << " part " << i;
                EXPECT_EQ(spoken->indexOfChild(spoken->child(i)), i);
            }
        }
        if (const auto* list = qobject_cast<QComboBox*>(w)) {
            EXPECT_NE(spoken->text(QAccessible::Name), list->currentText()) << called(w);
            EXPECT_EQ(spoken->text(QAccessible::Value), list->currentText()) << called(w);
        }
        if (const auto* segments = qobject_cast<app::Segments*>(w->parentWidget());
            segments && qobject_cast<QPushButton*>(w)) {
            EXPECT_EQ(spoken->role(), QAccessible::RadioButton) << called(w);
            EXPECT_EQ(spokenOf(w->parentWidget())->role(), QAccessible::Grouping)
                << called(w->parentWidget());
            EXPECT_FALSE(spokenOf(w->parentWidget())->text(QAccessible::Name).isEmpty())
                << called(w->parentWidget());
        }
    }
}

TEST_F(Accessibility, EveryControlOfEveryStationHasARoleAndAName) {
    for (int i = 0; i < kStations; ++i) {
        SCOPED_TRACE(i);
        goTo(static_cast<Station>(i));
        expectSpoken(&d->window);
    }
    for (const char* action :
         {"actionDialReader", "actionAltitudes", "actionSolutions", "actionPhotoReader"}) {
        SCOPED_TRACE(action);
        auto* open = d->window.findChild<QAction*>(QLatin1String(action));
        if (!open) continue;
        open->trigger();
        Driver::settle();
        const auto windows = QApplication::topLevelWidgets();
        for (QWidget* w : windows)
            if (w != &d->window && w->isVisible()) expectSpoken(w);
    }
}

// What a screen reader presses does what a click does.
TEST_F(Accessibility, TogglingThroughTheInterfaceEqualsClicking) {
    goTo(Station::Rehearse);
    auto* guide = d->find<QPushButton>("rehearseFace_1");
    spokenOf(guide)->actionInterface()->doAction(QAccessibleActionInterface::toggleAction());
    Driver::settle();
    EXPECT_TRUE(guide->isChecked());
    EXPECT_TRUE(d->find<QWidget>("rigGuide")->isVisible());
    auto* plan = d->window.findChild<QAbstractButton*>(QStringLiteral("station3"));
    spokenOf(plan)->actionInterface()->doAction(QAccessibleActionInterface::pressAction());
    Driver::settle();
    EXPECT_EQ(d->window.station(), Station::Plan);
    auto* inFit = d->find<QCheckBox>("planTrialInFit");
    const bool before = d->session().plan().ladder.trialInFit;
    spokenOf(inFit)->actionInterface()->doAction(QAccessibleActionInterface::toggleAction());
    Driver::settle();
    EXPECT_NE(d->session().plan().ladder.trialInFit, before);
}

TEST_F(Accessibility, ArrowsMoveAmongChoicesAndOnlySpaceOrEnterChooses) {
    goTo(Station::Plan);
    auto* segments = d->find<app::Segments>("planSpacing");
    const int chosen = segments->chosen();
    const double from = d->session().plan().ladder.from;
    segments->button(chosen)->setFocus();
    d->key(Qt::Key_Right);
    EXPECT_EQ(QApplication::focusWidget(), segments->button(chosen + 1));
    EXPECT_EQ(segments->chosen(), chosen);
    EXPECT_EQ(d->session().plan().ladder.from, from);
    d->key(Qt::Key_Return);
    EXPECT_EQ(segments->chosen(), chosen + 1);
    segments->button(0)->setFocus();
    d->key(Qt::Key_Left); // round to the last
    EXPECT_TRUE(segments->button(3)->hasFocus());
    d->key(Qt::Key_Home);
    d->key(Qt::Key_Space);
    EXPECT_EQ(segments->chosen(), 0);
}

// The wheel over a choice that has not the keyboard scrolls the page.
TEST_F(Accessibility, TheWheelOverAChoiceChangesNothing) {
    goTo(Station::Rig);
    const auto lists = d->window.findChildren<QComboBox*>();
    int tried = 0;
    for (QComboBox* list : lists) {
        if (!list->isVisible() || list->hasFocus()) continue;
        const int before = list->currentIndex();
        QWheelEvent turn(QPointF(5, 5), list->mapToGlobal(QPointF(5, 5)), {}, QPoint(0, -120), Qt::NoButton,
                         Qt::NoModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(list, &turn);
        EXPECT_EQ(list->currentIndex(), before) << called(list);
        ++tried;
    }
    EXPECT_GE(tried, 3);
}

// A sixth of a lesson's pixels: a map says its targets, points and the room, each with its values.
TEST_F(Accessibility, TheMapSaysEachTargetWithItsValues) {
    select("Cedar");
    goTo(Station::Run);
    auto* map = d->find<app::PhaseMap>("phaseMap");
    auto* spoken = spokenOf(map);
    EXPECT_EQ(spoken->role(), QAccessible::Chart);
    std::vector<std::string> names;
    for (int i = 0; i < spoken->childCount(); ++i)
        if (!spoken->child(i)->object())
            names.push_back(spoken->child(i)->text(QAccessible::Name).toStdString());
    const auto any = [&](const std::string& what) {
        return std::ranges::any_of(names,
                                   [&](const std::string& n) { return n.find(what) != std::string::npos; });
    };
    EXPECT_TRUE(any("boiling curve of water"));
    EXPECT_TRUE(any("the room, 94.31 kPa"));
    const MapTarget& target = map->view().targets.at(4);
    const std::string values =
        plain(Text::set("{} kPa, {} °C", fixed(target.pascal * 1e-3, 1), fixed(target.kelvin - 273.15, 1)));
    EXPECT_TRUE(any("target " + std::to_string(target.order) + ", " + values)) << values;
    EXPECT_TRUE(any("point at "));
}

TEST_F(Accessibility, SlidersAndInstrumentsSayTheirValueWithItsUnit) {
    goTo(Station::Rehearse);
    auto* station = d->window.findChild<app::RehearseStation*>();
    QElapsedTimer waited;
    waited.start();
    while (!station->isReady() && waited.elapsed() < 20'000)
        QApplication::processEvents(QEventLoop::AllEvents, 20);
    auto* slider = d->find<QSlider>("knob1Slider");
    auto* edit = d->find<QLineEdit>("knob1");
    EXPECT_TRUE(spokenOf(slider)->text(QAccessible::Value).startsWith(edit->text() + QLatin1Char(' ')))
        << spokenOf(slider)->text(QAccessible::Value).toStdString();
    goTo(Station::Run);
    d->press("runShown_1");
    d->type("readTemperature", QStringLiteral("59.7"));
    bool said = false;
    const auto pictures = d->window.findChildren<QWidget*>();
    for (QWidget* w : pictures)
        if (auto* drawn = dynamic_cast<app::Spoken*>(w); drawn && w->isVisible() && drawn->spokenSetting()) {
            auto* spoken = spokenOf(w);
            ASSERT_TRUE(spoken->valueInterface()) << called(w);
            if (spoken->text(QAccessible::Value).contains(QStringLiteral("59.7"))) {
                said = true;
                spoken->valueInterface()->setCurrentValue(61.0);
                Driver::settle();
                EXPECT_NEAR(*d->session().draft().temperature, 61.0, 0.06);
            }
        }
    EXPECT_TRUE(said);
}

TEST_F(Accessibility, WhatHappensIsAnnounced) {
    goTo(Station::Run);
    QStringList told;
    QObject::connect(&app::Announcements::all(), &app::Announcements::said, &d->window,
                     [&](const QString& text) { told << text; });
    d->type("readFirst", QStringLiteral("57.9"));
    d->type("readSecond", QStringLiteral("24.2"));
    d->type("readTemperature", QStringLiteral("81.3"));
    d->capture();
    EXPECT_TRUE(told.contains(QStringLiteral("Captured, and on disk.")));
    d->type("readFirst", QStringLiteral("57.9"));
    d->type("readSecond", QStringLiteral("24.2"));
    d->type("readTemperature", QStringLiteral("18.3")); // 81.3
    d->capture();
    EXPECT_TRUE(std::ranges::any_of(told, [](const QString& s) {
        return s.contains(QStringLiteral("81.3"));
    })) << told.join(QStringLiteral(" | ")).toStdString();
}

// The figures of the strip change twenty times a second in a rehearsal; a screen reader that says all of it
// says nothing.
TEST_F(Accessibility, TheStripSaysItsFiguresOnceASecondAndTheLastOne) {
    goTo(Station::Run);
    auto* number = d->find<QLabel>("stripLiquid");
    QElapsedTimer lasts;
    lasts.start();
    qint64 times = 0;
    QString name = number->accessibleName();
    constexpr int kChanges = 30;
    for (int i = 1; i <= kChanges; ++i) {
        d->type("readTemperature", QString::number(60 + i));
        QTest::qWait(20);
        times += number->accessibleName() != name;
        name = number->accessibleName();
    }
    EXPECT_LE(times, lasts.elapsed() / 1000 + 1);
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return number->accessibleName().contains(QStringLiteral("90")); }, 1500))
        << number->accessibleName().toStdString();
    // A label without a name of its own tells each of its texts.
    for (const char* label :
         {"stripLiquid", "stripLiquidCaption", "stripLiquidUnder", "stripBoils", "stripGauge"})
        EXPECT_FALSE(d->find<QLabel>(label)->accessibleName().isEmpty()) << label;
}

// The sheet of keys is made from the actions: it has every one of them and none twice.
TEST_F(Accessibility, TheSheetOfKeysHasEveryKeyOnce) {
    for (int i = 0; i < kStations; ++i)
        goTo(static_cast<Station>(i)); // each is built when it is first shown
    std::map<QString, int> keys;
    for (const app::KeyLine& line : app::keysOf(d->window)) {
        EXPECT_FALSE(line.does.isEmpty()) << line.key.toStdString();
        ++keys[line.key];
    }
    const auto actions = d->window.findChildren<QAction*>();
    for (const QAction* a : actions) {
        const QString key = a->shortcut().toString(QKeySequence::NativeText);
        if (!key.isEmpty()) {
            EXPECT_EQ(keys[key], 1) << key.toStdString() << " " << a->text().toStdString();
        }
    }
    EXPECT_EQ(keys[QStringLiteral("Alt+3")], 1);
    EXPECT_EQ(keys[QStringLiteral("Ctrl+T")], 1);
    d->window.findChild<QAction*>(QStringLiteral("actionKeys"))->trigger();
    Driver::settle();
    auto* sheet = d->window.findChild<QTextBrowser*>(QStringLiteral("keySheet"));
    ASSERT_TRUE(sheet && sheet->isVisible());
    EXPECT_TRUE(sheet->toPlainText().contains(QStringLiteral("Ctrl+D")));
}

} // namespace
} // namespace uttrin
