#include "BellPanel.h"

#include "ActInHand.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "lesson/acts/OutlookTexts.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr double kMinute = 60.0; // s

} // namespace

/// A bell with its time and what can be done with it.
struct BellPanel::Row : QWidget {
    RowId id = 0;
    Words *title, *time, *doubt;

    Row(const BellView& bell, LessonController& controller) : id(bell.id) {
        auto* column = new QVBoxLayout(this);
        column->setContentsMargins(0, 0, 0, 0);
        column->setSpacing(grid::kHalfStep);
        auto* row = new QHBoxLayout;
        row->setSpacing(grid::kStep);
        time = makeLabel({}, "heading");
        time->setObjectName(QStringLiteral("bellTime%1").arg(bell.id));
        title = makeLabel({});
        row->addWidget(time);
        row->addWidget(title, 1);
        column->addLayout(row);
        auto* buttons = FlowLayout::inRow();
        const auto button = [&](const QString& text, const QString& name, const QString& spoken, auto slot) {
            auto* b = new QPushButton(text);
            b->setObjectName(name);
            b->setAccessibleName(spoken);
            setRole(b, "smallSegment");
            QObject::connect(b, &QPushButton::clicked, this, slot);
            buttons->addFixed(b);
        };
        const QString what = onScreen(bell.title);
        const auto later = [&](int minutes, const QString& name) {
            button(BellPanel::tr("+%1 min").arg(minutes), name.arg(bell.id),
                   BellPanel::tr("Ring %n minute(s) later: %1", nullptr, minutes).arg(what),
                   [&controller, id = bell.id, minutes, this] {
                       controller.carryOut(&BellCommands::snooze, id,
                                           std::max(0.0, remaining) + kMinute * minutes);
                   });
        };
        if (!bell.up) {
            later(1, QStringLiteral("bellLater%1"));
            later(5, QStringLiteral("bellMuchLater%1"));
            button(BellPanel::tr("Again"), QStringLiteral("bellAgain%1").arg(bell.id),
                   BellPanel::tr("From the beginning again: %1").arg(what),
                   [&controller, id = bell.id, lasts = bell.lasts] {
                       controller.carryOut(&BellCommands::snooze, id, lasts);
                   });
        }
        button(BellPanel::tr("Done"), QStringLiteral("bellDone%1").arg(bell.id),
               BellPanel::tr("Done: %1").arg(what),
               [&controller, id = bell.id] { controller.carryOut(&BellCommands::done, id); });
        column->addWidget(buttons->parentWidget());
        doubt = makeLabel({}, "caution");
        column->addWidget(doubt);
        show(bell);
    }
    void show(const BellView& bell) {
        remaining = bell.up ? 0.0 : bell.remaining;
        // A sign beside the words: colour is never the only one.
        title->setText(bell.rings
                           ? QStringLiteral("\u25B6 %1: %2").arg(onScreen(bell.title), BellPanel::tr("now"))
                           : onScreen(bell.title));
        time->setText(onScreen(bell.time));
        setRole(time, bell.rings ? "title" : "heading");
        doubt->setText(onScreen(bell.doubt));
        doubt->setVisible(!bell.doubt.empty());
    }
    double remaining = 0.0; ///< s
};

BellPanel::BellPanel(LessonController& controller, ActInHand& hand, ActForecasts& forecasts)
    : m_controller(controller), m_hand(hand), m_forecasts(forecasts) {
    m_rows = new QVBoxLayout;
    m_rows->setSpacing(grid::kHalfStep);
    column()->addLayout(m_rows);
    auto* act = FlowLayout::inRow();
    m_next = new QPushButton;
    m_next->setObjectName(QStringLiteral("bellNext"));
    m_next->setToolTip(tr("Alt+B: rings when the forecast has it due"));
    act->addWidget(m_next);
    m_plan = new QPushButton(tr("Bells of the plan"));
    m_plan->setObjectName(QStringLiteral("bellsOfPlan"));
    m_plan->setToolTip(tr("Alt+P: one for each thing that the plan has still to come today"));
    act->addFixed(m_plan);
    m_hands = new QPushButton;
    m_hands->setObjectName(QStringLiteral("bellHands"));
    m_hands->setToolTip(tr("Rings when others take over what is cold; Again starts it anew"));
    act->addFixed(m_hands);
    auto* own = new QHBoxLayout;
    m_title = new FieldEdit;
    m_title->setObjectName(QStringLiteral("bellTitle"));
    m_title->setAccessibleName(tr("What a bell is for"));
    m_title->setQuestion(tr("a bell for what"));
    m_minutes = new FieldEdit;
    m_minutes->setObjectName(QStringLiteral("bellMinutes"));
    m_minutes->setAccessibleName(tr("Rings in, minutes"));
    m_minutes->setQuestion(tr("minutes"));
    own->addWidget(m_title, 3);
    own->addWidget(m_minutes, 2);
    column()->addLayout(own);
    auto* down = new QPushButton(tr("Ring in"));
    down->setObjectName(QStringLiteral("bellStart"));
    auto* up = new QPushButton(tr("Count up"));
    up->setObjectName(QStringLiteral("bellCountUp"));
    for (QPushButton* button : {down, up})
        act->addFixed(button);
    column()->addWidget(act->parentWidget());
    connect(m_next, &QPushButton::clicked, this, &BellPanel::ringForNext);
    connect(m_plan, &QPushButton::clicked, this, &BellPanel::ringForPlan);
    connect(m_hands, &QPushButton::clicked, this, &BellPanel::ringForHands);
    connect(down, &QPushButton::clicked, this, [this] { start(false); });
    connect(up, &QPushButton::clicked, this, [this] { start(true); });
    connect(m_minutes, &QLineEdit::returnPressed, this, [this] { start(false); });
}

void BellPanel::start(bool up) {
    const auto minutes = typedNumber(m_minutes->text());
    if (!up && !minutes) {
        m_controller.say(tr("Type in how many minutes it rings: 2.5, for instance."));
        return;
    }
    const QString title = m_title->text().trimmed().isEmpty() ? tr("bell") : m_title->text().trimmed();
    if (!m_controller.carryOut(&BellCommands::start, title.toStdString(),
                               up ? std::nullopt : std::optional(kMinute * *minutes), std::nullopt,
                               BellSource::Hand))
        return;
    m_title->clear();
    m_minutes->clear();
}

void BellPanel::ringForNext() {
    const auto& next = m_hand.view().next;
    const Act* act = m_hand.act();
    if (!next || !act) return;
    m_controller.carryOut(&BellCommands::start, onScreen(next->says).toStdString(), std::optional(next->in),
                          std::optional(act->id), BellSource::Model);
}

void BellPanel::ringForPlan() {
    const auto bells = plannedBells(m_controller.session(), m_forecasts);
    if (bells.empty()) {
        m_controller.say(
            tr("The plan has nothing to come, or nobody has said when the bell rings (Plan, first bell)."));
        return;
    }
    m_controller.carryOut(&BellCommands::startAll, bells);
}

void BellPanel::ringForHands() {
    const auto& hands = m_hand.view().coldHands;
    const Act* act = m_hand.act();
    if (hands && act)
        m_controller.carryOut(&BellCommands::start, tr("swap hands").toStdString(), hands,
                              std::optional(act->id), BellSource::Hand);
}

void BellPanel::build(const std::vector<BellView>& bells) {
    emptyLayout(*m_rows);
    m_shown.clear();
    for (const BellView& bell : bells) {
        m_shown.push_back(new Row(bell, m_controller));
        m_rows->addWidget(m_shown.back());
    }
    keepFocusOrder(this);
}

void BellPanel::refresh() {
    const auto bells = bellsOf(m_controller.session());
    const bool same = std::ranges::equal(
        m_shown, bells, {}, [](const Row* r) { return r->id; }, &BellView::id);
    if (!same) build(bells);
    tick();
}

void BellPanel::tick() {
    for (const BellView& bell : bellsOf(m_controller.session()))
        for (Row* row : m_shown)
            if (row->id == bell.id) row->show(bell);
    const auto& next = m_hand.view().next;
    m_next->setVisible(next.has_value());
    if (next)
        m_next->setText(
            tr("Bell for: %1, in %2").arg(onScreen(next->says), onScreen(durationText(next->in))));
    m_next->setEnabled(next && !next->overdue);
    const auto& hands = m_hand.view().coldHands;
    m_hands->setVisible(hands.has_value() && m_hand.isLive());
    if (hands) m_hands->setText(tr("Swap hands in %1 s").arg(onScreen(*hands, 0)));
}

} // namespace uttrin::app

#include "moc_BellPanel.cpp"
