#include "ConductPage.h"

#include "ActInHand.h"
#include "ActTape.h"
#include "BellPanel.h"
#include "ClassPanel.h"
#include "ForecastChart.h"
#include "ReadPanel.h"
#include "SeenPanel.h"
#include "StepPanel.h"
#include "app/accessibility/Spoken.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Theme.h"
#include "app/rigdrawing/RigDrawing.h"
#include "lesson/actcommands/ConductCommands.h"
#include "lesson/acts/OutlookTexts.h"
#include "lesson/views/RehearseViews.h"
#include "lesson/views/StripView.h"
#include "physics/Constants.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <QShortcut>
#include <QSignalBlocker>

namespace uttrin::app {
namespace {

constexpr int kAll = 100; // stretch: of the room there is, as good as all

} // namespace

ConductPage::ConductPage(LessonController& controller, ActInHand& hand, QWidget* before)
    : StationPage(controller), m_hand(hand) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->setSpacing(grid::kStep);
    auto* row = new QHBoxLayout;
    row->setSpacing(grid::kMargin);
    m_left = new QVBoxLayout;
    auto* left = m_left;
    left->setSpacing(grid::kStep);
    left->addWidget(buildHead(before));
    left->addWidget(buildFigures());
    m_drawing = new RigDrawing;
    m_chart = new ForecastChart;
    m_pictures = new QBoxLayout(QBoxLayout::LeftToRight);
    m_pictures->setSpacing(grid::kStep);
    m_pictures->addWidget(m_drawing, 4);
    m_pictures->addWidget(m_chart, 3);
    left->addLayout(m_pictures, kAll);
    m_steps = makeLabel({});
    m_steps->setObjectName(QStringLiteral("conductSteps"));
    m_stepsColumn = new ScrollColumn;
    m_stepsColumn->setMinimumWidth(scaled(360));
    m_stepsColumn->column()->addWidget(m_steps);
    m_stepsColumn->column()->addStretch();
    left->addWidget(m_stepsColumn, kAll);
    m_now = makeLabel({}, "heading");
    m_now->setObjectName(QStringLiteral("conductNow"));
    left->addWidget(m_now);
    m_class = new ClassPanel(m_controller, m_hand);
    left->addWidget(m_class);
    left->addStretch(1); // before what is said would stand far apart
    row->addLayout(left, 1);
    row->addWidget(buildRight(), 2);
    whole->addLayout(row, 1);
    m_tape = new ActTape;
    whole->addWidget(m_tape);
    connect(&m_hand, &ActInHand::changed, this, [this] {
        if (isVisible()) refresh();
    });
    connect(&m_hand, &ActInHand::moved, this, &ConductPage::tick);
    wireKeys();
}

QWidget* ConductPage::buildHead(QWidget* before) {
    auto* head = FlowLayout::inRow();
    head->addFixed(before);
    m_acts = new QComboBox;
    m_acts->setObjectName(QStringLiteral("conductAct"));
    m_acts->setAccessibleName(tr("The act in hand"));
    m_begin = new QPushButton(tr("Begin"));
    m_begin->setObjectName(QStringLiteral("conductBegin"));
    m_begin->setToolTip(tr("It goes live, and its forecast is frozen"));
    m_finish = new QPushButton(tr("Finish"));
    m_finish->setObjectName(QStringLiteral("conductFinish"));
    head->addWidget(m_acts);
    head->addFixed(m_begin);
    head->addFixed(m_finish);
    connect(m_acts, &QComboBox::activated, this,
            [this](int index) { m_hand.choose(m_acts->itemData(index).toLongLong()); });
    connect(m_begin, &QPushButton::clicked, this, &ConductPage::begin);
    connect(m_finish, &QPushButton::clicked, this, [this] {
        if (const Act* act = m_hand.act()) m_controller.carryOut(&ConductCommands::finish, act->id);
    });
    return head->parentWidget();
}

/// What is seen from two metres: how warm it is now, and when the next thing is due.
QWidget* ConductPage::buildFigures() {
    m_figures = new QWidget;
    auto* row = new QHBoxLayout(m_figures);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    const auto add = [row](Words* figure, Words* under) {
        auto* column = new QVBoxLayout;
        column->setSpacing(0);
        column->addWidget(figure);
        column->addWidget(under);
        row->addLayout(column, 1);
    };
    m_figure = makeLabel({}, "actFigure");
    m_figure->setObjectName(QStringLiteral("conductFigure"));
    m_next = makeLabel({}, "actFigure");
    m_next->setObjectName(QStringLiteral("conductNext"));
    m_figureUnder = makeLabel({}, "muted");
    m_nextUnder = makeLabel({}, "muted");
    m_nextUnder->setObjectName(QStringLiteral("conductNextUnder"));
    add(m_figure, m_figureUnder);
    add(m_next, m_nextUnder);
    return m_figures;
}

QWidget* ConductPage::buildRight() {
    auto* right = new ScrollColumn;
    right->setWidths(scaled(400), scaled(520));
    right->column()->setSpacing(grid::kStep);
    m_step = new StepPanel(m_controller, m_hand);
    right->column()->addWidget(m_step);
    m_live = new QWidget;
    auto* live = new QVBoxLayout(m_live);
    live->setContentsMargins(0, 0, 0, 0);
    live->setSpacing(grid::kStep);
    m_read = new ReadPanel(m_controller, m_hand);
    m_seen = new SeenPanel(m_controller, m_hand);
    live->addWidget(m_read);
    live->addWidget(m_seen);
    right->column()->addWidget(m_live);
    m_outlook = makeLabel({}, "note");
    m_outlook->setObjectName(QStringLiteral("conductOutlook"));
    right->column()->addWidget(m_outlook);
    m_bells = new BellPanel(m_controller, m_hand, m_forecasts);
    right->column()->addWidget(m_bells);
    m_stamps = makeLabel({});
    m_stamps->setObjectName(QStringLiteral("conductStamps"));
    right->column()->addWidget(m_stamps);
    m_cautions = makeLabel({}, "caution");
    right->column()->addWidget(m_cautions);
    right->column()->addStretch();
    return right;
}

void ConductPage::takeFocus() {
    m_step->doneButton()->isEnabled() ? m_step->doneButton()->setFocus() : m_begin->setFocus();
}

void ConductPage::begin() {
    const Act* now = m_hand.act();
    if (!now) return;
    const auto frozen = toFreeze(session(), *now);
    if (!frozen) {
        m_controller.tell(frozen.error());
        return;
    }
    if (m_controller.carryOut(&ConductCommands::begin, now->id, *frozen)) m_step->doneButton()->setFocus();
}

/// Keys that no field takes, the same in every rig: each presses its button.
void ConductPage::wireKeys() {
    const auto press = [this](const QString& keys, const QString& button) {
        auto* shortcut = new QShortcut(QKeySequence(keys), this);
        shortcut->setContext(Qt::WidgetWithChildrenShortcut);
        shortcut->setAutoRepeat(false);
        connect(shortcut, &QShortcut::activated, this, [this, button] {
            auto* found = findChild<QAbstractButton*>(button);
            if (found && found->isVisible() && found->isEnabled()) found->click();
        });
    };
    constexpr int kFirstSeenKey = 2, kMostVigour = 5, kMostAnswers = 9; // F2; F1 is for help
    for (int i = 0; i < static_cast<int>(thingsSeen().size()); ++i)
        press(QStringLiteral("F%1").arg(kFirstSeenKey + i), QStringLiteral("seen%1").arg(i));
    for (int i = 1; i <= kMostVigour; ++i)
        press(QStringLiteral("Alt+%1").arg(i), QStringLiteral("vigourSeen%1").arg(i));
    for (int i = 1; i <= kMostAnswers; ++i)
        press(QStringLiteral("Alt+Shift+%1").arg(i), QStringLiteral("answer%1").arg(i - 1));
    press(QStringLiteral("Alt+L"), QStringLiteral("classLock"));
    press(QStringLiteral("Alt+R"), QStringLiteral("classReveal"));
    press(QStringLiteral("Alt+B"), QStringLiteral("bellNext"));
    press(QStringLiteral("Alt+P"), QStringLiteral("bellsOfPlan"));
    press(QStringLiteral("Alt+D"), QStringLiteral("seenLiquidInLine"));
}

void ConductPage::showCourse() {
    const ConductView& view = m_hand.view();
    const Rehearsal* course = m_hand.course();
    m_drawing->setVisible(course != nullptr);
    if (course) {
        const double seconds = m_hand.courseSeconds();
        const std::size_t sample = course->sampleAt(seconds);
        if (view.live) emit stripChanged(rehearsalStrip(*course, sample));
        m_drawing->show(sceneOf(*course, sample), seconds);
        const auto learned = m_hand.learned();
        const auto band = learned && view.seconds ? learned->outlook.band.at(*view.seconds) : std::nullopt;
        const double kelvin = band ? band->value : course->watchedAt(sample).kelvin;
        m_figure->setText(tr("%1 °C").arg(onScreen(kelvin - kIcePointKelvin, 1)));
        m_figureUnder->setText(band ? tr("now, by what was read (%1 to %2)")
                                          .arg(onScreen(band->low - kIcePointKelvin, 1),
                                               onScreen(band->high - kIcePointKelvin, 1))
                                    : tr("now, by the frozen forecast"));
        if (const QString second = inSecondUnit(kelvin); !second.isEmpty())
            m_figureUnder->setText(tr("= %1, %2").arg(second, m_figureUnder->text()));
    }
    m_figures->setVisible(course && view.live);
    m_next->setText(!view.next           ? QStringLiteral("–")
                    : view.next->overdue ? tr("now")
                                         : onScreen(durationText(view.next->in)));
    m_nextUnder->setText(!view.waitsFor.empty() ? tr("waits for: %1").arg(onScreen(view.waitsFor))
                         : !view.next           ? tr("no more moves")
                         : view.next->overdue   ? tr("is due: %1").arg(onScreen(view.next->says))
                                                : tr("until: %1").arg(onScreen(view.next->says)));
    m_chart->show(m_hand.frozen(), m_hand.learned(), view);
    m_now->setText(onScreen(view.now));
    m_now->setVisible(!view.now.empty());
    QStringList outlook;
    for (const Text& text : view.outlook)
        outlook << onScreen(text);
    m_outlook->setText(outlook.join(QLatin1Char('\n')));
    m_outlook->setVisible(!outlook.isEmpty());
}

/// Of a lab, which has no forecast beside its plan: all its steps, and how far they are.
void ConductPage::showSteps() {
    const Act* act = m_hand.act();
    const bool lab = act && act->kind == ActKind::Lab;
    m_stepsColumn->setVisible(lab);
    m_chart->setVisible(!lab);
    m_left->setStretchFactor(m_pictures,
                             lab ? 0 : kAll); // a layout takes its share even where all in it is hidden
    if (!lab) return;
    emit stripChanged(stripView(session()));
    QStringList lines{tr("Its points are captured at Lab, beside; here it is led step by step.")};
    int number = 0;
    for (const auto& step : m_hand.view().steps) {
        const QString sign = step.state == ConductView::Step::Done      ? QStringLiteral("\u2713")
                             : step.state == ConductView::Step::Skipped ? QStringLiteral("\u2013")
                             : step.state == ConductView::Step::Current ? QStringLiteral("\u25B6")
                                                                        : QStringLiteral("\u25CB");
        QString line = tr("%1  %2  %3").arg(sign).arg(++number).arg(onScreen(step.says));
        if (step.repeats && step.times > 0)
            line += QStringLiteral("  (%1)").arg(onScreen(Text::tr("{0} {0|point|points}", step.times)));
        lines << line;
    }
    m_steps->setText(lines.join(QStringLiteral("\n\n")));
}

void ConductPage::resizeEvent(QResizeEvent* event) {
    StationPage::resizeEvent(event);
    const int beside = m_drawing->minimumSizeHint().width() + m_chart->minimumSizeHint().width() +
                       scaled(400) + 3 * grid::kMargin;
    constexpr double kHighest = 0.75; // of its width: higher a drawing would be all neck
    m_drawing->setMaximumHeight(std::max(scaled(360), static_cast<int>(kHighest * m_drawing->width())));
    m_pictures->setDirection(width() >= beside ? QBoxLayout::LeftToRight : QBoxLayout::TopToBottom);
}

void ConductPage::tick() {
    if (!isVisible() || !m_controller.isOpen()) return;
    showCourse();
    follow(m_minutes, session());
    m_tape->show(m_minutes);
    m_bells->tick();
}

void ConductPage::refresh() {
    if (!m_controller.isOpen()) return;
    const QSignalBlocker quiet(m_acts);
    m_acts->clear();
    for (const Act* act : m_hand.acts())
        m_acts->addItem(QString::fromStdString(act->title), QVariant::fromValue<qlonglong>(act->id));
    const Act* now = m_hand.act();
    m_acts->setCurrentIndex(m_acts->findData(QVariant::fromValue<qlonglong>(now ? now->id : 0)));
    const ConductView& view = m_hand.view();
    m_begin->setEnabled(view.canBegin);
    m_finish->setEnabled(view.live);
    m_live->setEnabled(view.live);
    showSteps();
    m_step->refresh();
    m_read->refresh();
    m_seen->refresh();
    m_class->refresh();
    m_bells->refresh();
    showCourse();
    m_minutes = actTapeView(session(), m_forecasts, [this](const Act& act) { return m_hand.courseOf(act); });
    m_tape->show(m_minutes);
    QStringList stamps;
    for (const auto& s : view.stamps)
        stamps << tr("%1  %2").arg(onScreen(s.when), onScreen(s.what));
    m_stamps->setText(stamps.join(QLatin1Char('\n')));
    QStringList cautions;
    for (const Text& c : view.cautions)
        cautions << QStringLiteral("\u26A0 ") + onScreen(c);
    m_cautions->setText(cautions.join(QLatin1Char('\n')));
    m_cautions->setVisible(!cautions.isEmpty());
}

} // namespace uttrin::app

#include "moc_ConductPage.cpp"
