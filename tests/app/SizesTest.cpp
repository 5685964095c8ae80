#include "Driver.h"
#include "SeenWhole.h"
#include "app/controls/Grid.h"
#include "app/map/PhaseMap.h"
#include "app/rehearse/RehearseStation.h"

#include <QAbstractSpinBox>
#include <QAction>
#include <QBoxLayout>
#include <QDialog>
#include <QElapsedTimer>
#include <QPushButton>
#include <QScrollBar>
#include <QStackedWidget>
#include <qcustomplot.h>

#include <set>

namespace uttrin {
namespace {

using testing::Driver;

/// The sample lesson in a window of a size, in a theme, with text so much larger.
class Sizes : public testing::SampleLesson {
protected:
    static constexpr QSize kSizes[] = {{960, 540}, {1024, 700}, {1280, 800}, {1920, 1080}};

    void TearDown() override {
        d.reset();
        app::applyTheme(app::Theme::paper());
    }

    void waitForRehearsal() const {
        auto* rehearse = d->window.findChild<app::RehearseStation*>();
        QElapsedTimer waited;
        waited.start();
        constexpr qint64 kLongest = 60'000; // ms
        while (rehearse && rehearse->isVisible() && !rehearse->isReady() && waited.elapsed() < kLongest)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }

    void expectNothingCut(QWidget& top, const std::string& where) {
        // What is still being worked out moves what lies below it: what is cut then is cut for good.
        QStringList wrong = testing::cutOff(top);
        for (int tries = 0; !wrong.isEmpty() && tries < 20; ++tries) {
            QTest::qWait(50);
            wrong = testing::cutOff(top);
        }
        EXPECT_TRUE(wrong.isEmpty()) << where << ":\n  " << wrong.join(QStringLiteral("\n  ")).toStdString();
    }

    /// Every station in every size.
    void walk(const app::Theme& theme) {
        app::applyTheme(theme);
        d->controller.refresh();
        for (const QSize size : kSizes) {
            d->window.resize(size);
            Driver::settle();
            ASSERT_EQ(d->window.size(), size) << "the window does not fit";
            for (int s = 0; s < kStations; ++s) {
                goTo(static_cast<Station>(s));
                waitForRehearsal();
                Driver::settle();
                expectNothingCut(d->window,
                                 "station " + std::to_string(s + 1) + " at " + std::to_string(size.width()) +
                                     " x " + std::to_string(size.height()) + ", " + theme.name.toStdString());
            }
        }
    }
};

// Night and contrast have the sizes of paper: what is seen whole on one is seen whole on all three.
TEST_F(Sizes, NightAndContrastAreOfTheSizesOfPaper) {
    const auto sizes = [](const app::Theme& t) {
        return std::vector<int>{t.live, t.figure, t.title, t.text, t.small, t.tick, t.large};
    };
    EXPECT_EQ(sizes(app::Theme::night()), sizes(app::Theme::paper()));
    EXPECT_EQ(sizes(app::Theme::contrast()), sizes(app::Theme::paper()));
}

TEST_F(Sizes, NothingIsCutOnPaper) { walk(app::Theme::paper()); }
TEST_F(Sizes, NothingIsCutOnTheProjector) { walk(app::Theme::projector()); }
TEST_F(Sizes, NothingIsCutWithTextOneAndAHalfTimesAsLarge) { walk(app::Theme::paper().at(150)); }
TEST_F(Sizes, NothingIsCutWithTextTwiceAsLarge) { walk(app::Theme::paper().at(200)); }

// All shown twice as large on a screen of 1280 x 800: so much is left for the window, and it is scrolled.
TEST_F(Sizes, OnATinyScreenTheWindowIsScrolled) {
    d->window.setMinimumSize(0, 0);
    d->window.resize(640, 400);
    Driver::settle();
    EXPECT_EQ(d->window.size(), QSize(640, 400));
    goTo(Station::Run);
    auto* last = d->find<QLineEdit>("readTemperature");
    d->find<QAbstractButton>("station5")->setFocus();
    QTest::qWait(50);
    last->setFocus();
    QTest::qWait(50);
    const QRect seen(last->mapTo(&d->window, QPoint(0, 0)), last->size());
    EXPECT_TRUE(d->window.rect().contains(seen))
        << "the field with the keyboard is not scrolled into view: " << seen.x() << ", " << seen.y();
}

/// What of a widget lies within all that it stands in, in the window.
QRect seenOf(const QWidget& w) {
    QRect seen = w.rect();
    for (const QWidget* in = &w; !in->isWindow(); in = in->parentWidget())
        seen = seen.translated(in->pos()).intersected(in->parentWidget()->rect());
    return seen;
}

// A point is captured at once, whatever else there is to be read: held temperature has the most.
TEST_F(Sizes, CaptureIsInSightAndNeverOverWhatHasTheKeyboard) {
    goTo(Station::Rig);
    d->press("rigSetup_1");
    goTo(Station::Run);
    d->type("newGroup", QStringLiteral("Fern"), Qt::Key_Return);
    const auto* capture = d->find<QPushButton>("capture");
    for (const app::Theme& theme :
         {app::Theme::paper(), app::Theme::projector(), app::Theme::paper().at(200)}) {
        app::applyTheme(theme);
        d->controller.refresh();
        for (const QSize size : kSizes) {
            if (theme.factor > 1.5 && size.width() < 1280) continue; // the window is scrolled as a whole
            d->window.resize(size);
            Driver::settleWhole(d->window);
            for (const char* name : {"judge", "readFirst", "readTemperature", "readBeforePull"}) {
                auto* field = d->find<QLineEdit>(name);
                field->setFocus();
                Driver::settleWhole(d->window);
                const QRect button = seenOf(*capture), typed = seenOf(*field);
                const std::string where =
                    theme.name.toStdString() + " at " + std::to_string(size.width()) + ", " + name;
                EXPECT_EQ(button.height(), capture->height()) << where;
                EXPECT_EQ(typed.height(), field->height()) << where;
                EXPECT_FALSE(button.intersects(typed)) << where;
            }
        }
    }
}

// A window that is made lower has fewer numbers at its scales, at once.
TEST_F(Sizes, NumbersAtTheScalesOfAMapStandApart) {
    goTo(Station::Plan);
    d->press("planFace_0");
    auto* map = d->find<app::PhaseMap>("phaseMap");
    const auto* plot = map->findChild<QCustomPlot*>();
    for (const app::Theme& theme : {app::Theme::paper(), app::Theme::projector()}) {
        app::applyTheme(theme);
        d->controller.refresh();
        for (const QSize size : {QSize(1920, 1080), QSize(960, 540), QSize(1280, 800), QSize(1024, 700)}) {
            d->window.resize(size);
            Driver::settleWhole(d->window);
            for (const QCPAxis* axis : {plot->xAxis, plot->yAxis, plot->yAxis2}) {
                const QFontMetricsF letters(axis->tickLabelFont());
                const auto ticks = axis->tickVector();
                for (int i = 1; i < ticks.size(); ++i) {
                    const double apart =
                        std::abs(axis->coordToPixel(ticks[i]) - axis->coordToPixel(ticks[i - 1]));
                    EXPECT_GT(apart, axis == plot->xAxis
                                         ? letters.horizontalAdvance(axis->tickVectorLabels()[i])
                                         : letters.ascent())
                        << theme.name.toStdString() << " at " << size.width() << ", " << ticks[i];
                }
            }
        }
    }
}

// Opened, a list shows its last row whole, or it is scrolled to it.
TEST_F(Sizes, ListsShowTheirLastRow) {
    int lists = 0;
    for (int s = 0; s < kStations; ++s) {
        goTo(static_cast<Station>(s));
        waitForRehearsal();
        const auto boxes = d->window.findChildren<QComboBox*>();
        for (QComboBox* box : boxes) {
            if (!box->isVisible() || !box->isEnabled() || box->count() == 0) continue;
            box->showPopup();
            Driver::settle();
            const QAbstractItemView& view = *box->view();
            const QRect last = view.visualRect(view.model()->index(box->count() - 1, 0));
            const bool scrolls = view.verticalScrollBar()->maximum() > 0;
            EXPECT_TRUE(scrolls || last.bottom() <= view.viewport()->height())
                << box->objectName().toStdString() << " ends at " << last.bottom() << " of "
                << view.viewport()->height();
            EXPECT_GE(last.height(), 20) << box->objectName().toStdString();
            box->hidePopup();
            ++lists;
        }
    }
    EXPECT_GT(lists, 8);
}

// Two heights of controls, and of links; pages, cards and rows lie on a grid of eight, with half a step
// within.
TEST_F(Sizes, ControlsHaveTwoHeightsAndDistancesLieOnTheGrid) {
    const std::set<int> heights{app::grid::kControl, app::grid::kAction, app::grid::kLink};
    const std::set<int> distances{0, app::grid::kHalfStep, app::grid::kStep, app::grid::kMargin};
    for (int s = 0; s < kStations; ++s) {
        goTo(static_cast<Station>(s));
        waitForRehearsal();
        const auto all = d->window.findChildren<QWidget*>();
        for (QWidget* w : all) {
            if (!w->isVisible()) continue;
            const bool within = qobject_cast<QComboBox*>(w->parentWidget()) ||
                                qobject_cast<QAbstractSpinBox*>(w->parentWidget());
            const bool control =
                qobject_cast<QLineEdit*>(w) || qobject_cast<QComboBox*>(w) || qobject_cast<QPushButton*>(w);
            if (control && !within) {
                EXPECT_TRUE(heights.contains(w->height()))
                    << testing::calledSo(*w).toStdString() << ": " << w->height();
            }
        }
        const auto layouts = d->window.findChild<QStackedWidget*>(QStringLiteral("stations"))
                                 ->currentWidget()
                                 ->findChildren<QBoxLayout*>();
        for (const QBoxLayout* layout : layouts) {
            const QMargins m = layout->contentsMargins();
            for (const int px : {layout->spacing(), m.left(), m.right(), m.top(), m.bottom()})
                EXPECT_TRUE(distances.contains(px))
                    << "station " << s + 1 << " in "
                    << testing::calledSo(*layout->parentWidget()).toStdString() << ": " << px;
        }
    }
}

TEST_F(Sizes, ToolWindowsAreSeenWhole) {
    for (const int percent : {100, 150, 200}) {
        app::applyTheme(app::Theme::paper().at(percent));
        for (const char* action :
             {"actionDialReader", "actionAltitudes", "actionSolutions", "actionPhotoReader", "actionKeys"}) {
            d->window.findChild<QAction*>(QLatin1String(action))->trigger();
            Driver::settle();
            for (QWidget* w : QApplication::topLevelWidgets())
                if (w->isVisible() && qobject_cast<QDialog*>(w)) {
                    expectNothingCut(*w, std::string(action) + " at " + std::to_string(percent) + " %");
                    w->close();
                }
        }
    }
}

} // namespace
} // namespace uttrin
