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
#include <QTextBrowser>
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

using testing::Driver;
using Accessibility = testing::SampleLesson;

QAccessibleInterface* spokenOf(QWidget* w) { return QAccessible::queryAccessibleInterface(w); }

/// What a widget is called when something is wrong with it.
std::string called(const QWidget* w) {
    return std::string(w->metaObject()->className()) + " " + w->objectName().toStdString();
}

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
    d->press("capture");
    EXPECT_TRUE(told.contains(QStringLiteral("Captured, and on disk.")));
    d->type("readFirst", QStringLiteral("57.9"));
    d->type("readSecond", QStringLiteral("24.2"));
    d->type("readTemperature", QStringLiteral("18.3")); // 81.3
    d->press("capture");
    EXPECT_TRUE(std::ranges::any_of(told, [](const QString& s) {
        return s.contains(QStringLiteral("81.3"));
    })) << told.join(QStringLiteral(" | ")).toStdString();
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

/// What a walk with the Tab key over a screen found.
struct Walk {
    std::string screen;
    int controls = 0, unnamed = 0, unseen = 0, small = 0, back = 0, pale = 0, cut = 0;
};

/// Luminance as WCAG 2.1 defines it.
double luminance(const QColor& c) {
    const auto linear = [](double v) {
        return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}
double contrastOf(const QColor& a, const QColor& b) {
    const double low = std::min(luminance(a), luminance(b)), high = std::max(luminance(a), luminance(b));
    return (high + 0.05) / (low + 0.05);
}

/// Whether the ring is seen, by its pixels: where it runs, a third at least is of its colour (a part may be
/// scrolled away), and that stands out from the gap inside it.
bool isRingSeen(QWidget& window, const QWidget& ring) {
    const QImage picture = window.grab(ring.geometry()).toImage();
    const QColor focus = app::theme().focus;
    const int w = picture.width(), h = picture.height();
    constexpr int kMiddle = 1, kGap = 3; // px from the outer edge: the line is two wide, then comes the gap
    int ofIt = 0, asked = 0;
    double gap = 0.0;
    const auto look = [&](QPoint line, QPoint inside) {
        ++asked;
        if (contrastOf(picture.pixelColor(line), focus) > 1.15) return;
        ++ofIt;
        gap = std::max(gap, contrastOf(picture.pixelColor(inside), focus));
    };
    for (int x = w / 4; x < w * 3 / 4; ++x) {
        look({x, kMiddle}, {x, kGap});
        look({x, h - 1 - kMiddle}, {x, h - 1 - kGap});
    }
    for (int y = h / 4; y < h * 3 / 4; ++y) {
        look({kMiddle, y}, {kGap, y});
        look({w - 1 - kMiddle, y}, {w - 1 - kGap, y});
    }
    return asked > 0 && 3 * ofIt >= asked && gap >= 3.0;
}

/// Texts of a window's labels, buttons and fields that do not stand out from their ground, by their pixels:
/// the commonest colour is the ground, and something on it has 4.5:1.
QStringList paleTexts(QWidget& window) {
    QStringList pale;
    const auto all = window.findChildren<QWidget*>();
    for (QWidget* w : all) {
        const bool says = qobject_cast<QLabel*>(w) || qobject_cast<QAbstractButton*>(w) ||
                          qobject_cast<QLineEdit*>(w) || qobject_cast<QComboBox*>(w);
        const auto* line = qobject_cast<QLineEdit*>(w);
        const bool asks = line && line->text().isEmpty(); // what it asks for stands in it, perhaps
        const QString text = asks ? testing::calledSo(*w)
                                  : w->property("text").toString() + w->property("currentText").toString();
        if (!says || !w->isVisible() || !w->isEnabled() || text.trimmed().isEmpty()) continue;
        const QRect place(w->mapTo(&window, QPoint(0, 0)), w->size());
        if (w->visibleRegion().boundingRect() != w->rect()) continue; // scrolled away, or a part of it
        constexpr int kEdge = 7;                                      // px, of a field
        const QImage picture =
            window.grab(asks ? place.adjusted(kEdge, kEdge, -kEdge, -kEdge) : place).toImage();
        std::map<QRgb, int> times;
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x)
                ++times[picture.pixel(x, y)];
        const QColor ground(
            std::ranges::max_element(times, {}, [](const auto& t) { return t.second; })->first);
        if (asks && times.size() == 1) continue; // nothing stands in it
        double best = 1.0;
        for (const auto& [colour, count] : times)
            best = std::max(best, contrastOf(QColor(colour), ground));
        if (best < 4.5) pale << QStringLiteral("'%1' has %2:1").arg(text).arg(best, 0, 'f', 2);
    }
    return pale;
}

/// Goes from control to control until it comes back to one.
Walk walk(Driver& d, QWidget& window, const std::string& screen) {
    Walk out{screen};
    std::set<QWidget*> seen;
    QRect before;
    QWidget* previous = nullptr;
    QStringList backs;
    constexpr int kMost = 120, kTarget = 24; // px
    for (int stop = 0; stop < kMost; ++stop) {
        QWidget* from = QApplication::focusWidget() ? QApplication::focusWidget() : &window;
        QTest::keyClick(from, Qt::Key_Tab);
        Driver::settle();
        QWidget* now = QApplication::focusWidget();
        if (!now || now->window() != &window || !seen.insert(now).second) break;
        const bool page = now->objectName() == QLatin1String("page");
        if (page) continue; // holds the keys of all on it; it is no control
        ++out.controls;
        auto* spoken = spokenOf(now);
        const bool named = spoken && !spoken->text(QAccessible::Name).trimmed().isEmpty() &&
                           spoken->role() != QAccessible::Client && spoken->role() != QAccessible::NoRole;
        if (!named)
            ADD_FAILURE() << screen << ": no name or role: " << called(now) << " role "
                          << (spoken ? static_cast<int>(spoken->role()) : -1) << " name "
                          << (spoken ? spoken->text(QAccessible::Name).toStdString() : "");
        out.unnamed += !named;
        auto* ring = window.findChild<QWidget*>(QStringLiteral("focusRing"), Qt::FindDirectChildrenOnly);
        const QRect control(now->mapTo(&window, QPoint()), now->size());
        const bool isSeen =
            ring && ring->isVisible() && ring->geometry().intersects(control) && isRingSeen(window, *ring);
        if (!isSeen) ADD_FAILURE() << screen << ": no ring around " << called(now);
        out.unseen += !isSeen;
        const bool small = std::min(now->width(), now->height()) < kTarget;
        if (small)
            ADD_FAILURE() << screen << ": a small target, " << now->width() << " x " << now->height() << ": "
                          << called(now);
        out.small += small;
        // As the eye goes: on, or down; never up and back at once, but from the last one to the first.
        if (!before.isNull() && control.bottom() < before.top() && control.left() <= before.left()) {
            backs << QStringLiteral("%1: the keyboard goes up and back from %2 to %3")
                         .arg(QString::fromStdString(screen), testing::calledSo(*previous),
                              testing::calledSo(*now));
        }
        before = control;
        previous = now;
    }
    EXPECT_GT(out.controls, 1) << screen;
    if (!backs.isEmpty()) backs.removeLast(); // round to the first
    out.back = static_cast<int>(backs.size());
    EXPECT_TRUE(backs.isEmpty()) << backs.join(QStringLiteral(", ")).toStdString();
    const QStringList pale = paleTexts(window), cut = testing::cutOff(window);
    out.pale = static_cast<int>(pale.size());
    out.cut = static_cast<int>(cut.size());
    EXPECT_TRUE(pale.isEmpty()) << screen << ": " << pale.join(QStringLiteral(", ")).toStdString();
    EXPECT_TRUE(cut.isEmpty()) << screen << ": " << cut.join(QStringLiteral(", ")).toStdString();
    std::ignore = d;
    return out;
}

// Every screen and tool window by Tab alone. The table stands in docs/accessibility.md as this prints it.
TEST_F(Accessibility, EveryStopHasANameARoleARingAndRoom) {
    std::vector<Walk> all;
    for (int i = 0; i < kStations - 1; ++i) { // the last is to come
        goTo(static_cast<Station>(i));
        all.push_back(walk(*d, d->window, app::NavigationColumn::stationName(i).toStdString()));
    }
    for (const auto& [action, name] : {std::pair{"actionDialReader", "Dial reader"},
                                       {"actionPhotoReader", "Photo reader"},
                                       {"actionAltitudes", "Boiling against height"},
                                       {"actionSolutions", "Solutions"}}) {
        std::set<QWidget*> before;
        for (QWidget* w : QApplication::topLevelWidgets())
            if (w->isVisible()) before.insert(w);
        d->window.findChild<QAction*>(QLatin1String(action))->trigger();
        Driver::settle();
        for (QWidget* w : QApplication::topLevelWidgets())
            if (w->isVisible() && !before.contains(w) && qobject_cast<QDialog*>(w)) {
                w->activateWindow();
                Driver::settle();
                all.push_back(walk(*d, *w, name));
                w->close();
                d->window.activateWindow();
                Driver::settle();
                break;
            }
    }
    ASSERT_EQ(all.size(), 11U);
    std::string table = "| screen | controls that take the keyboard | without a name or a role | whose ring "
                        "is not seen by its pixels | under 24 px | up and back from the one before | "
                        "texts under 4.5:1 by their pixels | texts cut off |\n"
                        "| --- | --- | --- | --- | --- | --- | --- | --- |\n";
    for (const Walk& w : all)
        table += "| " + w.screen + " | " + std::to_string(w.controls) + " | " + std::to_string(w.unnamed) +
                 " | " + std::to_string(w.unseen) + " | " + std::to_string(w.small) + " | " +
                 std::to_string(w.back) + " | " + std::to_string(w.pale) + " | " + std::to_string(w.cut) +
                 " |\n";
    const std::filesystem::path document(ACCESSIBILITY_DOCUMENT);
    std::stringstream now;
    now << std::ifstream(document).rdbuf();
    std::string text = now.str();
    const std::string begins = "<!-- walk -->\n", ends = "<!-- end of walk -->\n";
    const auto from = text.find(begins), to = text.find(ends);
    ASSERT_TRUE(from != std::string::npos && to != std::string::npos);
    const std::string shown = text.substr(from + begins.size(), to - from - begins.size());
    if (qEnvironmentVariableIsSet("UTTRIN_WRITE_DOCUMENTS")) {
        text.replace(from + begins.size(), shown.size(), table);
        std::ofstream(document) << text;
    } else {
        EXPECT_EQ(shown, table) << "run test_app with UTTRIN_WRITE_DOCUMENTS=1 and look at what changed";
    }
}

} // namespace
} // namespace uttrin
