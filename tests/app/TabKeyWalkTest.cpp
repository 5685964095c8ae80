#include "Driver.h"
#include "SeenWhole.h"
#include "app/rehearse/RehearseStation.h"
#include "app/shell/NavigationColumn.h"

#include <QAccessible>
#include <QAction>
#include <QDialog>
#include <QTableView>
#include <QTimer>

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
using testing::contrastOf;
using testing::Driver;
using TabKeyWalk = testing::SampleLesson;

QAccessibleInterface* interfaceOf(QWidget* w) { return QAccessible::queryAccessibleInterface(w); }

/// What a walk with the Tab key over a screen found.
struct Walk {
    std::string screen;
    int controls = 0, unnamed = 0, unseen = 0, small = 0, back = 0, pale = 0, cut = 0;
};

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

/// Contrast that WCAG 2.1 asks of a text: less of a large one.
double contrastAskedOf(const testing::PaintedText& text) {
    constexpr int kLarge = 24, kLargeAndBold = 19; // px: 18 pt, and 14 pt
    return text.px >= (text.bold ? kLargeAndBold : kLarge) ? 3.0 : 4.5;
}

/// What a widget paints text on, by its pixels: the commonest colour where the text stands.
QColor groundOf(const QImage& picture, const QRect& place) {
    std::map<QRgb, int> times;
    const QRect within = place & picture.rect();
    for (int y = within.top(); y <= within.bottom(); ++y)
        for (int x = within.left(); x <= within.right(); ++x)
            ++times[picture.pixel(x, y)];
    if (times.empty()) return {};
    return {std::ranges::max_element(times, {}, [](const auto& t) { return t.second; })->first};
}

/// Texts of a window that do not stand out from their ground, drawn ones too.
QStringList paleTexts(QWidget& window) {
    QStringList pale;
    const auto fields = window.findChildren<QLineEdit*>();
    for (QLineEdit* field : fields)
        field->deselect(); // what is chosen in it has the theme's colours of a chosen thing
    const QImage picture = window.grab().toImage();
    const auto all = window.findChildren<QWidget*>();
    for (QWidget* w : all) {
        if (!w->isVisible() || !w->isEnabled() || w->window() != &window) continue;
        const QPoint origin = w->mapTo(&window, QPoint(0, 0));
        const QRegion seen = w->visibleRegion().translated(origin);
        for (const auto& text : testing::paintedTexts(*w)) {
            const QRect place = text.box.toAlignedRect().translated(origin);
            if (text.text.trimmed().isEmpty() || !seen.contains(place.center())) continue; // scrolled away
            const QColor ground = groundOf(picture, place & seen.boundingRect());
            if (!ground.isValid()) continue;
            const double has = contrastOf(text.colour, ground);
            if (has < contrastAskedOf(text))
                pale << QStringLiteral("'%1' of %2 has %3:1, %4 on %5")
                            .arg(text.text, testing::calledSo(*w))
                            .arg(has, 0, 'f', 2)
                            .arg(text.colour.name(), ground.name());
        }
    }
    pale.removeDuplicates();
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
        auto* spoken = interfaceOf(now);
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
    EXPECT_GE(out.controls, 1) << screen;
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

// What is read stands out from its ground in every theme, on controls and in what is drawn.
TEST_F(TabKeyWalk, EveryTextStandsOutInEveryTheme) {
    for (const app::Theme& theme :
         {app::Theme::paper(), app::Theme::night(), app::Theme::projector(), app::Theme::contrast()}) {
        app::applyTheme(theme);
        d->controller.refresh();
        for (int i = 0; i < kStations; ++i) {
            goTo(static_cast<Station>(i));
            auto* rehearse = d->window.findChild<app::RehearseStation*>();
            for (int waits = 0; rehearse && rehearse->isVisible() && !rehearse->isReady() && waits < 600;
                 ++waits)
                QTest::qWait(50);
            Driver::settle();
            const QStringList pale = paleTexts(d->window);
            EXPECT_TRUE(pale.isEmpty()) << theme.name.toStdString() << ", station " << i + 1 << ":\n  "
                                        << pale.join(QStringLiteral("\n  ")).toStdString();
        }
    }
    app::applyTheme(app::Theme::paper());
}

// Every screen and tool window by Tab alone. The table stands in docs/accessibility.md as this prints it.
TEST_F(TabKeyWalk, EveryStopHasANameARoleARingAndRoom) {
    std::vector<Walk> all;
    for (int i = 0; i < kStations - 1; ++i) { // the last is to come
        goTo(static_cast<Station>(i));
        all.push_back(walk(*d, d->window, app::NavigationColumn::stationName(i).toStdString()));
    }
    goTo(Station::Rig);
    d->press("rigFace_1");
    all.push_back(walk(*d, d->window, "Rig, its tests"));
    d->press("rigFaceTests_0");
    goTo(Station::Plan);
    d->press("planFaceLadder_1");
    all.push_back(walk(*d, d->window, "Plan, the lesson"));
    d->press("planFace_0");
    goTo(Station::Run);
    d->press("runFace_1");
    all.push_back(walk(*d, d->window, "Run, an act"));
    d->press("runFaceActs_0");
    for (const auto& [action, name] : {std::pair{"actionDialReader", "Dial reader"},
                                       {"actionPhotoReader", "Photo reader"},
                                       {"actionAltitudes", "Boiling against height"},
                                       {"actionSolutions", "Solutions"},
                                       {"actionTrace", "Trace"},
                                       {"actionListen", "Listen to an instrument"}}) {
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
    for (const auto& [name, opens] : std::vector<std::pair<std::string, std::function<void()>>>{
             {"All keys", [&] { d->window.findChild<QAction*>(QStringLiteral("actionKeys"))->trigger(); }},
             {"A note", [&] { goTo(Station::Run), d->press("note"); }},
             {"Strike",
              [&] {
                  goTo(Station::Run);
                  d->find<QTableView>("taken")->selectRow(0);
                  d->window.findChild<QAction*>(QStringLiteral("actionStrike"))->trigger();
              }},
             {"Open a notebook",
              [&] { d->window.findChild<QAction*>(QStringLiteral("actionOpen"))->trigger(); }},
             {"Save the report", [&] { goTo(Station::Report), d->press("savePdf"); }}}) {
        // Until it is there, however long that takes: a dialog that is not sent away would stand for ever.
        bool walked = false;
        QTimer looks;
        QObject::connect(&looks, &QTimer::timeout, &d->window, [&] {
            QWidget* dialog = QApplication::activeModalWidget();
            for (QWidget* w : QApplication::topLevelWidgets())
                if (!dialog && w->isVisible() && qobject_cast<QDialog*>(w)) dialog = w;
            if (!dialog || !dialog->isVisible()) return;
            looks.stop();
            all.push_back(walk(*d, *dialog, name));
            walked = true;
            dialog->close();
        });
        looks.start(100);
        opens();
        constexpr int kLongest = 20'000; // ms
        (void)QTest::qWaitFor([&] { return walked; }, kLongest);
        EXPECT_TRUE(walked) << name;
    }
    ASSERT_EQ(all.size(), 21U);
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
